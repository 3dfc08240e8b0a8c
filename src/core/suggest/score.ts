import type { Choice, Demand, Instance, Way } from './types'

/** What is chosen in every place, by number of the value. */
export type Arrangement = readonly number[]

/** What an arrangement costs in seconds an outing, and what that is made of. */
export interface Score {
  readonly total: number
  /** The seconds of the hand: what reach reckons. */
  readonly seconds: number
  /** What urgent seconds count more. */
  readonly urgency: number
  /** Habits, bumps, the other bodies, banks in which a key does nothing; and keys that differ by side. */
  readonly besides: number
}

/** What stands today; in a place where that is forbidden, the first that may stand there. */
export function today(instance: Instance): Arrangement {
  return instance.places.map(({ current }) => Math.max(0, current))
}

/** What an arrangement costs. Linear in demands × ways. */
export function scoreOf(instance: Instance, arrangement: Arrangement): Score {
  let [seconds, urgency] = [0, 0]
  for (const demand of instance.demands) {
    const each = cheapest(instance, demand, arrangement)
    seconds += demand.perOuting * each
    urgency += (demand.weight - demand.perOuting) * each
  }
  const own = instance.places.reduce((sum, place, i) => sum + (place.costs[arrangement[i] ?? 0] ?? 0), 0)
  const apart = instance.pairs.reduce((sum, { seconds: cost, classes }) => {
    const agree = classes.some(({ one, two }) => chosen(one, arrangement) && chosen(two, arrangement))
    return sum + (agree ? 0 : cost)
  }, 0)
  const besides = own + apart
  return { total: seconds + urgency + besides, seconds, urgency, besides }
}

/** Whether every function that has to stay on some key is on one. */
export function keepsAll({ kept }: Instance, arrangement: Arrangement): boolean {
  return kept.every((choices) => chosen(choices, arrangement))
}

/** The numbers of the places that do not hold what they hold today. */
export function changedPlaces({ places }: Instance, arrangement: Arrangement): number[] {
  return places.flatMap((place, i) => (arrangement[i] === place.current ? [] : [i]))
}

/** Seconds of the cheapest way open. */
function cheapest({ openers }: Instance, { ways }: Demand, arrangement: Arrangement): number {
  const opening = new Map<string, number>()
  const toOpen = (name: string) => {
    let least = opening.get(name)
    if (least === undefined) {
      const open = (openers.get(name) ?? []).filter(({ choice }) => isChosen(choice, arrangement))
      least = open.reduce((min, one) => Math.min(min, one.seconds), Infinity)
      opening.set(name, least)
    }
    return least
  }
  const price = ({ seconds, takes, opens }: Way) => {
    if (takes && !isChosen(takes, arrangement)) return Infinity
    return seconds + (opens === null ? 0 : toOpen(opens))
  }
  return ways.reduce((min, way) => Math.min(min, price(way)), Infinity)
}

function isChosen({ place, value }: Choice, arrangement: Arrangement): boolean {
  return arrangement[place] === value
}

function chosen(choices: readonly Choice[], arrangement: Arrangement): boolean {
  return choices.some((choice) => isChosen(choice, arrangement))
}
