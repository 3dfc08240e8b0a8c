import type { CommonSetting, Touches, Unit } from './common'

const touches: readonly string[] = ['raw', 'still', 'movie', 'preview', 'histogram', 'meter', 'sound', 'hand']

/** Reads a table of common settings, a line each: id | term | unit | touches | plain words. Throws on a line out of shape. */
export function table(text: string): CommonSetting[] {
  return linesOf(text, 5).map(([id = '', term = '', unit = '', touched = '', plain = '']) => {
    const list = touched.split(' ')
    const odd = list.find((one) => !touches.includes(one))
    if (odd !== undefined) throw new Error(`${id} touches “${odd}”, which is not known`)
    return { id, group: id.split('.')[0] ?? id, term, unit: unit as Unit, touches: list as Touches[], plain }
  })
}

/** The cells of a table's lines, trimmed; throws on a line with another count of cells. */
export function linesOf(text: string, cells: number): string[][] {
  return text
    .trim()
    .split('\n')
    .map((line) => {
      const parts = line.split('|').map((part) => part.trim())
      if (parts.length !== cells)
        throw new Error(`this line has ${parts.length} cells, not ${cells}: ${line}`)
      return parts
    })
}
