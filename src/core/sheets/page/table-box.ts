import { signed } from '../blocks'
import type { Cell, Line, Table } from '../types'
import { widthOf, type FaceName } from './fonts'
import { linesOf, longestWord } from './lines'
import type { Box, Item, Paper, Tone } from './page'

/** Points between columns, in sizes of the text. */
const between = 0.9

/**
 * How wide each column is: as wide as its longest line where all of them have room; else each its longest word, and what is
 * left by how much more it would take.
 */
export function columnWidths({ columns, lines }: Table, paper: Paper, width: number): number[] {
  const gaps = (columns.length - 1) * between * paper.text
  const room = width - gaps
  const each = columns.map((name, i) => {
    const texts = [name, ...lines.map(({ cells }) => signed(cells[i]))]
    const faces = [headFace, ...lines.map(({ cells }) => faceOf(cells[i]))]
    const wide = texts.map((text, k) => widthOf(text, faces[k] ?? 'text', paper.text))
    const words = texts.map((text, k) => longestWord(text, faces[k] ?? 'text', paper.text))
    return { least: Math.min(Math.max(...words), room * 0.5), most: Math.max(...wide) }
  })
  const [least, most] = [sum(each.map((one) => one.least)), sum(each.map((one) => one.most))]
  if (most <= room) {
    const last = each.length - 1
    return each.map((one, i) => (i === last ? one.most + room - most : one.most))
  }
  // What is short anyway is not broken, as long as the rest has room.
  const kept = each.map((one) => ({ ...one, least: one.most <= room * 0.17 ? one.most : one.least }))
  const whole = sum(kept.map((one) => one.least))
  if (whole < room * 0.8) {
    const part = (room - whole) / (most - whole)
    return kept.map((one) => one.least + (one.most - one.least) * part)
  }
  if (least >= room) return each.map((one) => (one.least * room) / least)
  const share = (room - least) / (most - least)
  return each.map((one) => one.least + (one.most - one.least) * share)
}

function sum(amounts: readonly number[]): number {
  return amounts.reduce((all, one) => all + one, 0)
}

const headFace: FaceName = 'bold'

function faceOf(cell: Cell | undefined): FaceName {
  return cell?.isStrong ? 'bold' : 'text'
}

/**
 * A line of a table: every cell in as many lines as it takes, and a hairline below; in several boxes where that is taller
 * than there is room on a page.
 */
export function lineBoxes(
  line: Line,
  widths: readonly number[],
  paper: Paper,
  kind: 'head' | 'line',
  tallest: number,
): Box[] {
  const size = paper.text
  const step = size * 1.24
  const most = Math.max(1, Math.floor((tallest - size) / step))
  const cells = widths.map((width, i) => {
    const face = kind === 'head' ? headFace : faceOf(line.cells[i])
    return { face, lines: linesOf(signed(line.cells[i]), face, size, width + 0.01) }
  })
  const count = Math.max(1, ...cells.map(({ lines }) => lines.length))
  const lefts = widths.map((_, i) => sum(widths.slice(0, i)) + i * between * size)
  const whole = (lefts.at(-1) ?? 0) + (widths.at(-1) ?? 0)
  const tone: Tone = kind === 'head' || line.isQuiet ? 'silt' : 'ink'
  return Array.from({ length: Math.ceil(count / most) }, (_, part): Box => {
    const shown = cells.map(({ face, lines }) => ({
      face,
      lines: lines.slice(part * most, (part + 1) * most),
    }))
    const height = Math.max(1, ...shown.map(({ lines }) => lines.length)) * step + size * 0.5
    return {
      height,
      at: (x, y) => [
        ...shown.flatMap(({ face, lines }, i) =>
          lines.flatMap((text, k): Item[] =>
            text === ''
              ? []
              : [
                  {
                    ...{ kind: 'text', text, face, size, tone },
                    x: x + (lefts[i] ?? 0),
                    y: y + size * 1.05 + k * step,
                  },
                ],
          ),
        ),
        {
          kind: 'line',
          from: [x, y + height - size * 0.1],
          to: [x + whole, y + height - size * 0.1],
          width: kind === 'head' ? 0.9 : 0.4,
          tone: kind === 'head' ? 'ink' : 'rule',
        },
      ],
    }
  })
}
