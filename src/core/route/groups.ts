import { valuesOf } from '../model/domain'
import { lookup } from '../model/lookup'
import { menuPlaces } from '../model/menu'
import { settingsIn, settingsOfBounds } from '../model/excerpt'
import type { Act, BodyModel, RunState, Setting } from '../model/types'
import { boundOf, type Comparison, type Condition } from '../rules/condition'
import { replaces, type Rule } from '../rules/rule'
import { sameValue, type Value } from '../vocabulary/values'
import { stands, type Place } from './place'
import type { Wanted } from './wanted'

/** Settings and acts that stand in each other's way: they are searched together. */
export interface Group {
  /** Values worth trying, by setting, in menu order. */
  readonly candidates: ReadonlyMap<string, readonly Value[]>
  readonly acts: readonly Act[]
  readonly positions: readonly string[]
  /** What has to stand at the end. */
  readonly values: Readonly<Record<string, Value>>
  readonly wantedActs: readonly string[]
  readonly wantedPosition: string | null
}

/**
 * What is wanted, in groups that do not meet: settings are in one group where a rule lets one decide what another may
 * be. The mode dial and wanted acts are in the group of what they hang on. Groups stand in menu order; there is always
 * one, if only to reach the run state.
 */
export function groupsOf(model: BodyModel, start: Place, wanted: Wanted): Group[] {
  const open = Object.entries(wanted.values).filter(([id, value]) => !stands(start, id, value))
  const acts = (wanted.acts ?? []).flatMap((id) => lookup(model).acts.get(id) ?? [])
  const seeds = [
    ...open.map(([id]) => [id]),
    ...acts.map((act) => act.needs.flatMap((need) => settingsIn(need.when))),
  ]
  const clusters = merged(seeds.map((seed) => reachOf(model, seed)))
  const inMenu = menuPlaces(model).map((line) => line.id)
  const sorted = clusters
    .map((cluster) => [...cluster].sort((a, b) => inMenu.indexOf(a) - inMenu.indexOf(b)))
    .sort((a, b) => inMenu.indexOf(a[0] ?? '') - inMenu.indexOf(b[0] ?? ''))
  const groups = sorted.map((ids) => groupOf(model, start, wanted, ids, acts))
  const homeless = acts.filter((act) => !groups.some((group) => group.wantedActs.includes(act.id)))
  const bare = groupOf(model, start, { values: {} }, [], [])
  const lone = { ...bare, acts: [...bare.acts, ...homeless], wantedActs: homeless.map((act) => act.id) }
  const turned = wanted.position !== undefined && !groups.some((group) => group.wantedPosition !== null)
  if (turned)
    return [
      { ...lone, positions: [wanted.position ?? ''], wantedPosition: wanted.position ?? null },
      ...groups,
    ]
  return groups.length > 0 && homeless.length === 0 ? groups : [...groups, lone]
}

/** All settings that can decide, over any number of rules, whether these get their values. */
function reachOf(model: BodyModel, seed: readonly string[]): ReadonlySet<string> {
  const reached = new Set(seed)
  const waiting = [...seed]
  while (waiting.length > 0 && reached.size < mostTogether) {
    const id = waiting.shift()
    for (const rule of model.rules.filter((one) => decides(one, id))) {
      for (const other of [...settingsIn(rule.when), ...settingsOfBounds(rule)]) {
        if (reached.has(other)) continue
        reached.add(other)
        waiting.push(other)
      }
    }
  }
  return reached
}

/** More settings than this are not searched together: the search would not end in good time. */
const mostTogether = 14

function decides(rule: Rule, setting: string | undefined): boolean {
  const { then } = rule
  if (!('setting' in then) || then.setting !== setting) return false
  return replaces(rule) || then.kind === 'unavailable'
}

