import { fittings } from '../../model/basics'
import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { isBodyTag } from './body'
import { rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { takesSome } from './takes'

/** What is always on one body: its grip, an adapter; an empty list where nothing is. */
export interface BodyOnRow {
  readonly kind: 'bodyOn'
  readonly tag: string
}

/** The id of the row that says what is always on a body. */
export function bodyOnRow(tag: string): RowId {
  return rowId(`body/${tag}/on`)
}

export const bodyOnKind: RowKind<BodyOnRow> = {
  kind: 'bodyOn',
  heads: ['body'],
  form: [
    'body/<tag>/on',
    'what is always on one body: a list of grip, adapter; an empty one where nothing is',
  ],
  claims: ([, name, ...more]) => name === 'on' && more.length === 0,
  parse: ({ id, parts: [tag] }) =>
    isBodyTag(tag) ? ok({ kind: 'bodyOn', tag }) : unknownPart(id, tag ?? ''),
  id: ({ tag }) => bodyOnRow(tag),
  accepts: (_model, _row, value, id) => takesSome(fittings, 0, value, id),
  describe: {
    place: ({ tag }) => `Body ${tag}, what is on it`,
    value: (_model, _row, value) =>
      value === null ? 'not said' : Array.isArray(value) && value.length > 0 ? value.join(', ') : 'nothing',
  },
  invalidates: () => ({ what: 'contexts' }),
  station: () => 'foundation',
}
