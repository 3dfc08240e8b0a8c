import type { Setting } from '../model/types'
import type { RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import type { Column } from './columns'

/**
 * How a value stands in a column: what base says; as base; meant to differ; left over from the slot it was started
 * from; differing though nobody meant it; kept from an earlier base; replaced by the body; refused by it; not held by
 * this column at all.
 */
export type CellState =
  'base' | 'inherits' | 'varied' | 'residue' | 'drift' | 'kept' | 'forced' | 'refused' | 'outside'

/** Where a column has what base has, or nothing to say. */
export const asBase: ReadonlySet<CellState> = new Set(['inherits', 'outside'])

/** One setting in one column. */
export interface Cell {
  /** Where the column keeps it; null where it does not. */
  readonly row: RowId | null
  /** What the column says for itself; null where it inherits. */
  readonly own: Value | null
  /** What is in force there. */
  readonly value: Value | null
  readonly standing: CellState
  /** Why the body replaces or refuses it, or a reason for what it says. */
  readonly because: string | null
  /** Whether the slot on the body holds something else, as far as it was stored. */
  readonly toStore: boolean
}

/** One setting across the columns. */
export interface MatrixRow {
  readonly setting: Setting
  readonly cells: readonly Cell[]
  /** Whether any column differs from its base in it. */
  readonly varies: boolean
}

/** What decides light and movement: shown although no column varies it. */
const alwaysShown = ['movie.frameRate', 'exposure.shutter', 'exposure.aperture', 'exposure.iso']

/** Whether a row is shown where only what matters is: one that varies, or decides light and movement on a side shown. */
export function matters({ setting, varies }: MatrixRow, columns: readonly Column[]): boolean {
  const films = columns.some(({ side }) => side === 'motion')
  const always = setting.means !== null && alwaysShown.includes(setting.means)
  return varies || (always && (films || setting.means !== 'movie.frameRate'))
}
