import type { LensModel } from '../model/types'
import { ladders, nearestStep } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { fNumber, focalRange } from './spelled'
import { factRow, recordIds, type Inventory, type Library } from './rows'

/** One lens: what it is as far as can be reckoned with, or what has to be said first. */
export interface LensRecord {
  readonly id: string
  readonly name: string
  /** Null while something is lacking without which it cannot be reckoned with. */
  readonly lens: LensModel | null
  /** The facts that are lacking for that. */
  readonly lacks: readonly string[]
}

/** Every lens, by id; what is said of one holds over the definition it is like. */
export function lensesIn(library: Library, inventory: Inventory): LensRecord[] {
  return recordIds(inventory.rows, 'lens').map((id) => lensOf(library, inventory, id))
}

/** The definition that a lens is said to be like. */
function likeOf({ lenses }: Library, { rows }: Inventory, id: string): LensModel | undefined {
  return lenses.find((one) => one.id === rows[factRow('lens', id, 'like')])
}

/** What holds of a lens where its owner says nothing, by fact: what the definition says that it is like. */
export function describedFacts(
  library: Library,
  inventory: Inventory,
  id: string,
): Readonly<Record<string, Value>> {
  const like = likeOf(library, inventory, id)
  if (!like) return {}
  const { name, fits, contacts, focalMm, widest, widestLong, narrowest, narrowestLong, keys, ring, adapter } =
    like
  const { focusSwitch, stabiliser } = like
  const said = {
    ...{ name, fits, contacts, widest, widestLong, narrowest, narrowestLong, stabiliser, adapter },
    focal: focalMm[0] === focalMm[1] ? String(focalMm[0]) : focalMm.join('-'),
    keys: keys.length,
    ring: ring === null ? 'none' : ring.readable ? 'readable' : 'unread',
    clicks: ring?.clicks,
    switch: focusSwitch,
  }
  return Object.fromEntries(
    Object.entries(said).flatMap(([fact, value]) => (value === undefined ? [] : [[fact, value] as const])),
  )
}

/** Without these it is not known what a lens does to a plan. */
const needed = ['fits', 'contacts', 'focal', 'widest', 'keys', 'ring']

function lensOf(library: Library, inventory: Inventory, id: string): LensRecord {
  const described = describedFacts(library, inventory, id)
  const value = (fact: string) => inventory.rows[factRow('lens', id, fact)] ?? described[fact]
  const text = (fact: string) => (value(fact) === undefined ? undefined : String(value(fact)))
  const truth = (fact: string) => (value(fact) === undefined ? {} : { [fact]: value(fact) === true })
  const name = text('name') ?? id
  const lacks = needed.filter((fact) => value(fact) === undefined)
  if (lacks.length > 0) return { id, name, lens: null, lacks }
  const { switch: focusSwitch } = truth('switch')
  const lens: LensModel = {
    format: 'salt-shelf/lens-model',
    formatVersion: 1,
    id,
    name,
    fits: text('fits') ?? '',
    contacts: value('contacts') === true,
    focalMm: focalRange(text('focal') ?? ''),
    widest: text('widest') ?? '',
    keys: keysOf(Number(value('keys')), likeOf(library, inventory, id)),
    ring: text('ring') === 'none' ? null : { readable: text('ring') === 'readable', ...truth('clicks') },
    ...spelled('widestLong', text('widestLong')),
    ...spelled('narrowest', text('narrowest')),
    ...spelled('narrowestLong', text('narrowestLong')),
    ...spelled('adapter', text('adapter')),
    ...(focusSwitch === undefined ? {} : { focusSwitch }),
    ...truth('stabiliser'),
  }
  return { id, name, lens: withConverter(lens, value('converter')), lacks }
}

/** As many keys as are said; those of the definition by their own names. */
function keysOf(count: number, like: LensModel | undefined): LensModel['keys'] {
  return Array.from(
    { length: Math.floor(count) },
    (_, i) => like?.keys[i] ?? { id: `k${i + 1}`, name: `Key ${i + 1}` },
  )
}

/**
 * A lens with a teleconverter on it: focal lengths and f-numbers times its factor, f-numbers at the nearest third of a
 * stop. (The opening stays as wide as it is while the focal length grows, and N = focal length ÷ opening.)
 */
function withConverter(lens: LensModel, factor: Value | undefined): LensModel {
  if (typeof factor !== 'number') return lens
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

function spelled<K extends string>(name: K, mark: string | undefined): { readonly [key in K]?: string } {
  return mark === undefined ? {} : ({ [name]: mark } as { readonly [key in K]: string })
}
