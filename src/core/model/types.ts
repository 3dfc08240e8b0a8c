import type { LadderName } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import type { AssignSide, Choice, FirmwareRange, Posture, RunState, Side } from './basics'
import type { Rule } from '../rules/rule'
import type { Act, Grid, MenuPage, OwnMenu } from './menu-types'
import type { BankFamily, Filming, HoldSet, ModePosition } from './place-types'
import type { Cards, FocusGeometry, Sensor } from './gear-types'

export { orientations, postures, runStates } from './basics'
export type { AssignSide, Choice, FirmwareRange, Orientation, Posture, RunState, Side } from './basics'
export { actKinds, setUpPages } from './menu-types'
export type { Act, Grid, MenuPage, OwnMenu, SetUpPage } from './menu-types'
export type { BankFamily, Filming, HoldSet, ModePosition, Slot } from './place-types'
export type { Cards, FocusArea, FocusGeometry, LensModel, Zone } from './gear-types'

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
  /** Oldest first. */
  readonly firmware: readonly Firmware[]
  readonly cardFile: CardFileKind
  /** Other models that owners take for this one, and how to tell them apart. */
  readonly lookAlikes: readonly { readonly model: string; readonly tellApart: string }[]
  readonly sides: readonly Side[]
  readonly faces: readonly Face[]
  readonly controls: readonly Control[]
  readonly settings: readonly Setting[]
  readonly functions: readonly ModelFunction[]
  /** Named lists of function ids that gestures accept, in the order in which the camera offers them. */
  readonly functionLists: Readonly<Record<string, readonly string[]>>
  /** Lines on a page of such a list, where the camera offers them by pages. */
  readonly functionListLines?: number
  readonly families: readonly BankFamily[]
  readonly holdSets: readonly HoldSet[]
  readonly positions: readonly ModePosition[]
  /** Null on a body that does not film. */
  readonly filming: Filming | null
  readonly menu: readonly MenuPage[]
  readonly acts: readonly Act[]
  readonly grids: readonly Grid[]
  readonly ownMenu: OwnMenu | null
  readonly focus: FocusGeometry
  readonly cards: Cards
  readonly sensor: Sensor
  readonly rules: readonly Rule[]
  /** Facts of this definition that are not known for certain; every other one is. */
  readonly doubts: readonly Doubt[]
}

/** A firmware version, the versions whose card files it can load, and what it brought. */
export interface Firmware {
  readonly version: string
  readonly readsFilesFrom: readonly string[]
  readonly brings: string
}

/** The configuration file a body writes. */
export interface CardFileKind {
  readonly formatNumber: number
  /** Folder on the card where the body looks for it. */
  readonly folder: string
  /** Settings it leaves behind, besides all that are local or physical. */
  readonly leavesBehind: readonly string[]
}

/**
 * A fact that is not known for certain. `about` names it: `rules/<id>`, `functions/<id>/<run state>`,
 * `settings/<id>/storedBy`, `settings/<id>/factory`, `families/<id>/keeping`, `families/<id>/storesKeys`,
 * `families/<id>/storesGrids`, `families/<id>/storesOwnMenu`, `filming/swapTo`, `focus/heldWins`.
 * What follows from it is answered with every candidate and "test on body".
 */
export interface Doubt {
  readonly about: string
  readonly status: 'claimed' | 'unknown' | 'contradictory'
  /** Who says so; for a claim. */
  readonly by?: string
  /** The answers it may have; for a contradiction at least two. */
  readonly candidates: readonly Value[]
  /** How to find out on the body. */
  readonly test: string
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
  /** What is engraved beside it, and its number in the camera's own lists, where they differ from the name. */
  readonly legend?: string
  readonly listNumber?: number
  readonly kind: ControlKind
  readonly face: string
  /** Centre on its face, unit square. */
  readonly at: readonly [number, number]
  /** Drawn size on its face, unit square: width and height. */
  readonly size: readonly [number, number]
  readonly shape: 'round' | 'bar' | 'ribbed' | 'ring'
  /** Where it is, in the owner's words. */
  readonly where: string
  /** How it is reached, by posture; a posture that is absent does not reach it. */
  readonly reach: Readonly<Partial<Record<Posture, Reach>>>
  readonly bump: 'low' | 'high'
  /** What must be done at the same time, or first, before it answers. */
  readonly guard?: 'half-press' | 'long-press' | 'double-tap' | 'lock'
  /** The toggle that switches the guard on; always on where there is none. */
  readonly guardBy?: string
  /** It is there only with this on the camera. */
  readonly presence?: Presence
  /** The turn or tilt that goes away from the eye. */
  readonly awayFromEye?: 'left' | 'right' | 'up' | 'down'
  /** A choice setting (a lever, the exposure mode) whose every value gives this control another assignment. */
  readonly assignedBy?: string
  readonly gestures: readonly Gesture[]
}

