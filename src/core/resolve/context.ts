import { baseRow, defaultWhereabouts, type Whereabouts } from '../plan/cells'
import { bodyOnRow, gearRow, keyRow, rowValue, typedCell, type Rows } from '../plan/rows'
import { bodyTags, firmwareOfBodies } from '../plan/bodies'
import { memoize } from '../memoize'
import { fittings, pluggedIn } from '../model/basics'
import { isOnFitting } from '../model/controls'
import { anyLens } from '../model/any-lens'
import type { AssignSide, BodyModel, FocusGeometry, LensModel, ModePosition } from '../model/types'
import type { Orientation, Posture } from '../model/types'
import type { RunState, Side } from '../model/types'
import { sameValue, type Value } from '../vocabulary/values'
import { lookup } from '../model/lookup'
import { plannedLenses, plannedSlots, type Plan } from '../plan/plan'

/** What can be put on the camera. */
export const attachables = [...fittings, ...pluggedIn, 'teleconverter'] as const

/** One of `attachables`. */
export type Attached = (typeof attachables)[number]

/** One state of affairs in which a plan is looked at. What is left out of it, nobody says. */
export interface Context {
  readonly side: Side
  readonly run: RunState
  /** Slot in force by family id; null is the plain position. */
  readonly banks: Readonly<Record<string, string | null>>
  readonly lens: LensModel
  /** Stop of the mode dial; where it is absent, the slot's own, and else nobody says. */
  readonly position?: string
  /** Marked dials, levers and switches, by setting id; those left out stand as delivered. */
  readonly marked?: Readonly<Record<string, Value>>
  /** What is on the camera. */
  readonly attached?: readonly Attached[]
  /** What is known not to be on it; where this is left out and `attached` is not, everything else. */
  readonly off?: readonly Attached[]
  /** Tag of the body, for what only that one camera has. */
  readonly body?: string
  /** How the camera is worked; absent where nobody says. */
  readonly posture?: Posture
  readonly orientation?: Orientation
  /** Whether an eye is at the finder. */
  readonly eye?: boolean
  readonly firmware?: string
  /** Functions held now, in the order they were pressed, and toggles that are on. */
  readonly held?: readonly string[]
  readonly latched?: readonly string[]
  /** Which of two focus functions held together is obeyed, where it is not as the model says. */
  readonly heldWins?: FocusGeometry['heldWins']
  /** Changes made on the body since the bank was recalled, by setting id: they come over bank and base. */
  readonly edits?: Readonly<Record<string, Value>>
  /** What the owner says of the work, by name. */
  readonly situation?: Readonly<Record<string, Value>>
}

/** Where the camera stands in a context, the exposure mode left to the settings. */
export function whereaboutsIn(model: BodyModel, context: Context, exposureMode?: Value): Whereabouts {
  const usual = defaultWhereabouts(model, context.side)
  return {
    side: context.side,
    position: positionIn(model, context)?.id ?? usual.position,
    exposureMode: typeof exposureMode === 'string' ? exposureMode : usual.exposureMode,
    orientation: context.orientation ?? usual.orientation,
    lens: context.lens.contacts ? context.lens.id : typedCell,
  }
}

/** The position of the mode dial: as the context says, else the slot's own; undefined where nobody says. */
export function positionIn(model: BodyModel, context: Context): ModePosition | undefined {
  if (context.position !== undefined) return model.positions.find((one) => one.id === context.position)
  const slots = Object.entries(context.banks)
  return model.positions.find(
    (one) =>
      one.kind === 'slot' && slots.some(([family, slot]) => one.family === family && one.slot === slot),
  )
}

/** The slot of a family that is in force: as the context says, else the one the dial stands at. */
export function slotIn(model: BodyModel, context: Context, family: string): string | null {
  const said = context.banks[family] ?? null
  if (said !== null) return said
  const position = context.position === undefined ? undefined : positionIn(model, context)
  return position?.kind === 'slot' && position.family === family ? (position.slot ?? null) : null
}

