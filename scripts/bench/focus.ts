import { bankFactRow, keyRow } from '@/core/plan/rows'
import { focusTables, triggersIn } from '@/core/focus/trigger-table'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, LensModel } from '@/core/model/types'
import { parsePlan, type Plan } from '@/core/plan/plan'
import type { Value } from '@/core/vocabulary/values'
import { contextIn } from '@/core/resolve/context'
import { must } from '@/core/result'
import { timesAsLong, type Figure } from './measure'

/** The focus table of a model: against four times the slots, and against twice the triggers. */
export function focusBench(model: BodyModel, lens: LensModel): Figure[] {
  const few = planWith(model, 4)
  const many = planWith(model, 8)
  const [fewKeys, manyKeys] = [few, many].map(
    (plan) => triggersIn(model, plan, contextIn(model, 'stills', null, lens)).length,
  )
  const tables = (plan: Plan, slots: number) => () => {
    for (let i = 0; i < slots; i++)
      focusTables(model, plan, { ...contextIn(model, 'stills', null, lens), banks: bank(model, i) })
  }
  const bySlots = timesAsLong(tables(few, 4), tables(few, 1), 10)
  const byKeys = timesAsLong(tables(many, 1), tables(few, 1), 6)
  const growth = ((manyKeys ?? 1) / (fewKeys ?? 1)) ** 2
  return [
    {
      name: `Focus table of ${model.name}: 4 slots instead of 1`,
      wanted: 'linear: at most 5 times the time for 4 times the slots',
      measured: `${bySlots.toFixed(1)} times`,
      holds: bySlots <= 5,
    },
    {
      name: `Focus table of ${model.name}: ${manyKeys ?? 0} triggers instead of ${fewKeys ?? 0}`,
      wanted: `quadratic at most: ${(growth * 1.25).toFixed(1)} times the time`,
      measured: `${byKeys.toFixed(1)} times`,
      holds: byKeys <= growth * 1.25,
    },
  ]
}

/** A plan with so many keys that have a say in focus, and every slot used. */
export function planWith(model: BodyModel, count: number): Plan {
  const functions = ['start-focus', 'start-focus-point', 'start-focus-eyes', 'stop-focus', 'area-while-held']
  const keys = [...lookup(model).addresses.values()].filter(
    ({ side, control, gesture }) =>
      side === 'stills' && control.kind === 'key' && control.presence === undefined && gesture.id === 'press',
  )
  const rows: Record<string, Value> = {}
  for (const key of keys) rows[keyRow(key)] = 'nothing'
  keys.slice(0, count).forEach((key, i) => (rows[keyRow(key)] = functions[i % functions.length] ?? 'nothing'))
  for (const family of model.families)
    for (const slot of family.slots) rows[bankFactRow(family.id, slot.id, 'side')] = slot.side ?? 'stills'
  return must(parsePlan(model, rows))
}

function bank(model: BodyModel, i: number): Record<string, string | null> {
  return Object.fromEntries(
    model.families.map((family) => {
      const slots = family.slots.filter((slot) => slot.side !== 'motion')
      return [family.id, slots[i % slots.length]?.id ?? null]
    }),
  )
}
