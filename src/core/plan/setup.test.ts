import { isKeyRow } from './rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { must } from '../result'
import { parsePlan, plannedSlots } from './plan'
import { markAct, newRecord, progressOf, setUpActs } from './setup'

const plan = must(
  parsePlan(heron, {
    title: 'Night rehearsals',
    'base/focus.lamp': false,
    'base/exposure.mode@stills': 'manual',
    'why/base/focus.lamp': 'It dazzles the players.',
    'key/stills/thumb-key/press': 'start-focus',
    'bank/dial/ebb/side': 'motion',
    'bank/dial/ebb/purpose': 'talks with the players',
    'bank/dial/ebb/movie.frameRate': '25p',
    'body/heron-a/files.prefix': 'LHA',
    'body/heron-b/files.prefix': 'LHB',
  }),
)
const acts = setUpActs(heron, plan, 'heron-a')

describe('the set-up of a plan on a body', () => {
  it('comes in the order of work: menu, keys, banks and storing them, the file, then the tests', () => {
    expect(acts.map((act) => act.id)).toEqual([
      'set/base/exposure.mode@stills',
      'set/base/focus.lamp',
      'set/body/heron-a/files.prefix',
      'set/key/stills/thumb-key/press',
      'set/bank/dial/ebb/movie.frameRate',
      'register/dial/ebb',
      'load/file',
      'press/stills/thumb-key/press',
      'recall/dial/ebb',
    ])
    expect(acts[0]).toMatchObject({
      where: 'Exposure / line 1',
      words: 'Base, Exposure mode, stills: Manual',
    })
    expect(acts.at(-1)?.words).toBe('Recall Ebb: expect talks with the players')
  })

  it('says which menu line opens the page where keys, function menu, own menu and hold sets are set', () => {
    const linden = modelCalled('brack-linden')
    const rows = {
      'key/stills/visor/press': 'focus-guide',
      'grid/panel-still/1': 'focus.area',
      'own/1/1': 'focus.area',

      'hold/alpha/focus.area': 'point',
    }
    const planned = must(
      parsePlan(linden, Object.fromEntries(Object.entries(rows).map(([row, is]) => [rowNamed(row), is]))),
    )
    const where = Object.fromEntries(setUpActs(linden, planned, 'a').map((act) => [act.id, act.where]))
    expect([
      where['set/key/stills/visor/press'],
      where['set/grid/panel-still/1'],
      where['set/own/1/1'],
      where['set/hold/alpha/focus.area'],
    ]).toEqual(['Controls / line 12', 'Controls / line 13', 'Controls / line 14', 'Controls / line 15'])
  })

  it('names each thing once, and every key and bank of the plan in the tests', () => {
    fc.assert(
      fc.property(planOf(heron), (any) => {
        const ids = setUpActs(heron, any, 'heron-b').map((act) => act.id)
        expect(new Set(ids).size).toBe(ids.length)
        const keys = Object.keys(any.rows).filter((row) => isKeyRow(row))
        expect(ids.filter((id) => id.startsWith('press/')).length).toBe(keys.length)
        expect(ids.filter((id) => id.startsWith('recall/')).length).toBe(plannedSlots(heron, any).length)
      }),
      { numRuns: 30 },
    )
  })
})

describe('the record of a set-up', () => {
  it('counts what is open, done and seen, and takes a mark back', () => {
    const none = newRecord('heron-a', 3)
    const one = must(markAct(none, acts, 'register/dial/ebb', 'done'))
    const two = must(markAct(one, acts, 'press/stills/thumb-key/press', 'seen'))
    expect(progressOf(two, acts)).toEqual({ open: 7, done: 1, seen: 1 })
    expect(
      must(
        markAct(
          must(markAct(two, acts, 'register/dial/ebb', 'open')),
          acts,
          'press/stills/thumb-key/press',
          'open',
        ),
      ),
    ).toEqual(none)
  })

  it('refuses what the plan does not ask for', () => {
    expect(markAct(newRecord('heron-a', 3), acts, 'press/nowhere', 'seen')).toMatchObject({
      refusal: { code: 'unknown-act', where: 'press/nowhere' },
    })
  })
})
