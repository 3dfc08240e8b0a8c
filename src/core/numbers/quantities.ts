import { ok, refuse, type Result } from '../result'
import { ladders } from '../vocabulary/ladders'
import { exactly, isRange, type Span } from './span'

/** What an amount counts, how it is written, and from where to where it makes sense. */
export interface Quantity {
  /** What it is called in a refusal: "an f-number". */
  readonly noun: string
  /** What stands before and after the amount: `ISO 400`, `64 GB`. */
  readonly before?: string
  readonly unit: string
  /** Other ways to write the unit, in small letters, and how much of it each is. */
  readonly units: Readonly<Record<string, number>>
  readonly least: number
  readonly most: number
  /** What is said of what lies beyond. */
  readonly beyond?: { readonly below?: string; readonly above?: string }
  readonly example: string
  /** Refused where no unit is written, with this. */
  readonly mustSay?: string
  /** Whether only whole amounts are taken. */
  readonly whole?: true
}

const data =
  'Write Mbit/s or MB/s: a byte has eight bits, so one is eight times the other (280 Mbit/s = 35 MB/s).'

/** Every quantity that figures are asked in, and answer in. */
export const quantities = {
  ev: {
    noun: 'a brightness in EV',
    before: 'EV ',
    unit: '',
    units: { ev: 1 },
    least: -6,
    most: 18,
    beyond: {
      below: 'EV −6 is starlight: darker is not photographed',
      above: 'EV 18 is sun on snow: nothing is brighter',
    },
    example: 'EV 5',
  },
  stops: {
    noun: 'a number of stops',
    unit: 'stops',
    units: { stop: 1, stops: 1, ev: 1 },
    least: -30,
    most: 30,
    example: '2 stops',
  },
  aperture: {
    noun: 'an f-number',
    before: 'f/',
    unit: '',
    units: {},
    least: 0.5,
    most: 128,
    example: 'f/2.8',
  },
  time: {
    noun: 'a shutter speed',
    unit: 's',
    units: { s: 1, sec: 1, '"': 1, ms: 0.001, min: 60 },
    least: 1 / 128_000,
    most: 7200,
    example: '1/200',
  },
  iso: {
    noun: 'an ISO speed',
    before: 'ISO ',
    unit: '',
    units: {},
    least: 1,
    most: 10_000_000,
    example: 'ISO 800',
  },
  millimetres: {
    noun: 'a length in millimetres',
    unit: 'mm',
    units: { mm: 1, cm: 10 },
    least: 0.0001,
    most: 5000,
    example: '50 mm',
  },
  metres: {
    noun: 'a distance in metres',
    unit: 'm',
    units: { m: 1, cm: 0.01, mm: 0.001, km: 1000 },
    least: 0.001,
    most: 100_000,
    example: '3 m',
  },
  speed: {
    noun: 'a speed in metres a second',
    unit: 'm/s',
    units: { 'm/s': 1, 'km/h': 1 / 3.6 },
    least: 0.001,
    most: 1000,
    example: '2 m/s',
  },
  rate: {
    noun: 'a frame rate',
    unit: 'p',
    units: { p: 1, fps: 1, '/s': 1 },
    least: 0.1,
    most: 2000,
    example: '25p',
  },
  perSecond: {
    noun: 'a rate in pictures a second',
    unit: '/s',
    units: { '/s': 1, fps: 1, 'a second': 1 },
    least: 0.01,
    most: 1000,
    example: '10/s',
  },
  degrees: {
    noun: 'an angle in degrees',
    unit: '°',
    units: { '°': 1, deg: 1, degrees: 1 },
    least: 1,
    most: 360,
    beyond: { above: 'a shutter is open for 360° at most: the whole of a frame' },
    example: '180°',
  },
  hertz: {
    noun: 'a frequency',
    unit: 'Hz',
    units: { hz: 1, khz: 1000 },
    least: 1,
    most: 200_000,
    example: '214 Hz',
  },
  megabytes: {
    noun: 'a file size',
    unit: 'MB',
    units: { mb: 1, kb: 0.001, gb: 1000 },
    least: 0.01,
    most: 100_000,
    example: '24-38 MB',
  },
  gigabytes: {
    noun: 'a card’s size',
    unit: 'GB',
    units: { gb: 1, tb: 1000, mb: 0.001 },
    least: 0.01,
    most: 1_000_000,
    example: '128 GB',
  },
  megabytesPerSecond: {
    noun: 'a write rate',
    unit: 'MB/s',
    units: { 'MB/s': 1, 'GB/s': 1000, 'mbit/s': 1 / 8, mbps: 1 / 8, 'gbit/s': 125 },
    least: 0.01,
    most: 100_000,
    example: '90 MB/s',
    mustSay: data,
  },
  megabitsPerSecond: {
    noun: 'a bitrate',
    unit: 'Mbit/s',
    units: { 'mbit/s': 1, mbps: 1, 'gbit/s': 1000, 'MB/s': 8, 'GB/s': 8000, 'kbit/s': 0.001 },
    least: 0.01,
    most: 800_000,
    example: '280 Mbit/s',
    mustSay: data,
  },
  count: { noun: 'a number', unit: '', units: {}, least: 0, most: 10_000_000, example: '600', whole: true },
  percent: {
    noun: 'a share in percent',
    unit: '%',
    units: { '%': 1, percent: 1 },
    least: 0,
    most: 100,
    example: '20-40 %',
  },
  factor: {
    noun: 'a factor',
    unit: '×',
    units: { '×': 1, x: 1, times: 1 },
    least: 1,
    most: 1000,
    beyond: { below: 'a crop cannot be below 1: no picture is larger than the sensor' },
    example: '1.5 ×',
  },
  times: { noun: 'a factor', unit: '×', units: { '×': 1, x: 1 }, least: 0, most: 1_000_000, example: '4 ×' },
  pixels: {
    noun: 'a width in pixels',
    unit: 'px',
    units: { px: 1, pixels: 1 },
    least: 1,
    most: 100_000,
    example: '3840 px',
    whole: true,
  },
  hours: {
    noun: 'a time in hours',
    unit: 'h',
    units: { h: 1, hours: 1, min: 1 / 60 },
    least: 0,
    most: 168,
    example: '6 h',
  },
  minutes: {
    noun: 'a time in minutes',
    unit: 'min',
    units: { min: 1, minutes: 1, h: 60, s: 1 / 60 },
    least: 0,
    most: 100_000,
    example: '40 min',
  },
  seconds: {
    noun: 'a time in seconds',
    unit: 's',
    units: { s: 1, sec: 1, min: 60, h: 3600 },
    least: 0,
    most: 1_000_000,
    example: '10 s',
  },
  decibels: {
    noun: 'a level in dBFS',
    unit: 'dBFS',
    units: { dbfs: 1, db: 1 },
    least: -96,
    most: 0,
    beyond: { above: 'above 0 dBFS sound is clipped' },
    example: '-18 dBFS',
  },
  gain: { noun: 'a change in dB', unit: 'dB', units: { db: 1 }, least: -96, most: 96, example: '6 dB' },
  wattHours: {
    noun: 'what a battery holds',
    unit: 'Wh',
    units: { wh: 1 },
    least: 0.1,
    most: 1000,
    example: '16 Wh',
  },
  watts: {
    noun: 'what is drawn',
    unit: 'W',
    units: { w: 1, mw: 0.001 },
    least: 0.001,
    most: 200,
    example: '3 W',
  },
} as const satisfies Readonly<Record<string, Quantity>>

