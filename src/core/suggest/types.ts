import type { RowId } from '../plan/rows'
import type { Need } from '../reach/needs'

/**
 * An arrangement to be found, as numbers: places that take one of several values each, demands that are met by the
 * cheapest way open to them, and what is paid besides. Seconds an outing throughout.
 */
export interface Instance {
  readonly places: readonly Place[]
  readonly demands: readonly Demand[]
  readonly openers: Openers
  readonly pairs: readonly Pair[]
  /** Choices of which one at least is to be made: a function that no menu stands in for stays on some key. */
  readonly kept: readonly (readonly Choice[])[]
}

/** A row that may change: a key, a cell of a function menu, a line of the own menu. */
export interface Place {
  readonly row: RowId
  readonly kind: 'key' | 'cell' | 'line'
  readonly today: string
  /** What it may hold; what it holds today first, unless that is forbidden. */
  readonly values: readonly string[]
  /** What it holds today, by its place in `values`; -1 where that is forbidden. */
  readonly current: number
  /** What each value costs by itself: habit, bumps, the other bodies, banks in which it does nothing. */
  readonly costs: readonly number[]
}

/** A value of a place, both by number. */
export interface Choice {
  readonly place: number
  readonly value: number
}

/** Something needed, in one state of the camera. */
export interface Demand {
  readonly needs: readonly Need[]
  /** How often it comes in an outing, and with urgent times counted more. */
  readonly perOuting: number
  readonly weight: number
  readonly ways: readonly Way[]
}

/** A way to meet a demand: seconds each time, what has to be chosen for it, and what has to be opened first. */
export interface Way {
  readonly seconds: number
  readonly takes: Choice | null
  readonly opens: string | null
}

/** Two keys that had better do the same: seconds saved where both have values of one class. */
export interface Pair {
  readonly seconds: number
  readonly classes: readonly { readonly one: readonly Choice[]; readonly two: readonly Choice[] }[]
}

/** The keys from which something can be opened, by what that is; each costs so many seconds beside the rest of the way. */
export type Openers = ReadonlyMap<string, readonly { readonly choice: Choice; readonly seconds: number }[]>
