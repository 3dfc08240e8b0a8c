import type { BodyModel } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import type { RowId } from '../../sync/step'
import type { Value } from '../../vocabulary/values'
import { about, type AboutRow } from './about'
import { isBodyTag } from './body'
import { behind, hasHead, rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesOneOf, takesText } from './takes'

/** How sure an owner is of a row. */
export const certainties = ['open', 'hearsay', 'borrowed', 'trial', 'decided', 'tested'] as const

/** How sure somebody is, in words. */
export const certaintyWords: Readonly<Record<(typeof certainties)[number], string>> = {
  open: 'open',
  hearsay: 'hearsay',
  borrowed: 'borrowed',
  trial: 'on trial',
  decided: 'decided',
  tested: 'tested',
}

/** How early a row matters: with the first four, the first seven, or later. */
export const priorities = ['first-four', 'first-seven', 'rest'] as const

/**
 * What stands beside a row: the reason; who decided it; how sure the owner is (`certainties`); who or what it comes from; how early it
 * matters (`priorities`); the firmware it was decided on, with the body; the day a risk was accepted; a picture of the screen; why no
 * suggestion may change it.
 */
export const noteNames = [
  ...(['why', 'who', 'sure', 'source', 'priority', 'decidedOn', 'risk', 'picture', 'lock'] as const),
]

/** One of `noteNames`. */
export type NoteName = (typeof noteNames)[number]

/** A note beside a row. */
export interface NoteRow {
  readonly kind: 'note'
  readonly note: NoteName
  readonly about: AboutRow
}

/** The id of a note beside a row. */
export function noteRow(note: NoteName, row: RowId): RowId {
  return rowId(`${note}/${row}`)
}

/** Whether a row is a note; of this name, where one is given. */
export function isNoteRow(id: string, note?: NoteName): id is RowId {
  return note === undefined ? noteNames.some((one) => hasHead(id, one)) : hasHead(id, note)
}

/** The row that a note of this name stands beside; null where it is another row. */
export function notedRow(id: string, note: NoteName): RowId | null {
  return behind(id, note) as RowId | null
}

const words: Readonly<Record<NoteName, string>> = {
  why: 'Reason for',
  who: 'Who decided on',
  sure: 'Certainty of',
  source: 'Source of',
  priority: 'Priority of',
  decidedOn: 'Firmware decided on for',
  risk: 'Risk accepted for',
  picture: 'Picture for',
  lock: 'Lock on',
}

export const noteKind: RowKind<NoteRow> = {
  kind: 'note',
  heads: noteNames,
  form: [
    '<note>/<row>',
    'a note beside a row: why, who (decided it), sure, source, priority, decidedOn, risk, picture, lock',
  ],
  parse({ model, id, head, parts }) {
    const note = noteNames.find((one) => one === head)
    if (!note) return unknownPart(id, head)
    const row = about.parse(model, id, parts)
    return row.ok ? ok({ kind: 'note', note, about: row.value }) : row
  },
  id: (row) => noteRow(row.note, about.id(row.about)),
  accepts,
  describe: {
    place: (row) => `${words[row.note]} ${about.place(row.about)}`,
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: () => ({ what: 'words' }),
  station: (row) => about.station(row.about),
}

function accepts(model: BodyModel, { note }: NoteRow, value: unknown, id: string): Result<Value> {
  switch (note) {
    case 'why':
    case 'lock':
      return takesText(value, 500, id)
    case 'source':
    case 'who':
    case 'picture':
      return takesText(value, 200, id)
    case 'sure':
      return takesOneOf(certainties, value, id)
    case 'priority':
      return takesOneOf(priorities, value, id)
    case 'decidedOn':
      return takesStamp(model, value, id)
    case 'risk':
      if (typeof value === 'string' && isDay(value)) return ok(value)
      return refuse('outside', 'A risk is accepted on a day, such as 2026-03-14.', id)
  }
}

/** The firmware and, behind it, the body: "1.2 heron-a". */
function takesStamp(model: BodyModel, value: unknown, id: string): Result<Value> {
  const known = model.firmware.map(({ version }) => version)
  const { firmware, body } = readStamp(value)
  if (known.some((one) => one === firmware) && (body === null || isBodyTag(body))) return ok(value as string)
  const example = `${known[0] ?? '1.0'} body-a`
  const message = `This row takes ${known.join(', ')}, and behind it the body, such as “${example}”.`
  return refuse('outside', message, id)
}

/** The firmware and the body of a stamp; no body where only the firmware is known. */
export function readStamp(value: unknown): { readonly firmware: string; readonly body: string | null } {
  const [firmware = '', body, ...more] = typeof value === 'string' ? value.split(' ') : []
  return { firmware, body: more.length > 0 ? '' : (body ?? null) }
}

/** A day of the calendar, year-month-day. */
function isDay(text: string): boolean {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : NaN
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text)
}
