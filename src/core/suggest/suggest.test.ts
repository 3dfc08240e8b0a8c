import { rowNamed } from '@tests/fixtures/rows'
import { forbidRow, isKeyRow, keyRow, noteRow } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { solver } from '@tests/fixtures/solver'
import { started } from '@tests/fixtures/started'
import { lookup } from '../model/lookup'
import { functionAt } from '../plan/assign'
import { applyStep } from '../plan/step'
import { reachOf } from '../reach/reach'
import { must } from '../result'
import { agreementWith } from './agreement'
import { instanceOf } from './instance'
import { scoreOf, today } from './score'
import type { Solver } from './solver'
import { stepFor, stillOpen } from './change'
import { gapOf, suggest, suggestOne } from './suggest'

const quickly = { seconds: 20 }
const few = lenses.slice(0, 2)

describe.each(namedModels)('a suggestion for the %s', (_name, model) => {
  const plan = started(model, ['workbench', 'interviews'])
  const found = suggest(instanceOf({ model, plan, lenses: few }), solver, null, quickly)

  it('starts from what reach reckons, for any plan', () => {
    fc.assert(
      fc.property(planOf(model), (any) => {
        const plan = started(model, ['stage', 'interviews'], any.rows)
        const instance = instanceOf({ model, plan, lenses: few })
        const allowed = instance.places.every(({ current }) => current >= 0)
        if (allowed)
          expect(scoreOf(instance, today(instance)).seconds).toBeCloseTo(reachOf(model, plan, few).seconds, 4)
      }),
      { numRuns: 10 },
    )
  })

  it('is proven, better than today, and saves what reach then reckons less', () => {
    const { changes, proven, before, after } = found
    expect(proven).toBe(true)
    expect(after.total).toBeLessThan(before.total)
    expect(changes.reduce((sum, change) => sum + change.gain, 0)).toBeCloseTo(before.total - after.total)
    const taken = must(applyStep(model, plan, stepFor(model, plan, changes, 'take')))
    expect(reachOf(model, taken, few).seconds).toBeCloseTo(after.seconds, 4)
    expect(changes.every((change) => stillOpen(model, plan.rows, change))).toBe(true)
    expect(changes.some((change) => stillOpen(model, taken.rows, change))).toBe(false)
  })

  it('never takes the last key from a function that no menu line stands in for', () => {
    const taken = must(applyStep(model, plan, stepFor(model, plan, found.changes, 'take')))
    const onKeys = (rows: typeof plan, side: string) =>
      new Set(
        [...lookup(model).addresses.values()].flatMap((address) =>
          address.side === side ? (functionAt(rows, address) ?? []) : [],
        ),
      )
    for (const side of model.sides) {
      const after = onKeys(taken, side)
      const lost = [...onKeys(plan, side)].filter((id) => !after.has(id))
      for (const id of lost.filter((one) => lookup(model).functions.get(one)?.manner !== 'none')) {
        const lines = lookup(model).functions.get(id)?.changes ?? []
        expect(
          lines.some((line) => lookup(model).menuAddress.has(line)),
          id,
        ).toBe(true)
      }
    }
  })
})

describe('a suggestion', () => {
  const model = modelCalled('pell-pocket')
  const ask = (rows = {}) => {
    const plan = started(model, ['workbench', 'stage'], rows)
    return { plan, instance: instanceOf({ model, plan, lenses: few }) }
  }
  const all = suggest(ask().instance, solver, null, quickly).changes
  const [key] = all.filter((change) => isKeyRow(change.row))
  if (!key) throw new Error('there is a key to change')

  it('leaves a locked row as it is', () => {
    const { instance } = ask({ [noteRow('lock', key.row)]: 'The glove finds it there.' })
    const { changes } = suggest(instance, solver, null, quickly)
    expect(changes.map((change) => change.row)).not.toContain(key.row)
    expect(changes.length).toBeGreaterThan(0)
  })

  it('leaves a key empty that is empty for a reason', () => {
    const { instance } = ask({ [key.row]: 'nothing', [noteRow('why', key.row)]: 'Bumped by the strap.' })
    expect(suggest(instance, solver, null, quickly).changes.map((change) => change.row)).not.toContain(
      key.row,
    )
  })

  it('does not put there what is forbidden there, and moves what stands where it is forbidden', () => {
    const { instance } = ask({ [forbidRow(key.to, key.row)]: 'Too near the record key.' })
    const again = suggest(instance, solver, null, quickly).changes.find((change) => change.row === key.row)
    expect(again?.to).not.toBe(key.to)
    const forbidden = ask({ [forbidRow(key.from, key.row)]: 'Not here.' })
    const moved = suggest(forbidden.instance, solver, 1, quickly)
    expect(moved.changes.map(({ row, from }) => ({ row, from }))).toEqual([{ row: key.row, from: key.from }])
    expect(suggestOne(forbidden.instance)).toBeNull()
  })

  it('with more changes allowed never saves less, and one change is the same by trying each', () => {
    const { instance } = ask()
    const totals = [1, 2, 3, 4, 6, null].map((most) => {
      const { changes, after } = suggest(instance, solver, most, quickly)
      if (most !== null) expect(changes.length).toBeLessThanOrEqual(most)
      return after.total
    })
    expect(totals).toEqual([...totals].sort((a, b) => b - a))
    expect(suggestOne(instance)?.after.total).toBeCloseTo(totals[0] ?? 0)
  })

  it('agrees with the other body where that costs less than it saves', () => {
    const lite = modelCalled('varn-duet-lite')
    const other = started(lite, [], { [keyRow({ key: keyOf(lite) })]: 'nothing' })
    const agreed = agreementWith(lite, [{ model: lite, plan: other }])
    expect(agreed.get(keyOf(lite))).toEqual(['nothing'])
    const plan = started(lite, ['stage'], { [rowNamed('owner/bodies')]: 500, [rowNamed('owner/habit')]: 0 })
    const { changes } = suggest(
      instanceOf({ model: lite, plan, lenses: few, agreement: agreed }),
      solver,
      null,
      quickly,
    )
    expect(changes).toContainEqual(
      expect.objectContaining({ row: keyRow({ key: keyOf(lite) }), to: 'nothing' }),
    )
  })

  it('found when the time was over says how far from the best it may be; found nothing, it leaves all as it is', () => {
    const { instance } = ask()
    const before = scoreOf(instance, today(instance)).total
    const late: Solver = () => ({ status: 'time', solution: null, cost: Infinity, bound: before / 2 })
    const none = suggest(instance, late, null, quickly)
    expect(none).toMatchObject({ changes: [], proven: false })
    expect(gapOf(none)).toBeCloseTo(0.5)
    expect(gapOf(suggest(instance, solver, 2, quickly))).toBe(0)
  })
})

/** A key of the model that has something to lose. */
function keyOf(model: ReturnType<typeof modelCalled>): string {
  const found = [...lookup(model).addresses.values()].find(
    (one) =>
      one.side === 'stills' &&
      one.control.kind === 'key' &&
      one.when === null &&
      (lookup(model).functions.get(one.factory ?? '')?.changes.length ?? 0) > 0 &&
      (model.functionLists[one.gesture.accepts] ?? []).includes('nothing'),
  )
  if (!found) throw new Error('there is such a key')
  return found.key
}
