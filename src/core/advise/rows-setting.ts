import { rowIn } from '../banks/columns'
import type { Place } from '../known/known'
import type { BodyModel, Setting } from '../model/types'
import { baseRow, defaultWhereabouts } from '../plan/cells'
import type { Plan } from '../plan/plan'
import type { RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'

/** The rows that set values in a place: in its bank where that holds the setting, else in base. */
export function rowsSetting(
  model: BodyModel,
  plan: Plan,
  { column }: Place,
  sets: readonly { readonly setting: Setting; readonly value: Value }[],
): Record<RowId, Value> {
  return Object.fromEntries(
    sets.map(({ setting, value }) => [
      rowIn(model, plan, column, setting) ??
        baseRow(plan.rows, setting, defaultWhereabouts(model, column.side)),
      value,
    ]),
  )
}
