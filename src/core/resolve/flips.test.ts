import { describe, expect, it } from 'vitest'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { live } from '../camera/live/live'
import type { LiveEvent } from '../camera/live/events'
import { resolutionNow } from '../camera/live/key-presses'
import { liveAt } from '../camera/live/stand-at'
import type { LiveState } from '../camera/live/state'
import { lookup } from '../model/lookup'
import { valuesOf } from '../model/domain'
import type { BodyModel } from '../model/types'
import { keyRow, type Rows } from '../plan/rows'
import { parsePlan } from '../plan/plan'
import { must } from '../result'
import { sameValue, type Value } from '../vocabulary/values'
import { contextIn } from './context'
import { flipsOf } from './flips'
import { decisive } from './resolved'

/** A body of a model with a function on the first key of stills that takes it, and the settings given. */
function holding(model: BodyModel, functionId: string, rows: Rows): { body: LiveState; press: () => Value } {
  const fn = lookup(model).functions.get(functionId)!
  const address = lookup(model).answering.stills.list.find(
    ({ control, gesture, when }) =>
      control.kind === 'key' && when === null && model.functionLists[gesture.accepts]?.includes(functionId),
  )!
  const plan = must(parsePlan(model, { ...rows, [keyRow(address)]: functionId }))
  let body = liveAt(model, plan, contextIn(model, 'stills', null))
  const press = () => {
    body = must(
      live(model, body, { kind: 'press', control: address.control.id, gesture: address.gesture.id }),
    ).state
    return resolutionNow(model, body).settings.get(fn.changes[0]!)!.value
  }
  return { body, press }
}

const at = (setting: string, value: Value): Rows => ({ [rowNamed(setting)]: value })

describe('a toggle', () => {
  it.each([
    ['hollin-mere', 'silent', at('base/shutter.kind', 'first'), ['silent', 'first', 'silent']],
    ['hollin-mere', 'silent', at('base/shutter.kind', 'curtain'), ['silent', 'curtain']],
    ['tarrow-heron', 'silent', {}, ['silent', 'first']],
    ['varn-duet', 'silent', at('base/shutter.kind', 'curtain'), ['silent', 'curtain']],
    ['pell-pocket', 'timer', at('base/drive.mode', 'burst'), ['timer', 'burst']],
    [
      'varn-duet',
      'ring-or-auto',
      at('base/focus.mode@stills', 'follow'),
      ['manual', 'follow', 'manual', 'follow'],
    ],
    ['hollin-mere', 'toggle-touch', {}, ['off', 'all', 'off']],
    ['pell-pocket', 'add-raw', {}, ['both', 'finished']],
    ['hollin-mere', 'add-raw', at('base/image.kind', 'raw'), ['both', 'raw']],
    ['varn-duet', 'steady', at('base/stabiliser.mode@stills', 'firm'), ['off', 'firm']],
  ] as const)('on the %s, %s goes to its own value and back to what was set', (id, fn, rows, expected) => {
    const { press } = holding(modelCalled(id), fn, rows)
    expect(expected.map(() => press())).toEqual(expected)
  })

  it('that stands at its own value already goes to the value as delivered', () => {
    const { press } = holding(modelCalled('hollin-mere'), 'silent', at('base/shutter.kind', 'silent'))
    expect([press(), press()]).toEqual(['first', 'silent'])
  })

  it.each(namedModels)(
    'on the %s never goes to a third value, and always reaches its own',
    (_name, model) => {
      const { settings } = lookup(model)
      for (const fn of model.functions.filter(({ manner }) => manner === 'toggle')) {
        const setting = settings.get(fn.changes[0] ?? '')
        for (const value of setting ? (valuesOf(setting.domain) ?? []) : []) {
          const flips = flipsOf(lookup(model), fn, { now: () => value })
          expect(flips?.values).toHaveLength(2)
          expect(flips?.values.some((one) => sameValue(one, value))).toBe(true)
          const own = flipsOf(lookup(model), fn, { now: () => flips?.values[0] })
          expect(own?.values[0]).toEqual(flips?.values[0])
        }
      }
    },
  )
})

