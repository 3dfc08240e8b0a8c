import type { Address } from '../model/addresses'
import type { BankFamily, Grid, HoldSet, ModePosition, OwnMenu, Setting, Slot } from '../model/types'
import type { Dispute } from '../vocabulary/schools'
import type { Value } from '../vocabulary/values'

/**
 * A plan is a flat set of rows; each row has an id and one value, and a row that is absent is left as
 * delivered (or, in a bank, equal to base). The ids:
 *
 *     model                                  the definition it stands on: id and edition; kept at the head of the plan,
 *                                            changed only by a step that follows another edition
 *     title                                  the plan's title
 *     base/<setting>  base/<setting>@<cell>  a base cell, by the setting's place: @ a side (@both where they share it),
 *                                            a mode position, an exposure mode, an orientation, a lens (or @typed)
 *     share/<setting>                        whether stills and motion share its cell
 *     key/<side>/<control>/<gesture>         a function id; @<value> behind it where a lever or mode decides
 *     bank/<family>/<slot>/<setting>         a value in which the slot differs from base
 *     bank/<family>/<slot>/<fact>            what the slot is: side, name, purpose, startedFrom, meant, onSite, fallback,
 *                                            registered
 *     bank/<family>/<slot>/key/<address>     what is on a key in this slot, where slots keep that
 *     bank/<family>/<slot>/grid/<grid>/<n>   what is in a cell of a function menu in this slot, likewise
 *     pair/<family>/<slot>/<family>/<slot>   what the owner says of two slots in force together: sensible, risky, unused
 *     position/<position>/<setting>          a value a remembered position keeps for itself
 *     grid/<grid>/<n>                        the setting in cell n of a function menu, counted from 1; or none
 *     own/<page>/<line>  own/<page>/name     a line of the own menu; a page's name
 *     hold/<set>/<setting>                   a ticked row of a hold set
 *     hold/<set>/name                        the owner's name for it
 *     lens/<lens>                            true: the plan reckons with this lens
 *     body/<tag>/<setting>                   a local value of one body, such as its file prefix
 *     body/<tag>/<base or bank row>          a value in which one body differs from the plan's others
 *     situation/<id>/name  …/side  …/order    a frame of mind the owner shoots in; where it stands among the others
 *     need/<situation>/<what>                how often a common setting is changed, or a common function done, in one
 *                                            outing, and how: a list, the count first, then any of urgent, finder, recording
 *     owner/<fact>                           the target coverage in percent; a measured time of one of the hand's moves
 *     school/<dispute>                       the owner's side in a question that has several
 *     intent/<claimant>/<key or bank row>    what a need or scheme wants there, whatever the plan has; any setting in a bank
 *     accept/<check>/<row>                   why what a check finds there is meant: it is not said again
 *     forbid/<what>/<key, grid or own row>   why a suggestion may not put a function or setting there
 *     <note>/<row>                           a note beside a row: why, sure, source, priority, decidedOn, risk, picture,
 *                                            lock
 */
export type RowId = string

/** The row that holds a plan's model and edition. */
export const modelRow: RowId = 'model'

/** Rows by id. */
export type Rows = Readonly<Record<RowId, Value>>

/** How sure an owner is of a row. */
export const certainties = ['open', 'hearsay', 'borrowed', 'trial', 'decided', 'tested'] as const

/** What a plan says of a situation. */
export const situationFacts = ['name', 'side', 'order'] as const

