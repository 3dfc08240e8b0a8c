import { type RowId, type Rows, describeRow, idsOf, rowValue, showRow } from '../plan/rows'
import type { BodyModel } from '../model/types'
import { sameValue, type Value } from '../vocabulary/values'

/** One row in which two sets of rows differ, in words too. */
export interface RowDifference {
  readonly row: RowId
  readonly place: string
  readonly left: Value | null
  readonly right: Value | null
  readonly leftWords: string
  readonly rightWords: string
}

/** Two sets of rows held against each other. */
export interface Comparison {
  /** Rows that at least one side has: all of them were compared. */
  readonly compared: number
  readonly differences: readonly RowDifference[]
}

/** Compares plans, files or memories row by row; linear in rows. */
export function compareRows(model: BodyModel, left: Rows, right: Rows): Comparison {
  const ids = left === right ? idsOf(left) : [...new Set([...idsOf(left), ...idsOf(right)])]
  const differences = ids
    .filter((row) => !sameValue(rowValue(left, row) ?? undefined, rowValue(right, row) ?? undefined))
    .sort()
    .map((row) => ({
      row,
      place: describeRow(model, row),
      left: rowValue(left, row),
      right: rowValue(right, row),
      leftWords: showRow(model, row, rowValue(left, row)),
      rightWords: showRow(model, row, rowValue(right, row)),
    }))
  return { compared: ids.length, differences }
}
