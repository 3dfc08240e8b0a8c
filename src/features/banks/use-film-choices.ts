'use client'

import type { Offered } from '@/core/banks/sizes'
import { usePlanWorker } from '@/features/desk/use-plan-worker'

/** What film can be chosen in each column, with what to switch off first; null while it is reckoned for the first time. */
export function useFilmChoices(): Readonly<Record<string, readonly Offered[]>> | null {
  return usePlanWorker('film', (worker, plan) => worker.film(plan))?.found ?? null
}
