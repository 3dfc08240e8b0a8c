import { amountOf } from './domain'
import type {
  Act,
  AssignSide,
  BodyModel,
  Control,
  Domain,
  Doubt,
  Gesture,
  ModelFunction,
  Setting,
} from './types'
import type { Value } from '../vocabulary/values'
import { ready, type Amounts, type Asked } from '../rules/condition'
import { firmwareNumber } from '../rules/facts'
import { orderReplacing } from '../rules/order'
import { remarks, type Remarking, type Replacing, type Rule } from '../rules/rule'

/** One place a function can be assigned to. */
export interface Address {
  /** `side/control/gesture`, with `@value` behind it on a control with `assignedBy`; as in row ids. */
  readonly key: string
  readonly side: AssignSide
  readonly control: Control
  readonly gesture: Gesture
  /** The gesture in words, with the value that gives this assignment. */
  readonly name: string
  /** It is this one that answers while the setting has this value; null where it always is. */
  readonly when: { readonly setting: string; readonly value: string } | null
  /** Function as delivered. */
  readonly factory: string | null
  /** Position among all addresses of the model, side by side in file order: card files use it. */
  readonly index: number
}

/** Fast ways into a model; made once for each model object. */
export interface Lookup {
  readonly settings: ReadonlyMap<string, Setting>
  readonly functions: ReadonlyMap<string, ModelFunction>
  readonly controls: ReadonlyMap<string, Control>
  readonly addresses: ReadonlyMap<string, Address>
  readonly acts: ReadonlyMap<string, Act>
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
  if ('act' in then) return `act/${then.act}`
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

/** The addresses of one control on one side, in the order of its gestures. */
export function addressesOfControl(model: BodyModel, side: AssignSide, control: string): Address[] {
  return [...lookup(model).addresses.values()].filter(
    (address) => address.side === side && address.control.id === control,
  )
}

/** Page and line of a function in the list its gesture offers, from 1; null where it is not offered. */
export function listPlace(
  model: BodyModel,
  address: Address,
  functionId: string,
): { page: number; line: number } | null {
  const index = acceptedFunctions(model, address).findIndex((fn) => fn.id === functionId)
  if (index < 0) return null
  const lines = model.functionListLines ?? Number.MAX_SAFE_INTEGER
  return { page: Math.floor(index / lines) + 1, line: (index % lines) + 1 }
}

/** Found without looking, with the eye at the finder. */
export function atFinder(control: Control): boolean {
  return control.reach.finder?.findable ?? false
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
  const places = menuPlaces(model)
  const doubts = new Map(model.doubts.map((doubt) => [doubt.about, doubt]))
  const readied = readier(amounts, doubts)
  return {
    settings,
    functions: byId(model.functions),
    controls: byId(model.controls),
    addresses: addressesOf(model, settings),
    acts: byId(model.acts),
    menuAddress: new Map(places.map((place) => [place.id, place.address])),
    menuPlaces: byId(places),
    doubts,
    exposureMode: model.settings.find((setting) => setting.means === 'exposure.mode'),
    settingIndex: new Map(model.settings.map((setting, i) => [setting.id, i])),
    functionIndex: new Map(model.functions.map((fn, i) => [fn.id, i])),
    replacing: ordered.ok ? ordered.value.map((rule) => readied(rule, rule.then)) : [],
    remarking: remarkingOf(model.rules, readied),
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
    if (!doubt) return { id: rule.id, then, because: rule.because, holds: asked }
    const said = doubt.status === 'claimed' ? `${doubt.by ?? 'Somebody'} says so` : 'Nobody is sure'
    const holds: Asked = (facts) => (asked(facts) === 'no' ? 'no' : 'unknown')
    return { id: rule.id, then, because: `${rule.because} ${said}; ${doubt.test}`, holds }
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

/** Where a line of the menu stands, counted from 0; `inner` for one behind a further press. */
export interface MenuPlace {
  readonly id: string
  /** "Focus 2 / line 4". */
  readonly address: string
  readonly page: number
  readonly line: number
  readonly inner: number | null
}

/** Every line of the menu, in its own order. */
export function menuPlaces(model: BodyModel): MenuPlace[] {
  return model.menu.flatMap(({ name, lines }, page) =>
    lines.flatMap((one, line): MenuPlace[] => {
      const address = `${name} / line ${line + 1}`
      if (typeof one === 'string') return [{ id: one, address, page, line, inner: null }]
      return one.behind.map((id, inner) => ({
        id,
        address: `${address} / ${one.name} / line ${inner + 1}`,
        page,
        line,
        inner,
      }))
    }),
  )
}

/**
 * Presses from one line of the open menu to another and into it: over to its page, down to its line, in; and down
 * and in once more for a line behind it. From null: the first line of the first page, where a menu opens.
 */
export function pressesTo(from: MenuPlace | null, to: MenuPlace): number {
  const start = from ?? { page: 0, line: 0 }
  const over = Math.abs(to.page - start.page)
  const down = Math.abs(to.line - (over === 0 ? start.line : 0))
  return over + down + 1 + (to.inner === null ? 0 : to.inner + 1)
}

function byId<T extends { readonly id: string }>(items: readonly T[]): ReadonlyMap<string, T> {
  return new Map(items.map((item) => [item.id, item]))
}

function addressesOf(model: BodyModel, settings: ReadonlyMap<string, Setting>): ReadonlyMap<string, Address> {
  const sides: readonly AssignSide[] = [...model.sides, 'playback']
  const all = sides.flatMap((side) =>
    model.controls.flatMap((control) =>
      control.gestures
        .filter((gesture) => side !== 'playback' || gesture.factory.playback !== undefined)
        .flatMap((gesture) => addressesAt(side, control, gesture, settings)),
    ),
  )
  return new Map(all.map((one, index) => [one.key, { ...one, index }]))
}

function addressesAt(
  side: AssignSide,
  control: Control,
  gesture: Gesture,
  settings: ReadonlyMap<string, Setting>,
): Omit<Address, 'index'>[] {
  const [key, factory] = [`${side}/${control.id}/${gesture.id}`, gesture.factory[side]]
  const single = typeof factory === 'string' ? factory : null
  const by = control.assignedBy === undefined ? undefined : settings.get(control.assignedBy)
  if (by?.domain.kind !== 'choice')
    return [{ key, side, control, gesture, name: gesture.name, when: null, factory: single }]
  return by.domain.values.map((value) => ({
    key: `${key}@${value.id}`,
    side,
    control,
    gesture,
    name: control.gestures.length === 1 ? value.name : `${gesture.name}, ${value.name}`,
    when: { setting: by.id, value: value.id },
    factory: single ?? (typeof factory === 'object' ? (factory[value.id] ?? null) : null),
  }))
}
