import { memoize } from '../memoize'
import { amountOf } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel, Doubt, Setting } from '../model/types'
import { factsOf, ready, type Amounts, type Asked } from '../rules/condition'
import { firmwareNumber } from '../rules/facts'
import { orderReplacing } from '../rules/order'
import { remarks, type Remarking, type Replacing, type Rule } from '../rules/rule'

/** A model's rules, ready to be asked; made once for each model object. */
export interface RuleBook {
  /** Rules that change values, in the order in which they run. */
  readonly replacing: readonly ReadyRule<Replacing>[]
  /** Rules that say something of a setting, function, control or sign, by `remarkKey`. */
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
  /** The facts it asks. */
  readonly reads: readonly string[]
}

/** What a remarking rule is about: `setting/<id>`, `function/<id>`, `control/<id>` or `indicator`. */
export function remarkKey(then: Remarking): string {
  if ('setting' in then) return `setting/${then.setting}`
  if ('function' in then) return `function/${then.function}`
  if ('act' in then) return `act/${then.act}`
  return 'control' in then ? `control/${then.control}` : 'indicator'
}

/** The rules of a model, computed on first use; linear in their number, but for their order. */
export const ruleBook: (model: BodyModel) => RuleBook = memoize((model: BodyModel): RuleBook => {
  const { settings, doubts } = lookup(model)
  const ordered = orderReplacing(model.rules)
  const amounts = amountsIn(settings)
  const readied = readier(amounts, doubts)
  const remarking = remarkingOf(model.rules, readied)
  return {
    replacing: ordered.ok ? ordered.value.map((rule) => readied(rule, rule.then)) : [],
    remarking,
    remarkedBy: remarkedBy(remarking),
    actNeeds: new Map(
      model.acts.map((act) => [
        act.id,
        act.needs.map(({ when, because }) => ({ holds: ready(when, amounts), because })),
      ]),
    ),
  }
})

/** Settings compare by their domain, versions part by part, other facts as numbers. */
export function amountsIn(settings: ReadonlyMap<string, Setting>): Amounts {
  return (fact) => {
    if (fact === 'firmware') return firmwareNumber
    const domain = fact.startsWith('setting/')
      ? settings.get(fact.slice('setting/'.length))?.domain
      : undefined
    if (domain) return (value) => amountOf(domain, value)
    return (value) => (typeof value === 'number' ? value : undefined)
  }
}

/** Makes rules ready; one that is in doubt never holds for certain. */
function readier(amounts: Amounts, doubts: ReadonlyMap<string, Doubt>) {
  return <Then>(rule: Rule, then: Then): ReadyRule<Then> => {
    const asked = ready(rule.when, amounts)
    const doubt = doubts.get(`rules/${rule.id}`)
    const reads = factsOf(rule.when)
    if (!doubt) return { id: rule.id, then, because: rule.because, holds: asked, reads }
    const said = doubt.status === 'claimed' ? `${doubt.by ?? 'Somebody'} says so` : 'Nobody is sure'
    const holds: Asked = (facts) => (asked(facts) === 'no' ? 'no' : 'unknown')
    return { id: rule.id, then, because: `${rule.because} ${said}; ${doubt.test}`, holds, reads }
  }
}

function remarkingOf(
  rules: readonly Rule[],
  readied: ReturnType<typeof readier>,
): ReadonlyMap<string, readonly ReadyRule<Remarking>[]> {
  const groups = new Map<string, ReadyRule<Remarking>[]>()
  for (const rule of rules.filter(remarks)) {
    const key = remarkKey(rule.then)
    groups.set(key, [...(groups.get(key) ?? []), readied(rule, rule.then)])
  }
  return groups
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