/** One of `quantities`. */
export type QuantityId = keyof typeof quantities

/**
 * Reads an amount as photographers write it: "1/200", "f/2", "ISO 800", "25p", "24-38 MB", "20 to 40 %". A range may stand
 * either way round. Refuses what is no amount, has another unit, lacks one that decides, or lies beyond what makes sense.
 */
export function readAmount(id: QuantityId, typed: string): Result<Span> {
  const quantity: Quantity = quantities[id]
  const plain = typed
    .trim()
    .replaceAll('−', '-')
    .replaceAll(/(\d)\s(?=\d{3}\b)/g, '$1')
  if (/\d,\d{3}\b/.test(plain))
    return refuse('unclear', `“${typed}” may be a thousand or a decimal comma: write it without one.`)
  const parts = plain
    .replaceAll(',', '.')
    .replaceAll(prefixes[id] ?? /^/g, '')
    .trim()
    .split(between)
  if (plain === '' || parts.length > 2 || parts.some((part) => part.trim() === ''))
    return refuse('no-amount', `“${typed}” is not ${quantity.noun}; write ${quantity.example}.`)
  const last = unitIn(parts.at(-1) ?? '')
  const amounts: number[] = []
  for (const part of parts) {
    const one = readOne(id, unitIn(part) === '' && parts.length > 1 ? `${part} ${last}` : part, typed)
    if (!one.ok) return one
    amounts.push(one.value)
  }
  amounts.sort((one, two) => one - two)
  return ok([amounts[0] ?? 0, amounts.at(-1) ?? 0])
}

