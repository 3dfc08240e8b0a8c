import type { Instance } from './types'
import type { Solver } from './solver'
import { suggest, suggestOne, type Suggestion } from './suggest'

/** What is told while a trade curve is worked out. */
export type TradeNews =
  /** A better arrangement was found on the way: its cost, and the least there can be as far as is known. */
  | {
      readonly kind: 'better'
      readonly changes: number | null
      readonly cost: number
      readonly bound: number
    }
  /** The best with so many changes is known, or the time for it was over. */
  | { readonly kind: 'solved'; readonly suggestion: Suggestion }

/** The numbers of changes that are asked for before the best of all, which takes longest, and after it as far as it needs more. */
const early = [2, 3] as const
const later = [4, 5, 6, 8, 10, 12, 15] as const

/**
 * The best arrangement with one change, two, three, with any number, and then with four and more: each told as soon as
 * it is known, each with `seconds` to be found at most.
 */
export function tradeCurve(
  instance: Instance,
  solve: Solver,
  seconds: number,
  tell: (news: TradeNews) => void,
): void {
  const one = suggestOne(instance)
  if (one) tell({ kind: 'solved', suggestion: one })
  const known = (changes: number | null) => {
    const onBetter = (cost: number, bound: number) => tell({ kind: 'better', changes, cost, bound })
    const suggestion = suggest(instance, solve, changes, { seconds, onBetter })
    tell({ kind: 'solved', suggestion })
    return suggestion
  }
  for (const changes of early) known(changes)
  const best = known(null)
  for (const changes of later) if (changes < best.changes.length) known(changes)
}
