import { lookup } from '../../model/lookup'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { about, type AboutRow } from './about'
import { behind, hasHead, rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesText } from './takes'

/** Why a suggestion may not put a function, a setting or an act on a key, into a function menu or into the own menu. */
export interface ForbidRow {
  readonly kind: 'forbid'
  readonly what: string
  readonly about: AboutRow
}

/** The id of what a suggestion may not put somewhere. */
export function forbidRow(what: string, row: RowId): RowId {
  return rowId(`forbid/${what}/${row}`)
}

/** Whether a row forbids something. */
export function isForbidRow(id: string): id is RowId {
  return hasHead(id, 'forbid')
}

/** What a row forbids at this place; null where it forbids nothing there. */
export function forbiddenAt(id: string, row: RowId): string | null {
  const rest = behind(id, 'forbid')
  return rest?.endsWith(`/${row}`) ? rest.slice(0, -row.length - 1) : null
}

export const forbidKind: RowKind<ForbidRow> = {
  kind: 'forbid',
  heads: ['forbid'],
  form: ['forbid/<what>/<key, grid or own row>', 'why a suggestion may not put a function or setting there'],
  parse({ model, id, parts: [what = '', ...rest] }) {
    const row = about.parse(model, id, rest)
    if (!row.ok) return row
    const { functions, settings, acts } = lookup(model)
    const { kind } = row.value
    if (kind !== 'key' && kind !== 'grid' && kind !== 'own')
      return refuse(
        'unknown-row',
        'Something is forbidden on a key, in a function menu or in the own menu.',
        id,
      )
    const known = kind === 'key' ? functions.has(what) : settings.has(what) || acts.has(what)
    return known ? ok({ kind: 'forbid', what, about: row.value }) : unknownPart(id, what)
  },
  id: (row) => forbidRow(row.what, about.id(row.about)),
  accepts: (_model, _row, value, id) => takesText(value, 500, id),
  describe: {
    place: (row) => `Forbidden for ${about.place(row.about)}: ${row.what}`,
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: () => ({ what: 'words' }),
  station: (row) => about.station(row.about),
}
