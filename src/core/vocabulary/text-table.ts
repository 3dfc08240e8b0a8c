/** The cells of a table's lines, trimmed; throws on a line with another count of cells. */
export function linesOf(text: string, cells: number): string[][] {
  return text
    .trim()
    .split('\n')
    .map((line) => cellsOf(line, cells))
}

/** A table of blocks: a line each of so many cells, and under it the lines begun with `>`, of so many. */
export function blocksOf(text: string, cells: number, under: number): string[][][] {
  const blocks: string[][][] = []
  for (const line of text.trim().split('\n')) {
    if (line.startsWith('>')) blocks.at(-1)?.push(cellsOf(line.slice(1), under))
    else blocks.push([cellsOf(line, cells)])
  }
  return blocks
}

function cellsOf(line: string, cells: number): string[] {
  const parts = line.split('|').map((part) => part.trim())
  if (parts.length !== cells) throw new Error(`this line has ${parts.length} cells, not ${cells}: ${line}`)
  return parts
}
