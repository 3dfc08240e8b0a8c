import { once } from '../once'
import type { BodyModel, ModelFunction } from '../model/types'
import { factsOf } from '../rules/condition'
import type { Rule } from '../rules/rule'
import { focusRole } from '../vocabulary/focus-roles'

/**
 * The part of a model that focus hangs on: its focus settings and whatever, through rules, decides about them or about
 * a key that has a say in focus. A plan gives the same focus in the part as in the whole, in a quarter of the time.
 */
export const focusPart: (model: BodyModel) => BodyModel = once((model: BodyModel) => {
  const functions = new Set(model.functions.filter((fn) => hasSay(model, fn)).map((fn) => fn.id))
  const settings = new Set(startingWith(model))
  const rules = new Set<Rule>()
  const concerns = ({ then }: Rule): boolean => {
    if ('setting' in then) return settings.has(then.setting)
    if ('control' in then) return true
    return 'function' in then && (functions.has(then.function) || ('to' in then && functions.has(then.to)))
  }
  let before = -1
  while (before < rules.size) {
    before = rules.size
    for (const rule of model.rules.filter((one) => !rules.has(one) && concerns(one))) {
      rules.add(rule)
      for (const fact of factsOf(rule.when))
        if (fact.startsWith('setting/')) settings.add(fact.slice('setting/'.length))
    }
  }
  return {
    ...model,
    settings: model.settings.filter((setting) => settings.has(setting.id)),
    rules: model.rules.filter((rule) => rules.has(rule)),
  }
})

/** Whether a function has a say in focus: by what it means, what it overrides, or the hold set it calls. */
function hasSay(model: BodyModel, fn: ModelFunction): boolean {
  if (focusRole(fn.means) !== 'none' || fn.means?.startsWith('focus.')) return true
  if (fn.holdSet !== undefined) return true
  const focus = new Set(model.settings.filter(isFocus).map((setting) => setting.id))
  return [...Object.keys(fn.overrides ?? {}), ...fn.changes].some((id) => focus.has(id))
}

function isFocus({ means }: { readonly means: string | null }): boolean {
  return means?.startsWith('focus.') ?? false
}

/** The settings of focus, and those that decide which cell or slot of them is read. */
function startingWith(model: BodyModel): string[] {
  const focus = model.settings.filter((setting) => isFocus(setting) || setting.means === 'exposure.mode')
  const families = model.families.flatMap(({ widenedBy, keepingBy }) => [widenedBy, keepingBy])
  const decided = model.controls.map((control) => control.assignedBy)
  const recording = model.settings.filter((setting) => setting.means === 'movie.recordByShutter')
  return [
    ...[...focus, ...recording].map((setting) => setting.id),
    ...[...families, ...decided].filter((id) => id !== undefined),
  ]
}
