import { isShared } from '../plan/cells'
import {
  type RowId,
  type Rows,
  baseCellOf,
  baseCellRow,
  emptyCell,
  idsOf,
  isLensId,
  typedCell,
} from '../plan/rows'
import { unkept } from '../text'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import type { Value } from '../vocabulary/values'
import { ByteFault, ByteWriter, type ByteReader } from './bytes'
import { cardLayout, type BaseCells, type Cell, type KeyCell, type LineCell } from './card-layout'
import { nothingThere } from './card-values'

/** One section of a card file before it is framed. */
export interface Section {
  readonly tag: string
  readonly payload: Uint8Array
}

type Writing = (writer: ByteWriter, model: BodyModel, rows: Rows) => void
type Reading = (reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>) => void

/**
 * The sections after the header, in their order. BASE: every base cell that travels, in model order; KEYS: the
 * function number of each address in model order (0xFFFF where there is none); BANK: each registered slot with its
 * side, name, stored values, and keys and menus where it keeps them; HOLD: each hold set with its name and ticked
 * rows; POSN: what each position keeps for itself; GRID: function menus and own menu.
 */
const parts: Readonly<Record<string, readonly [Writing, Reading]>> = {
  BASE: [writeBase, readBase],
  KEYS: [writeKeys, readKeys],
  BANK: [writeBanks, readBanks],
  HOLD: [writeHoldSets, readHoldSets],
  POSN: [writePositions, readPositions],
  GRID: [writeMenus, readMenus],
}

/** The tags of a card file's sections, in the order in which they stand. */
export const sectionOrder: readonly string[] = ['HEAD', ...Object.keys(parts)]

/** The sections of rows after the header. */
export function writeSections(model: BodyModel, rows: Rows): Section[] {
  return Object.entries(parts).map(([tag, [write]]) => {
    const writer = new ByteWriter()
    write(writer, model, rows)
    return { tag, payload: writer.done() }
  })
}

/** Reads the sections back into rows; throws `ByteFault` where they do not fit the model. */
export function readSections(model: BodyModel, sections: ReadonlyMap<string, ByteReader>): Rows {
  const rows: Record<RowId, Value> = {}
  for (const [tag, [, read]] of Object.entries(parts)) {
    const reader = sections.get(tag)
    if (!reader) throw new ByteFault(`no ${tag} section`, 16)
    read(reader, model, rows)
    if (reader.rest > 0) throw reader.fault(`more bytes than ${tag} should have`)
  }
  if (sections.size !== Object.keys(parts).length + 1)
    throw new ByteFault('a section this layout does not know', 16)
  return rows
}

function writeBase(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const { base } = cardLayout(model)
  const lenses = lensRows(base, rows)
  writer.u16(base.length)
  for (const cells of base) {
    const shared = isShared(rows, cells.setting)
    if (cells.share !== null) writer.u8(shared ? 1 : 0)
    for (const row of shared ? [cells.both] : cells.apart)
      cells.codec.write(writer, rows[row] ?? cells.setting.factory)
    if (!cells.byLens) continue
    const filled = lenses.get(cells.setting.id) ?? []
    writer.u16(filled.length)
    for (const row of filled) {
      writer.text(baseCellOf(row)?.cell ?? '')
      cells.codec.write(writer, rows[row] ?? cells.setting.factory)
    }
  }
}

/** The rows of lenses that can tell who they are, by setting, in the order of the lenses' ids. */
function lensRows(base: readonly BaseCells[], rows: Rows): ReadonlyMap<string, readonly RowId[]> {
  const found = new Map<string, RowId[]>()
  for (const { byLens, setting } of base) if (byLens) found.set(setting.id, [])
  if (found.size === 0) return found
  for (const row of idsOf(rows)) {
    const about = baseCellOf(row)
    if (about && about.cell !== typedCell) found.get(about.setting)?.push(row)
  }
  for (const list of found.values()) list.sort()
  return found
}

function readBase(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const { base } = cardLayout(model)
  if (reader.u16() !== base.length) throw reader.fault(`a count of settings that is not ${base.length}`)
  for (const cells of base) {
    let shared = false
    if (cells.share !== null) {
      const flag = reader.u8()
      if (flag > 1) throw reader.fault('a share list entry that is neither shared nor apart')
      shared = flag === 1
      rows[cells.share] = shared
    }
    if (shared) rows[cells.both] = cells.codec.read(reader)
    else for (const row of cells.apart) rows[row] = cells.codec.read(reader)
    if (cells.byLens) readLenses(reader, cells, rows)
  }
}

function readLenses(reader: ByteReader, { codec, setting }: BaseCells, rows: Record<RowId, Value>): void {
  let last = ''
  for (let left = reader.u16(); left > 0; left--) {
    const lens = reader.text()
    if (!isLensId(lens) || lens <= last || lens === typedCell)
      throw reader.fault(`“${lens.slice(0, 60)}” where the id of a lens should be`)
    rows[baseCellRow(setting.id, lens)] = codec.read(reader)
    last = lens
  }
}

function writeKeys(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const { keys } = cardLayout(model)
  writer.u16(keys.length)
  for (const key of keys) writeKey(writer, model, key, rows)
}

function readKeys(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const { keys } = cardLayout(model)
  if (reader.u16() !== keys.length) throw reader.fault(`a count of keys that is not ${keys.length}`)
  for (const key of keys) readKey(reader, model, key, rows)
}

function writeKey(writer: ByteWriter, model: BodyModel, { row }: KeyCell, rows: Rows): void {
  writer.u16(lookup(model).functionIndex.get(rows[row] as string) ?? nothingThere)
}

