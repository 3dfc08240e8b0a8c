import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf, stepFor } from '@tests/fixtures/arbitrary'
import { lenses, namedModels } from '@tests/fixtures/models'
import { applyStep } from '../plan/step'
import { must } from '../result'
import { checkPlan, checkAfter } from './checks'

describe.each(namedModels)('looked at again after a step, a plan of the %s', (_name, model) => {
  it('has the findings it has when looked at anew', () => {
    const pair = planOf(model).chain((plan) => stepFor(model, plan, 's').map((step) => ({ plan, step })))
    fc.assert(
      fc.property(pair, ({ plan, step }) => {
        const after = must(applyStep(model, plan, step))
        const before = checkPlan(model, plan, lenses.slice(0, 3))
        expect(checkAfter(before, after).findings).toEqual(
          checkPlan(model, after, lenses.slice(0, 3)).findings,
        )
      }),
      { numRuns: 12 },
    )
  })
})
