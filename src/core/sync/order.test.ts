import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inOrder, isOrderKey, keyAtEnd, keysToMove, type Ordered } from './order'

const ids = (elements: readonly Ordered[]) => inOrder(elements).map((one) => one.id)
const withKeys = (elements: readonly Ordered[], keys: ReadonlyMap<string, string>) =>
  elements.map((one) => ({ ...one, key: keys.get(one.id) ?? one.key }))

describe('an ordered list', () => {
  it('has an element where it was moved, and the others as they were, after any moves', () => {
    const moves = fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 40 })
    fc.assert(
      fc.property(fc.subarray(['a', 'b', 'c', 'd', 'e', 'f'], { minLength: 1 }), moves, (names, all) => {
        let elements: Ordered[] = names.map((id) => ({ id, key: null }))
        for (const [which, where] of all) {
          const before = ids(elements)
          const id = before[which % before.length] ?? ''
          const rest = before.filter((one) => one !== id)
          const to = where % before.length
          elements = withKeys(elements, keysToMove(elements, id, to))
          expect(ids(elements)).toEqual([...rest.slice(0, to), id, ...rest.slice(to)])
        }
      }),
    )
  })

  it('needs one key to move one element, once all have keys that differ', () => {
    let elements: Ordered[] = []
    for (const id of ['a', 'b', 'c', 'd']) elements = [...elements, { id, key: keyAtEnd(elements) }]
    expect(ids(elements)).toEqual(['a', 'b', 'c', 'd'])
    expect([...keysToMove(elements, 'd', 1).keys()]).toEqual(['d'])
  })

  it('takes an element apart from another that two people put in the same place', () => {
    const elements = [
      { id: 'a', key: 'a0' },
      { id: 'b', key: 'a1' },
      { id: 'c', key: 'a1' },
      { id: 'd', key: 'a2' },
    ]
    expect(ids(withKeys(elements, keysToMove(elements, 'd', 2)))).toEqual(['a', 'b', 'd', 'c'])
  })

  it.each(['', 'a', 'a00', 'é', '0', 'x'.repeat(90)])('does not take “%s” for a key', (text) => {
    expect(isOrderKey(text)).toBe(false)
  })
})
