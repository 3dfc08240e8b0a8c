import { duetRows } from '@tests/fixtures/duet'
import { modelCalled, models } from '@tests/fixtures/models'
import { describe, expect, it } from 'vitest'
import { lookup } from '../model/lookup'
import { emptyPlan, parsePlan } from '../plan/plan'
import { idsOf, invalidatedBy, keyRow } from '../plan/rows'
import { must } from '../result'
import { rehearsals } from './rehearsal'

describe('the steps that are taken in thought', () => {
  it('leave keys empty and take rows of settings away, from all over the plan', () => {
    const duet = modelCalled('varn-duet')
    const plan = must(parsePlan(duet, duetRows))
    const taken = rehearsals(duet, plan)
    const settings = idsOf(plan.rows).filter((row) => invalidatedBy(duet, row).what === 'setting')
    const gone = taken.flatMap(([row, value]) => (value === null ? [row] : []))
    expect(gone).toHaveLength(2)
    expect(gone.map((row) => settings.indexOf(row) < settings.length / 2)).toEqual([true, false])
    const emptied = taken.flatMap(([row, value]) => (value === 'nothing' ? [row] : []))
    const sides = [...lookup(duet).addresses.values()].flatMap((one) =>
      emptied.includes(keyRow(one)) ? [one.side] : [],
    )
    expect(sides).toHaveLength(4)
    expect(new Set(sides).size).toBeGreaterThan(1)
    expect(emptied.every((row) => plan.rows[row] !== 'nothing')).toBe(true)
  })

  it.each(models)('are such as $name takes, in an empty plan, too', (model) => {
    const taken = rehearsals(model, emptyPlan(model))
    expect(taken).toHaveLength(4)
    must(parsePlan(model, Object.fromEntries(taken)))
  })
})
