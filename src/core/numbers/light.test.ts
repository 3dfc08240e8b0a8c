import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ladders } from '../vocabulary/ladders'
import { cropped, slowMotion } from './film'
import { keepsStep, pulsesIn, pulsesOfMains } from './flicker'
import { evAtIso, makeUpFor, neededIso, shutterAtIso } from './light'
import { exposureDifference } from './motion'

const range = { iso: ladders.iso, apertures: ladders.aperture.filter((step) => step.amount >= 1.8) }

describe('what makes up for a jump', () => {
  const from = { shutter: '1/50', aperture: 'f/4', iso: 'ISO 800' }

  it('from 1/50 to 1/250, 2.3 stops, is ISO 4000, f/1.8, or five times the light', () => {
    const to = { ...from, shutter: '1/250' }
    const stops = exposureDifference(from, to)?.stops ?? 0
    expect(stops).toBeCloseTo(-2.32, 2)
    const ways = makeUpFor(stops, to, range)
    expect(ways.map(({ by, to: value, there }) => [by, value, there])).toEqual([
      ['iso', 'ISO 4000', true],
      ['aperture', 'f/1.8', true],
      ['light', '5 times the light', true],
    ])
  })

  it('says when the lens or the body has no such value', () => {
    const ways = makeUpFor(-4, { ...from, aperture: 'f/2' }, range)
    expect(ways.find(({ by }) => by === 'aperture')).toMatchObject({ to: 'f/1.8', there: false })
  })

  it('set, leaves what it says, and less than a fifth of a stop where it is there, whatever the jump', () => {
    fc.assert(
      fc.property(fc.constantFrom(...ladders.shutter), ({ mark }) => {
        const to = { ...from, shutter: mark }
        const stops = exposureDifference(from, to)?.stops ?? 0
        for (const { by, to: value, leftStops, there } of makeUpFor(stops, to, range)) {
          if (by === 'light') continue
          const left = exposureDifference(from, { ...to, [by]: value })?.stops
          expect([mark, by, left]).toEqual([mark, by, expect.closeTo(leftStops, 9)])
          expect(Math.abs(left ?? 9) < 0.2).toBe(there)
        }
      }),
    )
    expect(makeUpFor(0, from, range)).toEqual([])
  })
})

describe('ISO dial', () => {
  it('EV 5 at f/2 and 1/200 needs ISO 2500; stopped at 1600 the time becomes 1/128', () => {
    expect(neededIso(5, 2, 1 / 200)).toBe(2500)
    expect(shutterAtIso(5, 2, 1600)).toBe(1 / 128)
    expect(evAtIso(2, 1 / 200, 2500)).toBeCloseTo(5, 9)
  })
})

describe('lamps', () => {
  it.each([
    [50, ['1/100', '1/50', '1/25']],
    [60, ['1/60', '1/30']],
  ])('on %i Hz mains pulse twice as often, and whole pulses are safe', (mains, marks) => {
    const { safe } = pulsesIn(1 / 50, pulsesOfMains(mains))
    expect(safe.map((step) => step.mark)).toEqual(expect.arrayContaining(marks))
    expect(pulsesIn(safe[0]?.amount ?? 0, pulsesOfMains(mains)).whole).toBe(true)
  })

  it('measured with an odd frequency have odd safe times', () => {
    expect(pulsesIn(1 / 100, 113).whole).toBe(false)
    expect(pulsesIn(1 / 50, 300)).toMatchObject({ count: 6, whole: true })
  })

  it('keep step with 25 and 50 frames on 50 Hz, and not with 24', () => {
    expect([25, 50, 24].map((rate) => keepsStep(rate, 100))).toEqual([true, true, false])
  })
})

describe('film', () => {
  it('captured at 100 and played at 25 is four times as slow', () => {
    expect(slowMotion(100, 25)).toEqual({ factor: 4, secondsOfTen: 40 })
  })

  it('cut by 1.5 leaves four ninths of the pixels, and sees as a lens half as long again', () => {
    const { equivalentMm, pixelsLeft, widthPixels, headroom } = cropped(1.5, [60, 60], 7200, 3840)
    expect([equivalentMm[0], widthPixels]).toEqual([90, 4800])
    expect(pixelsLeft).toBeCloseTo(4 / 9, 9)
    expect(headroom).toBeCloseTo(1.25, 9)
  })
})
