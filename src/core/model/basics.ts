import type { Condition } from '../rules/condition'

/** Stills or motion. */
export type Side = 'stills' | 'motion'

/** Where a key's function belongs: a side, or looking at pictures. */
export type AssignSide = Side | 'playback'

/** What the camera is doing. */
export const runStates = ['idle', 'standby', 'recording', 'menu', 'playback'] as const

/** One of `runStates`. */
export type RunState = (typeof runStates)[number]

/** How the camera is worked. */
export const postures = ['finder', 'screen', 'grip', 'tripod'] as const

/** One of `postures`. */
export type Posture = (typeof postures)[number]

/** What is screwed to a body, with keys of its own. */
export const fittings = ['grip', 'adapter'] as const

/** What is plugged into a camera or put on it. */
export const pluggedIn = ['flash', 'microphone', 'recorder', 'remote'] as const

/** One of `pluggedIn`. */
export type PluggedIn = (typeof pluggedIn)[number]

/** How the camera is turned. */
export const orientations = ['level', 'upright-left', 'upright-right'] as const

/** One of `orientations`. */
export type Orientation = (typeof orientations)[number]

/** From which firmware to which (both included) something is there; absent ends are open. */
export interface FirmwareRange {
  readonly since?: string
  readonly until?: string
}

/** One value of a list, with the word the menu shows. The same id on two models stands for the same thing. */
export interface Choice extends FirmwareRange {
  readonly id: string
  readonly name: string
}

/** A condition with the reason it is asked, in plain words. */
export interface Need {
  readonly when: Condition
  readonly because: string
}
