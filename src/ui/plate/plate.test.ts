import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import type { Address } from '@/core/model/addresses'
import { acceptedFunctions } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, Face } from '@/core/model/types'
import { modelCalled, models } from '@tests/fixtures/models'
import { distance, enters, spread } from '@/core/plates/geometry'
import { controlBox } from '@/core/plates/sheet'
import { labelSize, type PlateLabel } from './label'
import { layoutIn, layoutPlate } from '@/core/plates/layout'
import { faultsOf } from '@tests/fixtures/plates'

/** What stands around a face in stills, keys pressed with another one and keys with a lever included. */
const labelsWith = (model: BodyModel, face: Face, textOf: (address: Address) => string): PlateLabel[] =>
  model.controls
    .filter((control) => control.face === face.id)
    .map((control) => ({
      control,
      lines: [...lookup(model).addresses.values()]
        .filter((address) => address.side === 'stills' && address.control === control)
        .map((address) => ({
          address: address.key,
          gesture: address.name,
          manner: 'press',
          text: textOf(address),
          tone: 'plain',
          changed: false,
          differs: null,
          uses: null,
          spoken: '',
        })),
    }))

const functionName = (model: BodyModel, id: string | null) =>
  lookup(model).functions.get(id ?? '')?.name ?? 'empty'

const sheets = [
  [860, 560],
  [1180, 560],
  [760, 640],
] as const
const cases = heron.faces.flatMap((face) =>
  sheets.map(([width, height]) => [face.name, width, height, face] as const),
)
describe('a plate', () => {
  it.each(cases)(
    'of the %s on %i × %i has no crossing leader and no overlapping box, whatever is on the keys',
    (_name, width, height, face) => {
      const texts = fc.infiniteStream(fc.nat())
      fc.assert(
        fc.property(texts, (picks) => {
          const labels = labelsWith(heron, face, (address) => {
            const accepted = acceptedFunctions(heron, address)
            return accepted[picks.next().value % accepted.length]?.name ?? ''
          })
          const layout = layoutIn(face, labels.map(labelSize), { width, height })
          expect(layout ? faultsOf(labels, layout) : ['no room']).toEqual([])
        }),
        { numRuns: 60 },
      )
    },
  )

  it.each(models.map((model) => [model.name, model] as const))(
    'of each face of the %s as delivered has no leader that is hard to follow',
    (_name, model) => {
      for (const face of model.faces) {
        const labels = labelsWith(model, face, (address) => functionName(model, address.factory))
        const layout = layoutIn(face, labels.map(labelSize), { width: 856, height: 560 })
        const longest = Math.max(0, ...(layout?.labels ?? []).map(({ leader }) => distance(...leader)))
        expect(layout, face.name).not.toBeNull()
        expect(longest, face.name).toBeLessThan(400)
      }
    },
  )

  it.each(sheets)(
    'of the Heron’s back on %i × %i has no leader over another control, and one to several gestures meets all of them',
    (width, height) => {
      const back = heron.faces.find(({ id }) => id === 'back')
      const labels = back ? labelsWith(heron, back, (address) => functionName(heron, address.factory)) : []
      const layout = back && layoutIn(back, labels.map(labelSize), { width, height })
      expect(layout?.labels.some(({ bracket }) => bracket !== null)).toBe(true)
      for (const { control, leader, bracket, box } of layout?.labels ?? []) {
        const over = layout?.labels.filter(
          (other) =>
            other.control !== control &&
            other.control.kind !== 'touch' &&
            enters(leader, controlBox(other.control, layout.drawing)),
        )
        expect(over, control.name).toEqual([])
        if (bracket === null) continue
        const [from, to] = bracket
        expect([leader[0].x, from.x]).toEqual([to.x, to.x])
        expect(leader[0].y).toBeGreaterThanOrEqual(from.y)
        expect(leader[0].y).toBeLessThanOrEqual(to.y)
        expect(from.y).toBeGreaterThan(box.y)
        expect(to.y).toBeLessThan(box.y + box.height)
      }
    },
  )

  it('of a tall back with keys on both sides stands within the fold, its labels in both margins', () => {
    const mere = modelCalled('hollin-mere')
    const back = mere.faces.find(({ id }) => id === 'back')
    const labels = back ? labelsWith(mere, back, (address) => functionName(mere, address.factory)) : []
    const layout = back && layoutIn(back, labels.map(labelSize), { width: 856, height: 560 })
    expect(layout?.height).toBe(560)
    expect(new Set(layout?.labels.map(({ edge }) => edge))).toEqual(new Set(['left', 'right', 'top']))
  })

  it('gives up on a sheet too narrow for margins', () => {
    const [face] = heron.faces
    expect(
      face &&
        layoutPlate(
          face,
          labelsWith(heron, face, () => 'AF start with eye detection').map(labelSize),
          370,
          600,
        ),
    ).toBeNull()
  })
})

describe('spreading along a margin', () => {
  const items = fc.array(
    fc.record({ middle: fc.integer({ min: -50, max: 650 }), size: fc.integer({ min: 10, max: 60 }) }),
    { maxLength: 9 },
  )

  it('keeps order, gap and bounds, or says that it does not fit', () => {
    fc.assert(
      fc.property(items, (unsorted) => {
        const sorted = [...unsorted].sort((a, b) => a.middle - b.middle)
        const starts = spread(sorted, 0, 600, 8)
        const total = sorted.reduce((sum, item) => sum + item.size, 0) + 8 * Math.max(0, sorted.length - 1)
        expect(starts === null).toBe(total > 600)
        starts?.forEach((start, i) => {
          const end = start + (sorted[i]?.size ?? 0)
          expect(start).toBeGreaterThanOrEqual(-1e-6)
          expect(end).toBeLessThanOrEqual(600 + 1e-6)
          if (i + 1 < starts.length) expect(starts[i + 1]).toBeGreaterThanOrEqual(end + 8 - 1e-6)
        })
      }),
    )
  })

  it('leaves what does not collide where it wants to be', () => {
    expect(
      spread(
        [
          { middle: 50, size: 20 },
          { middle: 200, size: 20 },
        ],
        0,
        600,
        8,
      ),
    ).toEqual([40, 190])
  })
})
