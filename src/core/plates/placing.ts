import type { Control } from '../model/types'
import { distance, enters, spread, type Box, type Point } from './geometry'
import {
  centreOf,
  controlBox,
  gap,
  lines,
  stub,
  type Edge,
  type Groups,
  type LabelSize,
  type PlacedLabel,
  type Sheet,
} from './sheet'

/** Places the labels of every margin; null when one of them is too short. */
export function placed(groups: Groups, sheet: Sheet): PlacedLabel[] | null {
  const { drawing, width, height } = sheet
  const on = drawnOn(groups, drawing)
  const inner = {
    from: groups.left.length > 0 ? drawing.x : 2,
    to: groups.right.length > 0 ? drawing.x + drawing.width : width - 2,
  }
  const rows = (['top', 'bottom'] as const).map(
    (edge) =>
      placedOn(edge, groups[edge], sheet, on, inner.from, inner.to) ??
      placedOn(edge, groups[edge], sheet, on, 2, width - 2),
  )
  if (rows.some((row) => row === null)) return null
  const done = rows.flatMap((row) => row ?? [])
  for (const edge of ['left', 'right'] as const) {
    const [from, to] = columnRoom(edge, groups[edge], done, drawing, height)
    const column = placedOn(edge, groups[edge], sheet, on, from, to)
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
  on: Drawn,
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
  return starts && group.map((size, i) => placeOne(edge, size, starts[i] ?? 0, level, on))
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

function placeOne(edge: Edge, size: LabelSize, start: number, level: number, on: Drawn): PlacedLabel {
  const { width, height } = size
  const corners: Record<Edge, Point> = {
    left: { x: level - width, y: start },
    right: { x: level, y: start },
    top: { x: start, y: level },
    bottom: { x: start, y: level },
  }
  const box = { ...corners[edge], width, height }
  const anchors = anchorsOf(edge, size, box, on.drawing)
  const from = (anchor: Point) => [anchor, rimOf(size.control, on.drawing, anchor)] as const
  // Over another control it would not be clear which of the two it leads to.
  const isClear = (anchor: Point) =>
    !on.controls.some((one) => one.control !== size.control && enters(from(anchor), one.box))
  const leader = from(anchors.find(isClear) ?? anchors[0])
  return { control: size.control, edge, box, leader, bracket: bracketOf(edge, size, box) }
}

/** Where on a label its leader may end, the best first: along its bracket, or along its lower or upper edge. */
function anchorsOf(edge: Edge, size: LabelSize, box: Box, drawing: Box): [Point, ...Point[]] {
  if (edge === 'top' || edge === 'bottom') {
    const y = edge === 'top' ? box.y + box.height + 2 : box.y - 2
    const at = (share: number) => ({ x: box.x + box.width * share, y })
    return [at(0.5), at(0.3), at(0.7), at(0.15), at(0.85)]
  }
  const bracket = bracketOf(edge, size, box)
  if (bracket === null) {
    const x = edge === 'left' ? box.x + box.width + 2 : box.x - 2
    return [{ x, y: box.y + Math.min(box.height / 2, 24) }]
  }
  const [{ x, y: first }, { y: last }] = bracket
  const nearest = Math.min(last, Math.max(first, centreOf(size.control, drawing).y))
  const at = (y: number) => ({ x, y })
  return [at(nearest), at((first + last) / 2), at(first), at(last)]
}

/** The line along several gestures in a column: their leader leads to all of them; null for one gesture. */
function bracketOf(edge: Edge, size: LabelSize, box: Box): PlacedLabel['bracket'] {
  if (edge === 'top' || edge === 'bottom' || lines(size) <= 1) return null
  const x = edge === 'left' ? box.x + box.width + bracketOff : box.x - bracketOff
  return [
    { x, y: box.y + bracketFrom },
    { x, y: box.y + box.height - bracketBelow },
  ]
}

/** Pixels from the top of a label to where its gestures begin, and from where they end to its bottom. */
const bracketFrom = 24
const bracketBelow = 6
/** Pixels between a bracket and what it stands along. */
const bracketOff = 4

/** The drawing on a sheet, and the controls on it that a leader may be taken for leading to. */
interface Drawn {
  readonly drawing: Box
  readonly controls: readonly { readonly control: Control; readonly box: Box }[]
}

function drawnOn(groups: Groups, drawing: Box): Drawn {
  const controls = Object.values(groups)
    .flat()
    .filter(({ control }) => control.kind !== 'touch')
    .map(({ control }) => ({ control, box: controlBox(control, drawing) }))
  return { drawing, controls }
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
