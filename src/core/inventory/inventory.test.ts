import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bag, inventoryOf, library } from '@tests/fixtures/inventories'
import { rowNamed } from '@tests/fixtures/rows'
import { must } from '../result'
import { invertStep, type Step } from '../sync/step'
import { sameValue, type Value } from '../vocabulary/values'
import { askedOf } from './asked'
import { factTable } from './facts'
import { recordKinds } from './kinds'
import { inventoryFaults, whatIsUnsaid } from './faults'
import { readInventoryFile, writeInventoryFile } from './file'
import { bodyInHand } from './hand'
import { inventoryKind, inventoryLimits, parseInventory } from './kind'
import { lensesIn } from './lenses'
import { lensFaults } from './lens-faults'
import { emptyInventory, factRow, newRecordId, recordIds, rowsOfRecord, type Inventory } from './rows'

const kind = inventoryKind(library)

/** A step that sets rows of an inventory. */
function stepOn({ rows }: Inventory, wanted: Readonly<Record<string, Value | null>>): Step {
  const changes = Object.entries(wanted).map(([id, to]) => {
    const row = rowNamed(id)
    return { row, from: rows[row] ?? null, to }
  })
  return { id: 's', changes }
}

const apply = (inventory: Inventory, wanted: Readonly<Record<string, Value | null>>) =>
  kind.apply(inventory, stepOn(inventory, wanted))

const refusal = (wanted: Readonly<Record<string, Value>>, before = emptyInventory) => {
  const done = apply(before, wanted)
  return done.ok ? null : done.refusal
}

const lensCalled = (id: string, rows: Readonly<Record<string, Value>>) =>
  lensesIn(library, inventoryOf(rows)).find((one) => one.id === id)

const titles = (rows: Readonly<Record<string, Value>>) =>
  inventoryFaults(library, inventoryOf(rows)).map(({ kind: how, title }) => `${how}: ${title}`)

describe('a step on an inventory', () => {
  it('is undone by its inverse, whatever it changed', () => {
    const rows = Object.keys(bag)
    const full = inventoryOf(bag)
    fc.assert(
      fc.property(fc.subarray(rows, { minLength: 1 }), (gone) => {
        const step = stepOn(full, Object.fromEntries(gone.map((row) => [row, null])))
        const after = must(kind.apply(full, step))
        expect(Object.keys(after.rows)).toHaveLength(rows.length - gone.length)
        // What names a body that is gone is not taken anew before the body is there again: in one step it is.
        const back = must(kind.apply(after, invertStep(step, 'back')))
        expect(back.rows).toEqual(full.rows)
      }),
      { numRuns: 60 },
    )
  })

  it('refuses what a row does not take, with the row and an example', () => {
    expect(refusal({ 'lens/a/focal': '70-24' })).toMatchObject({ code: 'reversed', where: 'lens/a/focal' })
    expect(refusal({ 'lens/a/focal': '70-24' })?.message).toContain('24-70')
    expect(refusal({ 'lens/a/focal': 'long' })?.message).toContain('write 50 or 24-70')
    expect(refusal({ 'lens/a/widest': 'f/0.5' })?.message).toContain('f/0.95')
    expect(refusal({ 'lens/a/widest': 'f/2.7' })?.message).toContain('is no aperture')
    expect(refusal({ 'lens/a/fits': 'Nobody' })?.message).toContain('Tarrow')
    expect(refusal({ 'lens/a/name': '' })?.where).toBe('lens/a/name')
    expect(refusal({ 'lens/a/name': 'x'.repeat(10_000) })?.message).toContain('60 fit')
    expect(refusal({ 'lens/a/weight': 3 })?.message).toContain('“weight”')
    expect(refusal({ 'body/a/model': 'no-such' })?.message).toContain('tarrow-heron')
    expect(refusal({ 'card/a/rate': -1 })?.message).toContain('0.1 to 20000 MB/s')
    expect(refusal({ 'card/a/in': 'ghost/one' })?.where).toBe('card/a/in')
    expect(refusal({ 'lens/a/focal': '24 - 70 mm' })).toMatchObject({ code: 'spelling' })
  })

  it('holds a body to its model: firmware, prefix, and the model itself', () => {
    const heronA = { 'body/a/model': 'tarrow-heron' }
    expect(refusal({ ...heronA, 'body/a/firmware': '9.9' })?.message).toContain('1.0, 1.2, 2.0')
    expect(refusal({ ...heronA, 'body/a/prefix': 'LONG' })?.message).toContain('3 characters')
    const there = must(apply(emptyInventory, heronA))
    expect(refusal({ 'body/a/model': 'varn-duet' }, there)?.code).toBe('fixed')
    // A body of no known model may run anything.
    expect(refusal({ 'body/b/firmware': '9.9' })).toBeNull()
  })

  it('keeps to the limits of an inventory', () => {
    const many = Object.fromEntries(
      Array.from({ length: inventoryLimits.rows + 1 }, (_, i) => [
        factRow('gear', `g${i}`, 'name'),
        'A thing',
      ]),
    )
    const parsed = parseInventory(many)
    expect(parsed.ok ? null : parsed.refusal.code).toBe('too-many')
  })
})

