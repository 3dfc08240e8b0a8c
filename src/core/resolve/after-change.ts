import { type Invalidated, type RowId, anywhere, idsOf, invalidatedBy, rowValue } from '../plan/rows'
import { isOnFitting } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { memoize } from '../memoize'
import { slotIn, standingAt, type Context } from './context'
import type { Plan } from '../plan/plan'
import { sameValue } from '../vocabulary/values'
import { addressIn, answering, finished, indicatorsIn, partners, resolve, resolvedSetting } from './resolve'
import { workOf, type Work } from './resolve'
import type { Resolution, ResolvedAddress, ResolvedSetting } from './resolved'
import type { IndexedMap } from './indexed-map'
import { keepKnown, stateAfter, type State } from './state'

/** What changed between two plans, as far as it can matter to what they amount to. */
export interface Changed {
  /** Settings of which a row changed, with the places of those rows: a side, a slot, or anywhere. */
  readonly settings: ReadonlyMap<string, ReadonlySet<string>>
  /** Addresses of which the function changed, and the facts that ask for it. */
  readonly addresses: ReadonlySet<string>
  readonly facts: ReadonlySet<string>
  /** Something that cannot be followed row by row: what is shared, or one body's differences. */
  readonly everything: boolean
  /** A key of the grip or an adapter: whether that is on may be another. */
  readonly fitting: boolean
  /** What the changed rows make to be reckoned anew; empty where the plans do not differ. */
  readonly what: ReadonlySet<Invalidated['what']>
}

/** What two plans of one model differ in; linear in their rows. What was asked lately is remembered: several ask the same. */
export function changedBetween(model: BodyModel, before: Plan, after: Plan): Changed {
  const asked = lately(model)
  const known = asked.find((one) => one.before === before && one.after === after)
  if (known) return known.changed
  const changed = differences(model, before, after)
  asked.unshift({ before, after, changed })
  asked.length = Math.min(asked.length, mostLately)
  return changed
}

/** What was asked of a model last, the newest first. */
const lately: (model: BodyModel) => { before: Plan; after: Plan; changed: Changed }[] = memoize(() => [])
const mostLately = 4

function differences(model: BodyModel, before: Plan, after: Plan): Changed {
  const rows = new Set<RowId>()
  for (const row of idsOf(before.rows)) if (differ(before, after, row)) rows.add(row)
  for (const row of idsOf(after.rows)) if (!Object.hasOwn(before.rows, row)) rows.add(row)
  return changedIn(model, before, after, rows)
}

/** The same, where it is known which rows the plans differ in. */
export function changedIn(model: BodyModel, before: Plan, after: Plan, rows: ReadonlySet<RowId>): Changed {
  const settings = new Map<string, Set<string>>()
  const touch = (id: string, place: string) => settings.set(id, (settings.get(id) ?? new Set()).add(place))
  const addresses = new Set<string>()
  const facts = new Set<string>()
  let everything = false
  const what = new Set<Invalidated['what']>()
  for (const row of rows) {
    const anew = invalidatedBy(model, row)
    what.add(anew.what)
    if (anew.what === 'key') {
      addresses.add(anew.address)
      for (const plan of [before, after]) facts.add(`assigned/${String(rowValue(plan.rows, row))}`)
    } else if (anew.what === 'setting') touch(anew.setting, anew.place)
    else if (anew.what === 'everything') everything = true
  }
  for (const key of addresses) facts.add(`assigned/${lookup(model).addresses.get(key)?.factory ?? ''}`)
  for (const id of [...settings.keys()])
    for (const moved of movedBy(model).get(id) ?? []) touch(moved, anywhere)
  const fitting = [...addresses].some((key) => {
    const address = lookup(model).addresses.get(key)
    return address !== undefined && isOnFitting(address)
  })
  return { settings, addresses, facts, everything, fitting, what }
}

