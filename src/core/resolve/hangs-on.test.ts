import { describe, expect, it } from 'vitest'
import { keepingKeys, modelCalled, models } from '@tests/fixtures/models'
import { doubted } from '@tests/fixtures/check-cases'
import { heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import { emptyPlan, parsePlan } from '../plan/plan'
import { must } from '../result'
import { contextIn } from './context'
import { resolve } from './resolve'
import { hangsOn } from './resolved'

const plan = must(
  parsePlan(heron, {
    [rowNamed('key/motion/crest-key/press')]: 'keep-white',
    [rowNamed('base/colour.balanceMode@motion')]: 'lamp',
  }),
)
const key = 'motion/crest-key/press'

describe('a verdict that hangs on what nobody knows', () => {
  it('names a rule nobody is sure of', () => {
    const model = doubted(heron, 'rules/white-is-fixed')
    const found = resolve(model, plan, contextIn(model, 'motion', null)).addresses.get(key)!
    expect([found.verdict, hangsOn(found)]).toEqual(['test', ['rules/white-is-fixed']])
  })

  it('names whether a function answers in a run state', () => {
    const film = { ...contextIn(heron, 'motion', null), run: 'recording' as const }
    const row = must(parsePlan(heron, { [rowNamed('key/motion/crest-key/press')]: 'magnifier' }))
    const found = resolve(heron, row, film).addresses.get(key)!
    expect(hangsOn(found)).toEqual(['functions/magnifier/recording'])
  })

  it('names whether a bank keeps its own keys, where the bank has another than the plan', () => {
    const mere = keepingKeys(modelCalled('hollin-mere'), 'hand')
    const rows = {
      [rowNamed('bank/hand/pair/side')]: 'stills',
      [rowNamed('bank/hand/pair/key/stills/front-mid/press')]: 'magnifier',
    }
    const planned = must(parsePlan(mere, rows))
    const slot = { family: 'hand', slot: 'pair' }
    const inBank = resolve(mere, planned, contextIn(mere, 'stills', slot)).addresses.get(
      'stills/front-mid/press',
    )!
    expect([inBank.verdict, hangsOn(inBank)]).toEqual(['test', ['families/hand/storesKeys']])
    const plain = resolve(mere, planned, contextIn(mere, 'stills', null)).addresses.get(
      'stills/front-mid/press',
    )!
    expect(hangsOn(plain)).toEqual([])
  })

  it('names the firmware where nobody says which the body runs', () => {
    const { firmware: _none, ...unsaid } = contextIn(heron, 'stills', null)
    const row = must(parsePlan(heron, { [rowNamed('key/stills/crest-key/press')]: 'brightened-view' }))
    const found = resolve(heron, row, unsaid).addresses.get('stills/crest-key/press')!
    expect([found.verdict, hangsOn(found)]).toEqual(['test', ['firmware']])
  })

  it('hangs on nothing where it is certain, and on something wherever it is not, on every model', () => {
    for (const model of models)
      for (const side of model.sides)
        for (const run of ['standby', 'recording'] as const) {
          const { addresses } = resolve(model, emptyPlan(model), { ...contextIn(model, side, null), run })
          for (const one of addresses.values())
            expect([one.address.key, hangsOn(one).length > 0]).toEqual([
              one.address.key,
              one.verdict === 'test',
            ])
        }
  })
})
