import { keptByObject } from '../memoize'
import { keyRow, noteRow, ownerRow, rowValue } from '../plan/rows'
import type { Address } from '../model/addresses'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel, LensModel, ModelFunction, Posture, Side } from '../model/types'
import { functionAt } from '../plan/assign'
import type { Plan } from '../plan/plan'
import { setRows } from '../plan/step'
import { changedBetween, changedIn, resolveAfter, sidesOfKeys, type Changed } from '../resolve/after-change'
import { usualContext, type Context } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import type { Resolution } from '../resolve/resolved'
import { needsOf, type Need } from './needs'
import { coverageOf, type Reached, type ReachReport, type Worst } from './report'
import { fingersOf, timesOf } from './operators'
import { knows } from './knows'
import {
  afterStopping,
  doing,
  idleBecause,
  openersOn,
  pathsTo,
  usefulOn,
  type Path,
  type ReachContext,
} from './paths'

/** What an adjustment costs that no path leads to, or none as quick as this: it is looked up, or missed. */
export const unreachedSeconds = 30

/** What the needs of a plan cost, in a posture. Linear in needs × keys. */
export function reachOf(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  posture: Posture = 'finder',
): ReachReport {
  return reported({ model, lenses, posture }, plan, null)
}

/** What the needs of a plan cost where those of one that differs little are known: the same as `reachOf`, sooner. */
export function reachAfter(before: ReachReport, plan: Plan): ReachReport {
  const work = workOf(before)
  if (work.plan === plan) return before
  const changed = changedBetween(work.asked.model, work.plan, plan)
  return reported(work.asked, plan, { reached: before.reached, states: work.states, changed })
}

/**
 * The state of the camera a need of a side is met in, once more for one that comes while recording; each is made when
 * it is first asked for, and kept in `states`.
 */
export function statesFor(
  { model, lenses, posture }: Asked,
  plan: Plan,
  states: Map<string, State> = new Map<string, State>(),
  known: States = new Map(),
  changed: Changed | null = null,
): (side: Side, recording: boolean) => State {
  return (side, recording) => {
    const key = stateKey(side, recording)
    let state = states.get(key)
    if (!state) {
      const was = known.get(key)
      // Keys decide nothing about the state a need is met in.
      const same = was && changed && sidesOfKeys(changed) ? was.context : null
      const context = same ?? contextOf({ model, lenses, posture }, plan, side, recording)
      const again = was && changed && !changed.fitting && was.context.lens === context.lens
      const resolution = again
        ? resolveAfter(model, plan, context, was.resolution, changed)
        : resolve(model, plan, context)
      state = { context, resolution }
      states.set(key, state)
    }
    return state
  }
}

function contextOf({ model, lenses, posture }: Asked, plan: Plan, side: Side, recording: boolean): Context {
  const plain = usualContext(model, plan, lenses, side)
  if (!plain) throw new Error(`${model.id} has no state on ${side}`)
  return { ...plain.context, posture, run: recording ? 'recording' : plain.context.run }
}

/** What a report is asked of besides the plan. */
export interface Asked {
  readonly model: BodyModel
  readonly lenses: readonly LensModel[]
  readonly posture: Posture
}

/** A context, and what the plan amounts to in it. */
export interface State {
  readonly context: Context
  readonly resolution: Resolution
}

type States = ReadonlyMap<string, State>

interface Work {
  readonly asked: Asked
  readonly plan: Plan
  readonly states: States
  readonly stateOf: (side: Side, recording: boolean) => State
}

const works = keptByObject<ReachReport, Work>()

/** What is known of a plan that differs in `changed` only. */
interface Known {
  readonly reached: readonly Reached[]
  readonly states: States
  readonly changed: Changed
}

function reported(asked: Asked, plan: Plan, known: Known | null): ReachReport {
  const { reached, states, stateOf } = reckoned(asked, plan, known)
  const coverage = coverageOf(reached)
  const target = rowValue(plan.rows, ownerRow('target'))
  const onTarget = typeof target === 'number' ? coverage.byUse * 100 >= target : null
  const load = loadOf(asked.model, plan)
  const report = { reached, ...coverage, onTarget, seconds: total(reached), load }
  works.set(report, { asked, plan, states, stateOf })
  return report
}

