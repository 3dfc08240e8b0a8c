import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { memoizeByText } from './memoize'

/** A function that says of what it was called. */
function counted() {
  const calls: string[] = []
  const make = (text: string) => {
    calls.push(text)
    return text.toUpperCase()
  }
  return { calls, make }
}

describe('a function that keeps its answers to texts', () => {
  it('is called once for a text that was asked about a moment ago', () => {
    const { calls, make } = counted()
    const ask = memoizeByText(make, 10)
    expect([ask('ab'), ask('cd'), ask('ab'), ask('cd')]).toEqual(['AB', 'CD', 'AB', 'CD'])
    expect(calls).toEqual(['ab', 'cd'])
  })

  it('forgets what was asked about longest ago, and keeps nothing longer than it may', () => {
    const { calls, make } = counted()
    const ask = memoizeByText(make, 4)
    for (const text of ['ab', 'cd', 'ab', 'ef', 'ab', 'cd', 'longer', 'longer']) ask(text)
    expect(calls).toEqual(['ab', 'cd', 'ef', 'cd', 'longer', 'longer'])
  })

  it('keeps an answer that is nothing, too', () => {
    let calls = 0
    const ask = memoizeByText(() => {
      calls += 1
      return undefined
    }, 10)
    ask('a')
    ask('a')
    expect(calls).toBe(1)
  })

  it('answers as the function itself does, whatever is asked in whatever order', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 4 })), fc.nat(20), (texts, most) => {
        const ask = memoizeByText((text) => text.toUpperCase(), most)
        expect(texts.map(ask)).toEqual(texts.map((text) => text.toUpperCase()))
      }),
    )
  })
})
