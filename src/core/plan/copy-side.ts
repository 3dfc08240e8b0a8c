import { type RowId, keyRow } from './rows'
import { acceptedFunctions, twinOf } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { functionAt } from './assign'
import type { Plan } from './plan'
import { setRows } from './step'
import type { Step } from '../sync/step'

/** A step that brings one side's keys to another, and the keys that could not follow, with the reason. */
export interface SideCopy {
  readonly step: Step
  readonly left: readonly { readonly key: string; readonly because: string }[]
}

/** The keys of one side get what the same keys have on the other, as far as they accept it there. */
export function copySide(model: BodyModel, plan: Plan, from: Side, to: Side, id: string): SideCopy {
  const { addresses, functions } = lookup(model)
  const rows: Record<RowId, string | null> = {}
  const left: { key: string; because: string }[] = []
  for (const address of addresses.values()) {
    if (address.side !== to) continue
    const source = twinOf(model, address)
    const fn = source?.side === from ? functionAt(plan, source) : null
    if (fn === null || fn === functionAt(plan, address)) continue
    const name = functions.get(fn)?.name ?? fn
    if (acceptedFunctions(model, address).some((accepted) => accepted.id === fn))
      rows[keyRow(address)] = fn === address.factory ? null : fn
    else left.push({ key: address.key, because: `${address.control.name} does not accept ${name} in ${to}.` })
  }
  return { step: setRows(plan, id, rows), left }
}
