import MiniSearch from 'minisearch'
import { commonFunctions, commonSettings } from '../catalogue'
import type { CommonFunction, FunctionManner } from '../common'
import { functionSynonyms, settingSynonyms } from '../synonyms'
import { mannerIn, suits, type Said } from './manner'
import { empty, standsFor } from './words'

/** What a label of a camera's menu or lists names, by its words alone. */
export interface LabelMatch {
  readonly text: string
  /** What the best match is; null where nothing fits. */
  readonly kind: 'setting' | 'function' | null
  /** Common settings, or common functions, the surest first; `sure` from 0 to 1. Empty where nothing fits. */
  readonly matches: readonly Sure[]
}

/** A common setting or function, and how surely it is meant: 0 to 1. */
export interface Sure {
  readonly id: string
  readonly sure: number
}

/** One wording of one item of the vocabulary. */
interface Wording {
  readonly number: number
  readonly kind: 'setting' | 'function'
  readonly id: string
  /** The words in the form that stands for their kin. */
  readonly words: string
  /** The wording itself, in small letters. */
  readonly text: string
  readonly manner: FunctionManner | null
  /** What the item is worth beside others with the same words: the term more than a synonym, a wording of its own more than one made. */
  readonly worth: number
}

/**
 * Names what a label means: its words, in the form that stands for their kin, against the terms and other wordings of
 * the vocabulary, rare words counting more; then whether the label says a manner (on/off, choose, dial, while held).
 * A label in groups ("Exposure: compensation") is read whole, and by what stands behind its group.
 */
export function matchLabel(text: string): LabelMatch {
  const label = plain(text)
  const behind = /^[^:]+:\s*(.+)$/.exec(label)?.[1]
  const readings = [reading(label, 1), ...(behind === undefined ? [] : [reading(behind, 0.96)])]
  const best = new Map<string, Candidate>()
  for (const one of readings.flat()) {
    const key = `${one.kind} ${one.id}`
    if (one.sure > (best.get(key)?.sure ?? 0)) best.set(key, one)
  }
  const sorted = [...best.values()].sort((a, b) => b.sure - a.sure || (a.id < b.id ? -1 : 1))
  const top = sorted[0]
  if (!top || top.sure < least) return { text, kind: null, matches: [] }
  const close = sorted.filter(
    ({ kind, sure }) => kind === top.kind && sure >= Math.max(least - 0.1, top.sure - 0.35),
  )
  return {
    text,
    kind: top.kind,
    matches: close
      .slice(0, 5)
      .map(({ id, sure }) => ({ id, sure: Math.min(1, Math.round(sure * 100) / 100) })),
  }
}

interface Candidate {
  readonly kind: 'setting' | 'function'
  readonly id: string
  readonly sure: number
}

/** What a label may mean: read without the words of its manner, and as it stands. */
function reading(label: string, worth: number): Candidate[] {
  const { said, rest } = mannerIn(label)
  const found = candidates(wordsOf(rest), said, label)
  const whole = rest === label ? [] : candidates(wordsOf(label), null, label)
  return [
    ...found.map((one) => ({ ...one, sure: one.sure * worth })),
    ...whole.map((one) => ({ ...one, sure: one.sure * worth * 0.98 })),
  ]
}

/** Below this nothing is meant. */
const least = 0.6

