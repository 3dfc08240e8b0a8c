import type { BodyModel, LensModel, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { usualContext } from './context'
import { resolve } from './resolve'
import type { StateIn } from './resolved'

/** The sides on which a setting does nothing, with the reason. */
export interface Idle {
  readonly side: Side
  readonly because: string
}

/** The settings that do nothing on some side as the camera stands, with the reason: their menu lines are greyed or gone there. */
export function idleOn(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  stateIn: StateIn = (context) => resolve(model, plan, context),
): ReadonlyMap<string, readonly Idle[]> {
  const idle = new Map<string, Idle[]>()
  for (const side of model.sides) {
    const plain = usualContext(model, plan, lenses, side)
    if (!plain) continue
    for (const [id, { remarks }] of stateIn(plain.context).settings) {
      const remark = remarks.find(({ kind, truth }) => kind === 'ineffective' && truth === 'yes')
      if (remark) idle.set(id, [...(idle.get(id) ?? []), { side, because: remark.because }])
    }
  }
  return idle
}
