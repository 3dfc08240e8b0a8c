import svgpath from 'svgpath'
import type { Control, Stroke } from '../../model/types'
import { layoutPlate } from '../../plates/layout'
import { centreOf, type LabelSize, type PlateLayout } from '../../plates/sheet'
import type { Plate, PrintedLabel } from '../types'
import { widthOf } from './fonts'
import { linesOf } from './lines'
import type { Box, Item, Paper, Tone } from './page'
import { wordsBoxes } from './words-box'

/** Sizes of a plate before it is brought to the page: pixels of a sheet as wide as it is laid out. */
const name = 10
const text = 12.5
const widestText = 190

/** One face with its labels in the margins; on a paper too small for that, numbered, with the labels listed. */
export function plateBoxes(plate: Plate, paper: Paper, width: number, tallest: number): Box[] {
  const found = paper.id === 'card' ? null : marginBox(plate, paper, width, tallest)
  return found ? [found] : listedPlate(plate, paper, width, tallest)
}

/** Two faces with few labels beside each other, where both are of one side of the camera; null where that does not do. */
export function pairBox(one: Plate, two: Plate, paper: Paper, width: number, tallest: number): Box | null {
  const isSmall = ({ labels }: Plate) => labels.length <= 3
  if (paper.id === 'card' || one.side !== two.side || !isSmall(one) || !isSmall(two)) return null
  const gap = paper.text
  const half = (width - gap) / 2
  const boxes = [one, two].map((plate) => marginBox(plate, paper, half, tallest, width / half))
  const [left, right] = boxes
  if (!left || !right) return null
  return {
    height: Math.max(left.height, right.height),
    at: (x, y) => [...left.at(x, y), ...right.at(x + half + gap, y)],
  }
}

/** Shares of the height there is, the smallest first: a plate takes no more than it needs to be seen well. */
const heights = [0.34, 0.42, 0.5, 0.62, 0.74, 0.84]

function marginBox(plate: Plate, paper: Paper, width: number, tallest: number, part = 1): Box | null {
  const sizes = plate.labels.map(sizeOf)
  for (const pixels of [paper.plate, paper.plate * 1.2]) {
    const wide = pixels / part
    const scale = width / wide
    for (const share of heights) {
      const layout = layoutPlate(plate.face, sizes, wide, (tallest * share) / scale)
      if (layout && layout.drawing.width >= wide * (part === 1 ? 0.4 : 0.56))
        return marginPlate(plate, layout, scale, paper)
    }
  }
  return null
}

/** Every gesture in lines of its own; the name of the control above them. */
function rowsOf({ lines }: PrintedLabel): { text: string; isQuiet: boolean }[] {
  return lines.flatMap(({ gesture, text: says, isQuiet }) => {
    const words = lines.length > 1 ? `${gesture}: ${says}` : says
    return linesOf(words, isQuiet ? 'text' : 'bold', text, widestText).map((line) => ({
      text: line,
      isQuiet,
    }))
  })
}

function sizeOf(label: PrintedLabel): LabelSize {
  const rows = rowsOf(label)
  const wide = rows.map((row) => widthOf(row.text, row.isQuiet ? 'text' : 'bold', text))
  return {
    control: label.control,
    rows: label.lines.length,
    width: Math.ceil(Math.max(widthOf(label.control.name, 'text', name), ...wide)) + 4,
    height: name * 1.3 + rows.length * text * 1.18 + 3,
  }
}

function marginPlate(plate: Plate, layout: PlateLayout, scale: number, paper: Paper): Box {
  const edge = (at: { readonly x: number; readonly y: number }, x: number, y: number): [number, number] => [
    x + at.x * scale,
    y + at.y * scale,
  ]
  // Only as high as what is drawn: a layout is centred in the room it was given.
  const boxes = [layout.drawing, ...layout.labels.map(({ box }) => box)]
  const top = Math.min(...boxes.map((box) => box.y)) * scale
  const bottom = Math.max(...boxes.map((box) => box.y + box.height)) * scale
  return {
    height: bottom - top + paper.text * 1.2,
    at: (x, down) => {
      const y = down - top
      return [
        ...drawing(plate, scaled(layout.drawing, scale, x, y)),
        ...layout.labels.flatMap(({ control, leader, bracket }): Item[] => [
          ...[leader, ...(bracket ? [bracket] : [])].map(([from, to]): Item => ({
            ...{ kind: 'line', from: edge(from, x, y), to: edge(to, x, y) },
            ...{ width: 0.5, tone: 'silt' },
          })),
          {
            kind: 'ellipse',
            at: edge(leader[1], x, y),
            half: [1.2, 1.2],
            width: 0,
            tone: 'ink',
            fill: 'ink',
          },
          ...labelItems(plate, control, layout, scale, x, y),
        ]),
      ]
    },
  }
}