function merged(sets: readonly ReadonlySet<string>[]): ReadonlySet<string>[] {
  return sets
    .filter((set) => set.size > 0)
    .reduce<ReadonlySet<string>[]>((done, set) => {
      const touching = done.filter((other) => [...set].some((id) => other.has(id)))
      const whole = new Set([...set, ...touching.flatMap((other) => [...other])])
      return [...done.filter((other) => !touching.includes(other)), whole]
    }, [])
}

function groupOf(
  model: BodyModel,
  start: Place,
  wanted: Wanted,
  ids: readonly string[],
  acts: readonly Act[],
): Group {
  const found = lookup(model)
  const values = Object.fromEntries(Object.entries(wanted.values).filter(([id]) => ids.includes(id)))
  const candidates = new Map(
    ids.flatMap((id) => {
      const setting = found.settings.get(id)
      return setting ? [[id, candidatesOf(model, start, setting, values[id], acts)] as const] : []
    }),
  )
  const mine = acts.filter((act) =>
    act.needs.some((need) => settingsIn(need.when).some((id) => ids.includes(id))),
  )
  const fixes = model.positions.some((position) => ids.some((id) => Object.hasOwn(position.sets, id)))
  const ours = model.positions.filter((one) => one.side === start.context.side && one.kind !== 'slot')
  const run: readonly RunState[] = ['menu', 'standby', 'recording']
  const runs = model.acts.filter((act) => act.does === 'run' && act.leadsTo && run.includes(act.leadsTo))
  return {
    candidates,
    acts: [...runs, ...mine],
    positions: fixes ? ours.map((one) => one.id) : [],
    values,
    wantedActs: mine.map((act) => act.id),
    wantedPosition: fixes ? (wanted.position ?? null) : null,
  }
}

/** What is wanted, what is asked now, and the values by which a condition on this setting turns, the nearest first. */
function candidatesOf(
  model: BodyModel,
  start: Place,
  setting: Setting,
  value: Value | undefined,
  acts: readonly Act[],
): Value[] {
  const all = valuesOf(setting.domain) ?? []
  const conditions = [
    ...model.rules.map((rule) => rule.when),
    ...acts.flatMap((act) => act.needs.map((n) => n.when)),
  ]
  const turning = conditions
    .flatMap((condition) => comparisonsOn(condition, `setting/${setting.id}`))
    .flatMap((one) => turningValues(one, all))
  const few = all.length > 0 && all.length <= 6 ? all : turning
  const now = start.values.get(setting.id)
  const index = (one: Value | undefined) => all.findIndex((other) => sameValue(other, one))
  const nearFirst = [...few].sort((a, b) => Math.abs(index(a) - index(now)) - Math.abs(index(b) - index(now)))
  return [value, now, ...nearFirst].reduce<Value[]>(
    (kept, one) => (one === undefined || kept.some((other) => sameValue(other, one)) ? kept : [...kept, one]),
    [],
  )
}

function comparisonsOn(condition: Condition, fact: string): Comparison[] {
  if ('all' in condition) return condition.all.flatMap((one) => comparisonsOn(one, fact))
  if ('any' in condition) return condition.any.flatMap((one) => comparisonsOn(one, fact))
  if ('not' in condition) return comparisonsOn(condition.not, fact)
  return condition.fact === fact ? [condition] : []
}

/** A value on either side of a comparison. */
function turningValues(one: Comparison, all: readonly Value[]): Value[] {
  if ('is' in one) return [one.is, ...beside(one.is, all)]
  if ('in' in one)
    return [
      ...one.in.slice(0, 2),
      ...all.filter((value) => !one.in.some((v) => sameValue(v, value))).slice(0, 2),
    ]
  if (boundOf(one) !== null || 'has' in one) return []
  const bound = ('above' in one ? one.above : one.below) as Value
  return [bound, ...beside(bound, all)]
}

function beside(value: Value, all: readonly Value[]): Value[] {
  const i = all.findIndex((one) => sameValue(one, value))
  return i < 0 ? [] : [all[i - 1], all[i + 1]].filter((one) => one !== undefined)
}
