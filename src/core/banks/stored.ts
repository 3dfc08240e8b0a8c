import { baseValue } from '../plan/cells'
import { bankFactRow, rowValue } from '../plan/rows'
import type { BodyModel } from '../model/types'
import type { Plan, PlannedSlot } from '../plan/plan'
import { setRows } from '../plan/step'
import type { Step } from '../sync/step'
import { sameValue, type Value } from '../vocabulary/values'

/**
 * Settings of a slot that are not stored on the body as the plan has them, by id in the model's order; every one it
 * varies where it was never stored: null then. A later change of base counts too, since storing takes the whole state.
 */
export function notStored(model: BodyModel, plan: Plan, slot: PlannedSlot): readonly string[] | null {
  const stored = storedIn(plan, slot)
  if (stored === null) return null
  return keptBy(model, plan, slot)
    .filter(({ id, value }) => !sameValue(stored.get(id), value))
    .map(({ id }) => id)
}

/** Whether a slot was ever stored. */
export function everStored(plan: Plan, slot: PlannedSlot): boolean {
  return storedIn(plan, slot) !== null
}

/** The step that says: this slot is stored on the body now, as the plan has it. */
export function storeStep(model: BodyModel, plan: Plan, slot: PlannedSlot, id: string): Step {
  const texts = keptBy(model, plan, slot).map(
    ({ id: setting, value }) => `${setting}=${JSON.stringify(value)}`,
  )
  return setRows(plan, id, { [bankFactRow(slot.family, slot.slot, 'registered')]: texts })
}

/** Everything a slot keeps, as the plan has it there. */
function keptBy(model: BodyModel, plan: Plan, slot: PlannedSlot): { id: string; value: Value }[] {
  return model.settings
    .filter((setting) => setting.storedBy === slot.family)
    .map((setting) => ({
      id: setting.id,
      value: slot.rows[setting.id] ?? baseValue(model, plan.rows, setting, slot.side),
    }))
}

function storedIn(plan: Plan, slot: PlannedSlot): ReadonlyMap<string, Value> | null {
  const texts = rowValue(plan.rows, bankFactRow(slot.family, slot.slot, 'registered'))
  if (!Array.isArray(texts)) return null
  return new Map(
    (texts as readonly string[]).flatMap((text): [string, Value][] => {
      const at = text.indexOf('=')
      const value = parsed(text.slice(at + 1))
      return value === undefined ? [] : [[text.slice(0, at), value]]
    }),
  )
}

function parsed(json: string): Value | undefined {
  try {
    return JSON.parse(json) as Value
  } catch {
    return undefined
  }
}
