import type { BodyModel, LensModel } from '../model/types'
import { refuse, ok, type Result } from '../result'
import type { RowId } from '../sync/step'
import type { Value } from '../vocabulary/values'
import {
  acceptFact,
  factTable,
  gearKinds,
  recordKinds,
  type Fact,
  type GearKind,
  type RecordKind,
} from './facts'

/** Rows by id. */
export type Rows = Readonly<Record<RowId, Value>>

/** What an owner has: an immutable value, changed only by steps; the plans of all models share it. */
export interface Inventory {
  readonly rows: Rows
}

/** The definitions that an inventory names things of. */
export interface Library {
  readonly models: readonly BodyModel[]
  readonly lenses: readonly LensModel[]
}

/** An inventory with nothing in it. */
export const emptyInventory: Inventory = { rows: {} }

/** A row taken apart: a fact of a record; that there is nothing of a kind; which body of a model is in the hand. */
export type InventoryRow =
  | { readonly kind: 'fact'; readonly record: RecordKind; readonly id: string; readonly fact: Fact }
  | { readonly kind: 'none'; readonly gear: GearKind }
  | { readonly kind: 'hand'; readonly model: string }

/** The row of a fact of a record. */
export function factRow(kind: RecordKind, id: string, fact: string): RowId {
  return `${kind}/${id}/${fact}` as RowId
}

/** The row that says the owner has none of a kind of gear. */
export function noneRow(gear: GearKind): RowId {
  return `none/${gear}` as RowId
}

/** The row that says which body of a model plans are made with. */
export function handRow(model: string): RowId {
  return `hand/${model}` as RowId
}

/** Takes a row id apart; refuses what no inventory has. */
export function parseInventoryRow(id: string): Result<InventoryRow> {
  const [head = '', name = '', fact = '', ...more] = id.split('/')
  const unknown = (part: string) => refuse('unknown-row', `An inventory has no “${part}”.`, id)
  if (head === 'none' && fact === '')
    return Object.hasOwn(gearKinds, name) ? ok({ kind: 'none', gear: name as GearKind }) : unknown(name)
  if (head === 'hand' && fact === '')
    return /^[a-z][a-z0-9-]{0,60}$/.test(name) ? ok({ kind: 'hand', model: name }) : unknown(name)
  const kind = recordKinds.find((one) => one === head)
  if (!kind) return unknown(head)
  if (!isRecordId(kind, name) || more.length > 0) return unknown(name)
  const known = factTable[kind].find((one) => one.id === fact)
  return known ? ok({ kind: 'fact', record: kind, id: name, fact: known }) : unknown(fact)
}

/** Accepts a value for a row, or says what it takes; without a library, whatever it names. */
export function acceptInventoryRow(
  library: Library | null,
  rows: Rows,
  row: InventoryRow,
  value: unknown,
  id: string,
): Result<Value> {
  switch (row.kind) {
    case 'none':
      return value === true ? ok(true) : refuse('outside', 'This row is true, or absent.', id)
    case 'hand':
      return library === null || bodiesOfModel(rows, row.model).includes(String(value))
        ? ok(value as string)
        : refuse('outside', `There is no ${row.model} of that name in the inventory.`, id)
    case 'fact': {
      const accepted = acceptFact(row.fact, value, id, library && named(library, rows, row.fact))
      return accepted.ok && library ? suits(library, rows, row, accepted.value, id) : accepted
    }
  }
}

/** What a fact may name, by id; empty for facts that name nothing. */
export function named({ models, lenses }: Library, rows: Rows, { takes }: Fact): readonly string[] {
  if (takes.kind !== 'named') return []
  switch (takes.what) {
    case 'model':
      return models.map(({ id }) => id)
    case 'lens':
      return lenses.map(({ id }) => id)
    case 'maker':
      return [...new Set(models.map(({ maker }) => maker))]
    case 'slot':
      return recordIds(rows, 'body').flatMap((tag) => {
        const model = models.find(({ id }) => id === rows[factRow('body', tag, 'model')])
        return (model?.cards.slots ?? []).map((slot) => `${tag}/${slot.id}`)
      })
  }
}

/** The ids of the records of a kind, in order. */
export function recordIds(rows: Rows, kind: RecordKind): string[] {
  const ids = Object.keys(rows).flatMap((row) =>
    row.startsWith(`${kind}/`) ? (row.split('/')[1] ?? []) : [],
  )
  return [...new Set(ids)].sort()
}

/** The rows of one record. */
export function rowsOfRecord(rows: Rows, kind: RecordKind, id: string): RowId[] {
  return (Object.keys(rows) as RowId[]).filter((row) => row.startsWith(`${kind}/${id}/`))
}

/** Whether a row is one of a record. */
export function isOfRecord(row: RowId, kind: RecordKind, id: string): boolean {
  const parsed = parseInventoryRow(row)
  return parsed.ok && parsed.value.kind === 'fact' && parsed.value.record === kind && parsed.value.id === id
}

/** An id for a new record, made of its name: words in small letters, with a number where that is taken. */
export function newRecordId(rows: Rows, kind: RecordKind, called: string): string {
  const plain = called
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 36)
    .replace(/-+$/, '')
  const stem = plain === '' ? kind : plain
  const taken = new Set(recordIds(rows, kind))
  if (!taken.has(stem)) return stem
  for (let n = 2; ; n++) if (!taken.has(`${stem}-${n}`)) return `${stem}-${n}`
}

/** Whether something can be the id of a record. */
export function isRecordId(kind: RecordKind, text: string): boolean {
  return kind === 'body' ? /^[a-z0-9][a-z0-9-]{0,40}$/.test(text) : /^[a-z][a-z0-9-]{0,60}$/.test(text)
}

/** The bodies that plans of a model are made with, by the rows that say so. */
export function handsIn({
  rows,
}: Inventory): { readonly row: RowId; readonly model: string; readonly tag: string }[] {
  return (Object.keys(rows) as RowId[]).flatMap((row) => {
    const parsed = parseInventoryRow(row)
    return parsed.ok && parsed.value.kind === 'hand'
      ? [{ row, model: parsed.value.model, tag: String(rows[row]) }]
      : []
  })
}

/** The tags of the bodies of a model, in order. */
export function bodiesOfModel(rows: Rows, model: string): string[] {
  return recordIds(rows, 'body').filter((tag) => rows[factRow('body', tag, 'model')] === model)
}

/** What the model of a body says to one of its facts. */
function suits(
  { models }: Library,
  rows: Rows,
  row: InventoryRow & { kind: 'fact' },
  value: Value,
  where: string,
): Result<Value> {
  const model = models.find(({ id }) => id === rows[factRow('body', row.id, 'model')])
  if (row.record !== 'body' || !model) return ok(value)
  if (row.fact.id === 'firmware') {
    const known = model.firmware.map(({ version }) => version)
    if (known.some((one) => one === value)) return ok(value)
    const message = `The definition of ${model.name} knows firmware ${known.join(', ')}; ${String(value)} is none of them.`
    return refuse('unknown-firmware', message, where)
  }
  const prefix = model.settings.find(({ means }) => means === 'files.prefix')?.domain
  if (row.fact.id === 'prefix' && prefix?.kind === 'text' && String(value).length > prefix.longest)
    return refuse(
      'outside',
      `${model.name} takes ${prefix.longest} characters as file prefix; this has ${String(value).length}.`,
      where,
    )
  return ok(value)
}
