import type { LadderName } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import type { Rule } from '../rules/rule'

/** A camera as data: everything Salt Shelf knows about one model. See docs/models.md for the file. */
export interface BodyModel {
  readonly format: 'salt-shelf/body-model'
  readonly formatVersion: 1
  readonly id: string
  /** Number of this definition; plans and card files name it. */
  readonly version: number
  readonly maker: string
  readonly name: string
  readonly kind: string
  readonly firmware: readonly Firmware[]
  readonly cardFile: { readonly formatNumber: number }
  /** Other models that owners take for this one, and how to tell them apart. */
  readonly lookAlikes: readonly { readonly model: string; readonly tellApart: string }[]
  readonly sides: readonly Side[]
  readonly faces: readonly Face[]
  readonly controls: readonly Control[]
  readonly settings: readonly Setting[]
  readonly functions: readonly ModelFunction[]
  /** Named lists of function ids that gestures accept. */
  readonly functionLists: Readonly<Record<string, readonly string[]>>
  readonly families: readonly BankFamily[]
  readonly holdSets: readonly HoldSet[]
  readonly menu: readonly MenuPage[]
  readonly rules: readonly Rule[]
}

/** Stills or motion. */
export type Side = 'stills' | 'motion'

/** A firmware version and the versions whose card files it can load. */
export interface Firmware {
  readonly version: string
  readonly readsFilesFrom: readonly string[]
}

/** One face of the body as line art in a unit square: x to the right, y down, both 0..1, scaled by `aspect`. */
export interface Face {
  readonly id: string
  readonly name: string
  /** Width divided by height of the drawing. */
  readonly aspect: number
  readonly strokes: readonly Stroke[]
}

/** One line of the drawing: SVG path data in thousandths of the unit square (0..1000 on both axes). */
export interface Stroke {
  readonly path: string
  readonly weight: 'outline' | 'detail' | 'glass' | 'faint'
}

/** Something the hand meets. */
export interface Control {
  readonly id: string
  readonly name: string
  readonly kind: 'key' | 'dial' | 'wheel' | 'stick' | 'release'
  readonly face: string
  /** Centre on its face, unit square. */
  readonly at: readonly [number, number]
  /** Drawn size on its face, unit square: width and height. */
  readonly size: readonly [number, number]
  readonly shape: 'round' | 'bar' | 'ribbed' | 'ring'
  /** Where it is, in the owner's words. */
  readonly where: string
  /** Found with the eye at the finder. */
  readonly atFinder: boolean
  readonly bump: 'low' | 'high'
  readonly gestures: readonly Gesture[]
}

/** One way to work a control, which takes one function on each side. */
export interface Gesture {
  readonly id: string
  readonly name: string
  /** Name of the function list it accepts. */
  readonly accepts: string
  /** Function as delivered, by side. */
  readonly factory: Readonly<Partial<Record<Side, string>>>
}

/** Where a setting's value lives: one cell, a cell for each side, or only on this one camera. */
export type Place = 'body' | 'side' | 'local' | 'physical'

/** A setting of this model. */
export interface Setting {
  readonly id: string
  readonly label: string
  /** Id in the common vocabulary, or null when no common setting matches. */
  readonly means: string | null
  readonly domain: Domain
  readonly factory: Value
  readonly place: Place
  /** Bank family that stores it, or null. */
  readonly storedBy: string | null
  /** On the share list: stills and motion may share its cell; the value says whether they do as delivered. */
  readonly shared?: boolean
}

/** The values a setting can take. */
export type Domain =
  | { readonly kind: 'choice'; readonly values: readonly Choice[] }
  | { readonly kind: 'ladder'; readonly ladder: LadderName; readonly from: string; readonly to: string }
  | {
      readonly kind: 'number'
      readonly from: number
      readonly to: number
      readonly step: number
      readonly unit: string
    }
  | { readonly kind: 'toggle' }
  | { readonly kind: 'subset'; readonly values: readonly Choice[]; readonly atLeast: number }
  | { readonly kind: 'text'; readonly longest: number; readonly alphabet: string }

/** One value of a list, with the word the menu shows. */
export interface Choice {
  readonly id: string
  readonly name: string
}

/** Something a control of this model can be made to do. */
export interface ModelFunction {
  readonly id: string
  readonly name: string
  readonly means: string | null
  readonly manner: Manner
  readonly sides: readonly Side[]
  /** Settings it changes or overrides: its menu route when no key has it. */
  readonly changes: readonly string[]
  readonly whileRecording: 'yes' | 'no' | 'unknown'
  /** The hold set it puts in force. */
  readonly holdSet?: string
}

/** How a function answers to the hand. */
export type Manner = 'press' | 'hold' | 'toggle' | 'cycle' | 'choose' | 'turn' | 'move' | 'none'

/** Slots of one kind that keep a set of values. */
export interface BankFamily {
  readonly id: string
  readonly name: string
  readonly keeping: 'snapshot' | 'live'
  readonly nameLength: number
  readonly slots: readonly Choice[]
}

/** A ticked set of values that is in force while a key with its function is held, or latched. */
export interface HoldSet {
  readonly id: string
  readonly name: string
  readonly nameLength: number
}

/** A page of the camera's menu: setting ids in its own order. */
export interface MenuPage {
  readonly id: string
  readonly name: string
  readonly lines: readonly string[]
}

/** A lens as data. */
export interface LensModel {
  readonly format: 'salt-shelf/lens-model'
  readonly formatVersion: 1
  readonly id: string
  readonly name: string
  /** Whether body and lens can talk. */
  readonly contacts: boolean
  /** Focal length in millimetres, shortest and longest. */
  readonly focalMm: readonly [number, number]
  /** Widest aperture as marked. */
  readonly widest: string
}
