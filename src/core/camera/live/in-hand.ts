import { lookup } from '../../model/lookup'
import type { BodyModel, LensModel } from '../../model/types'
import { plannedSlots } from '../../plan/plan'
import { ok, type Result } from '../../result'
import type { LiveEvent, LogLine } from './events'
import { eventWords } from './event-words'
import { heldAddress } from './key-presses'
import { live } from './live'
import { runScript, type Played } from './run-script'
import { memoryPlan, type LiveState } from './state'
import { writeEvent } from './write-script'

/** What a hand does to a body: an event, or something that depends on which keys are down. */
export type HandAct =
  | { readonly kind: 'event'; readonly event: LiveEvent }
  /** Pressed; a key that is down already is let go. */
  | { readonly kind: 'press'; readonly control: string; readonly gesture: string }
  /** Let go, where it is down. */
  | { readonly kind: 'let-go'; readonly control: string; readonly gesture: string }
  | { readonly kind: 'let-all-go' }

/** An event of a body's story, with its line of the script. */
export interface StoryLine {
  readonly id: number
  readonly line: string
  /** The event in words; null for an expectation of a script. */
  readonly words: string | null
  readonly log: readonly LogLine[]
  /** For an expectation of a script that was not met: what there was instead. */
  readonly instead: string | null
}

/** A body and its story so far, the newest first. */
export interface InHand {
  readonly state: LiveState
  readonly story: readonly StoryLine[]
}

/** A body after events one after another, each told in the story. */
export function afterEvents(model: BodyModel, body: InHand, events: readonly LiveEvent[]): InHand {
  return events.reduce<InHand>((now, event) => happened(model, now, event), body)
}

/** A body with keys down, by address in their order, and a story that begins with them. */
export function withKeysHeld(model: BodyModel, state: LiveState, held: readonly string[]): InHand {
  return keysIn(model, held).reduce<InHand>((body, key) => happened(model, body, { kind: 'press', ...key }), {
    state,
    story: [],
  })
}

/** Keys by their addresses; those the model has not are left out. */
function keysIn(model: BodyModel, addresses: readonly string[]) {
  return addresses.flatMap((key) => {
    const address = lookup(model).addresses.get(key)
    return address ? [{ control: address.control.id, gesture: address.gesture.id }] : []
  })
}

/** The body after an act of the hand; an event that cannot be at all is told in the story as refused. */
export function afterAct(model: BodyModel, body: InHand, act: HandAct): InHand {
  switch (act.kind) {
    case 'event':
      return happened(model, body, act.event)
    case 'press':
      return happened(model, body, { ...act, kind: isDown(model, body, act) ? 'release' : 'press' })
    case 'let-go':
      return isDown(model, body, act) ? happened(model, body, { ...act, kind: 'release' }) : body
    case 'let-all-go':
      return keysIn(model, body.state.held).reduce(
        (now, key) => afterAct(model, now, { kind: 'let-go', ...key }),
        body,
      )
  }
}

function isDown(
  model: BodyModel,
  { state }: InHand,
  { control, gesture }: { control: string; gesture: string },
) {
  return heldAddress(model, state, control, gesture) !== undefined
}

/** The body after a script that was played from `start`; refuses what cannot be read, or cannot be at all. */
export function afterScript(
  model: BodyModel,
  start: LiveState,
  text: string,
  lenses: readonly LensModel[],
): Result<InHand> {
  const done = runScript(model, start, text, lenses)
  if (!done.ok) return done
  const story = done.value.played.map(storyLine).reverse()
  return ok({ state: done.value.state, story })
}

function happened(model: BodyModel, { state, story }: InHand, event: LiveEvent): InHand {
  const done = live(model, state, event)
  const log: readonly LogLine[] = done.ok
    ? done.value.log
    : [{ kind: 'refused', words: done.refusal.message }]
  const line = {
    id: story.length,
    line: writeEvent(model, event),
    words: eventWords(model, event, plannedSlots(model, memoryPlan(state))),
    log,
    instead: null,
  }
  return { state: done.ok ? done.value.state : state, story: [line, ...story] }
}

function storyLine({ text, words, log, instead }: Played, id: number): StoryLine {
  return { id, line: text, words, log, instead }
}
