import { rowNamed } from '@tests/fixtures/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { solver } from '@tests/fixtures/solver'
import type { Choice, Demand, Instance, Place, Way } from './types'
import { alike } from './alike'
import { programOf } from './program'
import { changedPlaces, keepsAll, scoreOf, type Arrangement } from './score'
import { suggest } from './suggest'

/** Small instances of every shape: locked and forbidden places, alike ones, menus to open, pairs, functions kept. */
const small: fc.Arbitrary<Instance> = fc
  .array(
    fc.record({
      values: fc.integer({ min: 1, max: 3 }),
      forbidden: fc.boolean(),
      costs: fc.array(fc.integer({ min: 0, max: 4 })),
    }),
    { minLength: 2, maxLength: 5 },
  )
  .chain((shapes) => {
    const places = shapes.map(({ values, forbidden, costs }, i): Place => {
      const names = Array.from({ length: values }, (_, k) => (k === 0 ? `now ${i}` : `f${k}`))
      const current = forbidden && values > 1 ? -1 : 0
      return {
        row: rowNamed(`row ${i}`),
        kind: 'line',
        today: `now ${i}`,
        values: names,
        current,
        costs: names.map((_, k) => (k === 0 && current === 0 ? 0 : (costs[k] ?? 1) + 0.5)),
      }
    })
    const choice: fc.Arbitrary<Choice> = fc
      .nat(places.length - 1)
      .chain((place) => fc.nat((places[place]?.values.length ?? 1) - 1).map((value) => ({ place, value })))
    const way: fc.Arbitrary<Way> = fc.record({
      seconds: fc.integer({ min: 0, max: 9 }),
      takes: fc.option(choice),
      opens: fc.constantFrom(null, null, 'menu', 'none'),
    })
    const demand: fc.Arbitrary<Demand> = fc.record({
      needs: fc.constant([]),
      perOuting: fc.integer({ min: 1, max: 5 }),
      weight: fc.integer({ min: 1, max: 9 }),
      ways: fc
        .array(way, { maxLength: 6 })
        .map((ways) => [...ways, { seconds: 30, takes: null, opens: null }]),
    })
    const several = fc.array(choice, { minLength: 1, maxLength: 3 })
    return fc.record({
      places: fc.constant(places),
      demands: fc.array(demand, { minLength: 1, maxLength: 4 }),
      openers: fc.array(fc.record({ choice, seconds: fc.integer({ min: 0, max: 5 }) }), { maxLength: 4 }).map(
        (keys) =>
          new Map([
            ['menu', keys],
            ['none', []],
          ]),
      ),
      pairs: fc.array(
        fc.record({
          seconds: fc.integer({ min: 1, max: 5 }),
          classes: fc.array(fc.record({ one: several, two: several }), { minLength: 1, maxLength: 2 }),
        }),
        { maxLength: 2 },
      ),
      kept: fc.array(
        several.map((choices) => [...choices, { place: 0, value: 0 }]),
        { maxLength: 1 },
      ),
    })
  })
  .filter(({ places }) => places[0]?.current === 0)

describe('the program', () => {
  it('finds what trying every arrangement finds, with any number of changes and with few', () => {
    fc.assert(
      fc.property(small, fc.constantFrom(null, 1, 2), (instance, most) => {
        const forced = instance.places.filter(({ current }) => current < 0).length
        const allowed = most === null ? Infinity : Math.max(most, forced)
        const best = everyArrangement(instance)
          .filter((one) => keepsAll(instance, one) && changedPlaces(instance, one).length <= allowed)
          .reduce((least, one) => Math.min(least, scoreOf(instance, one).total), Infinity)
        const found = suggest(instance, solver, most, { seconds: 20 })
        expect(found.proven).toBe(true)
        expect(found.after.total).toBeCloseTo(best, 6)
        expect(found.changes.length).toBeLessThanOrEqual(allowed)
      }),
      { numRuns: 150 },
    )
  })

  it('treats places alike as one, with fewer columns', () => {
    const line = (i: number): Place => ({
      row: rowNamed(`row ${i}`),
      kind: 'line',
      today: '',
      values: ['', 'a', 'b'],
      current: 0,
      costs: [0, 1, 1],
    })
    const places = Array.from({ length: 6 }, (_, i) => line(i))
    const ways = places.map((_, place): Way => ({ seconds: 1, takes: { place, value: 1 }, opens: null }))
    const lost: Way = { seconds: 9, takes: null, opens: null }
    const demands: Demand[] = [{ needs: [], perOuting: 2, weight: 2, ways: [...ways, lost] }]
    const instance: Instance = { places, demands, openers: new Map(), pairs: [], kept: [] }
    expect(alike(instance).size).toBe(6)
    expect(programOf(instance, null).program.whole).toBe(2)
    expect(suggest(instance, solver, null, { seconds: 5 }).changes).toEqual([
      { row: 'row 0', from: '', to: 'a', gain: 15 },
    ])
  })
})

function everyArrangement({ places }: Instance): Arrangement[] {
  return places.reduce<number[][]>(
    (all, { values }) => all.flatMap((begun) => values.map((_, value) => [...begun, value])),
    [[]],
  )
}
