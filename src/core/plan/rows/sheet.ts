import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { isOwnName, rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { takesOneOf, takesText } from './takes'

/** What an owner chose for a sheet: the parts left out, the paper, and up to three things of their own not to forget. */
export const sheetFacts = ['without', 'paper', 'remember'] as const

/** One of `sheetFacts`. */
export type SheetFact = (typeof sheetFacts)[number]

/** The sizes of paper that a sheet is made for. */
export const paperIds = ['a4', 'letter', 'a6', 'card', 'fold'] as const

/** What was chosen for a sheet, by the id of the sheet. */
export interface SheetRow {
  readonly kind: 'sheet'
  readonly sheet: string
  readonly fact: SheetFact
}

/** The id of what was chosen for a sheet. */
export function sheetRow(sheet: string, fact: SheetFact): RowId {
  return rowId(`sheet/${sheet}/${fact}`)
}

const most = { without: 20, remember: 3 } as const

export const sheetKind: RowKind<SheetRow> = {
  kind: 'sheet',
  heads: ['sheet'],
  form: [
    'sheet/<id>/<fact>',
    `what was chosen for a sheet: without (a list of the parts left out), paper (${paperIds.join(', ')}), remember (up to three lines of one’s own not to forget)`,
  ],
  parse({ id, parts }) {
    const [sheet, name = ''] = parts
    const fact = sheetFacts.find((one) => one === name)
    return parts.length === 2 && isOwnName(sheet) && fact !== undefined
      ? ok({ kind: 'sheet', sheet, fact })
      : unknownPart(id, parts.join('/'))
  },
  id: ({ sheet, fact }) => sheetRow(sheet, fact),
  accepts(_model, { fact }, value, id) {
    if (fact === 'paper') return takesOneOf(paperIds, value, id)
    const all = Array.isArray(value) ? (value as unknown[]) : []
    if (all.length === 0 || all.length > most[fact])
      return refuse('outside', `This row takes a list of one to ${most[fact]} texts.`, id)
    const taken: string[] = []
    for (const one of all) {
      const text = takesText(one, 120, id)
      if (!text.ok) return text
      taken.push(text.value)
    }
    return ok(taken)
  },
  describe: {
    place: ({ sheet, fact }) =>
      `Sheet ${sheet}, ${{ without: 'parts left out', paper: 'paper', remember: 'not to forget' }[fact]}`,
    value: (_model, _row, value) =>
      value === null ? 'as usual' : Array.isArray(value) ? value.join('; ') : String(value),
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'foundation',
}
