import { ladderSteps, showValue, valuesOf, checkValue } from '../model/domain'
import { domainOf, lookup } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import { stepOf } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'

/** A value on another model: the same, the nearest there is (and how far off), or none. */
export type Fitted =
  | { readonly how: 'same'; readonly value: Value }
  | { readonly how: 'nearest'; readonly value: Value; readonly because: string }
  | { readonly how: 'none'; readonly because: string }

/** The setting of another model that means the same; undefined where it has none, or this one means nothing common. */
export function sameSetting(other: BodyModel, setting: Setting): Setting | undefined {
  return setting.means === null ? undefined : lookup(other).byMeaning.get(setting.means)
}

/**
 * A value as another model's setting can take it. Marks of a ladder go to the nearest step in stops, numbers to the
 * nearest on its scale, lists keep the members the other offers. Ids of choices stand for the same thing everywhere;
 * a choice the other does not offer has no nearest.
 */
export function fitValue(from: BodyModel, setting: Setting, other: Setting, value: Value): Fitted {
  const { domain } = other
  const mine = domainOf(from, setting.id)
  if (checkValue(domain, value, '').ok && domain.kind === mine.kind) return { how: 'same', value }
  const shown = showValue(mine, value)
  if (domain.kind === 'ladder' && mine.kind === 'ladder' && domain.ladder === mine.ladder) {
    const amount = stepOf(mine.ladder, value)?.amount
    const near = amount === undefined ? undefined : nearest(ladderSteps(domain), amount)
    if (near)
      return {
        how: 'nearest',
        value: near.mark,
        because: `${shown} is not on its scale; the nearest is ${near.mark}.`,
      }
  }
  if (domain.kind === 'number' && typeof value === 'number') {
    const steps = Math.round((Math.min(Math.max(value, domain.from), domain.to) - domain.from) / domain.step)
    const near = domain.from + steps * domain.step
    return {
      how: 'nearest',
      value: near,
      because: `${shown} is not on its scale; the nearest is ${showValue(domain, near)}.`,
    }
  }
  if (domain.kind === 'subset' && Array.isArray(value)) {
    const kept = domain.values.map((choice) => choice.id).filter((id) => value.includes(id))
    if (kept.length >= domain.atLeast)
      return { how: 'nearest', value: kept, because: `Of ${shown} it offers ${showValue(domain, kept)}.` }
  }
  const offered = (valuesOf(domain) ?? []).slice(0, 6).map((one) => showValue(domain, one))
  const list = offered.length === 0 ? '' : ` It offers ${offered.join(', ')}.`
  return { how: 'none', because: `${other.label} has no ${shown}.${list}` }
}

/** By stops where amounts are above nothing, by plain distance else. */
function nearest<T extends { readonly amount: number }>(steps: readonly T[], amount: number): T | undefined {
  const off = (step: T) =>
    step.amount > 0 && amount > 0 ? Math.abs(Math.log2(step.amount / amount)) : Math.abs(step.amount - amount)
  return [...steps].sort((a, b) => off(a) - off(b))[0]
}
