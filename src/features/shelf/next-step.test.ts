import { describe, expect, it } from 'vitest'
import { nextStep } from './next-step'
import type { ShelfPlan } from './shelf-plan'

const plan: ShelfPlan = {
  id: 'p',
  title: 'Night',
  purpose: null,
  work: ['Stage'],
  modelId: 'm',
  model: 'Maker Model',
  updated: '2026-01-01T00:00:00Z',
  proven: null,
  counts: { blocks: 0, problems: 0, worst: [] },
}
const wrong = { severity: 'problem', title: 'Something', station: 'banks' } as const

describe('the next step of a plan', () => {
  it('is not claimed before it is known what is wrong', () => {
    expect(nextStep({ ...plan, counts: null }, [])).toBeNull()
  })

  it('is to mend what cannot work, before everything else', () => {
    const counts = { blocks: 1, problems: 3, worst: [{ ...wrong, severity: 'blocks' as const }] }
    expect(nextStep({ ...plan, work: [], counts }, ['A'])).toEqual({
      words: 'Mend what cannot work',
      station: 'banks',
    })
  })

  it('is to say what is shot, before problems are weighed', () => {
    const counts = { blocks: 0, problems: 3, worst: [wrong] }
    expect(nextStep({ ...plan, work: [], counts }, ['A'])?.station).toBe('foundation')
    expect(nextStep({ ...plan, counts }, ['A'])).toEqual({
      words: 'Settle the worst problem',
      station: 'banks',
    })
  })

  it('is the way to a body, and then the paper', () => {
    expect(nextStep(plan, ['Heron A'])).toEqual({ words: 'Carry it to Heron A', station: 'carry' })
    expect(nextStep(plan, [])?.station).toBe('sheets')
    const proven = { body: 'Heron A', at: '2026-01-02T00:00:00Z' }
    expect(nextStep({ ...plan, proven }, ['Heron A'])?.station).toBe('sheets')
  })
})
