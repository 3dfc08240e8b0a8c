import { newestFirmware } from '../resolve/context'
import { rowNamed } from '@tests/fixtures/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron, heronWith } from '@tests/fixtures/heron'
import { writeCardFile } from '../files/card-file'
import { compareRows } from '../files/compare'
import type { BodyModel } from '../model/types'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import type { Rows } from '../plan/rows'
import { must, type Refusal } from '../result'
import { planFor } from '../plan/bodies'
import { newBody, onEdition, operate, type BodyEvent, type BodyState } from './body'
import { runStage, standOf, startCarry, type CarryState } from './carry'
import { carryStages, type CarryStage } from './stages'
import { orderOfBody, orderOfFile, orderOfPlan, type CarryOrder } from './carry-order'
import { carriedRows, factoryMemory, memoryOf } from './memory'
import { handWorkOf, preflightOf } from './preflight'

const body = newBody(heron, 'TH-1', '1.2')
const plan = must(
  parsePlan(heron, {
    'base/movie.frameRate': '50p',
    'bank/dial/ebb/side': 'motion',
    'base/files.owner': 'Lanternfold',
  }),
)
const after = (from: BodyState, ...events: BodyEvent[]) =>
  events.reduce((state, event) => must(operate(heron, state, event)).body, from)
const refusalOf = (state: BodyState, event: BodyEvent) => {
  const operated = operate(heron, state, event)
  return operated.ok ? null : operated.refusal.code
}
const withMemory = (one: Plan): BodyState => ({ ...body, memory: memoryOf(heron, one) })
const save: BodyEvent = { kind: 'save', file: 'A.SSC', atSeconds: 5 }
const load: BodyEvent = { kind: 'load', file: 'A.SSC' }

describe('a simulated body', () => {
  it('has after save, reset, load and restart what it had before', () => {
    fc.assert(
      fc.property(planOf(heron), (any) => {
        const set = { ...withMemory(any), firmware: newestFirmware(heron) }
        const restored = after(set, save, { kind: 'reset' }, load, { kind: 'restart' })
        expect(restored.memory).toEqual(set.memory)
      }),
    )
  })

  it('takes what it loaded into force only when it restarts', () => {
    const saved = after(withMemory(plan), save)
    const other = { ...body, card: saved.card }
    const loaded = after(other, load)
    expect(loaded.memory).toEqual(body.memory)
    expect(after(loaded, { kind: 'restart' }).memory[rowNamed('base/movie.frameRate')]).toBe('50p')
  })

  it('keeps its own local values through load and reset', () => {
    const mine = { ...body, memory: { ...body.memory, 'base/files.prefix': 'LHB' } }
    const loaded = after({ ...mine, card: after(withMemory(plan), save).card }, load, { kind: 'restart' })
    expect(loaded.memory[rowNamed('base/files.prefix')]).toBe('LHB')
    expect(after(mine, { kind: 'reset' }).memory[rowNamed('base/files.prefix')]).toBe('LHB')
  })

  it.each<[string, Partial<BodyState>, BodyEvent, string]>([
    ['no card', { card: null }, save, 'no-card'],
    ['a locked card', { card: { locked: true, freeBytes: 1e9, files: {} } }, save, 'card-locked'],
    ['a full card', { card: { locked: false, freeBytes: 10, files: {} } }, save, 'card-full'],
    ['a dying battery', { batteryPercent: 5 }, save, 'battery'],
    ['no such file', {}, load, 'no-file'],
    ['no card to load from', { card: null }, load, 'no-card'],
  ])('with %s refuses and stays as it was', (_name, change, event, code) => {
    const state = { ...body, ...change }
    const copy = structuredClone(state)
    expect(refusalOf(state, event)).toBe(code)
    expect(state).toEqual(copy)
  })

  it('refuses a file of a firmware it does not read, of another model, and a damaged one', () => {
    const header = {
      model: { id: heron.id, version: heron.version },
      formatNumber: 7,
      firmware: '2.0',
      serial: 'X',
      savedAtSeconds: 1,
    }
    const rows = carriedRows(heron, factoryMemory(heron))
    const on = (bytes: Uint8Array) => after(body, { kind: 'copyToCard', file: 'A.SSC', bytes })
    expect(refusalOf(on(writeCardFile(heron, { header, rows })), load)).toBe('firmware')
    const foreign = { ...header, firmware: '1.2', model: { id: 'varn-duet', version: 1 } }
    expect(refusalOf(on(writeCardFile(heron, { header: foreign, rows })), load)).toBe('other-model')
    const damaged = writeCardFile(heron, { header: { ...header, firmware: '1.2' }, rows })
    damaged[200] = (damaged[200] ?? 0) ^ 4
    expect(refusalOf(on(damaged), load)).toBe('damaged')
  })

  it('takes the room of a file it overwrites into account', () => {
    const saved = after(body, save)
    const size = saved.card?.files['A.SSC']?.length ?? 0
    const tight = { ...saved, card: { locked: false, freeBytes: 0, files: saved.card?.files ?? {} } }
    expect(size).toBeGreaterThan(0)
    expect(refusalOf(tight, save)).toBeNull()
    expect(refusalOf(tight, { ...save, file: 'B.SSC' })).toBe('card-full')
  })
})

