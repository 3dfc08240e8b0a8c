import { isShared } from './cells'
import { type RowId, baseCellRow, bothSides, rowValue, shareRow } from './rows'
import type { Setting, Side } from '../model/types'
import { ok, refuse, type Result } from '../result'
import type { Plan } from './plan'
import { setRows } from './step'
import type { Step } from '../sync/step'

/**
 * Lets stills and motion share a setting's cell: it takes the value of `side`, and the two cells it had go. Refuses
 * a setting that is not on the share list, and one that is shared already.
 */
export function share(
  plan: Plan,
  setting: Setting,
  side: Side,
  sides: readonly Side[],
  id: string,
): Result<Step> {
  const possible = onList(setting)
  if (!possible.ok) return possible
  if (isShared(plan.rows, setting))
    return refuse('same', `${setting.label} is shared already.`, shareRow(setting))
  const value = rowValue(plan.rows, sideCell(setting, side))
  const gone = Object.fromEntries(sides.map((one) => [sideCell(setting, one), null]))
  return ok(
    setRows(plan, id, { ...gone, [shareRow(setting)]: true, [baseCellRow(setting.id, bothSides)]: value }),
  )
}

/** Parts a shared setting: each side gets a cell with the value they had together. Refuses like `share`. */
export function unshare(plan: Plan, setting: Setting, sides: readonly Side[], id: string): Result<Step> {
  const possible = onList(setting)
  if (!possible.ok) return possible
  if (!isShared(plan.rows, setting))
    return refuse('same', `${setting.label} is apart already.`, shareRow(setting))
  const both = baseCellRow(setting.id, bothSides)
  const value = rowValue(plan.rows, both)
  const cells = Object.fromEntries(sides.map((side) => [baseCellRow(setting.id, side), value]))
  return ok(setRows(plan, id, { ...cells, [shareRow(setting)]: false, [both]: null }))
}

/** The cell of one side while the setting is apart. */
function sideCell(setting: Setting, side: Side): RowId {
  return baseCellRow(setting.id, side)
}

function onList(setting: Setting): Result<true> {
  if (setting.shared !== undefined) return ok(true)
  return refuse('not-shared', `${setting.label} is not on this camera's share list.`, shareRow(setting))
}
