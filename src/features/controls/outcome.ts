import type { Displaced } from '@/core/plan/assign'

/** What the last assignment did, shown until the next. */
export interface Outcome {
  readonly address: string
  readonly displaced: Displaced | null
  /** The key it came from, which is free now. */
  readonly from: string | null
}