/** The label in small letters, without the numbers of its line in the menu and what stands in brackets as a unit. */
function plain(text: string): string {
  return text
    .toLowerCase()
    .replace(/\bhold set/g, 'holdset')
    .replace(/^\s*(?:[a-z]?\d+[a-z]?(?:[.\-–/:]\d+)*[.):]?\s+)/, '')
    .replace(/[’']s\b/g, '')
    .replace(/ in (?:seconds|minutes|degrees|kelvin|percent|stops)$/, '')
    .replace(/[([](?:s|sec|ev|k|kelvin|%|fps|mm|db|hz|min|deg)[)\]]/g, ' ')
    .trim()
}

function wordsOf(text: string): string[] {
  const raw = text.replace(/-(?=\w)/g, ' ').match(/[a-z0-9%]+/g) ?? []
  const words = raw.filter((word) => !empty.has(word)).flatMap(standsFor)
  return [...new Set(words.length > 0 ? words : raw.flatMap(standsFor))]
}

function candidates(words: readonly string[], said: Said | null, label: string): Candidate[] {
  const { search, weigh, wordings } = index()
  const whole = words.reduce((sum, word) => sum + weigh(word), 0)
  return search.search(words.join(' ')).map((result) => {
    const wording = wordings[result.id as number]!
    const mine = wording.words.split(' ')
    const exact = (list: readonly string[], other: readonly string[]) =>
      list.reduce((sum, word) => sum + weigh(word) * (other.includes(word) ? 1 : near), 0)
    const shared = exact([...new Set(result.queryTerms)], mine) + exact(result.terms, words)
    const all = whole + mine.reduce((sum, word) => sum + weigh(word), 0)
    const fits = Math.min(1, shared / all)
    const verbatim = wording.text === label
    const suited = verbatim ? 1.03 : suits(said, wording.kind, wording.manner)
    const spelled = verbatim ? 0 : alike(label, wording.text) * 0.015
    return { kind: wording.kind, id: wording.id, sure: fits * suited * wording.worth + spelled }
  })
}

/** How much of two wordings is the same to the letter: 0 to 1. Decides between items whose words mean the same. */
function alike(one: string, other: string): number {
  const mine = one.split(/\W+/)
  const theirs = new Set(other.split(/\W+/))
  return (2 * mine.filter((word) => theirs.has(word)).length) / (mine.length + theirs.size)
}

/** What a word counts that is only nearly the same: begun alike, or a letter off. */
const near = 0.85

interface Index {
  readonly search: MiniSearch<Wording>
  readonly wordings: readonly Wording[]
  /** How much a word says: the rarer among the items, the more. */
  readonly weigh: (word: string) => number
}

let made: Index | undefined

function index(): Index {
  made ??= makeIndex()
  return made
}

function makeIndex(): Index {
  const wordings = [...settingWordings(), ...functionWordings()].map((one, number): Wording => ({
    ...one,
    number,
  }))
  const search = new MiniSearch<Wording>({
    idField: 'number',
    fields: ['words'],
    tokenize: (text) => text.split(' '),
    processTerm: (term) => term,
    searchOptions: { prefix: (term) => term.length > 2, fuzzy: (term) => (term.length > 4 ? 0.2 : false) },
  })
  search.addAll(wordings)
  const items = new Map<string, Set<string>>()
  for (const { kind, id, words } of wordings)
    for (const word of words.split(' ')) items.set(word, (items.get(word) ?? new Set()).add(`${kind} ${id}`))
  const count = commonSettings.size + commonFunctions.size
  const weigh = (word: string) => Math.log(1 + count / (items.get(word)?.size ?? 2))
  return { search, wordings, weigh }
}

type Made = Omit<Wording, 'number'>

function settingWordings(): Made[] {
  return [...commonSettings.values()].flatMap(({ id, term }) =>
    wordingsOf(id, term, settingSynonyms).map(({ text, worth }): Made => ({
      kind: 'setting',
      id,
      words: wordsOf(text).join(' '),
      text,
      manner: null,
      worth,
    })),
  )
}

/** A function's own wordings without the words of its manner, and those of the setting it changes. */
function functionWordings(): Made[] {
  return [...commonFunctions.values()].flatMap((fn) => [
    ...wordingsOf(fn.id, fn.term, functionSynonyms).map(({ text, worth }): Made => {
      const { said, rest } = mannerIn(text)
      const manner = said === null && changed(fn).length > 0 ? null : fn.manner
      return { kind: 'function', id: fn.id, words: wordsOf(rest).join(' '), text, manner, worth }
    }),
    ...changed(fn).flatMap((id) =>
      wordingsOf(id, commonSettings.get(id)?.term ?? '', settingSynonyms).map(({ text, worth }): Made => ({
        kind: 'function',
        id: fn.id,
        words: wordsOf(text).join(' '),
        text: '',
        manner: fn.manner,
        worth: worth * 0.97,
      })),
    ),
  ])
}

/** The setting whose wordings are a function's too, said with its manner. */
function changed({ manner, changes, parameters }: CommonFunction): string[] {
  const byManner = ['toggle', 'choose', 'turn', 'cycle', 'held-and-turn'].includes(manner)
  return byManner && changes.length > 0 && parameters.every((one) => one === 'dial')
    ? changes.slice(0, 1)
    : []
}

function wordingsOf(id: string, term: string, synonyms: ReadonlyMap<string, readonly string[]>) {
  const others = (synonyms.get(id) ?? []).map((text) => ({ text: plain(text), worth: 0.985 }))
  return [{ text: plain(term), worth: 1 }, ...others]
}
