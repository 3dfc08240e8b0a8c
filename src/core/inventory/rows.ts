import type { BodyModel, LensModel } from '../model/types'
import type { RowId } from '../sync/step'
import type { Value } from '../vocabulary/values'
import type { GearKind, RecordKind } from './kinds'

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
    const [head, model = ''] = row.split('/')
    return head === 'hand' ? [{ row, model, tag: String(rows[row]) }] : []
  })
}

/** The tags of the bodies of a model, in order. */
export function bodiesOfModel(rows: Rows, model: string): string[] {
  return recordIds(rows, 'body').filter((tag) => rows[factRow('body', tag, 'model')] === model)
}
