import type { Address } from '../model/addresses'
import { acceptedFunctions } from '../model/keys'
import { lookup } from '../model/lookup'
import type { BankFamily, BodyModel, Setting, Side } from '../model/types'
import { bankRow, holdRow, isShared, keyRow, shareRow } from '../plan/rows'
import { baseRows, gridCells, mayTick } from '../plan/cells'
import { type RowId, type Rows } from '../plan/rows'
import { typedCell } from '../plan/cells'
import type { Value } from '../vocabulary/values'
import { ByteFault, ByteWriter, type ByteReader } from './bytes'
import { travels } from './travels'
import { readMenus, readPositions, writeMenus, writePositions } from './card-menus'
import { checkedValue, nothingThere, readLine, writeLine, writeValue } from './card-values'

/** One section of a card file before it is framed. */
export interface Section {
  readonly tag: string
  readonly payload: Uint8Array
}

/**
 * The sections of rows after the header. BASE: every base cell that travels, in model order; KEYS: the
 * function number of each address in model order (0xFFFF where there is none); BANK: each registered slot with its
 * side, name, stored values, and keys and menus where it keeps them; HOLD: each hold set with its name and ticked
 * rows; POSN: what each position keeps for itself; GRID: function menus and own menu.
 */
export function writeSections(model: BodyModel, rows: Rows): Section[] {
  return [
    { tag: 'BASE', payload: written((writer) => writeBase(writer, model, rows)) },
    { tag: 'KEYS', payload: written((writer) => writeKeys(writer, model, rows)) },
    { tag: 'BANK', payload: written((writer) => writeBanks(writer, model, rows)) },
    { tag: 'HOLD', payload: written((writer) => writeHoldSets(writer, model, rows)) },
    { tag: 'POSN', payload: written((writer) => writePositions(writer, model, rows)) },
    { tag: 'GRID', payload: written((writer) => writeMenus(writer, model, rows)) },
  ]
}

/** Reads the sections back into rows; throws `ByteFault` where they do not fit the model. */
export function readSections(model: BodyModel, sections: ReadonlyMap<string, ByteReader>): Rows {
  const rows: Record<RowId, Value> = {}
  const parts = {
    BASE: readBase,
    KEYS: readKeys,
    BANK: readBanks,
    HOLD: readHoldSets,
    POSN: readPositions,
    GRID: readMenus,
  }
  for (const [tag, read] of Object.entries(parts)) {
    const reader = sections.get(tag)
    if (!reader) throw new ByteFault(`no ${tag} section`, 16)
    read(reader, model, rows)
    if (reader.rest > 0) throw reader.fault(`more bytes than ${tag} should have`)
  }
  if (sections.size !== 7) throw new ByteFault('a section this layout does not know', 16)
  return rows
}

function written(write: (writer: ByteWriter) => void): Uint8Array {
  const writer = new ByteWriter()
  write(writer)
  return writer.done()
}

function baseSettings(model: BodyModel): Setting[] {
  return model.settings.filter((setting) => travels(model, setting))
}

/** The cells of a setting: one, or one for each side where the sides do not share it. */
function cellsOf(model: BodyModel, rows: Rows, setting: Setting): RowId[] {
  return baseRows(model, rows, setting)
}

function writeBase(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const settings = baseSettings(model)
  writer.u16(settings.length)
  for (const setting of settings) {
    if (setting.shared !== undefined) writer.u8(isShared(rows, setting) ? 1 : 0)
    const cells = cellsOf(model, rows, setting)
    const lenses = setting.place === 'lens' ? cells.slice(1) : []
    for (const row of cells.slice(0, cells.length - lenses.length))
      writeValue(writer, setting.domain, rows[row] ?? setting.factory)
    if (setting.place === 'lens') writer.u16(lenses.length)
    for (const row of lenses) {
      writer.text(row.slice(`base/${setting.id}@`.length))
      writeValue(writer, setting.domain, rows[row] ?? setting.factory)
    }
  }
}

function readBase(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const settings = baseSettings(model)
  if (reader.u16() !== settings.length)
    throw reader.fault(`a count of settings that is not ${settings.length}`)
  for (const setting of settings) {
    if (setting.shared !== undefined) {
      const flag = reader.u8()
      if (flag > 1) throw reader.fault('a share list entry that is neither shared nor apart')
      rows[shareRow(setting)] = flag === 1
    }
    for (const row of cellsOf(model, rows, setting)) rows[row] = checkedValue(reader, setting)
    if (setting.place === 'lens') readLensCells(reader, setting, rows)
  }
}

function readLensCells(reader: ByteReader, setting: Setting, rows: Record<RowId, Value>): void {
  let last = ''
  for (let left = reader.u16(); left > 0; left--) {
    const lens = reader.text()
    if (!/^[a-z][a-z0-9-]{0,60}$/.test(lens) || lens <= last || lens === typedCell)
      throw reader.fault(`“${lens.slice(0, 60)}” where the id of a lens should be`)
    rows[`base/${setting.id}@${lens}`] = checkedValue(reader, setting)
    last = lens
  }
}

