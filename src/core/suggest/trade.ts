import type { Instance } from './instance'
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

/** The numbers of changes that are asked for, as far as the best of all needs more. */
const asked = [2, 3, 4, 5, 6, 8, 10, 12, 15] as const

/**
 * The best arrangement with one change, with any number, and with two, three and more: each told as soon as it is known.
 * The best of all has `seconds` to be found; each other one the same at most.
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
  const best = known(null)
  for (const changes of asked) if (changes < best.changes.length) known(changes)
}
