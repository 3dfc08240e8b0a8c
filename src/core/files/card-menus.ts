import type { BodyModel } from '../model/types'
import { lookup } from '../model/lookup'
import { emptyCell } from '../plan/row-values'
import { type RowId, type Rows } from '../plan/rows'
import { gridCells, ownLines } from '../plan/cells'
import type { Value } from '../vocabulary/values'
import type { ByteReader, ByteWriter } from './bytes'
import { checkedValue, readLine, writeLine, writeValue } from './card-values'

/** What each position keeps for itself, in model order: one value for each setting it keeps. */
export function writePositions(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  const kept = keptByPositions(model)
  writer.u16(kept.length)
  for (const { row, setting } of kept) writeValue(writer, setting.domain, rows[row] ?? setting.factory)
}

/** Reads what `writePositions` wrote. */
export function readPositions(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  const kept = keptByPositions(model)
  if (reader.u16() !== kept.length) throw reader.fault(`a count of kept values that is not ${kept.length}`)
  for (const { row, setting } of kept) rows[row] = checkedValue(reader, setting)
}

/** Every cell of every function menu, then every line of the own menu and the names of its pages. */
export function writeMenus(writer: ByteWriter, model: BodyModel, rows: Rows): void {
  for (const { grid, cell } of gridCells(model))
    writeLine(writer, grid.permitted, rows[`grid/${grid.id}/${cell}`])
  for (const { row, menu } of ownLines(model)) writeLine(writer, menu.permitted, rows[row])
  for (const name of ownNames(model)) writer.text(String(rows[name] ?? ''))
}

/** Reads what `writeMenus` wrote; an empty cell of a function menu is a row that says so. */
export function readMenus(reader: ByteReader, model: BodyModel, rows: Record<RowId, Value>): void {
  for (const { grid, cell } of gridCells(model))
    readLine(reader, grid.permitted, `grid/${grid.id}/${cell}`, rows, emptyCell)
  for (const { row, menu } of ownLines(model)) readLine(reader, menu.permitted, row, rows)
  const longest = model.ownMenu?.nameLength ?? 0
  for (const row of ownNames(model)) {
    const name = reader.text()
    if (name.length > longest) throw reader.fault(`a name of ${name.length} characters`)
    if (name !== '') rows[row] = name
  }
}

function keptByPositions(model: BodyModel) {
  const { settings } = lookup(model)
  return model.positions.flatMap((position) =>
    position.keeps.flatMap((id) => {
      const setting = settings.get(id)
      return setting ? [{ row: `position/${position.id}/${id}`, setting }] : []
    }),
  )
}

function ownNames(model: BodyModel): RowId[] {
  return Array.from({ length: model.ownMenu?.pages ?? 0 }, (_, i) => `own/${i + 1}/name`)
}