/** The slot that a context is said to be in; null in base. */
export function slotOf({ banks }: Context): { readonly family: string; readonly slot: string } | null {
  const [family, slot] = Object.entries(banks).find(([, id]) => id !== null) ?? []
  return family === undefined || typeof slot !== 'string' ? null : { family, slot }
}

/** A context with its name in words, such as "bank Ebb, Tarrow 45". */
export interface NamedContext {
  readonly context: Context
  /** Side, lens and banks as a text: the same for the same state of another plan, wherever its dial then stands. */
  readonly key: string
  /** Name of the bank, or "plain". */
  readonly bank: string
  readonly lens: string
}

/** A context's name in words. */
export function contextName(context: NamedContext): string {
  return `${context.bank}, ${context.lens}`
}

/** The newest firmware of a model: what a context stands on where nobody names another. */
export function newestFirmware(model: BodyModel): string {
  return model.firmware.at(-1)?.version ?? '1.0'
}

/** What is said in the place of a bank where none is recalled. */
export const noBank = 'no bank'

/**
 * Every context of one side in which the plan's owner will stand: the plain position and each used slot of the
 * side, with each planned lens (or `anyLens`); in playback the plain position only. Lenses unknown to `lenses` are passed over.
 */
export function contextsOf(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  answering: AssignSide,
): NamedContext[] {
  const side = answering === 'playback' ? (model.sides[0] ?? 'stills') : answering
  const planned = new Set(plannedLenses(plan))
  const mine = lenses.filter((lens) => planned.has(lens.id))
  const plain = Object.fromEntries(model.families.map((family) => [family.id, null]))
  const banks = [
    { name: noBank, banks: plain, slotted: false },
    ...plannedSlots(model, plan)
      .filter((slot) => slot.side === answering)
      .map((slot) => ({ name: slot.name, banks: { ...plain, [slot.family]: slot.slot }, slotted: true })),
  ]
  const usual = usualPosition(model, plan, side)
  const fitted = fittedIn(model, plan)
  const { attached = [], off = [] } = fitted
  const firmware = standingFirmware(model, plan)
  return banks.flatMap((bank) =>
    (mine.length > 0 ? mine : [anyLens]).map((lens) => {
      // A slot with a position of its own on the dial stands there; others leave the dial where it is.
      const position = bank.slotted && hasPosition(model, bank.banks) ? undefined : usual
      const context: Context = {
        side,
        run: answering === 'playback' ? ('playback' as const) : ('standby' as const),
        banks: bank.banks,
        lens,
        firmware,
        ...(position === undefined ? {} : { position }),
        ...fitted,
      }
      const slots = Object.entries(bank.banks).flat()
      return {
        context,
        key: [answering, lens.id, ...slots, ...attached, ...off.map((one) => `no ${one}`), firmware].join(
          ' ',
        ),
        bank: bank.name,
        lens: lens.name,
      }
    }),
  )
}

/** Whether a slot in force has a position of its own on the mode dial. */
function hasPosition(model: BodyModel, banks: Context['banks']): boolean {
  return model.positions.some(
    ({ kind, family, slot }) => kind === 'slot' && family !== undefined && banks[family] === slot,
  )
}

/**
 * The firmware a plan is looked at with: the oldest that its bodies run, for what does not work on one of them is no
 * plan for all; the model's newest where nothing is said of bodies.
 */
export function standingFirmware(model: BodyModel, { rows }: Plan): string {
  return oldestFor(model)(rows)
}

const oldestFor = memoize((model: BodyModel) =>
  memoize((rows: Rows): string => firmwareOfBodies({ rows })[0]?.firmware ?? newestFirmware(model)),
)

/**
 * What a plan's owner has on the camera, and what is known not to be there. Of grip and adapter: what is on one of the
 * bodies; where nothing is said of any, that whose keys the plan gives functions to.
 */
export function fittedIn(model: BodyModel, { rows }: Plan): Pick<Context, 'attached' | 'off'> {
  const { attached, off } = fittedFor(model)(rows)
  return attached.length + off.length > 0 ? { attached, off } : {}
}

