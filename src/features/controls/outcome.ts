import type { Displaced } from '@/core/plan/assign'
import type { ReachReport } from '@/core/reach/report'

/** What the last assignment did, shown until the next. */
export interface Outcome {
  readonly address: string
  /** The function put there; when another takes its place the outcome no longer stands. */
  readonly functionId: string | null
  readonly displaced: Displaced | null
  /** The key it came from, which is free now. */
  readonly from: string | null
  /** What the needs cost before; null where that was not known yet. */
  readonly before: ReachReport | null
}
