import type { BodyModel, Side } from '../model/types'
import { once } from '../once'
import { ok, refuse, type Result } from '../result'
import { readValue, sizeOf } from './limits'
import { parseRow } from './parse-row'
import { checkRowValue } from './row-values'
import type { RowId, Rows } from './rows'

/** A plan for one model: an immutable value, changed only by steps. */
export interface Plan {
  readonly model: { readonly id: string; readonly version: number }
  readonly rows: Rows
}

/** A plan with nothing decided: every row as delivered. */
export function emptyPlan(model: BodyModel): Plan {
  return { model: { id: model.id, version: model.version }, rows: {} }
}

/** Accepts rows from outside as a plan of this model; refuses the first row that does not fit, naming it. */
export function parsePlan(model: BodyModel, rows: Readonly<Record<string, unknown>>): Result<Plan> {
  const checked: Record<RowId, Rows[string]> = {}
  for (const [id, value] of Object.entries(rows)) {
    const row = parseRow(model, id)
    if (!row.ok) return row
    const read = readValue(value, id)
    const accepted = read.ok ? checkRowValue(model, row.value, read.value, id) : read
    if (!accepted.ok) return accepted
    checked[id] = accepted.value
  }
  const sized = sizeOf(checked)
  if (!sized.ok) return sized
  return ok({ model: { id: model.id, version: model.version }, rows: checked })
}

/** Refuses a plan made for another model, or for another definition of it. */
export function samePlanModel(model: BodyModel, plan: Plan): Result<true> {
  if (plan.model.id !== model.id) {
    return refuse('other-model', `This plan is for ${plan.model.id}, not for ${model.id}.`, 'model')
  }
  if (plan.model.version !== model.version) {
    const versions = `${plan.model.version}, this is ${model.version}`
    return refuse(
      'other-definition',
      `This plan was made with definition ${versions} of ${model.name}.`,
      'model',
    )
  }
  return ok(true)
}

/** A bank slot as the plan has it. */
export interface PlannedSlot {
  readonly family: string
  readonly slot: string
  /** The owner's name for it, or the model's word. */
  readonly name: string
  readonly side: Side
  readonly purpose: string | null
  /** Rows in which it differs from base, by setting id. */
  readonly rows: Rows
}

/** The slots that the plan gives a side to, in the model's order; the others are unused. Remembered with the plan's rows. */
export function plannedSlots(model: BodyModel, plan: Plan): readonly PlannedSlot[] {
  return slotsFor(model)(plan.rows)
}

const slotsFor = once((model: BodyModel) => once((rows: Rows) => readSlots(model, rows)))

function readSlots(model: BodyModel, rows: Rows): PlannedSlot[] {
  const own = new Map<string, Record<string, Rows[string]>>()
  for (const id in rows) {
    const last = id.lastIndexOf('/')
    const value = rows[id]
    if (!id.startsWith('bank/') || id.indexOf('.', last) < 0 || value === undefined) continue
    const slot = id.slice(0, last + 1)
    const values = own.get(slot) ?? {}
    own.set(slot, values)
    values[id.slice(last + 1)] = value
  }
  return model.families.flatMap((family) =>
    family.slots.flatMap((slot) => {
      const prefix = `bank/${family.id}/${slot.id}/`
      const side = rows[`${prefix}side`] as Side | undefined
      if (side === undefined) return []
      return [
        {
          family: family.id,
          slot: slot.id,
          name: (rows[`${prefix}name`] as string | undefined) ?? slot.name,
          side,
          purpose: (rows[`${prefix}purpose`] as string | undefined) ?? null,
          rows: own.get(prefix) ?? {},
        },
      ]
    }),
  )
}

/** The lens ids the plan reckons with, sorted. */
export function plannedLenses(plan: Plan): string[] {
  return Object.keys(plan.rows)
    .filter((id) => id.startsWith('lens/'))
    .map((id) => id.slice('lens/'.length))
    .sort()
}

/** The plan's title, or a plain one. */
export function planTitle(plan: Plan): string {
  return (plan.rows.title as string | undefined) ?? 'Untitled plan'
}
