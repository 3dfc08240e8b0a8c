import type { Refusal } from '../../result'
import type { Comparison, Condition } from '../../rules/condition'
import { orderReplacing } from '../../rules/order'
import type { Rule } from '../../rules/rule'
import type { Value } from '../../vocabulary/values'
import { checkValue } from '../domain'
import type { BodyModel } from '../types'
import { fault } from './fault'

/** Dangling ids and values in rules, and rules that clash or chase each other. */
export function ruleFaults(model: BodyModel): Refusal[] {
  const faults = model.rules.flatMap((rule, i) => oneRule(model, rule, `rules[${i}]`))
  if (faults.length > 0) return faults
  const ordered = orderReplacing(model.rules)
  return ordered.ok ? [] : [ordered.refusal]
}

function oneRule(model: BodyModel, rule: Rule, path: string): Refusal[] {
  const setting = (id: string) => model.settings.find((candidate) => candidate.id === id)
  const faults = conditionFaults(model, rule.when, `${path}.when`)
  for (const id of rule.over.filter((other) => !model.rules.some((one) => one.id === other)))
    faults.push(fault('dangling', `${path}.over`, `No rule is called ${id}.`))
  const { then } = rule
  if ('function' in then) {
    const named = then.kind === 'becomes' ? [then.function, then.to] : [then.function]
    for (const id of named) {
      if (!model.functions.some((fn) => fn.id === id))
        faults.push(fault('dangling', `${path}.then`, `No function is called ${id}.`))
    }
  }
  if ('control' in then && !model.controls.some((control) => control.id === then.control)) {
    faults.push(fault('dangling', `${path}.then.control`, `No control is called ${then.control}.`))
  }
  if ('act' in then && !model.acts.some((act) => act.id === then.act))
    faults.push(fault('dangling', `${path}.then.act`, `No act is called ${then.act}.`))
  const settings = 'settings' in then ? then.settings : 'setting' in then ? [then.setting] : []
  for (const id of settings) {
    const target = setting(id)
    if (!target) faults.push(fault('dangling', `${path}.then`, `No setting is called ${id}.`))
    else
      faults.push(
        ...valuesIn(then).flatMap((value) => refusalsOf(checkValue(target.domain, value, `${path}.then`))),
      )
  }
  return faults
}

/** Facts that do not exist on the model, and values they cannot have. */
export function conditionFaults(model: BodyModel, condition: Condition, path: string): Refusal[] {
  if ('all' in condition) return condition.all.flatMap((one) => conditionFaults(model, one, path))
  if ('any' in condition) return condition.any.flatMap((one) => conditionFaults(model, one, path))
  if ('not' in condition) return conditionFaults(model, condition.not, path)
  const { fact } = condition
  if (!factExists(model, fact)) return [fault('dangling', path, `${fact} does not exist on this model.`)]
  const [about, id = ''] = fact.split('/')
  const domain = model.settings.find((one) => about === 'setting' && one.id === id)?.domain
  const family = model.families.find((one) => about === 'bank' && one.id === id)
  const slots = family?.slots.map((slot) => slot.id)
  return comparedWith(condition).flatMap((value) => {
    if (domain) return refusalsOf(checkValue(domain, value, path))
    if (slots && value !== 'plain' && !slots.some((slot) => slot === value))
      return [fault('dangling', path, `${fact} is never ${String(value)}.`)]
    return []
  })
}

function comparedWith(condition: Comparison): readonly Value[] {
  if ('in' in condition) return condition.in
  if ('is' in condition) return [condition.is]
  return ['above' in condition ? condition.above : condition.below]
}

function refusalsOf(checked: ReturnType<typeof checkValue>): Refusal[] {
  return checked.ok ? [] : [checked.refusal]
}

function valuesIn(then: Rule['then']): Value[] {
  if ('values' in then) return [...then.values]
  if (then.kind === 'limits') return [...then.only, ...(then.fallsTo === undefined ? [] : [then.fallsTo])]
  if (then.kind === 'becomes' && 'setting' in then) return [...then.from, then.to]
  return then.kind === 'forced' ? [then.to] : []
}

function factExists(model: BodyModel, fact: string): boolean {
  const [kind, name = ''] = fact.split('/')
  if (kind === 'setting') return model.settings.some((one) => one.id === name)
  if (kind === 'bank') return model.families.some((one) => one.id === name)
  if (kind === 'held' || kind === 'latched' || kind === 'assigned')
    return model.functions.some((one) => one.id === name)
  return true
}