describe('carrying a plan to a body', () => {
  const order = (model: BodyModel = heron, one = plan) =>
    orderOfPlan(model, one, 'heron-b', { stem: 'REV1', atSeconds: 9 })
  const carry = (
    state: BodyState,
    model = heron,
    one = plan,
  ): { end: CarryState; refused: [CarryStage, Refusal] | null } => {
    let end = startCarry(state)
    for (const stage of carryStages) {
      const ran = runStage(stage, order(model, one), end)
      if (!ran.ok) return { end, refused: [stage, ran.refusal] }
      end = ran.value.state
    }
    return { end, refused: null }
  }

  it('makes the body hold every row the plan carries', () => {
    fc.assert(
      fc.property(planOf(heron), (any) => {
        const newest = { ...body, firmware: newestFirmware(heron) }
        const { end, refused } = carry(newest, heron, any)
        expect(refused).toBeNull()
        expect(carriedRows(heron, end.body.memory)).toEqual(
          carriedRows(heron, memoryOf(heron, planFor(any, 'heron-b'))),
        )
        expect(end.comparison).toMatchObject({
          compared: Object.keys(carriedRows(heron, end.body.memory)).length,
          differences: [],
        })
      }),
    )
  })

  it('compares one row more when the model gains a setting', () => {
    const extra = {
      id: 'assist.frame',
      label: 'Image',
      means: null,
      domain: { kind: 'toggle' },
      factory: false,
      place: 'body',
      storedBy: null,
    }
    const larger = heronWith({ settings: [...heron.settings, extra] })
    const before = carry(body).end.comparison?.compared ?? 0
    expect(carry(newBody(larger, 'TH-1', '1.2'), larger).end.comparison?.compared).toBe(before + 1)
  })

  it('backs the body up first: loading the backup restores what it had', () => {
    const had = withMemory(must(parsePlan(heron, { 'base/movie.frameRate': '100p' })))
    const { end } = carry(had)
    const backup = end.files.find((file) => file.role === 'backup')
    expect(after(end.body, { kind: 'load', file: backup?.name ?? '' }, { kind: 'restart' }).memory).toEqual(
      had.memory,
    )
  })

  it.each<[string, Partial<BodyState>, string]>([
    ['without a card', { card: null }, 'no-card'],
    ['with a locked card', { card: { locked: true, freeBytes: 1e9, files: {} } }, 'card-locked'],
    ['with a full card', { card: { locked: false, freeBytes: 500, files: {} } }, 'card-full'],
    ['with a dying battery', { batteryPercent: 3 }, 'battery'],
    ['of another model', { model: { id: 'varn-duet', version: 1 } }, 'other-model'],
    ['of another definition', { model: { id: heron.id, version: heron.version + 1 } }, 'other-definition'],
  ])('to a body %s is refused at the preflight', (_name, change, code) => {
    const { end, refused } = carry({ ...body, ...change })
    expect(refused).toMatchObject(['preflight', { code }])
    expect(end.files).toEqual([])
  })

  it('to a look-alike is refused with how to tell them apart', () => {
    const wary = heronWith({
      lookAlikes: [{ model: 'varn-duet', tellApart: 'The Duet has no thumb wheel.' }],
    })
    const { refused } = carry({ ...body, model: { id: 'varn-duet', version: 1 } }, wary)
    expect(refused?.[1]).toMatchObject({
      code: 'look-alike',
      message: expect.stringContaining('no thumb wheel') as string,
    })
  })

  it('reports rows that read back otherwise', () => {
    const { end } = carry(body)
    const files = end.files.map((file) =>
      file.role === 'readBack' ? { ...file, bytes: end.files[0]?.bytes ?? file.bytes } : file,
    )
    const compared = runStage('compare', order(), { ...end, files })
    expect(compared).toMatchObject({
      ok: false,
      refusal: {
        code: 'differs',
        message: expect.stringContaining('rows read back differ: Bank Ebb') as string,
      },
    })
  })

  it('leaves the hand work that no file carries, the body’s own row before base', () => {
    const wanted = must(
      parsePlan(heron, { 'body/heron-b/files.prefix': 'LHB', 'base/files.owner': 'Lanternfold' }),
    )
    const handWorkFor = (of: Plan, tag: string) =>
      handWorkOf(orderOfPlan(heron, of, tag, { stem: 'REV1', atSeconds: 9 }), body)
    expect(
      handWorkFor(wanted, 'heron-b').map((line) => [line.label, line.now, line.wanted, line.done]),
    ).toEqual([
      ['File name prefix', 'TAR', 'LHB', false],
      ['Artist name', 'empty', 'Lanternfold', false],
    ])
    expect(handWorkFor(wanted, 'heron-a').map((line) => line.label)).toEqual(['Artist name'])
    expect(handWorkFor(emptyPlan(heron), 'heron-b')).toEqual([])
  })
})

