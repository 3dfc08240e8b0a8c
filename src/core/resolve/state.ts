import { lookup, type Lookup, type ReadyRule } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { bankRow, baseRow, holdRow, type RowId } from '../plan/rows'
import { rowValue } from '../plan/step'
import type { FactSource, Truth } from '../rules/condition'
import { replaced } from '../rules/replace'
import type { Remarking, Replacing } from '../rules/rule'
import { sameValue, type Value } from '../vocabulary/values'
import type { Context } from './context'
import { factsIn } from './facts'
import type { Link, Remark } from './resolved'

/** A context reckoned through: every chain, every possible value, and the facts that follow. */
export interface State {
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
export function effectiveState(model: BodyModel, plan: Plan, context: Context): State {
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

/** The value at the top of a chain. */
export function inForce(chain: readonly Link[]): Value {
  const last = chain.at(-1)
  if (!last) throw new Error('a chain begins with the factory value')
  return last.value
}

function distinct(values: readonly Value[]): Value[] {
  return values.filter((value, i) => values.findIndex((other) => sameValue(other, value)) === i)
}

/** The remarking rules about something that hold, or may hold, here. */
export function asked(state: State, key: string): { rule: ReadyRule<Remarking>; truth: Truth }[] {
  return (state.found.remarking.get(key) ?? []).flatMap((rule) => {
    const truth = rule.holds(state.facts)
    return truth === 'no' ? [] : [{ rule, truth }]
  })
}

/** A remark in a rule's words. */
export function remark(kind: Remark['kind'], rule: ReadyRule<Remarking>, truth: Truth): Remark {
  return { kind, truth, rule: rule.id, because: rule.because }
}
