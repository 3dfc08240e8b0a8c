import { pluggedIn, type PluggedIn } from '../../model/basics'
import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { takesOneOf } from './takes'

/** Whether something that is plugged in is there: always, at times, or the owner has none. */
export const gearUses = ['always', 'sometimes', 'none'] as const

/** Whether a microphone, a recorder, a remote or a flash is there. */
export interface GearRow {
  readonly kind: 'gear'
  readonly what: PluggedIn
}

/** The id of the row that says whether something is there. */
export function gearRow(what: PluggedIn): RowId {
  return rowId(`gear/${what}`)
}

const words: Readonly<Record<(typeof gearUses)[number], string>> = {
  always: 'always on the camera',
  sometimes: 'there at times',
  none: 'there is none',
}

export const gearKind: RowKind<GearRow> = {
  kind: 'gear',
  heads: ['gear'],
  form: [
    'gear/<microphone, recorder, remote or flash>',
    '`always`: it is on the camera; `sometimes`: it is there at times; `none`: there is none',
  ],
  parse({ id, parts }) {
    const what = pluggedIn.find((one) => one === parts.join('/'))
    return what ? ok({ kind: 'gear', what }) : unknownPart(id, parts.join('/'))
  },
  id: ({ what }) => gearRow(what),
  accepts: (_model, _row, value, id) => takesOneOf(gearUses, value, id),
  describe: {
    place: ({ what }) => `${what.charAt(0).toUpperCase()}${what.slice(1)}`,
    value: (_model, _row, value) => (value === null ? 'not said' : words[value as keyof typeof words]),
  },
  invalidates: () => ({ what: 'contexts' }),
  station: () => 'foundation',
}
