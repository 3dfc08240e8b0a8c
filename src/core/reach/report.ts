import type { Step } from '../sync/step'
import type { Need } from './needs'
import type { Path } from './paths'

/** A need with the way to it. */
export interface Reached {
  readonly need: Need
  /** The quickest path; null where there is none. */
  readonly best: Path | null
  readonly others: readonly Path[]
  /** The model has nothing like it. */
  readonly absent: boolean
  /** Why no path does anything here, and none is priced; null where one does, or none is there. */
  readonly blocked: string | null
  /** Seconds an outing: times it comes, by the best path; a need without a path costs `unreachedSeconds` each time, one that is absent or blocked nothing. */
  readonly perOuting: number
}

/** Shares of the needs that come at all, 0 to 1. */
export interface Coverage {
  /** Met with the eye at the finder; by count, and by how often each comes. */
  readonly byCount: number
  readonly byUse: number
  /** By use, met without own or full menu. */
  readonly menuFree: number
}

/** What a plan's needs cost on it. */
export interface ReachReport extends Coverage {
  readonly reached: readonly Reached[]
  /** Whether the owner's target is met; null where none is given. */
  readonly onTarget: boolean | null
  /** Seconds an outing, all needs together. */
  readonly seconds: number
  /** Keys that are not as delivered, times the meanings each has by side. */
  readonly load: number
}

/** A need that costs much, with the one change of a key that saves most, and what it saves in seconds an outing. */
export interface Worst {
  readonly reached: Reached
  readonly step: Step | null
  readonly words: string
  readonly gain: number
}

/** How much of some needs is met with the eye at the finder, and without a menu; all of it where nothing is needed. */
export function coverageOf(reached: readonly Reached[]): Coverage {
  const asked = reached.filter(({ need, absent }) => need.perOuting > 0 && !absent)
  const uses = asked.reduce((sum, { need }) => sum + need.perOuting, 0)
  const share = (met: (one: Reached) => boolean, weighted: boolean) => {
    const all = weighted ? uses : asked.length
    const sum = asked.filter(met).reduce((count, { need }) => count + (weighted ? need.perOuting : 1), 0)
    return all === 0 ? 1 : sum / all
  }
  const finder = ({ best }: Reached) => best?.atFinder ?? false
  return {
    byCount: share(finder, false),
    byUse: share(finder, true),
    menuFree: share(
      ({ best }) => best !== null && best.tier !== 'own-menu' && best.tier !== 'full-menu',
      true,
    ),
  }
}

/** What is needed and cannot be set as the camera stands, each once with the reason: no arrangement of keys helps. */
export function blockedIn({ reached }: ReachReport): readonly { what: string; because: string }[] {
  const found = new Map(
    reached.flatMap(({ need, blocked }) => (blocked === null ? [] : [[need.what, blocked] as const])),
  )
  return [...found].map(([what, because]) => ({ what, because }))
}

/** How often each key is the quickest way to something in an outing, by address. */
export function usesOf({ reached }: ReachReport): ReadonlyMap<string, number> {
  const uses = new Map<string, number>()
  for (const { need, best } of reached)
    if (best && best.address !== '') uses.set(best.address, (uses.get(best.address) ?? 0) + need.perOuting)
  return uses
}
