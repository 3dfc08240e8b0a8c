import { memoize } from '../memoize'
import type { Face } from '../model/types'
import { cross, distance, enters, type Box } from './geometry'
import { grouped } from './grouping'
import { placed } from './placing'
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
  type PlateLayout,
  type Sheet,
} from './sheet'

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
  let best: PlateLayout | null = null
  for (const { ways, scale } of tries) {
    const layouts = ways.flatMap((edges) =>
      [0, 1, 2].flatMap((corners) =>
        [true, false].flatMap(
          (near) => layoutWith(face, sizes, { edges, corners, scale, near }, width, height) ?? [],
        ),
      ),
    )
    for (const one of layouts) if (!best || better(one, best)) best = one
    if (best && coveredIn(best) === 0) return best
  }
  return null
}

/**
 * The layout for the room there is; a face with more labels than that has room for gets a taller sheet. Null on a sheet
 * too narrow for margins.
 */
export function layoutIn(
  face: Face,
  sizes: readonly LabelSize[],
  sheet: { readonly width: number; readonly height: number },
): PlateLayout | null {
  const known = layoutsOf(face)
  const name = JSON.stringify([
    sheet.width,
    sheet.height,
    ...sizes.map(({ control, width, height, rows }) => [control.id, width, height, rows]),
  ])
  const found = known.get(name)
  if (found !== undefined) return found
  const made = laidOut(face, sizes, sheet)
  const [oldest] = known.keys()
  if (known.size >= mostKept && oldest !== undefined) known.delete(oldest)
  known.set(name, made)
  return made
}

/** The last layouts of a face: the two sides of a plan, and another plan of the same body, are shown again and again. */
const layoutsOf: (face: Face) => Map<string, PlateLayout | null> = memoize(
  () => new Map<string, PlateLayout | null>(),
)
const mostKept = 16

function laidOut(
  face: Face,
  sizes: readonly LabelSize[],
  { width, height }: { width: number; height: number },
): PlateLayout | null {
  const least = Math.min(height, Math.max(440, width * 0.85))
  const heights = [least, ...tallerHeights.filter((one) => one > least)]
  let best: PlateLayout | null = null
  for (const one of heights) {
    const layout = layoutPlate(face, sizes, width, one)
    if (width < narrowest) return layout
    if (layout && layout.drawing.width > (best?.drawing.width ?? 0) * 1.1) best = layout
    if (best && best.drawing.width >= width * wideEnough) return best
  }
  return best
}

const tallerHeights = [620, 720, 840, 980]
/** The share of the sheet's width that the drawing should have: with less a taller sheet is tried. */
const wideEnough = 0.45
/** Pixels under which labels do not stand in margins. */
const narrowest = 560

/** The margins tried first, and those for when a leader would run over a label. */
const usual: readonly (readonly Edge[])[] = [
  ['top', 'bottom', 'right'],
  ['top', 'bottom', 'left'],
  ['top', 'bottom', 'left', 'right'],
]
const unusual: readonly (readonly Edge[])[] = [
  ...usual,
  ['top', 'left', 'right'],
  ['bottom', 'left', 'right'],
  ['left', 'right'],
]

/** What is tried in turn until no leader runs over a label: how far the drawing is shrunk, and the margins used. */
const tries = [
  ...[1, 0.88, 0.76].map((scale) => ({ ways: usual, scale })),
  ...[0.94, 0.82, 0.7].map((scale) => ({ ways: unusual, scale })),
]

/** Pixels over which a leader is hard to follow. */
const longLeader = 300

/** Pixels of drawing that a leader over another control is worth. */
const overAnother = 50

/** How many leaders run over the label of another control. */
function coveredIn({ labels }: PlateLayout): number {
  return labels.reduce(
    (sum, { leader }, i) => sum + labels.filter((other, k) => k !== i && enters(leader, other.box)).length,
    0,
  )
}

/** How many leaders run over another control: it is not clear then which of the two they lead to. */
function overControls({ labels, drawing }: PlateLayout): number {
  const boxes = labels.map(({ control }) => controlBox(control, drawing))
  const isSmall = labels.map(({ control }) => control.kind !== 'touch')
  return labels.reduce(
    (sum, { leader }, i) =>
      sum + boxes.filter((box, k) => k !== i && isSmall[k] === true && enters(leader, box)).length,
    0,
  )
}

/** Fewer leaders over labels; then a larger drawing, unless a leader gets long for it or runs over a control; then shorter leaders. */
function better(one: PlateLayout, two: PlateLayout): boolean {
  const clear = coveredIn(two) - coveredIn(one)
  if (clear !== 0) return clear > 0
  const leaders = (layout: PlateLayout) =>
    layout.labels.reduce((sum, label) => sum + distance(...label.leader), 0)
  const longest = (layout: PlateLayout) =>
    Math.max(0, ...layout.labels.map((label) => distance(...label.leader)))
  const worth = (layout: PlateLayout) =>
    layout.drawing.width -
    1.2 * Math.max(0, longest(layout) - longLeader) -
    overAnother * overControls(layout)
  const gain = Math.round(worth(one)) - Math.round(worth(two))
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

function uncrossed(groups: Groups, sheet: Sheet): PlateLayout | null {
  const { drawing } = sheet
  const along = (edge: Edge) => (edge === 'left' || edge === 'right' ? 'y' : 'x')
  for (const edge of Object.keys(groups) as Edge[]) {
    groups[edge].sort(
      (a, b) => centreOf(a.control, drawing)[along(edge)] - centreOf(b.control, drawing)[along(edge)],
    )
  }
  let uncovered: PlateLayout | null = null
  const seen = new Set<string>()
  for (let round = 0; round < 60; round++) {
    const order = Object.values(groups).map((group) => group.map(({ control }) => control.id).join())
    if (seen.has(order.join('|'))) return uncovered
    seen.add(order.join('|'))
    const labels = placed(groups, sheet)
    if (labels === null) return uncovered
    const crossing = firstCrossing(labels)
    const laid = { ...sheet, labels }
    if (crossing === null && (uncovered === null || coveredIn(laid) < coveredIn(uncovered))) uncovered = laid
    const pair = crossing ?? firstCovering(labels)
    if (pair === null || !exchange(groups, pair)) return uncovered
  }
  return uncovered
}

/** A label that runs its leader over another one, and that other one. */
function firstCovering(labels: readonly PlacedLabel[]): [PlacedLabel, PlacedLabel] | null {
  for (const one of labels) {
    const other = labels.find((two) => two !== one && enters(one.leader, two.box))
    if (other) return [one, other]
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
