import { describe, expect, it } from 'vitest'
import { namedModels } from '@tests/fixtures/models'
import { always, witnessesOf } from './witnesses'

describe.each(namedModels)('every rule of the %s', (_name, model) => {
  const found = model.rules.map((rule) => witnessesOf(model, rule))

  it('acts somewhere', () => {
    expect(found.filter(({ acts }) => acts === null).map(({ rule }) => rule.id)).toEqual([])
  })

  it('rests somewhere, unless it always holds', () => {
    const never = found.filter(({ rule, rests }) => rests === null && !always(rule.when))
    expect(never.map(({ rule }) => rule.id)).toEqual([])
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
  })
})
