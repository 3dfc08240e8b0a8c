import { describe, expect, it } from 'vitest'
import { namedModels } from '@tests/fixtures/models'
import { missingWitnesses, witnessesOf } from './witnesses'

describe.each(namedModels)('every rule of the %s', (_name, model) => {
  it('acts somewhere, and rests somewhere unless it always holds', () => {
    expect(missingWitnesses(model)).toEqual([])
  })
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
