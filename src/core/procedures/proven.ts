import type { Plan } from '../plan/plan'
import { noteRow, rowValue, type RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import { standingOf, type Walk } from './progress'
import type { Procedure } from './types'

/** The body on which something was seen. */
export interface SeenOn {
  readonly tag: string | null
  readonly firmware: string
}

/**
 * What a walk proves of rows that the plan says itself, as notes beside them: a key that was pressed and did what was
 * expected, a value that was looked at and found so, is tested; a value that was set is stamped with the body and its
 * firmware. Only notes that stand otherwise now.
 */
export function provenRows(
  plan: Plan,
  { acts }: Pick<Procedure, 'acts'>,
  walk: Walk,
  { tag, firmware }: SeenOn,
): Readonly<Record<RowId, Value>> {
  const stamp = tag === null ? firmware : `${firmware} ${tag}`
  const found: Record<RowId, Value> = {}
  for (const act of acts) {
    if (act.row === null || standingOf(walk, act) !== 'done' || rowValue(plan.rows, act.row) === null)
      continue
    const notes: [RowId, Value][] = [[noteRow('decidedOn', act.row), stamp]]
    if (act.kind === 'press' || act.kind === 'look') notes.push([noteRow('sure', act.row), 'tested'])
    for (const [row, value] of notes) if (plan.rows[row] !== value) found[row] = value
  }
  return found
}
