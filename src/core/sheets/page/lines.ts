import { widthOf, type FaceName } from './fonts'

/** A text in lines no wider than `width`: broken at spaces, and within words that are wider by themselves. */
export function linesOf(text: string, face: FaceName, size: number, width: number): string[] {
  const lines: string[] = []
  let line = ''
  const space = widthOf(' ', face, size)
  let used = 0
  for (const word of text.split(/\s+/).filter((one) => one !== '')) {
    let rest = word
    let wide = widthOf(rest, face, size)
    if (line !== '' && used + space + wide <= width) {
      line += ` ${rest}`
      used += space + wide
      continue
    }
    if (line !== '') lines.push(line)
    while (wide > width && rest.length > 1) {
      const head = headOf(rest, face, size, width)
      lines.push(head)
      rest = rest.slice(head.length)
      wide = widthOf(rest, face, size)
    }
    line = rest
    used = wide
  }
  if (line !== '' || lines.length === 0) lines.push(line)
  return lines
}

/** As much of a word as there is room for: one letter at least. */
function headOf(word: string, face: FaceName, size: number, width: number): string {
  let head = ''
  let used = 0
  for (const letter of word) {
    used += widthOf(letter, face, size)
    if (used > width && head !== '') break
    head += letter
  }
  return head
}

/** How wide the longest word of a text is. */
export function longestWord(text: string, face: FaceName, size: number): number {
  return Math.max(0, ...text.split(/\s+/).map((word) => widthOf(word, face, size)))
}
