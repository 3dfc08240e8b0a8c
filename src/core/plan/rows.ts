import type { BankFamily, Choice, HoldSet, Setting, Side } from '../model/types'
import type { Address } from '../model/lookup'
import type { Value } from '../vocabulary/values'

/**
 * A plan is a flat set of rows; each row has an id and one value, and a row that is absent is left as
 * delivered (or, in a bank, equal to base). The ids:
 *
 *     title                                  the plan's title
 *     base/<setting>  base/<setting>@<side>  a base cell, by the setting's place; @both where the sides share it
 *     share/<setting>                        whether stills and motion share its cell
 *     key/<side>/<control>/<gesture>         a function id
 *     bank/<family>/<slot>/<setting>         a value in which the slot differs from base
 *     bank/<family>/<slot>/side|name|purpose what the slot is
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
  | { readonly kind: 'base'; readonly setting: Setting; readonly side: Side | 'both' | null }
  | { readonly kind: 'share'; readonly setting: Setting }
  | { readonly kind: 'key'; readonly address: Address }
  | { readonly kind: 'bank'; readonly family: BankFamily; readonly slot: Choice; readonly setting: Setting }
  | { readonly kind: 'bankFact'; readonly family: BankFamily; readonly slot: Choice; readonly fact: BankFact }
  | { readonly kind: 'hold'; readonly set: HoldSet; readonly setting: Setting }
  | { readonly kind: 'holdName'; readonly set: HoldSet }
  | { readonly kind: 'lens'; readonly lens: string }
  | { readonly kind: 'body'; readonly tag: string; readonly setting: Setting }
  | { readonly kind: 'why' | 'sure'; readonly about: Row }

/** What a plan says of a slot besides its values. */
export type BankFact = 'side' | 'name' | 'purpose'

/**
 * The id of a setting's base cell on a side, given the rows that say what is shared: one cell for both sides where
 * they share it or the place knows no sides.
 */
export function baseRow(rows: Rows, setting: Setting, side: Side): RowId {
  if (setting.place !== 'side') return `base/${setting.id}`
  return `base/${setting.id}@${isShared(rows, setting) ? 'both' : side}`
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
