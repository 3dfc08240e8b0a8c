import { baseRow, baseValue, defaultWhereabouts } from '../plan/cells'
import { type RowId, bankFactRow, rowValue } from '../plan/rows'
import { showValue } from '../model/domain'
import type { BankFamily, BodyModel, Setting } from '../model/types'
import { plannedSlots, type Plan, type PlannedSlot } from '../plan/plan'
import { lookup } from '../model/lookup'
import { whereIs } from './columns'

/** How a family keeps what is changed in the field, and where that is switched. */
export interface Keeping {
  readonly family: BankFamily
  /** As the model or its switch, set by the plan, says. */
  readonly now: 'snapshot' | 'live'
  /** The row of base that switches it; null where the body knows one way only. */
  readonly switchedBy: { readonly setting: Setting; readonly row: RowId } | null
  /** How to find out, where nobody knows. */
  readonly test: string | null
  readonly slots: readonly SlotKeeping[]
}

/** What either way means for one slot of this plan. */
export interface SlotKeeping {
  readonly slot: PlannedSlot
  /** Rows expected to change on site: lost on leaving a snapshot, there the next morning in a live bank. */
  readonly onSite: readonly Kept[]
  /** Everything to set again so that the slot is as planned: what it varies, and what is expected to have changed. */
  readonly restore: readonly Kept[]
}

/** A row as planned, with its place in the menu. */
export interface Kept {
  readonly setting: Setting
  readonly planned: string
  readonly where: string
}

/** What snapshot and live mean for this plan, family by family. */
export function keepingOf(model: BodyModel, plan: Plan): Keeping[] {
  const slots = plannedSlots(model, plan)
  return model.families.map((family) => {
    const setting = lookup(model).settings.get(family.keepingBy ?? '')
    const side = model.sides[0] ?? 'stills'
    const on = setting && baseValue(model, plan.rows, setting, side)
    return {
      family,
      now: setting ? (on === true ? 'live' : 'snapshot') : family.keeping,
      switchedBy: setting
        ? { setting, row: baseRow(plan.rows, setting, defaultWhereabouts(model, side)) }
        : null,
      test: lookup(model).doubts.get(`families/${family.id}/keeping`)?.test ?? null,
      slots: slots.filter((slot) => slot.family === family.id).map((slot) => slotKeeping(model, plan, slot)),
    }
  })
}

function slotKeeping(model: BodyModel, plan: Plan, slot: PlannedSlot): SlotKeeping {
  const listed = rowValue(plan.rows, bankFactRow(slot.family, slot.slot, 'onSite'))
  const onSite = new Set(Array.isArray(listed) ? (listed as readonly string[]) : [])
  const kept = (setting: Setting): Kept => ({
    setting,
    planned: showValue(
      setting.domain,
      slot.rows[setting.id] ?? baseValue(model, plan.rows, setting, slot.side),
    ),
    where: whereIs(model, setting),
  })
  const stored = model.settings.filter((setting) => setting.storedBy === slot.family)
  return {
    slot,
    onSite: stored.filter(({ id }) => onSite.has(id)).map(kept),
    restore: stored.filter(({ id }) => onSite.has(id) || slot.rows[id] !== undefined).map(kept),
  }
}
