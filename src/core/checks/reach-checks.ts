import { memoize } from '../memoize'
import { valuesOf, showValue } from '../model/domain'
import { settingsIn } from '../model/excerpt'
import { lookup } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import { needRow } from '../plan/rows'
import { needsOf } from '../reach/needs'
import { situationName } from '../plan/situations'
import { idleBecause } from '../reach/paths'
import { workOf } from '../resolve/resolve'
import type { Resolution, ResolvedSetting } from '../resolve/resolved'
import type { State } from '../resolve/state'
import { refusing } from '../resolve/state'
import { termOf } from '../vocabulary/terms'
import { sameValue, type Value } from '../vocabulary/values'
import { quickFix, type Check, type CheckInput, type CheckResult, type QuickFix } from './finding'
import { keysIn, rowOf } from './meaning'

/** What is needed and cannot be had. */
export const reachChecks: readonly Check[] = [
  {
    id: 'need-blocked',
    title: 'Something is needed that nothing changes here',
    severity: 'problem',
    joins: true,
    needs: ['J1', 'J14', '§7'],
    reasonSilences: true,
    run: blockedNeeds,
  },
]

/** Needs whose setting has no effect, or is fixed, in a state: no key, menu or list helps there. */
function blockedNeeds(input: CheckInput): CheckResult[] {
  const { model, plan, side, states } = input
  const needs = needsOf(model, plan).filter((need) => need.side === side && need.perOuting > 0)
  return needs.flatMap((need) => {
    const setting = lookup(model).byMeaning.get(need.what)
    if (!setting) return []
    const title = `${termOf(need.what)} is needed ${need.perOuting} times an outing (${situationName(plan, need.situation)}), and nothing changes it`
    return states.flatMap((one, i): CheckResult[] => {
      const block = blockOf(model, one.resolution, setting.id)
      if (!block) return []
      const { because, rule } = block
      return [
        {
          severity: 'tidies',
          everywhere: 'problem',
          title,
          reason: because,
          row: needRow(need.situation, need.what),
          cost: need.perOuting * secondsMissed,
          ...(rule === undefined ? {} : { rule }),
          mends: i === 0 ? unblocking(input, setting) : [],
          seenIn: one,
        },
      ]
    })
  })
}

/** Seconds that are lost each time something needed cannot be had. */
const secondsMissed = 30

/** Why nothing changes a setting in a state, and the rule that says so. */
interface Block {
  readonly because: string
  readonly rule: string | undefined
}

/** What stands in the way of a setting in a state; null where nothing does. */
function blockOf(model: BodyModel, resolution: Resolution, setting: string): Block | null {
  const because = idleBecause(resolution, setting)
  if (because === null) return null
  const rule = ruleOf(resolution, setting)
  return isPutOnByAKey(model, resolution, rule) ? null : { because, rule }
}

/** The rule by which nothing changes a setting in a state. */
function ruleOf(resolution: Resolution, id: string): string | undefined {
  const resolved = resolution.settings.get(id)
  const last = resolved?.chain.at(-1)
  return (
    resolved?.remarks.find(({ kind, truth }) => kind === 'ineffective' && truth === 'yes')?.rule ??
    (last?.layer === 'rule' ? (last.from ?? undefined) : undefined)
  )
}

/** Whether a key that works puts on, while it is held, what the rule misses: detection that a held key brings. */
function isPutOnByAKey(model: BodyModel, resolution: Resolution, rule: string | undefined): boolean {
  return rule !== undefined && settingsOf(model, rule).some((id) => putOnByKeys(model)(resolution).has(id))
}

/** The settings that keys which work put on while they are held. */
const putOnByKeys = memoize((model: BodyModel) =>
  memoize(
    (resolution: Resolution): ReadonlySet<string> =>
      new Set(
        keysIn(model, resolution).flatMap(({ fn, resolved }) =>
          fn.manner === 'hold' && resolved.verdict === 'works' ? fn.changes : [],
        ),
      ),
  ),
)

/** More ways out than this are not offered. */
const mostWaysOut = 2

/** Single settings by which what has no effect has one again. */
function unblocking({ model, plan, side, states }: CheckInput, setting: Setting): QuickFix[] {
  const [here] = states
  if (!here) return []
  return waysOut(model)(here.resolution)(setting.id).map(({ cause, frees }) => {
    const label = `${cause.setting.label}: ${showValue(cause.setting.domain, frees)}`
    return quickFix(plan, label, 'need-blocked', { [rowOf(model, plan, side, cause)]: frees })
  })
}

/** A value of another setting by which a setting has an effect again. */
interface WayOut {
  readonly cause: ResolvedSetting
  readonly frees: Value
}

/** The ways out of what has no effect in a state, by its setting; several needs may ask for the same. */
const waysOut = memoize((model: BodyModel) =>
  memoize((resolution: Resolution) => {
    const known = new Map<string, readonly WayOut[]>()
    return (setting: string): readonly WayOut[] => {
      const found = known.get(setting) ?? findWaysOut(model, resolution, setting)
      known.set(setting, found)
      return found
    }
  }),
)

function findWaysOut(model: BodyModel, resolution: Resolution, setting: string): WayOut[] {
  const state = workOf(resolution)?.state
  if (!state) return []
  const causes = [...new Set(rulesAgainst(state, setting).flatMap(({ id }) => settingsOf(model, id)))]
  const ways = causes.flatMap((id) => {
    const cause = resolution.settings.get(id)
    if (!cause || cause.chain.at(-1)?.layer === 'rule' || cause.chain.at(-1)?.layer === 'dial') return []
    if (cause.setting.place === 'physical' || cause.setting.place === 'local') return []
    const others = (valuesOf(cause.setting.domain) ?? []).filter((value) => !sameValue(value, cause.value))
    const frees = others.find(
      (value) =>
        refusing(state, id, value).length === 0 &&
        rulesAgainst(withValue(state, id, value), setting).length === 0,
    )
    return frees === undefined ? [] : [{ cause, frees }]
  })
  return ways.slice(0, mostWaysOut)
}

/** The rules by which a setting has no effect in a state. */
function rulesAgainst(state: State, setting: string) {
  return (state.rules.remarking.get(`setting/${setting}`) ?? []).filter(
    (rule) => rule.then.kind === 'ineffective' && rule.holds(state.facts) === 'yes',
  )
}

/** The settings that the condition of a rule asks for. */
function settingsOf(model: BodyModel, rule: string): readonly string[] {
  return settingsByRule(model).get(rule) ?? []
}

const settingsByRule = memoize(
  (model: BodyModel) => new Map(model.rules.map(({ id, when }) => [id, settingsIn(when)])),
)

/** The state as it would be with one setting at another value, as far as rules about effects ask. */
function withValue(state: State, setting: string, value: Value): State {
  const facts: State['facts'] = {
    read: (fact) => (fact === `setting/${setting}` ? { known: true, value } : state.facts.read(fact)),
  }
  return { ...state, facts }
}
