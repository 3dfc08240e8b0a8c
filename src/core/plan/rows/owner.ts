import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesTruth } from './takes'

/** The moves of hand, eye and mind that have a time; see reach/operators. */
export const handFacts = ['press', 'turn', 'reach', 'look', 'leave', 'away', 'gap'] as const

/** What a suggestion weighs besides those; see suggest/weights. */
export const weightFacts = ['urgent', 'habit', 'line', 'bump', 'sides', 'bodies', 'fails'] as const

/**
 * What an owner films for and under: how often measured lamps pulse a second, how wide the film is delivered in pixels,
 * how many frames a second it is played at.
 */
export const workFacts = ['lampPulses', 'deliveryWidth', 'playedRate'] as const

/**
 * What a plan knows of its owner: the target coverage in percent, whether a function menu in the finder counts as done
 * there, times measured with a watch in the place of the usual ones, and what a suggestion is to weigh, and how much,
 * where the owner sees it otherwise.
 */
export const ownerFacts = ['target', 'gridCounts', ...workFacts, ...handFacts, ...weightFacts] as const

/** One of `ownerFacts`. */
export type OwnerFact = (typeof ownerFacts)[number]

/** A fact of the owner. */
export interface OwnerRow {
  readonly kind: 'owner'
  readonly fact: OwnerFact
}

/** The id of a fact of the owner. */
export function ownerRow(fact: OwnerFact): RowId {
  return rowId(`owner/${fact}`)
}

type Sort = 'share' | 'truth' | 'work' | 'hand' | 'weight'

function sortOf(fact: OwnerFact): Sort {
  if (fact === 'target') return 'share'
  if (fact === 'gridCounts') return 'truth'
  if (workFacts.some((one) => one === fact)) return 'work'
  return weightFacts.some((one) => one === fact) ? 'weight' : 'hand'
}

const workWords: Readonly<Record<string, string>> = {
  lampPulses: 'Pulses of the lamps a second',
  deliveryWidth: 'Width delivered',
  playedRate: 'Frames a second played',
}

const workRanges: Readonly<Record<string, readonly [number, number]>> = {
  lampPulses: [10, 50_000],
  deliveryWidth: [320, 16_000],
  playedRate: [10, 240],
}

/** From where to where a fact of the owner may go: percent, seconds of a move, weights of a suggestion. */
export function ownerRange(fact: OwnerFact): readonly [number, number] {
  const sort = sortOf(fact)
  if (sort === 'share') return [1, 100]
  if (sort === 'work') return workRanges[fact] ?? [0, 1]
  return sort === 'weight' ? [0, 600] : [0.01, 60]
}

export const ownerKind: RowKind<OwnerRow> = {
  kind: 'owner',
  heads: ['owner'],
  form: [
    'owner/<fact>',
    'the target coverage in percent; a measured time of one of the hand’s moves; what a suggestion weighs; what is filmed for',
  ],
  parse({ id, parts }) {
    const fact = ownerFacts.find((one) => one === parts.join('/'))
    return fact ? ok({ kind: 'owner', fact }) : unknownPart(id, parts.join('/'))
  },
  id: ({ fact }) => ownerRow(fact),
  accepts(_model, { fact }, value, id) {
    if (sortOf(fact) === 'truth') return takesTruth(value, id)
    const [least, most] = ownerRange(fact)
    const fits = typeof value === 'number' && value >= least && value <= most
    return fits ? ok(value) : refuse('outside', `This row takes a number from ${least} to ${most}.`, id)
  },
  describe: {
    place({ fact }) {
      const sort = sortOf(fact)
      if (sort === 'share') return 'Target coverage'
      if (sort === 'truth') return 'Function menu in the finder counts'
      if (sort === 'work') return workWords[fact] ?? fact
      return sort === 'weight' ? `Weight: ${fact}` : `Measured time: ${fact}`
    },
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: ({ fact }) => ({
    what: sortOf(fact) === 'weight' || sortOf(fact) === 'work' ? 'words' : 'needs',
  }),
  station: ({ fact }) => (sortOf(fact) === 'work' ? 'banks' : 'foundation'),
}
