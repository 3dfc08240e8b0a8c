import { describe, expect, it } from 'vitest'
import { modelCalled, namedModels } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { live } from '../camera/live/live'
import { resolutionNow } from '../camera/live/key-presses'
import { liveAt } from '../camera/live/stand-at'
import { contextIn, type Context } from './context'
import { resolve } from './resolve'
import { answers, decisive } from './resolved'
import { must } from '../result'
import { parsePlan } from '../plan/plan'
import { keyRow, type Rows } from '../plan/rows'
import type { BodyModel } from '../model/types'
import type { Value } from '../vocabulary/values'

const at = (setting: string, value: Value): Rows => ({ [rowNamed(setting)]: value })
const keysOf = (model: BodyModel, rows: Rows, more: Partial<Context> = {}) =>
  resolve(model, must(parsePlan(model, rows)), { ...contextIn(model, 'stills', null), ...more })
const locked = { latched: ['lock-controls'] }

describe.each(namedModels)('the lock of the %s', (_name, model) => {
  it('covers what its list says, and the key that unlocks answers on', () => {
    const everything = at('base/controls.lockWhat', ['dials', 'keys', 'touch', 'stick'])
    const { addresses } = keysOf(model, everything, locked)
    const kinds = new Set(['key', 'wheel', 'touch', 'strip', 'stick'])
    for (const key of addresses.values()) {
      if (!kinds.has(key.address.control.kind) || key.verdict === 'empty') continue
      if (key.effectiveFunctionId === 'lock-controls') expect(key.verdict).toBe('works')
      else expect([key.address.key, key.verdict]).toEqual([key.address.key, 'dead'])
    }
  })

  it('that covers dials and keys says so of a dial, before anything else that is true of it', () => {
    const rows = {
      ...at('base/controls.lockWhat', ['dials', 'keys']),
      ...at('base/exposure.isoAuto@stills', true),
    }
    const dials = [...keysOf(model, rows, locked).addresses.values()].filter(
      ({ address: { control, gesture }, verdict }) =>
        verdict !== 'empty' &&
        gesture.accepts === 'dials' &&
        (control.kind === 'dial' || control.kind === 'wheel') &&
        control.presence === undefined,
    )
    expect(dials.length).toBeGreaterThan(0)
    for (const dial of dials) expect([dial.verdict, decisive(dial)?.rule]).toEqual(['dead', 'locked-dials'])
  })

  it('that covers the stick only leaves keys and dials alone', () => {
    const { addresses } = keysOf(model, at('base/controls.lockWhat', ['stick']), locked)
    const free = keysOf(model, at('base/controls.lockWhat', ['stick'])).addresses
    for (const [key, { verdict, address }] of addresses)
      if (address.control.kind !== 'stick') expect([key, verdict]).toEqual([key, free.get(key)?.verdict])
  })
})

describe('touch that is off in the menu', () => {
  it.each([
    ['varn-duet', 'glass'],
    ['varn-duet-lite', 'glass'],
    ['pell-pocket', 'face-glass'],
    ['brack-linden', 'plate-touch'],
  ])('makes everything on the panel of the %s dead, whatever function it has', (id, control) => {
    const model = modelCalled(id)
    const { addresses } = keysOf(model, at('base/controls.touch', 'off'))
    const on = [...addresses.values()].filter(({ address }) => address.control.id === control)
    expect(on.length).toBeGreaterThan(0)
    for (const key of on) expect(answers(key.verdict)).toBe(false)
  })

  it('kills a stroke with playback on it', () => {
    const shipped = modelCalled('pell-pocket')
    const model: BodyModel = {
      ...shipped,
      controls: shipped.controls.map((control) =>
        control.kind === 'touch'
          ? {
              ...control,
              gestures: [
                ...control.gestures,
                { id: 'stroke', name: 'stroke', accepts: 'keys', factory: { stills: 'nothing' } },
              ],
            }
          : control,
      ),
    }
    const stroke = [...keysOf(model, {}).addresses.values()].find(
      ({ address }) => address.gesture.id === 'stroke',
    )!
    const rows = { [keyRow(stroke.address)]: 'playback', ...at('base/controls.touch', 'off') }
    expect(keysOf(model, rows).addresses.get(stroke.address.key)?.verdict).toBe('dead')
  })
})

