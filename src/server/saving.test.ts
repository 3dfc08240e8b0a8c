import { rowNamed } from '@tests/fixtures/rows'
import type { Rows } from '@/core/plan/rows'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeEach, describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { saveSteps } from '@tests/fixtures/saving'
import { followEdition } from '@/core/fit/edition'
import { planLimits } from '@/core/plan/limits'
import { emptyPlan } from '@/core/plan/plan'
import { setRows } from '@/core/plan/step'
import { must } from '@/core/result'
import { headAfterAll } from '@/core/sync/head'
import { invertStep, type Step } from '@/core/sync/step'
import { close, closePool, ownConnection, query, transaction } from './db'
import { forgetModels, storeDefinition } from './models'
import { createPlan, loadPlan, savePlan } from './plans'
import { listPlans, reckoned } from './summaries'
import { databaseTrouble, refusalResponse } from './requests'

const empty = emptyPlan(heron)
const step = (rows: Rows, id: string = randomUUID()): Step => setRows(empty, id, rows)
const rowsOf = async (id: string) => must(await loadPlan(id)).plan.rows

afterAll(closePool)

describe('saving a plan', () => {
  let id = ''
  beforeEach(async () => {
    id = await createPlan(heron, {})
  })

  it('appends steps and gives the log after the version they were made on', async () => {
    const steps = [step({ [rowNamed('title')]: 'a' }), step({ [rowNamed('base/focus.lamp')]: false })]
    const entries = steps
    expect(await saveSteps(id, 0, steps)).toMatchObject({ kind: 'saved', version: 2, from: 0, entries })
    expect(await rowsOf(id)).toEqual({ title: 'a', 'base/focus.lamp': false })
    expect(must(await loadPlan(id))).toMatchObject({ head: headAfterAll(null, steps), log: steps })
  })

  it('appends nothing on top of steps the sender has not seen, and sends them', async () => {
    const theirs = step({ [rowNamed('title')]: 'theirs' })
    await saveSteps(id, 0, [theirs])
    expect(await saveSteps(id, 0, [step({ [rowNamed('base/focus.lamp')]: false })])).toMatchObject({
      kind: 'stale',
      version: 1,
      entries: [theirs],
    })
    expect(await rowsOf(id)).toEqual({ title: 'theirs' })
  })

  it('applies a step sent again only once, and tells what was saved since by others', async () => {
    const mine = step({ [rowNamed('title')]: 'a' })
    await saveSteps(id, 0, [mine])
    expect(await saveSteps(id, 0, [mine])).toMatchObject({ kind: 'saved', version: 1, entries: [mine] })
    const theirs = step({ [rowNamed('base/focus.lamp')]: false })
    await saveSteps(id, 1, [theirs])
    expect(await saveSteps(id, 0, [mine])).toMatchObject({
      kind: 'saved',
      version: 2,
      entries: [mine, theirs],
    })
  })

  it('keeps the steps before one that does not fit, and names that one', async () => {
    const good = step({ [rowNamed('title')]: 'a' })
    const bad: Step = {
      id: randomUUID(),
      changes: [{ row: rowNamed('base/focus.lamp'), from: null, to: 'dim' }],
    }
    expect(await saveSteps(id, 0, [good, bad])).toMatchObject({
      kind: 'unfit',
      step: bad.id,
      version: 1,
      refusal: { where: 'base/focus.lamp' },
    })
    expect(await rowsOf(id)).toEqual({ title: 'a' })
  })

  it('says which steps of an earlier visit the log holds', async () => {
    const mine = step({ [rowNamed('title')]: 'a' })
    await saveSteps(id, 0, [mine])
    expect(await saveSteps(id, 1, [], [mine.id, randomUUID()])).toMatchObject({ known: [mine.id] })
  })

  it('sends newer steps in pages', async () => {
    const count = planLimits.stepsInSave
    const steps = Array.from({ length: count }, (_, i) => ({
      id: randomUUID(),
      changes: [{ row: rowNamed('title'), from: i === 0 ? null : `t${i - 1}`, to: `t${i}` }],
    }))
    await saveSteps(id, 0, steps)
    await saveSteps(id, count, [step({ [rowNamed('base/focus.lamp')]: false })])
    const first = await saveSteps(id, 0, [])
    expect(first).toMatchObject({ kind: 'saved', version: count + 1 })
    expect(first.kind === 'saved' && first.entries.length).toBe(count)
    const second = await saveSteps(id, count, [])
    expect(second.kind === 'saved' && second.entries.length).toBe(1)
  })

  it('lets one of two saves at the same moment through', async () => {
    const both = await Promise.all([
      saveSteps(id, 0, [step({ [rowNamed('title')]: 'a' })]),
      saveSteps(id, 0, [step({ [rowNamed('title')]: 'b' })]),
    ])
    expect(both.map((one) => one.kind).sort()).toEqual(['saved', 'stale'])
  })

  it('gives up on a plan that something else holds, and says that it is busy', async () => {
    const other = await ownConnection()
    await other.query('begin')
    await other.query('select 1 from plans where id = $1 for update', [id])
    const begun = Date.now()
    const save = saveSteps(id, 0, [step({ [rowNamed('title')]: 'a' })])
    await expect(save).rejects.toSatisfy((error) => databaseTrouble(error)?.code === 'busy')
    expect(Date.now() - begun).toBeLessThan(5000)
    await close(other)
    expect(await saveSteps(id, 0, [step({ [rowNamed('title')]: 'a' })])).toMatchObject({ kind: 'saved' })
  })

  it('made on a plan that was put back since is told so, and appends nothing', async () => {
    const { epoch } = must(await loadPlan(id))
    await query('delete from plans where id = $1', [id])
    await createPlan(heron, {}, id)
    const save = { epoch, basedOn: 0, head: null, steps: [step({ [rowNamed('title')]: 'a' })], ask: [] }
    expect(must(await savePlan(id, { save, unreadable: null }))).toMatchObject({
      kind: 'apart',
      refusal: { code: 'other-epoch' },
    })
    expect(await rowsOf(id)).toEqual({})
  })

  it('made on steps the database has lost is told so', async () => {
    const { epoch } = must(await loadPlan(id))
    const save = {
      epoch,
      basedOn: 7,
      head: randomUUID(),
      steps: [step({ [rowNamed('title')]: 'a' })],
      ask: [],
    }
    expect(must(await savePlan(id, { save, unreadable: null }))).toMatchObject({
      kind: 'apart',
      refusal: { code: 'lost-steps' },
    })
  })

  it('refuses a plan that is not there', async () => {
    const save = {
      epoch: randomUUID(),
      basedOn: 0,
      head: null,
      steps: [step({ [rowNamed('title')]: 'a' })],
      ask: [],
    }
    for (const nowhere of [randomUUID(), "x' or 1=1"])
      expect(await savePlan(nowhere, { save, unreadable: null })).toMatchObject({
        refusal: { code: 'unknown-plan' },
      })
  })

  it('keeps the log as it was written', async () => {
    await saveSteps(id, 0, [step({ [rowNamed('title')]: 'a' })])
    await expect(query("update steps set step = '{}' where plan_id = $1", [id])).rejects.toThrow(
      'only appended to',
    )
  })

  it('begins with its first rows as a step', async () => {
    const made = await createPlan(heron, { [rowNamed('title')]: 'Begun' })
    expect(must(await loadPlan(made))).toMatchObject({
      version: 1,
      log: [{ changes: [{ row: 'title', to: 'Begun' }] }],
    })
  })

  it('follows another edition by a step, and goes back by its undoing', async () => {
    const newer = { ...heron, version: 9000 + Math.floor(Math.random() * 50_000) }
    await storeDefinition(newer)
    const { step: turn } = followEdition(heron, empty, newer, randomUUID())
    await saveSteps(id, 0, [turn])
    expect(must(await loadPlan(id)).model.version).toBe(newer.version)
    await saveSteps(id, 1, [invertStep(turn, randomUUID())])
    expect(must(await loadPlan(id)).model.version).toBe(heron.version)
  })
})

