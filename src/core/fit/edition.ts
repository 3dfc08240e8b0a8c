import { type RowId, acceptValue, entriesOf, modelRow, parseRow } from '../plan/rows'
import type { BodyModel } from '../model/types'
import { editionMark } from '../plan/kind'
import { emptyPlan, type Plan } from '../plan/plan'
import { setRows } from '../plan/step'
import type { Step } from '../sync/step'
import type { Value } from '../vocabulary/values'
import { fit, type FitLine } from './fit'

/** The step that takes a plan to another edition of its model, and what it changes. */
export interface Followed {
  readonly step: Step
  /** Rows that do not stay as they are: what becomes of each, and why. */
  readonly lines: readonly FitLine[]
}

/**
 * Follows another edition of a plan's model by one step. A row that the edition still has and whose value it still takes
 * stays; another goes where `fit` finds its meaning, unless something stands there; what has no place is left out. The step
 * can be undone: undoing it brings back edition and rows.
 */
export function followEdition(model: BodyModel, plan: Plan, to: BodyModel, id: string): Followed {
  const stays = (row: RowId, value: Value) => {
    const parsed = parseRow(to, row)
    return parsed.ok && acceptValue(to, parsed.value, value, row).ok
  }
  const lines: FitLine[] = []
  const wanted: Record<RowId, Value | null> = {}
  const fitting = fit(model, plan, to)
  const fitted = new Map(fitting.lines.map((line) => [line.row, line]))
  const there = fitting.plan.rows
  for (const [row, value] of entriesOf(plan.rows)) {
    if (stays(row, value)) continue
    const line = fitted.get(row)
    wanted[row] ??= null
    if (!line) continue
    const target = line.to
    const isFree = target !== null && (target === row || !Object.hasOwn(plan.rows, target))
    const found = isFree ? there[target] : undefined
    if (target !== null && found !== undefined) wanted[target] = found
    lines.push(found === undefined ? { ...line, how: 'absent', to: null, becomes: null } : line)
  }
  const { changes } = setRows(plan, id, wanted)
  const turn = { row: modelRow, from: editionMark(plan.model), to: editionMark(emptyPlan(to).model) }
  return { step: { id, changes: [turn, ...changes] }, lines }
}