describe('the Brack Linden', () => {
  const linden = modelCalled('brack-linden')
  const standing = (rows: Rows) =>
    liveAt(linden, must(parsePlan(linden, rows)), {
      ...contextIn(linden, 'stills', null),
      position: 'm-stop',
      lens: { ...contextIn(linden, 'stills', null).lens, ring: { readable: true } },
    })
  const value = (body: ReturnType<typeof standing>, id: string) =>
    resolutionNow(linden, body).settings.get(id)?.value
  const turn = (body: ReturnType<typeof standing>, control: string, clicks: number) =>
    must(live(linden, body, { kind: 'turn', control, gesture: 'turn', clicks }))

  it('has nothing to steer for compensation in manual with a fixed ISO, and has with automatic ISO', () => {
    const rows = {
      ...at('base/exposure.isoAuto@stills', false),
      ...at('base/exposure.compensationInManual', true),
      ...at('key/stills/pad-wheel/turn', 'turn-compensation'),
    }
    const here = { position: 'm-stop' }
    expect(keysOf(linden, rows, here).addresses.get('stills/pad-wheel/turn')?.verdict).toBe('inert')
    const auto = { ...rows, ...at('base/exposure.isoAuto@stills', true) }
    expect(keysOf(linden, auto, here).addresses.get('stills/pad-wheel/turn')?.verdict).toBe('works')
  })

  it('lets front and rear dial change places in its other layout', () => {
    const body = standing(at('base/controls.dialLayout', 'two'))
    const [shutter, aperture] = [value(body, 'exposure.shutter'), value(body, 'exposure.aperture')]
    const turned = turn(body, 'rear-bezel', 1).state
    expect([value(turned, 'exposure.shutter'), value(turned, 'exposure.aperture')]).not.toEqual([
      shutter,
      aperture,
    ])
    expect(value(turned, 'exposure.aperture')).toBe(aperture)
    expect(value(turn(body, 'front-bezel', 1).state, 'exposure.shutter')).toBe(shutter)
  })

  it('turns with its lens ring what the menu gives the ring, and waits for the half-press where the menu says so', () => {
    const free = standing(at('base/controls.lensRing', 'aperture'))
    const turned = turn(free, 'barrel-job', 2).state
    expect(value(turned, 'controls.lensRing')).toBe('aperture')
    expect(value(turned, 'exposure.aperture')).not.toBe(value(free, 'exposure.aperture'))
    const guarded = standing({
      ...at('base/controls.lensRing', 'aperture'),
      ...at('base/controls.ringGuard', true),
    })
    expect(value(turn(guarded, 'barrel-job', 2).state, 'exposure.aperture')).toBe(
      value(guarded, 'exposure.aperture'),
    )
    const half = must(live(linden, guarded, { kind: 'press', control: 'trip', gesture: 'half-press' })).state
    expect(value(turn(half, 'barrel-job', 2).state, 'exposure.aperture')).not.toBe(
      value(guarded, 'exposure.aperture'),
    )
  })

  it('steps compensation down and up by its strip', () => {
    const body = liveAt(linden, must(parsePlan(linden, {})), contextIn(linden, 'stills', null))
    const touched = must(
      live(linden, body, { kind: 'press', control: 'strip-zone-left', gesture: 'touch' }),
    ).state
    expect(value(touched, 'exposure.compensation')).toBe('-0.3 EV')
    const back = must(
      live(linden, touched, { kind: 'press', control: 'strip-zone-right', gesture: 'touch' }),
    ).state
    expect(value(back, 'exposure.compensation')).toBe('0 EV')
  })
})
