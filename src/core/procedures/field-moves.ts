import type { LiveEvent } from '../camera/live/events'
import { focusNow } from '../camera/live/key-presses'
import { live } from '../camera/live/live'
import { settingsNow, type LiveState } from '../camera/live/state'
import { isLive, valueNow } from '../camera/live/edit'
import { isRunning } from '../focus/outcome'
import type { Address } from '../model/addresses'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { must } from '../result'
import { functionAt } from '../plan/assign'
import { plannedSlots } from '../plan/plan'
import { sameValue } from '../vocabulary/values'
import { hold, release, tap, theControl } from './hand'
import { Composer } from './composer'
import type { SetOrder } from './wanted'

/** One press or turn of a move, and what is true after it. */
interface Beat {
  readonly words: string
  readonly events: readonly LiveEvent[]
  readonly control?: string
  readonly expect: string
  readonly holds: (state: LiveState) => boolean
}

/** A named short sequence of keys. */
interface Move {
  readonly id: string
  readonly name: string
  readonly why: string
  /** A text where the plan has not what it takes, saying what is lacking. */
  readonly beats: (looked: Looked) => readonly Beat[] | string
}

interface Looked {
  readonly order: SetOrder
  readonly start: LiveState
  readonly key: (isOf: (means: string) => boolean) => Address | undefined
}

/**
 * The field moves of a plan: prime, leave a wrong subject, recover a bank. Each is played on a simulated
 * body with the plan on it; only one that does what it says is given, and the others are named with the reason.
 */
export function fieldMoves(order: SetOrder): Composer {
  const composer = new Composer(order)
  const { model, plan } = order
  const keys = [...lookup(model).addresses.values()]
  const key: Looked['key'] = (isOf) =>
    keys.find((one) => {
      const fn = lookup(model).functions.get(functionAt(plan, one) ?? '')
      return one.side === 'stills' && one.when === null && fn !== undefined && isOf(fn.means ?? '')
    })
  for (const move of moves) {
    const start = composer.state
    const beats = move.beats({ order, start, key })
    const fault = typeof beats === 'string' ? beats : failing(composer, beats)
    if (fault !== null || typeof beats === 'string') {
      composer.undone.push({ row: null, words: move.name, because: fault ?? '' })
      continue
    }
    beats.forEach((beat, i) => {
      composer.play(beat.events)
      composer.add({
        id: `move/${move.id}/${i + 1}`,
        kind: 'press',
        words: beat.words,
        part: move.name,
        asks: beat.words,
        control: beat.control ?? null,
        events: beat.events,
        expect: beat.expect,
        because: move.why,
      })
    })
    // The next move begins where this one began.
    composer.standAgain(start)
  }
  return composer
}

/** What a move does not do that it says, played; null where it does all of it. */
function failing({ model, state: start }: Composer, beats: readonly Beat[]): string | null {
  let state = start
  for (const beat of beats) {
    for (const event of beat.events) {
      const lived = live(model, state, event)
      if (!lived.ok) return lived.refusal.message
      state = lived.value.state
    }
    if (!beat.holds(state)) return `${beat.words}: played, it does not do what it should (${beat.expect}).`
  }
  return null
}

const runs = (order: SetOrder) => (state: LiveState) => isRunning(focusNow(order.model, state))
const startKey = ({ key }: Looked) =>
  key((means) => means.startsWith('focus.start')) ?? key((means) => means === 'exposure.meterAndFocus')
const isShutter = ({ control }: Address) => control.kind === 'release'
const name = (address: Address) => (isShutter(address) ? 'the shutter button' : theControl(address.control))
const holdWords = (key: Address) => (isShutter(key) ? 'Half-press the shutter button' : `Hold ${name(key)}`)

/** A change of something that the bank in force stores and that the body takes there; null where there is none. */
function changeIn(
  model: BodyModel,
  state: LiveState,
  family: string,
): Extract<LiveEvent, { kind: 'menu' }> | null {
  for (const { id, storedBy, domain } of model.settings) {
    if (storedBy !== family || domain.kind !== 'toggle') continue
    const value = valueNow(model, state, id) !== true
    const event = { kind: 'menu' as const, setting: id, value }
    const changed = must(live(model, state, event)).state
    if (sameValue(valueNow(model, changed, id), value)) return event
  }
  return null
}

