import { habitOf, idsOf, keyRow, rowValue } from '../plan/rows'
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

/**
 * What the owner's habits ask: a function that means the same, on every key of that face under that finger that takes it.
 * Counted as what another body has there: it is where the hand looks for it.
 */
export function habitsOf(model: BodyModel, plan: Plan): Agreement {
  const asked = new Map<string, string[]>()
  for (const row of idsOf(plan.rows)) {
    const what = habitOf(row)
    const [finger, face] = (what === null ? [] : (rowValue(plan.rows, row) as readonly string[])) ?? []
    if (what === null) continue
    for (const address of lookup(model).addresses.values()) {
      const { control } = address
      if (control.face !== face || control.reach.finder?.digit !== finger) continue
      for (const fn of acceptedFunctions(model, address))
        if (fn.means === what) asked.set(address.key, [...(asked.get(address.key) ?? []), fn.id])
    }
  }
  return asked
}

/** Two agreements as one. */
export function together(one: Agreement, other: Agreement): Agreement {
  const all = new Map(one)
  for (const [key, ids] of other) all.set(key, [...new Set([...(all.get(key) ?? []), ...ids])])
  return all
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
