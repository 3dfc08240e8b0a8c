import { definitions } from '@/server/models'
import { createPlan } from '@/server/plans'
import { readOrder, refusalResponse } from '@/server/requests'

/** Starts a plan: `{model}` in, its id out. */
export async function POST(request: Request): Promise<Response> {
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const wanted = order.value.model
  const { models } = await definitions()
  const model = models.find((one) => one.id === wanted)
  if (!model) {
    return refusalResponse({
      code: 'unknown-model',
      message: `There is no model “${String(wanted)}”.`,
      where: 'model',
    })
  }
  return Response.json({ kind: 'made', id: await createPlan(model, { title: `New plan for ${model.name}` }) })
}
