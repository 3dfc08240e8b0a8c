import { type handFacts, ownerRow, rowValue } from '../plan/rows'
import type { Plan } from '../plan/plan'

/** One move of hand or mind, with the time it takes. */
export interface Operator {
  readonly id: (typeof handFacts)[number]
  readonly words: string
  /** Seconds, where the owner has measured nothing. */
  readonly seconds: number
  readonly source: string
}

/**
 * The moves a path is made of. The times are those of the keystroke-level model (Card, Moran and Newell 1980: K 0.28 s
 * for an average hand, H 0.40 s, M 1.35 s); a turn of a dial is not in it and reckoned as two keystrokes. What the eye and the film lose is not in it either.
 */
export const operators: readonly Operator[] = [
  { id: 'press', words: 'press', seconds: 0.28, source: 'keystroke-level model, K' },
  { id: 'turn', words: 'turn', seconds: 0.56, source: 'two K; not in the model' },
  { id: 'reach', words: 'move a finger', seconds: 0.2, source: 'half of H' },
  { id: 'look', words: 'look for it', seconds: 1.35, source: 'keystroke-level model, M' },
  { id: 'leave', words: 'let go and take hold again', seconds: 0.8, source: 'two H' },
  { id: 'away', words: 'eye off the finder and back', seconds: 1.35, source: 'one M; not in the model' },
  { id: 'gap', words: 'a gap in the recording', seconds: 10, source: 'our own; not in the model' },
]

/** Seconds by operator. */
export type Times = Readonly<Record<Operator['id'], number>>

/** The times a plan reckons with: the owner's own where they were measured. */
export function timesOf(plan: Plan): Times {
  const pairs = operators.map(
    ({ id, seconds }) => [id, rowValue(plan.rows, ownerRow(id)) ?? seconds] as const,
  )
  return Object.fromEntries(pairs) as Times
}

/** What an owner's fingers do. */
export interface Fingers {
  /** Those that may work keys; null where nothing is said, and all do. */
  readonly work: readonly string[] | null
  /** Whether the left hand carries the lens, so that it has to let go for keys that are not on it. */
  readonly leftHolds: boolean
}

/** What the fingers do, as the owner has it. */
export function fingersOf(plan: Plan): Fingers {
  const said = rowValue(plan.rows, ownerRow('fingers'))
  const leftHolds = rowValue(plan.rows, ownerRow('leftHand')) === 'lens'
  return { work: Array.isArray(said) ? (said as readonly string[]) : null, leftHolds }
}
