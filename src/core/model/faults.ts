import type { Refusal } from '../result'
import { factsOf } from '../rules/condition'
import { orderReplacing } from '../rules/order'
import type { Rule } from '../rules/rule'
import type { Value } from '../vocabulary/values'
import { commonFunctions, commonSettings } from '../vocabulary/catalogue'
import { ladderBetween } from '../vocabulary/ladders'
import { checkValue } from './domain'
import type { BodyModel, Setting } from './types'

/**
 * Every contradiction inside a well-formed model: dangling ids, duplicate ids, factory values outside their
 * domain, settings without a menu line, controls off their face, rules that chase each other. Empty when sound.
 */
export function faultsOf(model: BodyModel): Refusal[] {
  return [
    ...duplicateFaults(model),
    ...settingFaults(model),
    ...controlFaults(model),
    ...functionFaults(model),
    ...ruleFaults(model),
  ]
}

function fault(code: string, where: string, message: string): Refusal {
  return { code, message, where }
}

function duplicateFaults(model: BodyModel): Refusal[] {
  const kinds = [
    'settings',
    'functions',
    'controls',
    'faces',
    'families',
    'holdSets',
    'rules',
    'menu',
  ] as const
  return kinds.flatMap((kind) => {
    const seen = new Set<string>()
    return model[kind].flatMap((item, i) => {
      if (!seen.has(item.id)) {
        seen.add(item.id)
        return []
      }
      return [fault('duplicate', `${kind}[${i}].id`, `The id ${item.id} stands twice in ${kind}.`)]
    })
  })
}

function settingFaults(model: BodyModel): Refusal[] {
  const inMenu = new Map<string, number>()
  model.menu.forEach((page) => page.lines.forEach((line) => inMenu.set(line, (inMenu.get(line) ?? 0) + 1)))
  const ids = new Set(model.settings.map((setting) => setting.id))
  const faults = model.settings.flatMap((setting, i) => oneSetting(model, setting, `settings[${i}]`, inMenu))
  const dangling = [...inMenu.keys()].filter((line) => !ids.has(line))
  return [
    ...faults,
    ...dangling.map((line) => fault('dangling', 'menu', `The menu lists ${line}, which is no setting.`)),
  ]
}

function oneSetting(
  model: BodyModel,
  setting: Setting,
  path: string,
  inMenu: ReadonlyMap<string, number>,
): Refusal[] {
  const faults: Refusal[] = []
  if (setting.domain.kind === 'ladder') {
    const span = ladderBetween(setting.domain.ladder, setting.domain.from, setting.domain.to)
    if (!span.ok) return [fault('domain', `${path}.domain`, span.refusal.message)]
  }
  const factory = checkValue(setting.domain, setting.factory, `${path}.factory`)
  if (!factory.ok) faults.push(factory.refusal)
  if (setting.means !== null && !commonSettings.has(setting.means)) {
    faults.push(fault('dangling', `${path}.means`, `${setting.means} is not in the common vocabulary.`))
  }
  if (setting.storedBy !== null && !model.families.some((family) => family.id === setting.storedBy)) {
    faults.push(fault('dangling', `${path}.storedBy`, `No bank family is called ${setting.storedBy}.`))
  }
  if (setting.storedBy !== null && (setting.place === 'local' || setting.place === 'physical')) {
    faults.push(fault('place', `${path}.storedBy`, `A ${setting.place} setting cannot be kept by a bank.`))
  }
  if (setting.shared !== undefined && setting.place !== 'side') {
    faults.push(fault('place', `${path}.shared`, 'Only a setting with a cell for each side can be shared.'))
  }
  const lines = inMenu.get(setting.id) ?? 0
  if (lines !== 1 && setting.place !== 'physical') {
    faults.push(
      fault('menu', `${path}.id`, `${setting.id} stands on ${lines} menu lines; it needs exactly one.`),
    )
  }
  return faults
}

function controlFaults(model: BodyModel): Refusal[] {
  const faces = new Set(model.faces.map((face) => face.id))
  const functions = new Set(model.functions.map((fn) => fn.id))
  return model.controls.flatMap((control, i) => {
    const path = `controls[${i}]`
    const faults: Refusal[] = []
    if (!faces.has(control.face))
      faults.push(fault('dangling', `${path}.face`, `No face is called ${control.face}.`))
    control.at.forEach((centre, axis) => {
      const half = (control.size[axis] ?? 0) / 2
      if (centre - half < 0 || centre + half > 1) {
        faults.push(fault('off-face', `${path}.at`, `${control.name} reaches over the edge of its face.`))
      }
    })
    control.gestures.forEach((gesture, g) => {
      const accepted = Object.hasOwn(model.functionLists, gesture.accepts)
        ? model.functionLists[gesture.accepts]
        : undefined
      const where = `${path}.gestures[${g}]`
      if (!accepted)
        faults.push(fault('dangling', `${where}.accepts`, `No function list is called ${gesture.accepts}.`))
      for (const fn of Object.values(gesture.factory)) {
        if (!functions.has(fn))
          faults.push(fault('dangling', `${where}.factory`, `No function is called ${fn}.`))
        else if (accepted && !accepted.includes(fn)) {
          faults.push(
            fault('not-accepted', `${where}.factory`, `${fn} is not in the list ${gesture.accepts}.`),
          )
        }
      }
    })
    return faults
  })
}

function functionFaults(model: BodyModel): Refusal[] {
  const settings = new Set(model.settings.map((setting) => setting.id))
  const functions = new Set(model.functions.map((fn) => fn.id))
  const dangling = model.functions.flatMap((fn, i) => [
    ...fn.changes
      .filter((id) => !settings.has(id))
      .map((id) => fault('dangling', `functions[${i}].changes`, `${id} is no setting of this model.`)),
    ...(fn.holdSet !== undefined && !model.holdSets.some((set) => set.id === fn.holdSet)
      ? [fault('dangling', `functions[${i}].holdSet`, `No hold set is called ${fn.holdSet}.`)]
      : []),
    ...(fn.means !== null && !commonFunctions.has(fn.means)
      ? [fault('dangling', `functions[${i}].means`, `${fn.means} is not in the common vocabulary.`)]
      : []),
  ])
  const lists = Object.entries(model.functionLists).flatMap(([name, list]) =>
    list
      .filter((id) => !functions.has(id))
      .map((id) => fault('dangling', `functionLists.${name}`, `No function is called ${id}.`)),
  )
  return [...dangling, ...lists]
}

function ruleFaults(model: BodyModel): Refusal[] {
  const faults = model.rules.flatMap((rule, i) => oneRule(model, rule, `rules[${i}]`))
  if (faults.length > 0) return faults
  const ordered = orderReplacing(model.rules)
  return ordered.ok ? [] : [ordered.refusal]
}

function oneRule(model: BodyModel, rule: Rule, path: string): Refusal[] {
  const setting = (id: string) => model.settings.find((candidate) => candidate.id === id)
  const faults = factsOf(rule.when).flatMap((fact) =>
    factExists(model, fact)
      ? []
      : [fault('dangling', `${path}.when`, `${fact} does not exist on this model.`)],
  )
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
