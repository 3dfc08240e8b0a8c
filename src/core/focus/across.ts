import type { BodyModel, LensModel, Posture, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { contextsOf } from '../resolve/context'
import type { BankFocus } from './sheet'
import { focusTables } from './trigger-table'

/** Every bank of a side (and the plain position) with one lens: what each of its triggers does. */
export function focusAcross(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  side: Side,
  choice: { readonly lens?: string; readonly posture?: Posture } = {},
): BankFocus[] {
  const all = contextsOf(model, plan, lenses, side)
  const usual = all.find(({ context }) => context.lens.contacts) ?? all[0]
  const lens = all.some(({ context }) => context.lens.id === choice.lens)
    ? choice.lens
    : usual?.context.lens.id
  return all
    .filter(({ context }) => context.lens.id === lens)
    .map((state) => {
      const context = { ...state.context, ...(choice.posture ? { posture: choice.posture } : {}) }
      return { state: { ...state, context }, tables: focusTables(model, plan, context) }
    })
}