const moves: readonly Move[] = [
  {
    id: 'prime',
    name: 'Prime',
    why: 'The lens is at the distance before anything happens there.',
    beats: (looked) => {
      const key = startKey(looked)
      if (!key) return 'No key starts autofocus.'
      return [
        {
          words: `${holdWords(key)} on the place where it will happen`,
          events: [hold(key)],
          control: key.control.id,
          expect: 'autofocus runs',
          holds: runs(looked.order),
        },
        {
          words: 'Let it go',
          events: [release(key)],
          control: key.control.id,
          expect: 'autofocus rests; the distance stays',
          holds: (state) => !runs(looked.order)(state),
        },
        {
          words: 'Press the shutter button all the way when it happens',
          events: [{ kind: 'full' }],
          expect: 'one picture',
          holds: (state) => state.pictures === looked.start.pictures + 1,
        },
      ]
    },
  },
  {
    id: 'leave-subject',
    name: 'Leave a wrong subject',
    why: 'Detection holds on to what it has until it is told otherwise.',
    beats: (looked) => {
      const { order } = looked
      const start = startKey(looked)
      const off = looked.key((means) => means === 'focus.toggleDetection')
      const detection = lookup(order.model).byMeaning.get('focus.detection')
      if (!start) return 'No key starts autofocus.'
      if (!off || !detection) return 'No key switches subject detection off.'
      const now = (state: LiveState) =>
        settingsNow(order.model, state).chains.get(detection.id)?.at(-1)?.value
      const before = now(looked.start)
      return [
        {
          words: `Press ${name(off)}`,
          events: tap(order.model, looked.start, off),
          control: off.control.id,
          expect: 'subject detection changes over',
          holds: (state) => !sameValue(now(state), before),
        },
        {
          words: `${holdWords(start)} again`,
          events: [hold(start)],
          control: start.control.id,
          expect: 'autofocus runs on the AF area',
          holds: runs(order),
        },
        {
          words: 'Let it go',
          events: [release(start)],
          control: start.control.id,
          expect: 'autofocus rests',
          holds: (state) => !runs(order)(state),
        },
      ]
    },
  },
  {
    id: 'recover-bank',
    name: 'Recover a bank',
    why: 'A snapshot comes back whole when it is recalled again.',
    beats: ({ order, start }) => {
      const { model, plan } = order
      const slot = plannedSlots(model, plan).find(({ family }) => {
        const its = model.families.find(({ id }) => id === family)
        return its !== undefined && !isLive(model, start, its)
      })
      if (!slot) return 'No planned bank is a snapshot: what is changed in a live bank stays.'
      const stop = model.positions.find((one) => one.family === slot.family && one.slot === slot.slot)
      const plain = model.positions.find((one) => one.kind !== 'slot' && one.side === slot.side)
      const to: LiveEvent = stop
        ? { kind: 'position', position: stop.id }
        : { kind: 'recall', family: slot.family, slot: slot.slot }
      const recalled = must(live(model, start, to)).state
      const changed = changeIn(model, recalled, slot.family)
      if (!plain || !changed) return 'Nothing that the bank stores can be changed in it.'
      const from: LiveEvent[] = stop
        ? [{ kind: 'position', position: plain.id }]
        : [{ kind: 'recall', family: slot.family, slot: null }]
      const now = (state: LiveState) => settingsNow(model, state).chains.get(changed.setting)?.at(-1)?.value
      const stored = now(recalled)
      return [
        {
          words: stop
            ? `With the dial at ${stop.name}, something is not as it was stored`
            : `In ${slot.name}, something is not as it was stored`,
          events: [to, changed],
          expect: 'the bank differs from what was stored',
          holds: (state) => !sameValue(now(state), stored),
        },
        {
          words: stop ? `Turn the mode dial to ${plain.name}` : 'Leave the bank',
          events: from,
          expect: 'what was changed is dropped',
          holds: (state) => Object.keys(state.edits).length === 0,
        },
        {
          words: stop ? `Turn it back to ${stop.name}` : `Recall ${slot.name} again`,
          events: [to],
          expect: 'the bank is as it was stored',
          holds: (state) => sameValue(now(state), stored),
        },
      ]
    },
  },
]
