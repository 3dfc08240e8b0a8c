import { amountOf } from './domain'
import type { BodyModel, Control, Domain, Gesture, ModelFunction, Setting, Side } from './types'
import type { Value } from '../vocabulary/values'
import { ready, type Amounts, type Asked } from '../rules/condition'
import { firmwareNumber } from '../rules/facts'
import { orderReplacing } from '../rules/order'
import { remarks, type Remarking, type Replacing, type Rule } from '../rules/rule'

/** One place a function can be assigned to. */
export interface Address {
  /** `side/control/gesture`, as in row ids. */
  readonly key: string
  readonly side: Side
  readonly control: Control
  readonly gesture: Gesture
  /** Position among all addresses of the model, side by side in file order: card files use it. */
  readonly index: number
}

/** Fast ways into a model; made once for each model object. */
export interface Lookup {
  readonly settings: ReadonlyMap<string, Setting>
  readonly functions: ReadonlyMap<string, ModelFunction>
  readonly controls: ReadonlyMap<string, Control>
  readonly addresses: ReadonlyMap<string, Address>
  /** "Focus 2 / line 4" by setting id. */
  readonly menuAddress: ReadonlyMap<string, string>
  readonly settingIndex: ReadonlyMap<string, number>
  readonly functionIndex: ReadonlyMap<string, number>
  /** Rules that change values, in the order in which they run. */
  readonly replacing: readonly ReadyRule<Replacing>[]
  /** Rules that say something of a setting, function, control or sign, by `remarkKey`. */
  readonly remarking: ReadonlyMap<string, readonly ReadyRule<Remarking>[]>
}

/** A rule with its condition ready to be asked. */
export interface ReadyRule<Then> {
  readonly id: string
  readonly then: Then
  readonly because: string
  readonly holds: Asked
}

/** What a remarking rule is about: `setting/<id>`, `function/<id>`, `control/<id>` or `indicator`. */
export function remarkKey(then: Remarking): string {
  if ('setting' in then) return `setting/${then.setting}`
  if ('function' in then) return `function/${then.function}`
  return 'control' in then ? `control/${then.control}` : 'indicator'
}

/** The lookup of a model, computed on first use; linear in the size of the model. */
export function lookup(model: BodyModel): Lookup {
  let made = cache.get(model)
  if (made === undefined) {
    made = build(model)
    cache.set(model, made)
  }
  return made
}

/** The functions a gesture accepts on one side, in the camera's own order. */
export function acceptedFunctions(model: BodyModel, address: Address): readonly ModelFunction[] {
  const { functions } = lookup(model)
  return (model.functionLists[address.gesture.accepts] ?? []).flatMap((id) => {
    const fn = functions.get(id)
    return fn && fn.sides.includes(address.side) ? [fn] : []
  })
}

/** The domain of a setting id; throws for an id that a validated caller could not have. */
export function domainOf(model: BodyModel, settingId: string): Domain {
  const setting = lookup(model).settings.get(settingId)
  if (!setting) throw new Error(`no setting ${settingId} on ${model.id}`)
  return setting.domain
}

/** The factory value of a setting. */
export function factoryValue(model: BodyModel, settingId: string): Value | undefined {
  return lookup(model).settings.get(settingId)?.factory
}

const cache = new WeakMap<BodyModel, Lookup>()

function build(model: BodyModel): Lookup {
  const ordered = orderReplacing(model.rules)
  const settings = byId(model.settings)
  const amounts = amountsIn(settings)
  return {
    settings,
    functions: byId(model.functions),
    controls: byId(model.controls),
    addresses: addressesOf(model),
    menuAddress: new Map(
      model.menu.flatMap((page) =>
        page.lines.map((line, i) => [line, `${page.name} / line ${i + 1}`] as const),
      ),
    ),
    settingIndex: new Map(model.settings.map((setting, i) => [setting.id, i])),
    functionIndex: new Map(model.functions.map((fn, i) => [fn.id, i])),
    replacing: ordered.ok ? ordered.value.map((rule) => readied(rule, rule.then, amounts)) : [],
    remarking: remarkingOf(model.rules, amounts),
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

function readied<Then>(rule: Rule, then: Then, amounts: Amounts): ReadyRule<Then> {
  return { id: rule.id, then, because: rule.because, holds: ready(rule.when, amounts) }
}

function remarkingOf(
  rules: readonly Rule[],
  amounts: Amounts,
): ReadonlyMap<string, readonly ReadyRule<Remarking>[]> {
  const groups = new Map<string, ReadyRule<Remarking>[]>()
  for (const rule of rules.filter(remarks)) {
    const key = remarkKey(rule.then)
    groups.set(key, [...(groups.get(key) ?? []), readied(rule, rule.then, amounts)])
  }
  return groups
}

function byId<T extends { readonly id: string }>(items: readonly T[]): ReadonlyMap<string, T> {
  return new Map(items.map((item) => [item.id, item]))
}

function addressesOf(model: BodyModel): ReadonlyMap<string, Address> {
  const all = model.sides.flatMap((side) =>
    model.controls.flatMap((control) => control.gestures.map((gesture) => ({ side, control, gesture }))),
  )
  return new Map(
    all.map((one, index) => {
      const key = `${one.side}/${one.control.id}/${one.gesture.id}`
      return [key, { ...one, key, index }]
    }),
  )
}
