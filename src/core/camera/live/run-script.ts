import { lookup } from '../../model/lookup'
import { showValue } from '../../model/domain'
import type { BodyModel, LensModel } from '../../model/types'
import { plannedSlots } from '../../plan/plan'
import { ok, refuse, type Result } from '../../result'
import { sameValue } from '../../vocabulary/values'
import { eventWords } from './event-words'
import type { LogLine } from './events'
import { focusNow, resolutionNow } from './key-presses'
import { live } from './live'
import { parseScript, type Expectation } from './script'
import { memoryPlan, type LiveState } from './state'

/** One line of a script as it went. */
export interface Played {
  readonly line: number
  readonly text: string
  /** What happened, in words; null for an expectation. */
  readonly words: string | null
  readonly log: readonly LogLine[]
  /** For an expectation that was not met: what there was instead. */
  readonly instead: string | null
}

/** A script as it went, and the body after it. */
export interface ScriptRun {
  readonly played: readonly Played[]
  readonly unmet: number
  readonly state: LiveState
}

/**
 * Plays a script on a body. Refuses a line that cannot be read, before anything happens, and an event that cannot be at
 * all, with its line; expectations that are not met are counted and the script goes on.
 */
export function runScript(
  model: BodyModel,
  start: LiveState,
  script: string,
  lenses: readonly LensModel[],
): Result<ScriptRun> {
  const lines = parseScript(script, model, lenses)
  if (!lines.ok) return lines
  const played: Played[] = []
  let state = start
  let last: readonly LogLine[] = []
  for (const { line, text, event, expects } of lines.value) {
    if (event) {
      const slots = plannedSlots(model, memoryPlan(state))
      const done = live(model, state, event)
      if (!done.ok) return refuse(done.refusal.code, done.refusal.message, `line ${line}`)
      state = done.value.state
      last = done.value.log
      played.push({ line, text, words: eventWords(model, event, slots), log: last, instead: null })
    }
    if (expects)
      played.push({ line, text, words: null, log: [], instead: insteadOf(model, state, expects, last) })
  }
  return ok({ played, unmet: played.filter((one) => one.instead !== null).length, state })
}

/** What there is instead of what was expected; null where it is met. */
function insteadOf(
  model: BodyModel,
  state: LiveState,
  expects: Expectation,
  last: readonly LogLine[],
): string | null {
  const said = last.map((one) => `${one.kind}: ${one.words}`).join(' ')
  switch (expects.kind) {
    case 'refused':
    case 'lost':
    case 'test':
      return last.some((one) => one.kind === expects.kind) ? null : said
    case 'log':
      return said.includes(expects.wanted) ? null : said
    case 'setting': {
      const now = resolutionNow(model, state).settings.get(expects.setting)?.value
      const domain = lookup(model).settings.get(expects.setting)?.domain
      return sameValue(now, expects.wanted)
        ? null
        : domain && now !== undefined
          ? showValue(domain, now)
          : 'nothing'
    }
    default: {
      const now = {
        focus: focusNow(model, state).does,
        run: state.run,
        side: state.side,
        pictures: state.pictures,
        films: state.films,
      }
      return now[expects.kind] === expects.wanted ? null : String(now[expects.kind])
    }
  }
}
