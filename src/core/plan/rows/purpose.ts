import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesText } from './takes'

/** What the plan is for, in one line. */
export interface PurposeRow {
  readonly kind: 'purpose'
}

/** The row that says what the plan is for. */
export const purposeRow: RowId = rowId('purpose')

export const purposeKind: RowKind<PurposeRow> = {
  kind: 'purpose',
  heads: ['purpose'],
  form: ['purpose', 'what the plan is for, in one line'],
  parse: ({ id, parts }) =>
    parts.length === 0 ? { ok: true, value: { kind: 'purpose' } } : unknownPart(id, id),
  id: () => purposeRow,
  accepts: (_model, _row, value, id) => takesText(value, 120, id),
  describe: { place: () => 'Purpose', value: (_model, _row, value) => plainValue(value, 'none') },
  invalidates: () => ({ what: 'words' }),
  station: () => 'foundation',
}
