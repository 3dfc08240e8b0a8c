import { isoLimitRows, isoLimitsOf, isoLimitWords, ratedOn } from '@/core/procedures/iso-limits'
import { ok, type Result } from '@/core/result'
import { setPlanRows } from './plans'
import { loadWalk } from './walks'

/** Writes what an ISO ladder was rated into its plan, under You: what that comes to in words, and whether the plan said so already. */
export async function writeIsoLimits(
  id: string,
): Promise<Result<{ readonly words: string; readonly isNew: boolean }>> {
  const open = await loadWalk(id)
  if (!open.ok) return open
  const { model, walk, composed, planId } = open.value
  const limits = isoLimitsOf(model, ratedOn(walk, composed.acts))
  if (!limits.ok) return limits
  const written = await setPlanRows(planId, isoLimitRows(limits.value))
  return written.ok ? ok({ words: isoLimitWords(limits.value), isNew: written.value }) : written
}
