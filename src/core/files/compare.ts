import { factoryValue } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { deliveredAt } from '../plan/menu-items'
import { type RowId, type Rows, describeRow, idsOf, parseRow, rowValue, showRow } from '../plan/rows'
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
  /**
   * Rows that one side decides and the other leaves as delivered, with the very value the camera is delivered with: no
   * difference of the camera. Only plans leave rows out; of anything else this is empty.
   */
  readonly saidOnly: readonly RowDifference[]
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
  return { compared: ids.length, differences, saidOnly: [] }
}

/** Two plans row by row: what one decides as the camera is delivered, and the other leaves so, is told apart. */
export function comparePlanRows(model: BodyModel, left: Rows, right: Rows): Comparison {
  const all = compareRows(model, left, right)
  const isSaidOnly = ({ row, left: one, right: other }: RowDifference) =>
    (one === null || other === null) &&
    sameValue(one ?? other ?? undefined, delivered(model, row) ?? undefined)
  return {
    compared: all.compared,
    differences: all.differences.filter((one) => !isSaidOnly(one)),
    saidOnly: all.differences.filter(isSaidOnly),
  }
}

/** What a base cell, a key or a menu place holds where a plan says nothing of it; null for other rows. */
function delivered(model: BodyModel, row: RowId): Value | null {
  const parsed = parseRow(model, row)
  if (parsed.ok && parsed.value.kind === 'base') return factoryValue(model, parsed.value.setting.id) ?? null
  return deliveredAt(model, row)
}
