import { deliveredAt } from '../plan/menu-items'
import type { Plan } from '../plan/plan'
import {
  acceptRow,
  emptyCell,
  isGridRow,
  isKeyRow,
  isOwnRow,
  noteRow,
  type RowId,
  type Rows,
} from '../plan/rows'
import { setRows } from '../plan/step'
import type { BodyModel } from '../model/types'
import type { Step } from '../sync/step'
import type { Value } from '../vocabulary/values'
import { emptyLine, isForbidden, isLocked } from './basis'

/** One place that changes, and what that saves where those before it in the list are made already. */
export interface Change {
  readonly row: RowId
  readonly from: string
  readonly to: string
  /** Seconds an outing; all gains of a suggestion add up to what it saves. */
  readonly gain: number
}

/** A mode that a suggestion was weighed in. */
export interface Mode {
  readonly row: RowId
  readonly value: Value
}

/** Checks that ask about what a taken change does on purpose. */
const meantBy = ['displaced', 'doubled', 'other-hand']

/**
 * The step that makes some of a suggestion's changes. Reasons given for what was there go with it; what the changes
 * displace is meant, and kept as that. Modes it was weighed in and that the plan does not say are planned with it.
 */
export function stepFor(
  model: BodyModel,
  plan: Plan,
  changes: readonly Change[],
  id: string,
  modes: readonly Mode[] = [],
): Step {
  const rows: Record<RowId, Value | null> = {}
  for (const { row, value } of modes) rows[row] = value
  for (const { row, to } of changes) {
    rows[row] = to === (deliveredAt(model, row) ?? emptyAt(row)) ? null : to
    if (!isKeyRow(row)) continue
    rows[noteRow('why', row)] = null
    const isMeant = rows[row] !== null
    for (const check of meantBy) rows[acceptRow(check, row)] = isMeant ? 'Taken from a suggestion.' : null
  }
  return setRows(plan, id, rows)
}

/** Whether a change can still be made: its place has what it would replace, and has not been locked or barred to it since. */
export function stillOpen(model: BodyModel, rows: Rows, { row, from, to }: Change): boolean {
  const today = String(rows[row] ?? deliveredAt(model, row) ?? emptyAt(row))
  return today === from && !isLocked(rows, row, today) && !isForbidden(rows, row, to)
}

/** What is said of a place with nothing in it. */
function emptyAt(row: RowId): string {
  if (isOwnRow(row)) return emptyLine
  return isGridRow(row) ? emptyCell : 'nothing'
}
