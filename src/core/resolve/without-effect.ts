import type { BodyModel, LensModel, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { usualContext } from './context'
import { resolve } from './resolve'
import type { StateIn } from './resolved'

/** The sides on which a setting does nothing, with the reason. */
export interface NoEffect {
  readonly side: Side
  readonly because: string
}

/** The settings that do nothing on some side as the camera stands, with the reason: their menu lines are greyed or gone there. */
export function settingsWithoutEffect(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  stateIn: StateIn = (context) => resolve(model, plan, context),
): ReadonlyMap<string, readonly NoEffect[]> {
  const idle = new Map<string, NoEffect[]>()
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