describe('what is left out of a selection', () => {
  const mere = modelCalled('hollin-mere')

  it('is left out by a cycle, and the cycle does nothing where one is left', () => {
    const rows = at('base/display.finderLimit', ['finder', 'screen'])
    const { press } = holding(mere, 'finder-or-screen', {
      ...rows,
      ...at('base/display.finderSwitch', 'finder'),
    })
    expect([press(), press(), press()]).toEqual(['screen', 'finder', 'screen'])
    const one = holding(mere, 'finder-or-screen', {
      ...at('base/display.finderLimit', ['screen']),
      ...at('base/display.finderSwitch', 'screen'),
    })
    const key = [...resolutionNow(mere, one.body).addresses.values()].find(
      ({ functionId, active }) => functionId === 'finder-or-screen' && active,
    )!
    expect([key.verdict, decisive(key)?.rule]).toEqual(['inert', 'only-one'])
  })

  it('is passed over by a dial and in an open list, as by a cycle', () => {
    const lens = lenses.find(({ id }) => id === 'hollin-200')!
    const rows = {
      ...at('base/drive.modeLimit', ['single', 'timer']),
      ...at('base/focus.areaLimit', ['frame', 'point']),
      ...at('base/focus.area@stills', 'frame'),
      ...at('key/stills/front-mid/press', 'area-and-mode'),
      ...at('key/stills/front-low/press', 'choose-release'),
    }
    let body = liveAt(mere, must(parsePlan(mere, rows)), contextIn(mere, 'stills', null, lens))
    const after = (event: LiveEvent, setting: string) => {
      body = must(live(mere, body, event)).state
      return resolutionNow(mere, body).settings.get(setting)?.value
    }
    const press = (control: string) => ({ kind: 'press', control, gesture: 'press' }) as const
    const turn = (control: string) => ({ kind: 'turn', control, gesture: 'turn', clicks: 1 }) as const
    after(press('front-mid'), 'focus.area')
    expect(after(turn('back-roller'), 'focus.area')).toBe('point')
    expect(after(turn('back-roller'), 'focus.area')).toBe('point')
    after({ kind: 'release', control: 'front-mid', gesture: 'press' }, 'focus.area')
    after(press('front-low'), 'drive.mode')
    expect(after(turn('front-roller'), 'drive.mode')).toBe('timer')
  })

  it('cannot be called by a toggle, which is said, and so it is on the body', () => {
    const rows = at('base/drive.modeLimit', ['single', 'burst'])
    const { body, press } = holding(mere, 'timer', rows)
    const key = [...resolutionNow(mere, body).addresses.values()].find(
      ({ functionId }) => functionId === 'timer',
    )!
    expect([key.verdict, decisive(key)?.rule]).toEqual(['inert', 'refused-next'])
    expect(decisive(key)?.because).toMatch(/left out of the selectable drive modes/)
    expect([press(), press()]).toEqual(['single', 'single'])
    const free = holding(mere, 'timer', {})
    expect([free.press(), free.press()]).toEqual(['timer', 'single'])
  })
})

describe('a lock key that the menu makes stay', () => {
  it.each(namedModels)(
    'on the %s keeps exposure until it is pressed again, also after it was let go',
    (_name, model) => {
      const key = [...lookup(model).addresses.values()].find(
        ({ side, factory, control }) =>
          side === 'stills' && factory === 'keep-exposure' && control.kind === 'key',
      )
      const lock =
        key ??
        lookup(model).answering.stills.list.find(
          ({ control, gesture }) =>
            control.kind === 'key' && model.functionLists[gesture.accepts]?.includes('keep-exposure'),
        )!
      const rows: Rows = { ...at('base/exposure.lockHold', 'stays'), [keyRow(lock)]: 'keep-exposure' }
      const held = liveAt(model, must(parsePlan(model, rows)), contextIn(model, 'stills', null))
      const event = { kind: 'press', control: lock.control.id, gesture: lock.gesture.id } as const
      const once = must(live(model, held, event)).state
      expect([once.held, once.latched]).toEqual([[], ['keep-exposure-on']])
      const shutter = resolutionNow(model, once).settings.get('exposure.shutter')
      expect(shutter?.remarks.some(({ kind }) => kind === 'frozen')).toBe(true)
      expect(must(live(model, once, event)).state.latched).toEqual([])
    },
  )
})