/** What a control is. */
export type ControlKind =
  'key' | 'dial' | 'wheel' | 'ring' | 'lever' | 'stick' | 'strip' | 'touch' | 'release'

/** What has to be on the camera. */
export type Presence = 'lens-key' | 'lens-ring' | 'adapter' | 'grip'

/** How a control is reached: which digit, how far (0 rests on it, 3 leaves the hold), and found without looking. */
export interface Reach {
  readonly digit: 'thumb' | 'index' | 'middle' | 'left' | 'palm'
  readonly grade: 0 | 1 | 2 | 3
  readonly findable: boolean
}

/** One way to work a control, which takes one function on each side (and in playback, where `factory` says so). */
export interface Gesture extends FirmwareRange {
  readonly id: string
  readonly name: string
  /** Another gesture (`control/gesture`) that is pressed together with this one. */
  readonly with?: string
  /** Name of the function list it accepts. */
  readonly accepts: string
  /** Function as delivered, by side; on a control with `assignedBy`, by value of that setting. */
  readonly factory: Readonly<Partial<Record<AssignSide, string | Readonly<Record<string, string>>>>>
}

/**
 * Where a setting's value lives: one cell, a cell for each side, mode position, exposure mode, orientation or lens
 * (with contacts by its id; without, one cell that keeps what was typed last), marked dials and switches, or only
 * this one camera.
 */
export const places = [
  ...(['body', 'side', 'position', 'exposureMode', 'orientation', 'lens'] as const),
  ...(['physical', 'local'] as const),
]

/** One of `places`. */
export type Place = (typeof places)[number]

/** A setting of this model. */
export interface Setting extends FirmwareRange {
  readonly id: string
  readonly label: string
  /** Id in the common vocabulary, or null when no common setting matches. */
  readonly means: string | null
  readonly domain: Domain
  readonly factory: Value
  readonly place: Place
  /** Bank family that stores it, or null. */
  readonly storedBy: string | null
  /** Stored only while the family is widened, or while the setting that widens it has one of these values. */
  readonly storedWhen?: 'widened' | readonly string[]
  /** On the share list: stills and motion may share its cell; the value says whether they do as delivered. */
  readonly shared?: boolean
  /** Whether later values of its domain make the picture brighter or darker. */
  readonly rising?: 'brighter' | 'darker'
}

/** The values a setting can take. */
export type Domain =
  | { readonly kind: 'choice'; readonly values: readonly Choice[] }
  | LadderDomain
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
  /** A rectangle of whole cells: a text `left,top,right,bottom`, counted from 1. */
  | { readonly kind: 'region'; readonly columns: number; readonly rows: number }
  /** One cell of a grid: a text `column,row`, counted from 1. */
  | { readonly kind: 'point'; readonly columns: number; readonly rows: number }
  /** Several values under one name: a list of texts, one for each field, in order. */
  | { readonly kind: 'record'; readonly fields: readonly RecordField[] }

/** Steps of a photographic ladder, from one mark to another. */
export interface LadderDomain {
  readonly kind: 'ladder'
  readonly ladder: LadderName
  readonly from: string
  readonly to: string
  /** What can be set besides the steps, before the first: bulb, time, automatic. It has no amount. */
  readonly also?: readonly Choice[]
}

/** A field of a record. */
export interface RecordField {
  readonly id: string
  readonly name: string
  readonly domain: Extract<Domain, { kind: 'choice' | 'ladder' | 'number' | 'toggle' }>
}

/** Something a control of this model can be made to do. */
export interface ModelFunction extends FirmwareRange {
  readonly id: string
  readonly name: string
  readonly means: string | null
  readonly manner: Manner
  readonly sides: readonly AssignSide[]
  /** Settings it changes or overrides: its menu route when no key has it. */
  readonly changes: readonly string[]
  /** Run states in which it does not answer. */
  readonly notWhile: readonly RunState[]
  /** What has to be said with it: an area, a slot, a menu line. */
  readonly parameters?: Readonly<Record<string, Value>>
  /**
   * For a toggle: the value it puts its first setting at, and the one it comes back to where nothing was set before. Where
   * they are left out, the common function says, or the setting as delivered.
   */
  readonly goesTo?: Value
  readonly comesBackTo?: Value
  /** For a press, tap or swipe that steps through its first setting: how far, and below 0 back. */
  readonly steps?: number
  /** Values in force while it is held, or on. */
  readonly overrides?: Readonly<Record<string, Value>>
  /** While it is held, these gestures (`control/gesture`) do another function. */
  readonly whileHeld?: Readonly<Record<string, string>>
  /** The hold set it puts in force. */
  readonly holdSet?: string
}

/** How a function answers to the hand. */
export const manners = [
  ...(['press', 'hold', 'toggle', 'cycle', 'choose', 'turn'] as const),
  ...(['held-and-turn', 'move', 'tap', 'swipe', 'none'] as const),
]

/** One of `manners`. */
export type Manner = (typeof manners)[number]
