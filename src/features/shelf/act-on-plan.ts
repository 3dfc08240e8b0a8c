import type { Refusal } from '@/core/result'

/** What can be done to a plan on the shelf. */
export type PlanAct = 'duplicate' | 'delete' | 'restore' | 'up' | 'down'

/** Does it; gives the id of the plan it is about then, or why it was not done. */
export async function actOnPlan(id: string, act: PlanAct): Promise<{ id: string } | { refusal: Refusal }> {
  const response = await fetch(`/api/plans/${id}/shelf`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ act }),
  }).catch(() => null)
  const answer = (await response?.json().catch(() => null)) as { id?: string; refusal?: Refusal } | null
  if (answer?.id !== undefined) return { id: answer.id }
  return { refusal: answer?.refusal ?? { code: 'unreachable', message: 'The server did not answer.' } }
}
