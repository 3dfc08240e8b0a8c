import { memoize } from '../memoize'
import { addressesOf, type Address } from './addresses'
import { amountOf } from './domain'
import { menuPlaces, type MenuPlace } from './menu'
import type { Act, AssignSide, BodyModel, Control, Domain, Doubt, ModelFunction, Setting } from './types'
import type { Value } from '../vocabulary/values'
import { factsOf, ready, type Amounts, type Asked } from '../rules/condition'
import { firmwareNumber } from '../rules/facts'
import { orderReplacing } from '../rules/order'
import { remarks, type Remarking, type Replacing, type Rule } from '../rules/rule'

/** Fast ways into a model; made once for each model object. */
export interface Lookup {
  readonly settings: ReadonlyMap<string, Setting>
  /** The first setting with each meaning. */
  readonly byMeaning: ReadonlyMap<string, Setting>
  readonly functions: ReadonlyMap<string, ModelFunction>
  readonly controls: ReadonlyMap<string, Control>
  readonly addresses: ReadonlyMap<string, Address>
  /** The addresses of each side. */
  readonly answering: Readonly<Record<AssignSide, Answering>>
  readonly acts: ReadonlyMap<string, Act>
  /** What must hold before an act, ready to be asked, by act id. */
  readonly actNeeds: ReadonlyMap<string, readonly { readonly holds: Asked; readonly because: string }[]>
  /** "Focus 2 / line 4" by setting or act id. */
  readonly menuAddress: ReadonlyMap<string, string>
  /** Where each line of the menu stands, by setting or act id. */
  readonly menuPlaces: ReadonlyMap<string, MenuPlace>
  /** What is not known for certain, by what it is about. */
  readonly doubts: ReadonlyMap<string, Doubt>
  /** The setting that means the exposure mode, and where a setting's cells are counted from. */
  readonly exposureMode: Setting | undefined
  readonly settingIndex: ReadonlyMap<string, number>
  readonly functionIndex: ReadonlyMap<string, number>
  /** Rules that change values, in the order in which they run. */
  readonly replacing: readonly ReadyRule<Replacing>[]
  /** Rules that say something of a setting, function, control or sign, by `remarkKey`. */
  readonly remarking: ReadonlyMap<string, readonly ReadyRule<Remarking>[]>
  /** The keys of `remarking` whose rules ask a fact, by that fact. */
  readonly remarkedBy: ReadonlyMap<string, readonly string[]>
}

/** The addresses that answer on a side, in order, with the place of each. */
export interface Answering {
  readonly list: readonly Address[]
  readonly places: ReadonlyMap<string, number>
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

/** The lookup of a model, computed on first use; linear in the size of the model. */
export const lookup: (model: BodyModel) => Lookup = memoize(build)

/** Where each line stands in the whole menu, counted from 0, by setting or act id. */
export const menuOrder = memoize(
  (model: BodyModel): ReadonlyMap<string, number> =>
    new Map([...lookup(model).menuPlaces.keys()].map((id, i) => [id, i])),
)

/** The domain of a setting id; throws for an id that a validated caller could not have. */
export function domainOf(model: BodyModel, settingId: string): Domain {
  const setting = lookup(model).settings.get(settingId)
  if (!setting) throw new Error(`no setting ${settingId} on ${model.id}`)
  return setting.domain
}

/** What a line of a menu is called: the label of a setting, the name of an act. */
export function itemName(model: BodyModel, id: string): string {
  const { settings, acts } = lookup(model)
  return settings.get(id)?.label ?? acts.get(id)?.name ?? id
}

/** The factory value of a setting. */
export function factoryValue(model: BodyModel, settingId: string): Value | undefined {
  return lookup(model).settings.get(settingId)?.factory
}

function build(model: BodyModel): Lookup {
  const ordered = orderReplacing(model.rules)
  const settings = byId(model.settings)
  const amounts = amountsIn(settings)
  const places = menuPlaces(model)
  const doubts = new Map(model.doubts.map((doubt) => [doubt.about, doubt]))
  const readied = readier(amounts, doubts)
  const remarking = remarkingOf(model.rules, readied)
  const addresses = addressesOf(model, settings)
  const byMeaning = firstByMeaning(model.settings)
  return {
    settings,
    byMeaning,
    functions: byId(model.functions),
    controls: byId(model.controls),
    addresses,
    answering: {
      stills: answeringOn('stills', addresses),
      motion: answeringOn('motion', addresses),
      playback: answeringOn('playback', addresses),
    },
    acts: byId(model.acts),
    actNeeds: new Map(
      model.acts.map((act) => [
        act.id,
        act.needs.map(({ when, because }) => ({ holds: ready(when, amounts), because })),
      ]),
    ),
    menuAddress: new Map(places.map((place) => [place.id, place.address])),
    menuPlaces: byId(places),
    doubts,
    exposureMode: byMeaning.get('exposure.mode'),
    settingIndex: new Map(model.settings.map((setting, i) => [setting.id, i])),
    functionIndex: new Map(model.functions.map((fn, i) => [fn.id, i])),
    replacing: ordered.ok ? ordered.value.map((rule) => readied(rule, rule.then)) : [],
    remarking,
    remarkedBy: remarkedBy(remarking),
  }
}

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

function firstByMeaning(settings: readonly Setting[]): ReadonlyMap<string, Setting> {
  const pairs = settings.flatMap((setting) =>
    setting.means === null ? [] : [[setting.means, setting] as const],
  )
  return new Map(pairs.reverse())
}

function answeringOn(side: AssignSide, addresses: ReadonlyMap<string, Address>): Answering {
  const list = [...addresses.values()].filter((address) => address.side === side)
  return { list, places: new Map(list.map((address, i) => [address.key, i])) }
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

function byId<T extends { readonly id: string }>(items: readonly T[]): ReadonlyMap<string, T> {
  return new Map(items.map((item) => [item.id, item]))
}
