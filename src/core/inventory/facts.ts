import { plainPath } from '../cards/path'
import { ok, refuse, type Result } from '../result'
import { ladders, readMark } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { gearKinds, type RecordKind } from './kinds'

/** What a fact takes. */
export type Takes =
  | { readonly kind: 'truth' }
  | { readonly kind: 'text'; readonly longest: number }
  | { readonly kind: 'one'; readonly of: Readonly<Record<string, string>> }
  | { readonly kind: 'number'; readonly from: number; readonly to: number; readonly unit: string }
  /** Written as photographers write it: read into one spelling, or refused with an example. */
  | { readonly kind: 'written'; readonly read: (typed: string) => Result<string>; readonly example: string }
  /** The id of something else: a model, a definition of a lens, a maker, a slot of one of the bodies. */
  | { readonly kind: 'named'; readonly what: 'model' | 'lens' | 'maker' | 'slot' }

/** A fact of a record: its label, what it takes, and what it is for. */
export interface Fact {
  readonly id: string
  readonly label: string
  readonly takes: Takes
  readonly plain: string
  /** Whether its value says nothing without its label. */
  readonly isLabelled?: boolean
  /** What a record must have for it to be asked at all. */
  readonly onlyFor?: 'grip' | 'adapter' | 'zoom' | 'real'
}

const text = (longest: number): Takes => ({ kind: 'text', longest })
const truth: Takes = { kind: 'truth' }
const number = (from: number, to: number, unit: string): Takes => ({ kind: 'number', from, to, unit })
const aperture: Takes = { kind: 'written', read: readAperture, example: 'f/2.8' }
const fact = (
  id: string,
  label: string,
  takes: Takes,
  plain: string,
  more: Pick<Fact, 'isLabelled' | 'onlyFor'> = {},
): Fact => ({ id, label, takes, plain, ...more })
const name = fact('name', 'Name', text(60), 'What you call it.')

/** Every fact of every kind of record, in the order they are asked. A fact nobody states is unknown, never a default. */
export const factTable: Readonly<Record<RecordKind, readonly Fact[]>> = {
  body: [
    name,
    fact('model', 'Model', { kind: 'named', what: 'model' }, 'Plans for this model reckon with the body.'),
    fact('place', 'Where it works', text(100), 'Such as front of house.'),
    fact('serial', 'Serial number', text(40), 'Tells two bodies apart.'),
    fact(
      'firmware',
      'Firmware',
      { kind: 'written', read: readFirmware, example: '1.2' },
      'What a newer one brings is not there; plans are looked at with the oldest that your bodies of the model run.',
      { isLabelled: true },
    ),
    fact('prefix', 'File prefix', text(12), 'The letters its file names begin with now.', {
      isLabelled: true,
    }),
    fact(
      'numbering',
      'File numbers',
      { kind: 'one', of: { continuous: 'run on from card to card', restart: 'begin anew with each card' } },
      'Two bodies that begin anew give pictures the same number.',
    ),
    fact('owner', 'Owner’s name in files', text(60), 'What the field for it holds now.'),
    fact(
      'real',
      'Real camera',
      truth,
      'Nothing is simulated behind it: its files are carried by hand, with a walk that watches over each act.',
    ),
    fact(
      'folder',
      'Folder of its file',
      { kind: 'written', read: plainPath, example: 'HERON/SET' },
      'Where on the card it saves its settings; as its model says where this is empty.',
      { onlyFor: 'real', isLabelled: true },
    ),
    fact(
      'file',
      'Name of its file',
      { kind: 'written', read: readName, example: 'SETTINGS.DAT' },
      'Where it reads but one name: a file is written to its card under this one.',
      { onlyFor: 'real', isLabelled: true },
    ),
    fact('grip', 'Vertical grip', truth, 'Keys of the grip answer only with it.', { onlyFor: 'grip' }),
    fact('adapter', 'Adapter', truth, 'Keys of the adapter answer only with it.', { onlyFor: 'adapter' }),
  ],
  lens: [
    name,
    fact(
      'like',
      'Known lens',
      { kind: 'named', what: 'lens' },
      'A lens that is described already; what you say here holds instead.',
    ),
    fact('fits', 'Fits', { kind: 'named', what: 'maker' }, 'The maker whose bodies it goes on.'),
    fact('contacts', 'Contacts', truth, 'Without them the body knows neither aperture nor focal length.'),
    fact(
      'focal',
      'Focal length',
      { kind: 'written', read: readFocal, example: '24-70' },
      'In millimetres; a zoom from its short to its long end.',
    ),
    fact('widest', 'Widest aperture', aperture, 'Of a zoom, at its short end.'),
    fact('widestLong', 'Widest at the long end', aperture, 'Only where it is another.', { onlyFor: 'zoom' }),
    fact('narrowest', 'Narrowest aperture', aperture, 'Of a zoom, at its short end.'),
    fact('narrowestLong', 'Narrowest at the long end', aperture, 'Only where it is another.', {
      onlyFor: 'zoom',
    }),
    fact('keys', 'Keys on it', number(0, 4, ''), 'Keys that the body can give a function to.'),
    fact(
      'ring',
      'Ring besides focus',
      {
        kind: 'one',
        of: { none: 'none', readable: 'yes, the body reads it', unread: 'yes, not read by the body' },
      },
      'A ring that the body reads can be given a job.',
    ),
    fact('clicks', 'The ring clicks', truth, 'A ring without clicks is silent in film.'),
    fact('switch', 'Focus switch', truth, 'A switch on the lens overrules the AF mode of the body.'),
    fact('stabiliser', 'Stabiliser', truth, 'Whether the lens has one of its own.'),
    fact('adapter', 'Adapter or ring', text(60), 'The adapter or ring it goes on with.'),
    fact('converter', 'Teleconverter', number(1.1, 3, '×'), 'Lengthens the lens, and costs light.'),
  ],
  card: [
    name,
    fact('in', 'Used in', { kind: 'named', what: 'slot' }, 'The body and the slot it is for.'),
    fact('size', 'Size', number(0.1, 100_000, 'GB'), 'As marked, in gigabytes.'),
    fact(
      'rate',
      'Sustained write rate',
      number(0.1, 20_000, 'MB/s'),
      'What it keeps up; the large number on the label is usually the reading rate.',
    ),
  ],
  gear: [
    name,
    fact('kind', 'Kind', { kind: 'one', of: gearKinds }, 'What it is.'),
    fact('count', 'How many', number(1, 99, ''), 'Such as three batteries.'),
    fact(
      'use',
      'On the camera',
      { kind: 'one', of: { always: 'always', sometimes: 'at times' } },
      'What is always there lets rules that ask for it be decided.',
    ),
  ],
}

