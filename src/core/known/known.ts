import { burstIn } from '../banks/burst'
import { lampPulses } from '../banks/asked'
import { columnsOf, type Column } from '../banks/columns'
import { showValue } from '../model/domain'
import type { BodyModel, LensModel, Side } from '../model/types'
import type { Known, Said } from '../numbers/given'
import { typedAmount, type QuantityId } from '../numbers/quantities'
import type { Plan } from '../plan/plan'
import { cardRow, ownerRow, rowValue, type OwnerFact } from '../plan/rows'
import { situationName, situationSide, situationSlot, situationsOf, workOf } from '../plan/situations'
import { apertureIn, captureRateIn, angleIn, isoIn, shutterIn, type ExposurePart } from '../resolve/exposure'
import { valueMeaning } from '../resolve/meaning'
import type { Resolution, StateIn } from '../resolve/resolved'
import { stepOf } from '../vocabulary/ladders'
import { sameValue } from '../vocabulary/values'

/** Where figures are asked: in base or a bank, and for a situation that is shot with it; null for none. */
export interface Place {
  readonly column: Column
  readonly situation: string | null
  readonly name: string
}

/** Every place of a plan where figures may be asked: its situations first, then base and banks. */
export function placesOf(model: BodyModel, plan: Plan, lenses: readonly LensModel[]): Place[] {
  const columns = columnsOf(model, plan, lenses, true)
  const situations = situationsOf(plan).flatMap((id): Place[] => {
    const [side, slot] = [situationSide(model, plan, id), situationSlot(plan, id)]
    const wanted = slot === null ? `base ${side}` : `${slot.family}/${slot.slot}`
    const column = columns.find((one) => one.id === wanted && one.side === side)
    return column ? [{ column, situation: id, name: situationName(plan, id) }] : []
  })
  return [...situations, ...columns.map((column) => ({ column, situation: null, name: columnName(column) }))]
}

/** The name that a place is asked for by: the id of its situation, or of its column. */
export function placeId({ situation, column }: Place): string {
  return situation ?? column.id
}

function columnName({ kind, name, side }: Column): string {
  return kind === 'base' ? `Base, ${side}` : name
}

/**
 * What a plan with its owner's inventory says in a place. Only what is settled: a time, an aperture or an ISO that the
 * camera chooses is not known, nor is a card nobody has described.
 */
export function knownAt(model: BodyModel, plan: Plan, place: Place, stateIn: StateIn): Known {
  const state = stateIn(place.column.context)
  const name = columnName(place.column)
  return Object.fromEntries(
    [
      ...exposureFacts(model, state, name),
      ...filmFacts(model, plan, state, place.column.side, name),
      ...pictureFacts(model, state, place.column.side, name),
      ...slotFacts(model, plan, state),
      ...lensFacts(model, state, place.column),
      ...ownerFacts(plan),
      ...workFacts(plan, place),
      ...bodyFacts(model),
    ].flatMap((one) => (one === null ? [] : [one])),
  )
}

/** The place of that name, of its situation or its column; where none is named, the one of which most is said. */
export function placeNamed(plan: Plan, places: readonly Place[], id: string | null): Place | undefined {
  const said = ({ situation }: Place) =>
    situation === null ? 0 : Object.keys(workOf(plan, situation)).length
  const most = places.reduce<Place | undefined>(
    (best, one) => (best && said(best) >= said(one) ? best : one),
    undefined,
  )
  return places.find((one) => placeId(one) === id) ?? most
}

type Fact = readonly [name: string, said: Said] | null

function fact(
  name: string,
  quantity: QuantityId,
  amount: number | readonly [number, number],
  from: string,
): Fact {
  const span = typeof amount === 'number' ? ([amount, amount] as const) : amount
  return [name, { typed: typedAmount(quantity, span), from }]
}

function chosen(name: string, typed: string | undefined, from: string): Fact {
  return typed === undefined ? null : [name, { typed, from }]
}

