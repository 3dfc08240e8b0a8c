import type { Remarking, Rule } from '../rules/rule'
import type { BodyModel } from './types'

/** A rule about one control, as former definitions have it. */
type FormerConsequence =
  Rule['then'] | { readonly kind: 'unavailable' | 'ineffective'; readonly control: string }

/** Common settings that former definitions may mean and that are said otherwise now: by the values of another setting, or by the model itself. */
const retired: ReadonlySet<string | null> = new Set([
  ...(['flash.rearSync', 'flash.slowSync', 'exposure.highlightWeight', 'focus.release'] as const),
  ...(['focus.lensSwitch', 'controls.lock', 'controls.stillsMotionSplit', 'controls.dialFront'] as const),
  ...(['controls.dialRear', 'controls.functionMenuSides', 'movie.recordKeyInStills'] as const),
  'exposure.depthPreview',
])

/** A definition written for a former Salt Shelf in the form of this one; one that is in it already is given back. */
export function asWrittenNow(model: BodyModel): BodyModel {
  const rules = model.rules.map((rule): Rule => {
    const then = rule.then as FormerConsequence
    if (!('control' in then)) return rule
    const now: Remarking = { kind: then.kind, controls: [then.control] }
    return { ...rule, then: now }
  })
  const settings = model.settings.map((one) => (retired.has(one.means) ? { ...one, means: null } : one))
  const same = (a: readonly unknown[], b: readonly unknown[]) => a.every((one, i) => one === b[i])
  if (same(rules, model.rules) && same(settings, model.settings)) return model
  return { ...model, rules, settings }
}
