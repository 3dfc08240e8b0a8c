import { keptByObject } from '../memoize'
import { holdRow } from '../plan/rows'
import { lookup, type Lookup } from '../model/lookup'
import type { BodyModel, Domain, ModelFunction } from '../model/types'
import type { Plan } from '../plan/plan'
import type { FactSource, Truth } from '../rules/condition'
import { bounded, replaced } from './replace'
import type { Remarking, Replacing } from '../rules/rule'
import { sameValue, type Value } from '../vocabulary/values'
import type { Context } from './context'
import { factsIn } from './facts'
import { ruleBook, type ReadyRule, type RuleBook } from './rule-book'
import type { Found } from './flips'
import { functionsInForce } from './held'
import { distinct, inForce, ownedValues, ownerChain, ownersIn, rowLink } from './owners'
import type { FunctionEffect, Link, Remark } from './resolved'
import { IndexedMap } from './indexed-map'

/** A context reckoned through: every chain, every possible value, and the facts that follow. */
export interface State {
  readonly found: Lookup
  readonly rules: RuleBook
  readonly chains: IndexedMap<readonly Link[]>
  readonly possible: IndexedMap<readonly Value[]>
  /** Rules that may or may not have changed a setting. */
  readonly doubts: ReadonlyMap<string, readonly Remark[]>
  readonly facts: FactSource
}

/**
 * The state with every overlay. A row of a hold set whose value the body refuses here is skipped, with a remark, and so is
 * a value that a held function brings; the others apply.
 */
export function effectiveState(model: BodyModel, plan: Plan, context: Context): State {
  return stateHolding(ownedIn(model, plan, context), context)
}

/** What every setting is before anything is held or on, and before rules: the same whatever is then held. */
export interface Owned {
  readonly model: BodyModel
  readonly plan: Plan
  readonly chains: IndexedMap<readonly Link[]>
  readonly possible: IndexedMap<readonly Value[]>
}

/** The values of a context as their owners have them. */
export function ownedIn(model: BodyModel, plan: Plan, context: Context): Owned {
  const { settingIndex } = lookup(model)
  const owners = ownersIn(model, plan, context)
  const chains = new IndexedMap<readonly Link[]>(settingIndex)
  const possible = new IndexedMap<readonly Value[]>(settingIndex)
  for (const setting of model.settings) {
    const chain = ownerChain(owners, setting)
    chains.set(setting.id, chain)
    possible.set(setting.id, ownedValues(owners, setting, chain))
  }
  return { model, plan, chains, possible }
}

const nothing: Pick<ModelFunction, 'holdSet' | 'overrides'> = {}

/** The state with what a context holds and has on; `owned` comes of a context that differs in nothing else. */
export function stateHolding(owned: Owned, context: Context): State {
  const whole = stateWith(owned, context, new Map())
  const { functions } = whole.found
  const all = [...(context.held ?? []), ...(context.latched ?? [])]
  const overlays = ({ holdSet, overrides }: typeof nothing) =>
    holdSet !== undefined || overrides !== undefined
  if (!all.some((id) => overlays(functions.get(id) ?? nothing))) return whole
  const refused = new Map<string, Remark>()
  for (const [id, chain] of whole.chains) {
    const top = chain.at(-1)?.layer
    const refusal = top === 'hold' || top === 'held' ? refusalOf(whole, id) : null
    if (refusal) refused.set(id, { ...refusal, kind: 'skipped' })
  }
  return refused.size === 0 ? whole : stateWith(owned, context, refused)
}

