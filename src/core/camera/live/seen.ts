import { finderIn, type FinderPicture } from '../../focus/finder'
import type { FocusOutcome } from '../../focus/outcome'
import type { BodyModel } from '../../model/types'
import { plannedSlots } from '../../plan/plan'
import type { Verdict } from '../../resolve/resolved'
import type { Value } from '../../vocabulary/values'
import type { Memory } from '../memory'
import { displayOf, type Display } from './display'
import { focusWords } from './hands'
import type { InHand, StoryLine } from './in-hand'
import { effectiveFunctionIdsOf, focusNow, resolutionNow } from './key-presses'
import { contextOf, heldFunctions, memoryPlan, resolveBody, type LiveState } from './state'

/** How a key stands as the body is: what is on it, and whether that works now. */
export interface KeySeen {
  /** It answers where levers and exposure mode stand. */
  readonly active: boolean
  readonly functionId: string | null
  readonly verdict: Verdict
  readonly because: readonly string[]
}

/** All that is seen of a body in the hand. */
export interface Seen extends Pick<
  LiveState,
  'side' | 'on' | 'eye' | 'posture' | 'orientation' | 'position' | 'banks' | 'lens' | 'attached' | 'held'
> {
  readonly display: Display
  readonly picture: FinderPicture | null
  readonly outcome: FocusOutcome
  /** What focus does now, in words. */
  readonly words: string
  /** The value of every setting with no key held, by id. */
  readonly values: Readonly<Record<string, Value>>
  /** The keys that can answer now, by address. */
  readonly keys: Readonly<Record<string, KeySeen>>
  /** The banks in use, by what their owner calls them. */
  readonly slots: readonly { readonly family: string; readonly slot: string; readonly name: string }[]
  readonly story: readonly StoryLine[]
  /** What it remembers: what is on its keys, also on those that cannot answer now. */
  readonly memory: Memory
  /** It holds a memory of its own, and not the plan. */
  readonly holdsOwn: boolean
}

/** What is seen of a body, which holds the plan, or something of its own. */
export function seenOf(model: BodyModel, { state, story }: InHand, holdsOwn = false): Seen {
  const { side, on, eye, posture, orientation, position, banks, lens, attached, held } = state
  const resolution = resolutionNow(model, state)
  const functions = heldFunctions(model, state, effectiveFunctionIdsOf(model, state))
  const values: Record<string, Value> = {}
  for (const [id, { value }] of resolveBody(model, state).settings) if (value !== null) values[id] = value
  const keys: Record<string, KeySeen> = {}
  for (const [key, { active, effectiveFunctionId, verdict, remarks }] of resolution.addresses)
    keys[key] = {
      active,
      functionId: effectiveFunctionId,
      verdict,
      because: [...new Set(remarks.map((remark) => remark.because))],
    }
  return {
    ...{ side, on, eye, posture, orientation, position, banks, lens, attached, held },
    display: displayOf(model, state),
    picture: finderIn(model, memoryPlan(state), contextOf(state, functions)),
    outcome: focusNow(model, state),
    words: focusWords(model, state),
    values,
    keys,
    slots: plannedSlots(model, memoryPlan(state)).map(({ family, slot, name }) => ({ family, slot, name })),
    ...{ story, holdsOwn },
    memory: state.body.memory,
  }
}
