import type { RunState } from '../model/types'
import type { Value } from '../vocabulary/values'

/** Where a route is to lead: values of settings, acts done on the way, the position of the mode dial, the run state at the end. */
export interface Wanted {
  readonly values: Readonly<Record<string, Value>>
  readonly acts?: readonly string[]
  readonly position?: string
  readonly run?: RunState
}
