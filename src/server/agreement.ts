import { ok, refuse, type Result } from '@/core/result'
import { agreementWith } from '@/core/suggest/agreement'
import { loadPlan, type StoredPlan } from './plans'

/** The functions that the keys of other plans ask of a plan's model, by address. */
export async function agreementOf(
  planId: string,
  otherIds: unknown,
): Promise<Result<(readonly [string, readonly string[]])[]>> {
  if (!Array.isArray(otherIds) || !otherIds.every((id) => typeof id === 'string'))
    return refuse('shape', 'The plans to agree with are a list of their ids.', 'with')
  const mine = await loadPlan(planId)
  if (!mine.ok) return mine
  const others: StoredPlan[] = []
  for (const id of otherIds) {
    const other = await loadPlan(id)
    if (!other.ok) return other
    others.push(other.value)
  }
  return ok([...agreementWith(mine.value.model, others)])
}
