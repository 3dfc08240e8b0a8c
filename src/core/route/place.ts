import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import type { Context } from '../resolve/context'
import { effectiveState, refusing, type State } from '../resolve/state'
import { inForce } from '../resolve/owners'
import { sameValue, type Value } from '../vocabulary/values'

/** A state of a body on a route: its context with all edits so far, the acts done, and what follows. */
export interface Place {
  readonly model: BodyModel
  readonly plan: Plan
  readonly context: Context
  readonly acts: readonly string[]
  readonly state: State
  /** What was asked of each setting: the value before rules have their say. */
  readonly values: ReadonlyMap<string, Value>
}

/** The place of a context. */
export function place(model: BodyModel, plan: Plan, context: Context, acts: readonly string[] = []): Place {
  const state = effectiveState(model, plan, context)
  const values = new Map(
    [...state.chains].map(([id, chain]) => [id, inForce(chain.filter((link) => link.layer !== 'rule'))]),
  )
  return { model, plan, context, acts, state, values }
}

/** Whether a setting has a value for certain: asked and got, and not refused. */
export function stands(at: Place, setting: string, value: Value): boolean {
  const possible = at.state.possible.get(setting) ?? []
  const got = sameValue(at.values.get(setting), value) && possible.every((one) => sameValue(one, value))
  return got && refusing(at.state, setting, value).length === 0
}

/** Settings whose asked value differs between two places. */
export function differsFrom(at: Place, start: Place): { setting: string; from: Value; to: Value }[] {
  return [...at.values].flatMap(([setting, to]) => {
    const from = start.values.get(setting)
    return from === undefined || sameValue(from, to) ? [] : [{ setting, from, to }]
  })
}

/** Why wanted values do not come about here: refused, replaced by a rule, or fixed by the mode dial. */
export function blockers(at: Place, values: Readonly<Record<string, Value>>): string[] {
  return Object.entries(values).flatMap(([setting, value]) => {
    const changed = place(at.model, at.plan, {
      ...at.context,
      edits: { ...at.context.edits, [setting]: value },
    })
    const chain = changed.state.chains.get(setting) ?? []
    const over = chain.slice(chain.findLastIndex((link) => link.layer === 'edit') + 1)
    const label = lookup(at.model).settings.get(setting)?.label ?? setting
    return [
      ...refusing(changed.state, setting, value),
      ...over.flatMap((link) =>
        link.because === null || sameValue(link.value, value) ? [] : [link.because],
      ),
      ...(changed.state.doubts.get(setting) ?? []).map((doubt) => `${label}: ${doubt.because}`),
    ]
  })
}
