import { attachables } from '../../resolve/context'
import { acceptValue, parseRow, rowIdOf } from '../../plan/rows'
import { lookup } from '../../model/lookup'
import { readTyped } from '../../model/typed'
import { orientations, postures, runStates, type BodyModel, type LensModel } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import type { Value } from '../../vocabulary/values'
import type { LiveEvent } from './events'
import { faultKinds } from './state'

/** What a script expects of the body after the event before it. */
export type Expectation =
  | { readonly kind: 'focus' | 'run' | 'side' | 'log'; readonly wanted: string }
  | { readonly kind: 'pictures' | 'films'; readonly wanted: number }
  | { readonly kind: 'refused' | 'lost' | 'test' }
  | { readonly kind: 'setting'; readonly setting: string; readonly wanted: Value }

/** A line of a script: an event, or an expectation. */
export interface ScriptLine {
  readonly line: number
  readonly text: string
  readonly event?: LiveEvent
  readonly expects?: Expectation
}

/** The longest script, in lines, and the longest line, in characters. */
export const mostLines = 10_000
const longestLine = 400

/**
 * Reads a script: a line each for an event or an expectation, `#` for remarks; docs/formats/script.md has the words.
 * Refuses the first line that cannot be read, with its number and what would be accepted.
 */
export function parseScript(
  text: string,
  model: BodyModel,
  lenses: readonly LensModel[],
): Result<ScriptLine[]> {
  const lines = text.split(/\r?\n/)
  if (lines.length > mostLines)
    return refuse('too-long', `A script has at most ${mostLines} lines.`, `line ${mostLines + 1}`)
  const read: ScriptLine[] = []
  for (const [i, whole] of lines.entries()) {
    const where = `line ${i + 1}`
    if (whole.length > longestLine)
      return refuse('too-long', `A line has at most ${longestLine} characters.`, where)
    const plain = whole.replace(/(^|\s)#.*$/, '').trim()
    if (plain === '') continue
    const [verb = '', ...words] = plain.split(/\s+/)
    const rest = plain.slice(verb.length).trim()
    const line =
      verb === 'expect' ? expectation(model, words, rest) : eventOf({ model, lenses, verb, words, rest })
    if (!line.ok) return refuse(line.refusal.code, line.refusal.message, where)
    read.push({ line: i + 1, text: plain, ...line.value })
  }
  return ok(read)
}

type Read = Result<Pick<ScriptLine, 'event' | 'expects'>>

interface Words {
  readonly model: BodyModel
  readonly lenses: readonly LensModel[]
  readonly verb: string
  readonly words: readonly string[]
  readonly rest: string
}

/** The verbs of events, each with the words it takes. */
export const verbs: Readonly<Record<string, string>> = {
  press: 'CONTROL or CONTROL/GESTURE',
  release: 'CONTROL or CONTROL/GESTURE',
  full: '',
  turn: 'CONTROL CLICKS',
  lever: 'SETTING = VALUE',
  menu: 'SETTING = VALUE',
  setup: 'ROW = VALUE, or ROW = none',
  position: 'STOP',
  recall: 'FAMILY SLOT, or FAMILY plain',
  register: 'FAMILY SLOT',
  act: 'ACT, or ACT FILE',
  wait: 'SECONDS',
  power: 'on or off',
  battery: 'PERCENT',
  lens: 'LENS or none',
  rotate: orientations.join(', '),
  posture: postures.join(', '),
  eye: 'yes or no',
  attach: 'what is put on: grip, adapter, flash, microphone, recorder, remote, teleconverter',
  detach: 'grip or adapter',
  card: 'out, in, lock, unlock or full',
  scene: 'EV SUBJECT',
  firmware: 'VERSION',
  fail: faultKinds.join(', '),
}

function eventOf(words: Words): Read {
  const event = readEvent(words)
  if (!event.ok) return event
  if (event.value) return ok({ event: event.value })
  const takes = verbs[words.verb]
  return takes === undefined
    ? refuse('script', `“${words.verb}” is none of ${[...Object.keys(verbs), 'expect'].join(', ')}.`)
    : refuse(
        'script',
        `“${words.verb}” takes ${takes === '' ? 'nothing' : takes}; this says “${words.rest}”.`,
      )
}

/** The event a line says; null where its words do not fit the verb. */
function readEvent({ model, lenses, verb, words, rest }: Words): Result<LiveEvent | null> {
  const [first = '', second] = words
  const oneOf = <T extends string>(known: readonly T[]) => known.find((one) => one === rest)
  switch (verb) {
    case 'press':
    case 'release':
      return words.length === 1 ? handOn(model, verb, first) : ok(null)
    case 'full':
      return ok(words.length === 0 ? { kind: 'full' } : null)
    case 'turn': {
      const hand = words.length === 2 ? handOn(model, 'press', first) : ok(null)
      if (!hand.ok || hand.value?.kind !== 'press') return hand
      return ok(
        /^[+-]?\d{1,4}$/.test(second ?? '') ? { ...hand.value, kind: 'turn', clicks: Number(second) } : null,
      )
    }
    case 'lever':
    case 'menu':
      return settingAndValue(model, rest, verb)
    case 'setup':
      return rowAndValue(model, rest)
    case 'position':
      return ok(words.length === 1 ? { kind: verb, position: first } : null)
    case 'recall':
      return ok(
        words.length === 2
          ? { kind: verb, family: first, slot: second === 'plain' ? null : (second ?? null) }
          : null,
      )
    case 'register':
      return ok(words.length === 2 ? { kind: verb, family: first, slot: second ?? '' } : null)
    case 'act':
      if (words.length !== 1 && words.length !== 2) return ok(null)
      return ok({ kind: verb, act: first, ...(second === undefined ? {} : { file: second }) })
    case 'wait':
      return ok(/^\d{1,6}(\.\d{1,3})?$/.test(rest) ? { kind: verb, seconds: Number(rest) } : null)
    case 'firmware':
      return ok(words.length === 1 ? { kind: verb, version: first } : null)
    case 'power':
      return ok(rest === 'on' || rest === 'off' ? { kind: verb, on: rest === 'on' } : null)
    case 'battery':
      return ok(/^\d{1,3}$/.test(rest) ? { kind: verb, percent: Number(rest) } : null)
    case 'lens': {
      const lens = lenses.find((one) => one.id === rest)
      return ok(lens || rest === 'none' ? { kind: verb, lens: lens ?? null } : null)
    }
    default:
      return ok(restOf(verb, rest, words, oneOf))
  }
}

/** The events that take one word of a few. */
function restOf(
  verb: string,
  rest: string,
  words: readonly string[],
  oneOf: <T extends string>(known: readonly T[]) => T | undefined,
): LiveEvent | null {
  switch (verb) {
    case 'rotate': {
      const orientation = oneOf(orientations)
      return orientation ? { kind: verb, orientation } : null
    }
    case 'posture': {
      const posture = oneOf(postures)
      return posture ? { kind: verb, posture } : null
    }
    case 'eye':
      return rest === 'yes' || rest === 'no' ? { kind: verb, at: rest === 'yes' } : null
    case 'attach':
    case 'detach': {
      const what = oneOf(attachables)
      return what ? { kind: 'attach', what, on: verb === 'attach' } : null
    }
    case 'card': {
      const what = oneOf(['out', 'in', 'lock', 'unlock', 'full'] as const)
      return what ? { kind: verb, what } : null
    }
    case 'scene': {
      const ev = Number(words[0])
      const sound = words.length > 1 && Number.isFinite(ev) && Math.abs(ev) <= 30
      return sound ? { kind: verb, scene: { ev, subject: words.slice(1).join(' ') } } : null
    }
    case 'fail': {
      const fault = oneOf(faultKinds)
      return fault ? { kind: verb, fault } : null
    }
    default:
      return null
  }
}

/** A control by its id, with its gesture where it has several. */
function handOn(model: BodyModel, kind: 'press' | 'release', named: string): Result<LiveEvent> {
  const [id = '', gesture] = named.split('/')
  const control = lookup(model).controls.get(id)
  if (!control) return refuse('unknown-control', `${model.name} has no control “${id}”.`)
  const all = control.gestures.map((one) => one.id)
  const chosen = gesture ?? (all.length === 1 ? all[0] : undefined)
  if (chosen !== undefined && all.includes(chosen)) return ok({ kind, control: id, gesture: chosen })
  return refuse(
    'unknown-gesture',
    `Say what is done with ${control.name}: ${all.map((one) => `${id}/${one}`).join(', ')}.`,
  )
}

function settingAndValue(model: BodyModel, rest: string, kind: 'lever' | 'menu'): Result<LiveEvent | null> {
  const at = rest.indexOf('=')
  if (at < 0) return ok(null)
  const setting = lookup(model).settings.get(rest.slice(0, at).trim())
  if (!setting)
    return refuse('unknown-setting', `${model.name} has no setting “${rest.slice(0, at).trim()}”.`)
  const value = readTyped(setting, rest.slice(at + 1).trim())
  return value.ok ? ok({ kind, setting: setting.id, value: value.value }) : value
}

/** A row of a set-up page with its value: as JSON writes it, or a plain word; `none` empties it. */
function rowAndValue(model: BodyModel, rest: string): Result<LiveEvent | null> {
  const at = rest.indexOf('=')
  if (at < 0) return ok(null)
  const id = rest.slice(0, at).trim()
  const parsed = parseRow(model, id)
  if (!parsed.ok) return parsed
  const written = rest.slice(at + 1).trim()
  const value = written === 'none' ? ok(null) : acceptValue(model, parsed.value, plainOf(written), id)
  return value.ok ? ok({ kind: 'setUp', row: rowIdOf(parsed.value), value: value.value }) : value
}

function plainOf(written: string): unknown {
  try {
    return JSON.parse(written) as unknown
  } catch {
    return written
  }
}

const doings = ['once', 'follows', 'no', 'rests', 'keeps'] as const

function expectation(model: BodyModel, words: readonly string[], rest: string): Read {
  const [kind = '', second = ''] = words
  const after = rest.slice(kind.length).trim()
  const plain = (expects: Expectation): Read => ok({ expects })
  if (kind === 'setting') {
    const read = settingAndValue(model, after, 'menu')
    if (!read.ok) return read
    if (read.value?.kind === 'menu')
      return plain({ kind, setting: read.value.setting, wanted: read.value.value })
  }
  if (kind === 'log' && after !== '') return plain({ kind, wanted: after })
  if (words.length === 1 && (kind === 'refused' || kind === 'lost' || kind === 'test')) return plain({ kind })
  if (words.length === 2) {
    if (kind === 'focus' && doings.some((one) => one === second)) return plain({ kind, wanted: second })
    if (kind === 'run' && runStates.some((one) => one === second)) return plain({ kind, wanted: second })
    if (kind === 'side' && model.sides.some((one) => one === second)) return plain({ kind, wanted: second })
    if ((kind === 'pictures' || kind === 'films') && /^\d{1,6}$/.test(second))
      return plain({ kind, wanted: Number(second) })
  }
  return refuse(
    'script',
    `“expect” takes focus (${doings.join(', ')}), run STATE, side SIDE, setting SETTING = VALUE, pictures N, films N, log WORDS, refused, lost or test; this says “${rest}”.`,
  )
}
