import { planValue } from '../plan/kind'
import type { Plan } from '../plan/plan'
import type { Step } from '../sync/step'
import { sameValue } from '../vocabulary/values'

/**
 * A step that was made from a plan as it is shown, for the plan alone: to it, rows that the inventory brings are absent.
 * What then changes nothing is left out; what fits neither is left as it is, to be refused.
 */
export function ownStep(own: Plan, shown: Plan, step: Step): Step {
  if (own === shown) return step
  const changes = step.changes.flatMap((change) => {
    const from = planValue(own, change.row)
    const seen = planValue(shown, change.row)
    if (sameValue(from ?? undefined, seen ?? undefined)) return [change]
    if (!sameValue(seen ?? undefined, change.from ?? undefined)) return [change]
    return sameValue(from ?? undefined, change.to ?? undefined) ? [] : [{ ...change, from }]
  })
  return { ...step, changes }
}
