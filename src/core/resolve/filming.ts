import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { plannedSlots, type Plan } from '../plan/plan'
import type { Context } from './context'
import { resolve } from './resolve'

/** Where a press leads: one context, or several where the body alone knows; and why. */
export interface PressResult {
  /** Empty where the press does nothing. */
  readonly to: readonly Context[]
  readonly because: string
}

/**
 * The state of affairs while recording, after the record key was pressed here. In motion it is this one; in stills
 * a body refuses, films with the plain motion settings, or with the slot that one of its settings names.
 */
export function pressRecord(model: BodyModel, plan: Plan, context: Context): PressResult {
  const { filming } = model
  if (!filming) return { to: [], because: `${model.name} does not film.` }
  if (context.side === 'motion') {
    return { to: [{ ...context, run: 'recording' }], because: 'It records with what is in force.' }
  }
  if (filming.fromStills === 'refused')
    return { to: [], because: 'In stills the record key does nothing; go to motion first.' }
  if (filming.fromStills === 'plain' || filming.namedBy === undefined || filming.family === undefined) {
    const because = 'In stills the record key films with the plain motion settings, not with a bank.'
    return { to: [filmingWith(model, context, null)], because }
  }
  const named = resolve(model, plan, context).settings.get(filming.namedBy)
  const label = named?.setting.label ?? filming.namedBy
  const slots = (named?.possible ?? []).map((value) => (value === 'plain' ? null : String(value)))
  return {
    to: slots.map((slot) => filmingWith(model, context, slot)),
    because: `In stills the record key films with what the menu line ${lookup(model).menuAddress.get(filming.namedBy) ?? ''} (${label}) names.`,
  }
}

/**
 * Where the swap key leads. `lastUsed` is the slot last used on the other side (null the plain one); left out where
 * nobody knows: a body that goes to the last used one then may go to any of them.
 */
export function pressSwap(
  model: BodyModel,
  plan: Plan,
  context: Context,
  lastUsed?: string | null,
): PressResult {
  const other: Side = context.side === 'stills' ? 'motion' : 'stills'
  if (!model.sides.includes(other)) return { to: [], because: `${model.name} has no ${other}.` }
  const plain = standingOn(model, context, other, null)
  const slots = plannedSlots(model, plan).filter((slot) => slot.side === other)
  const used = (slot: string | null) => {
    const family = slots.find((one) => one.slot === slot)?.family
    return standingOn(model, context, other, slot === null || !family ? null : { family, slot })
  }
  const swapTo = model.filming?.swapTo ?? 'plain'
  const doubt = lookup(model).doubts.get('filming/swapTo')
  const last = lastUsed === undefined ? [null, ...slots.map((one) => one.slot)] : [lastUsed]
  if (doubt) {
    const both = [plain, ...last.filter((slot) => slot !== null).map(used)]
    return { to: both, because: `Where it goes is not known for certain: ${doubt.test}` }
  }
  if (swapTo === 'plain') return { to: [plain], because: `It goes to the plain settings of ${other}.` }
  const because = `It goes to what was last used in ${other}${lastUsed === undefined ? ', and nobody says what that was' : ''}.`
  return { to: last.map(used), because }
}

function filmingWith(model: BodyModel, context: Context, slot: string | null): Context {
  const family = model.filming?.family
  const bank = slot === null || family === undefined ? null : { family, slot }
  return { ...standingOn(model, context, 'motion', bank), run: 'recording' }
}

function standingOn(
  model: BodyModel,
  context: Context,
  side: Side,
  bank: { family: string; slot: string } | null,
): Context {
  const { position: _left, edits: _dropped, ...kept } = context
  const sided = new Set(
    model.families.filter((family) => family.slots.some((slot) => slot.side)).map((family) => family.id),
  )
  const banks = Object.fromEntries(
    Object.entries(context.banks).map(([family, slot]) => [family, sided.has(family) ? null : slot]),
  )
  return { ...kept, side, banks: bank ? { ...banks, [bank.family]: bank.slot } : banks }
}

/** Whether a setting, by what it means, is what a film is made of: size, rate, quality and their kin, which no menu changes while it runs. */
export function isFixedWhileFilming(means: string | null): boolean {
  return means?.startsWith('movie.') ?? false
}
