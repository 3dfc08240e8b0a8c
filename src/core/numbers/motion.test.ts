import { describe, expect, it } from 'vitest'
import { exposureDifference, showStops, shutterForRate } from './motion'

describe('shutter for a frame rate', () => {
  it.each([
    [24, '1/50'],
    [25, '1/50'],
    [30, '1/60'],
    [50, '1/100'],
    [60, '1/125'],
    [100, '1/200'],
    [120, '1/250'],
  ])('at %i frames a second the half turn asks for %s', (rate, mark) => {
    expect(shutterForRate(rate).step.mark).toBe(mark)
  })

  it('states the angle that the nearest step really gives, and the deviation', () => {
    const asked = shutterForRate(24)
    expect(asked.stepAngleDegrees).toBeCloseTo(172.8, 6)
    expect(asked.deviationStops).toBeCloseTo(Math.log2(48 / 50), 9)
    expect(asked.formula).toBe('180° / (360° × 24) = 1/48 s')
  })

  it('follows another angle', () => {
    expect(shutterForRate(25, 90).step.mark).toBe('1/100')
  })
})

describe('exposure difference', () => {
  const plain = { shutter: '1/50', aperture: 'f/2.8', iso: 'ISO 800' }

  it('counts 1/50 to 1/250 as 2.3 stops lost', () => {
    const jump = exposureDifference(plain, { ...plain, shutter: '1/250' })
    expect(showStops(jump?.stops ?? 0)).toBe('-2.3 stops')
  })

  it('adds shutter, aperture and ISO', () => {
    const jump = exposureDifference(plain, { shutter: '1/100', aperture: 'f/2', iso: 'ISO 1600' })
    expect(jump?.shutterStops).toBeCloseTo(-1, 9)
    expect(jump?.apertureStops).toBeCloseTo(0.97, 2)
    expect(jump?.isoStops).toBe(1)
    expect(jump?.stops).toBeCloseTo(0.97, 2)
  })

  it('is nothing where a mark is on no ladder', () => {
    expect(exposureDifference(plain, { ...plain, iso: 'auto' })).toBeNull()
  })

  it('writes one stop in the singular', () => {
    expect([showStops(1), showStops(-1), showStops(0.04)]).toEqual(['+1 stop', '-1 stop', 'no change'])
  })
})
