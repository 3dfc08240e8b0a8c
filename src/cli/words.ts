import { commonFunctions, commonSettings } from '@/core/vocabulary/catalogue'
import { matchLabel, type LabelMatch } from '@/core/vocabulary/match/match'
import { boundedBytes } from '@/disk/bounded'
import { done, refused, type Command } from './command'

/** `match FILE`: what the labels of any camera mean, a line each, by their words alone. */
export const matchLabels: Command = {
  name: 'match',
  usage: 'match FILE',
  summary: 'name what labels of any camera mean: a text file, one label a line',
  options: {},
  operands: 1,
  async run([path = '']) {
    const bytes = await boundedBytes(path)
    if (!bytes.ok) return refused(bytes.refusal)
    const lines = readLines(bytes.value)
    if (!lines) return refused({ code: 'not-text', message: 'This is no text in UTF-8.', where: path })
    const long = lines.findIndex((line) => line.length > longest)
    if (long >= 0) {
      const message = `A label has at most ${longest} characters; line ${long + 1} has ${lines[long]?.length ?? 0}.`
      return refused({ code: 'too-long', message, where: `${path}: line ${long + 1}` })
    }
    const labels = lines.filter((line) => line.trim() !== '').map((line) => matchLabel(line.trim()))
    return done(labels.map(inWords).join('\n'), labels)
  },
}

const longest = 200

function readLines(bytes: Uint8Array): string[] | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes).split(/\r?\n/)
  } catch {
    return null
  }
}

function inWords({ text, kind, matches }: LabelMatch): string {
  if (kind === null) return `${text}: nothing fits`
  const terms = kind === 'setting' ? commonSettings : commonFunctions
  const named = matches.map(
    ({ id, sure }) => `${terms.get(id)?.term ?? id} (${id}) ${Math.round(sure * 100)} %`,
  )
  return `${text}: ${kind} ${named.join(', or ')}`
}
