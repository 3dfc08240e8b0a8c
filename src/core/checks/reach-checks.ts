import { valuesOf, showValue } from '../model/domain'
import { settingsIn } from '../model/excerpt'
import { lookup } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import { needRow } from '../plan/rows'
import { needsOf, situationName, type Need } from '../reach/needs'
import { idleBecause } from '../reach/paths'
import { workOf } from '../resolve/resolve'
import type { State } from '../resolve/state'
import { refusing } from '../resolve/state'
import { termOf } from '../vocabulary/terms'
import { sameValue, type Value } from '../vocabulary/values'
import { quickFix, type Check, type CheckInput, type CheckResult, type QuickFix } from './finding'
import { rowOf } from './meaning'

/** What is needed and cannot be had. */
export const reachChecks: readonly Check[] = [
  {
    id: 'need-blocked',
    title: 'Something is needed that nothing changes here',
    severity: 'trips',
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
    return states.flatMap((one, i): CheckResult[] => {
      const because = idleBecause(one.resolution, setting.id)
      if (because === null) return []
      return [
        {
          severity: 'tidies',
          everywhere: 'trips',
          title: `${termOf(need.what)} is needed, and nothing changes it here`,
          reason: `${because} ${said(input, need)}`,
          row: needRow(need.situation, need.what),
          mends: i === 0 ? unblocking(input, setting) : [],
          seenIn: one,
        },
      ]
    })
  })
}

function said({ plan }: CheckInput, { situation, perOuting }: Need): string {
  return `It is needed ${perOuting} times an outing (${situationName(plan, situation)}); no key or menu that sets it does anything.`
}

/** More ways out than this are not offered. */
const mostWaysOut = 2

/** Single settings by which what has no effect has one again. */
function unblocking({ model, plan, side, states }: CheckInput, setting: Setting): QuickFix[] {
  const [here] = states
  const state = here && workOf(here.resolution)?.state
  if (!here || !state) return []
  const blocking = rulesAgainst(state, setting.id)
  const causes = [...new Set(blocking.flatMap(({ id }) => settingsOf(model, id)))]
  const ways = causes.flatMap((id) => {
    const cause = here.resolution.settings.get(id)
    if (!cause || cause.chain.at(-1)?.layer === 'rule' || cause.chain.at(-1)?.layer === 'dial') return []
    if (cause.setting.place === 'physical' || cause.setting.place === 'local') return []
    const others = (valuesOf(cause.setting.domain) ?? []).filter((value) => !sameValue(value, cause.value))
    const frees = others.find(
      (value) =>
        refusing(state, id, value).length === 0 &&
        rulesAgainst(withValue(state, id, value), setting.id).length === 0,
    )
    if (frees === undefined) return []
    const label = `${cause.setting.label}: ${showValue(cause.setting.domain, frees)}`
    return [quickFix(plan, label, 'need-blocked', { [rowOf(model, plan, side, cause)]: frees })]
  })
  return ways.slice(0, mostWaysOut)
}

/** The rules by which a setting has no effect in a state. */
function rulesAgainst(state: State, setting: string) {
  return (state.rules.remarking.get(`setting/${setting}`) ?? []).filter(
    (rule) => rule.then.kind === 'ineffective' && rule.holds(state.facts) === 'yes',
  )
}

function settingsOf(model: BodyModel, rule: string): string[] {
  const found = model.rules.find(({ id }) => id === rule)
  return found ? settingsIn(found.when) : []
}

/** The state as it would be with one setting at another value, as far as rules about effects ask. */
function withValue(state: State, setting: string, value: Value): State {
  const facts: State['facts'] = {
    read: (fact) => (fact === `setting/${setting}` ? { known: true, value } : state.facts.read(fact)),
  }
  return { ...state, facts }
}