function readKey(
  reader: ByteReader,
  model: BodyModel,
  { row, address, accepts }: KeyCell,
  rows: Record<RowId, Value>,
): void {
  const index = reader.u16()
  if (index === nothingThere) return
  const fn = model.functions[index]
  if (!fn || !accepts.has(fn))
    throw reader.fault(`function number ${index}, which ${address.control.name} does not accept`)
  rows[row] = fn.id
}

function writeBanks(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const { slots, sides } = cardLayout(model)
  writer.u8(slots.length)
  for (const slot of slots) {
    const side = rows[slot.side]
    writer.u8(side === undefined ? 0 : 1 + sides.indexOf(side as Side))
    if (side === undefined) continue
    writer.text(String(rows[slot.name]))
    writeCells(writer, slot.stored, rows)
    for (const key of slot.keys) writeKey(writer, model, key, rows)
    for (const line of slot.lines) writeLine(writer, line, rows)
  }
}

function readBanks(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const { slots, sides } = cardLayout(model)
  if (reader.u8() !== slots.length) throw reader.fault(`a count of slots that is not ${slots.length}`)
  for (const slot of slots) {
    const registered = reader.u8()
    if (registered === 0) continue
    const side = sides[registered - 1]
    if (!side || (slot.slot.side !== undefined && slot.slot.side !== side))
      throw reader.fault(`slot ${slot.slot.id} on a side it does not hold`)
    rows[slot.side] = side
    rows[slot.name] = readName(reader, slot.family.nameLength)
    readCells(reader, slot.stored, rows)
    for (const key of slot.keys) readKey(reader, model, key, rows)
    for (const line of slot.lines) readLine(reader, line, rows)
  }
}

function writeHoldSets(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const { holds } = cardLayout(model)
  writer.u8(holds.length)
  for (const hold of holds) {
    writer.text(String(rows[hold.name]))
    const ticked = hold.rows.flatMap((cell, i) => {
      const value = cell ? rows[cell.row] : undefined
      return cell && value !== undefined ? [{ i, cell, value }] : []
    })
    writer.u16(ticked.length)
    for (const { i, cell, value } of ticked) {
      writer.u16(i)
      cell.codec.write(writer, value)
    }
  }
}

function readHoldSets(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const { holds } = cardLayout(model)
  if (reader.u8() !== holds.length) throw reader.fault(`a count of hold sets that is not ${holds.length}`)
  for (const hold of holds) {
    rows[hold.name] = readName(reader, hold.set.nameLength)
    let last = -1
    for (let left = reader.u16(); left > 0; left--) {
      const i = reader.u16()
      const cell = hold.rows[i]
      if (!cell || i <= last) throw reader.fault(`setting number ${i} where a hold set cannot have it`)
      rows[cell.row] = cell.codec.read(reader)
      last = i
    }
  }
}

/** What each position keeps for itself, in model order: one value for each setting it keeps. */
function writePositions(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const { positions } = cardLayout(model)
  writer.u16(positions.length)
  writeCells(writer, positions, rows)
}

function readPositions(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const { positions } = cardLayout(model)
  if (reader.u16() !== positions.length)
    throw reader.fault(`a count of kept values that is not ${positions.length}`)
  readCells(reader, positions, rows)
}

/** Every cell of every function menu, then every line of the own menu and the names of its pages. */
function writeMenus(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const { grids, own, ownNames } = cardLayout(model)
  for (const line of grids) writeLine(writer, line, rows)
  for (const line of own) writeLine(writer, line, rows)
  for (const name of ownNames) writer.text(String(rows[name] ?? ''))
}

/** An empty cell of a function menu is a row that says so; an empty line of the own menu is no row. */
function readMenus(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const { grids, own, ownNames } = cardLayout(model)
  for (const line of grids) readLine(reader, line, rows, emptyCell)
  for (const line of own) readLine(reader, line, rows)
  const longest = model.ownMenu?.nameLength ?? 0
  for (const row of ownNames) {
    const name = reader.text()
    if (name.length > longest) throw reader.fault(`a name of ${name.length} characters`)
    if (unkept.test(name)) throw reader.fault('a name with characters that cannot be kept')
    if (name !== '') rows[row] = name
  }
}

function writeCells(writer: ByteWriter, cells: readonly Cell[], rows: Rows): void {
  for (const { row, codec, factory } of cells) codec.write(writer, rows[row] ?? factory)
}

function readCells(reader: ByteReader, cells: readonly Cell[], rows: Record<RowId, Value>): void {
  for (const { row, codec } of cells) rows[row] = codec.read(reader)
}

function writeLine(writer: ByteWriter, { row, codec }: LineCell, rows: Rows): void {
  const value = rows[row]
  if (value === undefined) writer.u16(nothingThere)
  else codec.write(writer, value)
}

/** Reads a line into its row; one without anything is left out, or (with `empty`) says so. */
function readLine(
  reader: ByteReader,
  { row, permitted }: LineCell,
  rows: Record<RowId, Value>,
  empty?: string,
): void {
  const index = reader.u16()
  const found = permitted[index]
  if (found !== undefined) rows[row] = found
  else if (index !== nothingThere) throw reader.fault(`value number ${index} of ${permitted.length}`)
  else if (empty !== undefined) rows[row] = empty
}

function readName(reader: ByteReader, longest: number): string {
  const name = reader.text()
  if (name.length < 1 || name.length > longest) throw reader.fault(`a name of ${name.length} characters`)
  if (unkept.test(name)) throw reader.fault('a name with characters that cannot be kept')
  return name
}
