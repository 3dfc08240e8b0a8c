import fc from 'fast-check'
import { planOf, valueIn } from '@tests/fixtures/arbitrary'
import { lenses } from '@tests/fixtures/models'
import { live } from '@/core/camera/live/live'
import type { LiveEvent } from '@/core/camera/live/events'
import { resolutionNow } from '@/core/camera/live/key-presses'
import { liveAt } from '@/core/camera/live/stand-at'
import { lookup } from '@/core/model/lookup'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { contextsOf, type Context } from '@/core/resolve/context'
import type { Move } from '@/core/route/moves'
import { route } from '@/core/route/route'
import { must } from '@/core/result'
import { sameValue, type Value } from '@/core/vocabulary/values'
import { agree, property } from './property'

interface Wanted {
  readonly plan: Plan
  readonly context: Context
  readonly values: Readonly<Record<string, Value>>
  readonly acts: readonly string[]
  readonly [fc.toStringMethod]: () => string
}

/** Any plan, a body standing in one of its states, and a setting or two and perhaps an act that are wanted of it. */
function wantedOf(model: BodyModel): fc.Arbitrary<Wanted> {
  const settable = model.settings.filter(({ place }) => place === 'body' || place === 'side')
  const acts = model.acts.filter(({ does, by }) => does !== 'run' && by === undefined).map(({ id }) => id)
  const value = fc
    .constantFrom(...settable)
    .chain(({ id, domain }) => valueIn(domain).map((one): [string, Value] => [id, one]))
  return fc
    .record({
      plan: planOf(model),
      side: fc.constantFrom(...model.sides),
      state: fc.nat(),
      values: fc.array(value, { minLength: 1, maxLength: 2 }),
      acts: fc.subarray(acts, { maxLength: 1 }),
    })
    .map(({ plan, side, state, values, acts: done }): Wanted => {
      const states = contextsOf(model, plan, lenses, side)
      const { context: usual } = states[state % states.length] ?? states[0]!
      const context: Context = {
        ...usual,
        posture: 'finder',
        orientation: 'level',
        eye: true,
        situation: { subject: 'a puppet' },
      }
      const wanted = Object.fromEntries(values)
      return {
        plan,
        context,
        values: wanted,
        acts: done,
        [fc.toStringMethod]: () =>
          JSON.stringify({
            rows: plan.rows,
            context: { ...context, lens: context.lens.id },
            wanted,
            acts: done,
          }),
      }
    })
}

/** A way through the menu leads where it says. */
export const routeProperties = [
  property(
    'a route that is played ends where it says, and undoes nothing it was asked for',
    8,
    wantedOf,
    (model, { plan, context, values, acts }) => {
      const found = route(model, plan, context, { values, acts })
      if (!found.ok || found.value.steps.some(({ doubts }) => doubts.length > 0)) return
      let body = liveAt(model, plan, context)
      const words: string[] = []
      const done: string[] = []
      for (const { move } of found.value.steps) {
        const after = live(model, body, eventOf(model, move))
        if (!after.ok) throw new Error(`${move.key}: ${after.refusal.message}`)
        words.push(...after.value.log.map(({ words: said }) => said))
        if (after.value.log.some(({ kind }) => kind === 'refused' || kind === 'lost') && move.kind !== 'act')
          agree(`${move.key} on the way: ${words.join(' ')}`, 'refused', 'done')
        if (move.kind === 'act') done.push(move.act.id)
        body = after.value.state
      }
      const settings = resolutionNow(model, body).settings
      const set = new Set(acts.flatMap((id) => Object.keys(lookup(model).acts.get(id)?.sets ?? {})))
      for (const [id, value] of Object.entries(values))
        if (!set.has(id) && !sameValue(settings.get(id)?.value, value))
          agree(`${id} at the end: ${words.join(' ')}`, settings.get(id)?.value, value)
      for (const id of acts) agree(`${id} was done`, done.includes(id), true)
      const lasting = acts.filter((id) =>
        ['pair', 'interval', 'series'].includes(lookup(model).acts.get(id)?.does ?? ''),
      )
      for (const id of lasting) {
        const again = must(live(model, { ...body, run: 'menu' }, { kind: 'act', act: id }))
        agree(
          `${id} still stands at the end`,
          again.log
            .filter(({ kind, words: said }) => kind === 'refused' && !said.includes('menu'))
            .map(({ words: said }) => said),
          [],
        )
      }
    },
  ),
]

function eventOf(model: BodyModel, move: Move): LiveEvent {
  if (move.kind === 'act') return { kind: 'act', act: move.act.id }
  if (move.kind === 'position') return { kind: 'position', position: move.to }
  const physical = lookup(model).settings.get(move.setting)?.place === 'physical'
  return physical
    ? { kind: 'lever', setting: move.setting, value: move.to }
    : { kind: 'menu', setting: move.setting, value: move.to }
}
