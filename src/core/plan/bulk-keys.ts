import { type RowId, keyRow, noteRow, rowValue } from './rows'
import { acceptedFunctions, twinOf } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { ok, refuse, type Result } from '../result'
import { functionAt } from './assign'
import type { Plan } from './plan'
import { setRows } from './step'
import type { Step } from '../sync/step'

/** Two keys change what is on them, reasons included; refuses where one does not accept what the other has. */
export function swapKeys(model: BodyModel, plan: Plan, one: string, two: string, id: string): Result<Step> {
  const { addresses, functions } = lookup(model)
  const [a, b] = [addresses.get(one), addresses.get(two)]
  if (!a || !b) return refuse('unknown-address', `This model has no key “${a ? two : one}”.`, a ? two : one)
  if (a === b) return refuse('same-key', 'A key is not swapped with itself.', one)
  const rows: Record<RowId, string | null> = {}
  for (const [to, from] of [
    [a, b],
    [b, a],
  ] as const) {
    const fn = functionAt(plan, from) ?? 'nothing'
    if (!acceptedFunctions(model, to).some((accepted) => accepted.id === fn)) {
      const name = functions.get(fn)?.name ?? fn
      return refuse(
        'not-accepted',
        `${to.control.name}, ${to.name}, ${to.side} does not accept ${name}.`,
        to.key,
      )
    }
    rows[keyRow(to)] = fn === to.factory ? null : fn
    rows[noteRow('why', keyRow(to))] = rowValue(plan.rows, noteRow('why', keyRow(from))) as string | null
  }
  return ok(setRows(plan, id, rows))
}

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
