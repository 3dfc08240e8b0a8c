import type { Remarking, Rule } from '../rules/rule'
import type { BodyModel } from './types'

/** A rule about one control, as former definitions have it. */
type FormerConsequence =
  Rule['then'] | { readonly kind: 'unavailable' | 'ineffective'; readonly control: string }

/** A definition written for a former Salt Shelf in the form of this one; one that is in it already is given back. */
export function asWrittenNow(model: BodyModel): BodyModel {
  const rules = model.rules.map((rule): Rule => {
    const then = rule.then as FormerConsequence
    if (!('control' in then)) return rule
    const now: Remarking = { kind: then.kind, controls: [then.control] }
    return { ...rule, then: now }
  })
  return rules.some((rule, i) => rule !== model.rules[i]) ? { ...model, rules } : model
}
