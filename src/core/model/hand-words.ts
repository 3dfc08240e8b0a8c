import type { Orientation, Posture } from './types'

/** How the camera is held, in words. */
export const postureWords: Readonly<Record<Posture, string>> = {
  finder: 'eye at the finder',
  screen: 'at the screen',
  grip: 'upright grip',
  tripod: 'on the tripod',
}

/** Which way up it is held, in words. */
export const orientationWords: Readonly<Record<Orientation, string>> = {
  level: 'level',
  'upright-left': 'upright, left down',
  'upright-right': 'upright, right down',
}
