import fc from 'fast-check'
import { planOf, valueIn } from '@tests/fixtures/arbitrary'
import { lenses } from '@tests/fixtures/models'
import { liveAt } from '@/core/camera/live/stand-at'
import type { LiveState } from '@/core/camera/live/state'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { contextsOf, type Context } from '@/core/resolve/context'
import { resolve } from '@/core/resolve/resolve'
import type { Resolution } from '@/core/resolve/resolved'

/** A plan set on a body that stands somewhere: what the core says of it, and the body to be played. */
export interface Stood {
  readonly plan: Plan
  readonly context: Context
  readonly resolution: Resolution
  readonly body: LiveState
  /** The case as it is told where it fails. */
  readonly [fc.toStringMethod]: () => string
}

/** Any plan of a model on a body in a state its owner works in, with something on that stays on and something just changed by hand. */
export function stoodOf(model: BodyModel): fc.Arbitrary<Stood> {
  const edited = model.settings.filter(({ place }) => place === 'body' || place === 'side')
  const stays = model.functions.filter((fn) => fn.manner === 'toggle' && fn.changes.length === 0)
  return fc
    .record({
      plan: planOf(model),
      side: fc.constantFrom(...model.sides),
      state: fc.nat(),
      run: fc.constantFrom('standby' as const, 'standby' as const, 'recording' as const),
      latched: fc.subarray(
        stays.filter(({ means }) => means !== 'movie.swapSide' && means !== 'bank.next').map((fn) => fn.id),
        { maxLength: 2 },
      ),
      edits: fc
        .array(
          fc.constantFrom(...edited).chain(({ id, domain }) => valueIn(domain).map((value) => [id, value])),
          { maxLength: 4 },
        )
        .map((pairs) => Object.fromEntries(pairs) as NonNullable<Context['edits']>),
      eye: fc.boolean(),
    })
    .map(({ plan, side, state, run, latched, edits, eye }): Stood => {
      const states = contextsOf(model, plan, lenses, side)
      const { context: usual } = states[state % states.length] ?? states[0]!
      const context: Context = {
        ...usual,
        run: side === 'motion' ? run : 'standby',
        latched,
        edits,
        eye,
        posture: 'finder',
        orientation: 'level',
        attached: [],
        situation: { subject: 'a puppet' },
      }
      return {
        plan,
        context,
        resolution: resolve(model, plan, context),
        body: liveAt(model, plan, context),
        [fc.toStringMethod]: () =>
          JSON.stringify({ rows: plan.rows, context: { ...context, lens: context.lens.id } }),
      }
    })
}