function stateWith(
  { model, plan, ...owned }: Owned,
  context: Context,
  skipped: ReadonlyMap<string, Remark>,
): State {
  const found = lookup(model)
  const rules = ruleBook(model)
  const chains = owned.chains.copy()
  const possible = owned.possible.copy()
  const overlay = (setting: string, link: Link | null) => {
    const chain = chains.get(setting)
    if (!chain || !link) return
    chains.set(setting, [...chain, link])
    possible.set(setting, [link.value])
  }
  const now = (setting: string) => inForce(chains.get(setting) ?? [])
  for (const fn of functionsInForce(model, found, context, now)) {
    const set = fn.holdSet
    const ticked = set === undefined ? [] : model.settings.filter((setting) => !skipped.has(setting.id))
    for (const setting of ticked) overlay(setting.id, rowLink(plan, 'hold', holdRow(set ?? '', setting.id)))
    for (const [setting, value] of Object.entries(fn.overrides ?? {})) {
      if (skipped.has(setting)) continue
      overlay(setting, {
        layer: 'held',
        value,
        row: null,
        from: fn.id,
        because: `${fn.name} is held, or on.`,
      })
    }
  }
  const doubts = new Map<string, readonly Remark[]>([...skipped].map(([id, one]) => [id, [one]]))
  const facts = factsIn(model, plan, context, possible)
  for (const rule of rules.replacing) applyRule(rule, found, chains, possible, doubts, facts)
  return { found, rules, chains, possible, doubts, facts }
}

function refusalOf(state: State, setting: string): Remark | null {
  const value = state.possible.get(setting) ?? []
  const certain = rulesAbout(state, `setting/${setting}`).find(({ rule, truth }) => {
    const { then } = rule
    const about = then.kind === 'unavailable' && 'values' in then ? then.values : []
    return truth === 'yes' && value.every((one) => about.some((other) => sameValue(one, other)))
  })
  return certain ? remark('unavailable', certain.rule, 'yes') : null
}

/**
 * The state after rows of these settings, or the facts in `asked`, changed, all else being as it was; only for contexts in which nothing is held
 * or on. What a changed value feeds through rules is reckoned anew too (`changed` names all that was); the rest is taken
 * over as it stands.
 */
export function stateAfter(
  model: BodyModel,
  plan: Plan,
  context: Context,
  before: State,
  settings: Iterable<string>,
  asked: ReadonlySet<string> = new Set(),
): { state: State; changed: ReadonlySet<string> } {
  const { found, rules } = before
  const anew = new Set(settings)
  for (const rule of rules.replacing)
    if (rule.reads.some((fact) => asked.has(fact) || anew.has(fact.slice('setting/'.length))))
      anew.add(rule.then.setting)
  if (anew.size === 0)
    return { state: { ...before, facts: factsIn(model, plan, context, before.possible) }, changed: anew }
  const owners = ownersIn(model, plan, context)
  const chains = before.chains.copy()
  const possible = before.possible.copy()
  const doubts = new Map(before.doubts)
  for (const id of anew) {
    const setting = found.settings.get(id)
    if (!setting) continue
    const chain = ownerChain(owners, setting)
    chains.set(id, chain)
    possible.set(id, ownedValues(owners, setting, chain))
    doubts.delete(id)
  }
  const facts = factsIn(model, plan, context, possible)
  for (const rule of rules.replacing)
    if (anew.has(rule.then.setting)) applyRule(rule, found, chains, possible, doubts, facts)
  return { state: { found, rules, chains, possible, doubts, facts }, changed: anew }
}

/** One value-changing rule: certain, it joins the chain; in doubt, it adds what might be. */
function applyRule(
  rule: ReadyRule<Replacing>,
  found: Lookup,
  chains: IndexedMap<readonly Link[]>,
  possible: IndexedMap<readonly Value[]>,
  doubts: Map<string, readonly Remark[]>,
  facts: FactSource,
): void {
  const { setting } = rule.then
  const domain = found.settings.get(setting)?.domain
  const chain = chains.get(setting)
  const truth = rule.holds(facts)
  if (!domain || !chain || truth === 'no') return
  const before = possible.get(setting) ?? []
  const puts = putting(rule, domain, facts)
  if (puts === null) return
  const [put, ...others] = puts
  if (!put) return
  if (others.length > 0) {
    const maybe = puts.flatMap((one) => before.map(one))
    possible.set(setting, distinct(truth === 'yes' ? maybe : [...before, ...maybe]))
    return
  }
  const after = before.map(put)
  if (after.every((value, i) => sameValue(value, before[i]))) return
  possible.set(setting, distinct(truth === 'yes' ? after : [...before, ...after]))
  const got = put(inForce(chain))
  if (truth === 'yes') {
    if (!sameValue(got, inForce(chain)))
      chains.set(setting, [
        ...chain,
        { layer: 'rule', value: got, row: null, from: rule.id, because: rule.because },
      ])
  } else {
    const hangs = unknownsOf(rule, facts)
    const doubt: Remark = { kind: 'replaced', truth, rule: rule.id, because: rule.because, hangsOn: hangs }
    doubts.set(setting, [...(doubts.get(setting) ?? []), doubt])
  }
}

