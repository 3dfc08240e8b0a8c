import type { HoldSet } from '../../model/types'
import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesText } from './takes'

/** The owner's name for a hold set. */
export interface HoldNameRow {
  readonly kind: 'holdName'
  readonly set: HoldSet
}

/** The id of the owner's name for a hold set. */
export function holdNameRow(set: string): RowId {
  return rowId(`hold/${set}/name`)
}

export const holdNameKind: RowKind<HoldNameRow> = {
  kind: 'holdName',
  heads: ['hold'],
  form: ['hold/<set>/name', 'the owner’s name for it'],
  claims: ([, name]) => name === 'name',
  parse({ model, id, parts }) {
    const set = model.holdSets.find((candidate) => candidate.id === parts[0])
    return set && parts.length === 2 ? ok({ kind: 'holdName', set }) : unknownPart(id, parts[0] ?? '')
  },
  id: ({ set }) => holdNameRow(set.id),
  accepts: (_model, { set }, value, id) => takesText(value, set.nameLength, id),
  describe: {
    place: ({ set }) => `Hold set ${set.name}, name`,
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'banks',
}