function writeKeys(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const { addresses, functionIndex } = lookup(model)
  writer.u16(addresses.size)
  for (const address of addresses.values())
    writer.u16(functionIndex.get(String(rows[keyRow(address)])) ?? nothingThere)
}

function readKeys(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const { addresses } = lookup(model)
  if (reader.u16() !== addresses.size) throw reader.fault(`a count of keys that is not ${addresses.size}`)
  for (const address of addresses.values()) readKey(reader, model, address, keyRow(address), rows)
}

function readKey(
  reader: ByteReader,
  model: BodyModel,
  address: Address,
  row: RowId,
  rows: Record<RowId, Value>,
): void {
  const index = reader.u16()
  if (index === nothingThere) return
  const fn = model.functions[index]
  if (!fn || !acceptedFunctions(model, address).includes(fn)) {
    throw reader.fault(`function number ${index}, which ${address.control.name} does not accept`)
  }
  rows[row] = fn.id
}

function slotsOf(model: BodyModel): { family: BankFamily; slot: string; stored: Setting[] }[] {
  return model.families.flatMap((family) => {
    const stored = model.settings.filter((setting) => setting.storedBy === family.id)
    return family.slots.map((slot) => ({ family, slot: slot.id, stored }))
  })
}

function writeBanks(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const slots = slotsOf(model)
  writer.u8(slots.length)
  for (const { family, slot, stored } of slots) {
    const side = rows[bankRow(family.id, slot, 'side')]
    writer.u8(side === undefined ? 0 : 1 + model.sides.indexOf(side as Side))
    if (side === undefined) continue
    writer.text(String(rows[bankRow(family.id, slot, 'name')]))
    for (const setting of stored) {
      writeValue(writer, setting.domain, rows[bankRow(family.id, slot, setting.id)] ?? setting.factory)
    }
    for (const address of keptKeys(model, family)) {
      const fn = rows[bankRow(family.id, slot, `key/${address.key}`)]
      writer.u16(lookup(model).functionIndex.get(String(fn)) ?? nothingThere)
    }
    for (const { grid, cell } of family.storesGrids ? gridCells(model) : [])
      writeLine(writer, grid.permitted, rows[bankRow(family.id, slot, `grid/${grid.id}/${cell}`)])
  }
}

function readBanks(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const slots = slotsOf(model)
  if (reader.u8() !== slots.length) throw reader.fault(`a count of slots that is not ${slots.length}`)
  for (const { family, slot, stored } of slots) {
    const registered = reader.u8()
    if (registered === 0) continue
    const side = model.sides[registered - 1]
    if (!side) throw reader.fault(`slot ${slot} on a side that does not exist`)
    rows[bankRow(family.id, slot, 'side')] = side
    rows[bankRow(family.id, slot, 'name')] = readName(reader, family.nameLength)
    for (const setting of stored) rows[bankRow(family.id, slot, setting.id)] = checkedValue(reader, setting)
    for (const address of keptKeys(model, family))
      readKey(reader, model, address, bankRow(family.id, slot, `key/${address.key}`), rows)
    for (const { grid, cell } of family.storesGrids ? gridCells(model) : [])
      readLine(reader, grid.permitted, bankRow(family.id, slot, `grid/${grid.id}/${cell}`), rows)
  }
}

/** The addresses whose function a slot of the family keeps, in model order. */
function keptKeys(model: BodyModel, family: BankFamily): readonly Address[] {
  return family.storesKeys ? [...lookup(model).addresses.values()] : []
}

function writeHoldSets(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  writer.u8(model.holdSets.length)
  for (const set of model.holdSets) {
    writer.text(String(rows[holdRow(set.id, 'name')]))
    const ticked = model.settings.flatMap((setting, i) => {
      const value = rows[holdRow(set.id, setting.id)]
      return value === undefined ? [] : [{ i, setting, value }]
    })
    writer.u16(ticked.length)
    for (const { i, setting, value } of ticked) {
      writer.u16(i)
      writeValue(writer, setting.domain, value)
    }
  }
}

function readHoldSets(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  if (reader.u8() !== model.holdSets.length) {
    throw reader.fault(`a count of hold sets that is not ${model.holdSets.length}`)
  }
  for (const set of model.holdSets) {
    rows[holdRow(set.id, 'name')] = readName(reader, set.nameLength)
    let last = -1
    for (let left = reader.u16(); left > 0; left--) {
      const i = reader.u16()
      const setting = model.settings[i]
      if (!setting || i <= last || !mayTick(set, setting)) {
        throw reader.fault(`setting number ${i} where a hold set cannot have it`)
      }
      rows[holdRow(set.id, setting.id)] = checkedValue(reader, setting)
      last = i
    }
  }
}

function readName(reader: ByteReader, longest: number): string {
  const name = reader.text()
  if (name.length < 1 || name.length > longest) throw reader.fault(`a name of ${name.length} characters`)
  return name
}
