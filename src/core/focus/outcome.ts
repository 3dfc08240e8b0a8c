import type { Side } from '../model/types'
import type { Value } from '../vocabulary/values'

/**
 * What autofocus does: it finds once and keeps; it follows; nothing runs; it rests because a key says so; it keeps the
 * distance found because a key, or a lock that stays, says so.
 */
export type Does = 'once' | 'follows' | 'no' | 'rests' | 'keeps'

/** What the full press does: a picture at once; one that waits until it is sharp; film; nothing. */
export type FullPress = 'picture' | 'picture-when-sharp' | 'records' | 'nothing'

/** What comes of a set of keys held down. */
export interface FocusOutcome {
  readonly does: Does
  /** Address of the key that is obeyed; null where none runs, or it runs by itself. */
  readonly by: string | null
  readonly mode: Value | null
  readonly area: Value | null
  readonly detection: Value | null
  readonly tracking: Value | null
  readonly full: FullPress
}

/** Whether autofocus runs: it finds once, or follows. */
export function isRunning({ does }: Pick<FocusOutcome, 'does'>): boolean {
  return does === 'once' || does === 'follows'
}

/** What an outcome is made of: who starts, who stops, and the values in force. */
export interface FocusParts {
  readonly side: Side
  /** Address of the key that is obeyed among those that start autofocus; null for none. */
  readonly starter: string | null
  readonly rests: boolean
  readonly keeps: boolean
  /** Whether the half-press, which every full press goes through, focuses by itself. */
  readonly halfFocuses: boolean
  /** A common setting's value in force; null where the model has none. */
  readonly value: (means: string) => Value | null
}

/**
 * The outcome. While filming autofocus may run by itself; a key then says how. A stop is stronger than a lock, and both are stronger than a start; by hand nothing runs. The full press
 * goes through the half-press: where that focuses, the priority setting of the focus mode says whether the picture
 * waits.
 */
export function outcomeOf({ side, starter, rests, keeps, halfFocuses, value }: FocusParts): FocusOutcome {
  const mode = value('focus.mode')
  const byHand = mode === 'manual'
  const runs = mode === 'follow' ? 'follows' : 'once'
  const itself = side === 'motion' && value('focus.motionMode') === 'runs' ? 'follows' : 'no'
  const starts = byHand ? 'no' : starter === null ? itself : runs
  const held = keeps ? 'keeps' : starts
  const does = byHand ? 'no' : rests ? 'rests' : held
  const focuses = isRunning({ does }) || (does === 'no' && halfFocuses && !byHand)
  const priority = value(mode === 'follow' ? 'focus.priorityFollow' : 'focus.priorityOnce') ?? 'focus'
  const still = focuses && priority === 'focus' ? 'picture-when-sharp' : 'picture'
  return {
    does,
    by: isRunning({ does }) ? starter : null,
    mode,
    area: value('focus.area'),
    detection: value('focus.detection'),
    tracking: value('focus.tracking'),
    full: side === 'stills' ? still : value('movie.recordByShutter') === true ? 'records' : 'nothing',
  }
}
