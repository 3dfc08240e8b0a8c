import { ownerRow, rowValue, type weightFacts } from '../plan/rows'
import type { Plan } from '../plan/plan'

/** Something a suggestion weighs besides the seconds of the hand. */
export interface Weight {
  readonly id: (typeof weightFacts)[number]
  readonly words: string
  readonly unit: 'times' | 'seconds an outing'
  readonly usual: number
}

/** What is weighed, and how much where the owner says nothing; all of it is our own reckoning, and open to change. */
export const weights: readonly Weight[] = [
  { id: 'urgent', words: 'an urgent second counts', unit: 'times', usual: 2 },
  { id: 'habit', words: 'a key that changes what it does', unit: 'seconds an outing', usual: 10 },
  { id: 'line', words: 'a menu cell or line that changes', unit: 'seconds an outing', usual: 3 },
  { id: 'bump', words: 'a function put where the hand bumps it', unit: 'seconds an outing', usual: 10 },
  {
    id: 'sides',
    words: 'a key changed so that stills and motion differ',
    unit: 'seconds an outing',
    usual: 1.5,
  },
  {
    id: 'bodies',
    words: 'a key that does another thing on the other body',
    unit: 'seconds an outing',
    usual: 1.5,
  },
  {
    id: 'fails',
    words: 'a function that works in no bank or lens, in part where it fails in some',
    unit: 'seconds an outing',
    usual: 20,
  },
]

/** The weights a plan reckons with. */
export type Weights = Readonly<Record<Weight['id'], number>>

/** The weights of a plan: the owner's own where given. */
export function weightsOf(plan: Plan): Weights {
  const pairs = weights.map(({ id, usual }) => [id, rowValue(plan.rows, ownerRow(id)) ?? usual] as const)
  return Object.fromEntries(pairs) as Weights
}

/** So that of two arrangements as good as each other the one with fewer changes is taken; seconds a change. */
export const tieBreak = 0.001
