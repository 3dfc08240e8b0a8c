import type { Address } from '../model/addresses'
import type { ModelFunction } from '../model/types'
import type { Context } from '../resolve/context'
import { functionsInForce } from '../resolve/held'
import { inForce } from '../resolve/owners'
import { judge } from '../resolve/judge'
import type { Verdict } from '../resolve/resolved'
import { stateHolding, type Owned, type State } from '../resolve/state'
import { factsOf } from '../rules/condition'
import { focusRole, type FocusRole } from '../vocabulary/focus-roles'
import type { Value } from '../vocabulary/values'

/** A key that has a say in focus while it is held. */
export interface Trigger {
  readonly key: string
  readonly address: Address
  readonly fn: ModelFunction
  readonly role: FocusRole
}

/**
 * The states of keys held, each reckoned once for what is obeyed of them: of several that start autofocus that is one.
 * Where a rule asks what is held, every key counts. What is asked of a state again is remembered with it.
 */
export function statesOf(owned: Owned, base: State): (context: Context) => HeldState {
  const { model } = owned
  const asksHeld = model.rules.some(({ when }) => factsOf(when).some((fact) => fact.startsWith('held/')))
  const known = new Map<string, HeldState>()
  const now = (setting: string) => base.possible.get(setting)?.[0]
  return (context) => {
    const obeyed = functionsInForce(model, base.found, context, now).map((fn) => fn.id)
    const key = [...obeyed, '|', ...(asksHeld ? (context.held ?? []) : [])].join(' ')
    const state = known.get(key) ?? heldState(stateHolding(owned, context), { ...context, held: [] })
    known.set(key, state)
    return state
  }
}

/** A state in which keys are held, with the verdict on each key and each value of focus. */
export interface HeldState {
  readonly verdictOn: (trigger: Trigger) => Verdict
  readonly values: (means: string) => readonly (Value | null)[]
  readonly latched: readonly FocusRole[]
}

function heldState(state: State, context: Context): HeldState {
  const verdicts = new Map<Trigger, Verdict>()
  const values = new Map<string, readonly (Value | null)[]>()
  return {
    verdictOn: (trigger) => {
      const verdict = verdicts.get(trigger) ?? judge(state, trigger.fn.id, context, trigger.address).verdict
      verdicts.set(trigger, verdict)
      return verdict
    },
    values: (means) => {
      const found = values.get(means) ?? valuesOf(state, means)
      values.set(means, found)
      return found
    },
    latched: (context.latched ?? []).map((id) => focusRole(state.found.functions.get(id)?.means ?? null)),
  }
}

function valuesOf(state: State, means: string): readonly (Value | null)[] {
  const id = state.found.byMeaning.get(means)?.id
  const chain = id === undefined ? undefined : state.chains.get(id)
  if (id === undefined || !chain) return [null]
  return state.possible.get(id) ?? [inForce(chain)]
}
