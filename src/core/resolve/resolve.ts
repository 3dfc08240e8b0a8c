import { lookup, type Address, type Lookup } from '../model/lookup'
import { amountOf } from '../model/domain'
import type { BodyModel, Rule, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { bankRow, baseRow, keyRow, type RowId } from '../plan/rows'
import { rowValue } from '../plan/step'
import { evaluate, type FactSource, type Truth } from '../rules/condition'
import { sameValue, type Value } from '../vocabulary/values'
import type { Context } from './context'

/** One layer that had a say in a value, lowest first: the last link is the value in force. */
export interface Link {
  readonly layer: 'factory' | 'base' | 'bank' | 'rule'
  readonly value: Value
  /** Row id or rule id that says so; null for factory. */
  readonly from: string | null
  readonly because: string | null
}

/** What a rule says of a value or function in this context. */
export interface Remark {
  readonly kind: 'unavailable' | 'ineffective' | 'hazard'
  /** `unknown`: it hangs on a fact nobody knows; test on the body. */
  readonly truth: Truth
  readonly rule: string
  readonly because: string
}

/** A setting's value in a context, with the whole chain behind it. */
export interface ResolvedSetting {
  readonly setting: Setting
  readonly value: Value
  readonly chain: readonly Link[]
  readonly remarks: readonly Remark[]
}

/** Whether an assigned function does anything here. */
export type Verdict = 'works' | 'inert' | 'dead' | 'test' | 'empty'

/** What a control does in a context, and why. */
export interface ResolvedAddress {
  readonly address: Address
  /** Function id, or null when nothing is assigned, by plan or by the maker. */
  readonly functionId: string | null
  readonly source: 'factory' | 'plan'
  readonly verdict: Verdict
  readonly remarks: readonly Remark[]
}

/** Everything the plan amounts to in one context. */
export interface Resolution {
  readonly settings: ReadonlyMap<string, ResolvedSetting>
  readonly addresses: ReadonlyMap<string, ResolvedAddress>
}

/**
 * Resolves a plan in a context: factory → base → bank slot → forced rules, then what rules say of the values and
 * of every function on the context's side. Deterministic; linear in settings plus rules.
 */
export function resolve(model: BodyModel, plan: Plan, context: Context): Resolution {
  const found = lookup(model)
  const { chains, facts, doubts } = effectiveState(model, found, plan, context)
  const settings = new Map(
    model.settings.map((setting) => {
      const chain = chains.get(setting.id) ?? []
      const value = chain.at(-1)?.value ?? setting.factory
      const remarks = [
        ...(doubts.get(setting.id) ?? []),
        ...remarksOn(found.settingRules.get(setting.id), facts, value),
      ]
      return [setting.id, { setting, value, chain, remarks }]
    }),
  )
  const addresses = new Map<string, ResolvedAddress>()
  for (const address of found.addresses.values()) {
    if (address.side === context.side)
      addresses.set(address.key, resolveAddress(found, plan, address, context, facts))
  }
  return { settings, addresses }
}

/** What each function would do in a context if a key had it, by function id. */
export function judgeFunctions(
  model: BodyModel,
  plan: Plan,
  functionIds: readonly string[],
  context: Context,
): ReadonlyMap<string, Pick<ResolvedAddress, 'verdict' | 'remarks'>> {
  const found = lookup(model)
  const { facts } = effectiveState(model, found, plan, context)
  return new Map(functionIds.map((id) => [id, judge(found, id, context, facts)]))
}

function effectiveState(model: BodyModel, found: Lookup, plan: Plan, context: Context) {
  const chains = new Map(model.settings.map((setting) => [setting.id, ownerChain(plan, setting, context)]))
  const facts = factsIn(found, context, chains)
  return { chains, facts, doubts: applyForced(found, chains, facts) }
}

function ownerChain(plan: Plan, setting: Setting, context: Context): Link[] {
  const chain: Link[] = [{ layer: 'factory', value: setting.factory, from: null, because: null }]
  pushRow(chain, plan, 'base', baseRow(setting, context.side))
  const slot = setting.storedBy === null ? null : (context.banks[setting.storedBy] ?? null)
  if (setting.storedBy !== null && slot !== null)
    pushRow(chain, plan, 'bank', bankRow(setting.storedBy, slot, setting.id))
  return chain
}

function pushRow(chain: Link[], plan: Plan, layer: Link['layer'], row: RowId): void {
  const value = rowValue(plan.rows, row)
  if (value !== null) chain.push({ layer, value, from: row, because: null })
}

function factsIn(found: Lookup, context: Context, chains: ReadonlyMap<string, readonly Link[]>): FactSource {
  const domain = (fact: string) => found.settings.get(fact.slice('setting/'.length))?.domain
  return {
    read(fact) {
      if (fact === 'side') return { known: true, value: context.side }
      if (fact === 'run') return { known: true, value: context.run }
      if (fact === 'lens/contacts') return { known: true, value: context.lens.contacts }
      const [kind, name = ''] = fact.split('/')
      if (kind === 'bank') return { known: true, value: context.banks[name] ?? 'plain' }
      const value = chains.get(name)?.at(-1)?.value
      return value === undefined ? { known: false } : { known: true, value }
    },
    amount(fact, value) {
      const of = domain(fact)
      return of === undefined ? undefined : amountOf(of, value)
    },
  }
}

/** Puts forced values in place, in rule order; where a condition is unknown the owner's value stays, with a doubt. */
function applyForced(found: Lookup, chains: Map<string, Link[]>, facts: FactSource): Map<string, Remark[]> {
  const doubts = new Map<string, Remark[]>()
  for (const rule of found.forced) {
    const holds = evaluate(rule.when, facts)
    const chain = chains.get(rule.then.setting)
    if (!chain || holds === 'no' || sameValue(chain.at(-1)?.value, rule.then.to)) continue
    if (holds === 'yes')
      chain.push({ layer: 'rule', value: rule.then.to, from: rule.id, because: rule.because })
    else {
      const doubt: Remark = { kind: 'unavailable', truth: 'unknown', rule: rule.id, because: rule.because }
      doubts.set(rule.then.setting, [...(doubts.get(rule.then.setting) ?? []), doubt])
    }
  }
  return doubts
}

function remarksOn(rules: readonly Rule[] | undefined, facts: FactSource, value: Value | null): Remark[] {
  return (rules ?? []).flatMap((rule) => {
    const { then } = rule
    if (then.kind === 'forced') return []
    if ('values' in then && !then.values.some((one) => value !== null && sameValue(one, value))) return []
    const holds = evaluate(rule.when, facts)
    return holds === 'no' ? [] : [{ kind: then.kind, truth: holds, rule: rule.id, because: rule.because }]
  })
}

function resolveAddress(
  found: Lookup,
  plan: Plan,
  address: Address,
  context: Context,
  facts: FactSource,
): ResolvedAddress {
  const planned = rowValue(plan.rows, keyRow(address)) as string | null
  const functionId = planned ?? address.gesture.factory[address.side] ?? null
  const source = planned === null ? 'factory' : 'plan'
  if (functionId === null) return { address, functionId, source, verdict: 'empty', remarks: [] }
  return { address, functionId, source, ...judge(found, functionId, context, facts) }
}

function judge(
  found: Lookup,
  functionId: string,
  context: Context,
  facts: FactSource,
): Pick<ResolvedAddress, 'verdict' | 'remarks'> {
  const fn = found.functions.get(functionId)
  if (!fn || fn.manner === 'none') return { verdict: 'empty', remarks: [] }
  const remarks = remarksOn(found.functionRules.get(functionId), facts, null)
  const recording = recordingRemark(fn.name, fn.whileRecording, context)
  if (recording) remarks.push(recording)
  const sure = (kind: Remark['kind']) =>
    remarks.some((remark) => remark.kind === kind && remark.truth === 'yes')
  if (sure('unavailable')) return { verdict: 'dead', remarks }
  if (sure('ineffective')) return { verdict: 'inert', remarks }
  const doubtful = remarks.some((remark) => remark.kind !== 'hazard' && remark.truth === 'unknown')
  return { verdict: doubtful ? 'test' : 'works', remarks }
}

function recordingRemark(name: string, works: 'yes' | 'no' | 'unknown', context: Context): Remark | null {
  if (context.run !== 'recording' || works === 'yes') return null
  const because =
    works === 'no'
      ? `${name} does not answer while recording.`
      : `Whether ${name} answers while recording is not known.`
  return { kind: 'unavailable', truth: works === 'no' ? 'yes' : 'unknown', rule: 'while-recording', because }
}
