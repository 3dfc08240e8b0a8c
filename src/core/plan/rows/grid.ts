import { itemName } from '../../model/lookup'
import type { BodyModel, Grid } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import type { RowId } from '../../sync/step'
import type { Value } from '../../vocabulary/values'
import { counted, hasHead, rowId } from './id'
import { unknownPart, type RowKind } from './kind'

/** A cell of a function menu, counted from 1, row by row. */
export interface GridCell {
  readonly grid: Grid
  readonly cell: number
}

/** The setting in a cell of a function menu, or `emptyCell`. */
export interface GridRow extends GridCell {
  readonly kind: 'grid'
}

/** What stands in a cell of a function menu that is empty on purpose. */
export const emptyCell = 'none'

/** The id of a cell of a function menu. */
export function gridRow(grid: string, cell: number): RowId {
  return rowId(`grid/${grid}/${cell}`)
}

/** Whether a row is a cell of a function menu; of this one, where it is named. */
export function isGridRow(id: string, grid?: string): id is RowId {
  return hasHead(id, grid === undefined ? 'grid' : rowId(`grid/${grid}`))
}

/** Finds a cell by the id of its function menu and its number. */
export function parseCell(model: BodyModel, id: string, parts: readonly string[]): Result<GridCell> {
  const [gridId = '', number = ''] = parts
  const grid = model.grids.find((candidate) => candidate.id === gridId)
  if (!grid || parts.length !== 2) return unknownPart(id, gridId)
  const cell = counted(number, grid.rows * grid.columns)
  return cell === null ? unknownPart(id, number) : ok({ grid, cell })
}

/** Accepts what a function menu takes in a cell. */
export function takesItem(grid: Grid, value: unknown, id: string): Result<Value> {
  const fits = value === emptyCell || grid.permitted.some((setting) => setting === value)
  if (fits) return ok(value as string)
  return refuse('outside', `${grid.name} does not take “${String(value)}”.`, id)
}

/** What stands in a cell or a line, in words. */
export function showItem(model: BodyModel, value: Value | null): string {
  if (value === null) return 'as delivered'
  return value === emptyCell ? 'nothing' : itemName(model, String(value))
}

export const gridKind: RowKind<GridRow> = {
  kind: 'grid',
  heads: ['grid'],
  form: ['grid/<grid>/<n>', 'the setting in cell n of a function menu, counted from 1; or none'],
  parse({ model, id, parts }) {
    const cell = parseCell(model, id, parts)
    return cell.ok ? ok({ kind: 'grid', ...cell.value }) : cell
  },
  id: ({ grid, cell }) => gridRow(grid.id, cell),
  accepts: (_model, { grid }, value, id) => takesItem(grid, value, id),
  describe: {
    place: ({ grid, cell }) => `${grid.name}, cell ${cell}`,
    value: (model, _row, value) => showItem(model, value),
  },
  invalidates: () => ({ what: 'menus' }),
  station: () => 'menus',
}
