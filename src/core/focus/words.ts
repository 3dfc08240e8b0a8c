import { showValue } from '../model/domain'
import { keyName } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Value } from '../vocabulary/values'
import { isRunning, type Does, type FocusOutcome, type FullPress } from './outcome'
import { released, type FocusRow, type FocusTable } from './table'

/** An outcome in the camera's own words, a phrase for each thing that is asked of it. */
export interface OutcomeWords {
  readonly does: string
  /** The key that is obeyed, or that it runs by itself; empty where neither is so. */
  readonly by: string
  readonly mode: string
  readonly area: string
  readonly detection: string
  readonly tracking: string
  readonly full: string
}

const doesWords: Readonly<Record<Does, string>> = {
  once: 'focuses once',
  follows: 'keeps focusing',
  no: 'no autofocus',
  rests: 'AF stopped',
  keeps: 'focus locked',
}

const fullWords: Readonly<Record<FullPress, string>> = {
  picture: 'takes the picture',
  'picture-when-sharp': 'waits for focus',
  records: 'records',
  nothing: 'nothing',
}

/** What comes of keys held, in words; a setting the body has not is said by a dash. */
export function outcomeWords(model: BodyModel, outcome: FocusOutcome): OutcomeWords {
  const show = (means: string, value: Value | null) => valueWords(model, means, value)
  return {
    does: doesWords[outcome.does],
    by:
      outcome.by === null ? (outcome.does === 'follows' ? 'by itself' : '') : heldWords(model, [outcome.by]),
    mode: show('focus.mode', outcome.mode),
    area: show('focus.area', outcome.area),
    detection: show('focus.detection', outcome.detection),
    tracking: show('focus.tracking', outcome.tracking),
    full: fullWords[outcome.full],
  }
}

/** Keys held together, in the order in which they go down, in words. */
export function heldWords(model: BodyModel, held: readonly string[]): string {
  if (held.length === 0) return 'No key held'
  return held
    .map((key) => {
      const address = lookup(model).addresses.get(key)
      if (!address) return key
      return address.gesture.id === 'half-press' ? 'Half-press' : keyName({ address })
    })
    .join(' + ')
}

/**
 * A line of the trigger table as a sentence: what to hold, what autofocus then does, what when a key is let go, what a full press
 * does. Such as "Hold Thumb focus key: AF focuses once, area Zone, with subject detection; let go: AF stops. Full press: waits for focus." Of
 * keys held together it says which is obeyed.
 */
export function rowSentence(model: BodyModel, table: FocusTable, row: FocusRow): string {
  const outcomes = unique(row.outcomes.map((one) => phrase(model, one, row.held.length > 1))).join(', or ')
  const full = unique(row.outcomes.map((one) => fullWords[one.full])).join(' or ')
  const hold =
    row.held.length === 0
      ? 'No key held'
      : `Hold ${row.held.map((key) => heldWords(model, [key])).join(', then ')}`
  const lets = letGoOf(model, table, row).map(({ keys, does }) =>
    row.held.length === 1 || keys.length === row.held.length
      ? `let go: ${does}`
      : `let go of ${heldWords(model, keys)}: ${does}`,
  )
  // The model asks once about what many pairs hang on: its question names other keys than these.
  const asks = row.asks.length === 0 ? '' : ' Test on body.'
  return `${[`${hold}: ${outcomes}`, ...lets].join('; ')}. Full press: ${full}.${asks}`
}

/** What comes when a key of a line is let go, the keys that lead to the same together; of two held, each let go first. */
export function letGoOf(
  model: BodyModel,
  table: FocusTable,
  row: FocusRow,
): { readonly keys: readonly string[]; readonly does: string }[] {
  const ways = new Map<string, string[]>()
  const ran = row.outcomes.some(isRunning)
  for (const key of row.held) {
    const after = released(table, row, key)
    const does = after
      ? unique(after.outcomes.map((one) => afterwards(model, one, ran))).join(' or ')
      : 'nothing'
    ways.set(does, [...(ways.get(does) ?? []), key])
  }
  return [...ways].map(([does, keys]) => ({ keys, does }))
}

function afterwards(model: BodyModel, outcome: FocusOutcome, ran: boolean): string {
  if (outcome.does === 'no') return ran ? 'AF stops' : 'no autofocus'
  return outcomeWords(model, outcome).does
}

function phrase(model: BodyModel, outcome: FocusOutcome, isTogether: boolean): string {
  const words = outcomeWords(model, outcome)
  if (!isRunning(outcome)) return words.does
  const isOn = (value: Value | null) =>
    value !== null && value !== false && value !== 'off' && value !== 'none'
  const named = (means: string, what: string, value: Value | null) =>
    isOn(value) && lookup(model).byMeaning.has(means)
      ? [value === true ? `with ${what}` : `${what} ${valueWords(model, means, value)}`]
      : []
  return [
    outcome.does === 'once' ? 'AF focuses once' : 'AF keeps focusing',
    ...named('focus.area', 'area', outcome.area),
    ...named('focus.detection', 'subject detection', outcome.detection),
    ...named('focus.tracking', 'tracking', outcome.tracking),
    ...(words.by === 'by itself' ? ['by itself'] : isTogether ? [`by ${words.by}`] : []),
  ].join(', ')
}

function valueWords(model: BodyModel, means: string, value: Value | null): string {
  const setting = lookup(model).byMeaning.get(means)
  return setting && value !== null ? showValue(setting.domain, value) : '–'
}

function unique(words: readonly string[]): string[] {
  return [...new Set(words)]
}
