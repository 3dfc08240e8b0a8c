import { showValue } from '../model/domain'
import { keyName } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Value } from '../vocabulary/values'
import type { Does, FocusOutcome, FullPress } from './outcome'

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
  once: 'finds once',
  follows: 'follows',
  no: 'no autofocus',
  rests: 'AF stopped',
  keeps: 'keeps distance',
}

const fullWords: Readonly<Record<FullPress, string>> = {
  picture: 'at once',
  'picture-when-sharp': 'when sharp',
  records: 'films',
  nothing: 'nothing',
}

/** What comes of keys held, in words; a setting the body has not is said by a dash. */
export function outcomeWords(model: BodyModel, outcome: FocusOutcome): OutcomeWords {
  const show = (means: string, value: Value | null) => {
    const setting = lookup(model).byMeaning.get(means)
    return setting && value !== null ? showValue(setting.domain, value) : '–'
  }
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
      return address ? keyName({ address }) : key
    })
    .join(' + ')
}
