import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { compareBytes, distance, merged, mostRegions, noiseOf, stripOf, type Region } from './regions'

const bytes = (...given: number[]) => new Uint8Array(given)
const filled = (length: number, seed = 1) => {
  let state = seed
  return Uint8Array.from({ length }, () => (state = (state * 1_103_515_245 + 12_345) % 2_147_483_648) >> 8)
}
const changed = (from: Uint8Array, ...places: number[]) => {
  const copy = from.slice()
  for (const place of places) copy[place] = (copy[place] ?? 0) ^ 0xff
  return copy
}
const file = fc.uint8Array({ minLength: 0, maxLength: 600 })

describe('two files held against each other', () => {
  it('are the same where they are the same', () => {
    fc.assert(
      fc.property(file, (one) => {
        expect(compareBytes(one, one.slice())).toMatchObject({ regions: [], differing: 0, count: 0 })
      }),
    )
  })

  it('differ in places and sizes: near ones are one region, far ones are two', () => {
    const one = filled(100)
    expect(compareBytes(one, changed(one, 10, 12, 40)).regions).toEqual([
      { left: { from: 10, to: 13 }, right: { from: 10, to: 13 }, bytes: 2 },
      { left: { from: 40, to: 41 }, right: { from: 40, to: 41 }, bytes: 1 },
    ])
  })

  it('of one size: every byte that differs lies in a region, and as many are counted as there are', () => {
    fc.assert(
      fc.property(file, fc.array(fc.nat(599), { maxLength: 20 }), (one, places) => {
        const other = changed(one, ...new Set(places.filter((place) => place < one.length)))
        const { regions, differing } = compareBytes(one, other)
        const differ = [...one.keys()].filter((i) => one[i] !== other[i])
        expect(differing).toBe(differ.length)
        for (const i of differ) expect(regions.some(({ left }) => left.from <= i && i < left.to)).toBe(true)
        expect(regions.reduce((sum, one) => sum + one.bytes, 0)).toBe(differing)
      }),
    )
  })

  it('count as equal in what is left out, byte by byte', () => {
    const one = filled(100)
    const other = changed(one, 10, 11, 12, 50)
    const { regions, differing } = compareBytes(one, other, { leaveOut: [{ from: 11, to: 12 }] })
    expect(differing).toBe(3)
    expect(regions.map(({ bytes }) => bytes)).toEqual([2, 1])
    expect(compareBytes(one, other, { leaveOut: [{ from: 0, to: 60 }] }).count).toBe(0)
  })

  it('of different sizes differ in what was put in, not in all that follows', () => {
    const one = filled(2000)
    const other = new Uint8Array([...one.slice(0, 700), 1, 2, 3, 4, 5, ...one.slice(700)])
    const found = compareBytes(one, other)
    expect(found.count).toBe(1)
    expect(found.differing).toBe(5)
    expect(found.regions[0]?.left.from).toBeGreaterThanOrEqual(700 - 5)
    expect(found.regions[0]?.left.from).toBeLessThanOrEqual(705)
    expect(compareBytes(other, one)).toMatchObject({ count: 1, differing: 5 })
  })

  it('of different sizes: taking the right bytes for each region in the left makes the right file', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(1), fc.integer({ min: 1, max: 90 })), { minLength: 1, maxLength: 12 }),
        fc.nat(10_000),
        (parts, seed) => {
          const whole = filled(1200, seed + 1)
          const other: number[] = []
          let at = 0
          for (const [isCut, length] of parts) {
            other.push(...whole.slice(at, at + 80))
            at += 80
            if (isCut === 1) at += length
            else other.push(...filled(length, seed + at + 7))
          }
          other.push(...whole.slice(at))
          const right = new Uint8Array(other)
          const { regions, count } = compareBytes(whole, right)
          expect(count).toBe(regions.length)
          const made: number[] = []
          let [l, r] = [0, 0]
          for (const region of regions) {
            expect(region.left.from - l).toBe(region.right.from - r)
            made.push(...whole.slice(l, region.left.from))
            made.push(...right.slice(region.right.from, region.right.to))
            l = region.left.to
            r = region.right.to
          }
          made.push(...whole.slice(l))
          expect(new Uint8Array(made)).toEqual(right)
        },
      ),
    )
  })

  it('that have nothing in common: the regions are counted, and no more listed than anybody reads', () => {
    const one = new Uint8Array(100_000)
    const other = one.map((_, i) => (i % 20 === 0 ? 1 : 0))
    const found = compareBytes(one, other)
    expect([found.count, found.regions.length]).toEqual([5000, mostRegions])
    expect(found.differing).toBe(5000)
  })

  it('tell how far they are, to the end', () => {
    const told: number[] = []
    compareBytes(filled(3_000_000), filled(3_000_000, 2), { onProgress: (done) => told.push(done) })
    expect(told.at(-1)).toBe(1)
    expect(told.length).toBeGreaterThan(2)
    expect([...told].sort((a, b) => a - b)).toEqual(told)
  })

  it('empty ones are the same; against something, all of that is only there', () => {
    expect(compareBytes(bytes(), bytes()).count).toBe(0)
    expect(compareBytes(bytes(), bytes(1, 2, 3))).toMatchObject({ count: 1, differing: 3 })
  })
})