/** Time, aperture and ISO as their owner set them, the limits of auto ISO, and the mode. */
function exposureFacts(model: BodyModel, state: Resolution, from: string): Fact[] {
  const own = (name: string, quantity: QuantityId, part: ExposurePart | null) =>
    part?.by === 'owner' ? fact(name, quantity, part.amount, from) : null
  const mark = (name: string, means: string, ladder: 'iso' | 'shutter', quantity: QuantityId) => {
    const step = stepOf(ladder, valueMeaning(model, state, means)?.value)
    return step ? fact(name, quantity, step.amount, from) : null
  }
  const mode = String(valueMeaning(model, state, 'exposure.mode')?.value)
  const shutter = shutterIn(model, state)
  const isByCamera = shutter?.by === 'camera'
  return [
    own('exposure.aperture', 'aperture', apertureIn(model, state)),
    own('exposure.shutter', 'time', shutter),
    own('exposure.iso', 'iso', isoIn(model, state)),
    mark('exposure.isoFloor', 'exposure.isoAutoFloor', 'iso', 'iso'),
    mark('exposure.isoCap', 'exposure.isoAutoCeiling', 'iso', 'iso'),
    isByCamera
      ? mark('exposure.slowest', 'exposure.minimumShutter', 'shutter', 'time')
      : own('exposure.slowest', 'time', shutter),
    chosen(
      'exposure.mode',
      { manual: 'manual', 'aperture-first': 'aperture', 'shutter-first': 'shutter', 'full-auto': 'program' }[
        mode
      ],
      from,
    ),
  ]
}

/** Rate, angle, format, profile and zebra of a film; the lamps over it. */
function filmFacts(model: BodyModel, plan: Plan, state: Resolution, side: Side, from: string): Fact[] {
  const [lamp, other] = lampPulses(model, plan, state)
  const lamps =
    lamp && !other
      ? [
          chosen('lamp.counted', 'pulses', lamp.source),
          fact('lamp.frequency', 'hertz', lamp.perSecond, lamp.source),
        ]
      : []
  if (side !== 'motion') return lamps
  const rate = captureRateIn(model, state)
  const angle = angleIn(model, state)
  const [size, profile, zebra] = ['movie.size', 'movie.profile', 'assist.zebraLevel'].map((means) =>
    valueMeaning(model, state, means),
  )
  const hz = { r50: 50, r60: 60 }[String(valueMeaning(model, state, 'movie.region')?.value)]
  const format = model.cards.movieFormats.find(
    (one) =>
      one.size === size?.value &&
      rate !== null &&
      one.rates.includes(rate.mark) &&
      (hz === undefined || one.regionHz === undefined || one.regionHz === hz),
  )
  const words =
    size && format
      ? `${showValue(size.setting.domain, size.value)}, ${rate?.mark ?? ''}, ${format.codec}`
      : ''
  return [
    ...lamps,
    rate ? fact('film.rate', 'rate', rate.framesPerSecond, from) : null,
    angle ? fact('film.angle', 'degrees', angle.degrees, from) : null,
    format ? fact('film.bitrate', 'megabitsPerSecond', format.rateMbps, words) : null,
    chosen('film.curve', profile && String(profile.value), from),
    typeof zebra?.value === 'number' ? fact('film.zebra', 'percent', zebra.value, from) : null,
  ]
}

/** Size of a picture, the burst and its buffer. */
function pictureFacts(model: BodyModel, state: Resolution, side: Side, from: string): Fact[] {
  const [kind, raw] = ['image.kind', 'image.rawKind'].map((means) => valueMeaning(model, state, means))
  const megabytes = raw && kind?.value === 'raw' ? model.cards.rawMegabytes[String(raw.value)] : undefined
  const size = megabytes
    ? fact('file.size', 'megabytes', megabytes, raw ? showValue(raw.setting.domain, raw.value) : from)
    : null
  const burst = side === 'stills' ? burstIn(model, state) : null
  if (!burst) return [size]
  return [
    size,
    fact(
      'burst.rate',
      'perSecond',
      Math.min(burst.asked, burst.most ?? burst.asked),
      `${burst.shutter}, ${burst.files}`,
    ),
    fact('burst.buffer', 'count', burst.frames, `the body’s buffer, ${burst.files}`),
  ]
}

