import { baseRow, baseValue, defaultWhereabouts } from './cells'
import {
  type RowId,
  type Rows,
  bankFactRow,
  bankRow,
  idsOf,
  noteRow,
  parseRow,
  rowValue,
  variedRows,
} from './rows'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { ok, refuse, type Result } from '../result'
import { sameValue, type Value } from '../vocabulary/values'
import { parsePlan, plannedSlots, samePlanModel, type Plan, type PlannedSlot } from './plan'
import { planLimits } from './limits'
import { setRows } from './step'
import type { Step } from '../sync/step'
import { strayRows } from './stray'

/** A slot by its family and name in the model, and the side it is to hold. */
export interface SlotChoice {
  readonly family: string
  readonly slot: string
  readonly side: Side
}

/** Each slot as the base is: its side given, started from base, nothing in it that differs, nothing meant to. */
export function copyBaseToSlots(plan: Plan, slots: readonly SlotChoice[], id: string): Step {
  const rows = slots.flatMap(({ family, slot, side }) => {
    const own = variedRows(idsOf(plan.rows), family, slot)
    return [
      ...own.map((row) => [row, null] as const),
      [bankFactRow(family, slot, 'meant'), null] as const,
      [bankFactRow(family, slot, 'side'), side] as const,
      [bankFactRow(family, slot, 'startedFrom'), 'base'] as const,
    ]
  })
  return setRows(plan, id, Object.fromEntries(rows))
}

/** A slot as another one of its family is: what it varies in, and that it was started from there. */
export function startFrom(
  model: BodyModel,
  plan: Plan,
  to: SlotChoice,
  source: string,
  id: string,
): Result<Step> {
  const from = plannedSlots(model, plan).find((one) => one.family === to.family && one.slot === source)
  if (!from) return refuse('unused-slot', 'That slot is unused: there is nothing to start from.', source)
  if (source === to.slot) return refuse('same-slot', 'A slot is not started from itself.', source)
  const cleared = copyBaseToSlots(plan, [to], id).changes.map(({ row, to: value }) => [row, value] as const)
  const taken = Object.entries(from.rows).map(
    ([name, value]) => [bankRow(to.family, to.slot, name), value] as const,
  )
  const wanted = { ...Object.fromEntries(cleared), [bankFactRow(to.family, to.slot, 'startedFrom')]: source }
  return ok(setRows(plan, id, { ...wanted, ...Object.fromEntries(taken) }))
}

/** A slot varied from base in some rows, which are then meant to differ; a value equal to base is a row taken out. */
export function vary(
  model: BodyModel,
  plan: Plan,
  slot: PlannedSlot,
  values: Readonly<Record<string, Value>>,
  id: string,
): Result<Step> {
  const named = Object.entries(values).map(
    ([setting, value]) => [lookup(model).settings.get(setting), value] as const,
  )
  const odd = named.find(([setting]) => setting?.storedBy !== slot.family)
  if (odd) return refuse('not-stored', `${odd[0]?.label ?? 'That setting'} is not kept there.`, odd[0]?.id)
  const known = named.flatMap(([setting, value]) => (setting ? [{ setting, value }] : []))
  const differs = known.filter(
    ({ setting, value }) => !sameValue(baseValue(model, plan.rows, setting, slot.side), value),
  )
  const listed = rowValue(plan.rows, bankFactRow(slot.family, slot.slot, 'meant'))
  const meant = new Set(Array.isArray(listed) ? (listed as readonly string[]) : [])
  for (const { setting } of known) meant.delete(setting.id)
  for (const { setting } of differs) meant.add(setting.id)
  const order = model.settings.map((setting) => setting.id).filter((one) => meant.has(one))
  const rows = known.map(({ setting, value }) => [
    bankRow(slot.family, slot.slot, setting.id),
    differs.some((one) => one.setting === setting) ? value : null,
  ])
  return ok(
    setRows(plan, id, {
      ...(Object.fromEntries(rows) as Rows),
      [bankFactRow(slot.family, slot.slot, 'meant')]: order.length === 0 ? null : order,
    }),
  )
}

/** Takes out of a slot what it holds though nobody meant it to: what was left over, what drifted, or both. */
export function putBack(
  model: BodyModel,
  plan: Plan,
  slot: PlannedSlot,
  what: readonly ('residue' | 'drift')[],
  id: string,
): Step {
  const stray = strayRows(model, plan, slot)
  const rows = what
    .flatMap((kind) => stray[kind])
    .map((name) => [bankRow(slot.family, slot.slot, name), null])
  return setRows(plan, id, Object.fromEntries(rows) as Record<RowId, null>)
}

/** The slots that a base row reaches: those of its side that keep the setting and have no value of their own. */
export function followers(model: BodyModel, plan: Plan, row: RowId): PlannedSlot[] {
  const parsed = parseRow(model, row)
  if (!parsed.ok || parsed.value.kind !== 'base') return []
  const { setting } = parsed.value
  return plannedSlots(model, plan).filter(
    (slot) =>
      setting.storedBy === slot.family &&
      slot.rows[setting.id] === undefined &&
      baseRow(plan.rows, setting, defaultWhereabouts(model, slot.side)) === row,
  )
}

/**
 * A base row changed, with what becomes of the slots that had it from there: those in `keep` get the old value as
 * their own, marked as kept; the others follow, which needs nothing written.
 */
export function changeBase(
  model: BodyModel,
  plan: Plan,
  row: RowId,
  value: Value | null,
  keep: readonly SlotChoice[],
  id: string,
): Result<Step> {
  const parsed = parseRow(model, row)
  if (!parsed.ok) return parsed
  if (parsed.value.kind !== 'base') return refuse('not-base', 'This is not a row of the base.', row)
  const { setting } = parsed.value
  const old = rowValue(plan.rows, row) ?? setting.factory
  const kept = followers(model, plan, row)
    .filter((slot) => keep.some((one) => one.family === slot.family && one.slot === slot.slot))
    .flatMap((slot) => {
      const own = bankRow(slot.family, slot.slot, setting.id)
      return [[own, old] as const, [noteRow('source', own), 'kept'] as const]
    })
  return ok(setRows(plan, id, { [row]: value, ...Object.fromEntries(kept) }))
}

/** The step that makes a plan hold exactly these rows; refuses the first that does not fit, and more than fit in a step. */
export function takeIn(
  model: BodyModel,
  plan: Plan,
  rows: Readonly<Record<string, unknown>>,
  id: string,
): Result<Step> {
  const same = samePlanModel(model, plan)
  if (!same.ok) return same
  const wanted = parsePlan(model, rows)
  if (!wanted.ok) return wanted
  const gone = idsOf(plan.rows).filter((row) => !Object.hasOwn(wanted.value.rows, row))
  const step = setRows(plan, id, {
    ...Object.fromEntries(gone.map((row) => [row, null])),
    ...wanted.value.rows,
  })
  if (step.changes.length <= planLimits.changesInStep) return ok(step)
  return refuse(
    'too-many',
    `This changes ${step.changes.length} rows; a step has at most ${planLimits.changesInStep}.`,
  )
}
