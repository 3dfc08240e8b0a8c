import { describe, expect, it } from 'vitest'
import { load, oddCamera, save, serialRegion } from '@tests/fixtures/odd-camera'
import { noiseOf } from './regions'
import { judgeBytes, judgeLoad, type NamedRegion } from './verdict'

const size = 4096
/** Clock, counter and sum, as an owner would name them, and the serial number. */
const all: readonly NamedRegion[] = [
  { kind: 'noise', size, from: 8, to: 14, words: 'clock and counter' },
  { kind: 'noise', size, from: size - 4, to: size, words: 'sum' },
  { kind: 'own', size, ...serialRegion, words: 'serial number' },
]

describe('two cameras of a format that nothing here knows', () => {
  const a = save(oddCamera(1001, [800, 250, 28, 7]))
  const b = save(oddCamera(2002, [100, 60, 56, 1]))

  it('are told equal after a load that took, but for what is left out', () => {
    const after = save(load(b.after, a.bytes)).bytes
    expect(judgeLoad(a.bytes, after, b.bytes, all).verdict).toBe('equal')
    expect(judgeLoad(a.bytes, after, b.bytes, []).verdict).toBe('differs')
    const judged = judgeBytes(a.bytes, after, all)
    expect(judged.all.count).toBeGreaterThan(0)
    expect(judged.wanted.count).toBe(0)
  })

  it('are told as before where the load did not take', () => {
    expect(judgeLoad(a.bytes, save(b.after).bytes, b.bytes, all).verdict).toBe('before')
  })

  it('are told to differ where one setting of many came out otherwise', () => {
    const half = { ...load(b.after, a.bytes), settings: [800, 250, 28, 8] }
    expect(judgeLoad(a.bytes, save(half).bytes, b.bytes, all).verdict).toBe('differs')
  })

  it('two saves of one that nobody changed show clock, counter and sum, and no setting', () => {
    const noise = noiseOf([a.bytes, save(a.after).bytes])
    expect(noise.length).toBeGreaterThan(0)
    for (const { from, to } of noise) {
      const isNamed = all.some((one) => one.kind === 'noise' && one.from <= from && to <= one.to)
      expect(isNamed).toBe(true)
    }
  })

  it('stretches found in files of another size are not left out', () => {
    const other = all.map((one) => ({ ...one, size: 100 }))
    expect(judgeBytes(a.bytes, b.bytes, other).leftOut).toEqual([])
  })
})
