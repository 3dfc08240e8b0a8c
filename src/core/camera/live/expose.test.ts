import { chipped, heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { neededIso } from '../../numbers/light'
import { stepsOf } from '../../known/steps'
import { reckon } from '../../numbers/reckon'
import { numberForm } from '../../numbers/table'
import { parsePlan, type Plan } from '../../plan/plan'
import { baseCellRow } from '../../plan/rows'
import { newestFirmware } from '../../resolve/context'
import { must } from '../../result'
import { newBody } from '../body'
import { memoryOf } from '../memory'
import { exposedNow } from './expose'
import { live } from './live'
import { newLive, type LiveState } from './state'

const steps = stepsOf(heron)
const marks = (ladder: 'shutter' | 'aperture' | 'iso', from: string, to: string) =>
  steps[ladder].slice(
    steps[ladder].findIndex(({ mark }) => mark === from),
    steps[ladder].findIndex(({ mark }) => mark === to) + 1,
  )

const stepAt = (ladder: 'shutter' | 'aperture', mark: string) => {
  const found = steps[ladder].find((step) => step.mark === mark)
  if (!found) throw new Error(mark)
  return found
}

function bodyWith(plan: Plan, ev: number): LiveState {
  const body = newBody(heron, 'SIM-1', newestFirmware(heron))
  const state = newLive(heron, chipped, { ...body, memory: memoryOf(heron, plan) })
  return { ...state, scene: { ...state.scene, ev } }
}

const exposed = (rows: Record<string, unknown>, ev: number) => {
  const plan = must(
    parsePlan(
      heron,
      Object.fromEntries(Object.entries(rows).map(([id, value]) => [baseCellRow(id, 'stills'), value])),
    ),
  )
  return exposedNow(heron, bodyWith(plan, ev))
}

const auto = {
  'exposure.isoAuto': true,
  'exposure.isoAutoFloor': 'ISO 200',
  'exposure.isoAutoCeiling': 'ISO 6400',
}

describe('a simulated body', () => {
  it('exposes by hand as it is set, and tells how far that is off', () => {
    const rows = {
      'exposure.mode': 'manual',
      'exposure.isoAuto': false,
      'exposure.iso': 'ISO 1600',
      'exposure.shutter': '1/200',
      'exposure.aperture': 'f/2',
    }
    // EV 5 needs ISO 2500: log2(1600 / 2500).
    expect(exposed(rows, 5)?.off).toBeCloseTo(-0.644, 3)
    expect(exposed(rows, 5)?.iso.mark).toBe('ISO 1600')
  })

  it('says in its story what a picture was exposed with', () => {
    const plan = must(
      parsePlan(heron, {
        [rowNamed('base/exposure.mode@stills')]: 'manual',
        [rowNamed('base/exposure.isoAuto@stills')]: false,
        [rowNamed('base/exposure.iso@stills')]: 'ISO 1600',
        [rowNamed('base/exposure.shutter@stills')]: '1/200',
        [rowNamed('base/exposure.aperture@stills')]: 'f/2',
        [rowNamed('base/shutter.withoutCard')]: true,
      }),
    )
    const taken = must(live(heron, bodyWith(plan, 5), { kind: 'full' }))
    expect(taken.log.map(({ words }) => words).join(' ')).toContain(
      '1/200, f/2, ISO 1600: 0.6 stops too dark.',
    )
  })

  it('leaves program to a curve that is not known', () => {
    expect(exposed({ 'exposure.mode': 'full-auto' }, 8)).toBeNull()
  })

  it.each([
    ['manual', 'manual'],
    ['aperture-first', 'aperture'],
    ['shutter-first', 'shutter'],
  ])('agrees with the figure about what results in %s, to its own steps', (mode, name) => {
    const form = numberForm('metered-exposure')
    if (!form) throw new Error('no such figure')
    fc.assert(
      fc.property(
        fc.integer({ min: -4, max: 34 }).map((halves) => halves / 2),
        fc.constantFrom(...marks('shutter', '1/15', '1/2000')),
        fc.constantFrom(...marks('aperture', 'f/2.8', 'f/11')),
        (ev, shutter, aperture) => {
          const time =
            mode === 'aperture-first'
              ? { 'exposure.minimumShutter': shutter.mark }
              : { 'exposure.shutter': shutter.mark }
          const body = exposed(
            { ...auto, ...time, 'exposure.mode': mode, 'exposure.aperture': aperture.mark },
            ev,
          )
          if (!body) throw new Error('it exposes')
          const widest = mode === 'shutter-first' ? chipped.widest : aperture.mark
          const said = {
            mode: name,
            ev: `EV ${ev}`,
            aperture: widest,
            shutter: shutter.mark,
            floor: 'ISO 200',
            cap: 'ISO 6400',
          }
          const figure = must(
            reckon(
              form,
              Object.fromEntries(Object.entries(said).map(([id, typed]) => [id, { typed, from: '' }])),
              steps,
            ),
          )
          const result = (id: string) => figure.results.find((one) => one.id === id)?.least ?? NaN
          const apart = (one: number, two: number) => Math.abs(Math.log2(one / two))
          // Whatever steps it takes, its light is that of the figure; and each part is within its steps.
          const off = result('over') - result('short')
          expect([ev, shutter.mark, aperture.mark, Math.abs(body.off - off) < 0.4]).toEqual([
            ev,
            shutter.mark,
            aperture.mark,
            true,
          ])
          expect(apart(body.iso.amount, result('iso'))).toBeLessThan(0.4)
          expect(apart(body.shutter.amount, result('shutter2'))).toBeLessThan(0.4)
          expect(2 * apart(body.aperture.amount, result('aperture2'))).toBeLessThan(0.4)
          // And it is what the light asks for at its own marks.
          const needed = neededIso(ev, body.aperture.amount, body.shutter.amount)
          expect(Math.log2(body.iso.amount / needed)).toBeCloseTo(body.off, 6)
        },
      ),
      { numRuns: 60, examples: [[12.5, stepAt('shutter', '1/80'), stepAt('aperture', 'f/2.8')]] },
    )
  })
})