describe('a connection', () => {
  it('that ends between two statements fails the next one, and nothing else', async () => {
    const work = transaction(async (client) => {
      const { rows } = await client.query<{ pid: number }>('select pg_backend_pid() as pid')
      await query('select pg_terminate_backend($1)', [rows[0]?.pid])
      await new Promise((resolve) => setTimeout(resolve, 200))
      await client.query('select 1')
    })
    await expect(work).rejects.toSatisfy((error) => databaseTrouble(error)?.code === 'database')
    expect(await query('select 1 as one')).toEqual([{ one: 1 }])
  })
})

/** A plan's line on the shelf, once it is reckoned. */
async function lineOf(id: string) {
  await listPlans(1, 1000)
  await reckoned()
  return (await listPlans(1, 1000)).plans.find((one) => one.id === id)
}

describe('what cannot be read any more', () => {
  it('of a plan stands on the shelf with the row that is wrong, and is kept', async () => {
    const id = await createPlan(heron, {})
    await query('update plans set rows = $2 where id = $1', [id, { title: 'Mine', 'base/focus.lamp': 'dim' }])
    expect(await lineOf(id)).toMatchObject({
      title: 'Mine',
      trouble: { code: 'damaged-row', where: 'base/focus.lamp' },
    })
    expect(await loadPlan(id)).toMatchObject({ ok: false, refusal: { code: 'damaged-row' } })
    const save = {
      epoch: randomUUID(),
      basedOn: 0,
      head: null,
      steps: [step({ [rowNamed('title')]: 'b' })],
      ask: [],
    }
    const refused = await savePlan(id, { save, unreadable: null })
    expect(!refused.ok && refusalResponse(refused.refusal).status).toBe(409)
    await query('delete from plans where id = $1', [id])
  })

  it('of a model leaves its plans on the shelf with what is wrong', async () => {
    const lost = { ...heron, id: `lost-${randomUUID().slice(0, 8)}` }
    await storeDefinition(lost)
    const plan = await createPlan(lost, { [rowNamed('title')]: 'Of a lost model' })
    await query('update models set definition = $2 where id = $1', [lost.id, { format: 'something else' }])
    forgetModels()
    expect(await lineOf(plan)).toMatchObject({
      title: 'Of a lost model',
      trouble: { code: 'unknown-model' },
    })
    await query('delete from plans where id = $1', [plan])
  })
})

describe('a definition', () => {
  it('of a number that is stored is never overwritten', async () => {
    const stored = () =>
      query<{ digest: string }>('select digest from models where id = $1 and version = $2', [
        heron.id,
        heron.version,
      ])
    const before = await stored()
    await storeDefinition({ ...heron, name: 'Another Heron' })
    expect(await stored()).toEqual(before)
  })
})
