import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deltaBetween, withDelta } from './delta'

const data = fc.letrec<{ any: unknown }>((tie) => ({
  any: fc.oneof(
    { depthSize: 'small' },
    fc.constantFrom(null, 0, 1, 'a', 'b', true),
    fc.array(tie('any'), { maxLength: 4 }),
    fc.dictionary(fc.constantFrom('x', 'y', 'z', '__proto__'), tie('any')),
    fc.array(fc.tuple(fc.constantFrom('k', 'l'), tie('any')), { maxLength: 2 }).map((all) => new Map(all)),
  ),
})).any

describe('a delta', () => {
  it('made to what was gives what is, and nothing is sent where nothing changed', () => {
    fc.assert(
      fc.property(data, data, (before, after) => {
        const delta = deltaBetween(before, after)
        expect(delta === null ? before : withDelta(before, structuredClone(delta))).toEqual(after)
        expect(deltaBetween(after, structuredClone(after))).toBeNull()
      }),
    )
  })

  it('leaves what it does not touch the same object, in objects and in lists that grow', () => {
    const before = { rows: [{ id: 1 }, { id: 2, cells: [{ v: 'f/8' }] }, { id: 3 }], figures: { light: [0] } }
    const after = structuredClone(before)
    after.rows.splice(1, 0, { id: 9 })
    const delta = deltaBetween(before, after)!
    expect(delta).toEqual({ keys: [['rows', { front: 1, behind: 2, middle: [{ id: 9 }] }]], gone: [] })
    const made = withDelta(before, delta) as typeof before
    expect(made.figures).toBe(before.figures)
    expect(made.rows.map((row) => before.rows.indexOf(row))).toEqual([0, -1, 1, 2])
  })

  it('takes a set or a date for another value, whatever is in it', () => {
    for (const [before, after] of [
      [new Set(['a']), new Set(['b'])],
      [new Date(1), new Date(2)],
    ])
      expect(deltaBetween({ one: before }, { one: after })).toEqual({
        keys: [['one', { whole: after }]],
        gone: [],
      })
  })

  it('of one value deep in a list names only its place', () => {
    const before = [{ a: 1, b: [{ c: 1 }, { c: 2 }] }, { a: 2 }]
    const after = [{ a: 1, b: [{ c: 1 }, { c: 3 }] }, { a: 2 }]
    expect(JSON.stringify(deltaBetween(before, after))).toBe(
      JSON.stringify({
        places: [
          [0, { keys: [['b', { places: [[1, { keys: [['c', { whole: 3 }]], gone: [] }]] }]], gone: [] }],
        ],
      }),
    )
  })
})
