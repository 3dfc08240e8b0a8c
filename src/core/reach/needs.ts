import { memoize } from '../memoize'
import { type RowId, idsOf, isNeedRow, needRow, parseRow, rowValue, situationRow } from '../plan/rows'
import { placeAtEnd, situationSide } from '../plan/situations'
import { lookup } from '../model/lookup'
import type { AssignSide, BodyModel, ModelFunction, Side } from '../model/types'
import { parsePlan, type Plan } from '../plan/plan'
import { applyStep, setRows } from '../plan/step'
import type { Result } from '../result'
import type { Step } from '../sync/step'
import { type ReadySet } from '../vocabulary/situations'
import { needFlags, type NeedFlag } from '../vocabulary/need-flags'
import type { Value } from '../vocabulary/values'

/** A need of one situation. */
export interface Need {
  readonly situation: string
  readonly side: Side
  /** A common setting to change, or a common function to do. */
  readonly what: string
  readonly perOuting: number
  readonly flags: readonly NeedFlag[]
}

/** The needs of a plan, by situation and name; a situation without a side is worked on the model's first. */
export function needsOf(model: BodyModel, plan: Plan): readonly Need[] {
  return needsFor(model)(plan)
}

/** How often an outing the needs of a plan ask for a common setting or function. */
export function timesNeeded(model: BodyModel, plan: Plan, means: string): number {
  return needsOf(model, plan).reduce((sum, { what, perOuting }) => sum + (what === means ? perOuting : 0), 0)
}

const needsFor = memoize((model: BodyModel) => memoize((plan: Plan) => readNeeds(model, plan)))

function readNeeds(model: BodyModel, plan: Plan): Need[] {
  return idsOf(plan.rows)
    .filter((id) => isNeedRow(id))
    .sort()
    .flatMap((id): Need[] => {
      const row = parseRow(model, id)
      const value = rowValue(plan.rows, id)
      if (!row.ok || row.value.kind !== 'need' || !Array.isArray(value)) return []
      const { situation, what } = row.value
      const [count, ...flags] = value as readonly string[]
      return [
        {
          situation,
          side: situationSide(model, plan, situation),
          what,
          perOuting: Number(count),
          flags: needFlags.filter((flag) => flags.includes(flag)),
        },
      ]
    })
}

/** The step that starts a situation from a ready set, after the others; needs it has already stay as they are. */
export function startSituation(plan: Plan, set: ReadySet, situation: string, id: string): Step {
  const wanted = Object.entries(situationRows(set, situation))
  const fresh = wanted.filter(([row]) => !isNeedRow(row) || rowValue(plan.rows, row) === null)
  return setRows(plan, id, { ...Object.fromEntries(fresh), ...placeAtEnd(plan, situation) })
}

/** A new plan with these rows, from outside, and the ready sets in this order; refuses what the model does not have. */
export function startedPlan(
  model: BodyModel,
  rows: Readonly<Record<string, unknown>>,
  sets: readonly ReadySet[],
): Result<Plan> {
  return sets.reduce<Result<Plan>>(
    (plan, set) =>
      plan.ok ? applyStep(model, plan.value, startSituation(plan.value, set, set.id, set.id)) : plan,
    parsePlan(model, rows),
  )
}

/** The rows of a situation as its ready set has it. */
export function situationRows(set: ReadySet, situation: string): Record<RowId, Value> {
  const needs = set.needs.map(({ what, perOuting, flags }) => [
    needRow(situation, what),
    [String(perOuting), ...flags],
  ])
  return {
    [situationRow(situation, 'name')]: set.name,
    [situationRow(situation, 'side')]: set.side,
    ...Object.fromEntries(set.work.map(({ fact, value }) => [situationRow(situation, fact), value])),
    ...(Object.fromEntries(needs) as Record<RowId, Value>),
  }
}

/** How often an outing a function is needed on a side: itself, or a setting that it changes. */
export function neededOn(model: BodyModel, plan: Plan, side: AssignSide): (fn: ModelFunction) => number {
  const times = new Map<string, number>()
  for (const need of needsOf(model, plan))
    if (need.side === side) times.set(need.what, (times.get(need.what) ?? 0) + need.perOuting)
  const { settings } = lookup(model)
  return ({ means, changes }) =>
    Math.max(
      times.get(means ?? '') ?? 0,
      ...changes.map((id) => times.get(settings.get(id)?.means ?? '') ?? 0),
    )
}
