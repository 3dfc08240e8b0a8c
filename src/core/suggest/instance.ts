import type { BodyModel, LensModel, Posture } from '../model/types'
import type { Plan } from '../plan/plan'
import { knows } from '../reach/knows'
import { followsByItself, isBlocked } from '../reach/paths'
import { needsOf, type Need } from '../reach/needs'
import { fingersOf, timesOf } from '../reach/operators'
import { recorded, statesFor, unreachedSeconds } from '../reach/reach'
import { habitsOf, together, type Agreement } from './agreement'
import { keyPlaces, keptFunctions, pairsOf } from './key-places'
import { menuPlaces } from './menus'
import type { Choice, Demand, Instance, Way } from './types'
import { waysTo } from './ways'
import { weightsOf } from './weights'

/** What a suggestion is asked for: the plan as it stands, and what is to be reckoned with. */
export interface Question {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  readonly posture?: Posture
  /** Only the menus are to change; the keys stay as they are. */
  readonly only?: 'menus'
  /** The keys the owner focuses and films with may change, too. */
  readonly letGo?: boolean
  /** Keys of the owner's other bodies that are to do the same. */
  readonly agreement?: Agreement
}

/** The instance of a question. Deterministic; linear in keys × functions × needs. */
export function instanceOf(question: Question): Instance {
  const { model, plan, lenses, posture = 'finder', agreement } = question
  const weights = weightsOf(plan)
  const stateOf = statesFor({ model, lenses, posture }, plan)
  const needs = needsOf(model, plan).filter(
    (need) =>
      need.perOuting > 0 &&
      knows(model, need.what) &&
      !(
        need.what === 'focus.start' &&
        followsByItself({ model, side: need.side, ...stateOf(need.side, recorded(need)) })
      ) &&
      !isBlocked(model, stateOf(need.side, recorded(need)).resolution, need.what),
  )
  const keysStay = question.only === 'menus'
  const keepsReliedOn = question.letGo !== true
  const basis = {
    keysStay,
    keepsReliedOn,
    model,
    plan,
    lenses,
    posture,
    weights,
    times: timesOf(plan),
    fingers: fingersOf(plan),
    stateOf,
    needs,
  }
  const keys = keyPlaces(basis, together(habitsOf(model, plan), agreement ?? new Map()))
  const menus = menuPlaces(basis, keys.length)
  const openers: Map<string, { choice: Choice; seconds: number }[]> = new Map()
  const demands = merged(needs).map((group): Demand => {
    const [first] = group
    if (!first) throw new Error('a group of needs is never empty')
    const perOuting = group.reduce((sum, need) => sum + need.perOuting, 0)
    const urgent = group.filter((need) => need.flags.includes('urgent'))
    const more = urgent.reduce((sum, need) => sum + need.perOuting, 0) * (weights.urgent - 1)
    const lost: Way = { seconds: unreachedSeconds, takes: null, opens: null }
    const ways = [...waysTo(basis, keys, menus, first, openers), lost]
    return { needs: group, perOuting, weight: perOuting + more, ways }
  })
  return {
    places: [...keys.map((key) => key.place), ...menus.map((menu) => menu.place)],
    demands,
    openers,
    pairs: pairsOf(basis, keys),
    kept: keptFunctions(basis, keys),
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
