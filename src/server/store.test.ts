import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync, mkdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeEach, describe, expect, it } from 'vitest'
import { definitionBytes, heron } from '@tests/fixtures/heron'
import { newBody } from '@/core/camera/body'
import type { CarryNews } from '@/core/camera/carry'
import { writePlanFile } from '@/core/files/plan-file'
import { emptyPlan, parsePlan } from '@/core/plan/plan'
import type { Rows } from '@/core/plan/rows'
import { setRows, type Step } from '@/core/plan/step'
import { must } from '@/core/result'
import { agreementOf } from './agreement'
import { putBody, loadBody, setCard } from './bodies'
import { closePool, query } from './db'
import { demo, demoIsThere, makeDemo, removeDemo } from './demo'
import { importFile, listFiles, loadFile } from './files'
import { readDefinitions } from '@/disk/definitions'
import { appendSteps, createPlan, freezeRevision, loadPlan } from './plans'
import { carry, listTransfers } from './transfers'

const empty = emptyPlan(heron)
const step = (rows: Rows, id: string = randomUUID()): Step => setRows(empty, id, rows)
const rowsOf = async (id: string) => must(await loadPlan(id)).plan.rows
const tagged = () => `t${randomUUID().slice(0, 8)}`

afterAll(closePool)

describe('saving a plan', () => {
  let id = ''
  beforeEach(async () => {
    id = await createPlan(heron, {})
  })

  it('appends steps and gives the new version', async () => {
    expect(await appendSteps(id, 0, [step({ title: 'a' }), step({ 'base/focus.lamp': false })])).toEqual({
      kind: 'saved',
      version: 2,
    })
    expect(await rowsOf(id)).toEqual({ title: 'a', 'base/focus.lamp': false })
    expect(must(await loadPlan(id)).log).toHaveLength(2)
  })

  it('refuses a stale version with the newer steps, and changes nothing', async () => {
    const theirs = step({ title: 'theirs' })
    await appendSteps(id, 0, [theirs])
    expect(await appendSteps(id, 0, [step({ 'base/focus.lamp': false })])).toEqual({
      kind: 'stale',
      version: 1,
      newer: [theirs],
    })
    expect(await rowsOf(id)).toEqual({ title: 'theirs' })
  })

  it('applies a step sent again only once', async () => {
    const mine = step({ title: 'a' })
    await appendSteps(id, 0, [mine])
    expect(await appendSteps(id, 0, [mine])).toEqual({ kind: 'saved', version: 1 })
    const more = { ...step({ 'base/focus.lamp': false }) }
    expect(await appendSteps(id, 0, [mine, more])).toEqual({ kind: 'saved', version: 2 })
  })

  it('takes all of a save or none of it', async () => {
    const bad: Step = { id: randomUUID(), changes: [{ row: 'base/focus.lamp', from: null, to: 'dim' }] }
    expect(await appendSteps(id, 0, [step({ title: 'a' }), bad])).toMatchObject({
      kind: 'refused',
      refusal: { where: 'base/focus.lamp' },
    })
    expect(await rowsOf(id)).toEqual({})
  })

  it('lets one of two saves at the same moment through', async () => {
    const both = await Promise.all([
      appendSteps(id, 0, [step({ title: 'a' })]),
      appendSteps(id, 0, [step({ title: 'b' })]),
    ])
    expect(both.map((one) => one.kind).sort()).toEqual(['saved', 'stale'])
  })

  it('refuses a plan that is not there', async () => {
    expect(await appendSteps(randomUUID(), 0, [step({ title: 'a' })])).toMatchObject({
      refusal: { code: 'unknown-plan' },
    })
    expect(await appendSteps("x' or 1=1", 0, [step({ title: 'a' })])).toMatchObject({
      refusal: { code: 'unknown-plan' },
    })
  })

  it('keeps the log as it was written', async () => {
    await appendSteps(id, 0, [step({ title: 'a' })])
    await expect(query("update steps set step = '{}' where plan_id = $1", [id])).rejects.toThrow(
      'only appended to',
    )
  })

  it('begins with its first rows as a step', async () => {
    const made = await createPlan(heron, { title: 'Begun' })
    expect(must(await loadPlan(made))).toMatchObject({
      version: 1,
      log: [{ changes: [{ row: 'title', to: 'Begun' }] }],
    })
  })
})

