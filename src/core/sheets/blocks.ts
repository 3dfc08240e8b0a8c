import type { Block, Cell, Line } from './types'

/** A heading with a table under it; nothing where the table has no lines. */
export function tableUnder(
  part: string,
  text: string,
  columns: readonly string[],
  lines: readonly Line[],
): Block[] {
  return lines.length === 0
    ? []
    : [
        { part, kind: 'heading', text },
        { part, kind: 'table', name: text, columns, lines },
      ]
}

/** A heading with sentences under it; nothing where there are none. */
export function wordsUnder(part: string, text: string, lines: readonly string[]): Block[] {
  return lines.length === 0
    ? []
    : [
        { part, kind: 'heading', text },
        { part, kind: 'words', lines },
      ]
}

/** The text of a cell with its sign before it, as it is printed and written. */
export function signed(cell: Cell | undefined): string {
  if (!cell || cell.text === '') return ''
  const sign = cell.mark === 'problem' ? '▲ ' : cell.mark === 'unsure' ? '? ' : ''
  return `${sign}${cell.text}`
}