/** A row id taken apart. */
export type Row =
  | { readonly kind: 'model' }
  | { readonly kind: 'title' }
  | { readonly kind: 'base'; readonly setting: Setting; readonly cell: string | null }
  | { readonly kind: 'share'; readonly setting: Setting }
  | { readonly kind: 'key'; readonly address: Address }
  | { readonly kind: 'bank'; readonly family: BankFamily; readonly slot: Slot; readonly setting: Setting }
  | { readonly kind: 'bankFact'; readonly family: BankFamily; readonly slot: Slot; readonly fact: BankFact }
  | { readonly kind: 'bankKey'; readonly family: BankFamily; readonly slot: Slot; readonly address: Address }
  | { readonly kind: 'pair'; readonly one: SlotOf; readonly other: SlotOf }
  | (GridCell & { readonly kind: 'bankGrid'; readonly family: BankFamily; readonly slot: Slot })
  | (GridCell & { readonly kind: 'grid' })
  | { readonly kind: 'position'; readonly position: ModePosition; readonly setting: Setting }
  | { readonly kind: 'own'; readonly menu: OwnMenu; readonly page: number; readonly line: number }
  | { readonly kind: 'ownName'; readonly menu: OwnMenu; readonly page: number }
  | { readonly kind: 'hold'; readonly set: HoldSet; readonly setting: Setting }
  | { readonly kind: 'holdName'; readonly set: HoldSet }
  | { readonly kind: 'lens'; readonly lens: string }
  | { readonly kind: 'body'; readonly tag: string; readonly setting: Setting }
  | { readonly kind: 'bodyRow'; readonly tag: string; readonly about: Row }
  | { readonly kind: 'school'; readonly dispute: Dispute }
  | { readonly kind: 'situation'; readonly id: string; readonly fact: (typeof situationFacts)[number] }
  | { readonly kind: 'need'; readonly situation: string; readonly what: string }
  | { readonly kind: 'owner'; readonly fact: OwnerFact }
  | { readonly kind: 'intent'; readonly claimant: string; readonly wants: Wanted }
  | { readonly kind: 'accept'; readonly check: string; readonly about: Row }
  | { readonly kind: 'forbid'; readonly what: string; readonly about: Row }
  | { readonly kind: 'note'; readonly note: NoteName; readonly about: Row }

/** A slot with its family. */
export interface SlotOf {
  readonly family: BankFamily
  readonly slot: Slot
}

/** Where an intent wants something: on a key, or in a slot, be the setting kept there or not. */
export type Wanted =
  | { readonly kind: 'key'; readonly address: Address }
  | { readonly kind: 'bank'; readonly family: BankFamily; readonly slot: Slot; readonly setting: Setting }

/**
 * What stands beside a row: the reason; how sure the owner is (`certainties`); who or what it comes from; how early it
 * matters (`priorities`); the firmware it was decided on; the day a risk was accepted; a picture of the screen; why no
 * suggestion may change it.
 */
export const noteNames = [
  ...(['why', 'sure', 'source', 'priority', 'decidedOn', 'risk', 'picture', 'lock'] as const),
]

/** One of `noteNames`. */
export type NoteName = (typeof noteNames)[number]

/** The moves of hand, eye and mind that have a time; see reach/operators. */
export const handFacts = ['press', 'turn', 'reach', 'look', 'leave', 'away', 'gap'] as const

/** What a suggestion weighs besides those; see suggest/weights. */
export const weightFacts = ['urgent', 'habit', 'line', 'bump', 'sides', 'bodies', 'fails'] as const

/**
 * What an owner films for and under: how often measured lamps pulse a second, how wide the film is delivered in pixels,
 * how many frames a second it is played at.
 */
export const workFacts = ['lampPulses', 'deliveryWidth', 'playedRate'] as const

/**
 * What a plan knows of its owner: the target coverage, whether a function menu in the finder counts as done there, times measured with a watch in the place of the usual ones, and
 * what a suggestion is to weigh, and how much, where the owner sees it otherwise.
 */
export const ownerFacts = ['target', 'gridCounts', ...workFacts, ...handFacts, ...weightFacts] as const

/** One of `ownerFacts`. */
export type OwnerFact = (typeof ownerFacts)[number]

/** What an owner says of two slots in force together. */
export const pairMarks = ['sensible', 'risky', 'unused'] as const

/** How early a row matters: with the first four, the first seven, or later. */
export const priorities = ['first-four', 'first-seven', 'rest'] as const

/**
 * What a plan says of a slot besides its values: its side, name and purpose; what it was started from (`base` or
 * another slot of its family); the settings meant to differ, and those expected to change on site; what to do when it
 * turns out to be the wrong one; what was in it when it was last stored on a body, as texts `<setting>=<value as JSON>`.
 */
export const bankFacts = [
  ...(['side', 'name', 'purpose', 'startedFrom', 'meant', 'onSite', 'fallback', 'registered'] as const),
]

/** One of `bankFacts`. */
export type BankFact = (typeof bankFacts)[number]

/** A cell of a function menu, counted from 1, row by row. */
export interface GridCell {
  readonly grid: Grid
  readonly cell: number
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

/** The id of what the owner says of two slots together; they stand in the model's order. */
export function pairRow(
  one: { family: string; slot: string },
  other: { family: string; slot: string },
): RowId {
  return `pair/${one.family}/${one.slot}/${other.family}/${other.slot}`
}

/** The id of a hold set's row, or of its name. */
export function holdRow(set: string, name: string): RowId {
  return `hold/${set}/${name}`
}
