import { agreementOf } from '@/server/agreement'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** What the keys of other plans ask of this one's model: `{with: plan ids}` in, pairs of address and functions out. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ plan: string }> }) => {
  const order = await readOrder(request, 50_000)
  if (!order.ok) return refusalResponse(order.refusal)
  const asked = await agreementOf((await params).plan, order.value.with)
  return asked.ok ? Response.json({ kind: 'asked', pairs: asked.value }) : refusalResponse(asked.refusal)
})
