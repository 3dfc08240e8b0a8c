import type { Refusal } from '../../result'
import { boundOf, refsIn } from '../../rules/condition'
import type { Comparison, Condition, FactRef } from '../../rules/condition'
import { orderReplacing } from '../../rules/order'
import type { Rule } from '../../rules/rule'
import type { Value } from '../../vocabulary/values'
import { checkValue } from '../domain'
import type { BodyModel, Domain } from '../types'
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
  for (const bound of then.kind === 'bounded' ? [then.atMost, then.atLeast] : [])
    faults.push(...refsIn(bound ?? null).flatMap((ref) => refFaults(model, ref, `${path}.then`)))
  if ('function' in then) {
    const named = then.kind === 'becomes' ? [then.function, then.to] : [then.function]
    for (const id of named) {
      if (!model.functions.some((fn) => fn.id === id))
        faults.push(fault('dangling', `${path}.then`, `No function is called ${id}.`))
    }
  }
  for (const id of 'controls' in then ? (then.controls ?? []) : []) {
    if (!model.controls.some((control) => control.id === id))
      faults.push(fault('dangling', `${path}.then.controls`, `No control is called ${id}.`))
  }
  for (const id of 'butFor' in then ? (then.butFor ?? []) : []) {
    if (!model.functions.some((fn) => fn.id === id))
      faults.push(fault('dangling', `${path}.then.butFor`, `No function is called ${id}.`))
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
  const dangling = [condition, ...refsIn(boundOf(condition))].flatMap((ref) => refFaults(model, ref, path))
  if (dangling.length > 0) return dangling
  const [about, id = ''] = fact.split('/')
  const whole = model.settings.find((one) => about === 'setting' && one.id === id)?.domain
  const domain =
    whole?.kind === 'record' && condition.field !== undefined ? fieldOf(whole, condition.field) : whole
  const family = model.families.find((one) => about === 'bank' && one.id === id)
  const slots = family?.slots.map((slot) => slot.id)
  if ('has' in condition && domain?.kind === 'subset')
    return domain.values.some((one) => one.id === condition.has)
      ? []
      : [fault('outside', path, `${fact} never has ${String(condition.has)}.`)]
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
  if ('has' in condition) return []
  const bound = 'above' in condition ? condition.above : condition.below
  return typeof bound === 'object' && !Array.isArray(bound) ? [] : [bound as Value]
}

/** A fact that is not there, or a field its record has not. */
function refFaults(model: BodyModel, { fact, field }: FactRef, path: string): Refusal[] {
  if (!factExists(model, fact)) return [fault('dangling', path, `${fact} does not exist on this model.`)]
  if (field === undefined) return []
  const domain = model.settings.find((one) => fact === `setting/${one.id}`)?.domain
  if (domain?.kind === 'record' && fieldOf(domain, field)) return []
  return [fault('dangling', path, `${fact} has no field ${field}.`)]
}

function fieldOf(domain: Extract<Domain, { kind: 'record' }>, field: string) {
  return domain.fields.find((one) => one.id === field)?.domain
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
