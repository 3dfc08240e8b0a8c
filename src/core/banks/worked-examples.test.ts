import { describe, expect, it } from 'vitest'
import { modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import type { BodyModel } from '../model/types'
import { bankRow } from '../plan/rows'
import { parsePlan } from '../plan/plan'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import { runChecks } from '../checks/checks'
import type { Value } from '../vocabulary/values'
import { columnsOf } from './columns'
import { figuresOf, type Figure } from './figures'

const duet = modelCalled('varn-duet')
const heron = modelCalled('tarrow-heron')

/** A figure of a column of a plan against the base of its side. */
function figure(
  model: BodyModel,
  rows: Record<string, Value>,
  at: string,
  id: Figure['id'],
): Figure | undefined {
  const plan = must(
    parsePlan(model, Object.fromEntries(Object.entries(rows).map(([row, value]) => [rowNamed(row), value]))),
  )
  const columns = columnsOf(model, plan, [], true)
  const column = columns.find((one) => one.id === at)!
  const base = columns.find(({ kind, side }) => kind === 'base' && side === column.side)!
  return figuresOf(
    model,
    plan,
    column,
    resolve(model, plan, column.context),
    resolve(model, plan, base.context),
  ).find((one) => one.id === id)
}

const film = {
  'base/exposure.mode@motion': 'manual',
  'base/exposure.isoAuto@motion': false,
  'base/exposure.shutter@motion': '1/50',
  'base/exposure.aperture@motion': 'f/2.8',
  'base/exposure.iso@motion': 'ISO 800',
  'base/movie.frameRate': '25p',
} as const

/** Worked from log₂(t₂/t₁) + 2·log₂(N₁/N₂) + log₂(S₂/S₁), base 1/50, f/2.8, ISO 800. */
describe('light against base', () => {
  it.each([
    [{ shutter: '1/100' }, '-1 stop'],
    [{ shutter: '1/250' }, '-2.3 stops'],
    [{ shutter: '1/125' }, '-1.3 stops'],
    [{ shutter: '1/60' }, '-0.3 stops'],
    [{ shutter: '1/25' }, '+1 stop'],
    [{ shutter: '1/1000' }, '-4.3 stops'],
    [{ aperture: 'f/4' }, '-1 stop'],
    [{ aperture: 'f/2' }, '+1 stop'],
    [{ aperture: 'f/5.6' }, '-2 stops'],
    [{ aperture: 'f/8' }, '-3 stops'],
    [{ aperture: 'f/3.2' }, '-0.4 stops'],
    [{ iso: 'ISO 1600' }, '+1 stop'],
    [{ iso: 'ISO 3200' }, '+2 stops'],
    [{ iso: 'ISO 400' }, '-1 stop'],
    [{ iso: 'ISO 640' }, '-0.3 stops'],
    [{ iso: 'ISO 1250' }, '+0.6 stops'],
    [{ shutter: '1/100', iso: 'ISO 1600' }, 'no change'],
    [{ aperture: 'f/4', iso: 'ISO 1600' }, 'no change'],
    [{ shutter: '1/200', aperture: 'f/2', iso: 'ISO 3200' }, '+1 stop'],
    [{ shutter: '1/100', aperture: 'f/5.6', iso: 'ISO 6400' }, 'no change'],
  ])('%o is %s', (differs, expected) => {
    const bank = Object.fromEntries(
      Object.entries(differs).map(([part, value]) => [bankRow('set', 'river', `exposure.${part}`), value]),
    )
    expect(
      figure(duet, { ...film, 'bank/set/river/side': 'motion', ...bank }, 'set/river', 'light')?.value,
    ).toBe(expected)
  })
})

const pocket = modelCalled('pell-pocket')

/** Worked from … + ND₁ − ND₂ (a filter of n EV lets 2⁻ⁿ of the light through), base 1/50, f/4, ISO 800 without a filter. */
describe('light against base through the filter in the body', () => {
  const dusk = {
    'base/exposure.mode@motion': 'manual',
    'base/exposure.isoAuto@motion': false,
    'base/exposure.shutter@motion': '1/50',
    'base/exposure.aperture@motion': 'f/4',
    'base/exposure.iso@motion': 'ISO 800',
    'bank/pair/road/side': 'motion',
  } as const
  const row = (setting: string) => bankRow('pair', 'road', setting)

  it.each([
    [0, 2, '-2 stops'],
    [0, 6, '-6 stops'],
    [4, 2, '+2 stops'],
    [2, 2, 'no change'],
  ])('from ND %d to ND %d is %s', (before, after, expected) => {
    const rows = { ...dusk, 'base/exposure.ndFilter@motion': before, [row('exposure.ndFilter')]: after }
    expect(figure(pocket, rows, 'pair/road', 'light')?.value).toBe(expected)
  })

  it('stands in formula and inputs where there is one, and nowhere else', () => {
    const filtered = figure(pocket, { ...dusk, [row('exposure.ndFilter')]: 4 }, 'pair/road', 'light')
    expect(filtered?.formula).toBe(
      'log₂(t₂/t₁) + log₂(N₁²/N₂²) + log₂(S₂/S₁) + ND₁ − ND₂ = + 0 + 0 + 0 − 4 = − 4 stops',
    )
    expect(filtered?.inputs.map(([, value]) => value)).toEqual([
      '1/50, f/4, ISO 800, ND 0',
      '1/50, f/4, ISO 800, ND 4',
    ])
    expect(figure(pocket, dusk, 'pair/road', 'light')?.formula).not.toContain('ND')
  })

  it('is told among the parts of a jump', () => {
    const plan = must(
      parsePlan(
        pocket,
        Object.fromEntries(
          Object.entries({ ...dusk, [row('exposure.ndFilter')]: 4 }).map(([id, value]) => [
            rowNamed(id),
            value,
          ]),
        ),
      ),
    )
    const [jump] = runChecks(pocket, plan, []).filter(({ check }) => check === 'exposure-jump')
    expect(jump?.reason).toBe('ND 0 → ND 4: -4 stops. Together -4 stops.')
  })

  it('moves the light at which automatic ISO reaches its ceiling by as many stops', () => {
    const auto = {
      ...dusk,
      'base/exposure.isoAuto@motion': true,
      'base/exposure.isoSet': ['ISO 200', 'ISO 3200', '1/60'],
    }
    // log₂(100 · 4² / ((1/50) · 3200)) = log₂(25) = 4.64; two more stops of light through ND 2: 6.64.
    expect(figure(pocket, auto, 'pair/road', 'iso')?.words).toContain('EV 4.6')
    expect(figure(pocket, { ...auto, [row('exposure.ndFilter')]: 2 }, 'pair/road', 'iso')?.words).toContain(
      'EV 6.6',
    )
  })
})

/** Worked from angle / (360° × rate); the nearest step, its angle step × 360 × rate, and log₂(step / exact). */
describe('the shutter a rate asks for', () => {
  it.each([
    ['24p', 'r50', '= 1/48 s; the nearest step 1/50 is 172.8° (-0.06 stops)'],
    ['25p', 'r50', '= 1/50 s; the nearest step 1/50 is 180.0° (0.00 stops)'],
    ['30p', 'r60', '= 1/60 s; the nearest step 1/60 is 180.0° (0.00 stops)'],
    ['50p', 'r50', '= 1/100 s; the nearest step 1/100 is 180.0° (0.00 stops)'],
    ['60p', 'r60', '= 1/120 s; the nearest step 1/125 is 172.8° (-0.06 stops)'],
    ['100p', 'r50', '= 1/200 s; the nearest step 1/200 is 180.0° (0.00 stops)'],
    ['120p', 'r60', '= 1/240 s; the nearest step 1/250 is 172.8° (-0.06 stops)'],
  ])('%s in %s: %s', (rate, region, expected) => {
    const rows = { ...film, 'base/movie.frameRate': rate, 'base/movie.region': region }
    expect(figure(duet, rows, 'base motion', 'shutter')?.formula).toContain(expected)
  })

  it.each([
    ['a180', '25p', '1/50'],
    ['a90', '25p', '1/100'],
    ['a45', '25p', '1/200'],
    ['a270', '25p', '1/33.3'],
    ['a360', '25p', '1/25'],
    ['a180', '24p', '1/48'],
    ['a172', '24p', '1/50'],
    ['a144', '24p', '1/60'],
    ['a90', '24p', '1/96'],
    ['a180', '50p', '1/100'],
    ['a180', '100p', '1/200'],
  ])('an angle of %s at %s is %s s', (angle, rate, time) => {
    const rows = {
      ...film,
      'base/movie.frameRate': rate,
      'base/exposure.shutterInAngle': true,
      'base/exposure.shutterAngle@motion': angle,
    }
    expect(figure(duet, rows, 'base motion', 'shutter')?.words).toContain(`is ${time} s.`)
  })
})

/** Worked from time × pulses a second, twice the mains. */
describe('lamp pulses', () => {
  it.each([
    ['1/50', 100, '2 pulses', true],
    ['1/100', 100, '1 pulse', true],
    ['1/25', 100, '4 pulses', true],
    ['1/60', 100, '1.7 pulses', false],
    ['1/125', 100, '0.8 pulses', false],
    ['1/200', 100, '0.5 pulses', false],
    ['1/250', 100, '0.4 pulses', false],
    ['1/60', 120, '2 pulses', true],
    ['1/30', 120, '4 pulses', true],
    ['1/50', 120, '2.4 pulses', false],
    ['1/125', 120, '0.96 pulses', false],
    ['1/50', 300, '6 pulses', true],
    ['1/100', 113, '1.1 pulses', false],
  ])('%s under lamps that pulse %i times a second are %s', (time, pulses, value, fits) => {
    const rows = { ...film, 'base/exposure.shutter@motion': time, 'owner/lampPulses': pulses }
    expect(figure(duet, rows, 'base motion', 'flicker')).toMatchObject({ value, fits })
  })
})

/** Worked from captured / played; ten seconds last that many times as long. */
describe('slow motion', () => {
  it.each([
    ['100p', 25, 'r50', '4 ×', '40 s'],
    ['50p', 25, 'r50', '2 ×', '20 s'],
    ['120p', 24, 'r60', '5 ×', '50 s'],
    ['60p', 24, 'r60', '2.5 ×', '25 s'],
    ['120p', 30, 'r60', '4 ×', '40 s'],
    ['120p', 25, 'r60', '4.8 ×', '48 s'],
  ])('%s played at %i is %s slow: ten seconds last %s', (rate, played, region, value, lasts) => {
    const rows = {
      ...film,
      'base/movie.frameRate': rate,
      'base/movie.region': region,
      'owner/playedRate': played,
    }
    const slow = figure(duet, rows, 'base motion', 'slow')
    expect(slow?.value).toBe(value)
    expect(slow?.words).toContain(`last ${lasts}`)
  })
})

/** Worked from EV = log₂(100 · N² / (t · ISO)). */
describe('the EV at which automatic ISO reaches its ceiling', () => {
  it.each([
    ['f/2', '1/200', 'ISO 6400', '3.6'],
    ['f/2.8', '1/60', 'ISO 6400', '2.9'],
    ['f/4', '1/125', 'ISO 3200', '6'],
    ['f/5.6', '1/500', 'ISO 12800', '6.9'],
    ['f/8', '1/1000', 'ISO 25600', '8'],
    ['f/2', '1/125', 'ISO 12800', '2'],
    ['f/11', '1/60', 'ISO 800', '9.8'],
    ['f/2.8', '1/1000', 'ISO 1600', '8.9'],
  ])('%s, %s, %s: EV %s', (aperture, shutter, ceiling, ev) => {
    const rows = {
      'base/exposure.mode@stills': 'manual',
      'base/exposure.isoAuto@stills': true,
      'base/exposure.aperture@stills': aperture,
      'base/exposure.shutter@stills': shutter,
      'base/exposure.isoAutoCeiling@stills': ceiling,
    }
    expect(figure(heron, rows, 'base stills', 'iso')?.words).toContain(`at EV ${ev};`)
  })
})