/** What stands between the ends of a range: "to", two dots, a dash that is no sign of its own. */
const between = /\s*(?:–|\.\.|\bto\b)\s*|(?<=[\d"'%°a-zA-Z×])\s*-\s*(?=-?[\d.])/i

function unitIn(part: string): string {
  return /[\d.]\s*([^\d.\s/-].*|\/s)$/.exec(part.trim())?.[1] ?? ''
}

function readOne(id: QuantityId, part: string, typed: string): Result<number> {
  const quantity: Quantity = quantities[id]
  const wrong = () =>
    refuse<number>('no-amount', `“${typed}” is not ${quantity.noun}; write ${quantity.example}.`)
  const bare = part.trim()
  const found = /^([+-]?\d*\.?\d+)(?:\/(\d*\.?\d+))?\s*(.*)$/.exec(bare)
  if (!found) return wrong()
  const [, above = '', below, written = ''] = found
  if (below !== undefined && (id !== 'time' || Number(below) === 0)) return wrong()
  const units = quantity.units
  const unit = written.trim()
  if (unit === '' && quantity.mustSay !== undefined)
    return refuse('unclear', `“${typed}”: ${quantity.mustSay}`)
  if (unit === '' && id === 'time' && below === undefined && Number(above) > 30)
    return refuse(
      'unclear',
      `“${typed}” may be 1/${above} or ${above} seconds: write 1/${above}, or ${above} s.`,
    )
  // A small or a large b decides between bits and bytes, so it is taken as it is written.
  if (/^[mgk]b\/s$/i.test(unit) && !Object.hasOwn(units, unit))
    return refuse('unclear', `“${typed}”: ${quantity.mustSay ?? `write ${quantity.example}.`}`)
  const spelled = Object.keys(units).find((one) => one === unit || one === unit.toLowerCase())
  if (unit !== '' && spelled === undefined)
    return refuse('other-unit', `“${typed}” is not ${quantity.noun}; write ${quantity.example}.`)
  const amount = (Number(above) / Number(below ?? 1)) * (spelled === undefined ? 1 : (units[spelled] ?? 1))
  return within(quantity, amount, typed)
}

function within(quantity: Quantity, amount: number, typed: string): Result<number> {
  const { least, most, beyond, noun, whole } = quantity
  if (whole && !Number.isInteger(amount)) return refuse('no-amount', `“${typed}” is no whole number.`)
  if (amount < least)
    return refuse(
      'beyond',
      `“${typed}”: ${beyond?.below ?? `${noun} is at least ${inUnit(quantity, least)}`}.`,
    )
  if (amount > most)
    return refuse('beyond', `“${typed}”: ${beyond?.above ?? `${noun} is at most ${inUnit(quantity, most)}`}.`)
  return ok(amount)
}

/** Letters that may stand before an amount. */
const prefixes: Readonly<Partial<Record<QuantityId, RegExp>>> = {
  ev: /\bev\b/gi,
  aperture: /f\s*\/?/gi,
  iso: /iso/gi,
}

function inUnit({ before = '', unit }: Quantity, amount: number): string {
  return `${before}${plainAmount(amount)}${glued.has(unit) || unit === '' ? unit : ` ${unit}`}`
}

const glued: ReadonlySet<string> = new Set(['p', '/s', '°', '"'])

/** An amount as photographers write it: "1/250", "f/4", "ISO 800", "25p", "1.3 stops", "64 GB". */
export function showAmount(id: QuantityId, amount: number): string {
  const [before, text, after] = written(id, amount)
  return `${before}${text}${after}`
}

/** A range with its unit once: "24–38 MB", "1/50–1/25"; what has no end is told in the words given: "never". */
export function showSpan(id: QuantityId, span: Span, endless = 'without end'): string {
  const [least, most] = span
  if (!Number.isFinite(least)) return endless
  if (!isRange(span)) return showAmount(id, least)
  if (!Number.isFinite(most)) return `${showAmount(id, least)} or more, or ${endless}`
  const [one, two] = [written(id, least), written(id, most)]
  if (one.join('') === two.join('')) return one.join('')
  const [first, last] = [
    `${one[0]}${one[1]}${one[2] === two[2] ? '' : one[2]}`,
    `${two[0] === one[0] ? '' : two[0]}${two[1]}${two[2]}`,
  ]
  return least < 0 ? `${first} to ${last}` : `${first}–${last}`
}

type Written = readonly [before: string, text: string, after: string]

function written(id: QuantityId, amount: number): Written {
  if (id === 'time') return timeWritten(amount)
  const { before = '', unit }: Quantity = quantities[id]
  if (id === 'aperture') return [before, String(Math.round(amount * 10) / 10), '']
  if (id === 'iso' || id === 'count' || id === 'pixels')
    return [before, grouped(Math.round(amount)), unit === '' ? '' : ` ${unit}`]
  const text = plainAmount(amount)
  const one = id === 'stops' && Math.abs(Number(text)) === 1 ? 'stop' : unit
  return [before, text.replace('-', '−'), one === '' || glued.has(one) ? one : ` ${one}`]
}

/** A time by its mark where it is one, else "1/128", "0.4 s", "2 min 30 s". */
function timeWritten(seconds: number): Written {
  const mark = ladders.shutter.find((step) => Math.abs(step.amount / seconds - 1) < 1e-6)?.mark
  if (mark !== undefined) return mark.endsWith('"') ? ['', mark.slice(0, -1), ' s'] : ['', mark, '']
  if (seconds < 0.28) {
    const below = 1 / seconds
    return ['', `1/${grouped(below < 100 ? Math.round(below * 10) / 10 : Math.round(below))}`, '']
  }
  return ['', plainAmount(seconds), ' s']
}

/** To three figures, without zeros behind: 1250, 12.5, 1.25, 0.013. */
export function plainAmount(amount: number): string {
  const size = Math.abs(amount)
  if (size === 0) return '0'
  const places =
    size >= 100 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : Math.min(8, 1 - Math.floor(Math.log10(size)))
  return grouped(Number(amount.toFixed(places)))
}

/** A number with a narrow space at the thousands from ten thousand on. */
function grouped(amount: number): string {
  const text = String(amount)
  return Math.abs(amount) < 10_000 || !Number.isInteger(amount)
    ? text
    : text.replaceAll(/(\d)(?=(?:\d{3})+$)/g, '$1\u202f')
}

/** The amounts of a quantity as a person would type them, to be read back: "1/50", "24-38 MB". */
export function typedAmount(id: QuantityId, span: Span): string {
  const one = (amount: number) => {
    const { unit, before = '' }: Quantity = quantities[id]
    if (id === 'time') {
      const mark = ladders.shutter.find((step) => Math.abs(step.amount / amount - 1) < 1e-6)?.mark
      return mark?.replace('"', ' s') ?? `${Number(amount.toPrecision(6))} s`
    }
    return `${before}${Number(amount.toPrecision(6))}${glued.has(unit) || unit === '' ? unit : ` ${unit}`}`
  }
  return isRange(span) ? `${one(span[0])} to ${one(span[1])}` : one(exactly(span[0])[0])
}
