import { type Rows, bodyTagOf, differsIn, entriesOf, idsOf } from './rows'
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
