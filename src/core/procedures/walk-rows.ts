import { ok, refuse, type Result } from '../result'
import type { RowId } from '../sync/step'

/** A row of a walk taken apart: how an act stands, or why its gate was passed. */
export interface WalkRow {
  readonly kind: 'mark' | 'past'
  readonly act: string
}

/** The longest id of an act, in characters. */
const longestAct = 240

/** The row that says how an act stands. */
export function markRow(act: string): RowId {
  return `mark/${act}` as RowId
}

/** The row that says why the gate of an act was passed. */
export function pastRow(act: string): RowId {
  return `past/${act}` as RowId
}

/** Takes a row id apart; refuses what no walk has. */
export function parseWalkRow(id: string): Result<WalkRow> {
  const [kind, ...rest] = id.split('/')
  const act = rest.join('/')
  if ((kind === 'mark' || kind === 'past') && act !== '' && act.length <= longestAct) return ok({ kind, act })
  return refuse('unknown-row', `A walk has no “${id.slice(0, 60)}”.`, id)
}
