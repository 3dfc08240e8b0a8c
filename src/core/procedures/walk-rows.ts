import { ok, refuse, type Result } from '../result'
import type { RowId } from '../sync/step'

/** A row of a walk taken apart: how an act stands, why its gate was passed, or which file came of it. */
export interface WalkRow {
  readonly kind: 'mark' | 'past' | 'file'
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

/** The row that says which file an act took in or wrote, or what came of a comparison. */
export function fileRow(act: string): RowId {
  return `file/${act}` as RowId
}

/** Takes a row id apart; refuses what no walk has. */
export function parseWalkRow(id: string): Result<WalkRow> {
  const [kind, ...rest] = id.split('/')
  const act = rest.join('/')
  if ((kind === 'mark' || kind === 'past' || kind === 'file') && act !== '' && act.length <= longestAct)
    return ok({ kind, act })
  return refuse('unknown-row', `A walk has no “${id.slice(0, 60)}”.`, id)
}
