import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf, stepFor } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import { must } from '../result'
import { invertStep } from '../sync/step'
import { emptyPlan, type Plan } from './plan'
import { noteRow } from './rows'
import { stampedBy, type Hand } from './stamp'
import { applyStep, setRows } from './step'

const hand: Hand = { tag: 'heron-a', firmware: '1.2' }
const area = rowNamed('base/focus.area@stills')
const stamp = noteRow('decidedOn', area)

/** A plan after rows were set with a body in the hand. */
function set(plan: Plan, rows: Record<string, string | null>, by: Hand | null = hand): Plan {
  return must(applyStep(heron, plan, stampedBy(heron, plan, setRows(plan, 's', rows), by)))
}

describe('a row that is set', () => {
  it('is stamped with firmware and body; what says nothing of the camera is not', () => {
    const plan = set(emptyPlan(heron), { [area]: 'point', title: 'Night', [noteRow('why', area)]: 'Small.' })
    expect(plan.rows[stamp]).toBe('1.2 heron-a')
    expect(Object.keys(plan.rows)).toHaveLength(4)
  })

  it('is stamped anew by another body, and loses the stamp when it is taken away', () => {
    const first = set(emptyPlan(heron), { [area]: 'point' })
    const then = set(first, { [area]: 'zone' }, { tag: 'heron-b', firmware: '2.0' })
    expect(then.rows[stamp]).toBe('2.0 heron-b')
    expect(set(then, { [area]: null }).rows).toEqual({})
    expect(set(then, { [area]: null }, null).rows).toEqual({})
  })

  it('is not stamped where nobody knows the firmware, and an older stamp then stays', () => {
    for (const unknown of [null, { tag: 'heron-a', firmware: null }, { tag: 'heron-a', firmware: '9.9' }]) {
      expect(set(emptyPlan(heron), { [area]: 'point' }, unknown).rows).toEqual({ [area]: 'point' })
      const stamped = set(emptyPlan(heron), { [area]: 'point' })
      expect(set(stamped, { [area]: 'zone' }, unknown).rows[stamp]).toBe('1.2 heron-a')
    }
  })

  it('keeps the stamp that the step itself gives', () => {
    expect(set(emptyPlan(heron), { [area]: 'point', [stamp]: '1.0' }).rows[stamp]).toBe('1.0')
  })

  it('goes back with its stamp when the step is undone, whatever the step', () => {
    const pair = planOf(heron).chain((plan) => stepFor(heron, plan, 's').map((step) => ({ plan, step })))
    fc.assert(
      fc.property(pair, ({ plan, step }) => {
        const stamped = stampedBy(heron, plan, step, hand)
        const after = must(applyStep(heron, plan, stamped))
        expect(must(applyStep(heron, after, invertStep(stamped, 'back')))).toEqual(plan)
      }),
      { numRuns: 60 },
    )
  })
})
