import type { Value } from '../vocabulary/values'
import { gearKinds, type GearKind, type RecordKind } from './kinds'
import { factRow, noneRow, recordIds, type Inventory } from './rows'

/** One camera, as far as its owner says; null is not said. */
export interface BodyRecord {
  readonly tag: string
  readonly name: string
  readonly place: string | null
  readonly model: string | null
  readonly serial: string | null
  readonly firmware: string | null
  readonly prefix: string | null
  readonly numbering: 'continuous' | 'restart' | null
  readonly owner: string | null
  readonly grip: boolean | null
  readonly adapter: boolean | null
  /** A camera in somebody's hand: nothing is simulated behind it. */
  readonly isReal: boolean
  /** Where on its card it saves its settings, and under which name; null where its model, or its last file, says so. */
  readonly folder: string | null
  readonly file: string | null
}

/** One memory card. */
export interface CardRecord {
  readonly id: string
  readonly name: string
  /** The body and the slot it is used in. */
  readonly usedIn: { readonly tag: string; readonly slot: string } | null
  readonly gigabytes: number | null
  readonly megabytesPerSecond: number | null
}

/** A microphone, a recorder, a remote release, a flash, or batteries. */
export interface GearRecord {
  readonly id: string
  readonly name: string
  readonly kind: GearKind | null
  readonly count: number | null
  readonly use: 'always' | 'sometimes' | null
}

/** What a record is called: its name, or its id while it has none. */
export function recordName(inventory: Inventory, kind: RecordKind, id: string): string {
  return textIn(inventory, kind, id, 'name') ?? id
}

/** Every body, by tag. */
export function bodiesIn(inventory: Inventory): BodyRecord[] {
  return recordIds(inventory.rows, 'body').map((tag) => {
    const text = (fact: string) => textIn(inventory, 'body', tag, fact)
    return {
      tag,
      name: recordName(inventory, 'body', tag),
      place: text('place'),
      model: text('model'),
      serial: text('serial'),
      firmware: text('firmware'),
      prefix: text('prefix'),
      numbering: text('numbering') as BodyRecord['numbering'],
      owner: text('owner'),
      grip: truthIn(inventory, 'body', tag, 'grip'),
      adapter: truthIn(inventory, 'body', tag, 'adapter'),
      isReal: truthIn(inventory, 'body', tag, 'real') === true,
      folder: text('folder'),
      file: text('file'),
    }
  })
}

/** Every card, by id. */
export function cardsIn(inventory: Inventory): CardRecord[] {
  return recordIds(inventory.rows, 'card').map((id) => {
    const [tag, slot] = textIn(inventory, 'card', id, 'in')?.split('/') ?? []
    return {
      id,
      name: recordName(inventory, 'card', id),
      usedIn: tag === undefined || slot === undefined ? null : { tag, slot },
      gigabytes: numberIn(inventory, 'card', id, 'size'),
      megabytesPerSecond: numberIn(inventory, 'card', id, 'rate'),
    }
  })
}

/** Everything else, by id. */
export function gearIn(inventory: Inventory): GearRecord[] {
  return recordIds(inventory.rows, 'gear').map((id) => {
    const kind = textIn(inventory, 'gear', id, 'kind')
    return {
      id,
      name: recordName(inventory, 'gear', id),
      kind: kind !== null && Object.hasOwn(gearKinds, kind) ? (kind as GearKind) : null,
      count: numberIn(inventory, 'gear', id, 'count'),
      use: textIn(inventory, 'gear', id, 'use') as GearRecord['use'],
    }
  })
}

/** Whether the owner says that there is nothing of a kind. */
export function hasNone({ rows }: Inventory, kind: GearKind): boolean {
  return rows[noneRow(kind)] === true
}

function valueIn({ rows }: Inventory, kind: RecordKind, id: string, fact: string): Value | null {
  return rows[factRow(kind, id, fact)] ?? null
}

function textIn(inventory: Inventory, kind: RecordKind, id: string, fact: string): string | null {
  const value = valueIn(inventory, kind, id, fact)
  return typeof value === 'string' ? value : null
}

function truthIn(inventory: Inventory, kind: RecordKind, id: string, fact: string): boolean | null {
  const value = valueIn(inventory, kind, id, fact)
  return typeof value === 'boolean' ? value : null
}

function numberIn(inventory: Inventory, kind: RecordKind, id: string, fact: string): number | null {
  const value = valueIn(inventory, kind, id, fact)
  return typeof value === 'number' ? value : null
}
