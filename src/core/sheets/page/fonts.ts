import widths from './widths.json'

/** The fonts on paper, and the files they come from, as packages name them. */
export const fontFiles = {
  text: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
  textMore:
    '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff',
  bold: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
  boldMore:
    '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff',
  head: '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-600-normal.woff',
  headMore: '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-ext-600-normal.woff',
  greek: '@fontsource/noto-sans/files/noto-sans-greek-400-normal.woff',
  cyrillic: '@fontsource/noto-sans/files/noto-sans-cyrillic-400-normal.woff',
  math: '@fontsource/noto-sans-math/files/noto-sans-math-latin-400-normal.woff',
  signs: '@fontsource/noto-sans-symbols-2/files/noto-sans-symbols-2-symbols-400-normal.woff',
} as const

/** One of the fonts. */
export type FontId = keyof typeof fontFiles

/** A way to set text: the fonts that are asked for a letter, in order. */
export const faces = {
  text: ['text', 'textMore', 'greek', 'cyrillic', 'math', 'signs'],
  bold: ['bold', 'boldMore', 'greek', 'cyrillic', 'math', 'signs'],
  head: ['head', 'headMore', 'bold', 'boldMore', 'greek', 'cyrillic', 'math', 'signs'],
} as const satisfies Readonly<Record<string, readonly FontId[]>>

/** One of the ways to set text. */
export type FaceName = keyof typeof faces

/** Letters of a text that one font has. */
export interface FontRun {
  readonly font: FontId
  readonly text: string
  /** In thousandths of the size. */
  readonly width: number
}

/** What stands for a letter that no font has. */
const unknown = '?'

type Runs = readonly (readonly [first: number, widths: readonly number[]])[]
const table = new Map<FontId, ReadonlyMap<number, number>>(
  (Object.entries(widths) as unknown as [FontId, Runs][]).map(([id, runs]) => [
    id,
    new Map(runs.flatMap(([first, each]) => each.map((width, i) => [first + i, width] as const))),
  ]),
)

/** A text in runs of one font each; letters that none has become a question mark. */
export function runsOf(text: string, face: FaceName): FontRun[] {
  const runs: { font: FontId; text: string; width: number }[] = []
  for (const letter of text) {
    const { font, shown, width } = letterIn(letter, face)
    const last = runs.at(-1)
    if (last?.font === font) {
      last.text += shown
      last.width += width
    } else runs.push({ font, text: shown, width })
  }
  return runs
}

/** How wide a text is, set in a size. */
export function widthOf(text: string, face: FaceName, size: number): number {
  let sum = 0
  for (const letter of text) sum += letterIn(letter, face).width
  return (sum * size) / 1000
}

function letterIn(letter: string, face: FaceName): { font: FontId; shown: string; width: number } {
  const code = letter.codePointAt(0) ?? 0
  for (const font of faces[face]) {
    const width = table.get(font)?.get(code)
    if (width !== undefined) return { font, shown: letter, width }
  }
  const [first] = faces[face]
  return { font: first, shown: unknown, width: table.get(first)?.get(63) ?? 500 }
}
