import type { Side } from '../model/types'
import type { Plan } from './plan'
import { rowValue, schoolRow } from './rows'

/** The answer of the owner that holds in a part of a plan: the bank's own, else the side's, else the plan's; null where none is given. */
export function schoolFor(
  { rows }: Plan,
  question: string,
  side: Side,
  slot: { readonly family: string; readonly slot: string } | null = null,
): string | null {
  const own = slot && rowValue(rows, schoolRow(question, { family: slot.family, slot: slot.slot }))
  const answer = own ?? rowValue(rows, schoolRow(question, { side })) ?? rowValue(rows, schoolRow(question))
  return typeof answer === 'string' ? answer : null
}
