import { rowNamed } from '@tests/fixtures/rows'
import { type Rows, entriesOf, isSlotRow } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { chipped, heron, heronWith, unchipped } from '@tests/fixtures/heron'
import { checkValue } from '../model/domain'
import type { LensModel, ModelFunction, Side } from '../model/types'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { must } from '../result'
import { anyLens } from '../model/any-lens'
import { contextIn, contextsOf } from './context'
import { judgeFunctions, resolve } from './resolve'

const planWith = (rows: Rows): Plan => must(parsePlan(heron, rows))
const ebb = { family: 'dial', slot: 'ebb' }
const inForce = (
  plan: Plan,
  setting: string,
  side: Side,
  slot: typeof ebb | null = null,
  lens: LensModel = chipped,
) => resolve(heron, plan, contextIn(heron, side, slot, lens)).settings.get(setting)
const verdict = (plan: Plan, address: string, slot: typeof ebb | null = null, lens: LensModel = chipped) =>
  resolve(heron, plan, contextIn(heron, address.split('/')[0] as Side, slot, lens)).addresses.get(address)

describe('a value in force', () => {
  it('comes from the factory, then base, then the bank, with the whole chain', () => {
    const plan = planWith({
      [rowNamed('base/movie.frameRate')]: '50p',
      [rowNamed('bank/dial/ebb/side')]: 'motion',
      [rowNamed('bank/dial/ebb/movie.frameRate')]: '100p',
    })
    expect(inForce(emptyPlan(heron), 'movie.frameRate', 'motion')?.value).toBe('25p')
    expect(inForce(plan, 'movie.frameRate', 'motion')?.value).toBe('50p')
    expect(
      inForce(plan, 'movie.frameRate', 'motion', ebb)?.chain.map((link) => [
        link.layer,
        link.value,
        link.row,
      ]),
    ).toEqual([
      ['factory', '25p', null],
      ['base', '50p', 'base/movie.frameRate'],
      ['bank', '100p', 'bank/dial/ebb/movie.frameRate'],
    ])
  })

  it('is apart for stills and motion where the setting has a cell for each', () => {
    const plan = planWith({ [rowNamed('base/exposure.shutter@motion')]: '1/50' })
    expect(inForce(plan, 'exposure.shutter', 'motion')?.value).toBe('1/50')
    expect(inForce(plan, 'exposure.shutter', 'stills')?.value).toBe('1/125')
  })

  it('is forced by a rule that hangs on the lens, asked and got both in the chain', () => {
    const plan = planWith({ [rowNamed('base/focus.mode@stills')]: 'follow' })
    const forced = inForce(plan, 'focus.mode', 'stills', null, unchipped)
    expect(forced?.value).toBe('manual')
    expect(forced?.chain.at(-1)).toMatchObject({ layer: 'rule', from: 'lens-without-contacts' })
    expect(inForce(plan, 'focus.mode', 'stills')?.value).toBe('follow')
  })

  it('stays as asked when a rule makes it unavailable, with the reason', () => {
    const plan = planWith({
      [rowNamed('base/movie.size')]: 'open',
      [rowNamed('bank/dial/ebb/side')]: 'motion',
      [rowNamed('bank/dial/ebb/movie.frameRate')]: '50p',
    })
    const size = inForce(plan, 'movie.size', 'motion', ebb)
    expect(size?.value).toBe('open')
    expect(size?.remarks).toMatchObject([{ kind: 'unavailable', truth: 'yes', rule: 'open-frame-rate' }])
    expect(inForce(plan, 'movie.size', 'motion')?.remarks).toEqual([])
  })

  it('never leaves its domain', () => {
    fc.assert(
      fc.property(
        planOf(heron),
        fc.constantFrom(...heron.sides),
        fc.constantFrom(null, ebb),
        fc.constantFrom(chipped, unchipped),
        (plan, side, slot, lens) => {
          for (const one of resolve(heron, plan, contextIn(heron, side, slot, lens)).settings.values()) {
            expect(checkValue(one.setting.domain, one.value, one.setting.id).ok).toBe(true)
          }
        },
      ),
      { numRuns: 30 },
    )
  })

  it('is the same every time', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const context = contextIn(heron, 'motion', ebb, unchipped)
        expect(resolve(heron, plan, context)).toEqual(resolve(heron, structuredClone(plan), context))
      }),
      { numRuns: 20 },
    )
  })

  it('is what it was before once a bank is left', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const bare = Object.fromEntries(entriesOf(plan.rows).filter(([row]) => !isSlotRow(row)))
        const plain = contextIn(heron, 'motion', null, chipped)
        expect(resolve(heron, plan, plain)).toEqual(resolve(heron, planWith(bare), plain))
      }),
      { numRuns: 20 },
    )
  })
})

