'use client'

import type { BankFocus } from '@/core/focus/sheet'
import type { Posture, Side } from '@/core/model/types'
import { usePlanWorker } from '@/features/desk/use-plan-worker'

/** The name under which the worker's time for all banks is kept in the browser's own measures. */
export const acrossMeasure = 'focus across banks'

/** The trigger tables of every bank of a side, reckoned in a worker; null until the first answer for the side. */
export function useFocusAcross(
  side: Side,
  lens: string | null,
  posture: Posture,
): readonly BankFocus[] | null {
  const answer = usePlanWorker([side, lens, posture].join(), async (worker, plan) => {
    const choice = { posture, ...(lens === null ? {} : { lens }) }
    const { banks, milliseconds } = await worker.across(plan, side, choice)
    performance.measure(acrossMeasure, { start: performance.now() - milliseconds, duration: milliseconds })
    return { side, banks }
  })
  return answer?.found.side === side ? answer.found.banks : null
}
