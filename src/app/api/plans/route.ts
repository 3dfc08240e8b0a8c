import { titleRow } from '@/core/plan/rows'
import { definitions } from '@/server/models'
import { createPlan } from '@/server/plans'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** Starts a plan: `{model}` in, its id out. */
export const POST = handled(async (request: Request) => {
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const wanted = order.value.model
  const { models } = await definitions()
  const model = models.find((one) => one.id === wanted)
  if (!model) {
    return refusalResponse({
      code: 'unknown-model',
      message: `There is no model “${typeof wanted === 'string' ? wanted.slice(0, 80) : 'without a name'}”.`,
      where: 'model',
    })
  }
  return Response.json({
    kind: 'made',
    id: await createPlan(model, { [titleRow]: `New plan for ${model.name}` }),
  })
})
