import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { about, type AboutRow } from './about'
import { hasHead, rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesText } from './takes'

/** Why what a check finds at a row is meant: it is not said again. */
export interface AcceptRow {
  readonly kind: 'accept'
  readonly check: string
  readonly about: AboutRow
}

/** The id of the reason for which a finding of a check is accepted. */
export function acceptRow(check: string, row: RowId): RowId {
  return rowId(`accept/${check}/${row}`)
}

/** Whether a row accepts a finding. */
export function isAcceptRow(id: string): id is RowId {
  return hasHead(id, 'accept')
}

export const acceptKind: RowKind<AcceptRow> = {
  kind: 'accept',
  heads: ['accept'],
  form: ['accept/<check>/<row>', 'why what a check finds there is meant: it is not said again'],
  parse({ model, id, parts: [check = '', ...rest] }) {
    if (!/^[a-z][a-z-]{0,40}$/.test(check)) return unknownPart(id, check)
    const row = about.parse(model, id, rest)
    return row.ok ? ok({ kind: 'accept', check, about: row.value }) : row
  },
  id: (row) => acceptRow(row.check, about.id(row.about)),
  accepts: (_model, _row, value, id) => takesText(value, 500, id),
  describe: {
    place: (row) => `Accepted for ${about.place(row.about)} (${row.check})`,
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: () => ({ what: 'words' }),
  station: (row) => about.station(row.about),
}
