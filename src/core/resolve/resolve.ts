import { keptByObject } from '../memoize'
import { bankKeyRow, keyRow, rowValue } from '../plan/rows'
import type { Address } from '../model/addresses'
import type { Answering } from '../model/lookup'
import type { BodyModel, Choice, Doubt, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { sameValue } from '../vocabulary/values'
import { standingAt, type Context } from './context'
import type { Remark, Resolution, ResolvedAddress, ResolvedIndicator } from './resolved'
import type { ResolvedSetting, FunctionEffect } from './resolved'
import { inForce } from './owners'
import { firmwareRemark, judge, missingFrom } from './judge'
import { effectiveState, knownOfState, remark, rulesAbout, type State } from './state'
import { IndexedMap } from './indexed-map'

/**
 * Resolves a plan in a context: factory → marked dials → base → this body → remembered position → bank slot → edits
 * on the body → what the mode dial fixes → hold sets and functions held → rules that change values, then what rules say of the values, of every function on the context's side, and of the camera's
 * signs. Deterministic; linear in settings, addresses and rules.
 */
export function resolve(model: BodyModel, plan: Plan, context: Context): Resolution {
  const work: Work = { model, plan, context, state: effectiveState(model, plan, context), others: new Map() }
  const settings = new IndexedMap<ResolvedSetting>(work.state.found.settingIndex)
  for (const setting of model.settings) settings.set(setting.id, resolvedSetting(work, setting))
  const { places, list } = answering(work)
  const addresses = new IndexedMap<ResolvedAddress>(places)
  for (const address of list) addresses.set(address.key, addressIn(work, address))
  return finished(work, { settings, addresses, indicators: indicatorsIn(work.state) })
}

/** What a resolution was worked out from, kept so that the next one can begin there. */
export interface Work {
  readonly model: BodyModel
  readonly plan: Plan
  readonly context: Context
  readonly state: State
  /** States with a lever or the exposure mode put elsewhere, by where. */
  readonly others: Map<string, State>
}

/** The work behind a resolution. */
export function workOf(resolution: Resolution): Work | undefined {
  return works.get(resolution)
}

/** A resolution with the work behind it. */
export function finished(work: Work, resolution: Resolution): Resolution {
  works.set(resolution, work)
  return resolution
}

const works = keptByObject<Resolution, Work>()

/** The addresses that answer on a context's side, with the place of each. */
export function answering({ state, context }: Work): Answering {
  return state.found.answering[context.run === 'playback' ? 'playback' : context.side]
}

/** What a key does, in the state in which it would answer. */
export function addressIn(work: Work, address: Address): ResolvedAddress {
  return resolveAddress(stateFor(work, address), work.plan, address, work.context)
}

/** The signs that are not to be trusted in a state. */
export function indicatorsIn(state: State): ResolvedIndicator[] {
  return rulesAbout(state, 'indicator').flatMap(({ rule, truth }) =>
    rule.then.kind === 'indicator'
      ? [
          {
            indicator: rule.then.indicator,
            says: rule.then.says,
            truth,
            rule: rule.id,
            because: rule.because,
          },
        ]
      : [],
  )
}

/** What each function would do in a context if a key had it, by function id. */
export function judgeFunctions(
  model: BodyModel,
  plan: Plan,
  functionIds: readonly string[],
  context: Context,
): ReadonlyMap<string, FunctionEffect> {
  const state = effectiveState(model, plan, context)
  return new Map(functionIds.map((id) => [id, judge(state, id, context)]))
}

/** What each function would do in a resolved context if a key had it, by function id. */
export function judgeIn(
  resolution: Resolution,
  functionIds: readonly string[],
): ReadonlyMap<string, FunctionEffect> {
  const { state, context } = workBehind(resolution)
  const known = knownOfState(state).functions
  return new Map(
    functionIds.map((id) => {
      let effect = known.get(id)
      if (!effect) known.set(id, (effect = judge(state, id, context)))
      return [id, effect]
    }),
  )
}

/** What a function would do on an address in a resolved context, were it there. */
export function judgeAt(resolution: Resolution, address: Address, functionId: string): FunctionEffect {
  const work = workBehind(resolution)
  const { context } = work
  return judge(stateFor(work, address).state, functionId, context, address, missingFrom(address, context))
}

function workBehind(resolution: Resolution): Work {
  const work = workOf(resolution)
  if (!work) throw new Error('only what resolve gave can be asked further')
  return work
}

/** A setting in a state, with what is said of its value. */
export function resolvedSetting({ state, context }: Work, setting: Setting): ResolvedSetting {
  const chain = state.chains.get(setting.id) ?? []
  const possible = state.possible.get(setting.id) ?? [inForce(chain)]
  const said = rulesAbout(state, `setting/${setting.id}`).flatMap(({ rule, truth }): Remark[] => {
    const { then } = rule
    if (then.kind === 'ineffective') return [remark('ineffective', rule, truth, state.facts)]
    if ((then.kind !== 'unavailable' && then.kind !== 'hazard') || !('values' in then)) return []
    const hit = possible.filter((value) => then.values.some((one) => sameValue(one, value))).length
    if (hit === 0) return []
    return [remark(then.kind, rule, hit === possible.length ? truth : 'unknown', state.facts)]
  })
  const remarks = [
    ...(state.doubts.get(setting.id) ?? []),
    ...said,
    ...frozenBy(state, context, setting.id),
    ...firmwareRemark(setting, setting.label, context),
    ...choicesIn(setting)
      .filter((choice) => possible.includes(choice.id))
      .flatMap((choice) => firmwareRemark(choice, choice.name, context)),
  ]
  return { setting, value: inForce(chain), possible, chain, remarks }
}

function choicesIn({ domain }: Setting): readonly Choice[] {
  return domain.kind === 'choice' ? domain.values : []
}

function frozenBy(state: State, context: Context, setting: string): Remark[] {
  return [...(context.held ?? []), ...(context.latched ?? [])].flatMap((held) =>
    rulesAbout(state, `function/${held}`).flatMap(({ rule, truth }) =>
      rule.then.kind === 'freezes' && rule.then.settings.includes(setting)
        ? [remark('frozen', rule, truth)]
        : [],
    ),
  )
}

/** The state in which an address answers: this one, or the one with its lever or exposure mode put where it has to be. */
function stateFor(work: Work, { when }: Address): { state: State; active: boolean } {
  const { model, plan, context, state: here, others } = work
  if (when === null || sameValue(here.possible.get(when.setting)?.[0], when.value))
    return { state: here, active: true }
  const key = `${when.setting}=${when.value}`
  let state = others.get(key)
  if (!state) {
    state = effectiveState(model, plan, standingAt(model, context, when))
    others.set(key, state)
  }
  return { state, active: false }
}

function resolveAddress(
  { state, active }: { state: State; active: boolean },
  plan: Plan,
  address: Address,
  context: Context,
): ResolvedAddress {
  const { functionId, source, unsure } = assigned(state, plan, address, context)
  const missing = [...missingFrom(address, context), ...unsure]
  if (functionId === null) {
    return {
      address,
      functionId,
      effectiveFunctionId: null,
      source,
      active,
      verdict: 'empty',
      remarks: missing,
    }
  }
  const swap = swappedAt(state, address)
  const there = swap ? assigned(state, plan, swap.partner, context).functionId : functionId
  if (swap && there === null)
    return {
      address,
      functionId,
      effectiveFunctionId: null,
      source,
      active,
      verdict: 'empty',
      remarks: [swap.remark],
    }
  const before = swap ? [...missing, swap.remark] : missing
  return {
    address,
    functionId,
    source,
    active,
    ...judge(state, there ?? functionId, context, address, before),
  }
}

/** The gesture with which a key has changed places, where a rule lets two controls do so. */
function swappedAt(state: State, address: Address): { partner: Address; remark: Remark } | null {
  for (const { rule, truth } of rulesAbout(state, `control/${address.control.id}`)) {
    if (rule.then.kind !== 'swapped' || truth !== 'yes') continue
    const partner = partnerOf(state, address, rule.then.controls)
    if (partner) return { partner, remark: remark('replaced', rule, truth) }
  }
  return null
}

function partnerOf({ found }: State, address: Address, controls: readonly string[]): Address | undefined {
  return found.answering[address.side].list.find(
    (one) =>
      one.control !== address.control &&
      controls.includes(one.control.id) &&
      one.gesture.id === address.gesture.id &&
      one.when?.value === address.when?.value,
  )
}

/** The keys that may do something else where the assignment of these changes: those of controls that can change places. */
export function partners({ state }: Work, keys: ReadonlySet<string>): string[] {
  const { addresses } = state.found
  return [...keys].flatMap((key) => {
    const address = addresses.get(key)
    const rules = address ? (state.rules.remarking.get(`control/${address.control.id}`) ?? []) : []
    return rules.flatMap(({ then }) => {
      const partner =
        address && then.kind === 'swapped' ? partnerOf(state, address, then.controls) : undefined
      return partner ? [partner.key] : []
    })
  })
}

/** What is on an address: a slot's own where its family keeps keys, else the plan's, else the maker's. */
export function assigned(
  state: State,
  plan: Plan,
  address: Address,
  context: Context,
): Pick<ResolvedAddress, 'functionId' | 'source'> & { readonly unsure: readonly Remark[] } {
  const planned = rowValue(plan.rows, keyRow(address)) as string | null
  const base = planned ?? address.factory
  for (const [family, slot] of Object.entries(context.banks)) {
    const kept = slot === null ? null : rowValue(plan.rows, bankKeyRow(family, slot, address))
    if (kept === null) continue
    const doubt = kept === base ? undefined : state.found.doubts.get(`families/${family}/storesKeys`)
    return { functionId: kept as string, source: 'bank', unsure: doubt ? [keptOrNot(doubt)] : [] }
  }
  return { functionId: base, source: planned === null ? 'factory' : 'plan', unsure: [] }
}

/** Where nobody knows whether a bank keeps what is on keys: with it this function is here, without it the plan's. */
function keptOrNot({ about, test }: Doubt): Remark {
  const because = `Whether banks keep what is on the keys is not known: ${test}`
  return { kind: 'replaced', truth: 'unknown', rule: 'keeps-keys', because, hangsOn: [about] }
}
