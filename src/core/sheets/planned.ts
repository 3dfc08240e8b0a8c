import type { Setting, Side } from '../model/types'
import { baseRow, defaultWhereabouts } from '../plan/cells'
import { rowValue, type RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import type { Given } from './given'

/** The row of base that a setting is read from on a side, and what the plan says there; null where it says nothing. */
export function planned(
  { model, plan }: Pick<Given, 'model' | 'plan'>,
  setting: Setting,
  side: Side,
): { readonly id: RowId; readonly value: Value | null } {
  const id = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  return { id, value: rowValue(plan.rows, id) }
}
