import { amountOf, valuesOf } from '../model/domain'
import type { Domain } from '../model/types'
import { sameValue, type Value } from '../vocabulary/values'
import type { Replacing } from '../rules/rule'

/** The value a consequence puts in the place of `asked`; `asked` itself where it leaves it alone. */
export function replaced(then: Exclude<Replacing, { kind: 'bounded' }>, domain: Domain, asked: Value): Value {
  switch (then.kind) {
    case 'forced':
      return then.to
    case 'becomes':
      return then.from.some((value) => sameValue(value, asked)) ? then.to : asked
    case 'limits':
      if (then.only.some((value) => sameValue(value, asked))) return asked
      return then.fallsTo ?? nearestOf(then.only, domain, asked)
  }
}

/** The value nearest to `asked` whose amount is within bounds; `asked` itself where it is, or has no amount. */
export function bounded(domain: Domain, asked: Value, { atLeast, atMost }: Bounds): Value {
  const within = (value: Value) => {
    const amount = amountOf(domain, value)
    if (amount === undefined) return value === asked
    return amount <= (atMost ?? Infinity) * 1.001 && amount >= (atLeast ?? -Infinity) * 0.999
  }
  const left = (valuesOf(domain) ?? []).filter(within)
  return within(asked) || left.length === 0 ? asked : nearestOf(left, domain, asked)
}

/** The least and the greatest amount that can be set. */
export interface Bounds {
  readonly atLeast?: number
  readonly atMost?: number
}

/** The permitted value nearest to `asked` in the order of the domain; numbers by distance, the later where two are as near. */
function nearestOf(only: readonly Value[], domain: Domain, asked: Value): Value {
  const all = valuesOf(domain)
  const place = (value: Value) =>
    typeof value === 'number' ? value : (all?.findIndex((one) => sameValue(one, value)) ?? 0)
  const from = place(asked)
  return only.reduce((best, value) =>
    Math.abs(place(value) - from) <= Math.abs(place(best) - from) ? value : best,
  )
}
