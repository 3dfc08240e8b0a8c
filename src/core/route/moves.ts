import { lookup } from '../model/lookup'
import type { Act } from '../model/types'
import type { Context } from '../resolve/context'
import { ruleBook } from '../resolve/rule-book'
import { rulesAbout, refusing } from '../resolve/state'
import { sameValue, type Value } from '../vocabulary/values'
import type { Group } from './groups'
import { place, stands, type Place } from './place'

/** One thing that can be done on the way. */
export type Move =
  | { readonly kind: 'setting'; readonly key: string; readonly setting: string; readonly to: Value }
  | { readonly kind: 'act'; readonly key: string; readonly act: Act }
  | { readonly kind: 'position'; readonly key: string; readonly to: string }

/** A move that the body allows here, where it leads, and rules that may forbid it though nobody is sure. */
export interface LegalMove {
  readonly key: string
  readonly move: Move
  readonly to: Place
  readonly doubts: readonly string[]
}

/** Every move of a group that is allowed here, in the order of the menu. */
export function legalMoves(at: Place, group: Group): LegalMove[] {
  return [...positionMoves(at, group), ...settingMoves(at, group), ...actMoves(at, group)]
}

function settingMoves(at: Place, group: Group): LegalMove[] {
  return [...group.candidates].flatMap(([setting, values]) => {
    const physical = lookup(at.model).settings.get(setting)?.place === 'physical'
    if (!physical && at.context.run !== 'menu') return []
    return values.flatMap((value) => {
      if (sameValue(at.values.get(setting), value) || refusing(at.state, setting, value).length > 0) return []
      const to = place(at.model, at.plan, changed(at.context, setting, value, physical), at.acts)
      if (!stands(to, setting, value) || breaks(at, to, group)) return []
      const move: Move = { kind: 'setting', key: `${setting} = ${String(value)}`, setting, to: value }
      return [{ key: move.key, move, to, doubts: refusing(at.state, setting, value, 'unknown') }]
    })
  })
}

function actMoves(at: Place, group: Group): LegalMove[] {
  return group.acts.flatMap((act) => {
    if (act.by === undefined && at.context.run !== 'menu') return []
    if (at.acts.includes(act.id) && act.does !== 'run') return []
    const forbidden = rulesAbout(at.state, `act/${act.id}`).some(
      ({ rule, truth }) => truth === 'yes' && rule.then.kind === 'unavailable',
    )
    if (forbidden || !needsHold(at, act)) return []
    const context: Context = {
      ...at.context,
      ...(act.leadsTo === undefined ? {} : { run: act.leadsTo }),
      edits: { ...at.context.edits, ...act.sets },
    }
    const acts = act.does === 'run' ? at.acts : [...at.acts, act.id]
    const reset = act.does === 'reset'
    const left = reset ? { ...context, edits: act.sets } : context
    return [
      {
        key: `act ${act.id}`,
        move: { kind: 'act', key: `act ${act.id}`, act },
        to: place(at.model, reset ? { ...at.plan, rows: {} } : at.plan, left, acts),
        doubts: [],
      },
    ]
  })
}

function positionMoves(at: Place, group: Group): LegalMove[] {
  if (at.context.run === 'recording') return []
  return group.positions
    .filter((id) => id !== at.context.position)
    .map((id) => {
      const key = `position ${id}`
      const to = place(at.model, at.plan, { ...at.context, position: id }, at.acts)
      return { key, move: { kind: 'position' as const, key, to: id }, to, doubts: [] }
    })
}

function changed(context: Context, setting: string, value: Value, physical: boolean): Context {
  return physical
    ? { ...context, marked: { ...context.marked, [setting]: value } }
    : { ...context, edits: { ...context.edits, [setting]: value } }
}

/** True where a change would leave another setting of the group with a value that the body refuses. */
function breaks(before: Place, after: Place, group: Group): boolean {
  return [...group.candidates.keys()].some((setting) => {
    const value = after.values.get(setting)
    if (value === undefined || refusing(after.state, setting, value).length === 0) return false
    return (
      !sameValue(before.values.get(setting), value) || refusing(before.state, setting, value).length === 0
    )
  })
}

/** Whether nothing that an act needs is certainly missing; what the act itself ends, the menu or standby, is not asked. */
export function needsHold(at: Place, act: Act): boolean {
  return needsOf(at, act).every((need) => need.holds(at.state.facts) !== 'no')
}

function needsOf(at: Place, act: Act) {
  return ruleBook(at.model).actNeeds.get(act.id) ?? []
}
