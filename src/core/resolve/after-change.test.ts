import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf, stepFor } from '@tests/fixtures/arbitrary'
import { chipped, unchipped } from '@tests/fixtures/heron'
import { namedModels } from '@tests/fixtures/models'
import { applyStep } from '../plan/step'
import { must } from '../result'
import { changedBetween, resolveAfter } from './after-change'
import { contextsOf } from './context'
import { resolve } from './resolve'

describe.each(namedModels)('after a step on the %s', (_name, model) => {
  it('what was worked out before and what changed give what working it out anew gives', () => {
    const pair = planOf(model).chain((plan) => stepFor(model, plan, 's').map((step) => ({ plan, step })))
    fc.assert(
      fc.property(pair, ({ plan, step }) => {
        const after = must(applyStep(model, plan, step))
        const changed = changedBetween(model, plan, after)
        for (const side of model.sides) {
          const levers: readonly Record<string, string>[] = [{}, { 'controls.lever': 'low' }]
          for (const { context } of contextsOf(model, plan, [chipped, unchipped], side).slice(0, 5)) {
            for (const marked of levers) {
              const here = { ...context, marked }
              const stop = model.positions.find((one) => one.side === side && one.kind !== 'slot')
              const moved = context.position === undefined || !stop ? here : { ...here, position: stop.id }
              const again = resolveAfter(model, after, here, resolve(model, plan, moved), changed)
              const anew = resolve(model, after, here)
              expect([...again.settings.values()]).toEqual([...anew.settings.values()])
              expect([...again.addresses.values()]).toEqual([...anew.addresses.values()])
              expect(again.indicators).toEqual(anew.indicators)
            }
          }
        }
      }),
      { numRuns: 25 },
    )
  })

  it('what no change touches is the very same object', () => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        const [one] = contextsOf(model, plan, [chipped], model.sides[0] ?? 'stills')
        if (!one) return
        const before = resolve(model, plan, one.context)
        const after = { ...plan, rows: { ...plan.rows, title: 'Another' } }
        expect(resolveAfter(model, after, one.context, before, changedBetween(model, plan, after))).toBe(
          before,
        )
      }),
      { numRuns: 5 },
    )
  })
})
