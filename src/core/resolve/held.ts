import { lookup, type Lookup } from '../model/lookup'
import type { BodyModel, FocusGeometry, ModelFunction, Side } from '../model/types'
import { startsFocus } from '../vocabulary/focus-roles'
import { sameValue, type Value } from '../vocabulary/values'
import type { Context } from './context'

/** Which of two focus functions held together is obeyed. */
export type HeldWins = FocusGeometry['heldWins']

/** The settings that say whether the half-press focuses on a side, the one that is obeyed first. */
export function halfPressSetting(model: BodyModel, side: Side): string | null {
  const { byMeaning } = lookup(model)
  const filming = side === 'motion' ? byMeaning.get('focus.halfPressMotion') : undefined
  return (filming ?? byMeaning.get('focus.halfPress'))?.id ?? null
}

/**
 * The functions that are on or held and obeyed, in the order in which their keys went down: of several that start
 * autofocus only the one that wins. `now` gives a setting's value before anything is held.
 */
export function functionsInForce(
  model: BodyModel,
  found: Lookup,
  context: Context,
  now: (setting: string) => Value | undefined,
): ModelFunction[] {
  const all = [...(context.latched ?? []), ...(context.held ?? [])].flatMap(
    (id) => found.functions.get(id) ?? [],
  )
  if (all.length < 2) return all
  const half = halfPressSetting(model, context.side)
  const focuses = half === null || sameValue(now(half), true)
  const starters = all.filter(({ means }) => startsFocus(means, focuses))
  const winner = winnerOf(model, starters, context.heldWins ?? model.focus.heldWins)
  return all.filter((fn) => !starters.includes(fn) || fn === winner)
}

/** The one of several functions that is obeyed; they stand in the order in which they were pressed. */
export function winnerOf(
  model: BodyModel,
  starters: readonly ModelFunction[],
  wins: HeldWins,
): ModelFunction | undefined {
  if (wins === 'first') return starters[0]
  if (wins === 'last') return starters.at(-1)
  const listed = (model.focus.strongest ?? []).flatMap((id) => starters.find((fn) => fn.id === id) ?? [])
  return listed[0] ?? starters.at(-1)
}

/** Every answer a model gives to which of two held functions is obeyed: more than one where it is in doubt. */
export function heldAnswers(model: BodyModel): readonly HeldWins[] {
  const doubt = lookup(model).doubts.get('focus/heldWins')
  return doubt && doubt.candidates.length > 0
    ? (doubt.candidates as readonly HeldWins[])
    : [model.focus.heldWins]
}
