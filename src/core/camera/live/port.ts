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
  /** Acts one after another, each of some events. What is only tried is undone when the next thing is done. */
  doing(acts: readonly Doing[]): Delta | null
  /** Plays a script from where it was made to stand; what is wrong with the script is told in words, and changes nothing. */
  play(text: string): { readonly delta: Delta | null; readonly wrong: string | null }
}

/** What an act does on a body; nothing where no body can. */
export interface Doing {
  readonly events: readonly LiveEvent[]
  /** Only tried: the hand undoes it at once. */
  readonly isTried?: boolean
}

interface Stands {
  readonly model: BodyModel
  readonly lenses: readonly LensModel[]
  readonly start: LiveState
  readonly now: InHand
  readonly holdsOwn: boolean
  /** As it stood before what was only tried; null where nothing was. */
  readonly before: LiveState | null
}

/** A simulated body that remembers what of it was sent. */
export function bodyPort(): BodyPort {
  let stands: Stands | null = null
  let about: { model: BodyModel; lenses: readonly LensModel[] } | null = null
  let sent: Seen | null = null
  const show = ({ model, now, holdsOwn }: Stands): Delta | null => {
    const seen = seenOf(model, now, holdsOwn)
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
      stands = { ...about, start, now, holdsOwn: false, before: null }
      return show(stands)
    },
    hold(what) {
      if (!about) throw new Error('begin comes first')
      const start = liveHolding(about.model, about.lenses, what)
      stands = { ...about, start, now: { state: start, story: [] }, holdsOwn: true, before: null }
      return show(stands)
    },
    act(act) {
      if (!stands) throw new Error('the body has to stand first')
      stands = { ...stands, now: afterAct(stands.model, untried(stands), act), before: null }
      return show(stands)
    },
    doing(acts) {
      if (!stands) throw new Error('the body has to stand first')
      for (const { events, isTried = false } of acts) {
        if (events.length === 0) continue
        const from = untried(stands)
        const now = afterEvents(stands.model, from, events)
        stands = { ...stands, now, before: isTried ? from.state : null }
      }
      return show(stands)
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
      return { delta: show(stands), wrong: null }
    },
  }
}

/** The body as it stands without what was only tried; its story keeps that. */
function untried({ now, before }: Stands): InHand {
  return before === null ? now : { ...now, state: before }
}
