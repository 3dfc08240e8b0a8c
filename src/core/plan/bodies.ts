import type { Plan } from './plan'
import type { RowId, Rows } from './rows'

/** The rows in which one body differs from the plan's others, by the row of base or bank they stand for. */
export function differencesOf(plan: Plan, tag: string): Rows {
  const prefix = `body/${tag}/`
  const own = Object.entries(plan.rows).filter(([row]) => /^(base|bank)\//.test(row.slice(prefix.length)))
  return Object.fromEntries(
    own.filter(([row]) => row.startsWith(prefix)).map(([row, value]) => [row.slice(prefix.length), value]),
  )
}

/** The plan as one body has it: its differences in the place of what they stand for. */
export function planFor(plan: Plan, tag: string): Plan {
  const rows = differencesOf(plan, tag)
  return Object.keys(rows).length === 0 ? plan : { ...plan, rows: { ...plan.rows, ...rows } }
}

/** The id of the row in which a body differs from a row of base or a bank. */
export function differenceRow(tag: string, row: RowId): RowId {
  return `body/${tag}/${row}`
}
