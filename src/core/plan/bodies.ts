import { firmwareNumber } from '../rules/facts'
import { type Rows, bodyFirmwareRow, bodyTagOf, differsIn, entriesOf, idsOf, rowValue } from './rows'
import type { Plan } from './plan'

/** The tags of the bodies that a plan speaks of, in order. */
export function bodyTags({ rows }: Pick<Plan, 'rows'>): string[] {
  return [...new Set(idsOf(rows).flatMap((row) => bodyTagOf(row) ?? []))].sort()
}

/** The rows in which one body differs from the plan's others, by the row of base or bank they stand for. */
export function differencesOf(plan: Plan, tag: string): Rows {
  return Object.fromEntries(
    entriesOf(plan.rows).flatMap(([row, value]) => {
      const about = differsIn(row, tag)
      return about === null ? [] : [[about, value] as const]
    }),
  )
}

/** The plan as one body has it: its differences in the place of what they stand for. */
export function planFor(plan: Plan, tag: string): Plan {
  const rows = differencesOf(plan, tag)
  return Object.keys(rows).length === 0 ? plan : { ...plan, rows: { ...plan.rows, ...rows } }
}

/** The bodies of which a plan says the firmware, the oldest first. */
export function firmwareOfBodies({
  rows,
}: Pick<Plan, 'rows'>): { readonly tag: string; readonly firmware: string }[] {
  const said = bodyTags({ rows }).flatMap((tag) => {
    const firmware = rowValue(rows, bodyFirmwareRow(tag))
    return typeof firmware === 'string' ? [{ tag, firmware }] : []
  })
  return said.sort(
    (one, other) => (firmwareNumber(one.firmware) ?? 0) - (firmwareNumber(other.firmware) ?? 0),
  )
}
