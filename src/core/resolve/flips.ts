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

/** The values in force, by setting. */
type Now = (setting: string) => Value | undefined

/**
 * What a toggle or a cycle does to the first setting it changes. A toggle goes to its own value and back to what was
 * set before (`before`; where nothing is known of that, to what the model says, or to the value as delivered). A cycle
 * goes through all that are on offer. Null for other manners.
 */
export function flipsOf(
  found: Lookup,
  fn: ModelFunction,
  now: Now,
  before: (setting: string) => Value | undefined = () => undefined,
): Flips | null {
  const [id = ''] = fn.changes
  const setting = found.settings.get(id)
  if (!setting || (fn.manner !== 'toggle' && fn.manner !== 'cycle')) return null
  const all = valuesOf(setting.domain) ?? []
  if (all.length < 2) return null
  if (fn.manner === 'cycle') return { setting: id, values: offered(found, setting, all, now) }
  const own = ownValue(fn, all)
  const is = now(id)
  if (!sameValue(is, own)) return { setting: id, values: [own, is ?? backValue(fn, setting, all, own)] }
  const was = before(id)
  const known = was !== undefined && !sameValue(was, own) && all.some((value) => sameValue(value, was))
  return { setting: id, values: [own, known ? was : backValue(fn, setting, all, own)] }
}

/** The value the next press leads to. */
export function nextValue({ values }: Flips, value: Value | undefined): Value {
  const at = values.findIndex((one) => sameValue(one, value))
  return values[(at + 1) % values.length] ?? values[0] ?? false
}

/** Settings that say which values of another are on offer, by that other. */
const limits: ReadonlyMap<string | null, string> = new Map([
  ['focus.area', 'focus.areaLimit'],
  ['drive.mode', 'drive.modeLimit'],
  ['display.finderSwitch', 'display.finderLimit'],
])

/** What a cycle steps through: of several values those the camera is told to offer, else all. */
function offered(found: Lookup, setting: Setting, all: readonly Value[], now: Now): readonly Value[] {
  const limit = now(found.byMeaning.get(limits.get(setting.means) ?? '')?.id ?? '')
  const values: readonly Value[] = Array.isArray(limit)
    ? all.filter((value) => limit.includes(String(value)))
    : all
  return values.length === 0 ? all : values
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
