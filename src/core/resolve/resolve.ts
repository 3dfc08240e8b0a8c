import { keptByObject } from '../memoize'
import { bankKeyRow, keyRow, rowValue } from '../plan/rows'
import type { Address } from '../model/addresses'
import type { Answering } from '../model/lookup'
import type { BodyModel, Choice, FirmwareRange, ModelFunction } from '../model/types'
import type { RunState, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { thereIn } from '../rules/facts'
import { focusRole } from '../vocabulary/focus-roles'
import { sameValue } from '../vocabulary/values'
import { standingAt, type Context } from './context'
import type { Remark, Resolution, ResolvedAddress, ResolvedIndicator } from './resolved'
import type { ResolvedSetting, FunctionEffect, Verdict } from './resolved'
import { flipsOf } from './flips'
import { inForce } from './owners'
import { isThere, presences } from './presence'
import { rulesAbout, effectiveState, refusing, remark, type State } from './state'
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
  return new Map(functionIds.map((id) => [id, judge(state, id, context)]))
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
  const { functionId, source } = assigned(state, plan, address, context)
  const missing = missingFrom(address, context)
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
): Pick<ResolvedAddress, 'functionId' | 'source'> {
  for (const [family, slot] of Object.entries(context.banks)) {
    const kept = slot === null ? null : rowValue(plan.rows, bankKeyRow(family, slot, address))
    if (kept !== null) return { functionId: kept as string, source: 'bank' }
  }
  const planned = rowValue(plan.rows, keyRow(address)) as string | null
  return planned === null
    ? { functionId: address.factory, source: 'factory' }
    : { functionId: planned, source: 'plan' }
}

/** What speaks against a key whatever is on it: it is not there with this lens, or without grip or adapter. */
function presenceRemarks({ control }: Address, context: Context): Remark[] {
  if (control.presence === undefined || isThere(control, context)) return []
  const { because } = presences[control.presence]
  return [{ kind: 'unavailable', truth: 'yes', rule: 'presence', because }]
}

/** Why a gesture is not there at all: its control is not, or the firmware knows no such gesture. */
export function missingFrom(address: Address, context: Context): Remark[] {
  return [...presenceRemarks(address, context), ...firmwareRemark(address.gesture, address.name, context)]
}

/** Where something came with one firmware or went with another: it is not there in the others. */
function firmwareRemark(range: FirmwareRange, name: string, context: Context): Remark[] {
  const there = thereIn(range, context.firmware)
  if (there === 'yes') return []
  const since = range.since === undefined ? '' : ` from firmware ${range.since}`
  const until = range.until === undefined ? '' : ` up to firmware ${range.until}`
  const here =
    context.firmware === undefined
      ? 'which firmware this body has is not known'
      : `this body has ${context.firmware}`
  const because = `${name} is there${since}${until}; ${here}.`
  if (there === 'no') return [{ kind: 'unavailable', truth: 'yes', rule: 'firmware', because }]
  return [{ kind: 'unavailable', truth: 'unknown', rule: 'firmware', because, hangsOn: ['firmware'] }]
}

/** How a function stands in a state; `before` is what speaks against the key it is on. */
export function judge(
  state: State,
  functionId: string,
  context: Context,
  address: Address | null = null,
  before: readonly Remark[] = [],
): FunctionEffect {
  const lent = address === null ? null : lentBy(state, address, context)
  const wanted = lent?.to ?? functionId
  const becomes = rulesAbout(state, `function/${wanted}`).filter(
    ({ rule: { then } }) => then.kind === 'becomes' && 'function' in then && isOn(then.controls, address),
  )
  const sure = becomes.find(({ truth }) => truth === 'yes')?.rule.then
  const gets = sure?.kind === 'becomes' && 'function' in sure ? sure.to : wanted
  const fn = state.found.functions.get(gets)
  const remarks = [
    ...before,
    ...(lent ? [lent.remark] : []),
    ...becomes.map(({ rule, truth }) => remark('replaced', rule, truth, state.facts)),
  ]
  if (!fn || fn.manner === 'none') return { effectiveFunctionId: gets, verdict: 'empty', remarks }
  const onControl = address === null ? [] : rulesAbout(state, `control/${address.control.id}`)
  const about = [
    ...onControl.filter(({ rule: { then } }) => !('butFor' in then && then.butFor?.includes(gets))),
    ...rulesAbout(state, `function/${gets}`),
  ]
  for (const { rule, truth } of about) {
    const { kind } = rule.then
    if (kind === 'unavailable' || kind === 'ineffective' || kind === 'hazard')
      remarks.push(remark(kind, rule, truth, state.facts))
  }
  if (!remarks.some(({ kind, truth }) => kind === 'ineffective' && truth === 'yes'))
    remarks.push(...idleRemarks(state, fn))
  remarks.push(...notBrought(state, fn))
  remarks.push(...firmwareRemark(fn, fn.name, context), ...runRemark(state, fn, context))
  if (
    fn.means === 'movie.record' &&
    context.side === 'stills' &&
    state.found.filming?.fromStills === 'refused'
  )
    remarks.push(refusedInStills)
  return { effectiveFunctionId: gets, verdict: verdictOf(remarks), remarks }
}

