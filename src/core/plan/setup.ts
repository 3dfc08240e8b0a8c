import {
  type Row,
  type RowId,
  describeRow,
  idsOf,
  isSlotRow,
  keyRow,
  parseRow,
  rowsOfSlot,
  showRow,
} from './rows'
import { lookup, menuOrder } from '../model/lookup'
import { setUpLines } from '../model/menu'
import type { BodyModel, SetUpPage } from '../model/types'
import { ok, refuse, type Result } from '../result'
import { planFor } from './bodies'
import { plannedSlots, type Plan } from './plan'

/** One thing to do, or to try, on the body. */
export interface SetUpAct {
  /** `set/<row>`, `register/<family>/<slot>`, `load/file`, `press/<key>` or `recall/<family>/<slot>`. */
  readonly id: string
  readonly kind: 'set' | 'register' | 'load' | 'press' | 'recall'
  readonly words: string
  /** Menu line, or how it is done; empty where the words say it. */
  readonly where: string
}

/** How far an act is: nobody has done it; done; done and seen to be so. */
export type Mark = 'open' | 'done' | 'seen'

/** What was done of a revision on one body. Acts that are absent are open. */
export interface SetUpRecord {
  readonly body: string
  readonly revision: number
  readonly marks: Readonly<Record<string, Mark>>
}

/** A record in which nothing is done yet. */
export function newRecord(body: string, revision: number): SetUpRecord {
  return { body, revision, marks: {} }
}

/**
 * Everything to do to set a plan up on a body, in the order in which it is done: values in the order of the menu,
 * keys, function menus, own menu, hold sets, what each bank varies and then storing it, the file; and then the press
 * test of every key the plan assigns and every bank.
 */
export function setUpActs(model: BodyModel, plan: Plan, body: string): SetUpAct[] {
  const mine = planFor(plan, body)
  const ranked = idsOf(mine.rows)
    .flatMap((row) => {
      const rank = rankOf(model, row, body)
      return rank === null ? [] : [{ row, rank }]
    })
    .sort((a, b) => a.rank[0] - b.rank[0] || a.rank[1] - b.rank[1] || (a.row < b.row ? -1 : 1))
  const setting = ({ row }: { row: RowId }): SetUpAct => ({
    id: `set/${row}`,
    kind: 'set',
    words: `${describeRow(model, row)}: ${showRow(model, row, mine.rows[row] ?? null)}`,
    where: menuOf(model, row),
  })
  const slots = plannedSlots(model, mine)
  const banks = slots.flatMap((slot) => [
    ...ranked.filter(({ row }) => rowsOfSlot([row], slot.family, slot.slot).length > 0).map(setting),
    {
      id: `register/${slot.family}/${slot.slot}`,
      kind: 'register' as const,
      words: `Store ${slot.name}`,
      where: '',
    },
  ])
  const keys = [...lookup(model).addresses.values()].filter((one) => Object.hasOwn(mine.rows, keyRow(one)))
  return [
    ...ranked.filter(({ row }) => !isSlotRow(row)).map(setting),
    ...banks,
    { id: 'load/file', kind: 'load', words: 'Save the file', where: model.cardFile.folder },
    ...keys.map((address): SetUpAct => {
      const row = keyRow(address)
      const does = showRow(model, row, mine.rows[row] ?? null)
      return {
        id: `press/${address.key}`,
        kind: 'press',
        words: `${describeRow(model, row)}: expect ${does}`,
        where: '',
      }
    }),
    ...slots.map((slot): SetUpAct => ({
      id: `recall/${slot.family}/${slot.slot}`,
      kind: 'recall',
      words: `Recall ${slot.name}: expect ${slot.purpose ?? 'what it varies'}`,
      where: '',
    })),
  ]
}

/** The record with one act marked; refuses an act that is not in the list. */
export function markAct(
  record: SetUpRecord,
  acts: readonly SetUpAct[],
  id: string,
  mark: Mark,
): Result<SetUpRecord> {
  if (!acts.some((act) => act.id === id))
    return refuse('unknown-act', 'This is nothing the plan asks for.', id)
  const { [id]: _before, ...marks } = record.marks
  return ok({ ...record, marks: mark === 'open' ? marks : { ...marks, [id]: mark } })
}

/** How many acts are open, done and seen. Marks of acts that are no longer asked for do not count. */
export function progressOf(record: SetUpRecord, acts: readonly SetUpAct[]): Record<Mark, number> {
  const count = { open: 0, done: 0, seen: 0 }
  for (const act of acts) count[record.marks[act.id] ?? 'open'] += 1
  return count
}

/** Where a row comes in the order of work: its group, and its place in the group; null for what is not done on a body. */
function rankOf(model: BodyModel, id: RowId, body: string): readonly [number, number] | null {
  const row = parseRow(model, id)
  if (!row.ok) return null
  const inMenu = (setting: string) => menuOrder(model).get(setting) ?? -1
  switch (row.value.kind) {
    case 'share':
      return [0, inMenu(row.value.setting.id)]
    case 'base':
      return [1, inMenu(row.value.setting.id)]
    case 'body':
      return row.value.tag === body ? [2, inMenu(row.value.setting.id)] : null
    case 'position':
      return [3, inMenu(row.value.setting.id)]
    case 'key':
      return [4, row.value.address.index]
    case 'grid':
      return [5, row.value.cell]
    case 'own':
      return [6, row.value.page * 100 + row.value.line]
    case 'ownName':
      return [6, row.value.page * 100]
    case 'hold':
      return [7, inMenu(row.value.setting.id)]
    case 'holdName':
      return [7, -1]
    case 'bank':
      return [8, inMenu(row.value.setting.id)]
    case 'bankKey':
    case 'bankGrid':
    case 'bankOwn':
      return [9, 0]
    case 'bankFact':
      return row.value.fact === 'name' ? [10, 0] : null
    default:
      return null
  }
}

function menuOf(model: BodyModel, id: RowId): string {
  const row = parseRow(model, id)
  if (!row.ok) return ''
  const page = setUpPageOf[row.value.kind]
  const line = page
    ? setUpLines(model).find(({ opens }) => opens === page)
    : 'setting' in row.value
      ? row.value.setting
      : undefined
  return lookup(model).menuAddress.get(line?.id ?? '') ?? ''
}

/** The set-up page on which a kind of row is set. */
export const setUpPageOf: Readonly<Partial<Record<Row['kind'], SetUpPage>>> = {
  key: 'keys',
  bankKey: 'keys',
  grid: 'grids',
  bankGrid: 'grids',
  own: 'ownMenu',
  ownName: 'ownMenu',
  bankOwn: 'ownMenu',
  hold: 'holdSets',
  holdName: 'holdSets',
}
