import { baseRow, defaultWhereabouts } from '../plan/cells'
import type { RowId } from '../plan/rows'
import { lookup } from '../model/lookup'
import type { BodyModel, ModelFunction, Setting, Side } from '../model/types'
import type { Address } from '../model/addresses'
import { memoize } from '../memoize'
import type { Plan } from '../plan/plan'
import type { Resolution, ResolvedAddress, ResolvedSetting } from '../resolve/resolved'
import { sameValue, type Value } from '../vocabulary/values'

/** The model's setting for a common one; undefined where it has none. */
export function settingMeaning(model: BodyModel, means: string): Setting | undefined {
  return lookup(model).byMeaning.get(means)
}

/** Whether a value is in force for certain, not, or perhaps. */
export function standsAt(resolved: ResolvedSetting, value: Value): 'yes' | 'no' | 'unknown' {
  const hits = resolved.possible.filter((one) => sameValue(one, value)).length
  if (hits === 0) return 'no'
  return hits === resolved.possible.length ? 'yes' : 'unknown'
}

/** The row that decided a value: the highest of bank, position, body and base; null as delivered. */
export function decidedBy(resolved: ResolvedSetting): RowId | null {
  const rows = ['base', 'body', 'position', 'bank']
  return resolved.chain.findLast((link) => rows.includes(link.layer))?.row ?? null
}

/** The row that decided a value, or else the one of base that would. */
export function rowOf(model: BodyModel, plan: Plan, side: Side, resolved: ResolvedSetting): RowId {
  return decidedBy(resolved) ?? baseRow(plan.rows, resolved.setting, defaultWhereabouts(model, side))
}

/** A key with the function on it. */
export interface KeyWith {
  readonly address: Address
  readonly fn: ModelFunction
  readonly resolved: ResolvedAddress
}

/** Keys of a state that have a function, by plan or by the maker; remembered with the state. */
export function keysIn(model: BodyModel, resolution: Resolution): readonly KeyWith[] {
  return keysFor(model)(resolution)
}

const keysFor = memoize((model: BodyModel) =>
  memoize((resolution: Resolution): readonly KeyWith[] => {
    const { functions } = lookup(model)
    return [...resolution.addresses.values()].flatMap((resolved) => {
      const fn = functions.get(resolved.functionId ?? '')
      return fn && fn.manner !== 'none' ? [{ address: resolved.address, fn, resolved }] : []
    })
  }),
)

/** The same, the plan's own choices only. */
export function plannedKeysIn(model: BodyModel, resolution: Resolution): KeyWith[] {
  return keysIn(model, resolution).filter(({ resolved }) => resolved.source !== 'factory')
}
