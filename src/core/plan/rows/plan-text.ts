import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesText } from './takes'

/** A line of text that the whole plan has once; its id is its kind. */
export interface PlanTextRow<K extends string> {
  readonly kind: K
}

/** The row of such a line. */
export function planTextRow(kind: string): RowId {
  return rowId(kind)
}

/** The kind of such a line: what it says, what it is called, and how many characters fit. */
export function planTextKind<K extends string>(
  kind: K,
  { says, place, longest }: { readonly says: string; readonly place: string; readonly longest: number },
): RowKind<PlanTextRow<K>> {
  return {
    kind,
    heads: [kind],
    form: [kind, says],
    parse: ({ id, parts }) => (parts.length === 0 ? { ok: true, value: { kind } } : unknownPart(id, id)),
    id: () => planTextRow(kind),
    accepts: (_model, _row, value, id) => takesText(value, longest, id),
    describe: { place: () => place, value: (_model, _row, value) => plainValue(value, 'none') },
    invalidates: () => ({ what: 'words' }),
    station: () => 'foundation',
  }
}
