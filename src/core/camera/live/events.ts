import type { Attached } from '../../resolve/context'
import type { LensModel, Orientation, Posture } from '../../model/types'
import type { RowId } from '../../plan/rows'
import type { Value } from '../../vocabulary/values'
import type { Fault, LiveState, Scene } from './state'

/** What can happen to a body. Keys are named by control and gesture; `press` and `release` are for what can be held. */
export type LiveEvent =
  | { readonly kind: 'press' | 'release'; readonly control: string; readonly gesture: string }
  | { readonly kind: 'full' }
  | { readonly kind: 'turn'; readonly control: string; readonly gesture: string; readonly clicks: number }
  | { readonly kind: 'lever'; readonly setting: string; readonly value: Value }
  | { readonly kind: 'position'; readonly position: string }
  | { readonly kind: 'recall'; readonly family: string; readonly slot: string | null }
  | { readonly kind: 'register'; readonly family: string; readonly slot: string }
  | { readonly kind: 'menu'; readonly setting: string; readonly value: Value }
  /** On a set-up page: the share list, a key, a cell, a line of the own menu, a ticked row, a name. Null empties it. */
  | { readonly kind: 'setUp'; readonly row: RowId; readonly value: Value | null }
  | { readonly kind: 'act'; readonly act: string; readonly file?: string }
  | { readonly kind: 'wait'; readonly seconds: number }
  | { readonly kind: 'power'; readonly on: boolean }
  | { readonly kind: 'battery'; readonly percent: number }
  | { readonly kind: 'lens'; readonly lens: LensModel | null }
  | { readonly kind: 'rotate'; readonly orientation: Orientation }
  | { readonly kind: 'posture'; readonly posture: Posture }
  | { readonly kind: 'attach'; readonly what: Attached; readonly on: boolean }
  | { readonly kind: 'eye'; readonly at: boolean }
  | { readonly kind: 'card'; readonly what: 'out' | 'in' | 'lock' | 'unlock' | 'full' }
  | { readonly kind: 'scene'; readonly scene: Scene }
  | { readonly kind: 'firmware'; readonly version: string }
  | { readonly kind: 'fail'; readonly fault: Fault }

/** One line of the log: what happened; what the body would not do; what was lost; what only the real body can tell. */
export interface LogLine {
  readonly kind: 'did' | 'refused' | 'lost' | 'test'
  readonly words: string
}

/** The state after an event, and the log. */
export interface Lived {
  readonly state: LiveState
  readonly log: readonly LogLine[]
}

/** A log line of something that happened. */
export function did(words: string): LogLine {
  return { kind: 'did', words }
}

/** A log line of something the body would not do. */
export function refusedIt(words: string): LogLine {
  return { kind: 'refused', words }
}
