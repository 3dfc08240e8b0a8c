import { planOf } from '@tests/fixtures/arbitrary'
import { lenses, models } from '@tests/fixtures/models'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { memoryOf } from '../camera/memory'
import type { BodyModel } from '../model/types'
import { emptyPlan, type Plan } from '../plan/plan'
import { composeProcedure } from './compose'
import { orderFor } from './order'
import { play } from './play'

const jobs = ['bracket-job', 'interval-job', 'focus-series-job'] as const
const named = models.map((model) => [model.name, model] as const)

function composed(id: (typeof jobs)[number], model: BodyModel, plan: Plan) {
  const order = orderFor(model, plan, lenses, null, 'delivered')
  const procedure = composeProcedure(id, { order })
  return { procedure, ...play(order, procedure, memoryOf(model, plan)) }
}

describe.each(named)('a job on %s', (_, model) => {
  it.each(jobs)(
    '%s is done by the simulated body, which is then as it was before, whatever the plan',
    (id) => {
      fc.assert(
        fc.property(planOf(model), (plan) => {
          const { refused, state, procedure } = composed(id, model, plan)
          expect(refused).toEqual([])
          expect(new Set(procedure.acts.map(({ id: act }) => act)).size).toBe(procedure.acts.length)
          const told = new Set(procedure.undone.map(({ row }) => row))
          const before = memoryOf(model, plan)
          const { memory } = state.body
          const rows = [
            ...new Set([...Object.keys(memory), ...Object.keys(before)]),
          ] as (keyof typeof memory)[]
          expect(
            rows.filter(
              (row) => !told.has(row) && JSON.stringify(memory[row]) !== JSON.stringify(before[row]),
            ),
          ).toEqual([])
        }),
        { numRuns: 6 },
      )
    },
  )

  it('that it has no act for is no procedure', () => {
    const has = (does: string) => model.acts.some((act) => act.does === does)
    const empty = emptyPlan(model)
    expect(composed('focus-series-job', model, empty).procedure.acts.length > 0).toBe(has('series'))
    expect(composed('interval-job', model, empty).procedure.acts.length > 0).toBe(has('interval'))
  })
})

it('a focus series begins on what is nearest, warns of the dark screen, and is looked at', () => {
  const [model] = models.filter(({ id }) => id === 'tarrow-heron')
  if (!model) throw new Error('no Heron')
  const { acts } = composed('focus-series-job', model, emptyPlan(model)).procedure
  const at = (part: string) => acts.findIndex(({ words }) => words.includes(part))
  expect(at('Focus on what is nearest')).toBeLessThan(at('Start focus series'))
  expect(acts[at('Start focus series')]?.warning).toContain('dark until it ends')
  expect(acts[at('Look at the first')]?.after).toEqual([acts[at('Start focus series')]?.id])
})
