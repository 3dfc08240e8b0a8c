import type { BodyModel } from '../../model/types'
import { refuse, type Result } from '../../result'
import type { RowId } from '../../sync/step'
import type { Value } from '../../vocabulary/values'
import type { Ranged } from './ranges'

/** The stations that show rows; every row, and so every finding, is at home in one. */
export const rowStations = ['foundation', 'settings', 'controls', 'focus', 'menus', 'banks'] as const

/** One of `rowStations`. */
export type RowStation = (typeof rowStations)[number]

/**
 * What has to be reckoned anew when a row changes: nothing but the words that quote it; the needs and what they cost;
 * what stands in menus, and so the ways to a need; which states the camera is looked at in; one setting, in the states
 * of one place (a side, a slot as `family/slot`) or of any; what a key does; or everything.
 */
export type Invalidated =
  | { readonly what: 'words' | 'needs' | 'menus' | 'contexts' | 'everything' }
  | { readonly what: 'setting'; readonly setting: string; readonly place: string }
  | { readonly what: 'key'; readonly address: string }

/** The place of a setting's row that may be read in any state. */
export const anywhere = '*'

/** An id to be taken apart: the parts behind its head. */
export interface Asked {
  readonly model: BodyModel
  readonly id: string
  readonly head: string
  readonly parts: readonly string[]
}

/**
 * One kind of row, all that is known of it. A row that is absent is left as delivered (or, in a bank, equal to base);
 * `describe.value` of null says so.
 */
export interface RowKind<R extends { readonly kind: string } = { readonly kind: string }> {
  readonly kind: R['kind']
  /** What its ids may begin with. */
  readonly heads: readonly string[]
  /** How its ids look, and what such a row says: for docs/formats/rows.md. */
  readonly form: readonly [ids: string, words: string]
  /** Whether an id with such a head is of this kind, where several kinds share one. */
  claims?(parts: readonly string[]): boolean
  /** Takes an id apart; refuses what the model does not have, naming the part. */
  parse(asked: Asked): Result<R>
  /** The id again: `id(parse(x)) = x`. */
  id(row: R): RowId
  /** Accepts a value for a row, or says what the row takes. */
  accepts(model: BodyModel, row: R, value: unknown, id: string): Result<Value>
  readonly describe: {
    /** Where the row is, in words. */
    place(row: R): string
    /** Its value in words. */
    value(model: BodyModel, row: R, value: Value | null): string
  }
  invalidates(row: R): Invalidated
  station(row: R): RowStation
  /** What a value rests on that not every firmware has; nothing where it is left out. */
  ranges?(model: BodyModel, row: R, value: Value): readonly Ranged[]
}

/** Some kinds as one: each row goes to its own. */
export function among<R extends { readonly kind: string }>(kinds: readonly RowKind<R>[]) {
  const byHead = new Map<string, RowKind<R>[]>()
  for (const kind of kinds)
    for (const head of kind.heads) byHead.set(head, [...(byHead.get(head) ?? []), kind])
  const byKind = new Map(kinds.map((kind) => [kind.kind, kind]))
  const kindOf = (row: R): RowKind<R> => {
    const kind = byKind.get(row.kind)
    if (!kind) throw new Error(`no kind of row is called ${row.kind}`)
    return kind
  }
  return {
    parse(model: BodyModel, id: string, parts: readonly string[] = id.split('/')): Result<R> {
      const [head = '', ...rest] = parts
      const kind = byHead.get(head)?.find((one) => one.claims?.(rest) ?? true)
      return kind ? kind.parse({ model, id, head, parts: rest }) : unknownPart(id, head)
    },
    id: (row: R): RowId => kindOf(row).id(row),
    accepts: (model: BodyModel, row: R, value: unknown, id: string) =>
      kindOf(row).accepts(model, row, value, id),
    place: (row: R): string => kindOf(row).describe.place(row),
    value: (model: BodyModel, row: R, value: Value | null) => kindOf(row).describe.value(model, row, value),
    invalidates: (row: R): Invalidated => kindOf(row).invalidates(row),
    station: (row: R): RowStation => kindOf(row).station(row),
    ranges: (model: BodyModel, row: R, value: Value) => kindOf(row).ranges?.(model, row, value) ?? [],
  }
}

/** Refuses an id of which this model does not have a part. */
export function unknownPart(id: string, part: string): Result<never> {
  return refuse('unknown-row', `This model has no “${part}”.`, id)
}

/** Words for a value that needs none of its own. */
export function plainValue(value: Value | null, absent: string): string {
  return value === null ? absent : String(value)
}
