import { lookup } from '../model/lookup'
import type { BodyModel, FocusArea, Zone } from '../model/types'
import type { Plan } from '../plan/plan'
import type { Context } from '../resolve/context'
import { effectiveState } from '../resolve/state'
import type { Value } from '../vocabulary/values'
import { focusExcerpt } from './excerpt'

/** What the finder shows of focus in one state; all places and sizes in parts of the frame, 0..1. */
export interface FinderPicture {
  /** Middles of the places the area can take. */
  readonly points: readonly (readonly [number, number])[]
  readonly area: Zone
  /** Null where autofocus does not look for subjects, or keeps to none. */
  readonly detection: Zone | null
  readonly tracking: Zone | null
  /** Moves from the middle to the farthest corner, and how the area moves. */
  readonly movesToCorner: number
}

/** What decides what the finder shows: values in force, by common setting. */
export type FinderValues = (means: string) => Value | null | undefined

/**
 * The picture of the finder for the values in force. Points and sizes are those of the model's focus geometry; a zone
 * whose width is set takes that many points; where every second point is used, there are half as many places each way.
 * Null where the area is none of the geometry's.
 */
export function finderPicture(model: BodyModel, value: FinderValues): FinderPicture | null {
  const area = areaNow(model, value)
  if (!area) return null
  const fewer = value('focus.pointGrid') === 'fewer'
  const size = sizeOf(model, area, value)
  const places = placesOf(area, fewer)
  const at = standingAt(model, places, value('focus.point'))
  const wrap = value(meansOf(model, model.focus.wrapBy)) === true
  const detects = value('focus.detection') === true
  const tracks = value('focus.tracking') === 'always'
  return {
    points: places.rows.flatMap((_, row) =>
      places.columns.map((_, column) => middleOf(places, size, [column, row])),
    ),
    area: boxAt(places, size, at),
    detection: detects ? detectionZone(model, value('focus.detectionZone')) : null,
    tracking: tracks ? model.focus.trackingZone : null,
    movesToCorner: movesBetween(area, fewer, wrap, middle(places), [0, 0]),
  }
}

/** The area of the geometry that a value names. */
function areaNow(model: BodyModel, value: FinderValues): FocusArea | undefined {
  return model.focus.areas.find((one) => one.value === value('focus.area'))
}

/** Places an area can take, left to right and top to bottom: the indices, counted from 0. */
interface Places {
  readonly columns: readonly number[]
  readonly rows: readonly number[]
}

/** A place by column and row, counted from 0. */
export type Place = readonly [column: number, row: number]

/** The places an area can take; every second one each way keeps ⌈n/2⌉ · ⌈m/2⌉. */
export function placesOf({ columns, rows }: FocusArea, fewer: boolean): Places {
  const count = (all: number) => (fewer ? Math.ceil(all / 2) : all)
  return {
    columns: Array.from({ length: count(columns) }, (_, i) => i),
    rows: Array.from({ length: count(rows) }, (_, i) => i),
  }
}

/**
 * Moves of a stick from one place to another: a move goes `skip` places along one axis; where the point runs round
 * the edge, the shorter way counts.
 */
export function movesBetween(area: FocusArea, fewer: boolean, wrap: boolean, from: Place, to: Place): number {
  const places = placesOf(area, fewer)
  const along = (a: number, b: number, count: number) => {
    const straight = Math.abs(a - b)
    return Math.ceil((wrap ? Math.min(straight, count - straight) : straight) / area.skip)
  }
  return along(from[0], to[0], places.columns.length) + along(from[1], to[1], places.rows.length)
}

/** The place in the middle. */
function middle({ columns, rows }: Places): Place {
  return [Math.floor((columns.length - 1) / 2), Math.floor((rows.length - 1) / 2)]
}

function sizeOf(model: BodyModel, area: FocusArea, value: FinderValues): readonly [number, number] {
  if (area.value !== 'zone') return area.size
  const part = (means: string, whole: number, otherwise: number) => {
    const points = value(means)
    return typeof points === 'number' ? Math.min(1, points / whole) : otherwise
  }
  return [
    part('focus.zoneWidth', model.focus.columns, area.size[0]),
    part('focus.zoneHeight', model.focus.rows, area.size[1]),
  ]
}

/** The place nearest to a point of the model's whole grid (`column,row` counted from 1); the middle where none is set. */
function standingAt(model: BodyModel, places: Places, point: Value | null | undefined): Place {
  const [, column, row] = typeof point === 'string' ? (/^(\d+),(\d+)$/.exec(point) ?? []) : []
  if (column === undefined || row === undefined) return middle(places)
  const along = (at: string, whole: number, count: number) =>
    whole < 2 ? 0 : Math.round(((Number(at) - 1) / (whole - 1)) * (count - 1))
  return [
    along(column, model.focus.columns, places.columns.length),
    along(row, model.focus.rows, places.rows.length),
  ]
}

function middleOf(places: Places, size: readonly [number, number], at: Place): readonly [number, number] {
  const [left, top, width, height] = boxAt(places, size, at)
  return [left + width / 2, top + height / 2]
}

/** The box of an area at a place: the first stands at the left or upper edge, the last at the other, the rest evenly between. */
function boxAt(
  { columns, rows }: Places,
  [width, height]: readonly [number, number],
  [column, row]: Place,
): Zone {
  const along = (at: number, count: number, size: number) =>
    count < 2 ? (1 - size) / 2 : (at / (count - 1)) * (1 - size)
  return [along(column, columns.length, width), along(row, rows.length, height), width, height]
}

/** Where detection looks: the zone the owner set (`left,top,right,bottom` in cells), inside the model's. */
function detectionZone(model: BodyModel, region: Value | null | undefined): Zone {
  const setting = lookup(model).byMeaning.get('focus.detectionZone')
  const [, left, top, right, bottom] =
    typeof region === 'string' ? (/^(\d+),(\d+),(\d+),(\d+)$/.exec(region) ?? []) : []
  if (setting?.domain.kind !== 'region' || bottom === undefined) return model.focus.detectionZone
  const { columns, rows } = setting.domain
  const [x0, y0, width, height] = model.focus.detectionZone
  const [x, y] = [(Number(left) - 1) / columns, (Number(top) - 1) / rows]
  return [
    x0 + x * width,
    y0 + y * height,
    (Number(right) / columns - x) * width,
    (Number(bottom) / rows - y) * height,
  ]
}

function meansOf(model: BodyModel, setting: string | undefined): string {
  return lookup(model).settings.get(setting ?? '')?.means ?? ''
}

/** What the finder shows in a context, with whatever it holds. */
export function finderIn(whole: BodyModel, plan: Plan, context: Context): FinderPicture | null {
  const model = focusExcerpt(whole)
  const { possible, found } = effectiveState(model, plan, context)
  return finderPicture(model, (means) => possible.get(found.byMeaning.get(means)?.id ?? '')?.[0])
}
