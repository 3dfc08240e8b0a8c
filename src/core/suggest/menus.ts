import { cellValue, gridCells, ownLines } from '../plan/cells'
import { type RowId, emptyCell, rowValue } from '../plan/rows'
import { lookup } from '../model/lookup'
import type { Grid } from '../model/types'
import { movesToCell, movesToLine, type Moves } from '../reach/moves'
import type { Place } from './types'
import { changing, emptyLine, valuesFor, type Basis } from './basis'

/** A cell or line of a menu as a place, and the moves to it once the menu is open. */
export interface MenuPlace {
  readonly index: number
  readonly place: Place
  /** The function menu; null for the own menu. */
  readonly grid: Grid | null
  readonly moves: Moves
}

/** Every cell of the function menus and every line of the own menu, numbered on from the keys. */
export function menuPlaces(basis: Basis, from: number): MenuPlace[] {
  const { model, plan, needs } = basis
  const { byMeaning } = lookup(model)
  const wanted = (side: string | null, permitted: readonly string[]) =>
    needs
      .filter((need) => side === null || need.side === side)
      .flatMap((need) => byMeaning.get(need.what)?.id ?? [])
      .filter((id) => permitted.includes(id))
  const cells = gridCells(model).map(({ grid, cell, row }) => ({
    grid,
    moves: movesToCell(grid, cell),
    place: placeOf(
      basis,
      'cell',
      row,
      cellValue(plan.rows, { grid, cell }),
      wanted(grid.side, grid.permitted),
    ),
  }))
  const lines = ownLines(model).map(({ row, menu, page, line }) => {
    const today = String(rowValue(plan.rows, row) ?? emptyLine)
    return {
      grid: null,
      moves: movesToLine(page, line),
      place: placeOf(basis, 'line', row, today, wanted(null, menu.permitted)),
    }
  })
  return [...cells, ...lines].map((one, i) => ({ ...one, index: from + i }))
}

function placeOf(
  basis: Basis,
  kind: 'cell' | 'line',
  row: RowId,
  today: string,
  others: readonly string[],
): Place {
  const held = valuesFor(basis, row, today, others, kind === 'cell' ? emptyCell : emptyLine)
  const costs = held.values.map((id) => (id === today ? 0 : changing(basis.weights.line)))
  return { row, kind, ...held, costs }
}
