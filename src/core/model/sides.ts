import type { Setting, Side } from './types'

/** Groups of settings, and single ones, that count on one side only. */
const ofOneSide: readonly (readonly [string, Side])[] = [
  ['drive.', 'stills'],
  ['flash.', 'stills'],
  ['exposure.bracket', 'stills'],
  ['display.review', 'stills'],
  ['movie.', 'motion'],
  ['audio.', 'motion'],
  ['focus.motion', 'motion'],
]

/** Whether a setting counts on a side: self-timer and flash say nothing about filming, frame rates nothing about stills. */
export function isOfSide({ means }: Setting, side: Side): boolean {
  return ofOneSide.every(([start, only]) => side === only || !means?.startsWith(start))
}
