import { gridCells, ownLines } from './cells'
import { type RowId, describeRow, emptyCell, entriesOf, isGridRow, parseRow, rowValue } from './rows'
import { itemName } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { ok, refuse, type Result } from '../result'
import type { Plan } from './plan'
import { setRows } from './step'
import type { Step } from '../sync/step'

/** What stands in a key, cell or line as delivered; null where nothing does. */
export function deliveredAt(model: BodyModel, row: RowId): string | null {
  const parsed = parseRow(model, row)
  if (!parsed.ok) return null
  if (parsed.value.kind === 'key') return parsed.value.address.factory
  return parsed.value.kind === 'grid' ? (parsed.value.grid.factory[parsed.value.cell - 1] ?? null) : null
}

/** What stands in a cell of a function menu or a line of the own menu: a setting or act id; null where it is empty. */
export function itemAt(model: BodyModel, plan: Plan, row: RowId): string | null {
  const item = rowValue(plan.rows, row) ?? deliveredAt(model, row)
  return item === null || item === emptyCell ? null : String(item)
}

/** The settings and acts that a cell or line takes, in the model's order. */
export function permittedAt(model: BodyModel, row: RowId): readonly string[] {
  const parsed = parseRow(model, row)
  if (!parsed.ok) return []
  if (parsed.value.kind === 'grid') return parsed.value.grid.permitted
  return parsed.value.kind === 'own' ? parsed.value.menu.permitted : []
}

/** What a cell or line takes, by id and name; a cell of a function menu may also be empty. */
export function itemsAt(
  model: BodyModel,
  row: RowId,
): readonly { readonly id: string; readonly name: string }[] {
  const items = permittedAt(model, row).map((id) => ({ id, name: itemName(model, id) }))
  return isGridRow(row) ? [{ id: emptyCell, name: '–' }, ...items] : items
}

/** Puts an item into a cell or line, or empties it (null); refuses what it does not take, and what it has already. */
export function putItem(
  model: BodyModel,
  plan: Plan,
  row: RowId,
  item: string | null,
  id: string,
): Result<Step> {
  const values = itemRows(model, { [row]: item })
  if (!values.ok) return values
  if (itemAt(model, plan, row) === item)
    return refuse('same-item', item === null ? 'It is empty already.' : 'It stands there already.', row)
  return ok(setRows(plan, id, values.value))
}

/** Two cells or lines change what stands in them; refuses where one does not take what the other has, or nothing would change. */
export function swapItems(model: BodyModel, plan: Plan, one: RowId, two: RowId, id: string): Result<Step> {
  const [a, b] = [itemAt(model, plan, one), itemAt(model, plan, two)]
  if (a === b) return refuse('same-item', 'Both hold the same.', one)
  const values = itemRows(model, { [one]: b, [two]: a })
  return values.ok ? ok(setRows(plan, id, values.value)) : values
}

/** Every cell of the function menus and every line of the own menu, in the model's order. */
export function menuRows(model: BodyModel): RowId[] {
  return [...gridCells(model).map(({ row }) => row), ...ownLines(model).map(({ row }) => row)]
}

/** Everything that stands in menus: the places of each item. */
export function placesOf(model: BodyModel, plan: Plan): ReadonlyMap<string, readonly RowId[]> {
  const places = new Map<string, RowId[]>()
  for (const row of menuRows(model)) {
    const item = itemAt(model, plan, row)
    if (item !== null) places.set(item, [...(places.get(item) ?? []), row])
  }
  return places
}

/** The rows that put items in their places: absent where that is as delivered. */
function itemRows(
  model: BodyModel,
  wanted: Readonly<Record<RowId, string | null>>,
): Result<Record<RowId, string | null>> {
  const rows: Record<RowId, string | null> = {}
  for (const [row, item] of entriesOf(wanted)) {
    if (item !== null && !permittedAt(model, row).includes(item))
      return refuse(
        'not-permitted',
        `${describeRow(model, row)} does not take ${itemName(model, item)}.`,
        row,
      )
    const empty = isGridRow(row) ? emptyCell : null
    const value = item ?? empty
    rows[row] = value === (deliveredAt(model, row) ?? empty) ? null : value
  }
  return ok(rows)
}
