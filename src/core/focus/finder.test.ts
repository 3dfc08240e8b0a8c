import { describe, expect, it } from 'vitest'
import { modelCalled, namedModels } from '@tests/fixtures/models'
import type { Value } from '../vocabulary/values'
import { finderPicture, movesBetween, placesOf } from './finder'

const mere = modelCalled('hollin-mere')
const duet = modelCalled('varn-duet')
const values = (of: Record<string, Value>) => (means: string) => of[means]

describe.each(namedModels)('the finder of the %s', (_name, model) => {
  it.each(model.focus.areas.map((area) => [area.value, area] as const))(
    'draws the area %s in its own size, inside the frame, at each of its places',
    (name, area) => {
      const picture = finderPicture(model, values({ 'focus.area': name }))
      if (!picture) throw new Error('every area of the geometry is drawn')
      const [left, top, width, height] = picture.area
      expect([width, height]).toEqual(area.size)
      expect(picture.points).toHaveLength(area.columns * area.rows)
      expect(left).toBeGreaterThanOrEqual(0)
      expect(top).toBeGreaterThanOrEqual(0)
      expect(left + width).toBeLessThanOrEqual(1 + 1e-9)
      expect(top + height).toBeLessThanOrEqual(1 + 1e-9)
      const corner = finderPicture(model, values({ 'focus.area': name, 'focus.point': '1,1' }))
      if (area.columns > 1) expect(corner?.area[0]).toBe(0)
      if (area.rows > 1) expect(corner?.area[1]).toBe(0)
    },
  )

  it('keeps half of the places each way where every second one is used', () => {
    for (const area of model.focus.areas) {
      const { columns, rows } = placesOf(area, true)
      expect([columns.length, rows.length]).toEqual([Math.ceil(area.columns / 2), Math.ceil(area.rows / 2)])
    }
  })

  it('looks for subjects only where detection is on, inside the model’s zone', () => {
    const off = finderPicture(model, values({ 'focus.area': 'frame', 'focus.detection': false }))
    const on = finderPicture(model, values({ 'focus.area': 'frame', 'focus.detection': true }))
    expect(off?.detection).toBeNull()
    expect(on?.detection).toEqual(model.focus.detectionZone)
  })
})

describe('the moves of a point', () => {
  const point = mere.focus.areas.find((area) => area.value === 'point')
  const zone = mere.focus.areas.find((area) => area.value === 'zone')
  if (!point || !zone) throw new Error('the Mere has a point and a zone')

  it('are counted along both axes: 15 across and 9 down to the corner of 31 × 19', () => {
    expect(movesBetween(point, false, false, [15, 9], [0, 0])).toBe(24)
  })

  it('are half as many with every second point, and fewer round the edge', () => {
    expect(movesBetween(point, true, false, [8, 5], [0, 0])).toBe(13)
    expect(movesBetween(point, false, true, [30, 9], [0, 9])).toBe(1)
  })

  it('skip places in areas that do: a zone of 25 places goes 2 at a time', () => {
    expect(movesBetween(zone, false, false, [12, 7], [0, 7])).toBe(6)
  })
})

describe('what the owner set', () => {
  it('moves the area, widens the zone, and narrows where detection looks', () => {
    const moved = finderPicture(
      duet,
      values({ 'focus.area': 'zone', 'focus.zoneWidth': 9, 'focus.point': '27,17' }),
    )
    expect(moved?.area[2]).toBeCloseTo(9 / 27)
    expect((moved?.area[0] ?? 0) + (moved?.area[2] ?? 0)).toBeCloseTo(1)
    const narrowed = finderPicture(
      duet,
      values({ 'focus.area': 'frame', 'focus.detection': true, 'focus.detectionZone': '7,1,12,8' }),
    )
    expect(narrowed?.detection).toEqual([0.5, 0, 0.5, 1])
  })

  it('draws nothing for an area the body has not', () => {
    expect(finderPicture(duet, values({ 'focus.area': 'column' }))).toBeNull()
  })
})
