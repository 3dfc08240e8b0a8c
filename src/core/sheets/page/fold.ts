import type { Item, Page, Paper } from './page'

/** Where a page of a paper stands on what is printed, its upper left corner in points; pages of a sheet of their own stand at 0. */
export function placeOn({ width, height, on }: Paper, page: number): { left: number; top: number } {
  if (!on) return { left: 0, top: 0 }
  const here = page % (on.across * on.down)
  return {
    left: (on.width - on.across * width) / 2 + (here % on.across) * width,
    top: (on.height - on.down * height) / 2 + Math.floor(here / on.across) * height,
  }
}

/** Pages as they are printed: one a sheet, or as many as stand on one, with lines to cut along and marks to fold at. */
export function printed(paper: Paper, pages: readonly (readonly Item[])[]): Page[] {
  const { on } = paper
  if (!on) return pages.map((items) => ({ width: paper.width, height: paper.height, items }))
  const each = on.across * on.down
  return Array.from({ length: Math.ceil(pages.length / each) }, (_, i) => {
    const mine = pages.slice(i * each, (i + 1) * each)
    const rows = Math.ceil(mine.length / on.across)
    return {
      ...{ width: on.width, height: on.height },
      items: [...cutItems(paper, on.across, rows), ...mine.flat()],
    }
  })
}

/** How far a mark to fold at stands out over the line, in points. */
const foldMark = 5

function cutItems(paper: Paper, across: number, rows: number): Item[] {
  const { left, top } = placeOn(paper, 0)
  const [right, bottom] = [left + across * paper.width, top + rows * paper.height]
  const line = (from: [number, number], to: [number, number]): Item => ({
    ...({ kind: 'line', width: 0.4, tone: 'rule' } as const),
    from,
    to,
  })
  const cuts = Array.from({ length: rows + 1 }, (_, row) => top + row * paper.height)
  const folds = Array.from({ length: across - 1 }, (_, column) => left + (column + 1) * paper.width)
  return [
    ...cuts.map((y) => line([left, y], [right, y])),
    line([left, top], [left, bottom]),
    line([right, top], [right, bottom]),
    ...folds.flatMap((x) => cuts.flatMap((y) => [line([x, y - foldMark], [x, y + foldMark])])),
    {
      ...({ kind: 'text', face: 'text', size: 7, tone: 'silt' } as const),
      ...{ x: left, y: bottom + 10, text: 'Cut along the lines, fold at the marks.' },
    },
  ]
}