/** The ways to every need; where only keys changed, those of needs on other sides are taken over. */
function reckoned(asked: Asked, plan: Plan, known: Known | null) {
  const { model, posture } = asked
  const times = timesOf(plan)
  const fingers = fingersOf(plan)
  const gridCounts = gridCountsIn(plan)
  const states = new Map<string, State>()
  const stateOf = statesFor(asked, plan, states, known?.states, known?.changed)
  const handFor = (side: Side, recording: boolean): ReachContext => {
    const { resolution } = stateOf(side, recording)
    return { model, plan, side, posture, times, fingers, gridCounts, resolution }
  }
  // The same thing wanted in the same way in several situations has the same ways.
  const found = new Map<string, readonly Path[]>()
  const waysTo = (need: Need): readonly Path[] => {
    const recording = recorded(need)
    const name = `${need.side} ${String(recording)} ${need.what} ${need.flags.join(' ')}`
    let ways = found.get(name)
    if (!ways) {
      const here = pathsTo(handFor(need.side, recording), need)
      const stopped = recording ? pathsTo(handFor(need.side, false), need) : []
      ways = [...here, ...stopped.map((one) => afterStopping(one, times))].sort(
        (a, b) => a.seconds - b.seconds,
      )
      found.set(name, ways)
    }
    return ways
  }
  const reach = (need: Need): Reached => {
    const [best = null, ...others] = waysTo(need)
    const absent = !knows(model, need.what)
    const setting = lookup(model).byMeaning.get(need.what)
    const blocked =
      best || !setting ? null : idleBecause(handFor(need.side, recorded(need)).resolution, setting.id)
    const missed = absent || blocked !== null ? 0 : unreachedSeconds
    const each = Math.min(best?.seconds ?? missed, unreachedSeconds)
    return { need, best, others, absent, blocked, perOuting: need.perOuting * each }
  }
  const sides = known && sidesOfKeys(known.changed)
  if (!known || !sides) return { reached: needsOf(model, plan).map(reach), states, stateOf }
  const isTouched = touchedBy(model, known.states, stateOf)
  const reached = known.reached.map((one) =>
    sides.has(one.need.side) && isTouched(one.need) ? reach(one.need) : one,
  )
  return { reached, states, stateOf }
}

/**
 * Whether the ways to a need may be others where only keys changed: not where no key that changed, as it was and as it
 * is, does what is needed or opens a menu, and no setting came out otherwise.
 */
function touchedBy(
  model: BodyModel,
  before: States,
  stateOf: (side: Side, recording: boolean) => State,
): (need: Need) => boolean {
  const tests = new Map<string, (need: Need) => boolean>()
  const testIn = (side: Side, recording: boolean): ((need: Need) => boolean) => {
    const was = before.get(stateKey(side, recording))
    const { resolution } = stateOf(side, recording)
    const changed = was ? changedFunctions(model, was.resolution, resolution) : null
    const opens = openersOn(model, resolution, side)
    if (changed === null || changed.some((fn) => opens.has(fn.id))) return () => true
    return ({ what }) => changed.some(doing(model, resolution, side, what))
  }
  const test = (side: Side, recording: boolean) => {
    const key = stateKey(side, recording)
    const known = tests.get(key) ?? testIn(side, recording)
    tests.set(key, known)
    return known
  }
  return (need) => test(need.side, false)(need) || (recorded(need) && test(need.side, true)(need))
}

function stateKey(side: Side, recording: boolean): string {
  return `${side} ${String(recording)}`
}

/** The functions of the keys that two states differ in, as they were and as they are; null where a setting differs too. */
function changedFunctions(
  model: BodyModel,
  before: Resolution,
  after: Resolution,
): readonly ModelFunction[] | null {
  if (before === after) return []
  for (const [id, one] of after.settings) if (before.settings.get(id) !== one) return null
  const ids = [...after.addresses].flatMap(([key, one]) => {
    const was = before.addresses.get(key)
    return was === one ? [] : [one.effectiveFunctionId, was?.effectiveFunctionId]
  })
  return [...new Set(ids)].flatMap((id) => lookup(model).functions.get(id ?? '') ?? [])
}

/** Whether the owner lets a function menu in the finder count as done at the finder. */
export function gridCountsIn(plan: Plan): boolean {
  return rowValue(plan.rows, ownerRow('gridCounts')) === true
}

/** Whether a need comes while recording. */
export function recorded(need: Need): boolean {
  return need.flags.includes('recording') && need.side === 'motion'
}

