import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { parseLens, parseModel } from './parse'

const bytesOf = (value: unknown) =>
  new TextEncoder().encode(typeof value === 'string' ? value : JSON.stringify(value))

function faultsWith(change: (model: Record<string, object[]>) => void): string[] {
  const copy = structuredClone(heron) as unknown as Record<string, object[]>
  change(copy)
  const parsed = parseModel(bytesOf(copy), 'a.json')
  return parsed.ok
    ? []
    : parsed.faults.map((fault) => `${fault.code} at ${fault.where ?? ''}: ${fault.message}`)
}

describe('the shipped Tarrow Heron', () => {
  it('is sound and as large as the thin slice asks', () => {
    expect(
      heron.controls.filter((control) => control.face === 'back' || control.face === 'top').length,
    ).toBeGreaterThanOrEqual(12)
    expect(heron.settings.length).toBeGreaterThanOrEqual(60)
    expect(heron.functions.length).toBeGreaterThanOrEqual(25)
    expect(heron.families[0]?.slots).toHaveLength(3)
  })

  it('has every kind of rule, one hanging on the bank and one on the lens', () => {
    expect(new Set(heron.rules.map((rule) => rule.then.kind))).toEqual(
      new Set([
        'unavailable',
        'bounded',
        'forced',
        'ineffective',
        'hazard',
        'limits',
        'becomes',
        'freezes',
        'indicator',
      ]),
    )
    const conditions = heron.rules.map((rule) => JSON.stringify(rule.when))
    expect(conditions.some((text) => text.includes('bank/dial'))).toBe(true)
    expect(conditions.some((text) => text.includes('lens/contacts'))).toBe(true)
  })
})

describe('a model file', () => {
  it.each([
    ['empty', '', 'empty'],
    ['cut off', JSON.stringify(heron).slice(0, 4000), 'not-json'],
    ['not JSON', 'maker: Tarrow', 'not-json'],
    ['a list', '[]', 'shape'],
    ['too deep', '['.repeat(100_000), 'too-deep'],
    ['too large', ' '.repeat(5_000_000), 'too-large'],
    ['reaching for a prototype', '{"__proto__": {"id": "x"}}', 'forbidden-key'],
  ])('that is %s is refused', (_name, text, code) => {
    expect(parseModel(bytesOf(text), 'a.json')).toMatchObject({ ok: false, refusal: { code } })
  })

  it('that is not text is refused', () => {
    expect(parseModel(new Uint8Array([0xff, 0xfe, 0x00]), 'a.json')).toMatchObject({
      refusal: { code: 'not-text' },
    })
  })

  it('says line and column of damage', () => {
    const parsed = parseModel(bytesOf('{\n  "format": oops\n}'), 'a.json')
    expect(parsed.ok || parsed.refusal.message).toMatch(/line 2, column 13/)
  })

  it('of a later format version is refused by name', () => {
    expect(faultsWith((model) => Object.assign(model, { formatVersion: 2 }))).toEqual([
      expect.stringContaining('later format version') as string,
    ])
  })

  it('with a key the format does not know is refused with the key', () => {
    expect(faultsWith((model) => Object.assign(model, { colour: 'red' }))[0]).toContain('colour')
  })

  it('with wrong types lists every fault at once, each with its path', () => {
    const faults = faultsWith((model) => {
      Object.assign(model.settings?.[0] as object, { label: 7 })
      Object.assign(model.controls?.[1] as object, { at: [2, 0.5] })
    })
    expect(faults.join('\n')).toContain('settings[0].label')
    expect(faults.join('\n')).toContain('controls[1].at')
  })

  it.each([
    ['a factory value outside its domain', 'settings', { factory: 'nonsense' }, 'outside'],
    ['a meaning nobody knows', 'settings', { means: 'focus.unheardOf' }, 'dangling'],
    ['a bank family that does not exist', 'settings', { storedBy: 'drawer' }, 'dangling'],
    ['a face that does not exist', 'controls', { face: 'inside' }, 'dangling'],
    ['a control over the edge of its face', 'controls', { at: [0.99, 0.5], size: [0.2, 0.1] }, 'off-face'],
    ['a changed setting that does not exist', 'functions', { changes: ['focus.nowhere'] }, 'dangling'],
    [
      'a rule on a setting that does not exist',
      'rules',
      { then: { kind: 'ineffective', setting: 'focus.nowhere' } },
      'dangling',
    ],
    [
      'a rule with a fact that does not exist',
      'rules',
      { when: { fact: 'bank/drawer', is: 'x' } },
      'dangling',
    ],
  ])('with %s is refused', (_name, list, change, code) => {
    const faults = faultsWith((model) => Object.assign(model[list]?.[0] as object, change))
    expect(faults.some((fault) => fault.startsWith(`${code} at a.json: ${list}[0]`))).toBe(true)
  })

  it('with a setting twice, or on no menu line, is refused', () => {
    const faults = faultsWith((model) => {
      model.settings?.push({ ...model.settings[0] })
      const pages = model.menu as unknown as { lines: string[] }[]
      pages[1]?.lines.splice(0, 1)
    })
    expect(faults.some((fault) => fault.startsWith('duplicate'))).toBe(true)
    expect(faults.some((fault) => fault.includes('stands on 0 menu lines'))).toBe(true)
  })
})

describe('a lens file', () => {
  it('is refused when it leaves out whether lens and body can talk', () => {
    const lens = {
      format: 'salt-shelf/lens-model',
      formatVersion: 1,
      id: 'a',
      name: 'A',
      fits: 'Tarrow',
      focalMm: [50, 50],
      widest: 'f/2',
      keys: [],
      ring: null,
      focusSwitch: false,
      stabiliser: false,
    }
    expect(parseLens(bytesOf(lens), 'a.json')).toMatchObject({
      ok: false,
      refusal: { where: 'a.json: contacts' },
    })
  })
})
