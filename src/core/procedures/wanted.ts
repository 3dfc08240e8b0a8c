import { liveHolding } from '../camera/live/stand-at'
import type { LiveState } from '../camera/live/state'
import { memoryOf, type Memory } from '../camera/memory'
import { lookup } from '../model/lookup'
import type { BodyModel, LensModel } from '../model/types'
import { lackingIn } from '../plan/lacking'
import type { Plan } from '../plan/plan'
import { baseCellOf, describeRow, entriesOf, idsOf, rowValue, type RowId } from '../plan/rows'
import { sameValue, type Value } from '../vocabulary/values'
import type { Undone } from './types'

/** What a procedure that sets values is composed of. */
export interface SetOrder {
  readonly model: BodyModel
  /** The plan as this body has it: its differences in the place of what they stand for. */
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

/** A body with a memory, lens on, in the hand: where procedures begin. */
export function bodyFor({ model, lenses, firmware }: SetOrder, memory: Memory): LiveState {
  return liveHolding(model, lenses, { memory, firmware })
}

/** What a body is to remember in the end, and what of the plan its firmware cannot hold. */
export interface Aim {
  readonly want: Memory
  readonly lacking: readonly Undone[]
  /** Rows of the plan itself, which are gone through even where they stand already, if every line is. */
  readonly planned: ReadonlySet<RowId>
}

/** The aim of an order: the plan as this body has it, less what its firmware lacks. */
export function aimOf({ model, plan, firmware, from }: SetOrder): Aim {
  // What the body keeps for a lens that the plan says nothing of goes back to delivered: a body empties no cell.
  const ofLenses = idsOf(from).flatMap((row) => {
    const setting = lookup(model).settings.get(baseCellOf(row)?.setting ?? '')
    return setting?.place === 'lens' ? [[row, setting.factory] as const] : []
  })
  const remembered: Memory = { ...Object.fromEntries(ofLenses), ...memoryOf(model, plan) }
  const lacking = lackingIn(model, remembered, firmware)
  const strange = new Set(lacking.map(({ row }) => row))
  return {
    want: Object.fromEntries(entriesOf(remembered).filter(([row]) => !strange.has(row))),
    // What the plan leaves as delivered is nothing that it wants.
    lacking: lacking
      .filter(({ row }) => rowValue(plan.rows, row) !== null)
      .map(({ row, words }) => ({ row, words: describeRow(model, row), because: `${words}.` })),
    planned: new Set(idsOf(plan.rows)),
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