/** What a rule puts in the place of a value: more than one way where its bounds hang on what nobody knows; null where nothing is known of them. */
function putting(
  { then, bounds }: ReadyRule<Replacing>,
  domain: Domain,
  facts: FactSource,
): readonly ((value: Value) => Value)[] | null {
  if (then.kind !== 'bounded') return [(value) => replaced(then, domain, value)]
  const all = bounds?.(facts) ?? null
  return all && all.map((one) => (value: Value) => bounded(domain, value, one))
}

/** The remarking rules about something that hold, or may hold, here. */
export function rulesAbout(state: State, key: string): readonly RuleHere[] {
  const rules = state.rules.remarking.get(key)
  if (!rules) return noRules
  const known = knownOfState(state).rules
  let here = known.get(key)
  if (!here) {
    here = rules.flatMap((rule) => {
      const truth = rule.holds(state.facts)
      return truth === 'no' ? [] : [{ rule, truth }]
    })
    known.set(key, here)
  }
  return here
}

/** A remarking rule that holds, or may hold, in a state. */
export interface RuleHere {
  readonly rule: ReadyRule<Remarking>
  readonly truth: Truth
}

const noRules: readonly RuleHere[] = []

/** What has been worked out of a state, by what it was asked about: a state never changes. */
interface KnownOfState {
  readonly rules: Map<string, readonly RuleHere[]>
  /** Functions on no key in particular, by id. */
  readonly functions: Map<string, FunctionEffect>
}

const knownOf = keptByObject<State, KnownOfState>()

/** What has been worked out of a state so far. */
export function knownOfState(state: State): KnownOfState {
  let known = knownOf.get(state)
  if (!known) knownOf.set(state, (known = { rules: new Map(), functions: new Map() }))
  return known
}

/** Takes over what is known of the state before: all of it where no rule is asked otherwise, else the rules about what is not in `changed`. */
export function keepKnown(before: State, after: State, changed: ReadonlySet<string>): void {
  const known = knownOf.get(before)
  if (before === after || !known) return
  const rules = [...known.rules].filter(([key]) => !changed.has(key))
  knownOf.set(after, changed.size === 0 ? known : { rules: new Map(rules), functions: new Map() })
}

/** The rules by which a value cannot be chosen in a state, for certain or perhaps. */
export function refusals(state: State, setting: string, value: Value): ReturnType<typeof rulesAbout> {
  return rulesAbout(state, `setting/${setting}`).filter(({ rule: { then } }) => {
    const about = then.kind === 'unavailable' && 'values' in then ? then.values : []
    return about.some((one) => sameValue(one, value))
  })
}

/** The reasons for which a value cannot be chosen in a state, for certain or perhaps; empty where it can. */
export function refusing(
  state: State,
  setting: string,
  value: Value,
  truth: 'yes' | 'unknown' = 'yes',
): string[] {
  return refusals(state, setting, value)
    .filter((one) => one.truth === truth)
    .map(({ rule }) => rule.because)
}

/** What a press finds in a state: what is in force, and what cannot be chosen. */
export function foundIn(state: State): Found {
  return {
    now: (setting) => state.possible.get(setting)?.[0],
    refuses: (setting, value) => refusing(state, setting, value).length > 0,
  }
}

/** A remark in a rule's words. */
export function remark(
  kind: Remark['kind'],
  rule: ReadyRule<Remarking>,
  truth: Truth,
  facts: FactSource | null = null,
): Remark {
  const said = { kind, truth, rule: rule.id, because: rule.because }
  return truth === 'unknown' && facts ? { ...said, hangsOn: unknownsOf(rule, facts) } : said
}

/** What nobody knows of what a rule hangs on: facts, and whether there is such a rule. */
function unknownsOf({ id, reads, doubted }: ReadyRule<unknown>, facts: FactSource): string[] {
  return [...(doubted ? [`rules/${id}`] : []), ...reads.filter((fact) => !facts.read(fact).known)]
}
