import { valuesOf } from '../model/domain'
import type { Lookup } from '../model/lookup'
import type { ModelFunction, Setting } from '../model/types'
import { toggleValues } from '../vocabulary/toggles'
import { sameValue, type Value } from '../vocabulary/values'

/** A setting that a toggle or a cycle goes through, with its values in the order of the presses. */
export interface Flips {
  readonly setting: string
  readonly values: readonly Value[]
}

/** What a toggle or a cycle finds where it is pressed. */
export interface Found {
  /** The values in force, by setting. */
  readonly now: (setting: string) => Value | undefined
  /** What was set before a toggle went to its own value; nothing, where nobody remembers. */
  readonly before?: (setting: string) => Value | undefined
  /** Whether a value cannot be chosen there; every one can, where nothing is said. */
  readonly refuses?: (setting: string, value: Value) => boolean
}

/**
 * What a toggle or a cycle does to the first setting it changes. A toggle goes to its own value and back to what was
 * set before (where nothing is known of that, to what the model says, or to the value as delivered). A cycle goes
 * through all that can be chosen. Null for other manners.
 */
export function flipsOf(found: Lookup, fn: ModelFunction, there: Found): Flips | null {
  const [id = ''] = fn.changes
  const setting = found.settings.get(id)
  if (!setting || (fn.manner !== 'toggle' && fn.manner !== 'cycle')) return null
  const all = valuesOf(setting.domain) ?? []
  if (all.length < 2) return null
  if (fn.manner === 'cycle') return { setting: id, values: choosable(found, setting, all, there) }
  const own = ownValue(fn, all)
  const is = there.now(id)
  if (!sameValue(is, own)) return { setting: id, values: [own, is ?? backValue(fn, setting, all, own)] }
  const was = there.before?.(id)
  const known = was !== undefined && !sameValue(was, own) && all.some((value) => sameValue(value, was))
  return { setting: id, values: [own, known ? was : backValue(fn, setting, all, own)] }
}

/** The value the next press leads to. */
export function nextValue({ values }: Flips, value: Value | undefined): Value {
  const at = values.findIndex((one) => sameValue(one, value))
  return values[(at + 1) % values.length] ?? values[0] ?? false
}

/**
 * What a cycle, a dial or an open list goes through: the value in force, and of the others those that can be chosen there;
 * areas also only as far as the camera is told to offer them.
 */
export function choosable(
  found: Lookup,
  setting: Setting,
  all: readonly Value[],
  { now, refuses }: Found,
): readonly Value[] {
  const limit = setting.means === 'focus.area' ? now(found.byMeaning.get('focus.areaLimit')?.id ?? '') : null
  const isLeftOut = (value: Value) =>
    Array.isArray(limit) && limit.length > 0 && !limit.includes(String(value))
  return all.filter(
    (value) =>
      sameValue(value, now(setting.id)) || (!isLeftOut(value) && refuses?.(setting.id, value) !== true),
  )
}

/** The value a toggle is about: as the model says, or the common function; else off, or the first. */
function ownValue({ goesTo, means }: ModelFunction, all: readonly Value[]): Value {
  const there = (value: Value | undefined) => all.find((one) => sameValue(one, value))
  return (
    there(goesTo) ?? there(toggleValues.get(means ?? '')) ?? there('off') ?? there(false) ?? all[0] ?? false
  )
}

/** Where a toggle comes back to when nobody knows what was set before. */
function backValue(
  { comesBackTo }: ModelFunction,
  { factory }: Setting,
  all: readonly Value[],
  own: Value,
): Value {
  const others = all.filter((value) => !sameValue(value, own))
  const there = (value: Value | undefined) => others.find((one) => sameValue(one, value))
  return there(comesBackTo) ?? there(factory) ?? others[0] ?? own
}
