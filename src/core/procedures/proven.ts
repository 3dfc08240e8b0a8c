import type { Plan } from '../plan/plan'
import { noteRow, rowValue, type RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import type { ActKind } from './types'

/** The body on which something was seen. */
export interface SeenOn {
  readonly tag: string | null
  readonly firmware: string
}

/** An act of a walk that was done, and the row it was about. */
export interface DoneAct {
  readonly kind: ActKind
  readonly row: RowId
}

/**
 * What a walk proves of rows that the plan says itself, as notes beside them: a key that was pressed and did what was
 * expected, a value that was looked at and found so, is tested; a value that was set is stamped with the body and its
 * firmware. Only notes that stand otherwise now.
 */
export function provenRows(
  plan: Plan,
  acts: readonly DoneAct[],
  { tag, firmware }: SeenOn,
): Readonly<Record<RowId, Value>> {
  const stamp = tag === null ? firmware : `${firmware} ${tag}`
  const found: Record<RowId, Value> = {}
  for (const { kind, row } of acts) {
    if (rowValue(plan.rows, row) === null) continue
    const notes: [RowId, Value][] = [[noteRow('decidedOn', row), stamp]]
    if (kind === 'press' || kind === 'look') notes.push([noteRow('sure', row), 'tested'])
    for (const [note, value] of notes) if (plan.rows[note] !== value) found[note] = value
  }
  return found
}
