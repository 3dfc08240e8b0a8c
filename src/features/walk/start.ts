import type { Face } from '@/core/model/types'
import type { ProcedureAct, Undone } from '@/core/procedures/types'
import type { Walk } from '@/core/procedures/progress'
import type { Head } from '@/core/sync/head'
import type { Step } from '@/core/sync/step'
import type { DrawnControl } from '@/ui/plate/drawing'

/** An act as the walk shows it: what the simulated body would do is left out. */
export type WalkAct = Omit<ProcedureAct, 'events'>

/** A walk as the server sends it. */
export interface WalkStart {
  readonly id: string
  readonly planId: string
  readonly title: string
  readonly model: string
  readonly modelId: string
  readonly procedure: string
  readonly name: string
  readonly purpose: string
  readonly body: string | null
  readonly isBodyGone: boolean
  readonly revision: number | null
  readonly movedOnTo: number | 'plan' | null
  readonly begins: string
  readonly endedAt: string | null
  readonly epoch: string
  readonly version: number
  readonly head: Head
  readonly log: readonly Step[]
  readonly walk: Walk
  readonly acts: readonly WalkAct[]
  readonly undone: readonly Undone[]
  readonly leaves: readonly string[]
  /** The faces on which something is pressed, and what is drawn on them. */
  readonly faces: readonly Face[]
  readonly controls: readonly DrawnControl[]
}