describe('a lens of the inventory', () => {
  it('is what it is like, but for what is said of it', () => {
    const found = lensCalled('mine', {
      'lens/mine/like': 'attic-90',
      'lens/mine/name': 'Old Attic',
      'lens/mine/widest': 'f/4',
    })
    expect(found?.lens).toMatchObject({
      name: 'Old Attic',
      widest: 'f/4',
      focalMm: [90, 90],
      contacts: false,
    })
  })

  it('has a ring without clicks where only that is said of a known one', () => {
    const rings = library.lenses.filter(({ ring }) => ring !== null)
    expect(rings.length).toBeGreaterThan(0)
    for (const { id, ring, keys } of rings) {
      const found = lensCalled('mine', { 'lens/mine/like': id, 'lens/mine/clicks': false })
      expect(found?.lens?.ring).toEqual({ ...ring, clicks: false })
      expect(found?.lens?.keys).toEqual(keys)
    }
  })

  it('is the very definition where nothing else is said', () => {
    for (const one of library.lenses)
      expect(lensCalled(one.id, { [factRow('lens', one.id, 'like')]: one.id })?.lens).toEqual(one)
  })

  it('is asked only what it may have: apertures of the long end of a zoom, a grip where there are keys on one', () => {
    const asked = (rows: Readonly<Record<string, Value>>, of: 'lens' | 'body') =>
      askedOf(library, inventoryOf(rows), of, 'mine').map(({ id }) => id)
    const lens = (like: string) => asked({ 'lens/mine/like': like }, 'lens')
    expect(lens('brack-24-70')).toContain('widestLong')
    expect(lens('attic-90')).not.toContain('widestLong')
    expect(asked({ 'body/mine/model': 'hollin-mere' }, 'body')).toContain('grip')
    expect(asked({ 'body/mine/model': 'tarrow-heron' }, 'body')).not.toContain('grip')
    expect(asked({ 'body/mine/model': 'tarrow-heron', 'body/mine/grip': true }, 'body')).toContain('grip')
    expect(asked({ 'body/mine/name': 'Unknown' }, 'body')).toContain('grip')
  })

  it('is not reckoned with before it is known what that needs, and says what', () => {
    const found = lensCalled('mine', { 'lens/mine/name': 'New', 'lens/mine/fits': 'Tarrow' })
    expect(found?.lens).toBeNull()
    expect(found?.lacks).toEqual(['contacts', 'focal', 'widest', 'keys', 'ring'])
    const [fault] = lensFaults(library, inventoryOf({ 'lens/mine/name': 'New', 'lens/mine/fits': 'Tarrow' }))
    expect(fault?.reason).toBe(
      'Say first: Contacts, Focal length, Widest aperture, Keys on it, Ring besides focus.',
    )
  })

  it('keeps unknown what nobody says', () => {
    const found = lensCalled('loft', bag)
    expect(found?.lens).not.toBeNull()
    expect(found?.lens).not.toHaveProperty('stabiliser')
    expect(found?.lens).not.toHaveProperty('narrowest')
  })

  it('is longer and slower with a teleconverter: 45 mm f/1.8 × 1.4 is 63 mm f/2.5, × 2 is 90 mm f/3.5', () => {
    const at = (factor: number) =>
      lensCalled('tarrow-45', { 'lens/tarrow-45/like': 'tarrow-45', 'lens/tarrow-45/converter': factor })
        ?.lens
    expect(lensCalled('tarrow-45', bag)?.lens).toMatchObject({ focalMm: [45, 45], widest: 'f/1.8' })
    expect(at(1.4)).toMatchObject({ focalMm: [63, 63], widest: 'f/2.5', converter: 1.4 })
    expect(at(2)).toMatchObject({ focalMm: [90, 90], widest: 'f/3.5' })
  })
})

