import { lookup } from '../model/lookup'
import { isStoredAt } from '../model/widths'
import { memoize } from '../memoize'
import type { BodyModel, Orientation, OwnMenu, Setting, Side } from '../model/types'
import type { Value } from '../vocabulary/values'
import {
  bankGridRow,
  bankOwnRow,
  baseCellOf,
  baseCellRow,
  baseCells,
  bothSides,
  emptyCell,
  gridRow,
  idsOf,
  ownRow,
  shareRow,
  typedCell,
  type GridCell,
  type RowId,
  type Rows,
} from './rows'

/** Where the camera stands, as far as it decides which base cell is read. */
export interface Whereabouts {
  readonly side: Side
  readonly position: string
  readonly exposureMode: string
  readonly orientation: Orientation
  /** Lens id, or `typed` for a lens that cannot tell. */
  readonly lens: string
}

/** Whether stills and motion share a setting's cell: as the rows say, else as delivered. */
export function isShared(rows: Rows, setting: Setting): boolean {
  if (setting.shared === undefined) return false
  return (rows[shareRow(setting)] ?? setting.shared) === true
}

/**
 * The id of a setting's base cell, given the rows that say what is shared: one cell for both sides where they share
 * it or the place knows no cells.
 */
export function baseRow(rows: Rows, setting: Setting, at: Whereabouts): RowId {
  switch (setting.place) {
    case 'side':
      return baseCellRow(setting.id, isShared(rows, setting) ? bothSides : at.side)
    case 'position':
    case 'exposureMode':
    case 'orientation':
    case 'lens':
      return baseCellRow(setting.id, at[setting.place])
    default:
      return baseCellRow(setting.id, null)
  }
}

/** Every base cell of a setting that the model knows or the rows fill, in the model's order, lenses by id. */
export function baseRows(model: BodyModel, rows: Rows, setting: Setting): RowId[] {
  if (setting.place === 'side' && isShared(rows, setting)) return [baseCellRow(setting.id, bothSides)]
  const cells = baseCells(model, setting)
  if (cells === null) return [baseCellRow(setting.id, null)]
  const known = cells.map((cell) => baseCellRow(setting.id, cell))
  if (setting.place !== 'lens') return known
  const filled = idsOf(rows).filter((row) => baseCellOf(row)?.setting === setting.id && row !== known[0])
  return [...known, ...filled.sort()]
}

/** Where a body stands that is used plainly on a side: first position, exposure mode as delivered, level, a silent lens. */
export function defaultWhereabouts(model: BodyModel, side: Side): Whereabouts {
  const position = model.positions.find((one) => one.side === side) ?? model.positions[0]
  const mode = lookup(model).exposureMode?.factory
  return {
    side,
    position: position?.id ?? 'plain',
    exposureMode: typeof mode === 'string' ? mode : 'none',
    orientation: 'level',
    lens: typedCell,
  }
}

/** What base has for a setting on a side, used plainly; the factory value where no row says. */
export function baseValue(model: BodyModel, rows: Rows, setting: Setting, side: Side): Value {
  return rows[baseRow(rows, setting, defaultWhereabouts(model, side))] ?? setting.factory
}

/** The setting whose value keeps a family's slots from storing a setting on a side; null where they store it. */
export function narrowedBy(model: BodyModel, rows: Rows, setting: Setting, side: Side): Setting | null {
  const family = model.families.find(({ id }) => id === setting.storedBy)
  const widener = lookup(model).settings.get(family?.widenedBy ?? '')
  return widener && !isStoredAt(setting, baseValue(model, rows, widener, side)) ? widener : null
}

/** A cell of a function menu with its row. */
export type CellRow = GridCell & { readonly row: RowId }

/** Every cell of every function menu, in model order, with its row. */
export const gridCells: (model: BodyModel) => readonly CellRow[] = memoize((model: BodyModel) =>
  model.grids.flatMap((grid) =>
    Array.from({ length: grid.rows * grid.columns }, (_, i) => ({
      grid,
      cell: i + 1,
      row: gridRow(grid.id, i + 1),
    })),
  ),
)

/** What stands in a cell of a function menu: as the rows say, else as delivered, else nothing. */
export function cellValue(rows: Rows, { grid, cell }: GridCell): string {
  return String(rows[gridRow(grid.id, cell)] ?? grid.factory[cell - 1] ?? emptyCell)
}

/** Slots in force, by family; null where none is. */
export type Banks = Readonly<Record<string, string | null>>

/**
 * What stands in a cell of a function menu while slots are in force: a slot's own where its family keeps that, else the
 * plan's. Null where nobody knows whether the family keeps it and the two differ.
 */
export function cellIn(model: BodyModel, rows: Rows, banks: Banks, cell: GridCell): string | null {
  const plans = cellValue(rows, cell)
  const kept = keptBy(model, rows, banks, 'storesGrids', (family, slot) =>
    bankGridRow(family, slot, cell.grid.id, cell.cell),
  )
  return kept === undefined || kept.value === plans ? plans : kept.isSure ? kept.value : null
}

/** What stands in a line of the own menu while slots are in force, likewise; null also where it is empty. */
export function ownLineIn(model: BodyModel, rows: Rows, banks: Banks, one: OwnLine): string | null {
  const planned = rows[one.row]
  const plans = typeof planned === 'string' ? planned : null
  const kept = keptBy(model, rows, banks, 'storesOwnMenu', (family, slot) =>
    bankOwnRow(family, slot, one.page, one.line),
  )
  return kept === undefined || kept.value === plans ? plans : kept.isSure ? kept.value : null
}

function keptBy(
  model: BodyModel,
  rows: Rows,
  banks: Banks,
  keeps: 'storesGrids' | 'storesOwnMenu',
  rowIn: (family: string, slot: string) => RowId,
): { readonly value: string; readonly isSure: boolean } | undefined {
  for (const family of model.families) {
    const slot = banks[family.id] ?? null
    const value = slot === null || family[keeps] !== true ? undefined : rows[rowIn(family.id, slot)]
    if (typeof value === 'string')
      return { value, isSure: !lookup(model).doubts.has(`families/${family.id}/${keeps}`) }
  }
  return undefined
}

/** A line of the own menu; page and line are counted from 1. */
export interface OwnLine {
  readonly row: RowId
  readonly menu: OwnMenu
  readonly page: number
  readonly line: number
}

/** Every line of the own menu, page by page. */
export const ownLines: (model: BodyModel) => readonly OwnLine[] = memoize((model: BodyModel) => {
  const menu = model.ownMenu
  if (!menu) return []
  return Array.from({ length: menu.pages * menu.lines }, (_, at) => {
    const [page, line] = [Math.floor(at / menu.lines) + 1, (at % menu.lines) + 1]
    return { row: ownRow(page, line), menu, page, line }
  })
})