/** Every stage in turn, to the first refusal. */
function run(order: CarryOrder, from: BodyState): { end: CarryState; refused: [CarryStage, Refusal] | null } {
  let end = startCarry(from)
  for (const stage of carryStages) {
    const ran = runStage(stage, order, end)
    if (!ran.ok) return { end, refused: [stage, ran.refusal] }
    end = ran.value.state
  }
  return { end, refused: null }
}

describe('carrying a file to a body', () => {
  const written = { stem: 'BACK', atSeconds: 9 }
  const fileOf = (state: BodyState) => after(state, save).card?.files['A.SSC'] ?? new Uint8Array()

  it('puts every backup back: whatever a body held, and whatever was carried to it since, byte for byte', () => {
    fc.assert(
      fc.property(planOf(heron), planOf(heron), (had, since) => {
        const newest = { ...body, firmware: newestFirmware(heron) }
        const before = { ...newest, memory: memoryOf(heron, had) }
        const there = run(orderOfPlan(heron, since, 'heron-b', written), before).end
        const backup = there.files.find(({ role }) => role === 'backup')?.bytes ?? new Uint8Array()
        const { end, refused } = run(must(orderOfFile(heron, backup, 'backup', written)), there.body)
        expect(refused).toBeNull()
        expect(end.files.find(({ role }) => role === 'sent')?.bytes).toEqual(backup)
        expect(end.body.memory).toEqual(before.memory)
      }),
      { numRuns: 20 },
    )
  })

  it('that its firmware does not read, or with rows that it lacks, is refused before anything is written', () => {
    const newer = { ...body, firmware: newestFirmware(heron), memory: memoryOf(heron, plan) }
    const file = must(orderOfFile(heron, fileOf(newer), 'A.SSC', written))
    const { refused, end } = run(file, { ...body, firmware: '1.0' })
    expect(refused).toMatchObject(['preflight', { code: 'firmware' }])
    expect(end.files).toEqual([])
    const broken = fileOf(newer).slice(0, 40)
    expect(orderOfFile(heron, broken, 'A.SSC', written)).toMatchObject({ ok: false })
  })
})

