import { generateKeyBetween } from 'fractional-indexing'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inOrder, keyAtEnd, keysToMove, type Ordered } from './order'
import { isOrderKey } from './order-key'

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

  it('takes for a key what the package that makes keys goes on from, and nothing else', () => {
    const goesOn = (text: string) => {
      try {
        return generateKeyBetween(text, null) > text
      } catch {
        return false
      }
    }
    const texts = fc.oneof(
      fc.array(fc.constantFrom('A', 'B', 'Y', 'Z', 'a', 'b', 'c', '0', '1'), { maxLength: 8 }),
      fc.array(fc.constantFrom('0', '1', 'z'), { minLength: 24, maxLength: 28 }).map((all) => ['A', ...all]),
      fc.constant(['A', ...'0'.repeat(26)]),
    )
    fc.assert(
      fc.property(texts, (letters) => {
        const text = letters.join('')
        expect([text, isOrderKey(text)]).toEqual([text, text !== '' && goesOn(text)])
      }),
      { numRuns: 2000 },
    )
  })

  it.each(['', 'a', 'a00', 'é', '0', 'x'.repeat(90)])('does not take “%s” for a key', (text) => {
    expect(isOrderKey(text)).toBe(false)
  })
})
