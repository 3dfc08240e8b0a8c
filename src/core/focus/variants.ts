import { showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import type { Context } from '../resolve/context'
import { flipsOf } from '../resolve/flips'
import { resolve, workOf } from '../resolve/resolve'
import { foundIn } from '../resolve/state'
import { focusRole } from '../vocabulary/focus-roles'
import { sameValue, type Value } from '../vocabulary/values'
import type { Variant } from './variant'

/** The settings by which focus is judged. */
const judged = new Set(['focus.mode', 'focus.area', 'focus.detection', 'focus.tracking'])

/** More states than this are not looked through: the first that presses reach are. */
export const mostVariants = 48

/** Every state that presses of the assigned toggles and cycles reach from here, this one first. */
export function variantsOf(model: BodyModel, plan: Plan, context: Context): Variant[] {
  const resolution = resolve(model, plan, context)
  const now = (setting: string) => resolution.settings.get(setting)?.value
  const state = workOf(resolution)?.state
  const there = { ...(state ? foundIn(state) : {}), now }
  const { functions, settings } = lookup(model)
  const pressed = [...resolution.addresses.values()]
    .filter((one) => one.active && one.verdict === 'works')
    .flatMap(({ effectiveFunctionId: gets }) => functions.get(gets ?? '') ?? [])
  const ways = new Map<string, readonly Value[]>()
  for (const fn of pressed) {
    const flips = flipsOf(lookup(model), fn, there)
    if (!flips || !judged.has(settings.get(flips.setting)?.means ?? '')) continue
    const known = ways.get(flips.setting) ?? [now(flips.setting) ?? flips.values[0] ?? false]
    ways.set(flips.setting, [
      ...known,
      ...flips.values.filter((value) => !known.some((one) => sameValue(one, value))),
    ])
  }
  const locks = pressed.filter((fn) => fn.manner === 'toggle' && focusRole(fn.means) === 'keeps')
  let found: Variant[] = [{ words: 'as set', edits: {}, latched: [] }]
  for (const [setting, values] of ways) {
    const { domain, label } = settings.get(setting) ?? {}
    found = found.flatMap((variant) =>
      values.map((value, i) => {
        if (i === 0 || !domain || !label) return variant
        const words = `${label} ${showValue(domain, value)}`
        return {
          ...variant,
          words: joined(variant.words, words),
          edits: { ...variant.edits, [setting]: value },
        }
      }),
    )
  }
  for (const fn of locks)
    found = found.flatMap((variant) => [
      variant,
      { ...variant, words: joined(variant.words, `${fn.name} on`), latched: [...variant.latched, fn.id] },
    ])
  return found.slice(0, mostVariants)
}

function joined(words: string, more: string): string {
  return words === 'as set' ? more : `${words}, ${more}`
}
