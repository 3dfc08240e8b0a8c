import { knownAt, placeId, type Place } from '../known/known'
import { showValue, valuesOf } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { schoolFor } from '../plan/schools'
import type { RowId } from '../plan/rows'
import { valueMeaning } from '../resolve/meaning'
import type { Resolution, StateIn } from '../resolve/resolved'
import { effectiveState, refusing } from '../resolve/state'
import { disputes } from '../vocabulary/schools'
import { sameValue, type Value } from '../vocabulary/values'
import type { Weighed } from './weighed'
import { factForm } from './fact-forms'
import { rowsSetting } from './rows-setting'
import { factsIn, type FactKnown } from './facts'
import type { AdviserForm } from './table'
import { weighers } from './weighers'

/** One option, with what it costs here. */
export interface AdviceOption {
  readonly id: string
  readonly name: string
  /** What the plan has now. */
  readonly isNow: boolean
  /** Why it cannot be had here; null where it can. */
  readonly cannot: string | null
  readonly weighs: readonly Weighed[]
  /** The sum of the points. */
  readonly balance: number
  /** What is set by taking it; none where it is what the plan has. */
  readonly rows: Readonly<Record<RowId, Value>>
}

/** A fact an adviser went by, or would. */
export interface AdviceFact {
  readonly id: string
  readonly name: string
  /** Null where nobody says. */
  readonly value: string | null
  readonly words: string
  readonly from: string
}

/** What an adviser says in a place of a plan. */
export interface Advice {
  readonly adviser: string
  readonly name: string
  readonly asks: string
  readonly place: string
  readonly placeName: string
  /** What the points count: our own weighing, or seconds an outing. */
  readonly unit: 'points' | 'seconds'
  /** Why the choice does nothing as the camera stands; null where it does something. */
  readonly idle: string | null
  /** The settings that are chosen, by id. */
  readonly settings: readonly string[]
  readonly facts: readonly AdviceFact[]
  /** The first named first; those that cannot be had last. */
  readonly options: readonly AdviceOption[]
  /** Why the first is named first; null where nothing tells the first two apart. */
  readonly because: string | null
  /** Both sides, where owners differ. */
  readonly schools: readonly { readonly name: string; readonly reason: string; readonly isYours: boolean }[]
}

/** What an option sets, before it is weighed. */
interface Candidate {
  readonly id: string
  readonly name: string
  readonly sets: readonly { readonly setting: Setting; readonly value: Value }[]
}

/**
 * Advises in a place: every option of the body with what speaks for it and against it here, the one with the highest balance
 * first; of equals what the plan has. `supposed` puts facts in the place of what is known, by id. Null where the body has
 * nothing to choose.
 */
export function advise(
  form: AdviserForm,
  model: BodyModel,
  plan: Plan,
  place: Place,
  stateIn: StateIn,
  supposed: Readonly<Record<string, string>> = {},
): Advice | null {
  const state = stateIn(place.column.context)
  const candidates = candidatesOf(form, model, state)
  if (candidates.length < 2) return null
  const known = knownAt(model, plan, place, stateIn)
  const facts: Readonly<Record<string, FactKnown>> = {
    ...factsIn(model, plan, place, state, known),
    ...Object.fromEntries(Object.entries(supposed).map(([id, value]) => [id, { value, from: 'supposed' }])),
  }
  const dispute = disputes.find(({ settings }) => form.means !== null && settings[0] === form.means)
  const slot = place.column.kind === 'slot' ? place.column.planned : null
  const school = dispute ? schoolFor(plan, dispute.id, place.column.side, slot) : null
  const asks = form.means === null ? undefined : weighers[form.means]?.({ model, plan, place, state, known })
  const hazards = hazardsOf(model, plan, place, candidates, stateIn)
  const now = effectiveState(model, plan, place.column.context)
  /** The lines about an option whose facts all hold. */
  const holding = (option: string) =>
    form.weighs.filter(
      (line) =>
        line.option === option && line.when.every(({ fact, of }) => of.includes(facts[fact]?.value ?? '')),
    )
  const options = candidates.map((one): AdviceOption => {
    const isNow = one.sets.every(({ setting, value }) =>
      sameValue(state.settings.get(setting.id)?.value, value),
    )
    const [because] = one.sets.flatMap(({ setting, value }) => refusing(now, setting.id, value))
    const own = dispute?.schools.find(({ wants }) =>
      wants.some(
        (want) => 'is' in want && want.means === form.means && sameValue(want.is, one.sets[0]?.value),
      ),
    )
    const weighs: Weighed[] = [
      ...holding(one.id).map(({ when, points, words }) => ({
        points,
        words,
        by: when.map(({ fact }) => nameOf(fact)).join(', '),
      })),
      ...(asks?.(one.id) ?? []),
      ...(hazards.get(one.id) ?? []).map((words) => ({ points: -1, words, by: model.name })),
      ...(own && own.id === school
        ? [{ points: 2, words: 'You have said that it is your way.', by: 'your school' }]
        : []),
    ]
    return {
      ...{ id: one.id, name: one.name, isNow, weighs },
      cannot: because ?? null,
      balance: weighs.reduce((sum, { points }) => sum + points, 0),
      rows: isNow ? {} : rowsSetting(model, plan, place, one.sets),
    }
  })
  const ordered = options.toSorted(
    (one, two) =>
      Number(one.cannot !== null) - Number(two.cannot !== null) ||
      two.balance - one.balance ||
      Number(two.isNow) - Number(one.isNow),
  )
  return {
    adviser: form.id,
    name: form.name,
    asks: form.asks,
    unit: 'points',
    place: placeId(place),
    placeName: place.name,
    settings: (candidates[0]?.sets ?? []).map(({ setting }) => setting.id),
    idle: idleIn(state, candidates) ?? holding('!')[0]?.words ?? null,
    facts: factsAsked(form, candidates, facts),
    options: ordered,
    because: reasonOf(ordered),
    schools: (dispute?.schools ?? []).map(({ id, name, reason }) => ({
      name,
      reason,
      isYours: id === school,
    })),
  }
}

