import type { Control, Face } from '@/core/model/types'
import { cross, distance, spread, type Box, type Point } from './geometry'

/** A label before it is placed: its control, and the size its text needs. */
export interface LabelSize {
  readonly control: Control
  readonly width: number
  readonly height: number
}

/** Where a label stands, and the leader line from it to its control. */
export interface PlacedLabel {
  readonly control: Control
  readonly edge: Edge
  readonly box: Box
  /** From the label's edge to the rim of the control. */
  readonly leader: readonly [Point, Point]
}

/** A sheet of some size with the drawing's place on it. */
export interface Sheet {
  readonly width: number
  readonly height: number
  readonly drawing: Box
  /** Labels above and below stand next to the drawing, not at the sheet's edge. */
  readonly near: boolean
}

/** A plate laid out: the sheet and every label on it. */
export interface PlateLayout extends Sheet {
  readonly labels: readonly PlacedLabel[]
}

/** The margin a label stands in. */
export type Edge = 'left' | 'right' | 'top' | 'bottom'

const gap = 10
const stub = 8

/**
 * Lays a face out in a sheet of the size given: the drawing as large as the margins leave room for, each label in
 * the margin next to its control, leaders straight and never crossing. Margins that hold no label are narrow; of
 * the ways to use left and right, and of keeping corners free for labels above and below, the one with the largest
 * drawing wins. Null when nothing fits.
 */
export function layoutPlate(
  face: Face,
  sizes: readonly LabelSize[],
  width: number,
  height: number,
): PlateLayout | null {
  const ways: readonly (readonly Edge[])[] = [
    ['top', 'bottom', 'right'],
    ['top', 'bottom', 'left'],
    ['top', 'bottom', 'left', 'right'],
  ]
  for (const scale of scales) {
    const layouts = ways.flatMap((edges) =>
      [0, 1, 2].flatMap((corners) =>
        [true, false].flatMap(
          (near) => layoutWith(face, sizes, { edges, corners, scale, near }, width, height) ?? [],
        ),
      ),
    )
    const [first, ...rest] = layouts
    if (first) return rest.reduce((best, one) => (better(one, best) ? one : best), first)
  }
  return null
}

/** A larger drawing, or one of the same size with shorter leaders. */
function better(one: PlateLayout, two: PlateLayout): boolean {
  const leaders = (layout: PlateLayout) =>
    layout.labels.reduce((sum, label) => sum + distance(...label.leader), 0)
  const gain = Math.round(one.drawing.width) - Math.round(two.drawing.width)
  return gain > 0 || (gain === 0 && leaders(one) < leaders(two))
}

/**
 * One way to try: the margins used, how many corners columns leave to rows, how far the drawing is shrunk, and
 * whether rows stand near the drawing or at the sheet's edge.
 */
interface Way {
  readonly edges: readonly Edge[]
  readonly corners: number
  readonly scale: number
  readonly near: boolean
}

const scales = [1, 0.88, 0.76]

type Groups = Record<Edge, LabelSize[]>

function layoutWith(
  face: Face,
  sizes: readonly LabelSize[],
  { edges, corners, scale, near }: Way,
  width: number,
  height: number,
): PlateLayout | null {
  const row =
    Math.max(0, ...sizes.filter((size) => lines(size) <= 1).map((size) => size.height)) + stub + 2 * gap
  const column = Math.max(0, ...sizes.map((size) => size.width)) + stub + gap
  const room = { row: width - 4, column: height - 4 - corners * row }
  let margin = { left: edges.includes('left') ? column : 12, right: edges.includes('right') ? column : 12 }
  let best: PlateLayout | null = null
  for (let round = 0; round < 3; round++) {
    const drawing = drawingIn(face, margin, row, scale, width, height)
    const groups = drawing && grouped(sizes, edges, drawing, room)
    const laid = groups && uncrossed(groups, { drawing, width, height, near })
    if (!laid) break
    best = laid
    margin = { left: marginFor(laid, 'left'), right: marginFor(laid, 'right') }
  }
  return best
}

function drawingIn(
  face: Face,
  margin: { left: number; right: number },
  row: number,
  scale: number,
  width: number,
  height: number,
): Box | null {
  const room = { width: width - margin.left - margin.right, height: height - 2 * row }
  const drawn = scale * Math.min(room.width, room.height * face.aspect)
  if (drawn < 200) return null
  return {
    x: margin.left + (room.width - drawn) / 2,
    y: row + (room.height - drawn / face.aspect) / 2,
    width: drawn,
    height: drawn / face.aspect,
  }
}

