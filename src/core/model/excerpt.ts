import { memoize } from '../memoize'
import { factsOf, refsIn, type Condition } from '../rules/condition'
import type { Rule } from '../rules/rule'
import type { BodyModel } from './types'

/** What a part of a model has to tell as the whole does: these settings, and keys with these functions. */
export interface Telling {
  readonly settings: Iterable<string>
  readonly functions?: ReadonlySet<string>
}

/**
 * The part of a model that some settings and functions hang on: those settings, and whatever, through rules, decides
 * about them. A plan gives the same values and verdicts for them in the part as in the whole, in a fraction of the time. The
 * same part is the same object for as long as the model lives.
 */
export function excerptOf(model: BodyModel, telling: Telling): BodyModel {
  const functions = telling.functions ?? new Set<string>()
  const start = [...new Set([...telling.settings, ...alwaysIn(model)])].sort()
  const key = [...start, '|', ...[...functions].sort()].join(' ')
  const parts = partsOf(model)
  const known = parts.get(key)
  if (known) return known
  const made = cut(model, start, functions)
  parts.set(key, made)
  return made
}

const partsOf: (model: BodyModel) => Map<string, BodyModel> = memoize(() => new Map<string, BodyModel>())

function cut(model: BodyModel, start: readonly string[], functions: ReadonlySet<string>): BodyModel {
  const settings = new Set(start)
  const rules = new Set<Rule>()
  const concerns = ({ then }: Rule): boolean => {
    if ('setting' in then) return settings.has(then.setting)
    if ('act' in then) return true
    if ('controls' in then && !('function' in then)) return functions.size > 0
    return 'function' in then && (functions.has(then.function) || ('to' in then && functions.has(then.to)))
  }
  let before = -1
  while (before < rules.size) {
    before = rules.size
    for (const rule of model.rules.filter((one) => !rules.has(one) && concerns(one))) {
      rules.add(rule)
      for (const id of [...settingsIn(rule.when), ...settingsOfBounds(rule)]) settings.add(id)
    }
  }
  return {
    ...model,
    settings: model.settings.filter((setting) => settings.has(setting.id)),
    rules: model.rules.filter((rule) => rules.has(rule)),
  }
}

/** The settings that the bounds of a rule are reckoned from. */
export function settingsOfBounds({ then }: Rule): string[] {
  if (then.kind !== 'bounded') return []
  return [then.atMost, then.atLeast]
    .flatMap((bound) => refsIn(bound ?? null))
    .flatMap(({ fact }) => (fact.startsWith('setting/') ? [fact.slice('setting/'.length)] : []))
}

/** The settings a condition asks. */
export function settingsIn(condition: Condition): string[] {
  return factsOf(condition).flatMap((fact) =>
    fact.startsWith('setting/') ? [fact.slice('setting/'.length)] : [],
  )
}

/** Settings that decide which cell or slot of the others is read, and whether the menu opens. */
function alwaysIn(model: BodyModel): string[] {
  const families = model.families.flatMap(({ widenedBy, keepingBy }) => [widenedBy, keepingBy])
  const decided = model.controls.map((control) => control.assignedBy)
  const mode = model.settings.filter((setting) => setting.means === 'exposure.mode').map(({ id }) => id)
  const acts = model.acts.flatMap((act) => [
    ...Object.keys(act.sets),
    ...act.needs.flatMap((need) => settingsIn(need.when)),
  ])
  return [...mode, ...acts, ...[...families, ...decided].filter((id) => id !== undefined)]
}

/** The settings that conditions of rules ask for: a change of another one makes nothing else possible or impossible. */
export const askedFor = memoize(
  (model: BodyModel): ReadonlySet<string> => new Set(model.rules.flatMap(({ when }) => settingsIn(when))),
)
