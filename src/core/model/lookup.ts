import type { BodyModel, Control, Domain, Gesture, ModelFunction, Setting, Side } from './types'
import type { Value } from '../vocabulary/values'
import { orderForcedRules, type ForcedRule } from '../rules/order'
import type { Rule } from './types'

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
  readonly forced: readonly ForcedRule[]
  /** Rules on values and settings, by setting id, forced ones left out. */
  readonly settingRules: ReadonlyMap<string, readonly Rule[]>
  readonly functionRules: ReadonlyMap<string, readonly Rule[]>
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
  const ordered = orderForcedRules(model.rules)
  return {
    settings: byId(model.settings),
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
    forced: ordered.ok ? ordered.value : [],
    settingRules: grouped(model.rules, (then) =>
      then.kind !== 'forced' && 'setting' in then ? then.setting : null,
    ),
    functionRules: grouped(model.rules, (then) => ('function' in then ? then.function : null)),
  }
}

function byId<T extends { readonly id: string }>(items: readonly T[]): ReadonlyMap<string, T> {
  return new Map(items.map((item) => [item.id, item]))
}

function grouped(rules: readonly Rule[], target: (then: Rule['then']) => string | null) {
  const groups = new Map<string, Rule[]>()
  for (const rule of rules) {
    const key = target(rule.then)
    if (key === null) continue
    groups.set(key, [...(groups.get(key) ?? []), rule])
  }
  return groups
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
