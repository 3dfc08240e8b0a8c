import { showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { Address } from '../model/addresses'
import type { BodyModel, ModelFunction, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import type { Context } from '../resolve/context'
import { halfPressSetting, heldAnswers, winnerOf, type HeldWins } from '../resolve/held'
import { flipsOf, nextValue, type Found } from '../resolve/flips'
import { judge, missingFrom } from '../resolve/judge'
import { assigned } from '../resolve/resolve'
import { effectiveState, foundIn, ownedIn, stateHolding, type State } from '../resolve/state'
import type { Verdict } from '../resolve/resolved'
import { focusRole, startsFocus } from '../vocabulary/focus-roles'
import { sameValue, type Value } from '../vocabulary/values'
import { statesOf, type HeldState, type Trigger } from './held-state'
import { focusExcerpt } from './excerpt'
import { outcomeOf, type FocusOutcome } from './outcome'
import type { FocusPress, FocusRow, FocusTable } from './table'
import { afterPresses } from './variant'
import { variantsOf } from './variants'

/**
 * What focuses when: every key by itself and every ordered pair, in every state that the assigned toggles and cycles
 * can reach. Letting go of one key of a pair leads to the row of the other (`released`). Computed from the model: linear
 * in states, quadratic in triggers.
 */
export function focusTables(whole: BodyModel, plan: Plan, context: Context): FocusTable[] {
  const model = focusExcerpt(whole)
  return variantsOf(model, plan, context).map((variant) => {
    const here = afterPresses(context, variant)
    const owned = ownedIn(model, plan, here)
    const base = stateHolding(owned, here)
    const stateOf = statesOf(owned, base)
    const standings = standingsIn(base, plan, here)
    const triggers = triggersOf(model, standings)
    const sets: Trigger[][] = [
      [],
      ...triggers.map((one) => [one]),
      ...triggers.flatMap((one) => triggers.filter((other) => other !== one).map((other) => [one, other])),
    ]
    return {
      variant,
      presses: pressesIn(model, standings, foundIn(base)),
      triggers,
      rows: sets.map((held) => rowOf(model, here, held, base, stateOf)),
    }
  })
}

/** What the gestures of a side that are not held do to focus, in a state. */
function pressesIn(model: BodyModel, standings: readonly Standing[], there: Found): FocusPress[] {
  const { settings } = lookup(model)
  return standings.flatMap(({ address, fn, verdict }): FocusPress[] => {
    if (!fn.means?.startsWith('focus.') || isHeld(fn)) return []
    const flips = flipsOf(lookup(model), fn, there)
    const domain = settings.get(flips?.setting ?? fn.changes[0] ?? '')
    const show = (value: Value | undefined) =>
      domain && value !== undefined ? showValue(domain.domain, value) : ''
    const leads =
      verdict === 'inert'
        ? 'does nothing here'
        : flips && domain
          ? `${domain.label}: ${show(there.now(flips.setting))} → ${show(nextValue(flips, there.now(flips.setting)))}`
          : fn.manner === 'choose' && domain
            ? `opens the list of ${domain.label}`
            : `${fn.name}, once`
    return [{ key: address.key, address, fn, leads }]
  })
}

/** The keys of a side that answer here and change what focus does while they are held. */
export function triggersIn(whole: BodyModel, plan: Plan, context: Context): Trigger[] {
  const model = focusExcerpt(whole)
  return triggersOf(model, standingsIn(effectiveState(model, plan, context), plan, context))
}

function triggersOf(model: BodyModel, standings: readonly Standing[]): Trigger[] {
  return standings.flatMap(({ address, fn }): Trigger[] =>
    isHeld(fn) && touchesFocus(model, fn)
      ? [{ key: address.key, address, fn, role: focusRole(fn.means) }]
      : [],
  )
}

/** A key that has to do with focus and is not dead here, and what it does. */
interface Standing {
  readonly address: Address
  readonly fn: ModelFunction
  readonly verdict: Verdict
}

function standingsIn(state: State, plan: Plan, context: Context): Standing[] {
  const { answering, functions } = state.found
  const { remarking } = state.rules
  return answering[context.side].list.flatMap((address): Standing[] => {
    const { when } = address
    if (when !== null && !sameValue(state.possible.get(when.setting)?.[0], when.value)) return []
    const { functionId, unsure } = assigned(state, plan, address, context)
    const asks = functions.get(functionId ?? '')
    if (!asks || (!mayHaveSay(asks) && !remarking.has(`function/${asks.id}`))) return []
    const missing = missingFrom(address, context)
    if (missing.length > 0) return []
    const { effectiveFunctionId: gets, verdict } = judge(state, asks.id, context, address, unsure)
    const fn = functions.get(gets ?? '')
    return fn && verdict !== 'dead' && mayHaveSay(fn) ? [{ address, fn, verdict }] : []
  })
}

function mayHaveSay({ means, holdSet, overrides }: ModelFunction): boolean {
  return (
    means?.startsWith('focus.') === true ||
    focusRole(means) !== 'none' ||
    holdSet !== undefined ||
    overrides !== undefined
  )
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
  context: Context,
  held: readonly Trigger[],
  base: State,
  stateOf: (context: Context) => HeldState,
): FocusRow {
  const half = halfPressSetting(model, context.side)
  const focuses = half === null ? [true] : (base.possible.get(half) ?? []).map((value) => value === true)
  const asks = new Set<string>()
  if (focuses.length > 1) asks.add('Whether the half-press focuses is not known.')
  const ways = held.length > 1 ? heldAnswers(model) : [model.focus.heldWins]
  const outcomes = ways.flatMap((wins) => {
    const state = stateOf({ ...context, held: held.map((one) => one.fn.id), heldWins: wins })
    return focuses.flatMap((halfFocuses) =>
      outcomesIn(model, context.side, held, state, { wins, halfFocuses }, asks),
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
  side: Side,
  held: readonly Trigger[],
  { verdictOn, values, latched }: HeldState,
  { wins, halfFocuses }: { wins: HeldWins; halfFocuses: boolean },
  asks: Set<string>,
): FocusOutcome[] {
  const verdicts = held.map(verdictOn)
  const doubtful = verdicts.includes('test')
  if (doubtful) asks.add('Whether a key answers here is not known.')
  const modes = values('focus.mode')
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
        side,
        starter: starter?.key ?? null,
        rests: working.some(({ role }) => role === 'rests') || latched.includes('rests'),
        keeps: working.some(({ role }) => role === 'keeps') || latched.includes('keeps'),
        halfFocuses,
        value: (means) => (means === 'focus.mode' ? mode : (values(means)[0] ?? null)),
      }),
    )
  })
}

function answers(verdict: Verdict | undefined, works: boolean): boolean {
  return verdict === 'works' || (verdict === 'test' && works)
}

function distinct(outcomes: readonly FocusOutcome[]): readonly FocusOutcome[] {
  if (outcomes.length < 2) return outcomes
  const seen = new Map(outcomes.map((one) => [JSON.stringify(one), one]))
  return [...seen.values()]
}
