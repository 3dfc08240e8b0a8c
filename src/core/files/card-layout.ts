import { baseRows, gridCells, ownLines } from '../plan/cells'
import {
  type RowId,
  bankFactRow,
  bankGridRow,
  bankKeyRow,
  bankOwnRow,
  bankRow,
  baseCellRow,
  baseCells,
  bothSides,
  holdNameRow,
  holdRow,
  keyRow,
  mayTick,
  ownNameRow,
  positionRow,
  shareRow,
} from '../plan/rows'
import type { Address } from '../model/addresses'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BankFamily, BodyModel, HoldSet, ModelFunction, Setting, Side, Slot } from '../model/types'
import { memoize } from '../memoize'
import type { Value } from '../vocabulary/values'
import { oneOf, settingCodec, type Codec } from './card-values'
import { travels } from './travels'

/** A value at a row, with the way it stands in a file. */
export interface Cell {
  readonly row: RowId
  readonly codec: Codec
  /** Written where the rows have none. */
  readonly factory: Value
}

/** The base cells of one setting. */
export interface BaseCells {
  readonly setting: Setting
  readonly codec: Codec
  /** The row of the share list, where it is on it. */
  readonly share: RowId | null
  readonly apart: readonly RowId[]
  readonly both: RowId
  /** Whether every lens that can tell who it is has a cell of its own. */
  readonly byLens: boolean
}

/** A row that holds a function, and the functions it accepts. */
export interface KeyCell {
  readonly row: RowId
  readonly address: Address
  readonly accepts: ReadonlySet<ModelFunction>
}

/** A row that holds one line of a list, or nothing. */
export interface LineCell {
  readonly row: RowId
  readonly permitted: readonly string[]
  readonly codec: Codec
}

/** Everything a slot keeps, in the order of the file. */
export interface SlotCells {
  readonly family: BankFamily
  readonly slot: Slot
  readonly side: RowId
  readonly name: RowId
  readonly stored: readonly Cell[]
  readonly keys: readonly KeyCell[]
  readonly lines: readonly LineCell[]
}

/** What may be ticked in a hold set, by its number in the model. */
export interface HoldCells {
  readonly set: HoldSet
  readonly name: RowId
  readonly rows: readonly (Cell | null)[]
}

/** Where everything stands in a card file of a model. */
export interface CardLayout {
  readonly base: readonly BaseCells[]
  readonly keys: readonly KeyCell[]
  readonly slots: readonly SlotCells[]
  readonly holds: readonly HoldCells[]
  readonly positions: readonly Cell[]
  readonly grids: readonly LineCell[]
  readonly own: readonly LineCell[]
  readonly ownNames: readonly RowId[]
  readonly sides: readonly Side[]
}

/** The layout of a model's card files, made once for each model object. */
export const cardLayout: (model: BodyModel) => CardLayout = memoize(makeLayout)

function makeLayout(model: BodyModel): CardLayout {
  const addresses = [...lookup(model).addresses.values()]
  const cell = (row: RowId, setting: Setting): Cell => ({
    row,
    codec: settingCodec(setting),
    factory: setting.factory,
  })
  const key = (row: RowId, address: Address): KeyCell => ({
    row,
    address,
    accepts: new Set(acceptedFunctions(model, address)),
  })
  const line = (row: RowId, permitted: readonly string[]): LineCell => ({
    row,
    permitted,
    codec: oneOf(permitted),
  })
  const slotCells = (family: BankFamily, slot: Slot): SlotCells => ({
    family,
    slot,
    side: bankFactRow(family.id, slot.id, 'side'),
    name: bankFactRow(family.id, slot.id, 'name'),
    stored: model.settings
      .filter((setting) => setting.storedBy === family.id)
      .map((setting) => cell(bankRow(family.id, slot.id, setting.id), setting)),
    keys: family.storesKeys
      ? addresses.map((address) => key(bankKeyRow(family.id, slot.id, address), address))
      : [],
    lines: [
      ...(family.storesGrids ? gridCells(model) : []).map(({ grid, cell: n }) =>
        line(bankGridRow(family.id, slot.id, grid.id, n), grid.permitted),
      ),
      ...(family.storesOwnMenu === true ? ownLines(model) : []).map(({ menu, page, line: n }) =>
        line(bankOwnRow(family.id, slot.id, page, n), menu.permitted),
      ),
    ],
  })
  return {
    base: model.settings
      .filter((setting) => travels(model, setting))
      .map((setting) => baseOf(model, setting)),
    keys: addresses.map((address) => key(keyRow(address), address)),
    slots: model.families.flatMap((family) => family.slots.map((slot) => slotCells(family, slot))),
    holds: model.holdSets.map((set) => ({
      set,
      name: holdNameRow(set.id),
      rows: model.settings.map((setting) =>
        mayTick(set, setting) ? cell(holdRow(set.id, setting.id), setting) : null,
      ),
    })),
    positions: model.positions.flatMap((position) =>
      position.keeps.flatMap((id) => {
        const setting = lookup(model).settings.get(id)
        return setting ? [cell(positionRow(position.id, id), setting)] : []
      }),
    ),
    grids: gridCells(model).map(({ grid, row }) => line(row, grid.permitted)),
    own: ownLines(model).map(({ row, menu }) => line(row, menu.permitted)),
    ownNames: Array.from({ length: model.ownMenu?.pages ?? 0 }, (_, i) => ownNameRow(i + 1)),
    sides: model.sides,
  }
}

function baseOf(model: BodyModel, setting: Setting): BaseCells {
  const cells = baseCells(model, setting)
  return {
    setting,
    codec: settingCodec(setting),
    share: setting.shared === undefined ? null : shareRow(setting),
    apart: cells === null ? baseRows(model, {}, setting) : cells.map((one) => baseCellRow(setting.id, one)),
    both: baseCellRow(setting.id, bothSides),
    byLens: setting.place === 'lens',
  }
}
