import { ok, type Result } from '@/core/result'
import { agreementWith } from '@/core/suggest/agreement'
import { loadPlan } from './plans'

/** The functions that the keys of another plan ask of a plan's model, by address. */
export async function agreementOf(
  planId: string,
  otherId: string,
): Promise<Result<(readonly [string, readonly string[]])[]>> {
  const [mine, other] = await Promise.all([loadPlan(planId), loadPlan(otherId)])
  if (!mine.ok) return mine
  if (!other.ok) return other
  return ok([...agreementWith(mine.value.model, [other.value])])
}
