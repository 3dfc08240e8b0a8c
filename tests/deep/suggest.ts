import { lenses } from '@tests/fixtures/models'
import { solver } from '@tests/fixtures/solver'
import { liveAt } from '@/core/camera/live/stand-at'
import { applyStep } from '@/core/plan/step'
import { recorded, reachOf, statesFor } from '@/core/reach/reach'
import { must } from '@/core/result'
import { stepFor } from '@/core/suggest/change'
import { explain } from '@/core/suggest/explain'
import { instanceOf } from '@/core/suggest/instance'
import { suggest } from '@/core/suggest/suggest'
import { agree, property } from './property'
import { neededOf, played } from './reach'

/** Seconds that are no more than rounding. */
const rounding = 1e-6

/** What a suggestion says its changes do, they do. */
export const suggestProperties = [
  property(
    'every change of a suggestion makes each need it names as quick as it says, on the body too, and takes none away',
    3,
    neededOf,
    (model, { plan, pick }) => {
      const instance = instanceOf({ model, plan, lenses })
      if (instance.places.some(({ current }) => current < 0)) return
      const { changes } = suggest(instance, solver, 3, { seconds: 2 })
      let before = reachOf(model, plan, lenses)
      const reasons = explain(model, plan, before, changes, 100)
      for (const [i, change] of changes.entries()) {
        const done = must(applyStep(model, plan, stepFor(model, plan, changes.slice(0, i + 1), `deep ${i}`)))
        const after = reachOf(model, done, lenses)
        const stateOf = statesFor({ model, lenses, posture: 'finder' }, done)
        const said = `${change.row} to ${change.to}`
        for (const { situation, what, before: was, after: now, times } of reasons[i]?.helped ?? []) {
          const [one, other] = [before, after].map(({ reached }) =>
            reached.find(({ need }) => need.situation === situation && need.what === what),
          )
          if (!one || !other) throw new Error(`${said}: no need ${what} in ${situation}`)
          agree(`${said}: ${what} is quicker`, now < was, true)
          agree(`${said}: ${what} takes`, Math.abs((other.perOuting ?? 0) - now * times) < rounding, true)
          const way = other.best
          if (!way) continue
          const { context } = stateOf(
            other.need.side,
            recorded(other.need) && !way.words.endsWith('stopped first'),
          )
          const body = liveAt(model, done, { ...context, orientation: 'level', eye: true, posture: 'finder' })
          played(model, done, body, other.need, way, pick)
        }
        for (const [n, one] of before.reached.entries())
          if (one.best !== null)
            agree(`${said}: ${one.need.what} is still reached`, after.reached[n]?.best !== null, true)
        before = after
      }
    },
  ),
]