describe('a revision', () => {
  it('is made once for each version', async () => {
    const id = await createPlan(heron, { title: 'a' })
    const first = must(await freezeRevision(id, 'one'))
    expect(must(await freezeRevision(id, 'again')).id).toBe(first.id)
    await appendSteps(id, 1, [step({ 'base/focus.lamp': false })])
    expect(must(await freezeRevision(id, 'two')).number).toBe(2)
  })
})

describe('bringing a file in', () => {
  const bytesOf = (text: string) => new TextEncoder().encode(text)
  const text = () =>
    writePlanFile({ plan: must(parsePlan(heron, { title: `Brought ${randomUUID()}` })), revision: null })

  it('opens a plan file as a plan and keeps its bytes exactly', async () => {
    const bytes = bytesOf(text())
    const brought = must(await importFile('a.plan.json', bytes))
    expect(Buffer.from(must(await loadFile(brought.fileId)).bytes).equals(bytes)).toBe(true)
    expect((await rowsOf(brought.planId ?? '')).title).toMatch(/^Brought/)
  })

  it('recognises bytes that are on the shelf already', async () => {
    const bytes = bytesOf(text())
    const first = must(await importFile('a', bytes))
    expect(must(await importFile('b', bytes))).toMatchObject({ fileId: first.fileId, known: true })
  })

  it.each([
    ['a damaged plan file', text().replace('Brought', 'Bought'), 'damaged'],
    ['a newer plan file', text().replace('"formatVersion": 1', '"formatVersion": 9'), 'newer-format'],
    ['a plan of a foreign model', text().replaceAll('tarrow-heron', 'other-model'), 'damaged'],
    ['a picture', '\u0089PNG', 'not-json'],
    ['nothing', '', 'empty'],
    ['half a card file', 'SALTCARD and no more of it than this little bit of text here', 'newer-format'],
  ])('refuses %s, and the shelf stays as it was', async (_name, content, code) => {
    const before = await listFiles(1000)
    expect(await importFile('x', bytesOf(content))).toMatchObject({ ok: false, refusal: { code } })
    expect(await listFiles(1000)).toEqual(before)
  })
})

describe('definitions on disk', () => {
  it('that cannot be read are told with file and place, and the others are used', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'salt-shelf-models-'))
    mkdirSync(join(folder, 'lenses'))
    writeFileSync(join(folder, 'good.json'), definitionBytes('tarrow-heron.json'))
    writeFileSync(join(folder, 'bad.json'), '{"format": "salt-shelf/body-model"')
    const { models, faults } = await readDefinitions(folder)
    rmSync(folder, { recursive: true })
    expect(models.map((model) => model.id)).toEqual(['tarrow-heron'])
    expect(faults).toMatchObject([{ code: 'not-json', where: 'bad.json' }])
  })
})

