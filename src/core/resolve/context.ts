import type { BodyModel, LensModel, Side } from '../model/types'
import type { Value } from '../vocabulary/values'
import { plannedLenses, plannedSlots, type Plan } from '../plan/plan'

/** What the camera is doing. */
export type RunState = 'idle' | 'standby' | 'recording' | 'menu' | 'playback'

/** One state of affairs in which a plan is looked at. */
export interface Context {
  readonly side: Side
  readonly run: RunState
  /** Slot in force by family id; null is the plain position. */
  readonly banks: Readonly<Record<string, string | null>>
  readonly lens: LensModel
  /** How the camera is worked; absent where nobody says. */
  readonly posture?: 'finder' | 'screen' | 'grip' | 'tripod'
  readonly orientation?: 'level' | 'upright-left' | 'upright-right'
  readonly firmware?: string
  /** Functions held now, in the order they were pressed, and toggles that are on. */
  readonly held?: readonly string[]
  readonly latched?: readonly string[]
  /** Changes made on the body since the bank was recalled, by setting id: they come over bank and base. */
  readonly edits?: Readonly<Record<string, Value>>
  /** What the owner says of the work, by name. */
  readonly situation?: Readonly<Record<string, Value>>
}

/** A context with its name in words, such as "bank Ebb, Tarrow 45". */
export interface NamedContext {
  readonly context: Context
  /** Name of the bank, or "plain". */
  readonly bank: string
  readonly lens: string
}

/** Stands for any lens that can talk to the body, where the plan names none. */
export const anyLens: LensModel = {
  format: 'salt-shelf/lens-model',
  formatVersion: 1,
  id: 'any-lens',
  name: 'a lens with contacts',
  contacts: true,
  focalMm: [50, 50],
  widest: 'f/2',
}

/**
 * Every context of one side in which the plan's owner will stand: the plain position and each used slot of the
 * side, with each planned lens (or `anyLens`). Lenses unknown to `lenses` are passed over.
 */
export function contextsOf(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  side: Side,
): NamedContext[] {
  const planned = new Set(plannedLenses(plan))
  const mine = lenses.filter((lens) => planned.has(lens.id))
  const plain = Object.fromEntries(model.families.map((family) => [family.id, null]))
  const banks = [
    { name: 'plain', banks: plain },
    ...plannedSlots(model, plan)
      .filter((slot) => slot.side === side)
      .map((slot) => ({ name: slot.name, banks: { ...plain, [slot.family]: slot.slot } })),
  ]
  return banks.flatMap((bank) =>
    (mine.length > 0 ? mine : [anyLens]).map((lens) => ({
      context: { side, run: 'standby' as const, banks: bank.banks, lens },
      bank: bank.name,
      lens: lens.name,
    })),
  )
}

/** The context of a slot (or the plain position) with a lens, ready to film or shoot. */
export function contextIn(
  model: BodyModel,
  side: Side,
  slot: { family: string; slot: string } | null,
  lens = anyLens,
): Context {
  const plain = Object.fromEntries(model.families.map((family) => [family.id, null]))
  return { side, run: 'standby', banks: slot ? { ...plain, [slot.family]: slot.slot } : plain, lens }
}
