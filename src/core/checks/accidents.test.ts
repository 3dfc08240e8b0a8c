import { describe, expect, it } from 'vitest'
import { lenses, models } from '@tests/fixtures/models'
import { emptyPlan } from '../plan/plan'
import { accidentNames, ownerRow } from '../plan/rows'
import { applyStep, setRows } from '../plan/step'
import { must } from '../result'
import { checkPlan } from './checks'

describe.each(models.map((model) => [model.name, model] as const))(
  'what has gone wrong by accident, on %s',
  (_, model) => {
    it('is mended only in ways that the body takes', () => {
      const plain = emptyPlan(model)
      const happened = setRows(plain, 's', { [ownerRow('accidents')]: Object.keys(accidentNames) })
      const plan = must(applyStep(model, plain, happened))
      const found = checkPlan(model, plan, lenses).findings.filter(({ check }) => check === 'accident-again')
      expect(found.length).toBeGreaterThan(0)
      for (const { mends, title } of found)
        for (const { step } of mends) expect([title, applyStep(model, plan, step).ok]).toEqual([title, true])
    })
  },
)
