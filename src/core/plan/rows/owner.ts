import { ok, type Result } from '../../result'
import type { RowId } from '../../sync/step'
import type { Value } from '../../vocabulary/values'
import { rowId } from './id'
import { plainValue, unknownPart, type Invalidated, type RowKind, type RowStation } from './kind'
import { takesNumber, takesOneOf, takesSome, takesTruth } from './takes'

/** The moves of hand, eye and mind that have a time; see reach/operators. */
export const handFacts = ['press', 'turn', 'reach', 'look', 'leave', 'away', 'gap'] as const

/** What a suggestion weighs besides those; see suggest/weights. */
export const weightFacts = ['urgent', 'habit', 'line', 'bump', 'sides', 'bodies', 'fails'] as const

/**
 * What an owner films for and under: how often measured lamps pulse a second, how wide the film is delivered in pixels,
 * how many frames a second it is played at.
 */
export const workFacts = ['lampPulses', 'deliveryWidth', 'playedRate'] as const

/** The fingers that may work keys; a key of another is not reached. */
export const fingerNames = ['thumb', 'index', 'middle', 'left', 'palm'] as const

/** What has gone wrong by accident, with the words for it. */
export const accidentNames = {
  'wheel-tilted': 'A wheel was tilted while it was turned',
  'dial-turned': 'A dial, ring or strip was turned without meaning it',
  'stick-brushed': 'The stick was brushed, and the AF point was elsewhere',
  'nose-moved': 'The nose moved the AF point',
  'screen-touched': 'The screen was touched',
  'key-pressed': 'A key was pressed without meaning it',
} as const

/** What moves, as `vocabulary/work` has it, for which an owner may know a shutter speed that freezes it: one over so much of a second. */
export const freezeFacts = {
  freezePosed: 'posed',
  freezeTalking: 'talking',
  freezeWalking: 'walking',
  freezeRunning: 'running',
  freezeFastest: 'fastest',
} as const

/** Bands in which an owner keeps the peaks of sound, in dBFS; the second is the usual one. */
export const peakBands = {
  '-18 to -10': 'low, for sound that nobody watches: −18 to −10 dBFS',
  '-10 to -6': 'usual: −10 to −6 dBFS',
  '-12 to -6': 'wide: −12 to −6 dBFS',
  '-6 to -3': 'high, for steady voices: −6 to −3 dBFS',
} as const

type Takes =
  | { readonly kind: 'truth' }
  | { readonly kind: 'number'; readonly from: number; readonly to: number }
  | { readonly kind: 'one'; readonly of: readonly string[] }
  | { readonly kind: 'any'; readonly of: readonly string[] }

interface Fact {
  readonly place: string
  readonly takes: Takes
  readonly anew: Invalidated['what']
  readonly station: RowStation
}

const number = (from: number, to: number): Takes => ({ kind: 'number', from, to })
const told = (place: string, takes: Takes, anew: 'words' | 'needs' = 'words'): Fact => ({
  place,
  takes,
  anew: anew,
  station: 'foundation',
})
const film = (place: string, from: number, to: number): Fact => ({
  place,
  takes: number(from, to),
  anew: 'words',
  station: 'banks',
})
const each = <K extends string>(names: readonly K[], fact: (name: K) => Fact) =>
  Object.fromEntries(names.map((name) => [name, fact(name)])) as Record<K, Fact>

/** What each fact is called, takes and makes to be reckoned anew. */
const table = {
  target: told('Target coverage', number(1, 100), 'needs'),
  gridCounts: told('Function menu in the finder counts', { kind: 'truth' }, 'needs'),
  eye: told('Eye at the finder', { kind: 'one', of: ['right', 'left'] }),
  glasses: told('Glasses at the finder', { kind: 'truth' }),
  leftHand: told('Left hand', { kind: 'one', of: ['free', 'lens'] }, 'needs'),
  fingers: told('Fingers that reach', { kind: 'any', of: fingerNames }, 'needs'),
  accidents: told('What has gone wrong by accident', { kind: 'any', of: Object.keys(accidentNames) }),
  isoNeed: told('ISO used in need only, from', number(50, 1_000_000)),
  peaks: told('Where peaks of sound are to stay', { kind: 'one', of: Object.keys(peakBands) }),
  isoNever: told('ISO that is never wanted', number(50, 1_000_000)),
  handheldStops: told('Stops the stabiliser is good for', number(0, 8)),
  ...each(Object.keys(freezeFacts) as (keyof typeof freezeFacts)[], (name) =>
    told(`Freezes, 1/s: ${freezeFacts[name]}`, number(1, 32_000)),
  ),
  lampPulses: film('Pulses of the lamps a second', 10, 50_000),
  deliveryWidth: film('Width delivered', 320, 16_000),
  playedRate: film('Frames a second played', 10, 240),
  ...each(handFacts, (name) => told(`Measured time: ${name}`, number(0.01, 60), 'needs')),
  ...each(weightFacts, (name) => told(`Weight: ${name}`, number(0, 600))),
} satisfies Record<string, Fact>

/** One fact of the owner: target, hand and eye, accidents, thresholds, times, weights, what is filmed for. */
export type OwnerFact = keyof typeof table

/**
 * What a plan knows of its owner: the target coverage in percent, whether a function menu in the finder counts as done
 * there; eye, fingers, accidents; own thresholds; times measured with a watch in the place of the usual ones; what a
 * suggestion is to weigh, and how much, where the owner sees it otherwise.
 */
export const ownerFacts = Object.keys(table) as OwnerFact[]

/** A fact of the owner. */
export interface OwnerRow {
  readonly kind: 'owner'
  readonly fact: OwnerFact
}

/** The id of a fact of the owner. */
export function ownerRow(fact: OwnerFact): RowId {
  return rowId(`owner/${fact}`)
}

/** From where to where a counted fact of the owner may go: percent, seconds of a move, weights of a suggestion; 0 to 1 for others. */
export function ownerRange(fact: OwnerFact): readonly [number, number] {
  const { takes } = table[fact]
  return takes.kind === 'number' ? [takes.from, takes.to] : [0, 1]
}

export const ownerKind: RowKind<OwnerRow> = {
  kind: 'owner',
  heads: ['owner'],
  form: [
    'owner/<fact>',
    'of the owner: the target coverage in percent; eye, fingers, accidents; own thresholds (ISO, shutter speeds that freeze, stops held by hand); a measured time of one of the hand’s moves; what a suggestion weighs; what is filmed for',
  ],
  parse({ id, parts }) {
    const fact = ownerFacts.find((one) => one === parts.join('/'))
    return fact ? ok({ kind: 'owner', fact }) : unknownPart(id, parts.join('/'))
  },
  id: ({ fact }) => ownerRow(fact),
  accepts: (_model, { fact }, value, id) => takes(table[fact].takes, value, id),
  describe: {
    place: ({ fact }) => table[fact].place,
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: ({ fact }) => ({ what: table[fact].anew }) as Invalidated,
  station: ({ fact }) => table[fact].station,
}

function takes(wanted: Takes, value: unknown, id: string): Result<Value> {
  switch (wanted.kind) {
    case 'truth':
      return takesTruth(value, id)
    case 'one':
      return takesOneOf(wanted.of, value, id)
    case 'number':
      return takesNumber(wanted.from, wanted.to, value, id)
    case 'any':
      return takesSome(wanted.of, 1, value, id)
  }
}
