import {
  baseRow,
  baseRows,
  baseValue,
  cellValue,
  gridCells,
  isShared,
  ownLines,
  defaultWhereabouts,
} from '../plan/cells'
import {
  type RowId,
  type Rows,
  bankFactRow,
  bankGridRow,
  bankKeyRow,
  bankOwnRow,
  bankRow,
  baseCellOf,
  entriesOf,
  gridRow,
  holdNameRow,
  holdRow,
  keyRow,
  ownNameRow,
  positionRow,
  rowValue,
  shareRow,
} from '../plan/rows'
import { lookup } from '../model/lookup'
import { travels } from '../files/travels'
import type { BodyModel, HoldSet } from '../model/types'
import { functionAt } from '../plan/assign'
import { plannedSlots, type Plan, type PlannedSlot } from '../plan/plan'
import { knownRows } from '../plan/written'
import type { Value } from '../vocabulary/values'

/**
 * What a body remembers: the row ids of a plan, but complete. Every base cell, the share list, every key, and for each registered
 * slot its side, its name and a full copy of all it stores, and each hold set with its ticked rows. Physical settings are not in it.
 */
export type Memory = Rows

/** The memory of a body as delivered. */
export function factoryMemory(model: BodyModel): Memory {
  return memoryOf(model, { model: { id: model.id, version: model.version }, rows: {} })
}

/** The memory a body would have if the plan were set on it by hand, local cells included. */
export function memoryOf(model: BodyModel, plan: Plan): Memory {
  const rows: Record<RowId, Value> = {}
  for (const setting of model.settings) {
    if (setting.place === 'physical') continue
    if (setting.shared !== undefined) rows[shareRow(setting)] = isShared(plan.rows, setting)
    for (const row of baseRows(model, plan.rows, setting))
      rows[row] = rowValue(plan.rows, row) ?? setting.factory
  }
  for (const address of lookup(model).addresses.values()) {
    const fn = functionAt(plan, address)
    if (fn !== null) rows[keyRow(address)] = fn
  }
  for (const set of model.holdSets) Object.assign(rows, holdMemory(model, plan, set))
  Object.assign(rows, positionMemory(model, plan), menuMemory(model, plan))
  for (const slot of plannedSlots(model, plan)) Object.assign(rows, slotMemory(model, plan, slot))
  return rows
}

/**
 * A memory from outside, as this definition of the model reads it: rows that it has stay, all else is as delivered. Nothing of
 * it is refused: a body holds what it holds.
 */
export function readMemory(model: BodyModel, given: Readonly<Record<string, unknown>>): Memory {
  return { ...factoryMemory(model), ...knownRows(model, given).rows }
}

/** The part of a memory that a configuration file carries: all but what is this camera's alone or left behind. */
export function carriedRows(model: BodyModel, memory: Memory): Rows {
  return withoutLocal(model, memory, false)
}

/** The part that stays with one camera. */
export function localRows(model: BodyModel, memory: Memory): Rows {
  return withoutLocal(model, memory, true)
}

function withoutLocal(model: BodyModel, memory: Memory, local: boolean): Rows {
  const settings = lookup(model).settings
  const isLocal = (row: RowId) => {
    const setting = settings.get(baseCellOf(row)?.setting ?? '')
    return setting !== undefined && !travels(model, setting)
  }
  return Object.fromEntries(entriesOf(memory).filter(([row]) => isLocal(row) === local))
}

/** A hold set as a body has it: its name, and the rows that are ticked. */
function holdMemory(model: BodyModel, plan: Plan, set: HoldSet): Rows {
  const rows: Record<RowId, Value> = {
    [holdNameRow(set.id)]: rowValue(plan.rows, holdNameRow(set.id)) ?? set.name,
  }
  for (const setting of model.settings) {
    const ticked = rowValue(plan.rows, holdRow(set.id, setting.id))
    if (ticked !== null) rows[holdRow(set.id, setting.id)] = ticked
  }
  return rows
}

/** What each position keeps for itself: as planned, else what its base cell holds. */
function positionMemory(model: BodyModel, plan: Plan): Rows {
  const { settings } = lookup(model)
  const rows: Record<RowId, Value> = {}
  for (const position of model.positions) {
    for (const setting of position.keeps.flatMap((id) => settings.get(id) ?? [])) {
      const row = positionRow(position.id, setting.id)
      const at = { ...defaultWhereabouts(model, position.side ?? 'stills'), position: position.id }
      rows[row] =
        rowValue(plan.rows, row) ?? rowValue(plan.rows, baseRow(plan.rows, setting, at)) ?? setting.factory
    }
  }
  return rows
}

/** Every cell of the function menus, and the lines of the own menu that are filled. */
function menuMemory(model: BodyModel, plan: Plan): Rows {
  const cells = gridCells(model).map(({ grid, cell }) => [
    gridRow(grid.id, cell),
    cellValue(plan.rows, { grid, cell }),
  ])
  const pages = Array.from({ length: model.ownMenu?.pages ?? 0 }, (_, i) => ownNameRow(i + 1))
  const own = [...ownLines(model).map(({ row }) => row), ...pages].flatMap((row) => {
    const value = rowValue(plan.rows, row)
    return value === null ? [] : [[row, value]]
  })
  return Object.fromEntries([...cells, ...own]) as Rows
}

function slotMemory(model: BodyModel, plan: Plan, slot: PlannedSlot): Rows {
  const rows: Record<RowId, Value> = {
    [bankFactRow(slot.family, slot.slot, 'side')]: slot.side,
    [bankFactRow(slot.family, slot.slot, 'name')]: slot.name,
  }
  for (const setting of model.settings) {
    if (setting.storedBy !== slot.family) continue
    rows[bankRow(slot.family, slot.slot, setting.id)] =
      slot.rows[setting.id] ?? baseValue(model, plan.rows, setting, slot.side)
  }
  const family = model.families.find((one) => one.id === slot.family)
  for (const address of family?.storesKeys ? lookup(model).addresses.values() : []) {
    const row = bankKeyRow(slot.family, slot.slot, address)
    const fn = rowValue(plan.rows, row) ?? functionAt(plan, address)
    if (fn !== null) rows[row] = fn
  }
  for (const { grid, cell } of family?.storesGrids ? gridCells(model) : []) {
    const row = bankGridRow(slot.family, slot.slot, grid.id, cell)
    rows[row] = rowValue(plan.rows, row) ?? cellValue(plan.rows, { grid, cell })
  }
  for (const { row: base, page, line } of family?.storesOwnMenu === true ? ownLines(model) : []) {
    const row = bankOwnRow(slot.family, slot.slot, page, line)
    const item = rowValue(plan.rows, row) ?? rowValue(plan.rows, base)
    if (item !== null) rows[row] = item
  }
  return rows
}
