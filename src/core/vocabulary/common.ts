/** What a change of a setting can be seen or heard in. */
export type Touches = 'raw' | 'still' | 'movie' | 'preview' | 'histogram' | 'meter' | 'sound' | 'hand'

/** The units settings are counted in; `-` for those that are chosen, not counted. */
export const units = [
  ...['-', 's', 'f', 'ISO', 'EV', 'K', '°', '%', '×', 'mm', 'm', 'dpt', 'px', 'bit', 'frames', 'points'],
  ...['frames/s', 'Mbit/s', 'Hz', 'dB', 'min', 'h'],
] as const

/** One of `units`. */
export type Unit = (typeof units)[number]

/** A setting of the common vocabulary: what a model's own setting *means*, whatever its menu calls it. */
export interface CommonSetting {
  readonly id: string
  readonly group: string
  /** The field's standard term. */
  readonly term: string
  readonly unit: Unit
  readonly touches: readonly Touches[]
  /** Plain-words explanation, shown wherever the setting stands. */
  readonly plain: string
}

/** The manners functions answer in. */
export const functionManners = [
  'none',
  'press',
  'hold',
  'toggle',
  'cycle',
  'choose',
  'turn',
  'held-and-turn',
  'move',
] as const

/** One of `functionManners`. */
export type FunctionManner = (typeof functionManners)[number]

/** A function of the common vocabulary: what a control can be made to do on any body. */
export interface CommonFunction {
  readonly id: string
  readonly group: string
  readonly term: string
  readonly manner: FunctionManner
  /** What has to be said with it: an area, a slot, a dial. */
  readonly parameters: readonly string[]
  /** Common settings it changes, or overrides while held. */
  readonly changes: readonly string[]
  /** Common settings its effect hangs on: where a model's rules usually look. */
  readonly dependsOn: readonly string[]
  readonly plain: string
}
