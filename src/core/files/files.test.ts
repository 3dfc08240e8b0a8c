import { rowNamed } from '@tests/fixtures/rows'
import { acceptRow, baseCellRow, isHoldRow, needRow, situationRow, titleRow } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heldHeron, heron, heronWith } from '@tests/fixtures/heron'
import { carriedRows, factoryMemory, memoryOf } from '../camera/memory'
import { planFileBytes, planLimits } from '../plan/limits'
import { emptyPlan, parsePlan } from '../plan/plan'
import { applyStep, setRows } from '../plan/step'
import type { Value } from '../vocabulary/values'
import { must } from '../result'
import { readCardFile, readCardHeader, writeCardFile, type CardFile } from './card-file'
import { compareRows } from './compare'
import { digestHex } from '../digest'
import { canonicalJson } from '../canonical-json'
import { readPlanFile, writePlanFile } from './plan-file'

const header = {
  model: { id: heron.id, version: heron.version },
  formatNumber: heron.cardFile.formatNumber,
  firmware: '1.2',
  serial: 'TH-1',
  savedAtSeconds: 1_700_000_000,
}
const bytesOf = (text: string) => new TextEncoder().encode(text)
const cardOf = (rows = carriedRows(heron, factoryMemory(heron))): CardFile => ({ header, rows })

describe('canonical JSON', () => {
  it('does not depend on the order keys were set in', () => {
    expect(canonicalJson({ b: 1, a: [{ d: 2, c: 1 / 3 }] })).toBe(
      canonicalJson({ a: [{ c: 1 / 3, d: 2 }], b: 1 }),
    )
  })
})

it('the digest is SHA-256', () => {
  expect(digestHex('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad')
})

describe('a plan as large as plans may grow', () => {
  it('is written in a file that is read again, whatever its rows are made of', () => {
    const about = heron.settings.filter((one) => one.place === 'body').map((one) => baseCellRow(one.id, null))
    const fill = (value: (i: number) => readonly [string, Value]): Record<string, Value> => {
      const rows: Record<string, Value> = {}
      let bytes = 0
      for (let i = 0; i < planLimits.rows; i++) {
        const [row, given] = value(i)
        bytes += new TextEncoder().encode(`${JSON.stringify(row)}:${JSON.stringify(given)},`).length
        if (bytes > planLimits.bytes) break
        rows[row] = given
      }
      return rows
    }
    const shapes = [
      fill((i) => [situationRow(`s${i}`, 'name'), 'x']),
      fill((i) => [situationRow(`s${i}`, 'name'), 'ü'.repeat(60)]),
      fill((i) => [needRow(`s${i}`, 'focus.mode'), ['1', 'urgent', 'finder', 'recording']]),
      fill((i) => [
        acceptRow(`c${'x'.repeat(i % 30)}`, about[i % about.length] ?? titleRow),
        '\n'.repeat(500),
      ]),
    ]
    for (const rows of shapes) {
      const plan = must(parsePlan(heron, rows))
      const bytes = bytesOf(writePlanFile({ plan, revision: null }))
      expect(bytes.length).toBeLessThanOrEqual(planFileBytes)
      expect(must(readPlanFile(bytes, 'a', [heron])).plan).toEqual(plan)
    }
  }, 60_000)

  it('takes no row more, by a step or from a file', () => {
    const rows = Object.fromEntries(
      Array.from({ length: planLimits.rows }, (_, i) => [situationRow(`s${i}`, 'name'), 'x'] as const),
    )
    const plan = must(parsePlan(heron, rows))
    const more = setRows(plan, 'more', { [rowNamed('title')]: 'One more' })
    expect(applyStep(heron, plan, more)).toMatchObject({ ok: false, refusal: { code: 'too-many' } })
    expect(parsePlan(heron, { ...rows, title: 'One more' })).toMatchObject({ refusal: { code: 'too-many' } })
    const less = setRows(plan, 'less', { [rowNamed('situation/s0/name')]: null })
    expect(applyStep(heron, plan, less).ok).toBe(true)
  })
})

describe('a plan file', () => {
  const text = writePlanFile({
    plan: emptyPlan(heron),
    revision: { number: 3, at: '2026-11-02T20:15:00Z', note: 'before the tour' },
  })

  it('read back is the plan that was written', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const file = { plan, revision: null }
        expect(must(readPlanFile(bytesOf(writePlanFile(file)), 'a', [heron]))).toEqual(file)
      }),
    )
  })

  it('written again is the same text', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const once = writePlanFile({ plan, revision: null })
        expect(writePlanFile(must(readPlanFile(bytesOf(once), 'a', [heron])))).toBe(once)
      }),
      { numRuns: 30 },
    )
  })

  it('with any letter of its rows changed is refused', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: text.length - 1 }), (at) => {
        const changed = text.slice(0, at) + (text[at] === 'x' ? 'y' : 'x') + text.slice(at + 1)
        expect(readPlanFile(bytesOf(changed), 'a', [heron]).ok).toBe(false)
      }),
      { numRuns: 300 },
    )
  })

  it.each([
    ['of a later format', text.replace('"formatVersion": 1', '"formatVersion": 2'), 'newer-format'],
    ['of another kind', text.replace('salt-shelf/plan', 'salt-shelf/body-model'), 'other-format'],
    ['with changed contents', text.replace('before the tour', 'after the tour'), 'damaged'],
    ['cut off', text.slice(0, 100), 'not-json'],
    ['with nothing in it', '', 'empty'],
    ['too large', ' '.repeat(6_000_001), 'too-large'],
    ['too deep', `{"rows": ${'['.repeat(100)}`, 'too-deep'],
    ['with a key it does not know', text.replace('"format"', '"colour": 1, "format"'), 'shape'],
    [
      'with a row twice',
      text.replace('"rows": {', '"rows": {"title": "a", "title": "b"}, "more": {'),
      'duplicate',
    ],
    ['with rows of the wrong type', text.replace('"rows": {', '"rows": 7, "more": {'), 'shape'],
    [
      'reaching for a prototype',
      text.replace('"rows": {', '"rows": {"__proto__": 1}, "more": {'),
      'forbidden-key',
    ],
  ])('%s is refused', (_name, damaged, code) => {
    expect(readPlanFile(bytesOf(damaged), 'a.plan.json', [heron])).toMatchObject({
      ok: false,
      refusal: { code },
    })
  })

  it('for a model that is not known is refused by its name', () => {
    expect(readPlanFile(bytesOf(text), 'a', [])).toMatchObject({
      refusal: { code: 'other-model', where: 'a: model.id' },
    })
  })

  it('made with another definition is refused', () => {
    expect(readPlanFile(bytesOf(text), 'a', [heronWith({ version: heron.version + 1 })])).toMatchObject({
      refusal: { code: 'other-definition' },
    })
  })
})

