import type { LensModel } from '../model/types'
import { ladders, nearestStep } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { factTable, fNumber, focalRange, gearKinds, type GearKind, type RecordKind } from './facts'
import { factRow, noneRow, recordIds, type Inventory, type Library } from './rows'

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
}

/** One lens: what it is as far as can be reckoned with, or what has to be said first. */
export interface LensRecord {
  readonly id: string
  readonly name: string
  /** Null while something is lacking without which it cannot be reckoned with. */
  readonly lens: LensModel | null
  /** Labels of what is lacking. */
  readonly lacks: readonly string[]
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
    }
  })
}

/** Every lens, by id; what is said of one holds over the definition it is like. */
export function lensesIn({ lenses }: Library, inventory: Inventory): LensRecord[] {
  return recordIds(inventory.rows, 'lens').map((id) => {
    const text = (fact: string) => textIn(inventory, 'lens', id, fact)
    const truth = (fact: string) => truthIn(inventory, 'lens', id, fact)
    const like = lenses.find((one) => one.id === text('like'))
    const name = text('name') ?? like?.name ?? id
    const fits = text('fits') ?? like?.fits
    const contacts = truth('contacts') ?? like?.contacts
    const focal = text('focal')
    const focalMm = focal === null ? like?.focalMm : focalRange(focal)
    const widest = text('widest') ?? like?.widest
    const keys = numberIn(inventory, 'lens', id, 'keys')
    const ring = ringOf(text('ring'), truth('clicks'), like)
    const said = { fits, contacts, focal: focalMm, widest, keys: keys ?? like?.keys, ring }
    const lacks = factTable.lens.flatMap((fact) =>
      Object.hasOwn(said, fact.id) && said[fact.id as keyof typeof said] === undefined ? [fact.label] : [],
    )
    if (
      fits === undefined ||
      contacts === undefined ||
      !focalMm ||
      widest === undefined ||
      ring === undefined
    )
      return { id, name, lens: null, lacks }
    if (lacks.length > 0) return { id, name, lens: null, lacks }
    const stabiliser = truth('stabiliser') ?? like?.stabiliser
    const focusSwitch = truth('switch') ?? like?.focusSwitch
    const adapter = text('adapter') ?? like?.adapter
    const lens: LensModel = {
      format: 'salt-shelf/lens-model',
      formatVersion: 1,
      id,
      name,
      fits,
      contacts,
      focalMm,
      widest,
      keys: keys === null ? (like?.keys ?? []) : keysOf(keys),
      ring,
      ...spelled('widestLong', text('widestLong') ?? like?.widestLong),
      ...spelled('narrowest', text('narrowest') ?? like?.narrowest),
      ...spelled('narrowestLong', text('narrowestLong') ?? like?.narrowestLong),
      ...(focusSwitch === undefined ? {} : { focusSwitch }),
      ...(stabiliser === undefined ? {} : { stabiliser }),
      ...(adapter === undefined ? {} : { adapter }),
    }
    return { id, name, lens: withConverter(lens, numberIn(inventory, 'lens', id, 'converter')), lacks }
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

/**
 * A lens with a teleconverter on it: focal lengths and f-numbers times its factor, f-numbers at the nearest third of a
 * stop. (The opening stays as wide as it is while the focal length grows, and N = focal length ÷ opening.)
 */
function withConverter(lens: LensModel, factor: number | null): LensModel {
  if (factor === null) return lens
  const longer = (mark: string) => nearestStep('aperture', fNumber(mark) * factor, ladders.aperture).mark
  const { widestLong, narrowest, narrowestLong } = lens
  return {
    ...lens,
    name: `${lens.name} × ${factor}`,
    focalMm: [Math.round(lens.focalMm[0] * factor), Math.round(lens.focalMm[1] * factor)],
    widest: longer(lens.widest),
    ...spelled('widestLong', widestLong && longer(widestLong)),
    ...spelled('narrowest', narrowest && longer(narrowest)),
    ...spelled('narrowestLong', narrowestLong && longer(narrowestLong)),
    converter: factor,
  }
}

function ringOf(
  said: string | null,
  clicks: boolean | null,
  like: LensModel | undefined,
): LensModel['ring'] | undefined {
  if (said === null) return like?.ring
  if (said === 'none') return null
  return { readable: said === 'readable', ...(clicks === null ? {} : { clicks }) }
}

function keysOf(count: number): LensModel['keys'] {
  return Array.from({ length: Math.floor(count) }, (_, i) => ({ id: `k${i + 1}`, name: `Key ${i + 1}` }))
}

function spelled<K extends string>(name: K, mark: string | undefined): { readonly [key in K]?: string } {
  return mark === undefined ? {} : ({ [name]: mark } as { readonly [key in K]: string })
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
