import { lookup } from '../../model/lookup'
import type { Address } from '../../model/addresses'
import type { BodyModel, ModelFunction } from '../../model/types'
import { answers, type Resolution, type ResolvedAddress } from '../../resolve/resolved'
import { halfPressSetting, type HeldWins } from '../../resolve/held'
import { valueMeaning } from '../../resolve/meaning'
import { ok, refuse, type Result } from '../../result'
import { focusRole, startsFocus } from '../../vocabulary/focus-roles'
import { outcomeOf, type FocusOutcome } from '../../focus/outcome'
import { resolveBody, heldFunctions, type LiveState } from './state'

/** What each key would do with nothing held. */
export function effectiveFunctionIdsOf(model: BodyModel, state: LiveState): (key: string) => string | null {
  const resolution = resolveBody(model, state)
  return (key) => resolution.addresses.get(key)?.effectiveFunctionId ?? null
}

/** What the body amounts to with the keys that are down. */
export function resolutionNow(model: BodyModel, state: LiveState): Resolution {
  return resolveBody(model, state, heldFunctions(model, state, effectiveFunctionIdsOf(model, state)))
}

/** The address a finger is on: the one that answers where levers and exposure mode stand; refuses what is not there. */
export function addressNow(
  model: BodyModel,
  state: LiveState,
  control: string,
  gesture: string,
): Result<ResolvedAddress> {
  const found = lookup(model).controls.get(control)
  if (!found) return refuse('unknown-control', `${model.name} has no control ${control}.`, control)
  const known = found.gestures.find((one) => one.id === gesture)
  if (!known) {
    const can = found.gestures.map((one) => one.id).join(', ')
    return refuse(
      'unknown-gesture',
      `${found.name} cannot do “${gesture}”; it can ${can}.`,
      `${control}/${gesture}`,
    )
  }
  const all = [...resolutionNow(model, state).addresses.values()].filter(
    ({ address }) => address.control === found && address.gesture === known,
  )
  const active = all.find((one) => one.active) ?? all[0]
  if (active) return ok(active)
  return refuse('no-answer', `${found.name} does not answer in playback.`, `${control}/${gesture}`)
}

/** The address of a key that is down, by control and gesture. */
export function heldAddress(
  model: BodyModel,
  state: LiveState,
  control: string,
  gesture: string,
): string | undefined {
  return state.held.find((key) => {
    const address = lookup(model).addresses.get(key)
    return address?.control.id === control && address.gesture.id === gesture
  })
}

/** The state with a key down that can be held; of those that start autofocus the leader is settled at once. */
export function withKeyDown(
  model: BodyModel,
  state: LiveState,
  address: Address,
  fn: ModelFunction,
): LiveState {
  const held = [...state.held, address.key]
  if (!startsHere(model, state, fn)) return { ...state, held }
  const starters = [...state.starters, address.key]
  const [leader] =
    state.leader === null ? [address.key] : stronger(model, state, state.leader, address.key, fn)
  return { ...state, held, starters, leader: leader ?? address.key }
}

/** The state with a key up; if it led, the next in line does. */
export function withKeyUp(model: BodyModel, state: LiveState, key: string): LiveState {
  const held = state.held.filter((one) => one !== key)
  const starters = state.starters.filter((one) => one !== key)
  if (state.leader !== key) return { ...state, held, starters }
  return { ...state, held, starters, leader: nextLeader(model, state, starters) }
}

/** Of the leader and a newcomer the one that is obeyed. */
function stronger(
  model: BodyModel,
  state: LiveState,
  leader: string,
  key: string,
  fn: ModelFunction,
): string[] {
  const { heldWins } = model.focus
  if (heldWins === 'first') return [leader]
  if (heldWins === 'last') return [key]
  const gets = effectiveFunctionIdsOf(model, state)
  return strength(model, fn.id) <= strength(model, gets(leader)) ? [key] : [leader]
}

/** Of starters that are down the one that is obeyed, as the model says or as `wins` has it; null where there is none. */
export function nextLeader(
  model: BodyModel,
  state: LiveState,
  starters: readonly string[],
  wins: HeldWins = model.focus.heldWins,
): string | null {
  if (wins === 'first') return starters[0] ?? null
  const latest = [...starters].reverse()
  if (wins === 'last') return latest[0] ?? null
  const gets = effectiveFunctionIdsOf(model, state)
  const best = Math.min(...latest.map((key) => strength(model, gets(key))))
  return latest.find((key) => strength(model, gets(key)) === best) ?? null
}

/** Place in the model's list of strengths, the strongest first; those that are not listed share the last. */
function strength(model: BodyModel, functionId: string | null): number {
  const at = (model.focus.strongest ?? []).indexOf(functionId ?? '')
  return at < 0 ? Infinity : at
}

/** Whether the half-press focuses: what the menu says with nothing held. */
function halfFocuses(model: BodyModel, state: LiveState): boolean {
  const setting = halfPressSetting(model, state.side)
  if (setting === null) return true
  return resolveBody(model, state).settings.get(setting)?.value === true
}

function startsHere(model: BodyModel, state: LiveState, fn: ModelFunction): boolean {
  return startsFocus(fn.means, halfFocuses(model, state))
}

/** What autofocus does now, with the keys that are down. */
export function focusNow(model: BodyModel, state: LiveState): FocusOutcome {
  const resolution = resolutionNow(model, state)
  const { functions } = lookup(model)
  const roleOf = (id: string | null) => focusRole(functions.get(id ?? '')?.means ?? null)
  const working = state.held.filter((key) => {
    const verdict = resolution.addresses.get(key)?.verdict
    return verdict !== undefined && answers(verdict)
  })
  const able = state.starters.filter((key) => working.includes(key))
  const starter =
    state.leader !== null && able.includes(state.leader) ? state.leader : nextLeader(model, state, able)
  const roles = [
    ...working.map((key) => roleOf(resolution.addresses.get(key)?.effectiveFunctionId ?? null)),
    ...state.latched.map(roleOf),
  ]
  return outcomeOf({
    side: state.side,
    starter,
    rests: roles.includes('rests'),
    keeps: roles.includes('keeps'),
    halfFocuses: halfFocuses(model, state),
    value: (means) => valueMeaning(model, resolution, means)?.value ?? null,
  })
}
