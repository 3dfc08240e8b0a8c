import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf, stepFor, valueIn } from '@tests/fixtures/arbitrary'
import { lenses, namedModels } from '@tests/fixtures/models'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { type RowId, baseCellRow, baseCells, keyRow, rowValue } from '../plan/rows'
import { applyStep, setRows } from '../plan/step'
import { must } from '../result'
import type { Step } from '../sync/step'
import type { Value } from '../vocabulary/values'
import { checkAfter, checkPlan } from './checks'

const used = lenses.slice(0, 3)

describe.each(namedModels)('looked at again after a step, a plan of the %s', (_name, model) => {
  const findsTheSame = (plan: Plan, step: Step) => {
    const after = must(applyStep(model, plan, step))
    const again = checkAfter(checkPlan(model, plan, used), after)
    expect(again.findings).toEqual(checkPlan(model, after, used).findings)
  }

  it('has the findings it has when looked at anew', () => {
    const pair = planOf(model).chain((plan) => stepFor(model, plan, 's').map((step) => ({ plan, step })))
    fc.assert(
      fc.property(pair, ({ plan, step }) => findsTheSame(plan, step)),
      { numRuns: 12 },
    )
  })

  it('has them, too, where all that changed belongs to one side', () => {
    const pair = fc.tuple(planOf(model), ofOneSide(model))
    fc.assert(
      fc.property(pair, ([plan, [row, value]]) => {
        fc.pre(rowValue(plan.rows, row) !== value)
        findsTheSame(plan, setRows(plan, 's', { [row]: value }))
      }),
      { numRuns: 12 },
    )
  })
})

/** A key, or a cell of a side, with a value it takes. */
function ofOneSide(model: BodyModel): fc.Arbitrary<[RowId, Value]> {
  const key = fc
    .constantFrom(...lookup(model).addresses.values())
    .chain((address) =>
      fc
        .constantFrom(...acceptedFunctions(model, address))
        .map((fn): [RowId, Value] => [keyRow(address), fn.id]),
    )
  const cells = model.settings.flatMap((setting) =>
    model.sides
      .filter((side) => baseCells(model, setting)?.includes(side))
      .map((side) =>
        valueIn(setting.domain).map((value): [RowId, Value] => [baseCellRow(setting.id, side), value]),
      ),
  )
  return fc.oneof(key, ...(cells.length > 0 ? [fc.oneof(...cells)] : []))
}
