import { rowNamed } from '@tests/fixtures/rows'
import { baseRows } from '@/core/plan/cells'
import { type Rows, keyRow, noteRow, situationRow } from '@/core/plan/rows'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync, mkdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { definitionBytes, heron } from '@tests/fixtures/heron'
import { saveSteps } from '@tests/fixtures/saving'
import { writePlanFile } from '@/core/files/plan-file'
import { emptyPlan, parsePlan } from '@/core/plan/plan'
import { setRows } from '@/core/plan/step'
import type { Step } from '@/core/sync/step'
import { must } from '@/core/result'
import { agreementOf } from './agreement'
import { loadBody } from './bodies'
import { closePool, query } from './db'
import { demo, demoIsThere, makeDemo, removeDemo } from './demo'
import { importFile, listFiles, loadFile } from './files'
import { readDefinitions } from '@/disk/definitions'
import { createPlan, freezeRevision, loadPlan } from './plans'
import { listTransfers } from './transfer-log'
import { carry } from './transfers'

const empty = emptyPlan(heron)
const step = (rows: Rows, id: string = randomUUID()): Step => setRows(empty, id, rows)
const rowsOf = async (id: string) => must(await loadPlan(id)).plan.rows

afterAll(closePool)

describe('a revision', () => {
  it('is made once for each version', async () => {
    const id = await createPlan(heron, { [rowNamed('title')]: 'a' })
    const first = must(await freezeRevision(id, 'one'))
    expect(must(await freezeRevision(id, 'again')).id).toBe(first.id)
    await saveSteps(id, 1, [step({ [rowNamed('base/focus.lamp')]: false })])
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
    expect((await rowsOf(brought.planId ?? ''))[rowNamed('title')]).toMatch(/^Brought/)
  })

  it('recognises bytes that are on the shelf already, and opens what they opened before', async () => {
    const bytes = bytesOf(text())
    const first = must(await importFile('a', bytes))
    expect(must(await importFile('b', bytes))).toEqual({ ...first, known: true })
  })

  it('keeps bytes once and opens one plan when two bring them at the same moment', async () => {
    const bytes = bytesOf(text())
    const brought = await Promise.all(Array.from({ length: 6 }, () => importFile('a', bytes)))
    expect(new Set(brought.map((one) => must(one).planId)).size).toBe(1)
    expect(brought.filter((one) => !must(one).known)).toHaveLength(1)
  })

  it('opens the plan anew when the one it opened before is gone', async () => {
    const bytes = bytesOf(text())
    const first = must(await importFile('a', bytes))
    await query('delete from plans where id = $1', [first.planId])
    const again = must(await importFile('a', bytes))
    expect(again.planId).not.toBe(first.planId)
    expect((await rowsOf(again.planId ?? ''))[rowNamed('title')]).toMatch(/^Brought/)
  })

  it('takes back a plan of thousands of long rows, in as many steps as that takes', async () => {
    const rows: Record<string, string> = { title: `Full ${randomUUID()}` }
    const about = heron.settings
      .filter((one) => one.place !== 'physical')
      .flatMap((one) => baseRows(heron, {}, one))
    for (const row of about) rows[noteRow('why', row)] = 'ü'.repeat(500)
    for (let i = 0; Object.keys(rows).length < 3000; i++)
      rows[situationRow(`s${i}`, 'name')] = `Situation ${i} ${'ü'.repeat(40)}`
    const plan = must(parsePlan(heron, rows))
    const brought = must(await importFile('full', bytesOf(writePlanFile({ plan, revision: null }))))
    const stored = must(await loadPlan(brought.planId ?? ''))
    expect(stored.plan.rows).toEqual(plan.rows)
    expect(stored.version).toBeGreaterThan(1)
    await query('delete from plans where id = $1', [brought.planId])
  })

  it('keeps every file in reach, page by page, each once', async () => {
    const brought = await Promise.all(
      Array.from({ length: 12 }, async () => must(await importFile('a', bytesOf(text()))).fileId),
    )
    const { count } = await listFiles(1, 5)
    const pages = Array.from({ length: Math.ceil(count / 5) + 1 }, (_, i) => i + 1)
    const ids: string[] = []
    for (const page of pages) ids.push(...(await listFiles(page, 5)).files.map((file) => file.id))
    expect(ids).toEqual(expect.arrayContaining(brought))
    expect((await listFiles(pages.length + 5, 5)).files).toEqual([])
  })

  it('refuses a name that cannot be kept', async () => {
    expect(await importFile('a\0b', bytesOf(text()))).toMatchObject({ refusal: { code: 'name' } })
  })

  it.each([
    ['a damaged plan file', text().replace('Brought', 'Bought'), 'damaged'],
    ['a newer plan file', text().replace('"formatVersion": 1', '"formatVersion": 9'), 'newer-format'],
    ['a plan of a foreign model', text().replaceAll('tarrow-heron', 'other-model'), 'damaged'],
    ['a picture', '\u0089PNG', 'unknown-format'],
    ['a plan file cut off', text().slice(0, 80), 'not-json'],
    ['nothing', '', 'empty'],
    ['half a card file', 'SALTCARD and no more of it than this little bit of text here', 'newer-format'],
  ])('refuses %s, and the shelf stays as it was', async (name, content, code) => {
    // Other tests put files there meanwhile: this one's are known by their name.
    const ids = async (): Promise<string[]> => (await listFiles(1, 1000)).files.map((file) => file.id)
    const before = await ids()
    expect(await importFile(name, bytesOf(content))).toMatchObject({ ok: false, refusal: { code } })
    expect(await ids()).toEqual(expect.arrayContaining(before))
    expect((await listFiles(1, 1000)).files.filter((file) => file.name === name)).toEqual([])
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

describe('resetting the demo', () => {
  it('restores the demo data and touches nothing else', async () => {
    const mine = await createPlan(heron, { [rowNamed('title')]: 'Mine' })
    for await (const one of carry({ kind: 'plan', id: mine }, demo.bodyB, {
      stop: new AbortController().signal,
    }))
      expect(one.kind).not.toBe('refused')
    for await (const one of carry({ kind: 'plan', id: demo.plan }, demo.bodyA, {
      stop: new AbortController().signal,
    }))
      expect(one.kind).not.toBe('refused')
    const { epoch, version } = must(await loadPlan(demo.plan))
    await saveSteps(demo.plan, version, [step({ [rowNamed('base/assist.grid')]: 'thirds' })])
    const { files } = await listFiles(1, 1000)
    const backup = files.find((file) => file.name.endsWith('-BEFORE.SSC') && file.bodyName === 'Heron A')
    const bytes = must(await loadFile(backup?.id ?? '')).bytes
    const brought = must(await importFile('kept.ssc', bytes))
    expect(brought).toMatchObject({ fileId: backup?.id, known: true })
    await removeDemo()
    expect(await demoIsThere()).toBe(false)
    expect(must(await loadFile(brought.fileId)).bytes).toEqual(bytes)
    await makeDemo()
    expect((await rowsOf(demo.plan))[rowNamed('base/assist.grid')]).toBeUndefined()
    expect((await rowsOf(demo.plan))[rowNamed('title')]).toBe('Night rehearsals')
    expect(must(await loadPlan(demo.plan)).epoch).not.toBe(epoch)
    expect((await rowsOf(mine))[rowNamed('title')]).toBe('Mine')
    expect(await listTransfers({ plan: mine })).toMatchObject([{ outcome: 'identical' }])
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
    const one = await createPlan(heron, { [keyRow({ key: key })]: 'record' })
    const two = await createPlan(heron, { [keyRow({ key: key })]: 'playback' })
    expect(must(await agreementOf(mine, [one, two]))).toContainEqual([key, ['record', 'playback']])
    expect(must(await agreementOf(mine, []))).toEqual([])
  })

  it('is refused for what is no list of plans, and for a plan that is not there', async () => {
    const mine = await createPlan(heron, {})
    expect(await agreementOf(mine, 'another')).toMatchObject({ refusal: { code: 'shape', where: 'with' } })
    expect(await agreementOf(mine, [randomUUID()])).toMatchObject({ refusal: { code: 'unknown-plan' } })
  })
})
