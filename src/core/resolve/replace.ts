import { valuesOf } from '../model/domain'
import type { Domain } from '../model/types'
import { sameValue, type Value } from '../vocabulary/values'
import type { Replacing } from '../rules/rule'

/** The value a consequence puts in the place of `asked`; `asked` itself where it leaves it alone. */
export function replaced(then: Replacing, domain: Domain, asked: Value): Value {
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
