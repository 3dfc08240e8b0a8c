import { valuesOf } from '../model/domain'
import { askedFor, settingsIn } from '../model/excerpt'
import { lookup, menuOrder } from '../model/lookup'
import type { BodyModel, LensModel, Setting, Side } from '../model/types'
import { baseRow, baseValue, defaultWhereabouts } from '../plan/cells'
import type { Plan } from '../plan/plan'
import { idsOf, keyRow, rowValue, type RowId } from '../plan/rows'
import { needsOf } from '../reach/needs'
import { usualContext } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { answers, decisive, type Resolution, type StateIn } from '../resolve/resolved'
import { sameValue, type Value } from '../vocabulary/values'

/** Something that works only once an enabling item is set. */
export interface Enabled {
  readonly kind: 'setting' | 'key'
  /** The side on which it works then. */
  readonly side: Side
  /** A setting's id, or the key of an address. */
  readonly id: string
  /** Why it does nothing without. */
  readonly because: string
}

/** A setting that has to stand otherwise than delivered before others of the plan do anything. */
export interface EnablingItem {
  readonly setting: string
  /** The sides it is for: both, where one cell serves them. */
  readonly sides: readonly Side[]
  /** The base row it is planned in. */
  readonly row: RowId
  /** What it stands at without; what it has to stand at. */
  readonly from: Value
  readonly to: Value
  /** Whether the plan has it so; else what it enables does nothing as the plan stands. */
  readonly isPlanned: boolean
  readonly enables: readonly Enabled[]
}

/**
 * The enabling items of a plan, in menu order, one for each cell: for every value planned otherwise
 * than delivered, what the plan wants (values it changes, needs, keys it assigns) that would do nothing without it; and for
 * all it wants that does nothing, the one value that would make it work, unless the owner has decided on that cell. Found by reckoning the plan with and without:
 * linear in the candidates × `resolve`.
 */
export function enablingItems(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  stateIn: StateIn = (context) => resolve(model, plan, context),
): EnablingItem[] {
  const order = menuOrder(model)
  const place = ({ setting }: EnablingItem) => order.get(setting) ?? Infinity
  const ofSides = model.sides.flatMap((side) => {
    const usual = usualContext(model, plan, lenses, side)
    if (!usual) return []
    const now = stateIn(usual.context)
    const wanted = wantedOn(model, plan, side)
    const trying = { model, plan, lenses, side, now, wanted }
    return [...planned(trying), ...missing(trying)]
  })
  return merged(ofSides).sort((a, b) => place(a) - place(b))
}

/** Items of one cell at one value as one, with the sides of all. */
function merged(items: readonly EnablingItem[]): EnablingItem[] {
  const byCell = new Map<string, EnablingItem>()
  for (const item of items) {
    const name = JSON.stringify([item.row, item.isPlanned, item.to])
    const known = byCell.get(name)
    byCell.set(
      name,
      known
        ? { ...known, sides: [...known.sides, ...item.sides], enables: [...known.enables, ...item.enables] }
        : item,
    )
  }
  return [...byCell.values()]
}

interface Trying {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  readonly side: Side
  readonly now: Resolution
  readonly wanted: Wanted
}

/** What a plan wants of a side: settings by id, and keys by the key of their address. */
interface Wanted {
  readonly settings: readonly string[]
  readonly keys: readonly string[]
}

function wantedOn(model: BodyModel, plan: Plan, side: Side): Wanted {
  const { byMeaning, answering } = lookup(model)
  const needed = needsOf(model, plan)
    .filter((need) => need.side === side && need.perOuting > 0)
    .flatMap(({ what }) => byMeaning.get(what)?.id ?? [])
  const changed = model.settings
    .filter((setting) => isChanged(model, plan, setting, side))
    .map(({ id }) => id)
  return {
    settings: [...new Set([...changed, ...needed])],
    keys: answering[side].list
      .filter((one) => rowValue(plan.rows, keyRow(one)) !== null)
      .map(({ key }) => key),
  }
}

function isChanged(model: BodyModel, plan: Plan, setting: Setting, side: Side): boolean {
  return (
    setting.place !== 'physical' &&
    setting.place !== 'local' &&
    !sameValue(baseValue(model, plan.rows, setting, side), setting.factory)
  )
}

