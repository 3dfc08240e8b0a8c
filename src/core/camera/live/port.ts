import { deltaBetween, type Delta } from '../../delta'
import type { BodyModel, LensModel } from '../../model/types'
import type { Plan } from '../../plan/plan'
import type { Beginning } from './address'
import { afterAct, afterScript, withKeysHeld, type HandAct, type InHand } from './in-hand'
import { seenOf, type Seen } from './seen'
import { liveAt } from './stand-at'
import type { LiveState } from './state'

/** A simulated body behind a boundary that only data crosses. What it gives is what changed in what is seen of it. */
export interface BodyPort {
  /** Begins with a model and its lenses: sent once. */
  begin(model: BodyModel, lenses: readonly LensModel[]): void
  /** Sets a plan on it and lets it stand anew, with keys down. */
  stand(plan: Plan, from: Beginning): Delta | null
  act(act: HandAct): Delta | null
  /** Plays a script from where it was made to stand; what is wrong with the script is told in words, and changes nothing. */
  play(text: string): { readonly delta: Delta | null; readonly wrong: string | null }
}

/** A simulated body that remembers what of it was sent. */
export function bodyPort(): BodyPort {
  let stands: { model: BodyModel; lenses: readonly LensModel[]; start: LiveState; now: InHand } | null = null
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
      stands = { ...about, start, now }
      return show(about.model, now)
    },
    act(act) {
      if (!stands) throw new Error('the body has to stand first')
      stands = { ...stands, now: afterAct(stands.model, stands.now, act) }
      return show(stands.model, stands.now)
    },
    play(text) {
      if (!stands) throw new Error('the body has to stand first')
      const done = afterScript(stands.model, stands.start, text, stands.lenses)
      if (!done.ok)
        return {
          delta: null,
          wrong: `${done.refusal.where ?? ''}: ${done.refusal.message}`.replace(/^: /, ''),
        }
      stands = { ...stands, now: done.value }
      return { delta: show(stands.model, done.value), wrong: null }
    },
  }
}