describe('a key', () => {
  it('does nothing where its function is ineffective, and works in the bank where it is not', () => {
    const plan = planWith({
      [rowNamed('key/stills/thumb-key/press')]: 'keep-white',
      [rowNamed('base/colour.balanceMode@stills')]: 'kelvin',
      [rowNamed('bank/dial/ebb/side')]: 'stills',
      [rowNamed('bank/dial/ebb/colour.balanceMode')]: 'auto',
    })
    expect(verdict(plan, 'stills/thumb-key/press')).toMatchObject({
      verdict: 'inert',
      remarks: [{ rule: 'white-is-fixed' }],
    })
    expect(verdict(plan, 'stills/thumb-key/press', ebb)?.verdict).toBe('works')
  })

  it('that starts autofocus does nothing with a lens without contacts', () => {
    const plan = planWith({ [rowNamed('key/stills/thumb-key/press')]: 'start-focus' })
    expect(verdict(plan, 'stills/thumb-key/press')?.verdict).toBe('works')
    expect(verdict(plan, 'stills/thumb-key/press', null, unchipped)?.verdict).toBe('inert')
  })

  it('is dead where its function is unavailable', () => {
    const plan = planWith({
      [rowNamed('key/stills/thumb-key/press')]: 'eye-finding',
      [rowNamed('base/focus.area@stills')]: 'small-point',
    })
    expect(verdict(plan, 'stills/thumb-key/press')?.verdict).toBe('dead')
  })

  it('tells empty on purpose from as delivered', () => {
    const plan = planWith({ [rowNamed('key/stills/cheek-key/press')]: 'nothing' })
    expect(verdict(plan, 'stills/cheek-key/press')).toMatchObject({ verdict: 'empty', source: 'plan' })
    expect(verdict(emptyPlan(heron), 'stills/cheek-key/press')).toMatchObject({
      functionId: 'magnifier',
      source: 'factory',
    })
  })

  it('whose answer while recording nobody knows is to be tested on the body', () => {
    const recording = { ...contextIn(heron, 'motion', null, chipped), run: 'recording' as const }
    const judged = judgeFunctions(heron, emptyPlan(heron), ['magnifier', 'playback', 'record'], recording)
    expect(judged.get('magnifier')?.verdict).toBe('test')
    expect(judged.get('playback')?.verdict).toBe('dead')
    expect(judged.get('record')?.verdict).toBe('works')
  })

  it('judged alone stands as it does on the plate', () => {
    fc.assert(
      fc.property(planOf(heron), fc.constantFrom(...heron.functions), (plan, fn: ModelFunction) => {
        const context = contextIn(heron, 'stills', ebb, unchipped)
        const judged = judgeFunctions(heron, plan, [fn.id], context).get(fn.id)
        for (const one of resolve(heron, plan, context).addresses.values()) {
          if (one.functionId === fn.id && !one.address.control.presence && one.active)
            expect(one).toMatchObject({ ...judged })
        }
      }),
      { numRuns: 30 },
    )
  })
})

describe('rules on unknown facts', () => {
  it('leave a doubt instead of forcing', () => {
    const doubtful = heronWith({
      settings: heron.settings,
      rules: [
        {
          id: 'doubt',
          when: { fact: 'setting/never.known', is: true },
          then: { kind: 'forced', setting: 'focus.lamp', to: false },
          because: 'nobody knows',
          over: [],
        },
      ],
    })
    const lamp = resolve(doubtful, emptyPlan(doubtful), contextIn(doubtful, 'stills', null)).settings.get(
      'focus.lamp',
    )
    expect(lamp?.value).toBe(true)
    expect(lamp?.remarks).toMatchObject([{ truth: 'unknown', rule: 'doubt' }])
  })
})

describe('contexts of a side', () => {
  it('are the plain position and each used slot of that side, with each lens of the plan', () => {
    const plan = planWith({
      [rowNamed('bank/dial/ebb/side')]: 'stills',
      [rowNamed('bank/dial/flow/side')]: 'motion',
      [rowNamed('lens/tarrow-45')]: true,
      [rowNamed('lens/attic-90')]: true,
    })
    const names = contextsOf(heron, plan, [chipped, unchipped], 'stills').map(
      (one) => `${one.bank} ${one.lens}`,
    )
    expect(names).toEqual([
      'no bank Tarrow 45 f/1.8',
      'no bank Attic 90 f/2.8',
      'Ebb Tarrow 45 f/1.8',
      'Ebb Attic 90 f/2.8',
    ])
  })

  it('stand with any lens that can talk where the plan names none', () => {
    expect(contextsOf(heron, emptyPlan(heron), [unchipped], 'stills').map((one) => one.context.lens)).toEqual(
      [anyLens],
    )
  })
})
