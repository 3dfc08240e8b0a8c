import type { Result } from '@/core/result'
import { ask } from '@/ui/ask'

/** What can be done to a plan on the shelf. */
export type PlanAct = 'duplicate' | 'delete' | 'restore' | 'up' | 'down'

/** Does it; gives the id of the plan it is about then, or why it was not done. */
export function actOnPlan(id: string, act: PlanAct): Promise<Result<{ readonly id: string }>> {
  return ask(`/api/plans/${id}/shelf`, { act })
}
