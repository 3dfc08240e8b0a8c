import type { TakenFor } from '../cards/taking'
import type { LiveEvent } from '../camera/live/events'
import type { RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'

/**
 * What kind of thing an act is: the mode dial turned, a bank recalled, a lens put on (`stand`); a value set at its line of
 * the menu (`set`) or on a set-up page (`page`); a bank stored (`store`); an act of the menu (`menu`); something done around
 * the camera (`do`); a key pressed (`press`), or something looked at (`look`), and held against what is expected; a file taken
 * in (`take`), written to a card (`put`), held against another (`compare`).
 */
export type ActKind =
  'stand' | 'set' | 'page' | 'store' | 'menu' | 'do' | 'press' | 'look' | 'take' | 'put' | 'compare'

/** What an act does with a file: for what, and of which body; null for a file of no body in particular. */
export interface FileTask {
  readonly for: TakenFor | 'put' | 'compare'
  readonly tag: string | null
}

/** One thing to do, and all that is known of it where the camera is in one hand. */
export interface ProcedureAct {
  /** The same for the same thing to do, however the procedure is composed anew. */
  readonly id: string
  readonly kind: ActKind
  /** What to do, in one sentence without a full stop: "Drive mode: Single → Burst". */
  readonly words: string
  /** Menu address, or the place on the body; empty where the words say it. */
  readonly where: string
  /** The heading it stands under: page of the menu, bank, part of the day. */
  readonly part: string
  /** How the camera stands for it, such as "Mode dial at Film"; empty where that does not matter. */
  readonly stands: string
  /** The control to be lit on the plate, or null. */
  readonly control: string | null
  /** The row of the plan that it sets or proves, or null. */
  readonly row: RowId | null
  /** What is asked for, as a text: done once for this is not done for something else. */
  readonly asks: string
  /** The value that stands in `row` when it is done; undefined where it sets none. */
  readonly sets?: Value | null
  /** Presses in the menu from where the act before left it. */
  readonly presses: number
  /** What the simulated body does for it, in order; nothing where no body can. */
  readonly events: readonly LiveEvent[]
  /** Only tried: the hand undoes it at once, and the simulated body stands after it as before. */
  readonly isTried?: boolean
  /** Acts that have to be done before it, unless the owner goes past them with a reason. */
  readonly after: readonly string[]
  /** What is to be seen when it is done. */
  readonly expect?: string
  /** What can be said of it, each in a word or two: one of these is its tick. */
  readonly answers?: readonly string[]
  /** What was answered comes to limits of the owner's, which are written into the plan here. */
  readonly writes?: 'iso-limits'
  /** What is done with a file: its tick waits until that was seen to. */
  readonly task?: FileTask
  /** Another procedure that is gone through here, on a body. */
  readonly door?: { readonly procedure: 'set-plan' | 'press-test'; readonly body: string }
  /** What it costs or loses. */
  readonly warning?: string
  /** Why it is here, or why here. */
  readonly because?: string
}

/** Something that the plan wants and no act brings about, with the reason. */
export interface Undone {
  /** The row of the plan, or null for what is none. */
  readonly row: RowId | null
  readonly words: string
  readonly because: string
}

/** Ordered acts with what they are for. */
export interface Procedure {
  readonly id: string
  readonly name: string
  readonly purpose: string
  readonly acts: readonly ProcedureAct[]
  readonly undone: readonly Undone[]
  /** What it leaves behind that the owner should know of, in sentences. */
  readonly leaves: readonly string[]
}
