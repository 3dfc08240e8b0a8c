import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { thinned } from './thinned'

/** What a line through some points says at a place across. */
function at(points: readonly (readonly [number, number])[], x: number): number {
  const next = points.findIndex(([across]) => across >= x)
  const [[x0, y0], [x1, y1]] = [points[Math.max(0, next - 1)] ?? [0, 0], points[Math.max(0, next)] ?? [0, 0]]
  return x1 === x0 ? y1 : y0 + ((y1 - y0) * (x - x0)) / (x1 - x0)
}

describe('a line drawn with fewer points', () => {
  it('keeps its ends and its corners only, where it is straight between them', () => {
    const points = Array.from({ length: 1001 }, (_, i) => [i, Math.min(500, Math.max(200, i))] as const)
    expect(thinned(points)).toEqual([
      [0, 200],
      [200, 200],
      [500, 500],
      [1000, 500],
    ])
  })

  it('is straight on the scale of its axis: an ISO that halves with each EV', () => {
    const points = Array.from({ length: 1001 }, (_, i) => [i / 100, 12800 / 2 ** (i / 100)] as const)
    expect(thinned(points, Math.log2)).toHaveLength(2)
    expect(thinned(points).length).toBeGreaterThan(10)
  })

  it('says the same as the whole everywhere, to a fiftieth of its height', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 8 }), (corners) => {
        const points = corners.flatMap((y, i) => {
          const next = corners[i + 1] ?? y
          return Array.from({ length: 20 }, (_, k) => [i * 20 + k, y + ((next - y) * k) / 20] as const)
        })
        const few = thinned(points)
        const height = Math.max(...corners) - Math.min(...corners)
        for (const [x, y] of points) expect(Math.abs(at(few, x) - y)).toBeLessThanOrEqual(height / 50 + 1e-9)
      }),
    )
  })
})
