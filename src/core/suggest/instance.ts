import type { BodyModel, LensModel, Posture } from '../model/types'
import type { Plan } from '../plan/plan'
import type { RowId } from '../plan/rows'
import { knows } from '../reach/paths'
import { needsOf, type Need } from '../reach/needs'
import { timesOf } from '../reach/operators'
import { recorded, statesFor, unreachedSeconds } from '../reach/reach'
import type { Agreement } from './agreement'
import { keyPlaces, keptFunctions, pairsOf } from './keys'
import { menuPlaces } from './menus'
import { waysTo, type Openers } from './ways'
import { weightsOf } from './weights'

/** What a suggestion is asked for: the plan as it stands, and what is to be reckoned with. */
export interface Question {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  readonly posture?: Posture
  /** Only the menus are to change; the keys stay as they are. */
  readonly only?: 'menus'
  /** Keys of the owner's other bodies that are to do the same. */
  readonly agreement?: Agreement
}

/**
 * An arrangement to be found, as numbers: places that take one of several values each, demands that are met by the
 * cheapest way open to them, and what is paid besides. Seconds an outing throughout.
 */
export interface Instance {
  readonly places: readonly Place[]
  readonly demands: readonly Demand[]
  readonly openers: Openers
  readonly pairs: readonly Pair[]
  /** Choices of which one at least is to be made: a function that no menu stands in for stays on some key. */
  readonly kept: readonly (readonly Choice[])[]
}

/** A row that may change: a key, a cell of a function menu, a line of the own menu. */
export interface Place {
  readonly row: RowId
  readonly kind: 'key' | 'cell' | 'line'
  readonly today: string
  /** What it may hold; what it holds today first, unless that is forbidden. */
  readonly values: readonly string[]
  /** What it holds today, by its place in `values`; -1 where that is forbidden. */
  readonly current: number
  /** What each value costs by itself: habit, bumps, the other bodies, banks in which it does nothing. */
  readonly costs: readonly number[]
}

/** A value of a place, both by number. */
export interface Choice {
  readonly place: number
  readonly value: number
}

/** Something needed, in one state of the camera. */
export interface Demand {
  readonly needs: readonly Need[]
  /** How often it comes in an outing, and with urgent times counted more. */
  readonly perOuting: number
  readonly weight: number
  readonly ways: readonly Way[]
}

/** A way to meet a demand: seconds each time, what has to be chosen for it, and what has to be opened first. */
export interface Way {
  readonly seconds: number
  readonly takes: Choice | null
  readonly opens: string | null
}

/** Two keys that had better do the same: seconds saved where both have values of one class. */
export interface Pair {
  readonly seconds: number
  readonly classes: readonly { readonly one: readonly Choice[]; readonly two: readonly Choice[] }[]
}

/** The instance of a question. Deterministic; linear in keys × functions × needs. */
export function instanceOf(question: Question): Instance {
  const { model, plan, lenses, posture = 'finder', agreement } = question
  const weights = weightsOf(plan)
  const stateOf = statesFor({ model, lenses, posture }, plan)
  const needs = needsOf(model, plan).filter((need) => need.perOuting > 0 && knows(model, need.what))
  const keysStay = question.only === 'menus'
  const setting = { keysStay, model, plan, lenses, posture, weights, times: timesOf(plan), stateOf, needs }
  const keys = keyPlaces(setting, agreement ?? new Map())
  const menus = menuPlaces(setting, keys.length)
  const openers: Map<string, { choice: Choice; seconds: number }[]> = new Map()
  const demands = merged(needs).map((group): Demand => {
    const [first] = group
    if (!first) throw new Error('a group of needs is never empty')
    const perOuting = group.reduce((sum, need) => sum + need.perOuting, 0)
    const urgent = group.filter((need) => need.flags.includes('urgent'))
    const more = urgent.reduce((sum, need) => sum + need.perOuting, 0) * (weights.urgent - 1)
    const lost: Way = { seconds: unreachedSeconds, takes: null, opens: null }
    const ways = [...waysTo(setting, keys, menus, first, openers), lost]
    return { needs: group, perOuting, weight: perOuting + more, ways }
  })
  return {
    places: [...keys.map((key) => key.place), ...menus.map((menu) => menu.place)],
    demands,
    openers,
    pairs: pairsOf(setting, keys),
    kept: keptFunctions(setting, keys),
  }
}

/** Needs that every path serves alike: of one side, for one thing, with the film running or not, the eye kept or not. */
function merged(needs: readonly Need[]): Need[][] {
  const groups = new Map<string, Need[]>()
  for (const need of needs) {
    const key = [need.side, need.what, recorded(need), need.flags.includes('finder')].join(' ')
    groups.set(key, [...(groups.get(key) ?? []), need])
  }
  return [...groups.values()]
}