function total(reached: readonly Reached[]): number {
  return reached.reduce((sum, one) => sum + one.perOuting, 0)
}

/** Special keys times their meanings: a key that differs from the maker's counts once for each function it has. */
function loadOf(model: BodyModel, plan: Plan): number {
  const meanings = new Map<string, Set<string>>()
  for (const address of lookup(model).addresses.values()) {
    if (rowValue(plan.rows, keyRow(address)) === null) continue
    const key = `${address.control.id}/${address.gesture.id}`
    const fn = functionAt(plan, address)
    if (fn === null || lookup(model).functions.get(fn)?.manner === 'none') continue
    meanings.set(key, (meanings.get(key) ?? new Set()).add(fn))
  }
  return [...meanings.values()].reduce((sum, all) => sum + all.size, 0)
}

/**
 * What each function would save on a key, in seconds an outing, by function id; below 0 what it would cost. Each is the
 * difference of two whole reckonings, so that what the key had before is counted too. Functions that nothing needs all
 * cost the same, and are reckoned once.
 */
export function gainsAt(before: ReachReport, address: Address): ReadonlyMap<string, number> {
  const { asked, plan, stateOf } = workOf(before)
  const accepted = acceptedFunctions(asked.model, address)
  if (address.side === 'playback') return new Map(accepted.map(({ id }) => [id, 0]))
  const needs = before.reached.map(({ need }) => need)
  const useful = usefulOn(asked.model, stateOf(address.side, false).resolution, address.side, needs)
  const here = functionAt(plan, address)
  const plain = accepted.find(({ id }) => !useful.has(id) && id !== here)
  const loss = plain ? gainOf(before, address, plain.id) : 0
  return new Map(
    accepted.map(({ id }) => [id, useful.has(id) || id === here ? gainOf(before, address, id) : loss]),
  )
}

/**
 * The needs that cost most, each with the step that saves most of the whole outing: one function put on one key. Null
 * where no step helps. Locked keys are left as they are.
 */
export function worstNeeds(before: ReachReport, most = 5): Worst[] {
  const { plan } = workOf(before)
  const costly = [...before.reached]
    .filter((one) => !one.absent && one.blocked === null && one.perOuting > 0)
    .sort((a, b) => b.perOuting - a.perOuting)
  return costly.slice(0, most).map((reached): Worst => {
    const { need } = reached
    const [best] = keysFor(before, need)
    if (!best || best.gain <= 1e-9) return { reached, step: null, words: 'No key makes it quicker.', gain: 0 }
    const { address, fn, gain } = best
    const step = setRows(plan, `worst ${need.situation} ${need.what}`, { [keyRow(address)]: fn.id })
    return { reached, step, gain, words: `${fn.name} on ${address.control.name}, ${address.name}` }
  })
}

/** A function that meets a need, on a key that takes it, and what it would save there in seconds an outing. */
export interface KeyGain {
  readonly address: Address
  readonly fn: ModelFunction
  readonly gain: number
}

/** Every function that meets a need on every key that takes it, what saves most first; locked keys are left as they are. */
export function keysFor(before: ReachReport, need: Need): KeyGain[] {
  const { asked, plan, stateOf } = workOf(before)
  const { model } = asked
  const does = doing(model, stateOf(need.side, false).resolution, need.side, need.what)
  return [...lookup(model).addresses.values()]
    .filter((address) => address.side === need.side && address.when === null)
    .filter((address) => rowValue(plan.rows, noteRow('lock', keyRow(address))) === null)
    .flatMap((address) =>
      acceptedFunctions(model, address)
        .filter(does)
        .map((fn): KeyGain => ({ address, fn, gain: gainOf(before, address, fn.id) })),
    )
    .sort((one, two) => two.gain - one.gain)
}

/** What one function on one key saves. */
function gainOf(before: ReachReport, address: Address, functionId: string): number {
  const { asked, plan, states } = workOf(before)
  if (functionAt(plan, address) === functionId) return 0
  const row = keyRow(address)
  const after = { ...plan, rows: { ...plan.rows, [row]: functionId } }
  const changed = changedIn(asked.model, plan, after, new Set([row]))
  return before.seconds - total(reckoned(asked, after, { reached: before.reached, states, changed }).reached)
}

function workOf(report: ReachReport): Work {
  const work = works.get(report)
  if (!work) throw new Error('only a report made by reachOf can be followed up')
  return work
}