describe('carrying one body over to another', () => {
  const written = { stem: 'COPY', atSeconds: 9 }

  it('makes both hold the same, but for what is each camera’s own', () => {
    fc.assert(
      fc.property(planOf(heron), (any) => {
        const newest = { ...body, firmware: newestFirmware(heron) }
        const one = { ...newest, memory: { ...memoryOf(heron, any), 'base/files.prefix': 'LHA' } }
        const other = { ...newest, serial: 'TH-2', memory: { ...newest.memory, 'base/files.prefix': 'LHB' } }
        const { end, refused } = run(orderOfBody(heron, one.memory, written), other)
        expect(refused).toBeNull()
        expect(carriedRows(heron, end.body.memory)).toEqual(carriedRows(heron, one.memory))
        expect(end.body.memory[rowNamed('base/files.prefix')]).toBe('LHB')
        expect(end.handWork.map(({ setting }) => setting)).not.toContain('files.prefix')
      }),
      { numRuns: 20 },
    )
  })
})

describe('the preflight', () => {
  const order = orderOfPlan(heron, plan, 'heron-b', { stem: 'REV1', atSeconds: 9 })

  it('names every row that will be overwritten, and which of them is kept nowhere else', () => {
    const mine: Rows = {
      ...body.memory,
      [rowNamed('base/movie.frameRate')]: '100p',
      [rowNamed('base/focus.lamp')]: false,
    }
    const known = [{ [rowNamed('base/focus.lamp')]: false }]
    const seen = preflightOf(order, { ...body, memory: mine }, known)
    expect(seen.isClear).toBe(true)
    const rate = seen.overwritten.find(({ row }) => row === 'base/movie.frameRate')
    expect(rate).toMatchObject({ leftWords: '50p', rightWords: '100p', isOnlyHere: true })
    expect(seen.overwritten.find(({ row }) => row === 'base/focus.lamp')).toMatchObject({ isOnlyHere: false })
    const after = run(order, { ...body, memory: mine }).end
    const { differences } = compareRows(heron, after.body.memory, mine)
    expect(seen.overwritten.map(({ row }) => row)).toEqual(differences.map(({ row }) => row))
  })

  it('says everything that stops it at once, and changes nothing', () => {
    const state = { ...body, batteryPercent: 3, card: null }
    const copy = structuredClone(state)
    const seen = preflightOf(order, state)
    expect(seen.lines.flatMap(({ stop }) => stop ?? [])).toEqual(['battery', 'no-card'])
    expect(state).toEqual(copy)
  })
})

describe('how a body stands', () => {
  it('is told apart by its memory, what waits in it, its card and its firmware, and by nothing else', () => {
    const stand = standOf(body)
    expect(standOf({ ...body, batteryPercent: 20 })).toBe(stand)
    expect(standOf(after(body, save))).not.toBe(stand)
    expect(standOf({ ...body, firmware: '1.0' })).not.toBe(stand)
    expect(standOf({ ...body, memory: { ...body.memory, [rowNamed('base/focus.lamp')]: false } })).not.toBe(
      stand,
    )
    expect(standOf({ ...body, pending: body.memory })).not.toBe(stand)
    expect(standOf({ ...body, card: null })).not.toBe(stand)
  })
})

describe('a body on another edition of its model', () => {
  const newer = {
    ...heron,
    version: heron.version + 1,
    settings: heron.settings.filter((setting) => setting.id !== 'focus.lamp'),
  }
  const body = newBody(heron, 'TH-1', '1.2')
  const used = {
    ...body,
    memory: { ...body.memory, 'base/files.prefix': 'LHA', 'base/movie.frameRate': '50p' },
  }

  it('keeps what it remembers and that edition has, and nothing else', () => {
    const after = onEdition(newer, used)
    expect(after).toMatchObject({ model: { version: newer.version }, serial: 'TH-1' })
    expect(after.memory).toMatchObject({ 'base/files.prefix': 'LHA', 'base/movie.frameRate': '50p' })
    expect(Object.keys(used.memory)).toContain('base/focus.lamp')
    expect(Object.keys(after.memory)).not.toContain('base/focus.lamp')
    expect(Object.keys(after.memory)).toHaveLength(Object.keys(used.memory).length - 1)
  })

  it('is the very same body on its own edition, and under another model', () => {
    expect(onEdition(heron, used)).toBe(used)
    expect(onEdition({ ...newer, id: 'another' }, used)).toBe(used)
  })
})
