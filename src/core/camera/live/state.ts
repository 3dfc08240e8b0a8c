import { keptByObject } from '../../memoize'
import { lookup } from '../../model/lookup'
import type { BodyModel, LensModel, Orientation, Posture, RunState, Side } from '../../model/types'
import type { Plan } from '../../plan/plan'
import type { RowId } from '../../plan/rows'
import { anyLens } from '../../model/any-lens'
import { newestFirmware, type Attached, type Context } from '../../resolve/context'
import { resolve } from '../../resolve/resolve'
import { effectiveState, type State } from '../../resolve/state'
import type { Resolution } from '../../resolve/resolved'
import type { Value } from '../../vocabulary/values'
import { newBody, type BodyState } from '../body'

/** A simulated body in somebody's hands: what it remembers, where it stands, and which fingers are down. */
export interface LiveState {
  readonly body: BodyState
  /** Seconds since the story began, and since anything was touched. */
  readonly seconds: number
  readonly idleSeconds: number
  readonly on: boolean
  readonly side: Side
  readonly run: RunState
  /** What it was doing before the menu, or playback, was opened. */
  readonly before: RunState
  /** Where it goes back to when a film ends that was begun from stills. */
  readonly resume: Pick<LiveState, 'side' | 'banks' | 'position'> | null
  /** Stop of the mode dial; null where the body stands in a slot that no stop of its own has. */
  readonly position: string | null
  readonly banks: Readonly<Record<string, string | null>>
  /** Slot last used on each side; null for the plain position. */
  readonly lastUsed: Readonly<Record<Side, string | null>>
  readonly lens: LensModel | null
  readonly marked: Readonly<Record<string, Value>>
  readonly attached: readonly Attached[]
  readonly posture: Posture
  readonly orientation: Orientation
  readonly eye: boolean
  /** Addresses of the keys that are down, in the order in which they went down. */
  readonly held: readonly string[]
  /** Those of them that were down as starters of autofocus, and the one whose say counts. */
  readonly starters: readonly string[]
  readonly leader: string | null
  /** Functions that stay on until pressed again. */
  readonly latched: readonly string[]
  /** What a setting was at before a toggle put it elsewhere: the next press comes back to it. */
  readonly flippedFrom: Readonly<Record<string, Value>>
  /** Changes in a snapshot bank, or in what a hold set covers: gone when it is left. */
  readonly edits: Readonly<Record<string, Value>>
  /**
   * Rows of a snapshot bank that were changed on a set-up page and are not stored yet, with what the bank has stored of them
   * (null where it had none): they come back when the bank is left.
   */
  readonly unstored: Readonly<Record<RowId, Value | null>>
  /** The list a key has opened: the next turn chooses from it. */
  readonly list: string | null
  readonly scene: Scene
  readonly pictures: number
  readonly films: number
  /** How it is to misbehave the next time it writes. */
  readonly fault: Fault | null
}

/** What stands before the lens. */
export interface Scene {
  readonly subject: string
  /** Brightness at ISO 100. */
  readonly ev: number
}

/** Ways to misbehave at the next write: the card is pulled half-way, the battery dies, or one bit turns over. */
export const faultKinds = ['card-pulled', 'battery-dies', 'bit-flip'] as const

/** One of `faultKinds`. */
export type Fault = (typeof faultKinds)[number]

/** A body out of the box, switched on at the first stop of its first side, nobody touching it. */
export function newLive(model: BodyModel, lens: LensModel | null, body?: BodyState): LiveState {
  const side = model.sides[0] ?? 'stills'
  const stops = model.positions.filter((one) => one.side === side && one.kind !== 'slot')
  const free = stops.find((one) => Object.keys(one.sets).length === 0) ?? stops[0]
  return {
    body: body ?? newBody(model, 'SIM-1', newestFirmware(model)),
    seconds: 0,
    idleSeconds: 0,
    on: true,
    side,
    run: 'standby',
    before: 'standby',
    resume: null,
    position: free?.id ?? null,
    banks: Object.fromEntries(model.families.map((family) => [family.id, null])),
    lastUsed: { stills: null, motion: null },
    lens,
    marked: {},
    attached: [],
    posture: 'finder',
    orientation: 'level',
    eye: true,
    held: [],
    starters: [],
    leader: null,
    latched: [],
    flippedFrom: {},
    edits: {},
    unstored: {},
    list: null,
    scene: { subject: 'a puppet', ev: 8 },
    pictures: 0,
    films: 0,
    fault: null,
  }
}

/** No lens on the body: nothing talks, nothing has keys. */
const noLens: LensModel = { ...anyLens, id: 'no-lens', name: 'no lens', contacts: false }

/** The body's memory as a plan of complete rows. */
export function memoryPlan(state: LiveState): Plan {
  return { model: state.body.model, rows: state.body.memory }
}

/** The state of affairs the body is in; `held` are the functions whose say counts. */
export function contextOf(state: LiveState, held: readonly string[] = []): Context {
  return {
    side: state.side,
    run: state.run,
    banks: state.banks,
    lens: state.lens ?? noLens,
    marked: state.marked,
    attached: state.attached,
    posture: state.posture,
    orientation: state.orientation,
    eye: state.eye,
    firmware: state.body.firmware,
    latched: state.latched,
    held,
    edits: state.edits,
    situation: { subject: state.scene.subject },
    ...(state.position === null ? {} : { position: state.position }),
  }
}

/** The functions of the keys that are down, as far as they count: of several that start autofocus the leader's. */
export function heldFunctions(
  model: BodyModel,
  state: LiveState,
  gets: (key: string) => string | null,
): string[] {
  const { functions } = lookup(model)
  return state.held
    .filter((key) => !state.starters.includes(key) || key === state.leader)
    .flatMap((key) => {
      const id = gets(key)
      return id !== null && functions.has(id) ? [id] : []
    })
}

/** What the settings of the body amount to with functions held; keys are not looked at, which is quick. */
export function settingsNow(model: BodyModel, state: LiveState, held: readonly string[] = []): State {
  return effectiveState(model, memoryPlan(state), contextOf(state, held))
}

/** What the body amounts to with functions held; remembered for as long as its memory is the same. */
export function resolveBody(model: BodyModel, state: LiveState, held: readonly string[] = []): Resolution {
  const context = contextOf(state, held)
  const key = JSON.stringify([model.id, { ...context, lens: context.lens.id }])
  let known = remembered.get(state.body.memory)
  if (!known || known.size >= mostRemembered) {
    known = new Map<string, Resolution>()
    remembered.set(state.body.memory, known)
  }
  const found = known.get(key)
  if (found) return found
  const made = resolve(model, memoryPlan(state), context)
  known.set(key, made)
  return made
}

const remembered = keptByObject<object, Map<string, Resolution>>()
const mostRemembered = 64
