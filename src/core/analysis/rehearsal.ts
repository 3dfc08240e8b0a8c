import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { assign } from '../plan/assign'
import type { Plan } from '../plan/plan'
import { idsOf, invalidatedBy, keyRow } from '../plan/rows'
import type { RowChange } from './questions'

/** How many steps of each kind are taken: from about the fourth on a step takes what it takes ever after. */
const steps = { keys: 4, settings: 2 }

/**
 * Steps such as an owner takes, each from the plan as it stands: keys left without a function, and rows of settings that go,
 * from all over the plan. What runs for the first time takes several times as long as what ran a few times before: who is
 * about to be asked takes these steps first, and forgets them.
 */
export function rehearsals(model: BodyModel, plan: Plan): RowChange[] {
  const keys = [...lookup(model).addresses.keys()].filter(
    (key) => assign(model, plan, key, 'nothing', 'rehearsed').ok,
  )
  const settings = idsOf(plan.rows).filter((row) => invalidatedBy(model, row).what === 'setting')
  return [
    ...spread(keys, steps.keys).map((key): RowChange => [keyRow({ key }), 'nothing']),
    ...spread(settings, steps.settings).map((row): RowChange => [row, null]),
  ]
}

/** So many of a list, from all over it. */
function spread<T>(list: readonly T[], most: number): T[] {
  const apart = Math.max(1, Math.floor(list.length / most))
  return list.filter((_, i) => i % apart === 0).slice(0, most)
}
