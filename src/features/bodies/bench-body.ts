import type { CardCondition } from '@/core/camera/card-condition'
import type { CarryStage } from '@/core/camera/stages'
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
  /** The lens that is on it, by its id; null for none. */
  readonly lens: string | null
  /** The lenses of its mount, each with what the body knows of it. */
  readonly lenses: readonly BenchLens[]
  /** The plan it is believed to hold, for the walk that sets what a file cannot. */
  readonly planId: string | null
  readonly mishaps: readonly { readonly stage: CarryStage; readonly what: MishapId }[]
  /** Everything it remembers, in words. */
  readonly memory: readonly { readonly row: string; readonly place: string; readonly value: string }[]
}

/** A lens that can be put on a simulated body. */
export interface BenchLens {
  readonly id: string
  readonly name: string
  /** What the body knows of it, in sentences. */
  readonly words: string
  /** Where Try it stands with it, as text for its address; null where nothing is known of what the body holds. */
  readonly place: string | null
}
