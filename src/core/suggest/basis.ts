import { type RowId, type Rows, emptyCell, forbidRow, isKeyRow, noteRow, rowValue } from '../plan/rows'
import type { BodyModel, LensModel, Posture, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import type { Need } from '../reach/needs'
import type { Fingers, Times } from '../reach/operators'
import type { State } from '../reach/reach'
import type { Place } from './types'
import { tieBreak, type Weights } from './weights'

/** What the parts of an instance are made from. */
export interface Basis {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  readonly posture: Posture
  readonly weights: Weights
  readonly times: Times
  readonly fingers: Fingers
  readonly stateOf: (side: Side, recording: boolean) => State
  readonly needs: readonly Need[]
  /** No key may change. */
  readonly keysStay: boolean
  /** Keys that the owner focuses, films or opens the menu with stay. */
  readonly keepsReliedOn: boolean
}

/** Whether a row is to stay as it is: locked, or left empty for a reason. */
export function isLocked(rows: Rows, row: RowId, value: string): boolean {
  if (rowValue(rows, noteRow('lock', row)) !== null) return true
  return (value === 'nothing' || value === emptyCell) && rowValue(rows, noteRow('why', row)) !== null
}

/** Whether the owner has said that something is not to be put there. */
export function isForbidden(rows: Rows, row: RowId, what: string): boolean {
  return rowValue(rows, forbidRow(what, row)) !== null
}

/** What may stand in a place, today's first, and which of it is today's. A locked place keeps what it has. */
export function valuesFor(
  { plan: { rows }, keysStay }: Basis,
  row: RowId,
  today: string,
  others: readonly string[],
  instead: string,
): Pick<Place, 'today' | 'values' | 'current'> {
  const stays = (keysStay && isKeyRow(row)) || isLocked(rows, row, today)
  if (stays) return { today, values: [today], current: 0 }
  const allowed = [...new Set(others)].filter((one) => one !== today && !isForbidden(rows, row, one))
  if (!isForbidden(rows, row, today)) return { today, values: [today, ...allowed], current: 0 }
  return { today, values: [...new Set([...allowed, instead])], current: -1 }
}

/** What a change costs in itself. */
export function changing(seconds: number): number {
  return seconds + tieBreak
}

/** A line of the own menu with nothing in it. */
export const emptyLine = ''
