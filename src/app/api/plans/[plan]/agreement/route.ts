import { listPlans } from '@/server/plans'
import { readOrder, refusalResponse } from '@/server/requests'
import { agreementOf } from '@/server/agreement'

/** What another plan's keys ask of this one's model: `{with: plan id}` in, pairs of address and functions out. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ plan: string }> },
): Promise<Response> {
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const asked = await agreementOf((await params).plan, String(order.value.with))
  return asked.ok ? Response.json({ kind: 'asked', pairs: asked.value }) : refusalResponse(asked.refusal)
}

/** The owner's other plans, to agree with. */
export async function GET(_: Request, { params }: { params: Promise<{ plan: string }> }): Promise<Response> {
  const { plan } = await params
  const others = (await listPlans()).filter((one) => one.id !== plan)
  return Response.json({
    kind: 'plans',
    plans: others.map(({ id, title, model }) => ({ id, title, modelName: model.name })),
  })
}
