import { models } from '@tests/fixtures/models'
import { describe, expect, it } from 'vitest'
import { actDoneBy } from '../model/menu'
import type { BodyModel } from '../model/types'
import type { FactSource } from '../rules/condition'
import { ruleBook } from './rule-book'

/** Facts of which everything is known to be one and the same. */
const everything = (value: string | number | boolean): FactSource => ({
  read: () => ({ known: true, value }),
})

describe.each(models.map((model) => [model.name, model] as const))('the rules of %s', (_, model) => {
  const book = ruleBook(model)

  it('are all there, each where it is looked for, and what acts need beside them', () => {
    const readied = [...book.replacing, ...[...book.remarking.values()].flat()].map(({ id }) => id)
    const acts = new Set(model.functions.flatMap((fn) => actDoneBy(model, fn)?.id ?? []))
    expect(acts.size).toBeGreaterThan(0)
    expect(new Set(readied)).toEqual(new Set([...model.rules.map(({ id }) => id), ...acts]))
  })

  it('that change values come after those that change what they ask', () => {
    const place = new Map(book.replacing.map((rule, i) => [`setting/${rule.then.setting}`, i]))
    for (const [i, rule] of book.replacing.entries())
      for (const fact of rule.reads)
        if (fact !== `setting/${rule.then.setting}`)
          expect([rule.id, fact, (place.get(fact) ?? -1) <= i]).toEqual([rule.id, fact, true])
  })

  it('are found by every fact they ask', () => {
    for (const [key, rules] of book.remarking)
      for (const fact of rules.flatMap(({ reads }) => reads)) expect(book.remarkedBy.get(fact)).toContain(key)
  })

  it('are made ready once', () => {
    expect(ruleBook(model)).toBe(book)
  })
})

describe('a rule in doubt', () => {
  const [model] = models
  const [rule] = model?.rules ?? []
  if (!model || !rule) throw new Error('the first model has rules')
  const doubted: BodyModel = {
    ...model,
    rules: [rule],
    doubts: [
      {
        about: `rules/${rule.id}`,
        status: 'claimed',
        by: 'Ada Reed',
        candidates: [],
        test: 'Turn it and look.',
      },
    ],
  }
  const readied = (of: BodyModel) => {
    const book = ruleBook(of)
    return [...book.replacing, ...[...book.remarking.values()].flat()][0]
  }

  it('never holds for certain, whatever is known, and says who claims it and how to test it', () => {
    const [sure, unsure] = [readied({ ...model, rules: [rule], doubts: [] }), readied(doubted)]
    for (const value of [true, false, 'on', 'off', 0, 1]) {
      const truth = sure?.holds(everything(value))
      expect(unsure?.holds(everything(value))).toBe(truth === 'no' ? 'no' : 'unknown')
    }
    expect(unsure?.because).toBe(`${rule.because} Ada Reed says so; Turn it and look.`)
  })
})