describe('a card file', () => {
  const bytes = writeCardFile(heron, cardOf())

  it('read back is what was written, for every plan', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const file = cardOf(carriedRows(heron, memoryOf(heron, plan)))
        expect(must(readCardFile(heron, writeCardFile(heron, file), 'a'))).toEqual(file)
      }),
    )
  })

  it('carries hold sets with exactly the rows that are ticked', () => {
    fc.assert(
      fc.property(planOf(heldHeron), (plan) => {
        const file = cardOf(carriedRows(heldHeron, memoryOf(heldHeron, plan)))
        expect(must(readCardFile(heldHeron, writeCardFile(heldHeron, file), 'a'))).toEqual(file)
        for (const [row, value] of Object.entries(plan.rows))
          if (isHoldRow(row)) expect(file.rows[row]).toEqual(value)
      }),
    )
  })

  it('is far smaller than the same rows as JSON', () => {
    expect(bytes.length).toBeLessThan(JSON.stringify(cardOf()).length / 2)
  })

  it('with any single bit flipped is refused', () => {
    for (let bit = 0; bit < bytes.length * 8; bit++) {
      const flipped = bytes.slice()
      flipped[bit >> 3] = (flipped[bit >> 3] ?? 0) ^ (1 << (bit & 7))
      expect(readCardFile(heron, flipped, 'a').ok, `bit ${bit}`).toBe(false)
    }
  })

  it('cut short or made longer anywhere is refused', () => {
    for (let length = 0; length < bytes.length; length++) {
      expect(readCardFile(heron, bytes.slice(0, length), 'a').ok).toBe(false)
    }
    expect(readCardFile(heron, new Uint8Array([...bytes, 0]), 'a').ok).toBe(false)
  })

  it('of arbitrary bytes is refused and never crashes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 400 }), (noise) => {
        expect(readCardFile(heron, new Uint8Array([...bytes.slice(0, 16), ...noise]), 'a').ok).toBe(false)
      }),
      { numRuns: 500 },
    )
  })

  it('names the section and the byte that fail', () => {
    const damaged = bytes.slice()
    damaged[40] = (damaged[40] ?? 0) ^ 1
    expect(readCardFile(heron, damaged, 'REV1.SSC')).toMatchObject({
      refusal: {
        code: 'damaged',
        message: expect.stringContaining('section') as string,
        where: expect.stringMatching(/^REV1\.SSC: byte \d+$/) as string,
      },
    })
  })

  it('of a later layout is refused as newer, not as damaged', () => {
    const newer = bytes.slice()
    newer[8] = 3
    expect(readCardFile(heron, newer, 'a')).toMatchObject({ refusal: { code: 'newer-format' } })
  })

  it('of another model, format or definition is refused', () => {
    expect(readCardFile(heronWith({ id: 'varn-duet' }), bytes, 'a')).toMatchObject({
      refusal: { code: 'other-model' },
    })
    expect(readCardFile(heronWith({ cardFile: { formatNumber: 8 } }), bytes, 'a')).toMatchObject({
      refusal: { code: 'other-definition' },
    })
  })

  it('tells its header without the model', () => {
    expect(must(readCardHeader(bytes, 'a'))).toEqual(header)
  })

  it('carries nothing local or physical', () => {
    const rows = must(readCardFile(heron, bytes, 'a')).rows
    expect(Object.keys(rows).filter((row) => /files\.(prefix|owner)|wireless|clock/.test(row))).toEqual([])
  })
})

describe('compare', () => {
  it('finds exactly the rows that differ, with places and words', () => {
    const left = { 'base/movie.frameRate': '25p', title: 'same' }
    const right = { 'base/movie.frameRate': '50p', title: 'same', 'base/focus.lamp': false }
    const { compared, differences } = compareRows(heron, left, right)
    expect(compared).toBe(3)
    expect(differences.map((one) => [one.row, one.leftWords, one.rightWords])).toEqual([
      ['base/focus.lamp', 'on (as delivered)', 'off'],
      ['base/movie.frameRate', '25p', '50p'],
    ])
  })

  it('finds nothing between equal plans', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        expect(compareRows(heron, plan.rows, structuredClone(plan.rows)).differences).toEqual([])
      }),
      { numRuns: 20 },
    )
  })
})
