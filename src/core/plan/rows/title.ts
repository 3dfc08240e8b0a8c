import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesText } from './takes'

/** The plan's title. */
export interface TitleRow {
  readonly kind: 'title'
}

/** The row that holds the plan's title. */
export const titleRow: RowId = rowId('title')

export const titleKind: RowKind<TitleRow> = {
  kind: 'title',
  heads: ['title'],
  form: ['title', 'the plan’s title'],
  parse: ({ id, parts }) =>
    parts.length === 0 ? { ok: true, value: { kind: 'title' } } : unknownPart(id, id),
  id: () => titleRow,
  accepts: (_model, _row, value, id) => takesText(value, 80, id),
  describe: { place: () => 'Title', value: (_model, _row, value) => plainValue(value, 'none') },
  invalidates: () => ({ what: 'words' }),
  station: () => 'foundation',
}
