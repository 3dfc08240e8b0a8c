import { isShared } from '../../plan/cells'
import {
  acceptValue,
  bankGridRow,
  bankKeyRow,
  bankOwnRow,
  baseCellRow,
  bothSides,
  describeRow,
  parseRow,
  rowIdOf,
  shareRow,
  showRow,
  type Row,
  type RowId,
} from '../../plan/rows'
import type { BankFamily, BodyModel, Setting } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import type { Value } from '../../vocabulary/values'
import { isLive, withRow } from './edit'
import { did, refusedIt, type Lived } from './events'
import type { LiveState } from './state'

/** The kinds of row that are set on a page of their own, not on a line of the menu. */
const onPages: ReadonlySet<Row['kind']> = new Set([
  ...(['share', 'key', 'grid', 'own', 'ownName', 'hold', 'holdName', 'bankFact'] as const),
])

/** Those of them that may hold nothing. */
const emptied: ReadonlySet<Row['kind']> = new Set(['own', 'ownName', 'hold'] as const)

/**
 * A row set on a set-up page. A key, a cell or a line of the own menu lands in the bank in force where that keeps them: in a
 * live one at once, in a snapshot one until it is left, unless it is stored. Null empties a line or unticks a row.
 */
export function setUp(model: BodyModel, state: LiveState, id: RowId, value: Value | null): Result<Lived> {
  const parsed = parseRow(model, id)
  if (!parsed.ok) return parsed
  const row = parsed.value
  if (!onPages.has(row.kind) || (row.kind === 'bankFact' && row.fact !== 'name'))
    return refuse('not-on-a-page', `${describeRow(model, id)} is not set on a set-up page.`, id)
  if (state.run === 'recording' || state.run === 'playback')
    return ok({ state, log: [refusedIt(`No menu opens in ${state.run}.`)] })
  if (value === null && !emptied.has(row.kind))
    return refuse('not-emptied', `${describeRow(model, id)} always holds something.`, id)
  const taken = value === null ? ok(null) : acceptValue(model, row, value, id)
  if (!taken.ok) return taken
  const words = `${describeRow(model, id)}: ${showRow(model, id, taken.value)}`
  if (row.kind === 'share')
    return ok({ state: shared(state, row.setting, value === true), log: [did(words)] })
  const at = rowIdOf(row)
  const bank = bankRowOf(model, state, row)
  const landed = bank ? inBank(model, state, bank, taken.value) : withRow(state, at, taken.value)
  return ok({ state: landed, log: [did(words)] })
}

/** Sharing takes the value of the side in force; parting copies the one there is to both sides. */
function shared(state: LiveState, setting: Setting, isOn: boolean): LiveState {
  const { memory } = state.body
  if (isShared(memory, setting) === isOn) return state
  const both = baseCellRow(setting.id, bothSides)
  const sides = sideNames.map((side) => baseCellRow(setting.id, side))
  const value = memory[isOn ? baseCellRow(setting.id, state.side) : both] ?? setting.factory
  const [filled, gone] = isOn ? [[both], sides] : [sides, [both]]
  const rows = [
    [shareRow(setting), isOn] as const,
    ...filled.map((row) => [row, value] as const),
    ...gone.map((row) => [row, null] as const),
  ]
  return rows.reduce((now, [row, to]) => withRow(now, row, to), state)
}

const sideNames = ['stills', 'motion'] as const

/** The row of the bank in force that keeps what stands on a page; null where none does. */
function bankRowOf(
  model: BodyModel,
  { banks }: LiveState,
  row: Row,
): { readonly family: BankFamily; readonly row: RowId } | null {
  for (const family of model.families) {
    const slot = banks[family.id] ?? null
    if (slot === null) continue
    if (row.kind === 'key' && family.storesKeys)
      return { family, row: bankKeyRow(family.id, slot, row.address) }
    if (row.kind === 'grid' && family.storesGrids)
      return { family, row: bankGridRow(family.id, slot, row.grid.id, row.cell) }
    if (row.kind === 'own' && family.storesOwnMenu === true)
      return { family, row: bankOwnRow(family.id, slot, row.page, row.line) }
  }
  return null
}

function inBank(
  model: BodyModel,
  state: LiveState,
  { family, row }: { readonly family: BankFamily; readonly row: RowId },
  value: Value | null,
): LiveState {
  const landed = withRow(state, row, value)
  if (isLive(model, state, family)) return landed
  const before =
    row in state.unstored ? state.unstored : { ...state.unstored, [row]: state.body.memory[row] ?? null }
  return { ...landed, unstored: before }
}
