import type { Value } from '../vocabulary/values'

declare const rowBrand: unique symbol

/** The id of a row of a document: made and taken apart only by the document's own kinds of row. */
export type RowId = string & { readonly [rowBrand]: 'row' }

/** One row of a document, from what it was to what it becomes; null stands for an absent row. */
export interface Change {
  readonly row: RowId
  readonly from: Value | null
  readonly to: Value | null
}

/**
 * Every edit of a document is a step: one or more changes that belong together. It applies wholly or not at all, and
 * only to a document in which each row still holds `from`. `undoes` and `redoes` name an earlier step, so that undo
 * and redo survive a reload: they are folded out of the log (see history.ts).
 */
export interface Step {
  readonly id: string
  readonly changes: readonly Change[]
  readonly undoes?: string
  readonly redoes?: string
}

/** The step that takes this one back: applying both leaves the document as it was. */
export function invertStep(step: Step, id: string): Step {
  const changes = step.changes.map(({ row, from, to }) => ({ row, from: to, to: from })).reverse()
  return { id, changes }
}

/** The rows a step touches. */
export function touchedRows(steps: readonly Step[]): ReadonlySet<RowId> {
  return new Set(steps.flatMap((step) => step.changes.map((change) => change.row)))
}

/** How many bytes a step takes as JSON, as it is sent and as it is kept. */
export function stepBytes(step: Step): number {
  return new TextEncoder().encode(JSON.stringify(step)).length
}
