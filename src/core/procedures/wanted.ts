import { memoryOf, type Memory } from '../camera/memory'
import type { BodyModel, LensModel } from '../model/types'
import { planFor } from '../plan/bodies'
import { lackingIn } from '../plan/lacking'
import type { Plan } from '../plan/plan'
import { describeRow, entriesOf, idsOf, rowValue, type RowId } from '../plan/rows'
import { sameValue, type Value } from '../vocabulary/values'
import type { Undone } from './types'

/** What a procedure that sets values is composed of. */
export interface SetOrder {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  /** Tag of the body, for what only it has; null where no body is meant. */
  readonly tag: string | null
  readonly firmware: string
  /** What the body holds to begin with. */
  readonly from: Memory
  /** Whether lines that stand already are gone through, too. */
  readonly every: boolean
}

/** What a body is to remember in the end, and what of the plan its firmware cannot hold. */
export interface Aim {
  readonly want: Memory
  readonly lacking: readonly Undone[]
  /** Rows of the plan itself, which are gone through even where they stand already, if every line is. */
  readonly planned: ReadonlySet<RowId>
}

/** The aim of an order: the plan as this body has it, less what its firmware lacks. */
export function aimOf({ model, plan, tag, firmware }: SetOrder): Aim {
  const mine = tag === null ? plan : planFor(plan, tag)
  const remembered = memoryOf(model, mine)
  const lacking = lackingIn(model, remembered, firmware)
  const strange = new Set(lacking.map(({ row }) => row))
  return {
    want: Object.fromEntries(entriesOf(remembered).filter(([row]) => !strange.has(row))),
    // What the plan leaves as delivered is nothing that it wants.
    lacking: lacking
      .filter(({ row }) => rowValue(mine.rows, row) !== null)
      .map(({ row, words }) => ({ row, words: describeRow(model, row), because: `${words}.` })),
    planned: new Set(idsOf(mine.rows)),
  }
}

/** Whether a row has to be gone through: it differs from what is wanted, or every planned line is looked at. */
export function isOpen(order: SetOrder, { want, planned }: Aim, now: Memory, row: RowId): boolean {
  if (!sameValue(rowValue(now, row) ?? undefined, rowValue(want, row) ?? undefined)) return true
  return order.every && planned.has(row)
}

/** A value wanted in a row of the body's memory. */
export interface WantedRow {
  readonly row: RowId
  readonly value: Value
}

/** The rows wanted whose id is of some kind, open as the body stands. */
export function openRows(order: SetOrder, aim: Aim, now: Memory, isOf: (row: RowId) => boolean): WantedRow[] {
  return entriesOf(aim.want).flatMap(([row, value]) =>
    isOf(row) && isOpen(order, aim, now, row) ? [{ row, value }] : [],
  )
}
