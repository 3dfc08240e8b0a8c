import { lookup, type Address, type Lookup, type ReadyRule } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { bankRow, baseRow, holdRow, keyRow, type RowId } from '../plan/rows'
import { rowValue } from '../plan/step'
import type { FactSource, Truth } from '../rules/condition'
import { replaced } from '../rules/replace'
import type { Indicator, Remarking, Replacing } from '../rules/rule'
import { sameValue, type Value } from '../vocabulary/values'
import type { Context } from './context'
import { factsIn } from './facts'

/** One layer that had a say in a value, lowest first: the last link is the value in force. */
export interface Link {
  readonly layer: 'factory' | 'base' | 'bank' | 'edit' | 'hold' | 'rule'
  readonly value: Value
  /** Row id or rule id that says so; null for factory. */
  readonly from: string | null
  readonly because: string | null
}

/** What a rule says of a value, function or control in this context. */
export interface Remark {
  readonly kind: 'unavailable' | 'ineffective' | 'hazard' | 'frozen' | 'replaced' | 'skipped'
  /** `unknown`: it hangs on a fact nobody knows; test on the body. */
  readonly truth: Truth
  readonly rule: string
  readonly because: string
}

/** A setting's value in a context, with the whole chain behind it. */
export interface ResolvedSetting {
  readonly setting: Setting
  readonly value: Value
  /** Every value it may have: more than one where a rule hangs on a fact nobody knows. */
  readonly possible: readonly Value[]
  readonly chain: readonly Link[]
  readonly remarks: readonly Remark[]
}

/** Whether an assigned function does anything here. */
export type Verdict = 'works' | 'inert' | 'dead' | 'test' | 'empty'

/** What a control does in a context, and why. */
export interface ResolvedAddress {
  readonly address: Address
  /** Function asked for, or null when nothing is assigned, by plan or by the maker. */
  readonly functionId: string | null
  /** What the key really does, where a rule puts another function in its place; else the same. */
  readonly gets: string | null
  readonly source: 'factory' | 'plan'
  readonly verdict: Verdict
  readonly remarks: readonly Remark[]
}

/** A sign of the camera that is not to be trusted here. */
export interface ResolvedIndicator {
  readonly indicator: Indicator
  readonly says: 'misleads' | 'absent'
  readonly truth: Truth
  readonly rule: string
  readonly because: string
}

/** Everything the plan amounts to in one context. */
export interface Resolution {
  readonly settings: ReadonlyMap<string, ResolvedSetting>
  readonly addresses: ReadonlyMap<string, ResolvedAddress>
  readonly indicators: readonly ResolvedIndicator[]
}

/** How a function stands in a context. */
export type Standing = Pick<ResolvedAddress, 'gets' | 'verdict' | 'remarks'>

/**
 * Resolves a plan in a context: factory → base → bank slot → edits on the body → hold sets in force → rules that
 * change values, then what rules say of the values, of every function on the context's side, and of the camera's signs. Deterministic; linear in settings,
 * addresses and rules.
 */