/** The margin that the labels standing there really need. */
function marginFor(layout: PlateLayout, edge: Edge): number {
  const widths = layout.labels.filter((label) => label.edge === edge).map((label) => label.box.width)
  return widths.length === 0 ? 12 : Math.max(...widths) + stub + gap
}

/** How many rows of gestures a label has beyond its name, judged by height: tall ones never stand above or below. */
function lines(size: LabelSize): number {
  return size.control.gestures.length
}

function grouped(
  sizes: readonly LabelSize[],
  edges: readonly Edge[],
  drawing: Box,
  room: Room,
): Groups | null {
  const groups: Groups = { left: [], right: [], top: [], bottom: [] }
  const rest = [...sizes].sort((a, b) => nearest(a, edges, drawing).far - nearest(b, edges, drawing).far)
  for (const size of rest) {
    const edge = byDistance(size, edges, drawing).find((one) => fits(groups[one.edge], size, one.edge, room))
    if (!edge) return null
    groups[edge.edge].push(size)
  }
  return groups
}

/** How much fits along a margin, in pixels. */
interface Room {
  readonly row: number
  readonly column: number
}

function fits(group: readonly LabelSize[], size: LabelSize, edge: Edge, room: Room): boolean {
  const upright = edge === 'left' || edge === 'right'
  if (!upright && lines(size) > 1) return false
  const total = [...group, size].reduce((sum, one) => sum + (upright ? one.height : one.width) + gap, -gap)
  return total <= (upright ? room.column : room.row)
}

function byDistance(size: LabelSize, edges: readonly Edge[], drawing: Box): { edge: Edge; far: number }[] {
  const at = centreOf(size.control, drawing)
  const far: Record<Edge, number> = {
    left: at.x - drawing.x,
    right: drawing.x + drawing.width - at.x,
    top: at.y - drawing.y,
    bottom: drawing.y + drawing.height - at.y,
  }
  return edges.map((edge) => ({ edge, far: far[edge] })).sort((a, b) => a.far - b.far)
}

function nearest(size: LabelSize, edges: readonly Edge[], drawing: Box): { edge: Edge; far: number } {
  return byDistance(size, edges, drawing)[0] ?? { edge: 'right', far: 0 }
}

function uncrossed(groups: Groups, sheet: Sheet): PlateLayout | null {
  const { drawing } = sheet
  const along = (edge: Edge) => (edge === 'left' || edge === 'right' ? 'y' : 'x')
  for (const edge of Object.keys(groups) as Edge[]) {
    groups[edge].sort(
      (a, b) => centreOf(a.control, drawing)[along(edge)] - centreOf(b.control, drawing)[along(edge)],
    )
  }
  for (let round = 0; round < 60; round++) {
    const labels = placed(groups, sheet)
    if (labels === null) return null
    const pair = firstCrossing(labels)
    if (pair === null) return { ...sheet, labels }
    if (!exchange(groups, pair)) return null
  }
  return null
}

function firstCrossing(labels: readonly PlacedLabel[]): [PlacedLabel, PlacedLabel] | null {
  for (const [i, one] of labels.entries()) {
    const other = labels.slice(i + 1).find((two) => cross(...one.leader, ...two.leader))
    if (other) return [one, other]
  }
  return null
}

/** Crossing leaders get shorter when their labels change places, so this comes to an end. False when they may not. */
function exchange(groups: Groups, [one, two]: [PlacedLabel, PlacedLabel]): boolean {
  const at = (label: PlacedLabel) => groups[label.edge].findIndex((size) => size.control === label.control)
  const [i, j] = [at(one), at(two)]
  const [a, b] = [groups[one.edge][i], groups[two.edge][j]]
  const isRow = (edge: Edge) => edge === 'top' || edge === 'bottom'
  if (!a || !b || (isRow(one.edge) && lines(b) > 1) || (isRow(two.edge) && lines(a) > 1)) return false
  groups[one.edge][i] = b
  groups[two.edge][j] = a
  return true
}

function placed(groups: Groups, sheet: Sheet): PlacedLabel[] | null {
  const { drawing, width, height } = sheet
  const inner = {
    from: groups.left.length > 0 ? drawing.x : 2,
    to: groups.right.length > 0 ? drawing.x + drawing.width : width - 2,
  }
  const rows = (['top', 'bottom'] as const).map(
    (edge) =>
      placedOn(edge, groups[edge], sheet, inner.from, inner.to) ??
      placedOn(edge, groups[edge], sheet, 2, width - 2),
  )
  if (rows.some((row) => row === null)) return null
  const done = rows.flatMap((row) => row ?? [])
  for (const edge of ['left', 'right'] as const) {
    const [from, to] = columnRoom(edge, groups[edge], done, drawing, height)
    const column = placedOn(edge, groups[edge], sheet, from, to)
    if (column === null) return null
    done.push(...column)
  }
  return done
}

