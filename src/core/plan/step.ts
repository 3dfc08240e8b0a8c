import { type RowId, acceptValue, entriesOf, parseRow, rowValue } from './rows'
import type { BodyModel } from '../model/types'
import type { Step } from '../sync/step'
import { ok, refuse, type Result } from '../result'
import { sameValue, type Value } from '../vocabulary/values'
import { grown } from './limits'
import { samePlanModel, type Plan } from './plan'

/**
 * The plan after the step. Refuses, leaving the plan as it was: a step for another model, a row this model does
 * not have, a value outside its domain, a row changed twice, a row that no longer holds `from` (`stale`), and a plan
 * grown beyond its limits.
 */
export function applyStep(model: BodyModel, plan: Plan, step: Step): Result<Plan> {
  const same = samePlanModel(model, plan)
  if (!same.ok) return same
  if (step.changes.length === 0) return refuse('empty-step', 'This step changes nothing.')
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
      const checked = acceptValue(model, row.value, change.to, change.row)
      if (!checked.ok) return checked
      rows[change.row] = checked.value
    }
  }
  const sized = grown(plan.rows, rows, step.changes)
  return sized.ok ? ok({ model: plan.model, rows }) : sized
}

/** A step that sets rows to the values given (null removes a row); rows that hold them already are left out. */
export function setRows(plan: Plan, id: string, wanted: Readonly<Record<RowId, Value | null>>): Step {
  const changes = entriesOf(wanted).flatMap(([row, to]) => {
    const from = rowValue(plan.rows, row)
    return sameValue(from ?? undefined, to ?? undefined) ? [] : [{ row, from, to }]
  })
  return { id, changes }
}
