import {
  type BankFact,
  type RowId,
  type Rows,
  acceptValue,
  bankFactRow,
  entriesOf,
  idsOf,
  lensOf,
  parseRow,
  rowIdOf,
  rowValue,
  titleRow,
  variedOf,
} from './rows'
import type { Value } from '../vocabulary/values'
import type { BodyModel, Side } from '../model/types'
import { memoize } from '../memoize'
import { ok, refuse, type Result } from '../result'
import { readValue, sizeOf } from './limits'

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
  const checked: Record<RowId, Value> = {}
  for (const [id, value] of Object.entries(rows)) {
    const row = parseRow(model, id)
    if (!row.ok) return row
    const read = readValue(value, id)
    const accepted = read.ok ? acceptValue(model, row.value, read.value, id) : read
    if (!accepted.ok) return accepted
    checked[rowIdOf(row.value)] = accepted.value
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
  readonly rows: Readonly<Record<string, Value>>
}

/** The slots that the plan gives a side to, in the model's order; the others are unused. Remembered with the plan's rows. */
export function plannedSlots(model: BodyModel, plan: Plan): readonly PlannedSlot[] {
  return slotsFor(model)(plan.rows)
}

const slotsFor = memoize((model: BodyModel) => memoize((rows: Rows) => readSlots(model, rows)))

function readSlots(model: BodyModel, rows: Rows): PlannedSlot[] {
  const own = new Map<string, Record<string, Value>>()
  for (const [id, value] of entriesOf(rows)) {
    const varied = variedOf(id)
    if (!varied) continue
    const slot = `${varied.family}/${varied.slot}`
    const values = own.get(slot) ?? {}
    own.set(slot, values)
    values[varied.setting] = value
  }
  return model.families.flatMap((family) =>
    family.slots.flatMap((slot) => {
      const fact = (name: BankFact) => rowValue(rows, bankFactRow(family.id, slot.id, name))
      const side = fact('side') as Side | null
      if (side === null) return []
      return [
        {
          family: family.id,
          slot: slot.id,
          name: (fact('name') as string | null) ?? slot.name,
          side,
          purpose: fact('purpose') as string | null,
          rows: own.get(`${family.id}/${slot.id}`) ?? {},
        },
      ]
    }),
  )
}

/** The lens ids the plan reckons with, sorted. */
export function plannedLenses(plan: Plan): string[] {
  return idsOf(plan.rows)
    .flatMap((id) => (plan.rows[id] === true ? (lensOf(id) ?? []) : []))
    .sort()
}

/** The plan's title, or a plain one. */
export function planTitle(plan: Plan): string {
  return String(rowValue(plan.rows, titleRow) ?? 'Untitled plan')
}
