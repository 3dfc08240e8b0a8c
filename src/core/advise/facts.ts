import { lampsOver } from '../banks/asked'
import type { Place } from '../known/known'
import type { BodyModel } from '../model/types'
import { ladderSteps } from '../model/domain'
import { lookup } from '../model/lookup'
import { resultOf } from '../numbers/ask'
import type { Known } from '../numbers/given'
import type { Plan } from '../plan/plan'
import { situationName, workOf, type Work } from '../plan/situations'
import { apertureIn, shutterIn } from '../resolve/exposure'
import { valueMeaning } from '../resolve/meaning'
import type { Resolution } from '../resolve/resolved'
import { workTable } from '../vocabulary/work'
import { opened } from './fact-forms'

/** A fact as it is known: which of its values, and who says so. */
export interface FactKnown {
  readonly value: string
  readonly from: string
}

/** The facts of a place, as far as work, plan, cards and owner say them. */
export function factsIn(
  model: BodyModel,
  plan: Plan,
  place: Place,
  state: Resolution,
  known: Known,
): Readonly<Record<string, FactKnown>> {
  const work = place.situation === null ? {} : workOf(plan, place.situation)
  const from = place.situation === null ? '' : situationName(plan, place.situation)
  const said = workTable
    .filter(({ takes }) => takes === 'one')
    .flatMap(({ id }) => {
      const value = work[id as keyof Work]
      return typeof value === 'string' ? [[id, { value, from }] as const] : []
    })
  const { side } = place.column
  const files = valueMeaning(model, state, 'image.kind')
  const curve = valueMeaning(model, state, 'movie.profile')
  const written = side === 'motion' ? curve : files
  const isNarrow = side === 'motion' ? written?.value === 'normal' : written?.value === 'finished'
  const follows = valueMeaning(model, state, 'exposure.meterFollowsSubject')
  return Object.fromEntries<FactKnown>([
    ...said,
    ...ranged(work, from),
    ...exposed(model, plan, state, work),
    ...burstOf(model, state, known),
    ...(files ? [['files', { value: String(files.value), from: files.setting.label }] as const] : []),
    ...(curve ? [['profile', { value: String(curve.value), from: curve.setting.label }] as const] : []),
    ...(written
      ? [['latitude', { value: isNarrow ? 'narrow' : 'wide', from: written.setting.label }] as const]
      : []),
    ...(typeof follows?.value === 'boolean'
      ? [['meterFollows', { value: follows.value ? 'yes' : 'no', from: follows.setting.label }] as const]
      : []),
    ...cardOf(known),
    ['side', { value: side, from: place.name }],
  ])
}

type Entry = readonly [id: string, known: FactKnown]

function ranged({ light, hours, delivery, opens }: Work, from: string): Entry[] {
  const [dark, bright] = light ?? []
  const facts: Entry[] = [['delivery', { value: delivery === undefined ? 'unknown' : 'known', from }]]
  if (dark !== undefined && bright !== undefined)
    facts.push(['light', { value: dark < 6 ? 'dark' : bright >= 11 ? 'bright' : 'middle', from }])
  if (hours !== undefined) facts.push(['hours', { value: hours >= 6 ? 'long' : 'short', from }])
  if (opens !== undefined)
    for (const [id] of opened) facts.push([`opens-${id}`, { value: opens.includes(id) ? 'yes' : 'no', from }])
  return facts
}

function exposed(model: BodyModel, plan: Plan, state: Resolution, work: Work): Entry[] {
  const [shutter, aperture] = [shutterIn(model, state), apertureIn(model, state)]
  const facts: Entry[] = []
  const domain = lookup(model).byMeaning.get('exposure.shutter')?.domain
  const still = work.lamps === 'none' || work.lamps === 'steady'
  if (still) facts.push(['pulses', { value: 'none', from: 'the lamps of the situation' }])
  if (shutter?.by === 'owner') {
    const { amount, mark } = shutter
    const time = amount <= 0.00101 ? 'short' : amount < 0.0049 ? 'usual' : amount <= 0.0667 ? 'shock' : 'long'
    facts.push(['time', { value: time, from: mark }])
    const lamps =
      still || domain?.kind !== 'ladder' ? null : lampsOver(model, plan, state, amount, ladderSteps(domain))
    if (!still)
      facts.push([
        'pulses',
        lamps?.known
          ? { value: lamps.whole ? 'whole' : 'part', from: `${mark}, lamps ${lamps.source}` }
          : { value: 'unknown', from: 'nobody says how often the lamps pulse' },
      ])
  }
  if (aperture?.by === 'owner')
    facts.push(['aperture', { value: aperture.amount <= 2.8 ? 'wide' : 'narrow', from: aperture.mark }])
  return facts
}

function burstOf(model: BodyModel, state: Resolution, known: Known): Entry[] {
  const mode = valueMeaning(model, state, 'drive.mode')
  if (mode?.value !== 'burst') return mode ? [['burst', { value: 'none', from: mode.setting.label }]] : []
  const full = resultOf('burst', 'full', known)
  const stalls = full !== null && full.least !== null
  return [
    [
      'burst',
      { value: stalls ? 'stalls' : 'asked', from: full ? `full after ${full.words}` : mode.setting.label },
    ],
  ]
}

/** Whether the card would keep up with whole frames, reckoned as four times the bitrate. */
function cardOf(known: Known): Entry[] {
  const spare = resultOf('film-card', 'spare', known)
  if (spare === null || spare.least === null) return []
  return [
    ['card', { value: spare.least >= 4 ? 'fast' : 'slow', from: `the card has ${spare.words} the bitrate` }],
  ]
}
