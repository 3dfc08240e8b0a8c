import { describe, expect, it } from 'vitest'
import { ladderBetween, ladders, nearestStep, readMark, stepOf } from './ladders'

describe('ladders', () => {
  it('hold marks within a sixth of a stop of the exact third-stop power', () => {
    const second = ladders.shutter.findIndex((step) => step.mark === '1"')
    ladders.shutter.forEach((step, i) => {
      expect(Math.abs(Math.log2(step.amount / 2 ** (-(i - second) / 3)))).toBeLessThan(1 / 6)
    })
    const hundred = ladders.iso.findIndex((step) => step.mark === 'ISO 100')
    ladders.iso.forEach((step, i) => {
      expect(Math.abs(Math.log2(step.amount / (100 * 2 ** ((i - hundred) / 3))))).toBeLessThan(1 / 6)
    })
    const wide = ladders.aperture.findIndex((step) => step.mark === 'f/1')
    ladders.aperture.slice(wide).forEach((step, i) => {
      expect(Math.abs(2 * Math.log2(step.amount / 2 ** (i / 6)))).toBeLessThan(1 / 6)
    })
    ladders.apertureHalf.forEach((step, i) => {
      expect(Math.abs(2 * Math.log2(step.amount / 2 ** (i / 4)))).toBeLessThan(1 / 6)
    })
    ladders.isoHalf.forEach((step, i) => {
      expect(Math.abs(Math.log2(step.amount / (100 * 2 ** (i / 2))))).toBeLessThan(1 / 6)
    })
  })

  it('reach from the widest lenses and the shortest electronic times to the highest speeds and rates', () => {
    expect([ladders.aperture[0]?.mark, ladders.aperture.at(-1)?.mark]).toEqual(['f/0.95', 'f/32'])
    expect(ladders.shutter.at(-1)?.mark).toBe('1/32000')
    expect(ladders.iso.at(-1)?.mark).toBe('ISO 409600')
    for (const mark of ['23.98p', '29.97p', '59.94p', '119.88p', '240p'])
      expect(ladders.exactRate.map((step) => step.mark)).toContain(mark)
  })

  it('are reckoned with alike whether they step by thirds or by halves', () => {
    expect(stepOf('shutter', '1/90')?.amount).toBe(1 / 90)
    expect(stepOf('aperture', 'f/6.7')?.amount).toBe(6.7)
    expect(stepOf('frameRate', '29.97p')?.amount).toBe(29.97)
  })

  it('never show the same mark twice', () => {
    for (const steps of Object.values(ladders)) {
      expect(new Set(steps.map((step) => step.mark)).size).toBe(steps.length)
    }
  })

  it('reckon with the marked value', () => {
    expect(stepOf('shutter', '1/50')?.amount).toBe(1 / 50)
    expect(stepOf('iso', 'ISO 400')?.amount).toBe(400)
    expect(stepOf('ev', '+0.7 EV')?.amount).toBe(0.7)
  })

  it('are read as people write them', () => {
    expect(readMark('iso', 'iso 400')).toEqual({ ok: true, value: 'ISO 400' })
    expect(readMark('kelvin', '5600k')).toEqual({ ok: true, value: '5600 K' })
    expect(readMark('aperture', '2,8')).toEqual({ ok: true, value: 'f/2.8' })
    expect(readMark('shutter', ' 1/250 ')).toEqual({ ok: true, value: '1/250' })
    expect(readMark('shutter', '1/55')).toMatchObject({ ok: false, refusal: { code: 'not-on-ladder' } })
  })

  it('refuse a span that runs backwards or names no mark', () => {
    expect(ladderBetween('iso', 'ISO 800', 'ISO 100')).toMatchObject({ refusal: { code: 'reversed' } })
    expect(ladderBetween('iso', 'ISO 801', 'ISO 900')).toMatchObject({ refusal: { code: 'not-on-ladder' } })
  })

  it('find the nearest step in stops', () => {
    expect(nearestStep('shutter', 1 / 48).mark).toBe('1/50')
    expect(nearestStep('shutter', 1 / 240).mark).toBe('1/250')
  })
})
