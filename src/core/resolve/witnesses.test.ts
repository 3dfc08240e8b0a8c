import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { namedModels } from '@tests/fixtures/models'
import { actsWith, missingWitnesses, witnessesOf, type Facts } from './witnesses'

describe.each(namedModels)('every rule of the %s', (_name, model) => {
  it('acts somewhere, and rests somewhere unless it always holds', () => {
    expect(missingWitnesses(model)).toEqual([])
  })
})

describe('the witnesses that are kept', () => {
  const kept = JSON.parse(readFileSync('tests/fixtures/witnesses.json', 'utf8')) as Record<
    string,
    Record<string, { acts: Facts | null; rests: Facts | null }>
  >

  it.each(namedModels)(
    'are there for every rule of the %s, and are what they were kept as',
    (_name, model) => {
      const mine = kept[model.id] ?? {}
      expect(Object.keys(mine).sort()).toEqual(model.rules.map(({ id }) => id).sort())
      for (const rule of model.rules) {
        const { acts, rests } = mine[rule.id]!
        expect([rule.id, acts && actsWith(model, rule, acts)]).toEqual([rule.id, 'yes'])
        expect([rule.id, rests && actsWith(model, rule, rests)]).toEqual([rule.id, rests ? 'no' : null])
      }
    },
  )
})

describe('a rule that can never act', () => {
  it('is found', () => {
    const [, model] = namedModels[0]!
    const [rule] = model.rules
    const never = {
      ...rule!,
      when: {
        all: [
          { fact: 'side', is: 'stills' },
          { fact: 'side', is: 'motion' },
        ],
      },
    } as const
    expect(witnessesOf(model, never)).toMatchObject({ acts: null })
    expect(witnessesOf(model, never).rests).not.toBeNull()
    const [told, ...more] = missingWitnesses({ ...model, rules: [never] })
    expect([told?.rule, told?.lacks, more]).toEqual([never.id, 'acts', []])
    expect(told?.words).toMatch(/does not act in any of [1-9]\d* combinations/)
  })
})
