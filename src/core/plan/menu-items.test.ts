import { rowNamed } from '@tests/fixtures/rows'
import { type RowId, gridRow } from './rows'
import { gridCells, ownLines } from './cells'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { namedModels } from '@tests/fixtures/models'
import { must } from '../result'
import { deliveredAt, itemAt, permittedAt, putItem, swapItems } from './menu-items'
import { emptyPlan } from './plan'
import { applyStep } from './step'

describe.each(namedModels)('an item in a menu of the %s', (_name, model) => {
  const rows = [
    ...gridCells(model).map(({ grid, cell }) => gridRow(grid.id, cell)),
    ...ownLines(model).map(({ row }) => row),
  ]
  const places = fc.tuple(planOf(model), fc.constantFrom(...rows), fc.constantFrom(...rows), fc.nat())

  it('stands where it was put, and putting back what was there gives the plan as it was', () => {
    fc.assert(
      fc.property(places, ([plan, row, , pick]) => {
        const permitted = permittedAt(model, row)
        const item = permitted[pick % permitted.length] ?? null
        const before = itemAt(model, plan, row)
        const step = putItem(model, plan, row, item, 'put')
        if (!step.ok) {
          expect([step.refusal.code, before]).toEqual(['same-item', item])
          return
        }
        const after = must(applyStep(model, plan, step.value))
        expect(itemAt(model, after, row)).toBe(item)
        const back = must(applyStep(model, after, must(putItem(model, after, row, before, 'back'))))
        expect(itemAt(model, back, row)).toBe(before)
      }),
      { numRuns: 30 },
    )
  })

  it('changes places with another where both take it', () => {
    fc.assert(
      fc.property(places, ([plan, one, two]) => {
        const step = swapItems(model, plan, one, two, 'swap')
        const [a, b] = [itemAt(model, plan, one), itemAt(model, plan, two)]
        const takes = (row: RowId, item: string | null) =>
          item === null || permittedAt(model, row).includes(item)
        if (!step.ok) {
          expect(a === b || !takes(one, b) || !takes(two, a)).toBe(true)
          return
        }
        const after = must(applyStep(model, plan, step.value))
        expect([itemAt(model, after, one), itemAt(model, after, two)]).toEqual([b, a])
      }),
      { numRuns: 30 },
    )
  })

  it('as delivered is no row of the plan; what is not permitted is refused, naming it', () => {
    const plan = emptyPlan(model)
    for (const row of rows) expect(itemAt(model, plan, row)).toBe(deliveredAt(model, row))
    const refused = putItem(model, plan, rows[0] ?? rowNamed('none'), 'no.such', 'x')
    expect(refused).toMatchObject({ ok: false, refusal: { code: 'not-permitted', where: rows[0] } })
  })
})
