import type { Block, Sheet } from '../types'
import { widthOf } from './fonts'
import { placeOn, printed } from './fold'
import { linesOf } from './lines'
import { papers, type Box, type Item, type Page, type Paper, type PaperId } from './page'
import { pairBox, plateBoxes } from './plate-box'
import { columnWidths, lineBoxes } from './table-box'
import { wordsBoxes } from './words-box'

/** A page that is being filled. */
interface Filling {
  readonly items: Item[]
  /** Where it stands on what is printed. */
  readonly left: number
  readonly top: number
  y: number
}

/**
 * The pages of a sheet on a paper. Each block is broken between its lines only; a heading stays with what follows, a table
 * says its columns again on each page, and every page says what it is of and which of how many. Linear in the blocks.
 */
export function composePages(sheet: Sheet, paperId: PaperId): Page[] {
  const paper = papers[paperId]
  const pages: Filling[] = []
  const width = paper.width - 2 * paper.margin
  const foot = paper.text * 1.6
  const bottom = paper.height - paper.margin - foot
  const tallest = bottom - paper.margin
  const begin = (): Filling => {
    const { left, top } = placeOn(paper, pages.length)
    const page = { items: [] as Item[], left, top, y: paper.margin }
    pages.push(page)
    return page
  }
  let page = begin()
  const put = (box: Box, repeat: Box | null = null) => {
    if (page.y + box.height > bottom && page.y > paper.margin) {
      page = begin()
      if (repeat) put(repeat)
    }
    page.items.push(...box.at(page.left + paper.margin, page.top + page.y))
    page.y += box.height
  }
  /** Begins a new page unless there is room for so much. */
  const room = (height: number) => {
    if (page.y + height > bottom && page.y > paper.margin) page = begin()
  }
  put(headBox(sheet, paper, width))
  const besides = new Set<number>()
  for (const [i, whole] of sheet.blocks.entries()) {
    const block = withoutEmptyColumns(whole)
    const next = sheet.blocks[i + 1]
    if (block.kind === 'heading') {
      room(paper.text * 3 + (next ? leastHeight(next, paper, width, tallest) : 0))
      put(headingBox(block.text, paper, width))
    } else if (block.kind === 'words') {
      for (const line of block.lines)
        for (const box of wordsBoxes(line, paper, width, block.isQuiet === true)) put(box)
      put(gapBox(paper.text * 0.5))
    } else if (block.kind === 'plate') {
      // Two small plates of one side stand beside each other.
      if (besides.has(i - 1)) continue
      const pair = next?.kind === 'plate' ? pairBox(block, next, paper, width, tallest) : null
      if (pair) {
        besides.add(i)
        put(pair)
      } else for (const box of plateBoxes(block, paper, width, tallest)) put(box)
    } else {
      const widths = columnWidths(block, paper, width)
      const named = { cells: block.columns.map((text) => ({ text })) }
      const [head] = block.columns.some((text) => text !== '')
        ? lineBoxes(named, widths, paper, 'head', tallest / 3)
        : []
      if (head) {
        room(head.height + paper.text * 2.4)
        put(head)
      }
      for (const line of block.lines)
        for (const box of lineBoxes(line, widths, paper, 'line', tallest - (head?.height ?? 0)))
          put(box, head ?? null)
      put(gapBox(paper.text * 0.8))
    }
  }
  return printed(
    paper,
    pages.map(({ items, left, top }, i) => [
      ...items,
      ...footItems(sheet, paper, left, top, `${i + 1} / ${pages.length}`),
    ]),
  )
}

/** A table without the columns in which nothing stands: on paper they only take room. */
function withoutEmptyColumns(block: Block): Block {
  if (block.kind !== 'table') return block
  const kept = block.columns.flatMap((_, i) => (block.lines.some(({ cells }) => cells[i]?.text) ? [i] : []))
  if (kept.length === block.columns.length) return block
  return {
    ...block,
    columns: kept.map((i) => block.columns[i] ?? ''),
    lines: block.lines.map((line) => ({ ...line, cells: kept.flatMap((i) => line.cells[i] ?? []) })),
  }
}

/** What has to stand under a heading on the same page. */
function leastHeight(block: Block, paper: Paper, width: number, tallest: number): number {
  const [first] = block.kind === 'plate' ? plateBoxes(block, paper, width, tallest) : []
  return Math.min(first?.height ?? paper.text * 5, tallest - paper.text * 3)
}

function gapBox(height: number): Box {
  return { height, at: () => [] }
}

/** What the sheet is, of what, for which body, and how it stands. */
function headBox({ title, plan, model, body, stand }: Sheet, paper: Paper, width: number): Box {
  const size = paper.text * 1.9
  const about = [plan, model, body].filter((one) => one !== '').join(' · ')
  const lines = linesOf(about, 'text', paper.text, width)
  const beside = width - widthOf(title, 'head', size) - paper.text > widthOf(stand, 'text', paper.text)
  const step = paper.text * 1.35
  const height = size * 1.15 + (lines.length + (beside ? 0 : 1)) * step + paper.text * 0.9
  return {
    height,
    at: (x, y) => [
      { kind: 'text', x, y: y + size * 0.9, text: title, face: 'head', size, tone: 'ink' },
      {
        kind: 'text',
        x: beside ? x + width - widthOf(stand, 'text', paper.text) : x,
        y: beside ? y + size * 0.9 : y + size * 1.15 + step * 0.8,
        text: stand,
        face: 'text',
        size: paper.text,
        tone: 'ink',
      },
      ...lines.map((text, i) => ({
        ...({ kind: 'text', x, text, face: 'text', size: paper.text, tone: 'silt' } as const),
        y: y + size * 1.15 + step * (i + (beside ? 0 : 1) + 0.8),
      })),
      {
        kind: 'line',
        from: [x, y + height - paper.text * 0.6],
        to: [x + width, y + height - paper.text * 0.6],
        width: 1.2,
        tone: 'ink',
      },
    ],
  }
}

function headingBox(text: string, paper: Paper, width: number): Box {
  const size = paper.text * 1.35
  const lines = linesOf(text, 'head', size, width)
  return {
    height: lines.length * size * 1.25 + paper.text * 0.9,
    at: (x, y) =>
      lines.map((line, i) => ({
        ...({ kind: 'text', x, text: line, face: 'head', size, tone: 'ink' } as const),
        y: y + paper.text * 0.5 + size * (0.95 + i * 1.25),
      })),
  }
}

function footItems(
  { title, plan, stand }: Sheet,
  paper: Paper,
  left: number,
  top: number,
  count: string,
): Item[] {
  const size = paper.text * 0.86
  const y = top + paper.height - paper.margin
  const said = [title, plan, stand].filter((one) => one !== '').join(' · ')
  const countWidth = widthOf(count, 'text', size)
  const [first = ''] = linesOf(said, 'text', size, paper.width - 2 * paper.margin - countWidth - 10)
  const text = { kind: 'text', y, face: 'text', size, tone: 'silt' } as const
  return [
    { ...text, x: left + paper.margin, text: first },
    { ...text, x: left + paper.width - paper.margin - countWidth, text: count },
  ]
}
