import { agreementOf } from '@/server/agreement'
import { readOrder, refusalResponse } from '@/server/requests'

/** What the keys of other plans ask of this one's model: `{with: plan ids}` in, pairs of address and functions out. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ plan: string }> },
): Promise<Response> {
  const order = await readOrder(request, 50_000)
  if (!order.ok) return refusalResponse(order.refusal)
  const asked = await agreementOf((await params).plan, order.value.with)
  return asked.ok ? Response.json({ kind: 'asked', pairs: asked.value }) : refusalResponse(asked.refusal)
}
