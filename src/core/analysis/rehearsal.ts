import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { assign } from '../plan/assign'
import { idsOf, invalidatedBy, keyRow } from '../plan/rows'
import type { RowChange } from './questions'

/** So many steps are taken in thought: from about the tenth on a step takes what it takes ever after. */
const steps = 12

/**
 * Steps such as an owner takes, each from the plan as it stands: a row of the plan's keys and settings that goes, spread over
 * all of them; where the plan has too few, a key that is left without a function. What runs for the first time takes several
 * times as long as what ran a few times before: who is about to be asked takes these steps first, and forgets them.
 */
export function rehearsals(model: BodyModel, plan: Plan): RowChange[] {
  const rows = idsOf(plan.rows).filter((row) => own.has(invalidatedBy(model, row).what))
  const free = [...lookup(model).addresses.keys()]
    .map((key) => ({ key, row: keyRow({ key }) }))
    .filter(
      ({ key, row }) => plan.rows[row] === undefined && assign(model, plan, key, 'nothing', 'rehearsed').ok,
    )
  const gone = spread(rows).map((row): RowChange => [row, null])
  const emptied = spread(free).map(({ row }): RowChange => [row, 'nothing'])
  return [...gone, ...emptied].slice(0, steps)
}

const own: ReadonlySet<string> = new Set(['key', 'setting'])

/** As many of a list as there are steps, from all over it. */
function spread<T>(list: readonly T[]): T[] {
  const apart = Math.max(1, Math.floor(list.length / steps))
  return list.filter((_, i) => i % apart === 0).slice(0, steps)
}
