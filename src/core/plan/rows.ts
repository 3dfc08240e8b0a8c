import { lookup, type Address } from '../model/lookup'
import { orientations } from '../model/types'
import type { BankFamily, BodyModel, Grid, HoldSet, ModePosition } from '../model/types'
import type { Orientation, OwnMenu, Setting, Side, Slot } from '../model/types'
import type { Value } from '../vocabulary/values'

/**
 * A plan is a flat set of rows; each row has an id and one value, and a row that is absent is left as
 * delivered (or, in a bank, equal to base). The ids:
 *
 *     title                                  the plan's title
 *     base/<setting>  base/<setting>@<cell>  a base cell, by the setting's place: @ a side (@both where they share it),
 *                                            a mode position, an exposure mode, an orientation, a lens (or @typed)
 *     share/<setting>                        whether stills and motion share its cell
 *     key/<side>/<control>/<gesture>         a function id; @<value> behind it where a lever or mode decides
 *     bank/<family>/<slot>/<setting>         a value in which the slot differs from base
 *     bank/<family>/<slot>/side|name|purpose what the slot is
 *     bank/<family>/<slot>/key/<address>     what is on a key in this slot, where slots keep that
 *     bank/<family>/<slot>/grid/<grid>/<n>   what is in a cell of a function menu in this slot, likewise
 *     position/<position>/<setting>          a value a remembered position keeps for itself
 *     grid/<grid>/<n>                        the setting in cell n of a function menu, counted from 1; or none
 *     own/<page>/<line>  own/<page>/name     a line of the own menu; a page's name
 *     hold/<set>/<setting>                   a ticked row of a hold set
 *     hold/<set>/name                        the owner's name for it
 *     lens/<lens>                            true: the plan reckons with this lens
 *     body/<tag>/<setting>                   a local value of one body, such as its file prefix
 *     why/<row>  sure/<row>                  reason for a row, and how sure the owner is of it
 */
export type RowId = string

/** Rows by id. */
export type Rows = Readonly<Record<RowId, Value>>

/** How sure an owner is of a row. */
export const certainties = ['open', 'hearsay', 'borrowed', 'trial', 'decided', 'tested'] as const

/** A row id taken apart. */
export type Row =
  | { readonly kind: 'title' }
  | { readonly kind: 'base'; readonly setting: Setting; readonly cell: string | null }
  | { readonly kind: 'share'; readonly setting: Setting }
  | { readonly kind: 'key'; readonly address: Address }
  | { readonly kind: 'bank'; readonly family: BankFamily; readonly slot: Slot; readonly setting: Setting }
  | { readonly kind: 'bankFact'; readonly family: BankFamily; readonly slot: Slot; readonly fact: BankFact }
  | { readonly kind: 'bankKey'; readonly family: BankFamily; readonly slot: Slot; readonly address: Address }
  | (GridCell & { readonly kind: 'bankGrid'; readonly family: BankFamily; readonly slot: Slot })
  | (GridCell & { readonly kind: 'grid' })
  | { readonly kind: 'position'; readonly position: ModePosition; readonly setting: Setting }
  | { readonly kind: 'own'; readonly menu: OwnMenu; readonly page: number; readonly line: number }
  | { readonly kind: 'ownName'; readonly menu: OwnMenu; readonly page: number }
  | { readonly kind: 'hold'; readonly set: HoldSet; readonly setting: Setting }
  | { readonly kind: 'holdName'; readonly set: HoldSet }
  | { readonly kind: 'lens'; readonly lens: string }
  | { readonly kind: 'body'; readonly tag: string; readonly setting: Setting }
  | { readonly kind: 'why' | 'sure'; readonly about: Row }

/** What a plan says of a slot besides its values. */
export type BankFact = 'side' | 'name' | 'purpose'

/** A cell of a function menu, counted from 1, row by row. */
export interface GridCell {
  readonly grid: Grid
  readonly cell: number
}

/** Where the camera stands, as far as it decides which base cell is read. */
export interface Whereabouts {
  readonly side: Side
  readonly position: string
  readonly exposureMode: string
  readonly orientation: Orientation
  /** Lens id, or `typed` for a lens that cannot tell. */
  readonly lens: string
}

