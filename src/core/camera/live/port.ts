import { deltaBetween, type Delta } from '../../delta'
import type { BodyModel, LensModel } from '../../model/types'
import type { Plan } from '../../plan/plan'
import type { Memory } from '../memory'
import type { Beginning } from './address'
import type { LiveEvent } from './events'
import { afterAct, afterEvents, afterScript, withKeysHeld, type HandAct, type InHand } from './in-hand'
import { seenOf, type Seen } from './seen'
import { liveAt, liveHolding } from './stand-at'
import type { LiveState } from './state'

/** A simulated body behind a boundary that only data crosses. What it gives is what changed in what is seen of it. */
export interface BodyPort {
  /** Begins with a model and its lenses: sent once. */
  begin(model: BodyModel, lenses: readonly LensModel[]): void
  /** Sets a plan on it and lets it stand anew, with keys down. */
  stand(plan: Plan, from: Beginning): Delta | null
  /** Lets it hold a memory of its own, and stand as it was delivered. */
  hold(what: { readonly memory: Memory; readonly firmware: string }): Delta | null
  act(act: HandAct): Delta | null
  /** Events one after another. What is only tried is undone when the next thing is done. */
  doing(events: readonly LiveEvent[], isTried: boolean): Delta | null
  /** Plays a script from where it was made to stand; what is wrong with the script is told in words, and changes nothing. */
  play(text: string): { readonly delta: Delta | null; readonly wrong: string | null }
}

interface Stands {
  readonly model: BodyModel
  readonly lenses: readonly LensModel[]
  readonly start: LiveState
  readonly now: InHand
  /** As it stood before what was only tried; null where nothing was. */
  readonly before: LiveState | null
}

/** A simulated body that remembers what of it was sent. */
export function bodyPort(): BodyPort {
  let stands: Stands | null = null
  let about: { model: BodyModel; lenses: readonly LensModel[] } | null = null
  let sent: Seen | null = null
  const show = (model: BodyModel, now: InHand): Delta | null => {
    const seen = seenOf(model, now)
    const delta = deltaBetween(sent, seen)
    sent = seen
    return delta
  }
  return {
    begin(model, lenses) {
      about = { model, lenses }
    },
    stand(plan, { context, held }) {
      if (!about) throw new Error('begin comes first')
      const start = liveAt(about.model, plan, context)
      const now = withKeysHeld(about.model, start, held)
      stands = { ...about, start, now, before: null }
      return show(about.model, now)
    },
    hold(what) {
      if (!about) throw new Error('begin comes first')
      const start = liveHolding(about.model, about.lenses, what)
      stands = { ...about, start, now: { state: start, story: [] }, before: null }
      return show(about.model, stands.now)
    },
    act(act) {
      if (!stands) throw new Error('the body has to stand first')
      stands = { ...stands, now: afterAct(stands.model, untried(stands), act), before: null }
      return show(stands.model, stands.now)
    },
    doing(events, isTried) {
      if (!stands) throw new Error('the body has to stand first')
      const from = untried(stands)
      const now = afterEvents(stands.model, from, events)
      stands = { ...stands, now, before: isTried ? from.state : null }
      return show(stands.model, now)
    },
    play(text) {
      if (!stands) throw new Error('the body has to stand first')
      const done = afterScript(stands.model, stands.start, text, stands.lenses)
      if (!done.ok)
        return {
          delta: null,
          wrong: `${done.refusal.where ?? ''}: ${done.refusal.message}`.replace(/^: /, ''),
        }
      stands = { ...stands, now: done.value, before: null }
      return { delta: show(stands.model, done.value), wrong: null }
    },
  }
}

/** The body as it stands without what was only tried; its story keeps that. */
function untried({ now, before }: Stands): InHand {
  return before === null ? now : { ...now, state: before }
}
