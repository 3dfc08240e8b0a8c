import type { Address } from '../model/addresses'
import type { ModelFunction } from '../model/types'
import type { Trigger } from './held-state'
import type { FocusOutcome } from './outcome'
import type { Variant } from './variant'

/** What comes of keys held down in this order; more than one outcome where the body alone knows. */
export interface FocusRow {
  /** Addresses in the order in which they were pressed; empty where no key is held. */
  readonly held: readonly string[]
  readonly outcomes: readonly FocusOutcome[]
  /** Why there is more than one outcome; empty where there is one. */
  readonly asks: readonly string[]
}

/** A gesture that is not held but has to do with focus, and where it leads. */
export interface FocusPress {
  readonly key: string
  readonly address: Address
  readonly fn: ModelFunction
  /** In words, such as "Eye finding: on → off". */
  readonly leads: string
}

/** The table of one state that toggles and cycles can reach. */
export interface FocusTable {
  readonly variant: Variant
  readonly presses: readonly FocusPress[]
  readonly triggers: readonly Trigger[]
  readonly rows: readonly FocusRow[]
}

/** The row that a row leads to when one of its keys is let go. */
export function released(table: FocusTable, row: FocusRow, key: string): FocusRow | undefined {
  const left = row.held.filter((one) => one !== key)
  return table.rows.find(
    (one) => one.held.length === left.length && one.held.every((each, i) => each === left[i]),
  )
}

/** The row of keys held in this order. */
export function rowFor(table: FocusTable, held: readonly string[]): FocusRow | undefined {
  return table.rows.find(
    (one) => one.held.length === held.length && one.held.every((each, i) => each === held[i]),
  )
}
