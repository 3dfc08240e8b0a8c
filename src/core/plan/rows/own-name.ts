import type { OwnMenu } from '../../model/types'
import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { counted, rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesText } from './takes'

/** The name of a page of the own menu. */
export interface OwnNameRow {
  readonly kind: 'ownName'
  readonly menu: OwnMenu
  readonly page: number
}

/** The id of the name of a page of the own menu. */
export function ownNameRow(page: number): RowId {
  return rowId(`own/${page}/name`)
}

export const ownNameKind: RowKind<OwnNameRow> = {
  kind: 'ownName',
  heads: ['own'],
  form: ['own/<page>/name', 'the name of a page of the own menu'],
  claims: ([, name]) => name === 'name',
  parse({ model, id, parts }) {
    const menu = model.ownMenu
    const page = menu && counted(parts[0], menu.pages)
    if (!menu || !page || parts.length !== 2) return unknownPart(id, parts.join('/'))
    return ok({ kind: 'ownName', menu, page })
  },
  id: ({ page }) => ownNameRow(page),
  accepts: (_model, { menu }, value, id) => takesText(value, menu.nameLength, id),
  describe: {
    place: ({ page }) => `Own menu, name of page ${page}`,
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'menus',
}
