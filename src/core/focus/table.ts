import { showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { Address } from '../model/addresses'
import type { BodyModel, ModelFunction } from '../model/types'
import type { Plan } from '../plan/plan'
import type { Context } from '../resolve/context'
import { halfPressSetting, heldAnswers, winnerOf, type HeldWins } from '../resolve/held'
import { flipsOf, nextValue } from '../resolve/flips'
import { assigned, judge, presenceRemarks, resolve } from '../resolve/resolve'
import { inForce } from '../resolve/owners'
import { effectiveState, type State } from '../resolve/state'
import type { Verdict } from '../resolve/resolved'
import { focusRole, startsFocus, type FocusRole } from '../vocabulary/focus-roles'
import { sameValue, type Value } from '../vocabulary/values'
import { outcomeOf, type FocusOutcome } from './outcome'
import { variantsOf, type Variant } from './variants'

/** A key that has a say in focus while it is held. */
export interface Trigger {
  readonly key: string
  readonly address: Address
  readonly fn: ModelFunction
  readonly role: FocusRole
}

/** What comes of keys held down in this order; more than one outcome where the body alone knows. */
export interface FocusRow {
  /** Addresses in the order in which they were pressed; empty for hands off. */
  readonly held: readonly string[]
  readonly outcomes: readonly FocusOutcome[]
  /** Why there is more than one outcome; empty where there is one. */
  readonly asks: readonly string[]
}

/** A gesture that is not held but has to do with focus, and where it leads. */
export interface FocusPress {
  readonly key: string
  readonly address: Address
  readonly fn: ModelFunction
  /** In words, such as "Eye finding: on → off". */
  readonly leads: string
}

/** The table of one state that toggles and cycles can reach. */
export interface FocusTable {
  readonly variant: Variant
  readonly presses: readonly FocusPress[]
  readonly triggers: readonly Trigger[]
  readonly rows: readonly FocusRow[]
}

/**
 * What focuses when: every key by itself and every ordered pair, in every state that the assigned toggles and cycles
 * can reach. Letting go of one key of a pair leads to the row of the other (`released`). Computed from the model: linear
 * in states, quadratic in triggers.
 */
export function focusTables(model: BodyModel, plan: Plan, context: Context): FocusTable[] {
  return variantsOf(model, plan, context).map((variant) => {
    const here: Context = {
      ...context,
      edits: { ...context.edits, ...variant.edits },
      latched: [...(context.latched ?? []), ...variant.latched],
    }
    const triggers = triggersIn(model, plan, here)
    const sets: Trigger[][] = [
      [],
      ...triggers.map((one) => [one]),
      ...triggers.flatMap((one) => triggers.filter((other) => other !== one).map((other) => [one, other])),
    ]
    const base = effectiveState(model, plan, here)
    const presses = pressesIn(model, plan, here)
    return {
      variant,
      presses,
      triggers,
      rows: sets.map((held) => rowOf(model, plan, here, held, base)),
    }
  })
}

/** What the gestures of a side that are not held do to focus, in a state. */
function pressesIn(model: BodyModel, plan: Plan, context: Context): FocusPress[] {
  const resolution = resolve(model, plan, context)
  const { functions, settings } = lookup(model)
  const now = (id: string) => resolution.settings.get(id)?.value
  return [...resolution.addresses.values()].flatMap(({ address, gets, active, verdict }): FocusPress[] => {
    const fn = functions.get(gets ?? '')
    if (!fn?.means?.startsWith('focus.') || !active || verdict === 'dead' || isHeld(fn)) return []
    const flips = flipsOf(model, fn, now)
    const domain = settings.get(flips?.setting ?? fn.changes[0] ?? '')
    const show = (value: Value | undefined) =>
      domain && value !== undefined ? showValue(domain.domain, value) : ''
    const leads =
      verdict === 'inert'
        ? 'does nothing here'
        : flips && domain
          ? `${domain.label}: ${show(now(flips.setting))} → ${show(nextValue(flips, now(flips.setting)))}`
          : fn.manner === 'choose' && domain
            ? `opens the list of ${domain.label}`
            : `${fn.name}, once`
    return [{ key: address.key, address, fn, leads }]
  })
}

/** The row that a row leads to when one of its keys is let go. */
export function released(table: FocusTable, row: FocusRow, key: string): FocusRow | undefined {
  const left = row.held.filter((one) => one !== key)
  return table.rows.find(
    (one) => one.held.length === left.length && one.held.every((each, i) => each === left[i]),
  )
}

/** The row of keys held in this order. */
export function rowFor(table: FocusTable, held: readonly string[]): FocusRow | undefined {
  return table.rows.find(
    (one) => one.held.length === held.length && one.held.every((each, i) => each === held[i]),
  )
}

/** The keys of a side that answer here and change what focus does while they are held. */
export function triggersIn(model: BodyModel, plan: Plan, context: Context): Trigger[] {
  const state = effectiveState(model, plan, context)
  return [...lookup(model).addresses.values()].flatMap((address): Trigger[] => {
    const { when } = address
    const answers = when === null || sameValue(state.possible.get(when.setting)?.[0], when.value)
    if (address.side !== context.side || !answers || presenceRemarks(address, context).length > 0) return []
    const { functionId } = assigned(state, plan, address, context)
    const standing = functionId === null ? null : judge(state, functionId, context, address)
    const fn = state.found.functions.get(standing?.gets ?? '')
    if (!fn || standing?.verdict === 'dead' || !isHeld(fn) || !touchesFocus(model, fn)) return []
    return [{ key: address.key, address, fn, role: focusRole(fn.means) }]
  })
}

function isHeld(fn: ModelFunction): boolean {
  return fn.manner === 'hold' || fn.manner === 'held-and-turn'
}

function touchesFocus(model: BodyModel, fn: ModelFunction): boolean {
  if (focusRole(fn.means) !== 'none' || fn.holdSet !== undefined) return true
  return Object.keys(fn.overrides ?? {}).some((id) =>
    lookup(model).settings.get(id)?.means?.startsWith('focus.'),
  )
}

function rowOf(
  model: BodyModel,
  plan: Plan,
  context: Context,
  held: readonly Trigger[],
  base: State,
): FocusRow {
  const half = halfPressSetting(model, context.side)
  const focuses = half === null ? [true] : (base.possible.get(half) ?? []).map((value) => value === true)
  const asks = new Set<string>()
  if (focuses.length > 1) asks.add('Whether the half-press focuses is not known.')
  const ways = held.length > 1 ? heldAnswers(model) : [model.focus.heldWins]
  const outcomes = ways.flatMap((wins) => {
    const state = effectiveState(model, plan, {
      ...context,
      held: held.map((one) => one.fn.id),
      heldWins: wins,
    })
    return focuses.flatMap((halfFocuses) =>
      outcomesIn(model, context, held, state, { wins, halfFocuses }, asks),
    )
  })
  if (ways.length > 1 && distinct(outcomes).length > 1)
    asks.add(lookup(model).doubts.get('focus/heldWins')?.test ?? 'Which of the two is obeyed is not known.')
  const different = distinct(outcomes)
  return {
    held: held.map((one) => one.key),
    outcomes: different,
    asks: different.length > 1 ? [...asks] : [],
  }
}

/** The outcomes of one way to read what is not known: a key whose function may be dead counts once as working, once as not. */
function outcomesIn(
  model: BodyModel,
  context: Context,
  held: readonly Trigger[],
  state: State,
  { wins, halfFocuses }: { wins: HeldWins; halfFocuses: boolean },
  asks: Set<string>,
): FocusOutcome[] {
  const verdicts = held.map((one) => judge(state, one.fn.id, context, one.address).verdict)
  const doubtful = verdicts.includes('test')
  if (doubtful) asks.add('Whether a key answers here is not known.')
  const latched = (context.latched ?? []).map((id) => focusRole(state.found.functions.get(id)?.means ?? null))
  const modes = valuesOf(state, 'focus.mode')
  if (modes.length > 1) asks.add('The focus mode is not known for certain.')
  return (doubtful ? [true, false] : [true]).flatMap((works) => {
    const working = held.filter((_, i) => answers(verdicts[i], works))
    const starters = working.filter(({ fn }) => startsFocus(fn.means, halfFocuses))
    const winner = winnerOf(
      model,
      starters.map((one) => one.fn),
      wins,
    )
    const starter =
      wins === 'first'
        ? starters.find((one) => one.fn === winner)
        : starters.findLast((one) => one.fn === winner)
    return modes.map((mode) =>
      outcomeOf({
        side: context.side,
        starter: starter?.key ?? null,
        rests: working.some(({ role }) => role === 'rests') || latched.includes('rests'),
        keeps: working.some(({ role }) => role === 'keeps') || latched.includes('keeps'),
        halfFocuses,
        value: (means) => (means === 'focus.mode' ? mode : (valuesOf(state, means)[0] ?? null)),
      }),
    )
  })
}

function answers(verdict: Verdict | undefined, works: boolean): boolean {
  return verdict === 'works' || (verdict === 'test' && works)
}

function valuesOf(state: State, means: string): readonly (Value | null)[] {
  const id = state.found.byMeaning.get(means)?.id
  const chain = id === undefined ? undefined : state.chains.get(id)
  if (id === undefined || !chain) return [null]
  return state.possible.get(id) ?? [inForce(chain)]
}

function distinct(outcomes: readonly FocusOutcome[]): FocusOutcome[] {
  const seen = new Map(outcomes.map((one) => [JSON.stringify(one), one]))
  return [...seen.values()]
}
