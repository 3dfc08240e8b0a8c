import type { OwnMenu } from '../../model/types'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { counted, hasHead, rowId } from './id'
import { showItem } from './grid'
import { unknownPart, type RowKind } from './kind'

/** A line of the own menu; page and line are counted from 1. */
export interface OwnRow {
  readonly kind: 'own'
  readonly menu: OwnMenu
  readonly page: number
  readonly line: number
}

/** The id of a line of the own menu. */
export function ownRow(page: number, line: number): RowId {
  return rowId(`own/${page}/${line}`)
}

/** Whether a row is a line of the own menu, or the name of one of its pages. */
export function isOwnRow(id: string): id is RowId {
  return hasHead(id, 'own')
}

export const ownKind: RowKind<OwnRow> = {
  kind: 'own',
  heads: ['own'],
  form: ['own/<page>/<line>', 'a line of the own menu'],
  parse({ model, id, parts }) {
    const menu = model.ownMenu
    const page = menu && counted(parts[0], menu.pages)
    if (!menu || !page || parts.length !== 2) return unknownPart(id, parts.join('/'))
    const line = counted(parts[1], menu.lines)
    return line === null ? unknownPart(id, parts[1] ?? '') : ok({ kind: 'own', menu, page, line })
  },
  id: ({ page, line }) => ownRow(page, line),
  accepts(_model, { menu }, value, id) {
    if (menu.permitted.some((line) => line === value)) return ok(value as string)
    return refuse('outside', `The own menu does not take “${String(value)}”.`, id)
  },
  describe: {
    place: ({ page, line }) => `Own menu, page ${page}, line ${line}`,
    value: (model, _row, value) => showItem(model, value),
  },
  invalidates: () => ({ what: 'menus' }),
  station: () => 'menus',
}
