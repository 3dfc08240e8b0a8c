import { purposeRow, titleRow, type RowId } from '@/core/plan/rows'
import { readySets } from '@/core/vocabulary/situations'
import { situationRows } from '@/core/reach/needs'
import { parsePlan } from '@/core/plan/plan'
import type { Refusal } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import { definitions } from '@/server/models'
import { createPlan } from '@/server/plans'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** Starts a plan: `{model, title?, purpose?, work?}` in, `work` being ids of kinds of work that it begins with; its id out. */
export const POST = handled(async (request: Request) => {
  const order = await readOrder(request, 4000)
  if (!order.ok) return refusalResponse(order.refusal)
  const { model: wanted, title, purpose, work = [] } = order.value
  const { models } = await definitions()
  const model = models.find((one) => one.id === wanted)
  if (!model) {
    return refusalResponse({
      code: 'unknown-model',
      message: `There is no model “${typeof wanted === 'string' ? wanted.slice(0, 80) : 'without a name'}”.`,
      where: 'model',
    })
  }
  const kinds = Array.isArray(work) ? work.map((id) => readySets.find((set) => set.id === id)) : []
  const odd = !Array.isArray(work) || kinds.some((one) => one === undefined)
  if (odd) return refusalResponse(unknownWork)
  const rows: Record<RowId, Value> = {
    [titleRow]: typeof title === 'string' && title !== '' ? title : `New plan for ${model.name}`,
    ...(typeof purpose === 'string' && purpose !== '' ? { [purposeRow]: purpose } : {}),
  }
  for (const set of kinds) if (set) Object.assign(rows, situationRows(set, set.id))
  const plan = parsePlan(model, rows)
  if (!plan.ok) return refusalResponse(plan.refusal)
  return Response.json({ kind: 'made', id: await createPlan(model, plan.value.rows) })
})

const unknownWork: Refusal = {
  code: 'shape',
  message: `The kinds of work are ${readySets.map(({ id }) => id).join(', ')}.`,
  where: 'work',
}