export function resolve(model: BodyModel, plan: Plan, context: Context): Resolution {
  const state = effectiveState(model, plan, context)
  const settings = new Map(
    model.settings.map((setting) => [setting.id, resolvedSetting(state, context, setting)]),
  )
  const addresses = new Map<string, ResolvedAddress>()
  for (const address of state.found.addresses.values()) {
    if (address.side === context.side)
      addresses.set(address.key, resolveAddress(state, plan, address, context))
  }
  const indicators = asked(state, 'indicator').flatMap(({ rule, truth }) =>
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
  return { settings, addresses, indicators }
}

/** What each function would do in a context if a key had it, by function id. */
export function judgeFunctions(
  model: BodyModel,
  plan: Plan,
  functionIds: readonly string[],
  context: Context,
): ReadonlyMap<string, Standing> {
  const state = effectiveState(model, plan, context)
  return new Map(functionIds.map((id) => [id, judge(state, id, context)]))
}

interface State {
  readonly found: Lookup
  readonly chains: ReadonlyMap<string, readonly Link[]>
  readonly possible: ReadonlyMap<string, readonly Value[]>
  /** Rules that may or may not have changed a setting. */
  readonly doubts: ReadonlyMap<string, readonly Remark[]>
  readonly facts: FactSource
}

/**
 * The state with every overlay. A row of a hold set whose value the body refuses here is skipped, with a remark; the
 * set's other rows apply.
 */
function effectiveState(model: BodyModel, plan: Plan, context: Context): State {
  const whole = stateWith(model, plan, context, new Map())
  const refused = new Map<string, Remark>()
  for (const [id, chain] of whole.chains) {
    const refusal = chain.at(-1)?.layer === 'hold' ? refusalOf(whole, id) : null
    if (refusal) refused.set(id, { ...refusal, kind: 'skipped' })
  }
  return refused.size === 0 ? whole : stateWith(model, plan, context, refused)
}

function stateWith(
  model: BodyModel,
  plan: Plan,
  context: Context,
  skipped: ReadonlyMap<string, Remark>,
): State {
  const found = lookup(model)
  const overlays = heldSets(found, context)
  const chains = new Map(
    model.settings.map((setting) => {
      const chain = ownerChain(plan, setting, context)
      if (!skipped.has(setting.id))
        for (const set of overlays) pushRow(chain, plan, 'hold', holdRow(set, setting.id))
      return [setting.id, chain]
    }),
  )
  const possible = new Map([...chains].map(([id, chain]) => [id, [inForce(chain)]]))
  const doubts = new Map([...skipped].map(([id, one]) => [id, [one]]))
  const facts = factsIn(found, plan, context, possible)
  for (const rule of found.replacing) applyRule(rule, found, chains, possible, doubts, facts)
  return { found, chains, possible, doubts, facts }
}

/** The hold sets in force, in the order in which their keys went down. */
function heldSets(found: Lookup, context: Context): string[] {
  const down = [...(context.latched ?? []), ...(context.held ?? [])]
  return down.flatMap((id) => found.functions.get(id)?.holdSet ?? [])
}

function refusalOf(state: State, setting: string): Remark | null {
  const value = state.possible.get(setting) ?? []
  const certain = asked(state, `setting/${setting}`).find(({ rule, truth }) => {
    const { then } = rule
    const about = then.kind === 'unavailable' && 'values' in then ? then.values : []
    return truth === 'yes' && value.every((one) => about.some((other) => sameValue(one, other)))
  })
  return certain ? remark('unavailable', certain.rule, 'yes') : null
}

/** One value-changing rule: certain, it joins the chain; in doubt, it adds what might be. */
function applyRule(
  rule: ReadyRule<Replacing>,
  found: Lookup,
  chains: Map<string, Link[]>,
  possible: Map<string, Value[]>,
  doubts: Map<string, Remark[]>,
  facts: FactSource,
): void {
  const { setting } = rule.then
  const domain = found.settings.get(setting)?.domain
  const chain = chains.get(setting)
  const truth = rule.holds(facts)
  if (!domain || !chain || truth === 'no') return
  const before = possible.get(setting) ?? []
  const after = before.map((value) => replaced(rule.then, domain, value))
  if (after.every((value, i) => sameValue(value, before[i]))) return
  possible.set(setting, distinct(truth === 'yes' ? after : [...before, ...after]))
  const got = replaced(rule.then, domain, inForce(chain))
  if (truth === 'yes') {
    if (!sameValue(got, inForce(chain)))
      chain.push({ layer: 'rule', value: got, from: rule.id, because: rule.because })
  } else {
    const doubt: Remark = { kind: 'replaced', truth, rule: rule.id, because: rule.because }
    doubts.set(setting, [...(doubts.get(setting) ?? []), doubt])
  }
}

function ownerChain(plan: Plan, setting: Setting, context: Context): Link[] {
  const chain: Link[] = [{ layer: 'factory', value: setting.factory, from: null, because: null }]
  pushRow(chain, plan, 'base', baseRow(plan.rows, setting, context.side))
  const slot = setting.storedBy === null ? null : (context.banks[setting.storedBy] ?? null)
  if (setting.storedBy !== null && slot !== null)
    pushRow(chain, plan, 'bank', bankRow(setting.storedBy, slot, setting.id))
  const edited = context.edits?.[setting.id]
  if (edited !== undefined) chain.push({ layer: 'edit', value: edited, from: null, because: null })
  return chain
}

function pushRow(chain: Link[], plan: Plan, layer: Link['layer'], row: RowId): void {
  const value = rowValue(plan.rows, row)
  if (value !== null) chain.push({ layer, value, from: row, because: null })
}

function inForce(chain: readonly Link[]): Value {
  const last = chain.at(-1)
  if (!last) throw new Error('a chain begins with the factory value')
  return last.value
}

function distinct(values: readonly Value[]): Value[] {
  return values.filter((value, i) => values.findIndex((other) => sameValue(other, value)) === i)
}

/** The remarking rules about something that hold, or may hold, here. */
function asked(state: State, key: string): { rule: ReadyRule<Remarking>; truth: Truth }[] {
  return (state.found.remarking.get(key) ?? []).flatMap((rule) => {
    const truth = rule.holds(state.facts)
    return truth === 'no' ? [] : [{ rule, truth }]
  })
}

function remark(kind: Remark['kind'], rule: ReadyRule<Remarking>, truth: Truth): Remark {
  return { kind, truth, rule: rule.id, because: rule.because }
}

function resolvedSetting(state: State, context: Context, setting: Setting): ResolvedSetting {
  const chain = state.chains.get(setting.id) ?? []
  const possible = state.possible.get(setting.id) ?? [inForce(chain)]
  const said = asked(state, `setting/${setting.id}`).flatMap(({ rule, truth }): Remark[] => {
    const { then } = rule
    if (then.kind === 'ineffective') return [remark('ineffective', rule, truth)]
    if ((then.kind !== 'unavailable' && then.kind !== 'hazard') || !('values' in then)) return []
    const hit = possible.filter((value) => then.values.some((one) => sameValue(one, value))).length
    if (hit === 0) return []
    return [remark(then.kind, rule, hit === possible.length ? truth : 'unknown')]
  })
  const remarks = [...(state.doubts.get(setting.id) ?? []), ...said, ...frozenBy(state, context, setting.id)]
  return { setting, value: inForce(chain), possible, chain, remarks }
}

function frozenBy(state: State, context: Context, setting: string): Remark[] {
  return (context.held ?? []).flatMap((held) =>
    asked(state, `function/${held}`).flatMap(({ rule, truth }) =>
      rule.then.kind === 'freezes' && rule.then.settings.includes(setting)
        ? [remark('frozen', rule, truth)]
        : [],
    ),
  )
}

function resolveAddress(state: State, plan: Plan, address: Address, context: Context): ResolvedAddress {
  const planned = rowValue(plan.rows, keyRow(address)) as string | null
  const functionId = planned ?? address.gesture.factory[address.side] ?? null
  const source = planned === null ? 'factory' : 'plan'
  if (functionId === null) return { address, functionId, gets: null, source, verdict: 'empty', remarks: [] }
  return { address, functionId, source, ...judge(state, functionId, context, address.control.id) }
}

function judge(state: State, functionId: string, context: Context, control: string | null = null): Standing {
  const becomes = asked(state, `function/${functionId}`).filter(({ rule }) => rule.then.kind === 'becomes')
  const sure = becomes.find(({ truth }) => truth === 'yes')?.rule.then
  const gets = sure?.kind === 'becomes' && 'function' in sure ? sure.to : functionId
  const fn = state.found.functions.get(gets)
  const remarks = becomes.map(({ rule, truth }) => remark('replaced', rule, truth))
  if (!fn || fn.manner === 'none') return { gets, verdict: 'empty', remarks }
  const about = [
    ...asked(state, `function/${gets}`),
    ...(control === null ? [] : asked(state, `control/${control}`)),
  ]
  for (const { rule, truth } of about) {
    const { kind } = rule.then
    if (kind === 'unavailable' || kind === 'ineffective' || kind === 'hazard')
      remarks.push(remark(kind, rule, truth))
  }
  const recording = recordingRemark(fn.name, fn.whileRecording, context)
  if (recording) remarks.push(recording)
  return { gets, verdict: verdictOf(remarks), remarks }
}

function verdictOf(remarks: readonly Remark[]): Verdict {
  const sure = (kind: Remark['kind']) => remarks.some((one) => one.kind === kind && one.truth === 'yes')
  if (sure('unavailable')) return 'dead'
  if (sure('ineffective')) return 'inert'
  return remarks.some((one) => one.kind !== 'hazard' && one.truth === 'unknown') ? 'test' : 'works'
}

function recordingRemark(name: string, works: 'yes' | 'no' | 'unknown', context: Context): Remark | null {
  if (context.run !== 'recording' || works === 'yes') return null
  const because =
    works === 'no'
      ? `${name} does not answer while recording.`
      : `Whether ${name} answers while recording is not known.`
  return { kind: 'unavailable', truth: works === 'no' ? 'yes' : 'unknown', rule: 'while-recording', because }
}
