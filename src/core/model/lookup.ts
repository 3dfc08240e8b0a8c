import { memoize } from '../memoize'
import { addressesOf, type Address } from './addresses'
import { menuPlaces, setUpLines, type MenuPlace } from './menu'
import type { Act, AssignSide, BodyModel, Control, Domain, Doubt, Filming } from './types'
import type { ModelFunction, Setting } from './types'
import type { Value } from '../vocabulary/values'

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
  /** "Focus 2 / line 4" by the id of a setting, an act or a set-up page. */
  readonly menuAddress: ReadonlyMap<string, string>
  /** Where each line of the menu stands, by setting or act id. */
  readonly menuPlaces: ReadonlyMap<string, MenuPlace>
  /** What is not known for certain, by what it is about. */
  readonly doubts: ReadonlyMap<string, Doubt>
  /** The setting that means the exposure mode, and where a setting's cells are counted from. */
  readonly exposureMode: Setting | undefined
  readonly settingIndex: ReadonlyMap<string, number>
  readonly functionIndex: ReadonlyMap<string, number>
  readonly filming: Filming | null
}

/** The addresses that answer on a side, in order, with the place of each. */
export interface Answering {
  readonly list: readonly Address[]
  readonly places: ReadonlyMap<string, number>
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

/** What a line of a menu is called: the label of a setting, the name of an act or of a set-up page. */
export function itemName(model: BodyModel, id: string): string {
  const { settings, acts } = lookup(model)
  const named = settings.get(id)?.label ?? acts.get(id)?.name
  return named ?? setUpLines(model).find((line) => line.id === id)?.name ?? id
}

/** The menu address of the setting that means something; empty where the model has none, or no line for it. */
export function addressOfMeaning(model: BodyModel, means: string): string {
  const { byMeaning, menuAddress } = lookup(model)
  return menuAddress.get(byMeaning.get(means)?.id ?? '') ?? ''
}

/** The factory value of a setting. */
export function factoryValue(model: BodyModel, settingId: string): Value | undefined {
  return lookup(model).settings.get(settingId)?.factory
}

function build(model: BodyModel): Lookup {
  const settings = byId(model.settings)
  const places = menuPlaces(model)
  const doubts = new Map(model.doubts.map((doubt) => [doubt.about, doubt]))
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
    menuAddress: new Map(places.map((place) => [place.id, place.address])),
    menuPlaces: byId(places),
    doubts,
    exposureMode: byMeaning.get('exposure.mode'),
    settingIndex: new Map(model.settings.map((setting, i) => [setting.id, i])),
    functionIndex: new Map(model.functions.map((fn, i) => [fn.id, i])),
    filming: model.filming,
  }
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

function byId<T extends { readonly id: string }>(items: readonly T[]): ReadonlyMap<string, T> {
  return new Map(items.map((item) => [item.id, item]))
}
