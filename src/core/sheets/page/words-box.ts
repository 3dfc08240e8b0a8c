import { linesOf } from './lines'
import type { Box, Paper } from './page'

/** A text, a box for each of its lines, so that a page may end after any of them. */
export function wordsBoxes(text: string, paper: Paper, width: number, isQuiet: boolean): Box[] {
  const size = isQuiet ? paper.text * 0.92 : paper.text
  const lines = linesOf(text, 'text', size, width)
  return lines.map((line, i) => ({
    height: size * (i === lines.length - 1 ? 1.52 : 1.32),
    at: (x, y) => [
      {
        ...({ kind: 'text', x, text: line, face: 'text', size } as const),
        tone: isQuiet ? 'silt' : 'ink',
        y: y + size,
      },
    ],
  }))
}
