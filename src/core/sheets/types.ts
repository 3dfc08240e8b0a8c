import type { Control, Face, Side } from '../model/types'
import type { RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'

/** One sheet, as screen, paper and files show it: what it is of, and its blocks in order. Plain data. */
export interface Sheet {
  readonly kind: string
  /** "Bank table". */
  readonly title: string
  /** Name of the plan; empty where none may stand. */
  readonly plan: string
  /** Maker and model. */
  readonly model: string
  /** The body it is for, its firmware, and the way its files are named; empty for all bodies. */
  readonly body: string
  /** "Revision 3" or "Draft, step 12", and the day. */
  readonly stand: string
  /** Whether it is of a plan that may still change. */
  readonly isDraft: boolean
  readonly blocks: readonly Block[]
}

/** A piece of a sheet. `part` is the part of the sheet it belongs to, by id. */
export type Block = (Heading | Words | Table | Plate) & { readonly part: string }

/** A heading over what follows. */
export interface Heading {
  readonly kind: 'heading'
  readonly text: string
}

/** Sentences, one under the other. */
export interface Words {
  readonly kind: 'words'
  readonly lines: readonly string[]
  /** Printed small and grey: as delivered, or explained. */
  readonly isQuiet?: boolean
}

/** Lines in columns. */
export interface Table {
  readonly kind: 'table'
  readonly name: string
  readonly columns: readonly string[]
  readonly lines: readonly Line[]
}

/** A line of a table. */
export interface Line {
  readonly cells: readonly Cell[]
  /** As delivered, or equal to base: printed lighter. */
  readonly isQuiet?: boolean
}

/** What stands in a column of a line. */
export interface Cell {
  readonly text: string
  /** The row of the plan that decides it, and what it then holds; absent where none does. */
  readonly row?: RowId
  readonly value?: Value
  /** Drawn in bold: what was decided. */
  readonly isStrong?: boolean
  /** A sign before it: a problem; not sure. */
  readonly mark?: 'problem' | 'unsure'
}

/** One face of the body, drawn, with a label for each control. */
export interface Plate {
  readonly kind: 'plate'
  readonly face: Face
  readonly side: Side | null
  readonly labels: readonly PrintedLabel[]
}

/** What stands in the margin of a plate for one control. */
export interface PrintedLabel {
  readonly control: Control
  readonly lines: readonly { readonly gesture: string; readonly text: string; readonly isQuiet: boolean }[]
}
