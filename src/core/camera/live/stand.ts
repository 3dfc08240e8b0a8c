import {
  bankFactRow,
  bankGridRow,
  bankKeyRow,
  bankOwnRow,
  bankRow,
  entriesOf,
  idsOf,
  keyRow,
  rowsOfSlot,
  type RowId,
} from '../../plan/rows'
import { gridCells, ownLines } from '../../plan/cells'
import { lookup } from '../../model/lookup'
import type { BankFamily, BodyModel, Side } from '../../model/types'
import type { Value } from '../../vocabulary/values'
import { pressSwap } from '../../resolve/filming'
import { ok, refuse, type Result } from '../../result'
import { dropEdits } from './edit'
import { did, refusedIt, type Lived } from './events'
import { contextOf, memoryPlan, settingsNow, type LiveState } from './state'

/** The mode dial turned to a stop; what a snapshot bank does not keep is lost on leaving. */
export function toPosition(model: BodyModel, state: LiveState, id: string): Result<Lived> {
  const stop = model.positions.find((one) => one.id === id)
  if (!stop) return refuse('unknown-position', `${model.name} has no stop ${id}.`, id)
  if (state.run === 'recording')
    return ok({ state, log: [refusedIt('The dial does nothing while recording.')] })
  if (stop.kind === 'slot' && stop.family !== undefined && stop.slot !== undefined) {
    const there = recall(model, state, stop.family, stop.slot)
    const moved = there.state.banks[stop.family] === stop.slot
    return ok(moved ? { ...there, state: { ...there.state, position: id } } : there)
  }
  const left = dropEdits(model, state)
  const sided = model.families.filter((family) => model.positions.some((one) => one.family === family.id))
  const banks = { ...state.banks, ...Object.fromEntries(sided.map((family) => [family.id, null])) }
  const side = stop.side ?? state.side
  const next = { ...left.state, position: id, banks, side, lastUsed: { ...state.lastUsed, [side]: null } }
  return ok({ state: next, log: [...left.log, did(`The dial stands at ${stop.name}.`)] })
}

/** A bank recalled, or the plain position; an unused slot is refused. A slot that holds a side brings it. */
export function recall(model: BodyModel, state: LiveState, familyId: string, slot: string | null): Lived {
  const family = model.families.find((one) => one.id === familyId)
  const known = slot === null || family?.slots.some((one) => one.id === slot)
  if (!family || !known) return { state, log: [refusedIt(`There is no ${familyId} ${slot ?? 'plain'}.`)] }
  if (state.run === 'recording') return { state, log: [refusedIt('Banks do not change while recording.')] }
  const side =
    slot === null ? state.side : (state.body.memory[bankFactRow(familyId, slot, 'side')] as Side | undefined)
  if (side === undefined) return { state, log: [refusedIt(`${slot ?? ''} has never been stored.`)] }
  const left = dropEdits(model, state)
  const stop = model.positions.find((one) => one.family === familyId && one.slot === slot && slot !== null)
  const free = model.positions.find((one) => one.side === side && one.kind !== 'slot')
  const hasStops = model.positions.some((one) => one.family === familyId)
  const position =
    stop?.id ??
    (hasStops && slot === null ? (free?.id ?? null) : hasStops ? null : standing(model, state, side))
  const next: LiveState = {
    ...left.state,
    side,
    position,
    banks: { ...state.banks, [familyId]: slot },
    lastUsed: { ...state.lastUsed, [side]: slot },
  }
  const name =
    slot === null ? 'plain' : String(state.body.memory[bankFactRow(familyId, slot, 'name')] ?? slot)
  return { state: next, log: [...left.log, did(`${family.name}: ${name}.`)] }
}

/** The stop a body stands at on a side: the present one where it fits, else the side's first. */
function standing(model: BodyModel, state: LiveState, side: Side): string | null {
  const now = model.positions.find((one) => one.id === state.position)
  if (now && (now.side === null || now.side === side)) return now.id
  return model.positions.find((one) => one.side === side && one.kind !== 'slot')?.id ?? null
}

