import { refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'

/**
 * The definition a plan stands on, id and edition: kept at the head of the plan, changed only by a step that follows
 * another edition.
 */
export interface ModelRow {
  readonly kind: 'model'
}

/** The row that holds a plan's model and edition. */
export const modelRow: RowId = rowId('model')

export const modelKind: RowKind<ModelRow> = {
  kind: 'model',
  heads: ['model'],
  form: [
    'model',
    'the definition it stands on, id and edition; kept at the head of the plan, changed only by a step of its own',
  ],
  parse: ({ id, parts }) =>
    parts.length === 0 ? { ok: true, value: { kind: 'model' } } : unknownPart(id, id),
  id: () => modelRow,
  accepts: (_model, _row, _value, id) =>
    refuse(
      'outside',
      'The model stands at the head of a plan; a step of its own follows another edition.',
      id,
    ),
  describe: {
    place: () => 'Edition of the model',
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: () => ({ what: 'everything' }),
  station: () => 'foundation',
}
