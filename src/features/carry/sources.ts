import type { Holds } from '@/core/camera/carry'
import type { CarryStage } from '@/core/camera/stages'
import type { HandWork } from '@/core/camera/preflight'

/** Something that can be carried: its id as the server takes it, and its words. */
export interface CarrySourceChoice {
  /** `plan:…`, `revision:…/number`, `file:…` or `body:…`. */
  readonly id: string
  readonly words: string
  readonly modelId: string
}

/** A transfer that was, or that waits, as the station shows it. */
export interface PastTransfer {
  readonly id: string
  readonly bodyId: string
  readonly bodyName: string
  readonly source: string
  readonly outcome: string
  readonly holds: Holds | null
  readonly stage: CarryStage | null
  readonly startedAt: string
  readonly compared: number | null
  readonly handWork: readonly (HandWork & { readonly tickedAt?: string })[]
  readonly files: readonly { readonly role: string; readonly id: string; readonly name: string }[]
  /** What each stage said, in order. */
  readonly log: readonly {
    readonly stage: CarryStage
    readonly outcome: 'done' | 'refused' | 'stopped'
    readonly message: string
  }[]
}
