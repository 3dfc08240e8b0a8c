import { heron } from '@tests/fixtures/heron'
import { lenses, namedModels } from '@tests/fixtures/models'
import { started, theatre } from '@tests/fixtures/started'
import { describe, expect, it } from 'vitest'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { emptyPlan } from '../plan/plan'
import { setRows, applyStep } from '../plan/step'
import { reachOf } from '../reach/reach'
import { must } from '../result'
import { adviseWish } from './wish'

const plan = started(heron, theatre)
const report = (model: BodyModel, of: Plan) => reachOf(model, of, lenses)

describe('where a need is put', () => {
  it.each(namedModels.map(([name, model]) => [name, model] as const))(
    '%s: each place saves what it says, the whole outing reckoned anew',
    (_, model) => {
      const full = started(model, theatre)
      const before = report(model, full)
      const needs = before.reached.filter(({ absent }) => !absent).slice(0, 4)
      for (const { need } of needs) {
        const advice = adviseWish(model, full, before, need)
        for (const { id, rows, balance } of advice?.options ?? []) {
          if (Object.keys(rows).length === 0) continue
          const after = must(applyStep(model, full, setRows(full, 'put', rows)))
          const saved = Math.round(before.seconds - report(model, after).seconds)
          expect([need.what, id, balance]).toEqual([need.what, id, saved])
        }
      }
    },
  )

  it('names what a key loses, and first what saves most', () => {
    const before = report(heron, plan)
    const costly = [...before.reached]
      .filter(({ absent }) => !absent)
      .sort((one, two) => two.perOuting - one.perOuting)
    const [most] = costly
    const advice = most && adviseWish(heron, plan, before, most.need)
    const balances =
      advice?.options.filter(({ cannot }) => cannot === null).map(({ balance }) => balance) ?? []
    expect(balances).toEqual([...balances].sort((one, two) => two - one))
    expect(advice?.options.some(({ isNow }) => isNow)).toBe(true)
    const words = advice?.options.flatMap(({ weighs }) => weighs.map((one) => one.words)).join(' ')
    expect(words).toContain('Takes the place of')
  })

  it('counts the slots a bank takes, and says what no bank stores', () => {
    const before = report(heron, plan)
    const options = before.reached.flatMap(({ need }) => adviseWish(heron, plan, before, need)?.options ?? [])
    const banks = options.filter(({ id }) => id === 'bank')
    expect(banks.some(({ cannot }) => cannot === 'No bank stores it.')).toBe(true)
    expect(banks.some(({ weighs }) => weighs.some(({ words }) => /are free\.$/.test(words)))).toBe(true)
  })

  it('has nothing to say of a need that the plan does not have', () => {
    const empty = emptyPlan(heron)
    expect(
      adviseWish(heron, empty, report(heron, empty), { situation: 'stage', what: 'exposure.iso' }),
    ).toBeNull()
  })
})
