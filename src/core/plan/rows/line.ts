import { itemName, lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { behind, hasHead, rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { takesOneOf } from './takes'

/** What an owner says of a line of the menu without planning a value: it stays as delivered on purpose, or is not in their work. */
export const lineStandings = ['left', 'not-mine'] as const

/** One of `lineStandings`. */
export type LineStanding = (typeof lineStandings)[number]

/** What an owner says of a line of the menu, or of a setting that stands in no menu. */
export interface LineRow {
  readonly kind: 'line'
  /** The id of a setting, of an act of the menu, or of a line that opens a set-up page. */
  readonly line: string
  readonly name: string
}

/** The id of what is said of a line of the menu. */
export function lineRow(line: string): RowId {
  return rowId(`line/${line}`)
}

/** The line of the menu that a row speaks of; null where it is another row. */
export function lineOf(id: string): string | null {
  return behind(id, 'line')
}

/** Whether a row says something of a line of the menu. */
export function isLineRow(id: string): id is RowId {
  return hasHead(id, 'line')
}

const words: Readonly<Record<LineStanding, string>> = {
  left: 'left as delivered, on purpose',
  'not-mine': 'not in my work',
}

export const lineKind: RowKind<LineRow> = {
  kind: 'line',
  heads: ['line'],
  form: [
    'line/<setting, act or set-up page>',
    'what is said of a line of the menu that has no value planned: left (as delivered, on purpose), or not-mine (not in my work)',
  ],
  parse({ model, id, parts }) {
    const line = parts.join('/')
    return hasLine(model, line)
      ? ok({ kind: 'line', line, name: itemName(model, line) })
      : unknownPart(id, line)
  },
  id: ({ line }) => lineRow(line),
  accepts: (_model, _row, value, id) => takesOneOf(lineStandings, value, id),
  describe: {
    place: ({ name }) => `Menu line, ${name}`,
    value: (_model, _row, value) =>
      lineStandings.flatMap((one) => (one === value ? [words[one]] : []))[0] ?? 'not looked at',
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'settings',
}

function hasLine(model: BodyModel, line: string): boolean {
  const { settings, menuPlaces } = lookup(model)
  return settings.has(line) || menuPlaces.has(line)
}