/** Cards as the owner has them, slot by slot, and what the second is for. */
function slotFacts(model: BodyModel, plan: Plan, state: Resolution): Fact[] {
  const [role] = [valueMeaning(model, state, 'cards.second')]
  const cards = model.cards.slots.slice(0, 2).flatMap(({ id, name, ceilingMBps }, i): Fact[] => {
    const [size, rate] = [rowValue(plan.rows, cardRow(id, 'size')), rowValue(plan.rows, cardRow(id, 'rate'))]
    const behind = i === 0 ? '' : '.second'
    const from = model.cards.slots.length > 1 ? `card in the slot ${name}` : 'your card'
    return [
      typeof size === 'number' ? fact(`card.size${behind}`, 'gigabytes', size, from) : null,
      typeof rate === 'number' ? fact(`card.rate${behind}`, 'megabytesPerSecond', rate, from) : null,
      i === 0 ? fact('slot.rate', 'megabytesPerSecond', ceilingMBps, `the body’s slot ${name}`) : null,
    ]
  })
  return [
    ...cards,
    role ? chosen('slot.role', String(role.value), role.setting.label) : null,
    fact('files.perFolder', 'count', model.cards.files.perFolder, 'the body’s folders'),
  ]
}

function lensFacts(model: BodyModel, state: Resolution, { context, side }: Column): Fact[] {
  const { lens } = context
  const cut = model.sensor.crops.find(
    ({ setting, value }) =>
      sameValue(state.settings.get(setting)?.value, value) &&
      setting.startsWith('movie.') === (side === 'motion'),
  )
  const narrowest = stepOf('aperture', lens.narrowest)
  return [
    fact('lens.focal', 'millimetres', lens.focalMm, lens.name),
    narrowest ? fact('lens.narrowest', 'aperture', narrowest.amount, lens.name) : null,
    cut ? fact('sensor.crop', 'factor', cut.factor, 'the crop in force') : null,
  ]
}

/** What the owner says of themselves and of their work. */
function ownerFacts(plan: Plan): Fact[] {
  const number = (name: OwnerFact, quantity: QuantityId) => {
    const value = rowValue(plan.rows, ownerRow(name))
    return typeof value === 'number' ? fact(`owner.${name}`, quantity, value, 'you') : null
  }
  const peaks = rowValue(plan.rows, ownerRow('peaks'))
  const band = typeof peaks === 'string' ? peaks.split(' to ').map(Number) : []
  const [low, high] = band
  return [
    number('handheldStops', 'stops'),
    number('playedRate', 'rate'),
    low !== undefined && high !== undefined ? fact('owner.peaks', 'decibels', [low, high], 'you') : null,
  ]
}

function workFacts(plan: Plan, { situation }: Place): Fact[] {
  const width = rowValue(plan.rows, ownerRow('deliveryWidth'))
  const delivered = typeof width === 'number' ? fact('work.delivery', 'pixels', width, 'you') : null
  if (situation === null) return [delivered]
  const [work, from] = [workOf(plan, situation), situationName(plan, situation)]
  return [
    work.light ? fact('work.light', 'ev', work.light, from) : null,
    work.hours === undefined ? null : fact('work.hours', 'hours', work.hours, from),
    work.pictures === undefined ? null : fact('work.pictures', 'count', work.pictures, from),
    work.filmed === undefined ? null : fact('work.filmed', 'minutes', work.filmed, from),
    work.delivery === undefined ? delivered : fact('work.delivery', 'pixels', work.delivery, from),
  ]
}

function bodyFacts({ sensor, focus, name }: BodyModel): Fact[] {
  return [
    fact('sensor.width', 'pixels', sensor.pixels[0], name),
    fact('focus.columns', 'count', focus.columns, name),
    fact('focus.rows', 'count', focus.rows, name),
  ]
}