describe('what is wrong in an inventory', () => {
  it('is nothing impossible in the theatre’s bag', () => {
    expect(titles(bag)).toEqual(['cost: Blue is slower than its slot'])
  })

  it('is told where it cannot be so', () => {
    expect(titles({ ...bag, 'body/heron-b/serial': 'TH-1' })).toContain(
      'impossible: Heron A and Heron B have one serial number',
    )
    expect(titles({ ...bag, 'lens/loft/narrowest': 'f/2' })).toContain(
      'impossible: Loft 35: apertures stand reversed',
    )
    expect(titles({ ...bag, 'lens/loft/focal': '24-70', 'lens/loft/widestLong': 'f/2' })).toContain(
      'impossible: Loft 35: wider at its long end',
    )
    expect(titles({ ...bag, 'lens/loft/widestLong': 'f/4' })).toContain(
      'impossible: Loft 35: two widest apertures',
    )
    expect(titles({ ...bag, 'body/heron-a/grip': true })).toContain('impossible: Heron A has no grip')
    expect(titles({ ...bag, 'none/microphone': true })).toContain(
      'impossible: Short stick is there, and there is said to be none',
    )
    expect(titles({ ...bag, 'body/heron-a/firmware': '9.9' })).toContain(
      'impossible: Heron A runs 9.9, which no Heron has',
    )
  })

  it('is what is missing, and what it leaves undecided', () => {
    const without = (gone: string) => Object.fromEntries(Object.entries(bag).filter(([row]) => row !== gone))
    expect(titles(without('body/heron-a/firmware'))).toContain(
      'missing: Heron A: which firmware does it run?',
    )
    expect(titles(without('body/heron-a/model'))).toContain('missing: Heron A: which model is it?')
    expect(titles(without('card/blue/rate'))).toContain('missing: Blue: what does it keep up writing?')
    expect(titles({ ...bag, 'hand/tarrow-heron': 'heron-x' })).toContain(
      'missing: Plans are made with heron-x, which is not there',
    )
    expect(whatIsUnsaid(emptyInventory)).toHaveLength(8)
    expect(whatIsUnsaid(inventoryOf(bag)).join(' ')).not.toContain('No body')
  })

  it('is told for what names a body that was removed, and the rest stays as it is', () => {
    const lost = rowsOfRecord(inventoryOf(bag).rows, 'body', 'heron-a').map(String)
    const gone = Object.fromEntries(Object.entries(bag).filter(([id]) => !lost.includes(id)))
    expect(titles(gone)).toContain('missing: Blue is used in heron-a/one, which is not there')
    expect(Object.keys(inventoryOf(gone).rows)).toHaveLength(Object.keys(gone).length)
  })
})

describe('the body in the hand', () => {
  it('is the one its owner names, and else the first of the model', () => {
    expect(bodyInHand(inventoryOf(bag), 'tarrow-heron')?.tag).toBe('heron-a')
    expect(bodyInHand(inventoryOf({ ...bag, 'hand/tarrow-heron': 'heron-b' }), 'tarrow-heron')?.tag).toBe(
      'heron-b',
    )
    expect(bodyInHand(inventoryOf(bag), 'varn-duet')).toBeNull()
  })
})

describe('an inventory file', () => {
  it('is read as it was written', () => {
    const full = inventoryOf(bag)
    expect(must(readInventoryFile(writeInventoryFile(full), 'bag.json')).rows).toEqual(full.rows)
  })

  it('is refused with every fault and its row', () => {
    const bytes = (file: unknown) => new TextEncoder().encode(JSON.stringify(file))
    const read = (file: unknown) => {
      const done = readInventoryFile(bytes(file), 'bag.json')
      return done.ok ? null : done.refusal
    }
    expect(read([])?.code).toBe('other-format')
    expect(read({ format: 'salt-shelf/inventory', formatVersion: 2, rows: {} })?.code).toBe('later-format')
    expect(read({ format: 'salt-shelf/inventory', formatVersion: 1, rows: [] })?.where).toBe('bag.json: rows')
    const bad = read({
      format: 'salt-shelf/inventory',
      formatVersion: 1,
      rows: { 'lens/a/focal': '70-24', 'card/a/rate': 'fast' },
    })
    expect([bad?.where, ...(bad?.also ?? []).map(({ where }) => where)]).toEqual([
      'bag.json: lens/a/focal',
      'bag.json: card/a/rate',
    ])
  })
})

describe('a new record', () => {
  it('is given an id of its name that nothing else has', () => {
    const full = inventoryOf(bag)
    expect(newRecordId(full.rows, 'body', 'Heron C')).toBe('heron-c')
    expect(newRecordId(full.rows, 'body', 'Heron A')).toBe('heron-a-2')
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...recordKinds), (called, of) => {
        const id = newRecordId(full.rows, of, called)
        expect(recordIds(full.rows, of)).not.toContain(id)
        const made = apply(full, { [factRow(of, id, 'name')]: 'New' })
        expect(made.ok).toBe(true)
      }),
    )
  })

  it('has facts of every kind, each with words and a sentence', () => {
    for (const of of recordKinds)
      for (const fact of factTable[of]) {
        expect(fact.label).not.toBe('')
        expect(fact.plain).toMatch(/\.$/)
        expect(sameValue(fact.id, 'name') || fact.takes.kind !== undefined).toBe(true)
      }
  })
})
