import type { Instance } from './types'
import { programOf } from './program'
import { changedPlaces, keepsAll, scoreOf, today, type Arrangement, type Score } from './score'
import type { Solver } from './solver'
import type { Change } from './change'

/** An arrangement that was found, how good it is, and how sure that is. */
export interface Suggestion {
  /** At most so many places changed; null where any number was allowed. */
  readonly changesAllowed: number | null
  readonly changes: readonly Change[]
  readonly before: Score
  readonly after: Score
  /** Proven to be the best; or the time was over, and no arrangement costs less than `bound`. */
  readonly proven: boolean
  readonly bound: number
}

/** How long may be searched, and who is told of what is found on the way. */
export interface Search {
  readonly seconds: number
  /** Found so far: seconds an outing, and the least they can be as far as is known. */
  readonly onBetter?: (cost: number, bound: number) => void
}

/** The best arrangement with one change at most: each is tried. Null where more than that is forced. */
export function suggestOne(instance: Instance): Suggestion | null {
  const now = today(instance)
  if (instance.places.some(({ current }) => current < 0)) return null
  const before = scoreOf(instance, now)
  let [best, after] = [now, before]
  for (const [place, { values }] of instance.places.entries())
    for (let value = 1; value < values.length; value++) {
      const tried = now.with(place, value)
      const score = scoreOf(instance, tried)
      if (score.total < after.total - 1e-9 && keepsAll(instance, tried)) [best, after] = [tried, score]
    }
  return {
    changesAllowed: 1,
    changes: inOrder(instance, best),
    before,
    after,
    proven: true,
    bound: after.total,
  }
}

/**
 * The best arrangement with at most so many changes (any number: null). Never worse than today's: where nothing better is
 * found in time, or there is nothing, the list of changes is empty. Where what stands today is forbidden, at least
 * that changes.
 */
export function suggest(
  instance: Instance,
  solve: Solver,
  changesAllowed: number | null,
  { seconds, onBetter }: Search,
): Suggestion {
  const stated = programOf(instance, changesAllowed)
  const now = today(instance)
  const solved = solve(stated.program, {
    seconds,
    start: stated.today,
    ...(onBetter ? { onBetter } : {}),
  })
  const before = scoreOf(instance, now)
  const found = solved.solution ? stated.read(solved.solution) : now
  const after = scoreOf(instance, found)
  const better = after.total < before.total - 1e-9 ? found : now
  const proven = solved.status === 'proven'
  return {
    changesAllowed,
    changes: inOrder(instance, better),
    before,
    after: better === now ? before : after,
    proven,
    bound: proven ? Math.min(solved.cost, before.total) : solved.bound,
  }
}

/** How far a suggestion can be from the best at most, as a share of its cost; 0 where it is proven. */
export function gapOf({ proven, after, bound }: Suggestion): number {
  if (proven) return 0
  return after.total > 0 ? Math.max(0, (after.total - bound) / after.total) : 1
}

/** How sure a suggestion is, in words. */
export function proofOf(suggestion: Suggestion): string {
  if (suggestion.proven) return 'Proven: for these needs, times and weights no other arrangement costs less.'
  const gap = Math.ceil(gapOf(suggestion) * 1000) / 10
  return `The best found in time; for these needs another may cost up to ${gap} % less.`
}

/** The changes of an arrangement, each time the one that saves most where those before it are made. */
function inOrder(instance: Instance, wanted: Arrangement): Change[] {
  const now = [...today(instance)]
  const open = new Set(changedPlaces(instance, wanted))
  const changes: Change[] = []
  let cost = scoreOf(instance, now).total
  while (open.size > 0) {
    let best: { place: number; cost: number } | null = null
    for (const place of open) {
      const tried = scoreOf(instance, now.with(place, wanted[place] ?? 0)).total
      if (!best || tried < best.cost) best = { place, cost: tried }
    }
    if (!best) break
    const place = instance.places[best.place]
    if (!place) break
    now[best.place] = wanted[best.place] ?? 0
    open.delete(best.place)
    const to = place.values[wanted[best.place] ?? 0] ?? ''
    changes.push({ row: place.row, from: place.today, to, gain: cost - best.cost })
    cost = best.cost
  }
  return changes
}
