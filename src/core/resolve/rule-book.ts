import { memoize } from '../memoize'
import { amountOf, fieldValue } from '../model/domain'
import { lookup } from '../model/lookup'
import { actDoneBy } from '../model/menu'
import type { BodyModel, Doubt, Setting } from '../model/types'
import { amountsOf, factsOf, ready, refsIn } from '../rules/condition'
import type { Amounts, Asked, FactSource, Formula, Scales } from '../rules/condition'
import type { Bounds } from './replace'
import { firmwareNumber } from '../rules/facts'
import { orderReplacing } from '../rules/order'
import { stepOf } from '../vocabulary/ladders'
import { fixes, remarks, type Remarking, type Replacing, type Rule } from '../rules/rule'

/** A model's rules, ready to be asked; made once for each model object. */
export interface RuleBook {
  /** Rules that change values, in the order in which they run. */
  readonly replacing: readonly ReadyRule<Replacing>[]
  /** Those of them that leave a setting no other value, by setting, in the same order. */
  readonly fixing: ReadonlyMap<string, readonly ReadyRule<Replacing>[]>
  /** Rules that say something of a setting, function, control or sign, by `remarkKeys`. */
  readonly remarking: ReadonlyMap<string, readonly ReadyRule<Remarking>[]>
  /** The keys of `remarking` whose rules ask a fact, by that fact. */
  readonly remarkedBy: ReadonlyMap<string, readonly string[]>
  /** What must hold before an act, by act id. */
  readonly actNeeds: ReadonlyMap<string, readonly { readonly holds: Asked; readonly because: string }[]>
}

/** A rule with its condition ready to be asked. */
export interface ReadyRule<Then> {
  readonly id: string
  readonly then: Then
  readonly because: string
  readonly holds: Asked
  /** Whether nobody is sure that there is such a rule. */
  readonly doubted: boolean
  /** The facts it asks, and those its bounds are reckoned from. */
  readonly reads: readonly string[]
  /** For a rule with bounds: every pair they may be; null where nobody knows. */
  readonly bounds?: (facts: FactSource) => readonly Bounds[] | null
}

/** What a remarking rule is about: `setting/<id>`, `function/<id>`, `control/<id>` of each control, or `indicator`. */
export function remarkKeys(then: Remarking): string[] {
  if ('setting' in then) return [`setting/${then.setting}`]
  if ('function' in then) return [`function/${then.function}`]
  if ('act' in then) return [`act/${then.act}`]
  return 'controls' in then ? then.controls.map((id) => `control/${id}`) : ['indicator']
}

/** The rules of a model, computed on first use; linear in their number, but for their order. */
export const ruleBook: (model: BodyModel) => RuleBook = memoize((model: BodyModel): RuleBook => {
  const { settings, doubts } = lookup(model)
  const ordered = orderReplacing(model.rules)
  const scales = scalesIn(settings)
  const readied = readier(scales, doubts)
  const remarking = remarkingOf([...model.rules, ...handRules(model)], readied)
  const replacing = ordered.ok ? ordered.value.map((rule) => readied(rule, rule.then)) : []
  return {
    replacing,
    fixing: fixingOf(replacing),
    remarking,
    remarkedBy: remarkedBy(remarking),
    actNeeds: new Map(
      model.acts.map((act) => [
        act.id,
        act.needs.map(({ when, because }) => ({ holds: ready(when, scales), because })),
      ]),
    ),
  }
})

/** What holds of an act holds of a function that does it: what it needs, and the rules about it. */
function handRules(model: BodyModel): Rule[] {
  return model.functions.flatMap((fn) => {
    const act = actDoneBy(model, fn)
    if (!act) return []
    const needs = act.needs.map(({ when, because }): Rule => ({
      id: act.id,
      when: { not: when },
      then: { kind: 'unavailable', function: fn.id },
      because,
      over: [],
    }))
    const about = model.rules.flatMap((rule): Rule[] =>
      'act' in rule.then && rule.then.act === act.id
        ? [{ ...rule, then: { kind: rule.then.kind, function: fn.id } }]
        : [],
    )
    return [...needs, ...about]
  })
}

