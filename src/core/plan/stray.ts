import { baseValue } from './cells'
import { type BankFact, bankFactRow, bankRow, noteRow, rowValue } from './rows'
import type { BodyModel } from '../model/types'
import { memoize } from '../memoize'
import { sameValue, type Value } from '../vocabulary/values'
import { plannedSlots, type Plan, type PlannedSlot } from './plan'

/** Rows of a slot that differ from base though nobody meant them to, by setting id in model order. */
export interface Stray {
  /** Left over: as in the slot this one was started from. */
  readonly residue: readonly string[]
  /** The others: they have drifted away. */
  readonly drift: readonly string[]
}

/**
 * What a slot holds that it was not meant to. A row counts as meant where the plan lists it as meant to differ, as
 * expected to change on site, or gives a reason for it. A row equal to base is no difference, and so never stray.
 */
export function strayRows(model: BodyModel, plan: Plan, slot: PlannedSlot): Stray {
  return strayFor(model)(plan)(slot)
}

const strayFor = memoize((model: BodyModel) =>
  memoize((plan: Plan) => memoize((slot: PlannedSlot) => readStray(model, plan, slot))),
)

/** Of these what is to be told: where a plan lists nothing as meant to differ, nobody can say what drifted. */
export function reportedStray(model: BodyModel, plan: Plan, slot: PlannedSlot): Stray {
  const { residue, drift } = strayRows(model, plan, slot)
  const listed = rowValue(plan.rows, bankFactRow(slot.family, slot.slot, 'meant')) !== null
  return { residue, drift: listed ? drift : [] }
}

function readStray(model: BodyModel, plan: Plan, slot: PlannedSlot): Stray {
  const fact = (name: BankFact) => rowValue(plan.rows, bankFactRow(slot.family, slot.slot, name))
  const meant = new Set([...listed(fact('meant')), ...listed(fact('onSite'))])
  const source = plannedSlots(model, plan).find(
    (one) => one.family === slot.family && one.slot === fact('startedFrom'),
  )
  const different = model.settings.filter((setting) => {
    const own = slot.rows[setting.id]
    if (own === undefined || meant.has(setting.id)) return false
    if (sameValue(own, baseValue(model, plan.rows, setting, slot.side))) return false
    return rowValue(plan.rows, noteRow('why', bankRow(slot.family, slot.slot, setting.id))) === null
  })
  const isResidue = (id: string) => source !== undefined && sameValue(slot.rows[id], source.rows[id])
  return {
    residue: different.map((one) => one.id).filter(isResidue),
    drift: different.map((one) => one.id).filter((id) => !isResidue(id)),
  }
}

function listed(value: Value | null): readonly string[] {
  return typeof value === 'object' && value !== null ? value : []
}
