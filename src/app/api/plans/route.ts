import { titleRow } from '@/core/plan/rows'
import { readySets } from '@/core/vocabulary/situations'
import { startedPlan } from '@/core/reach/needs'
import { definitions } from '@/server/models'
import { createPlan } from '@/server/plans'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** Starts a plan: `{model, title?, work?}` in, `work` being ids of kinds of work that it begins with; its id out. */
export const POST = handled(async (request: Request) => {
  const order = await readOrder(request, 4000)
  if (!order.ok) return refusalResponse(order.refusal)
  const { model: wanted, title = '', work = [] } = order.value
  const { models } = await definitions()
  const model = models.find((one) => one.id === wanted)
  if (!model) {
    return refusalResponse({
      code: 'unknown-model',
      message: `There is no model “${typeof wanted === 'string' ? wanted.slice(0, 80) : 'without a name'}”.`,
      where: 'model',
    })
  }
  const sets = Array.isArray(work) ? work.map((id) => readySets.find((set) => set.id === id)) : [undefined]
  if (!sets.every((set) => set !== undefined)) {
    const message = `The kinds of work are a list of ${readySets.map(({ id }) => id).join(', ')}.`
    return refusalResponse({ code: 'shape', message, where: 'work' })
  }
  const plan = startedPlan(model, { [titleRow]: title === '' ? `New plan for ${model.name}` : title }, sets)
  if (!plan.ok) return refusalResponse(plan.refusal)
  return Response.json({ kind: 'made', id: await createPlan(model, plan.value.rows) })
})
