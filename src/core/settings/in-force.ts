import { valuesOf } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel, LensModel, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { usualContext } from '../resolve/context'
import { resolve, workOf } from '../resolve/resolve'
import type { Link, StateIn } from '../resolve/resolved'
import { refusing } from '../resolve/state'
import { route } from '../route/route'
import { sameValue, type Value } from '../vocabulary/values'

/** What a setting comes to on a side, used plainly. */
export interface InForce {
  readonly side: Side
  /** The value in force; what the plan asks for where a rule or the mode dial puts another in its place. */
  readonly value: Value
  readonly asked: Value
  /** Why another value stands in its place; null where it stands as asked. */
  readonly replaced: string | null
  /** Why it does nothing here; null where it does something. */
  readonly idle: string | null
  /** What it costs here, or why it is not sure; in plain words. */
  readonly costs: readonly string[]
  /** The values that cannot be chosen as the camera stands, with the reason. */
  readonly refused: readonly { readonly value: Value; readonly because: string }[]
}

/** What a setting comes to on every side, used plainly as the plan has it; nothing for a setting the model does not have. */
export function inForce(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  id: string,
  stateIn: StateIn = (context) => resolve(model, plan, context),
): InForce[] {
  const setting = lookup(model).settings.get(id)
  if (!setting) return []
  return model.sides.flatMap((side): InForce[] => {
    const usual = usualContext(model, plan, lenses, side)
    const resolution = usual && stateIn(usual.context)
    const resolved = resolution?.settings.get(id)
    const state = resolution && workOf(resolution)?.state
    if (!resolved || !state) return []
    const last = resolved.chain.at(-1)
    const asked = resolved.chain.findLast((link) => !isPutThere(link))?.value ?? setting.factory
    const about = (kind: string) => resolved.remarks.filter((one) => one.kind === kind)
    return [
      {
        side,
        value: resolved.value,
        asked,
        replaced: last && isPutThere(last) && !sameValue(asked, resolved.value) ? (last.because ?? '') : null,
        idle: about('ineffective').find(({ truth }) => truth === 'yes')?.because ?? null,
        costs: about('hazard').map(({ because, truth }) =>
          truth === 'yes' ? because : `${because} Test on body.`,
        ),
        refused: (valuesOf(setting.domain) ?? []).flatMap((value) => {
          const [because] = refusing(state, id, value)
          return because === undefined ? [] : [{ value, because }]
        }),
      },
    ]
  })
}

function isPutThere({ layer }: Link): boolean {
  return layer === 'rule' || layer === 'dial'
}

/** How a value is reached that cannot be chosen as the camera stands, in the camera's menu: what to change first, in order. */
export interface Way {
  readonly steps: readonly { readonly where: string; readonly words: string }[]
  /** Why no sequence of changes reaches it. */
  readonly none: string | null
}

/** The way to a value of a setting on a side, from the camera as the plan has it; null for a side the camera does not have. */
export function wayTo(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  { setting, value, side }: { readonly setting: string; readonly value: Value; readonly side: Side },
): Way | null {
  const usual = usualContext(model, plan, lenses, side)
  if (!usual) return null
  const found = route(model, plan, usual.context, { values: { [setting]: value } })
  if (!found.ok) return { steps: [], none: found.refusal.message }
  return { steps: found.value.steps.map(({ where, words }) => ({ where, words })), none: null }
}
