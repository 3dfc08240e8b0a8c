import {
  bankFactRow,
  gridRow,
  idsOf,
  keyRow,
  ownRow,
  parseRow,
  rowIdOf,
  rowsOfSlot,
  rowValue,
  type Row,
  type RowId,
  type Rows,
} from '../plan/rows'
import type { PlannedSlot } from '../plan/plan'
import { setUpPageOf } from '../plan/set-up-pages'
import { isStoredAt } from '../model/widths'
import type { BankFamily, BodyModel, ModePosition } from '../model/types'
import { isLive, valueNow } from '../camera/live/edit'
import { register } from '../camera/live/stand'
import { must } from '../result'
import { sameValue, type Value } from '../vocabulary/values'
import type { Composer } from './composer'
import { setItems, undoneItem, type Item } from './menu-pass'
import type { Aim } from './wanted'

/**
 * Every planned bank: stored from base where that is nearest to it, else taken as it is; recalled, varied, and stored again
 * where it does not keep changes by itself. Storing is an act of its own.
 */
export function setSlots(composer: Composer, aim: Aim, slots: readonly PlannedSlot[]): void {
  const open = slots.filter((slot) => differing(aim.want, composer.state.body.memory, slot).length > 0)
  for (const slot of open) rename(composer, aim, slot)
  // Store to all first, then vary each: none is made from another.
  for (const slot of open) {
    const stop = baseFor(composer, aim, slot)
    if (!stop) continue
    composer.turnTo(stop)
    composer.store(slot.family, slot.slot, slot.name, false)
  }
  for (const slot of open) vary(composer, aim, slot)
  const [plain] = plainStops(composer.model, slots[0]?.side ?? 'stills')
  if (open.length > 0 && plain && Object.values(composer.state.banks).some((one) => one !== null))
    composer.turnTo(plain)
}

/** The rows of a slot in which a body's memory is not as wanted. */
function differing(want: Rows, memory: Rows, { family, slot }: PlannedSlot): RowId[] {
  const rows = new Set([...rowsOfSlot(idsOf(want), family, slot), ...rowsOfSlot(idsOf(memory), family, slot)])
  return [...rows].filter(
    (row) => !sameValue(rowValue(want, row) ?? undefined, rowValue(memory, row) ?? undefined),
  )
}

/** The plain position from which storing leaves least to vary; null where what is stored already is as near. */
function baseFor(composer: Composer, aim: Aim, slot: PlannedSlot): ModePosition | null {
  const { memory } = composer.state.body
  const stops = plainStops(composer.model, slot.side)
  const costs = stops.map((stop) => afterStoring(composer, aim, slot, stop))
  const least = Math.min(...costs)
  const isStored = rowValue(memory, bankFactRow(slot.family, slot.slot, 'side')) === slot.side
  if (isStored && least + 1 >= differing(aim.want, memory, slot).length) return null
  return stops[costs.indexOf(least)] ?? null
}

function plainStops(model: BodyModel, side: PlannedSlot['side']): ModePosition[] {
  return model.positions.filter((one) => one.kind !== 'slot' && one.side === side)
}

function afterStoring(composer: Composer, aim: Aim, slot: PlannedSlot, stop: ModePosition): number {
  const { model, state } = composer
  const banks = Object.fromEntries(Object.keys(state.banks).map((family) => [family, null]))
  const there = { ...state, banks, side: slot.side, position: stop.id, edits: {}, unstored: {} }
  const stored = must(register(model, there, slot.family, slot.slot)).state
  return differing(aim.want, stored.body.memory, slot).length
}

function rename(composer: Composer, aim: Aim, { family, slot }: PlannedSlot): void {
  const row = bankFactRow(family, slot, 'name')
  const wanted = rowValue(aim.want, row)
  const word = composer.model.families
    .find(({ id }) => id === family)
    ?.slots.find(({ id }) => id === slot)?.name
  const now = rowValue(composer.state.body.memory, row) ?? word ?? null
  if (wanted !== null && !sameValue(wanted, now ?? undefined))
    composer.page(row, wanted, null, { part: 'Names of banks', where: composer.storedAt() })
}

function vary(composer: Composer, aim: Aim, slot: PlannedSlot): void {
  const family = composer.model.families.find(({ id }) => id === slot.family)
  if (!family || differing(aim.want, composer.state.body.memory, slot).length === 0) return
  composer.standing(
    () => composer.recall(slot.family, slot.slot, slot.name),
    () => {
      const before = composer.acts.length
      const isKeeping = isLive(composer.model, composer.state, family)
      varied(composer, aim, slot, family)
      const acts = composer.acts.slice(before)
      if (acts.length === 0 || isKeeping) return
      composer.store(slot.family, slot.slot, slot.name, true, {
        because: 'The bank forgets what was changed in it unless it is stored again.',
        after: acts.map(({ id }) => id),
      })
    },
  )
}

/** What a slot differs in, set while it is in force. */
function varied(composer: Composer, aim: Aim, slot: PlannedSlot, family: BankFamily): void {
  const { model } = composer
  const items: Item[] = []
  for (const row of differing(aim.want, composer.state.body.memory, slot)) {
    const value = rowValue(aim.want, row)
    const parsed = parseRow(model, row)
    if (!parsed.ok) continue
    if (parsed.value.kind !== 'bank') varyPage(composer, slot, parsed.value, value)
    else if (value !== null) items.push({ setting: parsed.value.setting, value, row })
  }
  const width = family.widenedBy === undefined ? undefined : valueNow(model, composer.state, family.widenedBy)
  const narrowed = items.filter(({ setting }) => !isStoredAt(setting, width))
  const because = `${family.name} do not store it as the camera is set.`
  composer.undone.push(
    ...narrowed.map((item) => undoneItem(model, { ...item, obstacle: { kind: 'elsewhere', because } })),
  )
  setItems(
    composer,
    items.filter((item) => !narrowed.includes(item)),
    { part: slot.name },
  )
}

/** What a bank keeps of keys and menus: set on its page while the bank is in force. */
function varyPage(composer: Composer, { name }: PlannedSlot, row: Row, value: Value | null): void {
  const plain = plainRowOf(row)
  if (plain) composer.page(plain, value, setUpPageOf[row.kind] ?? null, { part: name, row: rowIdOf(row) })
}

/** The row of a page that a bank has a copy of; null for other rows. */
function plainRowOf(row: Row): RowId | null {
  switch (row.kind) {
    case 'bankKey':
      return keyRow(row.address)
    case 'bankGrid':
      return gridRow(row.grid.id, row.cell)
    case 'bankOwn':
      return ownRow(row.page, row.line)
    default:
      return null
  }
}