/** Settings compare by their domain, versions part by part, apertures of lenses by their mark, other facts as numbers. */
export function scalesIn(settings: ReadonlyMap<string, Setting>): Scales {
  const domainOf = (fact: string) =>
    fact.startsWith('setting/') ? settings.get(fact.slice('setting/'.length))?.domain : undefined
  const fieldIn = (fact: string, field: string) => {
    const domain = domainOf(fact)
    const at = domain?.kind === 'record' ? domain.fields.findIndex((one) => one.id === field) : -1
    const found = domain?.kind === 'record' ? domain.fields[at] : undefined
    return found && { at, domain: found.domain }
  }
  const field: Scales['field'] = (fact, name) => {
    const found = fieldIn(fact, name)
    return (value) => {
      const text: unknown = found && Array.isArray(value) ? value[found.at] : undefined
      return found && typeof text === 'string' ? fieldValue(found.domain, text) : undefined
    }
  }
  return {
    field,
    amount: ({ fact, field: name }) => {
      if (name !== undefined) {
        const found = fieldIn(fact, name)
        const of = field(fact, name)
        // What it is compared with stands by itself: a value of the field, not of the record.
        return (value) => found && amountOf(found.domain, Array.isArray(value) ? (of(value) ?? '') : value)
      }
      if (fact === 'firmware') return firmwareNumber
      const domain = domainOf(fact)
      if (domain) return (value) => amountOf(domain, value)
      return (value) => (typeof value === 'number' ? value : stepOf('aperture', value)?.amount)
    },
  }
}

/** Makes rules ready; one that is in doubt never holds for certain. */
function readier(scales: Scales, doubts: ReadonlyMap<string, Doubt>) {
  return <Then>(rule: Rule, then: Then): ReadyRule<Then> => {
    const asked = ready(rule.when, scales)
    const doubt = doubts.get(`rules/${rule.id}`)
    const bound = boundsOf(rule.then, scales)
    const reads = [...factsOf(rule.when), ...(bound?.reads ?? [])]
    const more = bound ? { bounds: bound.bounds } : {}
    if (!doubt)
      return { id: rule.id, then, because: rule.because, holds: asked, reads, doubted: false, ...more }
    const said = doubt.status === 'claimed' ? `${doubt.by ?? 'Somebody'} says so` : 'Nobody is sure'
    const holds: Asked = (facts) => (asked(facts) === 'no' ? 'no' : 'unknown')
    return {
      id: rule.id,
      then,
      because: `${rule.because} ${said}; ${doubt.test}`,
      holds,
      reads,
      doubted: true,
      ...more,
    }
  }
}

/** The bounds of a rule ready to be reckoned, with the facts they hang on; null for other rules. */
function boundsOf(then: Rule['then'], scales: Scales) {
  if (then.kind !== 'bounded') return null
  const { atLeast, atMost } = then
  const of = (formula: Formula | undefined): Amounts =>
    formula ? amountsOf(formula, scales) : () => [undefined]
  const [least, most] = [of(atLeast), of(atMost)]
  const bounds = (facts: FactSource): readonly Bounds[] | null => {
    const [low, high] = [least(facts), most(facts)]
    if (low === null || high === null) return null
    return low.flatMap((a) =>
      high.map((b) => ({
        ...(a === undefined ? {} : { atLeast: a }),
        ...(b === undefined ? {} : { atMost: b }),
      })),
    )
  }
  const refs = [...refsIn(atLeast ?? null), ...refsIn(atMost ?? null)]
  return { bounds, reads: refs.map(({ fact }) => fact) }
}

function remarkingOf(
  rules: readonly Rule[],
  readied: ReturnType<typeof readier>,
): ReadonlyMap<string, readonly ReadyRule<Remarking>[]> {
  const groups = new Map<string, ReadyRule<Remarking>[]>()
  for (const rule of rules.filter(remarks)) {
    const made = readied(rule, rule.then)
    for (const key of remarkKeys(rule.then)) groups.set(key, [...(groups.get(key) ?? []), made])
  }
  return groups
}

function fixingOf(
  replacing: readonly ReadyRule<Replacing>[],
): ReadonlyMap<string, readonly ReadyRule<Replacing>[]> {
  const found = new Map<string, ReadyRule<Replacing>[]>()
  for (const rule of replacing.filter(({ then }) => fixes(then)))
    found.set(rule.then.setting, [...(found.get(rule.then.setting) ?? []), rule])
  return found
}

function remarkedBy(
  remarking: ReadonlyMap<string, readonly ReadyRule<Remarking>[]>,
): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, Set<string>>()
  for (const [key, rules] of remarking) {
    for (const fact of rules.flatMap((rule) => rule.reads)) {
      const keys = found.get(fact) ?? new Set<string>()
      found.set(fact, keys.add(key))
    }
  }
  return new Map([...found].map(([fact, keys]) => [fact, [...keys]]))
}
