import { type Rows, bankFactRow } from '../plan/rows'
import checksums from 'crc-32'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { models, namedModels } from '@tests/fixtures/models'
import { carriedRows, memoryOf } from '../camera/memory'
import type { BodyModel } from '../model/types'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { newestFirmware } from '../resolve/context'
import { must } from '../result'
import { readCardFile, writeCardFile, type CardHeader } from './card-file'
import { digestBytes } from '../digest'

const digestLength = 32

function fileOf(model: BodyModel, plan: Plan): Uint8Array {
  const header = {
    model: { id: model.id, version: model.version },
    formatNumber: model.cardFile.formatNumber,
    firmware: newestFirmware(model),
    serial: 'SIM-1',
    savedAtSeconds: 1_700_000_000,
  }
  return writeCardFile(model, { header, rows: carriedRows(model, memoryOf(model, plan)) })
}

/** Numbers from a seed, the same each time: xorshift over 32 bits. */
function numbers(seed: number): (below: number) => number {
  let state = seed
  return (below) => {
    state ^= state << 13
    state ^= state >>> 17
    state ^= state << 5
    return (state >>> 0) % below
  }
}

const joined = (...parts: readonly Uint8Array[]) => Uint8Array.from(parts.flatMap((part) => [...part]))

/** Where each section begins, its tag first, and where it ends. */
function sectionsOf(bytes: Uint8Array): { at: number; end: number }[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset)
  const found: { at: number; end: number }[] = []
  for (let at = 16; at < bytes.length - digestLength;) {
    const end = at + 12 + view.getUint32(at + 4, true)
    found.push({ at, end })
    at = end
  }
  return found
}

/** The ways a file comes to harm; each leaves it other than it was. */
const harms: readonly ((bytes: Uint8Array, pick: (below: number) => number) => Uint8Array)[] = [
  (bytes, pick) => {
    const copy = bytes.slice()
    const at = pick(copy.length)
    copy[at] = ((copy[at] ?? 0) + 1 + pick(255)) & 255
    return copy
  },
  (bytes, pick) => bytes.slice(0, pick(bytes.length)),
  (bytes, pick) => {
    const at = pick(bytes.length)
    return joined(bytes.slice(0, at), bytes.slice(at + 1 + pick(40)))
  },
  (bytes, pick) => {
    const at = pick(bytes.length)
    const end = at + 1 + pick(40)
    return joined(bytes.slice(0, end), bytes.slice(at))
  },
  (bytes, pick) => joined(bytes, Uint8Array.of(pick(256))),
  (bytes, pick) => {
    const copy = bytes.slice()
    new DataView(copy.buffer).setUint16(10, 8 + pick(65_000), true)
    return copy
  },
  (bytes, pick) => {
    const copy = bytes.slice()
    new DataView(copy.buffer).setUint32(12, bytes.length + 1 + pick(4_000_000_000), true)
    return copy
  },
  (bytes, pick) => {
    const sections = sectionsOf(bytes)
    const copy = bytes.slice()
    const section = sections[pick(sections.length)]
    if (!section) throw new Error('a file has sections')
    const length = section.end - section.at - 12
    new DataView(copy.buffer).setUint32(section.at + 4, length + 1 + pick(4_000_000_000), true)
    return copy
  },
]

/** The file with every checksum and the digest made right again, as far as its sections can be told. */
function repaired(bytes: Uint8Array): Uint8Array {
  const copy = bytes.slice()
  const view = new DataView(copy.buffer)
  for (const { at, end } of sectionsOf(copy)) {
    if (end > copy.length - digestLength) break
    view.setUint32(at + 8, checksums.buf(copy.subarray(at + 12, end)) >>> 0, true)
  }
  view.setUint32(12, copy.length, true)
  copy.set(digestBytes(copy.subarray(0, copy.length - digestLength)), copy.length - digestLength)
  return copy
}

/** Every slot used, on the first side it can hold. */
function everySlot(model: BodyModel): Rows {
  return Object.fromEntries(
    model.families.flatMap((family) =>
      family.slots.map((slot) => [
        bankFactRow(family.id, slot.id, 'side'),
        slot.side ?? model.sides[0] ?? 'stills',
      ]),
    ),
  )
}

const each = 4000

describe.each(namedModels)('damaged card files of the %s', (_name, model) => {
  it(`are all refused with a place, none crashes: ${each} of them`, () => {
    const whole = fileOf(model, emptyPlan(model))
    expect(readCardFile(model, whole, 'a').ok).toBe(true)
    const pick = numbers(whole.length)
    for (let i = 0; i < each; i++) {
      const damaged = harms[i % harms.length]?.(whole, pick) ?? whole
      const read = readCardFile(model, damaged, 'a')
      if (read.ok || !read.refusal.where?.startsWith('a'))
        expect({ harm: i % harms.length, at: i, read }).toBe('refused with a place')
    }
  }, 60_000)

  it('with one byte of the contents changed and every checksum made right hold sound rows, or are refused', () => {
    fc.assert(
      fc.property(planOf(model), fc.nat(), fc.integer({ min: 1, max: 255 }), (plan, where, by) => {
        const whole = fileOf(model, { ...plan, rows: { ...everySlot(model), ...plan.rows } })
        const at = 28 + (where % (whole.length - 28 - digestLength))
        const changed = whole.slice()
        changed[at] = ((changed[at] ?? 0) + by) & 255
        const read = readCardFile(model, repaired(changed), 'a')
        if (read.ok) expect(parsePlan(model, read.value.rows).ok).toBe(true)
        else expect(read.refusal.message).not.toMatch(/undefined|NaN/)
      }),
      { numRuns: 100 },
    )
  })
})

describe('a card file that is whole but not as one is written', () => {
  const [model] = models
  if (!model) throw new Error('there are no models')
  const written = (header: Partial<CardHeader>) => {
    const { rows, header: usual } = must(readCardFile(model, fileOf(model, emptyPlan(model)), 'a'))
    return writeCardFile(model, { header: { ...usual, ...header }, rows })
  }

  it.each([
    ['a time that is no number', { savedAtSeconds: NaN }],
    ['a time that is endless', { savedAtSeconds: Infinity }],
    ['a time between seconds', { savedAtSeconds: 1.5 }],
    ['a time before 1970', { savedAtSeconds: -1 }],
    ['a serial number of 60 000 characters', { serial: 'x'.repeat(60_000) }],
    ['a control character in the serial number', { serial: 'TH\u0007' }],
    ['a line break in the serial number', { serial: 'TH\nIDENTICAL' }],
    ['a serial number that reads backwards', { serial: 'TH\u202e7140' }],
    ['a firmware with a NUL', { firmware: '1.\u0000' }],
  ])('with %s is refused', (_name, header) => {
    expect(readCardFile(model, written(header), 'a')).toMatchObject({
      ok: false,
      refusal: { code: 'damaged', where: expect.stringMatching(/^a: byte \d+$/) as string },
    })
  })

  it('with its sections in another order is refused', () => {
    const whole = fileOf(model, emptyPlan(model))
    const length = (at: number) => new DataView(whole.buffer, whole.byteOffset).getUint32(at + 4, true) + 12
    const [first, second] = [length(16), length(16 + length(16))]
    const turned = whole.slice()
    turned.set(whole.subarray(16 + first, 16 + first + second), 16)
    turned.set(whole.subarray(16, 16 + first), 16 + second)
    expect(readCardFile(model, repaired(turned), 'a')).toMatchObject({
      ok: false,
      refusal: { code: 'damaged' },
    })
  })
})