/** The settings whose cells another setting chooses among: the exposure mode, what widens a family of banks. */
const movedBy = memoize((model: BodyModel): ReadonlyMap<string, readonly string[]> => {
  const moved = new Map<string, string[]>()
  const by = (setting: string | undefined, id: string) => {
    if (setting !== undefined) moved.set(setting, [...(moved.get(setting) ?? []), id])
  }
  for (const { id, place, storedBy, storedWhen } of model.settings) {
    if (place === 'exposureMode') by(lookup(model).exposureMode?.id, id)
    if (storedWhen !== undefined) by(model.families.find((family) => family.id === storedBy)?.widenedBy, id)
  }
  return moved
})

/** The sides whose keys changed, where nothing but keys did; else null. */
export function sidesOfKeys(changed: Changed): ReadonlySet<string> | null {
  const { what, fitting } = changed
  return !fitting && what.size === 1 && what.has('key') ? placesOf(changed) : null
}

/**
 * The sides that rows of keys and settings belong to, where nothing else changed and each belongs to one: what a plan amounts
 * to on the others is as it was. Null where a change may reach every side.
 */
export function sidesTouched(model: BodyModel, changed: Changed): ReadonlySet<string> | null {
  const { what, fitting } = changed
  if (fitting || [...what].some((one) => one !== 'key' && one !== 'setting')) return null
  const places = placesOf(changed)
  return [...places].every((place) => model.sides.some((side) => side === place)) ? places : null
}

/** Where the keys and settings that changed are: a side, a slot, or anywhere. */
function placesOf({ addresses, settings }: Changed): ReadonlySet<string> {
  const sides = [...addresses].map((key) => key.slice(0, key.indexOf('/')))
  return new Set([...sides, ...[...settings.values()].flatMap((places) => [...places])])
}

/** The settings whose changed rows can be read in a context. */
function readIn(model: BodyModel, { settings }: Changed, context: Context): string[] {
  const slots = model.families.map((family) => `${family.id}/${slotIn(model, context, family.id) ?? ''}`)
  const here = new Set([anywhere, context.side, ...slots])
  return [...settings].flatMap(([id, places]) => ([...places].some((place) => here.has(place)) ? [id] : []))
}

function differ(before: Plan, after: Plan, row: RowId): boolean {
  return !sameValue(rowValue(before.rows, row) ?? undefined, rowValue(after.rows, row) ?? undefined)
}

/**
 * What a plan amounts to where another one, differing in `changed` only, amounted to `before`: the same answer as
 * `resolve` gives, with every part that is not touched taken over as it stands. The context is the one of `before`, but
 * for the position of the mode dial.
 */
export function resolveAfter(
  model: BodyModel,
  plan: Plan,
  context: Context,
  before: Resolution,
  changed: Changed,
): Resolution {
  const work = workOf(before)
  if (!work || changed.everything || busy(context)) return resolve(model, plan, context)
  const answers = `${context.run === 'playback' ? 'playback' : context.side}/`
  const own = [...changed.addresses].filter((key) => key.startsWith(answers))
  const addresses = new Set([...own, ...partners(work, new Set(own))])
  const moved = movedSettings(model, work.context, context)
  const settings = [...readIn(model, changed, context), ...(moved ?? [])]
  if (settings.length === 0 && addresses.size === 0 && moved === null) return before
  const facts = moved === null ? changed.facts : new Set([...changed.facts, 'position'])
  const { state, changed: anew } = stateAfter(model, plan, context, work.state, settings, facts)
  const here: Work = { ...work, plan, context }
  const elsewhere = othersAfter(here, settings, facts)
  const next: Work = { ...here, state, others: new Map([...elsewhere].map(([key, one]) => [key, one.state])) }
  const dirty = dirtied(state, anew, facts)
  keepKnown(work.state, state, dirty)
  const others = [...elsewhere].map(([key, one]) => {
    const changedThere = dirtied(one.state, one.changed, facts)
    const before = work.others.get(key)
    if (before) keepKnown(before, one.state, changedThere)
    return changedThere
  })
  const settingsAnew = [...dirty].flatMap((key) =>
    key.startsWith('setting/') ? (state.found.settings.get(key.slice('setting/'.length)) ?? []) : [],
  )
  const all = before.settings as IndexedMap<ResolvedSetting>
  // Where no setting can be another, the map is the same object: what is remembered of it stays known.
  const settled = settingsAnew.length === 0 ? all : all.copy()
  for (const setting of settingsAnew) settled.set(setting.id, resolvedSetting(next, setting))
  const keys = (before.addresses as IndexedMap<ResolvedAddress>).copy()
  for (const address of answering(next).list) {
    const was = before.addresses.get(address.key)
    const touched = addresses.has(address.key) || !was || isTouched(state, was, dirty, others)
    if (touched) keys.set(address.key, addressIn(next, address))
  }
  const indicators = dirty.has('indicator') ? indicatorsIn(state) : before.indicators
  return finished(next, { settings: settled, addresses: keys, indicators })
}