/** Accepts a value for a fact, or says what it takes. `ids` are what it may name; null where that is not known. */
export function acceptFact(
  { takes, label }: Fact,
  value: unknown,
  where: string,
  ids: readonly string[] | null,
): Result<Value> {
  switch (takes.kind) {
    case 'truth':
      return typeof value === 'boolean' ? ok(value) : refuse('outside', `${label} is true or false.`, where)
    case 'text':
      return acceptText(label, takes.longest, value, where)
    case 'number': {
      const { from, to, unit } = takes
      return typeof value === 'number' && value >= from && value <= to
        ? ok(value)
        : refuse(
            'outside',
            `${label} takes a number from ${from} to ${to}${unit === '' ? '' : ` ${unit}`}.`,
            where,
          )
    }
    case 'one':
      return amongst(label, Object.keys(takes.of), value, where)
    case 'named':
      return ids === null ? acceptText(label, 100, value, where) : amongst(label, ids, value, where)
    case 'written': {
      if (typeof value !== 'string')
        return refuse('outside', `${label} takes a text such as “${takes.example}”.`, where)
      const read = takes.read(value)
      return read.ok ? read : refuse(read.refusal.code, read.refusal.message, where)
    }
  }
}

function acceptText(label: string, longest: number, value: unknown, where: string): Result<Value> {
  if (typeof value !== 'string' || value.trim() === '')
    return refuse('outside', `${label} takes a text.`, where)
  if (value.length > longest)
    return refuse('outside', `${label} has ${value.length} characters; ${longest} fit.`, where)
  return ok(value)
}

function amongst(label: string, known: readonly string[], value: unknown, where: string): Result<Value> {
  if (known.some((one) => one === value)) return ok(value as string)
  const few = known.length > 12 ? `${known.slice(0, 12).join(', ')} and others` : known.join(', ')
  const message = known.length === 0 ? `${label}: there is nothing to choose yet.` : `${label} takes ${few}.`
  return refuse('outside', message, where)
}

/** "24-70", "24–70 mm" or "50" into the plain spelling; refuses a range that stands upside down. */
function readFocal(typed: string): Result<string> {
  const found = /^(\d{1,4}(?:\.\d)?)(?:[-–](\d{1,4}(?:\.\d)?))?(?:mm)?$/.exec(typed.replace(/\s+/g, ''))
  const [short = 0, long = short] = (found?.slice(1) ?? []).flatMap((part) => (part ? [Number(part)] : []))
  if (!found || short < 1 || long < 1)
    return refuse('outside', `“${typed}” is no focal length; write 50 or 24-70, in millimetres.`)
  if (short > long)
    return refuse(
      'reversed',
      `${short}-${long} stands upside down: write the short end first, ${long}-${short}.`,
    )
  return ok(short === long ? String(short) : `${short}-${long}`)
}

function readAperture(typed: string): Result<string> {
  const read = readMark('aperture', typed)
  if (read.ok) return read
  // Half stops are engraved on lenses, too.
  const half = readMark('apertureHalf', typed)
  if (half.ok) return half
  const last = ladders.aperture.at(-1)?.mark ?? ''
  return refuse('outside', `“${typed}” is no aperture; write f/2.8. They run from f/0.95 to ${last}.`)
}

/** The name of a file: one part of a path. */
function readName(typed: string): Result<string> {
  const read = plainPath(typed)
  return read.ok && read.value.includes('/')
    ? refuse('outside', `“${typed}” is a path; write the name alone, such as SETTINGS.DAT.`)
    : read
}

function readFirmware(typed: string): Result<string> {
  const found = /^v?(\d{1,3})\.(\d{1,3})$/i.exec(typed.trim())
  return found
    ? ok(`${Number(found[1])}.${Number(found[2])}`)
    : refuse('outside', `“${typed}” is no firmware version; write it as the menu shows it, such as 1.2.`)
}
