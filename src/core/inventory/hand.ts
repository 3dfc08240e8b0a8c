import { bodiesIn } from './records'
import { handRow, type Inventory } from './rows'

/** The body of a model that plans are made with: the one its owner names, else the first; null where there is none. */
export function bodyInHand(
  inventory: Inventory,
  model: string,
): { readonly tag: string; readonly name: string; readonly firmware: string | null } | null {
  const mine = bodiesIn(inventory).filter((one) => one.model === model)
  const named = mine.find(({ tag }) => tag === inventory.rows[handRow(model)])
  return named ?? mine[0] ?? null
}
