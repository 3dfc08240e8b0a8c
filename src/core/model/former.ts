import type { Remarking, Rule } from '../rules/rule'
import { idNow } from '../vocabulary/terms'
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
  const settings = model.settings.map((one) => {
    const means = retired.has(one.means) ? null : idNow(one.means)
    return means === one.means ? one : { ...one, means }
  })
  const functions = model.functions.map((one) => {
    const means = idNow(one.means)
    return means === one.means ? one : { ...one, means }
  })
  const same = (a: readonly unknown[], b: readonly unknown[]) => a.every((one, i) => one === b[i])
  const isSame =
    same(rules, model.rules) && same(settings, model.settings) && same(functions, model.functions)
  return isSame ? model : { ...model, rules, settings, functions }
}