describe('noise', () => {
  it('is what differs between saves of a body that nobody changed', () => {
    const one = filled(200)
    const noise = noiseOf([one, changed(one, 4, 5, 90), changed(one, 4, 6, 150)])
    expect(noise).toEqual([
      { from: 4, to: 7 },
      { from: 90, to: 91 },
      { from: 150, to: 151 },
    ])
    expect(noiseOf([one])).toEqual([])
    expect(compareBytes(one, changed(one, 5, 91), { leaveOut: noise }).differing).toBe(1)
  })
})

describe('stretches made one', () => {
  it('cover the same bytes, in order, with gaps between them', () => {
    const region = fc.record({ from: fc.nat(60), to: fc.nat(60) })
    fc.assert(
      fc.property(fc.array(region), (regions) => {
        const covers = (some: readonly Region[], i: number) =>
          some.some(({ from, to }) => from <= i && i < to)
        const all = merged(regions)
        for (let i = 0; i <= 60; i++) expect(covers(all, i)).toBe(covers(regions, i))
        for (const [i, one] of all.entries()) expect(one.from).toBeGreaterThan(all[i - 1]?.to ?? -1)
      }),
    )
  })
})

describe('a strip of a file', () => {
  it('has in each part the share of its bytes that differ', () => {
    expect(
      stripOf(
        100,
        [
          { from: 0, to: 5 },
          { from: 25, to: 75 },
        ],
        10,
      ),
    ).toEqual([0.5, 0, 0.5, 1, 1, 1, 1, 0.5, 0, 0])
    expect(stripOf(0, [], 3)).toEqual([0, 0, 0])
  })

  it('has all the bytes of the stretches in it, however many parts there are', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 500 }),
        fc.nat(400),
        fc.nat(400),
        fc.integer({ min: 1, max: 64 }),
        (size, a, b, parts) => {
          const region = { from: Math.min(a, b, size), to: Math.min(Math.max(a, b), size) }
          const sum = stripOf(size, [region], parts).reduce((all, share) => all + (share * size) / parts, 0)
          expect(sum).toBeCloseTo(region.to - region.from, 6)
        },
      ),
    )
  })
})

describe('the distance of two files', () => {
  it('is least to the one it came from', () => {
    const one = filled(500)
    const near = changed(one, 3)
    const far = changed(one, ...Array.from({ length: 60 }, (_, i) => i * 8))
    expect(distance(one, near)).toBe(1)
    expect(distance(one, far)).toBe(60)
  })
})
