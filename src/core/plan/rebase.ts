import { sameValue } from '../vocabulary/values'
import { touchedRows, type Change, type Step } from './step'
import type { RowId } from './rows'

/** My steps moved onto a plan that others have changed meanwhile. */
export interface Rebased {
  /** Steps that still apply, in order: they touch no row that the others touched. */
  readonly steps: readonly Step[]
  /** Rows both sides changed: what they hold now, and what I wanted. Nothing of mine is thrown away. */
  readonly conflicts: readonly Conflict[]
}

/** One row that two people changed. */
export interface Conflict {
  readonly row: RowId
  /** The value before either change. */
  readonly before: Change['from']
  readonly theirs: Change['to']
  readonly mine: Change['to']
}

/**
 * Rebases `mine`, made against an older version, onto `theirs`, the steps saved since. Steps on other rows are
 * kept as they are; a step with a row in common is held back whole, with every later step that builds on its
 * rows, and its rows come back as conflicts, but for those that hold what I wanted anyway. Linear in the number of
 * changes.
 */
export function rebase(mine: readonly Step[], theirs: readonly Step[]): Rebased {
  const blocked = new Set(touchedRows(theirs))
  const kept: Step[] = []
  const held: Step[] = []
  for (const step of mine) {
    if (step.changes.some((change) => blocked.has(change.row))) {
      held.push(step)
      step.changes.forEach((change) => blocked.add(change.row))
    } else kept.push(step)
  }
  return { steps: kept, conflicts: conflictsOf(held, theirs) }
}

function conflictsOf(held: readonly Step[], theirs: readonly Step[]): Conflict[] {
  const merged = new Map<RowId, Conflict>()
  for (const change of held.flatMap((step) => step.changes)) {
    const known = merged.get(change.row)
    const last = lastChange(theirs, change.row)
    merged.set(change.row, {
      row: change.row,
      before: known ? known.before : change.from,
      theirs: last ? last.to : known ? known.theirs : change.from,
      mine: change.to,
    })
  }
  return stillWanted([...merged.values()])
}

/** The conflicts in which the row does not hold what I wanted anyway. */
export function stillWanted(conflicts: readonly Conflict[]): Conflict[] {
  return conflicts.filter((one) => !sameValue(one.theirs ?? undefined, one.mine ?? undefined))
}

function lastChange(steps: readonly Step[], row: RowId): Change | undefined {
  return steps.flatMap((step) => step.changes).findLast((change) => change.row === row)
}
