import type { Value } from '../vocabulary/values'
import type { Choice, Side } from './basics'

/** Slots of one kind that keep a set of values. */
export interface BankFamily {
  readonly id: string
  readonly name: string
  readonly selectedBy: 'dial' | 'menu' | 'key'
  /** A snapshot comes back whole at every recall; a live slot keeps what is changed in it. */
  readonly keeping: 'snapshot' | 'live'
  /** A toggle: on means live, off means snapshot. */
  readonly keepingBy?: string
  /** The setting that says how much the slots keep: a toggle, or a choice (`storedWhen` of a setting). */
  readonly widenedBy?: string
  /** Whether a slot keeps what is on the keys, and what is in the function menus. */
  readonly storesKeys: boolean
  readonly storesGrids: boolean
  /** Whether a slot keeps the own menu; it does not where this is left out. */
  readonly storesOwnMenu?: boolean
  readonly nameLength: number
  readonly slots: readonly Slot[]
}

/** One slot; one with a `side` belongs to it and sets it when recalled. */
export interface Slot extends Choice {
  readonly side?: Side
}

/** A ticked set of values that is in force while a key with its function is held, or latched. */
export interface HoldSet {
  readonly id: string
  readonly name: string
  readonly nameLength: number
  /** Settings that can be ticked; all that are neither local nor physical where it is absent. */
  readonly allows?: readonly string[]
}

/** One position of the mode dial, or one entry of a list that stands for it. */
export interface ModePosition {
  readonly id: string
  readonly name: string
  /** Null at a position whose slot may hold either side. */
  readonly side: Side | null
  readonly kind: 'plain' | 'slot' | 'remembered' | 'special'
  /** The slot it recalls. */
  readonly family?: string
  readonly slot?: string
  /** What it fixes, such as the exposure mode. */
  readonly sets: Readonly<Record<string, Value>>
  /** Settings it keeps for itself without being registered (a remembered position). */
  readonly keeps: readonly string[]
}

/** How a body comes to film. */
export interface Filming {
  /** What the record key does in stills: nothing, films with the plain motion settings, or with a slot that a setting names. */
  readonly fromStills: 'refused' | 'plain' | 'named'
  /** The setting that names the slot (its values: slot ids, or `plain`), and the family. */
  readonly namedBy?: string
  readonly family?: string
  /** Where the swap key goes: the plain position, or the last one used on the other side. */
  readonly swapTo: 'plain' | 'last-used'
}
