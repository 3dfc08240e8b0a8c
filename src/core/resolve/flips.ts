import { valuesOf } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel, ModelFunction } from '../model/types'
import { sameValue, type Value } from '../vocabulary/values'

/** A setting that a toggle or a cycle goes through, with its values in the order of the presses. */
export interface Flips {
  readonly setting: string
  readonly values: readonly Value[]
}

/**
 * What a toggle or a cycle does to the first setting it changes: a toggle goes between two values (on and off; by
 * hand and the first that is not; off and the first that is on), a cycle through all that are on offer. Null for other
 * manners. `now` gives a setting's value.
 */
export function flipsOf(
  model: BodyModel,
  fn: ModelFunction,
  now: (setting: string) => Value | undefined,
): Flips | null {
  const [setting = ''] = fn.changes
  const found = lookup(model).settings.get(setting)
  if (!found || (fn.manner !== 'toggle' && fn.manner !== 'cycle')) return null
  const all = valuesOf(found.domain) ?? []
  if (all.length < 2) return null
  if (fn.manner === 'cycle') {
    const offered =
      found.means === 'focus.area' ? now(lookup(model).byMeaning.get('focus.areaLimit')?.id ?? '') : null
    const values = Array.isArray(offered) ? all.filter((value) => offered.includes(String(value))) : all
    return { setting, values: values.length === 0 ? all : values }
  }
  const rest = all.find((value) => value === 'manual' || value === 'off' || value === false) ?? all[0]
  const other = all.find((value) => !sameValue(value, rest))
  const value = now(setting)
  const on = value !== undefined && !sameValue(value, rest) ? value : other
  return rest === undefined || on === undefined ? null : { setting, values: [rest, on] }
}

/** The value the next press leads to. */
export function nextValue({ values }: Flips, value: Value | undefined): Value {
  const at = values.findIndex((one) => sameValue(one, value))
  return values[(at + 1) % values.length] ?? values[0] ?? false
}
