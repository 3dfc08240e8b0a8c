import type { BodyModel } from '../model/types'
import { ok, refuse, type Result } from '../result'
import { sameValue, type Value } from '../vocabulary/values'
import { samePlanModel, type Plan } from './plan'
import { parseRow } from './parse-row'
import { checkRowValue } from './row-values'
import type { RowId, Rows } from './rows'

/** One row, from what it was to what it becomes; null stands for an absent row. */
export interface Change {
  readonly row: RowId
  readonly from: Value | null
  readonly to: Value | null
}

/**
 * Every edit of a plan is a step: one or more changes that belong together. It applies wholly or not at all, and
 * only to a plan in which each row still holds `from`. `undoes` and `redoes` name an earlier step, so that undo
 * and redo survive a reload: they are folded out of the log (see history.ts).
 */
export interface Step {
  readonly id: string
  readonly changes: readonly Change[]
  readonly undoes?: string
  readonly redoes?: string
}

/** The largest number of changes in one step. */
export const mostChanges = 2000

/**
 * The plan after the step. Refuses, leaving the plan as it was: a step for another model, a row this model does
 * not have, a value outside its domain, a row changed twice, and a row that no longer holds `from` (`stale`).
 */
export function applyStep(model: BodyModel, plan: Plan, step: Step): Result<Plan> {
  const same = samePlanModel(model, plan)
  if (!same.ok) return same
  if (step.changes.length === 0) return refuse('empty-step', 'This step changes nothing.')
  if (step.changes.length > mostChanges)
    return refuse('too-many', `A step has at most ${mostChanges} changes.`)
  const rows: Record<RowId, Value> = { ...plan.rows }
  const seen = new Set<RowId>()
  for (const change of step.changes) {
    if (seen.has(change.row)) return refuse('twice', 'One step changes this row twice.', change.row)
    seen.add(change.row)
    const row = parseRow(model, change.row)
    if (!row.ok) return row
    if (!sameValue(rowValue(plan.rows, change.row) ?? undefined, change.from ?? undefined)) {
      return refuse('stale', 'This row has changed since the step was made.', change.row)
    }
    if (change.to === null) delete rows[change.row]
    else {
      const checked = checkRowValue(model, row.value, change.to, change.row)
      if (!checked.ok) return checked
      rows[change.row] = checked.value
    }
  }
  return ok({ model: plan.model, rows })
}

/** Applies steps in order; refuses at the first that does not apply. */
export function applySteps(model: BodyModel, plan: Plan, steps: readonly Step[]): Result<Plan> {
  let current = plan
  for (const step of steps) {
    const next = applyStep(model, current, step)
    if (!next.ok) return next
    current = next.value
  }
  return ok(current)
}

/** The step that takes this one back: applying both leaves the plan as it was. */
export function invertStep(step: Step, id: string): Step {
  const changes = step.changes.map(({ row, from, to }) => ({ row, from: to, to: from })).reverse()
  return { id, changes }
}

/** What a row holds now, or null. No name that every object has contains a stroke, so an id with one needs no asking. */
export function rowValue(rows: Rows, row: RowId): Value | null {
  const value = rows[row]
  if (value === undefined) return null
  return row.includes('/') || Object.hasOwn(rows, row) ? value : null
}

/** A step that sets rows to the values given (null removes a row); rows that hold them already are left out. */
export function setRows(plan: Plan, id: string, wanted: Readonly<Record<RowId, Value | null>>): Step {
  const changes = Object.entries(wanted).flatMap(([row, to]) => {
    const from = rowValue(plan.rows, row)
    return sameValue(from ?? undefined, to ?? undefined) ? [] : [{ row, from, to }]
  })
  return { id, changes }
}

/** The rows a step touches. */
export function touchedRows(steps: readonly Step[]): ReadonlySet<RowId> {
  return new Set(steps.flatMap((step) => step.changes.map((change) => change.row)))
}
