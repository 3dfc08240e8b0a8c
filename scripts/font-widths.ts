import { openSync } from 'fontkit'
import { createRequire } from 'node:module'
import { writeFileSync } from 'node:fs'
import { fontFiles, type FontId } from '../src/core/sheets/page/fonts'

/**
 * Writes `src/core/sheets/page/widths.json`: how wide every letter of the fonts on paper is, in thousandths of its size, so that
 * a page is composed the same wherever it is composed. Each font is a list of runs: the first letter, and the widths from it on.
 */
const { resolve } = createRequire(import.meta.url)
const widths = Object.fromEntries(
  Object.entries(fontFiles).map(([id, file]) => {
    const font = openSync(resolve(file))
    if (!('characterSet' in font)) throw new Error(`${file} holds more than one font`)
    const scale = 1000 / font.unitsPerEm
    const runs: (readonly [first: number, widths: number[]])[] = []
    for (const code of [...font.characterSet].sort((one, two) => one - two)) {
      if (!isUsed(id as FontId, code)) continue
      const width = Math.round(font.glyphForCodePoint(code).advanceWidth * scale)
      const last = runs.at(-1)
      if (last && last[0] + last[1].length === code) last[1].push(width)
      else runs.push([code, [width]])
    }
    return [id, runs]
  }),
)
writeFileSync('src/core/sheets/page/widths.json', `${JSON.stringify(widths)}\n`)

/** Of the fonts of signs only arrows, operators, shapes and ticks: nobody writes the rest into a plan. */
function isUsed(id: FontId, code: number): boolean {
  if (id !== 'math' && id !== 'signs') return true
  return code >= 0x2000 && code <= 0x27bf
}