/** The cell of a lens without contacts: it keeps what was typed last. */
export const typedCell = 'typed'

/**
 * The id of a setting's base cell, given the rows that say what is shared: one cell for both sides where they share
 * it or the place knows no cells.
 */
export function baseRow(rows: Rows, setting: Setting, at: Whereabouts): RowId {
  switch (setting.place) {
    case 'side':
      return `base/${setting.id}@${isShared(rows, setting) ? 'both' : at.side}`
    case 'position':
    case 'exposureMode':
    case 'orientation':
    case 'lens':
      return `base/${setting.id}@${at[setting.place]}`
    default:
      return `base/${setting.id}`
  }
}

/** Every base cell of a setting that the model knows or the rows fill, in the model's order, lenses by id. */
export function baseRows(model: BodyModel, rows: Rows, setting: Setting): RowId[] {
  if (setting.place === 'side' && isShared(rows, setting)) return [`base/${setting.id}@both`]
  const cells = baseCells(model, setting)
  if (cells === null) return [`base/${setting.id}`]
  const prefix = `base/${setting.id}@`
  const known = cells.map((cell) => prefix + cell)
  if (setting.place !== 'lens') return known
  const filled = Object.keys(rows).filter((row) => row.startsWith(prefix) && row !== known[0])
  return [...known, ...filled.sort()]
}

/** The cells a setting's place gives it (all but the lenses', which have none of their own yet); null for a single one. */
export function baseCells(model: BodyModel, setting: Setting): readonly string[] | null {
  switch (setting.place) {
    case 'side':
      return model.sides
    case 'position':
      return model.positions.map((position) => position.id)
    case 'exposureMode':
      return exposureModes(model)
    case 'orientation':
      return orientations
    case 'lens':
      return [typedCell]
    default:
      return null
  }
}

/** Where a body stands that is used plainly on a side: first position, exposure mode as delivered, level, a silent lens. */
export function plainly(model: BodyModel, side: Side): Whereabouts {
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

function exposureModes(model: BodyModel): readonly string[] {
  const domain = lookup(model).exposureMode?.domain
  return domain?.kind === 'choice' ? domain.values.map((value) => value.id) : ['none']
}

/** Whether stills and motion share a setting's cell: as the rows say, else as delivered. */
export function isShared(rows: Rows, setting: Setting): boolean {
  if (setting.shared === undefined) return false
  const row = shareRow(setting)
  return Object.hasOwn(rows, row) ? rows[row] === true : setting.shared
}

/** The id of a share list row. */
export function shareRow(setting: Setting): RowId {
  return `share/${setting.id}`
}

/** The id of an assignment row. */
export function keyRow(address: Address): RowId {
  return `key/${address.key}`
}

/** The id of a bank row or bank fact. */
export function bankRow(family: string, slot: string, name: string): RowId {
  return `bank/${family}/${slot}/${name}`
}

/** The id of a hold set's row, or of its name. */
export function holdRow(set: string, name: string): RowId {
  return `hold/${set}/${name}`
}

/** Whether a setting can be ticked in a hold set. */
export function mayTick(set: HoldSet, setting: Setting): boolean {
  return set.allows?.includes(setting.id) ?? (setting.place !== 'local' && setting.place !== 'physical')
}

/** Every cell of every function menu, in model order. */
export function gridCells(model: BodyModel): GridCell[] {
  return model.grids.flatMap((grid) =>
    Array.from({ length: grid.rows * grid.columns }, (_, i) => ({ grid, cell: i + 1 })),
  )
}

/** Every line of the own menu, page by page. */
export function ownLines(model: BodyModel): { readonly row: RowId; readonly menu: OwnMenu }[] {
  const menu = model.ownMenu
  if (!menu) return []
  const { pages, lines } = menu
  return Array.from({ length: pages * lines }, (_, i) => ({
    row: `own/${Math.floor(i / lines) + 1}/${(i % lines) + 1}`,
    menu,
  }))
}
