import { keyRow, rowValue } from '../plan/rows'
import { lookup } from '../model/lookup'
import { acceptedFunctions } from '../model/controls'
import type { BodyModel } from '../model/types'
import { functionAt } from '../plan/assign'
import type { Plan } from '../plan/plan'
import { nearestKey, sameFunction } from '../fit/nearest-key'

/** The functions that other bodies of the owner have on the key in the same place, by address. */
export type Agreement = ReadonlyMap<string, readonly string[]>

/**
 * What the keys that another plan decides ask of this model: the function that means the same, on the key in the same
 * place that is worked the same way. Keys without such a counterpart ask nothing.
 */
export function agreementWith(
  model: BodyModel,
  others: readonly { readonly model: BodyModel; readonly plan: Plan }[],
): Agreement {
  const asked = new Map<string, string[]>()
  for (const other of others) {
    for (const address of lookup(other.model).addresses.values()) {
      if (rowValue(other.plan.rows, keyRow(address)) === null) continue
      const fn = lookup(other.model).functions.get(functionAt(other.plan, address) ?? '')
      const here = fn && sameFunction(model, fn)
      if (!here) continue
      const key = nearestKey(model, address, here, new Set())
      if (!key?.alike || !acceptedFunctions(model, key.address).includes(here)) continue
      const list = asked.get(key.address.key) ?? []
      if (!list.includes(here.id)) asked.set(key.address.key, [...list, here.id])
    }
  }
  return asked
}

/** An agreement as it comes over the wire: pairs of an address and its functions; null where it is anything else. */
export function agreementFrom(answer: unknown): Agreement | null {
  const pairs = answer !== null && typeof answer === 'object' && 'pairs' in answer ? answer.pairs : null
  if (!Array.isArray(pairs)) return null
  const sound = (pairs as unknown[]).every(
    (pair) => Array.isArray(pair) && typeof pair[0] === 'string' && Array.isArray(pair[1]),
  )
  return sound ? new Map(pairs as [string, readonly string[]][]) : null
}