/** Held keys and what stays on lay overlays that cannot be followed setting by setting. */
function busy(context: Context): boolean {
  return (context.held?.length ?? 0) > 0 || (context.latched?.length ?? 0) > 0
}

/** What another position of the mode dial fixes or keeps for itself; null where it stands at the same. */
function movedSettings(model: BodyModel, before: Context, after: Context): string[] | null {
  if (before.position === after.position) return null
  const stops = model.positions.filter((one) => one.id === before.position || one.id === after.position)
  const byPosition = model.settings.filter((one) => one.place === 'position').map((one) => one.id)
  return [
    ...stops.flatMap((stop) => [...Object.keys(stop.sets), ...stop.keeps]),
    ...byPosition,
    ...inMode(model, stops),
  ]
}

/** Settings with a cell for each exposure mode, where a stop fixes the mode. */
function inMode(model: BodyModel, stops: BodyModel['positions']): string[] {
  const mode = lookup(model).exposureMode?.id
  if (mode === undefined || !stops.some((stop) => Object.hasOwn(stop.sets, mode))) return []
  return model.settings.filter((one) => one.place === 'exposureMode').map((one) => one.id)
}

/** The states with a lever or the exposure mode put elsewhere, again. */
function othersAfter(work: Work, settings: readonly string[], facts: ReadonlySet<string>) {
  return new Map(
    [...work.others].map(([key, other]) => {
      const at = key.indexOf('=')
      const where = { setting: key.slice(0, at), value: key.slice(at + 1) }
      const context = standingAt(work.model, work.context, where)
      return [key, stateAfter(work.model, work.plan, context, other, settings, facts)] as const
    }),
  )
}

/** What rules may say otherwise now: the remark keys of every fact that changed, and the settings themselves. */
function dirtied(state: State, changed: ReadonlySet<string>, facts: ReadonlySet<string>): Set<string> {
  const dirty = new Set<string>()
  const asked = new Set(facts)
  for (const id of changed) {
    dirty.add(`setting/${id}`)
    asked.add(`setting/${id}`)
  }
  for (const fact of asked) for (const key of state.rules.remarkedBy.get(fact) ?? []) dirty.add(key)
  return dirty
}

/** Whether anything a key's answer hangs on changed, here or where its lever would have to stand. */
function isTouched(
  { found }: State,
  was: ResolvedAddress,
  dirty: ReadonlySet<string>,
  others: readonly ReadonlySet<string>[],
): boolean {
  const { address, functionId, effectiveFunctionId: gets } = was
  const [changes = ''] = found.functions.get(gets ?? '')?.changes ?? []
  const about = [
    ...address.controls.map(({ id }) => `control/${id}`),
    ...[`function/${functionId ?? ''}`, `function/${gets ?? ''}`, `setting/${changes}`],
  ]
  const states = address.when === null ? [dirty] : [dirty, ...others]
  if (address.when !== null && dirty.has(`setting/${address.when.setting}`)) return true
  return states.some((keys) => about.some((key) => keys.has(key)))
}