/** What makes every one of the settings do nothing in a state. */
function idleIn(state: Resolution, [first]: readonly Candidate[]): string | null {
  const because = (first?.sets ?? []).map(({ setting }) =>
    state.settings
      .get(setting.id)
      ?.remarks.find(({ kind, truth }) => kind === 'ineffective' && truth === 'yes'),
  )
  return because.every((one) => one !== undefined) ? (because[0]?.because ?? null) : null
}

/** The places in which an adviser is asked: those of its side. */
export function placesFor({ side }: AdviserForm, places: readonly Place[]): Place[] {
  return places.filter(({ column }) => side === null || column.side === side)
}

/** The options of a body: the values of the setting, or the temperaments of film autofocus in its own scale. */
function candidatesOf(form: AdviserForm, model: BodyModel, state: Resolution): Candidate[] {
  if (form.means === null) return temperaments(model)
  const setting = valueMeaning(model, state, form.means)?.setting
  return (setting ? (valuesOf(setting.domain) ?? []) : []).map((value) => ({
    id: String(value),
    name: setting ? showValue(setting.domain, value) : '',
    sets: setting ? [{ setting, value }] : [],
  }))
}

/** A sixth, the middle and five sixths of each scale: how fast focus moves, and how soon it leaves its subject. */
function temperaments(model: BodyModel): Candidate[] {
  const scales = ['focus.motionSpeed', 'focus.motionResponse'].flatMap(
    (means) => lookup(model).byMeaning.get(means) ?? [],
  )
  if (scales.length === 0) return []
  const at = (share: number) =>
    scales.flatMap((setting) => {
      if (setting.domain.kind !== 'number') return []
      const { from, to, step } = setting.domain
      return [{ setting, value: from + Math.round(((to - from) * share) / step) * step }]
    })
  const called = (name: string, sets: Candidate['sets']) =>
    `${name}: ${sets.map(({ setting, value }) => `${setting.label} ${showValue(setting.domain, value)}`).join(', ')}`
  return (
    [
      ['stiff', 'Slow and sticky', 1 / 6],
      ['even', 'In the middle', 1 / 2],
      ['lively', 'Quick and lively', 5 / 6],
    ] as const
  ).map(([id, name, share]) => ({ id, name: called(name, at(share)), sets: at(share) }))
}

/** What the body itself says of each option that it does not say of all. */
function hazardsOf(
  model: BodyModel,
  plan: Plan,
  place: Place,
  candidates: readonly Candidate[],
  stateIn: StateIn,
): ReadonlyMap<string, readonly string[]> {
  const { context } = place.column
  const found = candidates.map(({ id, sets }) => {
    const edits = {
      ...context.edits,
      ...Object.fromEntries(sets.map(({ setting, value }) => [setting.id, value])),
    }
    const tried = stateIn({ ...context, edits })
    const words = [...tried.settings.values()].flatMap(({ setting, remarks }) =>
      remarks
        .filter(({ kind, truth }) => kind === 'hazard' && truth === 'yes')
        .map(({ because }) =>
          sets.some((one) => one.setting.id === setting.id) ? because : `${setting.label}: ${because}`,
        ),
    )
    return [id, new Set(words)] as const
  })
  const everywhere = (words: string) => found.every(([, all]) => all.has(words))
  return new Map(found.map(([id, all]) => [id, [...all].filter((words) => !everywhere(words)).slice(0, 3)]))
}

/** Every fact that the options are weighed by, with what is known of it. */
function factsAsked(
  { weighs }: AdviserForm,
  candidates: readonly Candidate[],
  facts: Readonly<Record<string, FactKnown>>,
): AdviceFact[] {
  const ids = weighs
    .filter(({ option }) => option === '!' || candidates.some(({ id }) => id === option))
    .flatMap(({ when }) => when.map(({ fact }) => fact))
  return [...new Set(ids)].map((id) => {
    const known = facts[id]
    const words = known === undefined ? 'not said' : (factForm(id)?.values[known.value] ?? known.value)
    return { id, name: nameOf(id), value: known?.value ?? null, words, from: known?.from ?? '' }
  })
}

function nameOf(fact: string): string {
  return factForm(fact)?.name ?? fact
}

/** What tells the first from the second: what speaks most for the one, and most against the other. */
function reasonOf([first, second]: readonly AdviceOption[]): string | null {
  if (!first || first.cannot !== null) return null
  if (!second || second.cannot !== null) return second ? `${second.name}: ${second.cannot ?? ''}` : null
  if (first.balance === second.balance)
    return first.isNow ? 'Nothing tells the first two apart: what the plan has stays.' : null
  const most = (option: AdviceOption, sign: 1 | -1) =>
    option.weighs
      .filter(({ points }) => points * sign > 0)
      .toSorted((one, two) => (two.points - one.points) * sign)[0]
  const [pro, contra] = [most(first, 1), most(second, -1)]
  return [pro?.words, contra && `${second.name}: ${contra.words}`].filter(Boolean).join(' ')
}
