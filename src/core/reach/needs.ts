import type { BodyModel, Side } from '../model/types'
import { parseRow } from '../plan/parse-row'
import type { Plan } from '../plan/plan'
import { rowValue, setRows, type Step } from '../plan/step'
import { needFlags, type NeedFlag, type ReadySet } from '../vocabulary/situations'
import type { Value } from '../vocabulary/values'

/** A need of one situation. */
export interface Need {
  readonly situation: string
  readonly side: Side
  /** A common setting to change, or a common function to do. */
  readonly what: string
  readonly perOuting: number
  readonly flags: readonly NeedFlag[]
}

/** The needs of a plan, by situation and name; a situation without a side is worked on the model's first. */
export function needsOf(model: BodyModel, plan: Plan): Need[] {
  return Object.keys(plan.rows)
    .filter((id) => id.startsWith('need/'))
    .sort()
    .flatMap((id): Need[] => {
      const row = parseRow(model, id)
      const value = rowValue(plan.rows, id)
      if (!row.ok || row.value.kind !== 'need' || !Array.isArray(value)) return []
      const { situation, what } = row.value
      const side =
        (rowValue(plan.rows, `situation/${situation}/side`) as Side | null) ?? model.sides[0] ?? 'stills'
      const [count, ...flags] = value as readonly string[]
      return [
        {
          situation,
          side,
          what,
          perOuting: Number(count),
          flags: needFlags.filter((flag) => flags.includes(flag)),
        },
      ]
    })
}

/** The step that starts a situation from a ready set; needs it has already stay as they are. */
export function startSituation(plan: Plan, set: ReadySet, situation: string, id: string): Step {
  const rows: Record<string, Value> = {
    [`situation/${situation}/name`]: set.name,
    [`situation/${situation}/side`]: set.side,
  }
  for (const { what, perOuting, flags } of set.needs) {
    const row = `need/${situation}/${what}`
    if (rowValue(plan.rows, row) === null) rows[row] = [String(perOuting), ...flags]
  }
  return setRows(plan, id, rows)
}