/** Values planned otherwise than delivered without which something wanted does nothing. */
function planned({ model, plan, lenses, side, now, wanted }: Trying): EnablingItem[] {
  return model.settings.flatMap((setting): EnablingItem[] => {
    if (!askedFor(model).has(setting.id) || !isChanged(model, plan, setting, side)) return []
    const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
    const without = stateWith(model, plan, lenses, side, row, null)
    if (!without) return []
    const enables = lostIn(side, now, without, wanted).filter(({ id }) => id !== setting.id)
    if (enables.length === 0) return []
    const to = baseValue(model, plan.rows, setting, side)
    return [{ setting: setting.id, sides: [side], row, from: setting.factory, to, isPlanned: true, enables }]
  })
}

/** Values that would make something work that is wanted and does nothing; for each setting the one that helps most. */
function missing({ model, plan, lenses, side, now, wanted }: Trying): EnablingItem[] {
  const idle = [
    ...wanted.settings.flatMap((id) => rulesAgainst(now, 'setting', id)),
    ...wanted.keys.flatMap((id) => rulesAgainst(now, 'key', id)),
  ]
  const rules = new Map(model.rules.map((rule) => [rule.id, rule]))
  const candidates = new Set(idle.flatMap((id) => settingsIn(rules.get(id)?.when ?? { all: [] })))
  return [...candidates].flatMap((id): EnablingItem[] => {
    const setting = lookup(model).settings.get(id)
    if (!setting || setting.place === 'physical' || setting.place === 'local') return []
    if (setting.domain.kind !== 'choice' && setting.domain.kind !== 'toggle') return []
    const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
    // What its owner has decided otherwise is not to be undone for what hangs on it.
    if (rowValue(plan.rows, row) !== null) return []
    const from = baseValue(model, plan.rows, setting, side)
    const tried = (valuesOf(setting.domain) ?? [])
      .filter((value) => !sameValue(value, from))
      .flatMap((to): EnablingItem[] => {
        const then = stateWith(model, plan, lenses, side, row, to)
        // What it would take away counts against it.
        if (!then) return []
        const enables = lostIn(side, then, now, wanted).filter((one) => one.id !== id)
        const loses = lostIn(side, now, then, wanted).filter((one) => one.id !== id)
        if (enables.length <= loses.length) return []
        return [{ setting: id, sides: [side], row, from, to, isPlanned: false, enables }]
      })
    const most = Math.max(0, ...tried.map(({ enables }) => enables.length))
    return tried.filter(({ enables }) => enables.length === most).slice(0, 1)
  })
}

/** What the plan amounts to with one row another, or absent. */
function stateWith(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  side: Side,
  row: RowId,
  value: Value | null,
): Resolution | null {
  const rows = Object.fromEntries(
    idsOf(plan.rows)
      .filter((id) => id !== row)
      .map((id) => [id, plan.rows[id] as Value]),
  )
  const next: Plan = { ...plan, rows: value === null ? rows : { ...rows, [row]: value } }
  const usual = usualContext(model, next, lenses, side)
  return usual ? resolve(model, next, usual.context) : null
}

/** What is wanted and works in one state, and does nothing in another, with the reason there. */
function lostIn(side: Side, works: Resolution, without: Resolution, wanted: Wanted): Enabled[] {
  return [
    ...wanted.settings.flatMap((id): Enabled[] => {
      const because = settingIdle(without, id)
      return because !== null && settingIdle(works, id) === null
        ? [{ kind: 'setting', side, id, because }]
        : []
    }),
    ...wanted.keys.flatMap((id): Enabled[] => {
      const [here, there] = [works.addresses.get(id), without.addresses.get(id)]
      if (!here || !there || !answers(here.verdict) || answers(there.verdict)) return []
      const because = decisive(there)?.because
      return because === undefined ? [] : [{ kind: 'key', side, id, because }]
    }),
  ]
}

/** Why a setting does nothing, or cannot be chosen, in a state; null where it does something. */
function settingIdle({ settings }: Resolution, id: string): string | null {
  const against = settings
    .get(id)
    ?.remarks.find(({ kind, truth }) => truth === 'yes' && (kind === 'ineffective' || kind === 'unavailable'))
  return against?.because ?? null
}

/** The rules for which something wanted does nothing. */
function rulesAgainst({ settings, addresses }: Resolution, kind: 'setting' | 'key', id: string): string[] {
  const one = kind === 'setting' ? settings.get(id) : addresses.get(id)
  return (one?.remarks ?? [])
    .filter(({ kind: of, truth }) => truth === 'yes' && (of === 'ineffective' || of === 'unavailable'))
    .map(({ rule }) => rule)
}
