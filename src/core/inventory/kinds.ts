import { pluggedIn } from '../model/basics'

/** What an inventory has records of. */
export const recordKinds = ['body', 'lens', 'card', 'gear'] as const

/** One of `recordKinds`. */
export type RecordKind = (typeof recordKinds)[number]

/** What is carried along besides bodies, lenses and cards. */
export const gearKinds = {
  microphone: 'Microphone',
  recorder: 'Recorder',
  remote: 'Remote release',
  flash: 'Flash',
  battery: 'Battery',
} as const

/** One of `gearKinds`. */
export type GearKind = keyof typeof gearKinds

/** The kinds of gear that a plan is held against: what is plugged in or put on. */
export function isPluggedIn(kind: GearKind): kind is (typeof pluggedIn)[number] {
  return pluggedIn.some((one) => one === kind)
}