describe('carrying', () => {
  const news = async (planId: string, bodyId: string, stop = new AbortController().signal) => {
    const told: CarryNews[] = []
    for await (const one of carry(planId, bodyId, stop)) told.push(one)
    return told
  }
  const body = async () => {
    const id = randomUUID()
    await putBody({
      id,
      tag: tagged(),
      name: 'B',
      place: '',
      model: heron,
      state: newBody(heron, 'TH-9', '1.2'),
    })
    return id
  }

  it('keeps backup, sent file and what was read back, and the body has the plan', async () => {
    const [plan, id] = [await createPlan(heron, { 'base/movie.frameRate': '50p' }), await body()]
    const told = await news(plan, id)
    expect(told.at(-1)).toMatchObject({ kind: 'finished' })
    const files = (await listFiles(1000)).filter((file) => file.bodyName === 'B' && file.revision !== null)
    expect(files.length).toBeGreaterThanOrEqual(2)
    expect(must(await loadBody(id)).state.memory['base/movie.frameRate']).toBe('50p')
    expect(await listTransfers(plan)).toMatchObject([
      { outcome: 'identical', compared: (told.at(-1) as { compared: number }).compared },
    ])
  })

  it.each(['locked', 'full', 'none'] as const)(
    'to a body whose card is %s is refused and the body is as it was',
    async (condition) => {
      const [plan, id] = [await createPlan(heron, { 'base/movie.frameRate': '50p' }), await body()]
      must(await setCard(id, condition))
      const before = must(await loadBody(id)).state
      const told = await news(plan, id)
      expect(told.at(-1)).toMatchObject({ kind: 'refused', stage: 'preflight' })
      expect(must(await loadBody(id)).state).toEqual(before)
      expect(await listTransfers(plan)).toMatchObject([{ outcome: 'refused' }])
    },
  )

  it('that is stopped leaves the body as it was', async () => {
    const [plan, id] = [await createPlan(heron, { 'base/movie.frameRate': '50p' }), await body()]
    const before = must(await loadBody(id)).state
    const stop = new AbortController()
    const told: CarryNews[] = []
    for await (const one of carry(plan, id, stop.signal)) {
      told.push(one)
      if (one.kind === 'done' && one.stage === 'load') stop.abort()
    }
    expect(told.at(-1)).toEqual({ kind: 'stopped', stage: 'restart' })
    expect(must(await loadBody(id)).state).toEqual(before)
    expect(await news(plan, id)).toContainEqual(expect.objectContaining({ kind: 'finished' }))
  })

  it('runs once at a time to a body', async () => {
    const [plan, id] = [await createPlan(heron, {}), await body()]
    const first = carry(plan, id, new AbortController().signal)
    await first.next()
    expect((await news(plan, id)).at(-1)).toMatchObject({ kind: 'refused', refusal: { code: 'busy' } })
    await first.return()
    expect((await news(plan, id)).at(-1)).toMatchObject({ kind: 'finished' })
  })

  it('to a body or of a plan that is not there is refused', async () => {
    expect(await news(await createPlan(heron, {}), randomUUID())).toMatchObject([
      { kind: 'refused', refusal: { code: 'unknown-body' } },
    ])
    expect(await news(randomUUID(), await body())).toMatchObject([
      { kind: 'refused', refusal: { code: 'unknown-plan' } },
    ])
  })
})

describe('resetting the demo', () => {
  it('restores the demo data and touches nothing else', async () => {
    const mine = await createPlan(heron, { title: 'Mine' })
    for await (const one of carry(mine, demo.bodyB, new AbortController().signal))
      expect(one.kind).not.toBe('refused')
    await appendSteps(demo.plan, must(await loadPlan(demo.plan)).version, [
      step({ 'base/assist.grid': 'thirds' }),
    ])
    await removeDemo()
    expect(await demoIsThere()).toBe(false)
    await makeDemo()
    expect((await rowsOf(demo.plan))['base/assist.grid']).toBeUndefined()
    expect((await rowsOf(demo.plan)).title).toBe('Night rehearsals')
    expect((await rowsOf(mine)).title).toBe('Mine')
    expect(await listTransfers(mine)).toMatchObject([{ outcome: 'identical' }])
    expect(must(await loadBody(demo.bodyB)).state.memory).toMatchObject({
      'base/files.prefix': 'TAR',
      'base/movie.frameRate': '25p',
    })
  })
})

describe('agreeing with other plans', () => {
  const key = 'stills/cheek-key/press'

  it('asks for what each of them has on the key in the same place', async () => {
    const mine = await createPlan(heron, {})
    const one = await createPlan(heron, { [`key/${key}`]: 'record' })
    const two = await createPlan(heron, { [`key/${key}`]: 'playback' })
    expect(must(await agreementOf(mine, [one, two]))).toContainEqual([key, ['record', 'playback']])
    expect(must(await agreementOf(mine, []))).toEqual([])
  })

  it('is refused for what is no list of plans, and for a plan that is not there', async () => {
    const mine = await createPlan(heron, {})
    expect(await agreementOf(mine, 'another')).toMatchObject({ refusal: { code: 'shape', where: 'with' } })
    expect(await agreementOf(mine, [randomUUID()])).toMatchObject({ refusal: { code: 'unknown-plan' } })
  })
})