const fittedFor = memoize((model: BodyModel) => {
  const keys = [...lookup(model).addresses.values()].filter(isOnFitting)
  return memoize(
    (rows: Rows): { readonly attached: readonly Attached[]; readonly off: readonly Attached[] } => {
      const bodies = bodyTags({ rows }).flatMap((tag) => {
        const on = rowValue(rows, bodyOnRow(tag))
        return Array.isArray(on) ? [on as readonly string[]] : []
      })
      const planned = keys.filter((address) => rowValue(rows, keyRow(address)) !== null)
      const isOn = (one: Attached) =>
        bodies.length > 0
          ? bodies.some((on) => on.includes(one))
          : planned.some(({ control }) => control.presence === one)
      const plugged = (use: string) => pluggedIn.filter((one) => rowValue(rows, gearRow(one)) === use)
      return {
        attached: [...fittings.filter(isOn), ...plugged('always')],
        off: [...(bodies.length > 0 ? fittings.filter((one) => !isOn(one)) : []), ...plugged('none')],
      }
    },
  )
})

/**
 * The context with a lever or the exposure mode put elsewhere: by the position of the mode dial that fixes it there, where
 * the body has such stops, else by hand.
 */
export function standingAt(
  model: BodyModel,
  context: Context,
  { setting, value }: { readonly setting: string; readonly value: string },
): Context {
  const fixes = model.positions.find(
    ({ side, sets }) => side === context.side && sameValue(sets[setting], value),
  )
  if (fixes) return { ...context, position: fixes.id }
  const moved = { [setting]: value }
  return lookup(model).settings.get(setting)?.place === 'physical'
    ? { ...context, marked: { ...context.marked, ...moved } }
    : { ...context, edits: { ...context.edits, ...moved } }
}

/** A side used plainly, with the first of the plan's lenses that can talk to the body, where there is one. */
export function usualContext(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  side: AssignSide,
): NamedContext | undefined {
  const contexts = contextsOf(model, plan, lenses, side)
  const [first] = contexts
  return contexts.find(({ bank, context }) => bank === first?.bank && context.lens.contacts) ?? first
}

/**
 * The stop an owner works at who uses no bank: the first plain one of the side that fixes nothing, else the first
 * that fixes what the plan's base asks for, else the first.
 */
function usualPosition(model: BodyModel, plan: Plan, side: Side): string | undefined {
  const stops = model.positions.filter((one) => one.side === side && one.kind !== 'slot')
  const { settings } = lookup(model)
  const asIn = (stop: ModePosition) =>
    Object.entries(stop.sets).every(([id, value]) => {
      const setting = settings.get(id)
      const row = setting && rowValue(plan.rows, baseRow(plan.rows, setting, defaultWhereabouts(model, side)))
      return sameValue(row ?? setting?.factory, value)
    })
  return (stops.find(asIn) ?? stops[0])?.id
}

/** The context of a slot (or the plain position) with a lens, on what a plan's owner has: their oldest firmware, what is on the camera. */
export function plannedContext(
  model: BodyModel,
  plan: Plan,
  side: Side,
  slot: { family: string; slot: string } | null,
  lens = anyLens,
): Context {
  const firmware = standingFirmware(model, plan)
  return { ...contextIn(model, side, slot, lens), firmware, ...fittedIn(model, plan) }
}

/** The same on a body as delivered, with the newest firmware and nothing said of what is on it. */
export function contextIn(
  model: BodyModel,
  side: Side,
  slot: { family: string; slot: string } | null,
  lens = anyLens,
): Context {
  const plain = Object.fromEntries(model.families.map((family) => [family.id, null]))
  const banks = slot ? { ...plain, [slot.family]: slot.slot } : plain
  const free = model.positions.find((one) => one.side === side && Object.keys(one.sets).length === 0)
  const placed = slot !== null && hasPosition(model, banks)
  const position = placed || !free || free.kind === 'slot' ? {} : { position: free.id }
  return { side, run: 'standby', banks, lens, firmware: newestFirmware(model), ...position }
}
