import { duetRows } from '@tests/fixtures/duet'
import { modelCalled, models } from '@tests/fixtures/models'
import { describe, expect, it } from 'vitest'
import { emptyPlan, parsePlan } from '../plan/plan'
import { idsOf, invalidatedBy } from '../plan/rows'
import { must } from '../result'
import { rehearsals } from './rehearsal'

describe('the steps that are taken in thought', () => {
  it('take rows of keys and settings away, from all over the plan', () => {
    const duet = modelCalled('varn-duet')
    const plan = must(parsePlan(duet, duetRows))
    const steps = rehearsals(duet, plan)
    const own = idsOf(plan.rows).filter((row) => /key|setting/.test(invalidatedBy(duet, row).what))
    expect(own.length).toBeGreaterThan(12)
    expect(steps.every(([, value]) => value === null)).toBe(true)
    const taken = new Set(steps.map(([row]) => row))
    expect(taken.size).toBe(12)
    expect([...taken].every((row) => own.includes(row))).toBe(true)
    expect(own.slice(own.length / 2).some((row) => taken.has(row))).toBe(true)
  })

  it.each(models)('are such as $name takes, in an empty plan, too', (model) => {
    const steps = rehearsals(model, emptyPlan(model))
    expect(steps.length).toBe(12)
    must(parsePlan(model, Object.fromEntries(steps)))
  })
})
