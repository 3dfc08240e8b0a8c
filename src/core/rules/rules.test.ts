import fc from 'fast-check'
import jsonLogic from 'json-logic-js'
import { describe, expect, it } from 'vitest'
import { asJsonLogic } from '@tests/fixtures/json-logic'
import type { Rule } from './rule'
import {
  evaluate as evaluateWith,
  factsOf,
  type Condition,
  type FactSource,
  type Known,
  type Scales,
} from './condition'
import { orderReplacing } from './order'

function facts(values: Record<string, Known>): FactSource {
  return { read: (fact) => values[fact] ?? { known: false } }
}

const scales: Scales = {
  amount: () => (value) => (typeof value === 'number' ? value : undefined),
  field: () => () => undefined,
}
const evaluate = (condition: Condition, source: FactSource) => evaluateWith(condition, source, scales)
const known = (value: string | number | boolean): Known => ({ known: true, value })

describe('conditions', () => {
  const source = facts({ side: known('stills'), rate: known(50) })

  it('compare facts', () => {
    expect(evaluate({ fact: 'side', is: 'stills' }, source)).toBe('yes')
    expect(evaluate({ fact: 'side', in: ['motion'] }, source)).toBe('no')
    expect(evaluate({ fact: 'rate', above: 30 }, source)).toBe('yes')
    expect(evaluate({ fact: 'rate', below: 50 }, source)).toBe('no')
  })

  it('stay unknown only where the answer hangs on the unknown fact', () => {
    const unknown: Condition = { fact: 'lens/contacts', is: true }
    expect(evaluate(unknown, source)).toBe('unknown')
    expect(evaluate({ not: unknown }, source)).toBe('unknown')
    expect(evaluate({ all: [unknown, { fact: 'side', is: 'motion' }] }, source)).toBe('no')
    expect(evaluate({ any: [unknown, { fact: 'side', is: 'stills' }] }, source)).toBe('yes')
    expect(evaluate({ all: [unknown, { fact: 'side', is: 'stills' }] }, source)).toBe('unknown')
  })

  it('take a value without an amount for neither above nor below', () => {
    expect(evaluate({ fact: 'side', above: 3 }, source)).toBe('no')
    expect(evaluate({ fact: 'side', below: 3 }, source)).toBe('no')
  })

  it('ask whether a list has something in it', () => {
    const lists = facts({ lock: { known: true, value: ['dials', 'keys'] } })
    expect(evaluate({ fact: 'lock', has: 'keys' }, lists)).toBe('yes')
    expect(evaluate({ fact: 'lock', has: 'touch' }, lists)).toBe('no')
    expect(evaluate({ fact: 'side', has: 'stills' }, source)).toBe('no')
  })

  it('compare with what other facts come to, and stay unknown where those are', () => {
    const longerThanAFrame: Condition = {
      fact: 'time',
      above: { over: [{ amount: 1 }, { fact: 'rate' }] },
    }
    const at = (time: Known, rate: Known) => evaluate(longerThanAFrame, facts({ time, rate }))
    expect(at(known(1 / 50), known(100))).toBe('yes')
    expect(at(known(1 / 100), known(100))).toBe('no')
    expect(at(known(1 / 200), known(100))).toBe('no')
    expect(at(known(1 / 50), { known: false })).toBe('unknown')
    expect(at(known(1 / 50), { known: false, candidates: [60, 100] })).toBe('yes')
    expect(at(known(1 / 50), { known: false, candidates: [25, 100] })).toBe('unknown')
    expect(factsOf(longerThanAFrame)).toEqual(['time', 'rate'])
  })

  it('name each fact once', () => {
    const condition: Condition = {
      all: [
        { fact: 'a', is: 1 },
        {
          not: {
            any: [
              { fact: 'b', is: 1 },
              { fact: 'a', is: 2 },
            ],
          },
        },
      ],
    }
    expect(factsOf(condition)).toEqual(['a', 'b'])
  })

  const condition: fc.Arbitrary<Condition> = fc.letrec<{ condition: Condition }>((tie) => ({
    condition: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      fc.record({ fact: fc.constantFrom('a', 'b', 'c'), is: fc.boolean() }),
      fc.record({ all: fc.array(tie('condition'), { maxLength: 3 }) }),
      fc.record({ any: fc.array(tie('condition'), { maxLength: 3 }) }),
      fc.record({ not: tie('condition') }),
    ),
  })).condition

  it('answer unknown only when both completions are possible or more than one fact is open', () => {
    fc.assert(
      fc.property(condition, fc.boolean(), fc.boolean(), (one, a, b) => {
        const open = facts({ a: known(a), b: known(b) })
        const closed = [true, false].map((c) =>
          evaluate(one, facts({ a: known(a), b: known(b), c: known(c) })),
        )
        const answer = evaluate(one, open)
        if (answer !== 'unknown') expect(closed).toEqual([answer, answer])
      }),
    )
  })

  it('answer as json-logic-js does where every fact is known', () => {
    fc.assert(
      fc.property(condition, fc.boolean(), fc.boolean(), fc.boolean(), (one, a, b, c) => {
        const answer = evaluate(one, facts({ a: known(a), b: known(b), c: known(c) }))
        expect(answer === 'yes').toBe(
          jsonLogic.apply(
            asJsonLogic(one, () => 0),
            { a, b, c },
          ),
        )
      }),
    )
  })

  it('obey De Morgan', () => {
    fc.assert(
      fc.property(condition, condition, fc.boolean(), (one, two, a) => {
        const open = facts({ a: known(a) })
        expect(evaluate({ not: { all: [one, two] } }, open)).toBe(
          evaluate({ any: [{ not: one }, { not: two }] }, open),
        )
      }),
    )
  })
})

describe('the order of rules that change values', () => {
  const forced = (id: string, reads: string, setting: string, to: string, over: string[] = []): Rule => ({
    id,
    when: { fact: `setting/${reads}`, is: 'x' },
    then: { kind: 'forced', setting, to },
    because: 'a reason',
    over,
  })
  const ids = (rules: readonly Rule[]) => {
    const ordered = orderReplacing(rules)
    return ordered.ok ? ordered.value.map((rule) => rule.id) : ordered.refusal
  }

  it('runs what feeds a rule before the rule, whatever the file order', () => {
    expect(ids([forced('second', 'a', 'b', 'x'), forced('first', 'c', 'a', 'x')])).toEqual([
      'first',
      'second',
    ])
  })

  it('refuses rules that chase each other, naming them', () => {
    expect(ids([forced('one', 'a', 'b', 'x'), forced('two', 'b', 'a', 'x')])).toMatchObject({ code: 'cycle' })
    expect(ids([forced('self', 'a', 'a', 'y')])).toMatchObject({ code: 'cycle' })
  })

  it('refuses two rules that force one setting differently, unless one is over the other', () => {
    const one = forced('one', 'a', 'c', 'x')
    expect(ids([one, forced('two', 'b', 'c', 'y')])).toMatchObject({ code: 'clash' })
    expect(ids([forced('two', 'b', 'c', 'y', ['one']), one])).toEqual(['one', 'two'])
  })
})
