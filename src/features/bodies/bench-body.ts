import type { CardCondition } from '@/core/camera/card-condition'
import type { CarryStage } from '@/core/camera/carry'
import type { MishapId } from '@/core/camera/mishaps'

/** A simulated body on its bench. */
export interface BenchBody {
  readonly id: string
  readonly tag: string
  readonly name: string
  readonly firmware: string
  /** Every firmware of its model, the oldest first. */
  readonly firmwares: readonly string[]
  readonly battery: number
  readonly card: CardCondition
  readonly cardFiles: readonly { readonly name: string; readonly bytes: number }[]
  readonly isPending: boolean
  /** The plan it is believed to hold, for the walk that sets what a file cannot. */
  readonly planId: string | null
  readonly mishaps: readonly { readonly stage: CarryStage; readonly what: MishapId }[]
  /** Everything it remembers, in words. */
  readonly memory: readonly { readonly row: string; readonly place: string; readonly value: string }[]
}