/** Rows leave the corners free where they can. A column has the whole height, but for corners that rows reach into. */
function columnRoom(
  edge: Edge,
  group: readonly LabelSize[],
  rows: readonly PlacedLabel[],
  drawing: Box,
  height: number,
): [number, number] {
  const widest = Math.max(0, ...group.map((size) => size.width))
  const inner = edge === 'left' ? drawing.x - stub : drawing.x + drawing.width + stub
  const reaches = ({ box }: PlacedLabel) =>
    edge === 'left'
      ? box.x < inner + gap && box.x + box.width > inner - widest - gap
      : box.x + box.width > inner - gap
  const ends = (wanted: Edge, end: (box: Box) => number) =>
    rows.filter((label) => label.edge === wanted && reaches(label)).map((label) => end(label.box))
  const above = ends('top', (box) => box.y + box.height + gap)
  const below = ends('bottom', (box) => box.y - gap)
  return [Math.max(2, ...above), Math.min(height - 2, ...below)]
}

function placedOn(
  edge: Edge,
  group: readonly LabelSize[],
  sheet: Sheet,
  from: number,
  to: number,
): PlacedLabel[] | null {
  const upright = edge === 'left' || edge === 'right'
  const wants = group.map((size) => {
    const at = centreOf(size.control, sheet.drawing)
    return upright ? { middle: at.y, size: size.height } : { middle: at.x, size: size.width }
  })
  const starts = spread(wants, from, to, gap)
  const level = levelOf(edge, group, sheet)
  return starts && group.map((size, i) => placeOne(edge, size, starts[i] ?? 0, level, sheet.drawing))
}

/** Where a margin's labels line up: names of a row stand on one height, columns end at the drawing. */
function levelOf(edge: Edge, group: readonly LabelSize[], { drawing, height, near }: Sheet): number {
  const tallest = Math.max(0, ...group.map((size) => size.height))
  const above = near ? Math.max(2, drawing.y - stub - gap - tallest) : 2
  const below = near
    ? Math.min(height - 2 - tallest, drawing.y + drawing.height + stub + gap)
    : height - 2 - tallest
  return { top: above, bottom: below, left: drawing.x - stub, right: drawing.x + drawing.width + stub }[edge]
}

function placeOne(edge: Edge, size: LabelSize, start: number, level: number, drawing: Box): PlacedLabel {
  const { width, height } = size
  const corners: Record<Edge, Point> = {
    left: { x: level - width, y: start },
    right: { x: level, y: start },
    top: { x: start, y: level },
    bottom: { x: start, y: level },
  }
  const box = { ...corners[edge], width, height }
  const anchors: Record<Edge, Point> = {
    left: { x: box.x + width + 2, y: box.y + Math.min(height / 2, 24) },
    right: { x: box.x - 2, y: box.y + Math.min(height / 2, 24) },
    top: { x: box.x + width / 2, y: box.y + height + 2 },
    bottom: { x: box.x + width / 2, y: box.y - 2 },
  }
  const anchor = anchors[edge]
  return { control: size.control, edge, box, leader: [anchor, rimOf(size.control, drawing, anchor)] }
}

/** A control's middle in pixels. */
export function centreOf(control: Control, drawing: Box): Point {
  return { x: drawing.x + control.at[0] * drawing.width, y: drawing.y + control.at[1] * drawing.height }
}

function rimOf(control: Control, drawing: Box, from: Point): Point {
  const centre = centreOf(control, drawing)
  const far = distance(centre, from)
  if (far === 0) return centre
  const rx = (control.size[0] * drawing.width) / 2
  const ry = (control.size[1] * drawing.height) / 2
  const [dx, dy] = [(from.x - centre.x) / far, (from.y - centre.y) / far]
  const round = control.shape === 'round' || control.shape === 'ring'
  const reach = round
    ? 1 / Math.hypot(dx / rx, dy / ry)
    : Math.min(rx / Math.abs(dx || 1e-9), ry / Math.abs(dy || 1e-9))
  return { x: centre.x + dx * Math.min(reach, far), y: centre.y + dy * Math.min(reach, far) }
}
