import { baseRow, baseValue, defaultWhereabouts } from '../plan/cells'
import { checkValue, showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel, Setting, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { rowValue, type RowId } from '../plan/rows'
import { setRows, applyStep } from '../plan/step'
import { needsOf } from '../reach/needs'
import { must } from '../result'
import { readySets } from '../vocabulary/situations'
import { sameValue, type Value } from '../vocabulary/values'

/** A mode that the plan does not say and that a suggestion reckons with. */
export interface Assumed {
  readonly row: RowId
  readonly side: Side
  readonly setting: Setting
  readonly value: Value
  /** What it was taken from, as a sentence. */
  readonly words: string
}

/** Where no kind of work says otherwise. */
const otherwise = { exposure: 'aperture-first', focus: 'follow' } as const

/**
 * The plan as its work is done: where base says nothing of exposure mode or focus mode, the mode in which the kind of work
 * is done that needs the side most. Functions are weighed in it; the plan itself is not changed.
 */
export function withAssumedModes(model: BodyModel, plan: Plan): { plan: Plan; assumed: readonly Assumed[] } {
  const assumed = model.sides.flatMap((side) => assumedOn(model, plan, side))
  const rows = Object.fromEntries(assumed.map(({ row, value }) => [row, value]))
  const weighed = applyStep(model, plan, setRows(plan, 'assumed', rows))
  return assumed.length > 0 && weighed.ok ? { plan: must(weighed), assumed } : { plan, assumed: [] }
}

function assumedOn(model: BodyModel, plan: Plan, side: Side): Assumed[] {
  const needs = needsOf(model, plan).filter((need) => need.side === side)
  if (needs.length === 0) return []
  const { byMeaning } = lookup(model)
  const modes = mostDone(needs) ?? otherwise
  const asked = [
    [byMeaning.get('exposure.mode'), modes.exposure],
    [byMeaning.get('focus.mode'), modes.focus],
  ] as const
  return asked.flatMap(([setting, value]): Assumed[] => {
    if (!setting || !checkValue(setting.domain, value, '').ok) return []
    const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
    const isSaid = rowValue(plan.rows, row) !== null
    if (isSaid || sameValue(baseValue(model, plan.rows, setting, side), value)) return []
    const words = `${setting.label} is not planned in ${side}: reckoned with ${showValue(setting.domain, value)}, as this work is mostly done.`
    return [{ row, side, setting, value, words }]
  })
}

/** The modes of the kind of work that is begun from a ready set and comes most often. */
function mostDone(needs: readonly { situation: string; perOuting: number }[]) {
  const times = new Map<string, number>()
  for (const { situation, perOuting } of needs) times.set(situation, (times.get(situation) ?? 0) + perOuting)
  const [most] = [...times].sort((a, b) => b[1] - a[1])
  return readySets.find(({ id }) => id === most?.[0] || most?.[0].startsWith(`${id}-`))?.modes
}
