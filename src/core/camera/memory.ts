import { lookup } from '../model/lookup'
import type { BodyModel, HoldSet } from '../model/types'
import { functionAt } from '../plan/assign'
import { plannedSlots, type Plan, type PlannedSlot } from '../plan/plan'
import { bankRow, baseRow, holdRow, isShared, keyRow, shareRow, type RowId, type Rows } from '../plan/rows'
import { rowValue } from '../plan/step'
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
    for (const side of model.sides) {
      const row = baseRow(plan.rows, setting, side)
      rows[row] = rowValue(plan.rows, row) ?? setting.factory
    }
  }
  for (const address of lookup(model).addresses.values()) {
    const fn = functionAt(plan, address)
    if (fn !== null) rows[keyRow(address)] = fn
  }
  for (const set of model.holdSets) Object.assign(rows, holdMemory(model, plan, set))
  for (const slot of plannedSlots(model, plan)) Object.assign(rows, slotMemory(model, plan, slot))
  return rows
}

/** The part of a memory that a configuration file carries: all but local cells. */
export function carriedRows(model: BodyModel, memory: Memory): Rows {
  return withoutLocal(model, memory, false)
}

/** The part that stays with one camera: local cells. */
export function localRows(model: BodyModel, memory: Memory): Rows {
  return withoutLocal(model, memory, true)
}

function withoutLocal(model: BodyModel, memory: Memory, local: boolean): Rows {
  const settings = lookup(model).settings
  const isLocal = (row: RowId) =>
    row.startsWith('base/') && settings.get(row.slice(5).split('@')[0] ?? '')?.place === 'local'
  return Object.fromEntries(Object.entries(memory).filter(([row]) => isLocal(row) === local))
}

/** A hold set as a body has it: its name, and the rows that are ticked. */
function holdMemory(model: BodyModel, plan: Plan, set: HoldSet): Rows {
  const rows: Record<RowId, Value> = {
    [holdRow(set.id, 'name')]: rowValue(plan.rows, holdRow(set.id, 'name')) ?? set.name,
  }
  for (const setting of model.settings) {
    const ticked = rowValue(plan.rows, holdRow(set.id, setting.id))
    if (ticked !== null) rows[holdRow(set.id, setting.id)] = ticked
  }
  return rows
}

function slotMemory(model: BodyModel, plan: Plan, slot: PlannedSlot): Rows {
  const rows: Record<RowId, Value> = {
    [bankRow(slot.family, slot.slot, 'side')]: slot.side,
    [bankRow(slot.family, slot.slot, 'name')]: slot.name,
  }
  for (const setting of model.settings) {
    if (setting.storedBy !== slot.family) continue
    const base = rowValue(plan.rows, baseRow(plan.rows, setting, slot.side)) ?? setting.factory
    rows[bankRow(slot.family, slot.slot, setting.id)] = slot.rows[setting.id] ?? base
  }
  return rows
}