function labelItems(
  { labels }: Plate,
  control: Control,
  layout: PlateLayout,
  scale: number,
  x: number,
  y: number,
): Item[] {
  const label = labels.find((one) => one.control === control)
  const place = layout.labels.find((one) => one.control === control)
  if (!label || !place) return []
  const { box } = place
  const put = (words: string, face: 'text' | 'bold', size: number, tone: Tone, down: number): Item => {
    const wide = widthOf(words, face, size)
    const left =
      place.edge === 'left'
        ? box.width - wide
        : place.edge === 'right'
          ? 0
          : Math.max(0, (box.width - wide) / 2)
    return {
      ...{ kind: 'text', text: words, face, tone },
      size: size * scale,
      x: x + (box.x + left) * scale,
      y: y + (box.y + down) * scale,
    }
  }
  return [
    put(control.name, 'text', name, 'silt', name),
    ...rowsOf(label).map((row, i) =>
      put(
        row.text,
        row.isQuiet ? 'text' : 'bold',
        text,
        row.isQuiet ? 'silt' : 'ink',
        name * 1.3 + text * (0.9 + i * 1.18),
      ),
    ),
  ]
}

interface Drawn {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

function scaled(box: Drawn, scale: number, x: number, y: number): Drawn {
  return {
    x: x + box.x * scale,
    y: y + box.y * scale,
    width: box.width * scale,
    height: box.height * scale,
  }
}

const strokes: Readonly<Record<Stroke['weight'], { width: number; tone: Tone; fill: Tone | null }>> = {
  outline: { width: 1, tone: 'ink', fill: 'paper' },
  detail: { width: 0.7, tone: 'ink', fill: null },
  glass: { width: 0.5, tone: 'silt', fill: 'glass' },
  faint: { width: 0.5, tone: 'silt', fill: null },
}

/** The line art of a face with its labelled controls. */
function drawing({ face, labels }: Plate, box: Drawn): Item[] {
  return [
    ...face.strokes.map(({ path, weight }): Item => ({
      kind: 'path',
      d: svgpath(path)
        .scale(box.width / 1000, box.height / 1000)
        .translate(box.x, box.y)
        .round(2)
        .toString(),
      ...strokes[weight],
    })),
    ...labels.map(({ control }) => shapeOf(control, box)),
  ]
}

function shapeOf(control: Control, box: Drawn): Item {
  const { x, y } = centreOf(control, box)
  const [rx, ry] = [(control.size[0] * box.width) / 2, (control.size[1] * box.height) / 2]
  const look = { width: 0.8, tone: 'ink', fill: control.kind === 'touch' ? null : 'paper' } as const
  return control.shape === 'ribbed' || control.shape === 'bar'
    ? {
        kind: 'rect',
        at: [x - rx, y - ry],
        size: [2 * rx, 2 * ry],
        radius: Math.min(rx, ry) * 0.5,
        ...look,
      }
    : { kind: 'ellipse', at: [x, y], half: [rx, ry], ...look }
}

/** The face with a number at each control, and the labels by number below it. */
function listedPlate(plate: Plate, paper: Paper, width: number, tallest: number): Box[] {
  const size = paper.text
  const drawn = Math.min(width * 0.6, tallest * 0.45 * plate.face.aspect)
  const height = drawn / plate.face.aspect
  const picture: Box = {
    height: height + size * 0.8,
    at(x, y) {
      const box = { x: x + (width - drawn) / 2, y, width: drawn, height }
      return [
        ...drawing(plate, box),
        ...plate.labels.map(({ control }, i): Item => {
          const at = centreOf(control, box)
          const number = String(i + 1)
          return {
            ...{ kind: 'text', text: number, face: 'bold', size: size * 0.9, tone: 'ink' },
            x: at.x - widthOf(number, 'bold', size * 0.9) / 2,
            y: at.y + size * 0.32,
          }
        }),
      ]
    },
  }
  const said = plate.labels.flatMap((label, i) => {
    const rows = rowsOf(label).map((row) => row.text)
    return wordsBoxes(`${i + 1}  ${label.control.name}: ${rows.join('; ')}`, paper, width, false)
  })
  return [picture, ...said]
}