/** The manners in which a function sets what it changes, so that it does nothing where that setting does nothing. */
const settingManners: ReadonlySet<ModelFunction['manner']> = new Set([
  ...(['turn', 'choose', 'held-and-turn', 'toggle', 'cycle', 'swipe'] as const),
])

/** A function that only sets what has no effect here has none either. */
function idleRemarks(state: State, fn: ModelFunction): Remark[] {
  const { manner, changes } = fn
  const [changed] = changes
  if (changed === undefined || changes.length > 1 || !settingManners.has(manner)) return []
  const said = rulesAbout(state, `setting/${changed}`)
    .filter(({ rule }) => rule.then.kind === 'ineffective')
    .map(({ rule, truth }) => remark('ineffective', rule, truth, state.facts))
  const forcing = fn.means === 'controls.modeDial' ? null : fixedBy(state, changed)
  const one = onlyOffered(state, fn)
  return [...said, ...(forcing ? [forcing] : []), ...(one ? [one] : [])]
}

/** What a held function would bring and the camera refuses here: it does the rest; nothing, where that is all there is. */
function notBrought(state: State, fn: ModelFunction): Remark[] {
  const brought = Object.entries(fn.overrides ?? {})
  const refused = brought.flatMap(([setting, value]) => refusing(state, setting, value).slice(0, 1))
  const [because] = refused
  if (because === undefined) return []
  const doesNothing = refused.length === brought.length && focusRole(fn.means) === 'none'
  const rule = 'not-brought'
  return [
    {
      kind: doesNothing ? 'ineffective' : 'hazard',
      truth: 'yes',
      rule,
      because: `${because} ${fn.name} does not bring it here.`,
    },
  ]
}

/** Where a rule or the mode dial fixes a value, whatever is set. */
function fixedBy(state: State, setting: string): Remark | null {
  const last = state.chains.get(setting)?.at(-1)
  if (last?.layer === 'dial')
    return { kind: 'ineffective', truth: 'yes', rule: 'mode-dial', because: last.because ?? '' }
  if (last?.layer !== 'rule') return null
  const rule = state.rules.replacing.find(({ id, then }) => id === last.from && then.kind === 'forced')
  return rule ? { kind: 'ineffective', truth: 'yes', rule: rule.id, because: rule.because } : null
}

/** Where a cycle has only one value to step to. */
function onlyOffered(state: State, fn: ModelFunction): Remark | null {
  const flips = fn.manner === 'cycle' ? flipsOf(state.found, fn, (id) => state.possible.get(id)?.[0]) : null
  if (!flips || flips.values.length > 1) return null
  const because = `${fn.name} has only one to step to: the others are not on offer.`
  return { kind: 'ineffective', truth: 'yes', rule: 'only-one', because }
}

/** On a body whose record key films from the motion side only. */
const refusedInStills: Remark = {
  kind: 'unavailable',
  truth: 'yes',
  rule: 'filming',
  because: 'This body does not film from the stills side.',
}

/** Whether a rule about a function speaks of it on this key: where it names controls, only on those. */
function isOn(controls: readonly string[] | undefined, address: Address | null): boolean {
  return controls === undefined || (address !== null && controls.includes(address.control.id))
}

/** The function that a held key lends to this gesture. */
function lentBy(state: State, address: Address, context: Context): { to: string; remark: Remark } | null {
  const gesture = `${address.control.id}/${address.gesture.id}`
  for (const id of [...(context.held ?? [])].reverse()) {
    const fn = state.found.functions.get(id)
    const to = fn?.whileHeld?.[gesture]
    const because = `${fn?.name ?? id} is held and lends this to it.`
    if (to !== undefined)
      return { to, remark: { kind: 'replaced', truth: 'yes', rule: 'while-held', because } }
  }
  return null
}

function verdictOf(remarks: readonly Remark[]): Verdict {
  const sure = (kind: Remark['kind']) => remarks.some((one) => one.kind === kind && one.truth === 'yes')
  if (sure('unavailable')) return 'dead'
  if (sure('ineffective')) return 'inert'
  return remarks.some((one) => one.kind !== 'hazard' && one.truth === 'unknown') ? 'test' : 'works'
}

const stateWords: Record<RunState, string> = {
  idle: 'while the camera rests',
  standby: 'in standby',
  recording: 'while recording',
  menu: 'while the menu is open',
  playback: 'in playback',
}

function runRemark(state: State, fn: ModelFunction, { run }: Context): Remark[] {
  const doubt = state.found.doubts.get(`functions/${fn.id}/${run}`)
  if (doubt) {
    const because = `Whether ${fn.name} answers ${stateWords[run]} is not known: ${doubt.test}`
    const hangsOn = [`functions/${fn.id}/${run}`]
    return [{ kind: 'unavailable', truth: 'unknown', rule: 'run-state', because, hangsOn }]
  }
  if (!fn.notWhile.includes(run)) return []
  const because = `${fn.name} does not answer ${stateWords[run]}.`
  return [{ kind: 'unavailable', truth: 'yes', rule: 'run-state', because }]
}
