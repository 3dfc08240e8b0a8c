import { type RowId, keyRow, noteRow, rowValue } from './rows'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
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
