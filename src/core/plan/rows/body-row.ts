import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { bankKind, type BankRow } from './bank'
import { bankFactKind, type BankFactRow } from './bank-fact'
import { baseKind, type BaseRow } from './base'
import { isBodyTag } from './body'
import { behind, rowId } from './id'
import { among, unknownPart, type RowKind } from './kind'

/** A value of base or a bank in which one body differs from the plan's others. */
export interface BodyDiffersRow {
  readonly kind: 'bodyRow'
  readonly tag: string
  readonly about: BaseRow | BankRow
}

/** The id of the row in which a body differs from a row of base or a bank. */
export function differenceRow(tag: string, row: RowId): RowId {
  return rowId(`body/${tag}/${row}`)
}

/** The row of base or a bank in which this body differs, by the row that says so; null where that is another row. */
export function differsIn(id: string, tag: string): RowId | null {
  const row = behind(id, rowId(`body/${tag}`))
  return row !== null && (behind(row, 'base') !== null || behind(row, 'bank') !== null)
    ? (row as RowId)
    : null
}

const values = among<BaseRow | BankRow | BankFactRow>([baseKind, bankFactKind, bankKind])

export const bodyDiffersKind: RowKind<BodyDiffersRow> = {
  kind: 'bodyRow',
  heads: ['body'],
  form: ['body/<tag>/<base or bank row>', 'a value in which one body differs from the plan’s others'],
  claims: ([, name]) => name === 'base' || name === 'bank',
  parse({ model, id, parts: [tag, ...rest] }) {
    if (!isBodyTag(tag)) return unknownPart(id, tag ?? '')
    const about = values.parse(model, id, rest)
    if (!about.ok) return about
    if (about.value.kind !== 'bankFact') return ok({ kind: 'bodyRow', tag, about: about.value })
    return refuse('unknown-row', 'Bodies differ in values of base and banks only.', id)
  },
  id: ({ tag, about }) => differenceRow(tag, values.id(about)),
  accepts: (model, { about }, value, id) => values.accepts(model, about, value, id),
  describe: {
    place: ({ tag, about }) => `Body ${tag}, ${values.place(about)}`,
    value: (model, { about }, value) => (value === null ? 'as the plan' : values.value(model, about, value)),
  },
  invalidates: () => ({ what: 'everything' }),
  ranges: (model, { about }, value) => values.ranges(model, about, value),
  station: () => 'banks',
}