/** Stills to motion or back, to where the model says. */
export function swap(model: BodyModel, state: LiveState): Lived {
  if (state.run === 'recording')
    return { state, log: [refusedIt('The sides do not change while recording.')] }
  const other: Side = state.side === 'stills' ? 'motion' : 'stills'
  const led = pressSwap(model, memoryPlan(state), contextOf(state), state.lastUsed[other])
  const [to] = led.to
  if (!to) return { state, log: [refusedIt(led.because)] }
  const left = dropEdits(model, state)
  const next = {
    ...left.state,
    side: to.side,
    banks: to.banks,
    position: to.position ?? standing(model, state, to.side),
  }
  const unsure = led.to.length > 1 || lookup(model).doubts.has('filming/swapTo')
  const test = unsure ? [{ kind: 'test' as const, words: led.because }] : []
  return { state: next, log: [...left.log, ...test, did(`Now ${to.side}. ${led.because}`)] }
}

/** What is in force stored to a slot: every row its family keeps, keys and menus with it where it keeps them. */
export function register(
  model: BodyModel,
  state: LiveState,
  familyId: string,
  slotId: string,
): Result<Lived> {
  const family = model.families.find((one) => one.id === familyId)
  const slot = family?.slots.find((one) => one.id === slotId)
  if (!family || !slot)
    return refuse('unknown-slot', `There is no slot ${familyId} ${slotId}.`, `${familyId}/${slotId}`)
  if (state.run === 'recording') return ok({ state, log: [refusedIt('Nothing is stored while recording.')] })
  if (slot.side !== undefined && slot.side !== state.side)
    return ok({
      state,
      log: [refusedIt(`${slot.name} holds ${slot.side}; the camera stands in ${state.side}.`)],
    })
  const now = settingsNow(model, state)
  const { memory } = state.body
  const kept = model.settings
    .filter((setting) => setting.storedBy === familyId)
    .flatMap((setting) => {
      const owned = now.chains.get(setting.id)?.findLast((link) => link.layer !== 'rule')
      return owned ? [[bankRow(familyId, slotId, setting.id), owned.value] as const] : []
    })
  const name = bankFactRow(familyId, slotId, 'name')
  const former = new Set(rowsOfSlot(idsOf(memory), familyId, slotId))
  const others = Object.fromEntries(entriesOf(memory).filter(([row]) => !former.has(row)))
  const rows = {
    ...others,
    ...Object.fromEntries(kept),
    ...Object.fromEntries(pagesIn(model, state, family, slotId)),
    [bankFactRow(familyId, slotId, 'side')]: state.side,
    [name]: memory[name] ?? slot.name,
  }
  const next = { ...state, unstored: {}, body: { ...state.body, memory: rows } }
  return ok({ state: next, log: [did(`Stored to ${slot.name}, ${kept.length} rows.`)] })
}

/** What is on the keys and in the menus now, as a slot of a family keeps it: of a recalled slot of the family its own. */
function pagesIn(
  model: BodyModel,
  { body: { memory }, banks }: LiveState,
  family: BankFamily,
  slotId: string,
): [RowId, Value][] {
  const recalled = banks[family.id] ?? null
  const kept: readonly (readonly [plain: RowId, inSlot: (slot: string) => RowId])[] = [
    ...(family.storesKeys ? [...lookup(model).addresses.values()] : []).map(
      (one) => [keyRow(one), (slot: string) => bankKeyRow(family.id, slot, one)] as const,
    ),
    ...(family.storesGrids ? gridCells(model) : []).map(
      ({ row, grid, cell }) => [row, (slot: string) => bankGridRow(family.id, slot, grid.id, cell)] as const,
    ),
    ...(family.storesOwnMenu === true ? ownLines(model) : []).map(
      ({ row, page, line }) => [row, (slot: string) => bankOwnRow(family.id, slot, page, line)] as const,
    ),
  ]
  return kept.flatMap(([plain, inSlot]) => {
    const now = (recalled === null ? undefined : memory[inSlot(recalled)]) ?? memory[plain]
    return now === undefined ? [] : [[inSlot(slotId), now]]
  })
}
