import { equipmentFor, equipped } from '@/core/inventory/equip'
import { inventoryNow } from './inventory'
import { heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import { started, theatre } from '@tests/fixtures/started'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { adviceOn } from '@/core/checks/checks'
import { setRows } from '@/core/plan/step'
import { must } from '@/core/result'
import { writePlanFile } from '@/core/files/plan-file'
import { closePool, query } from './db'
import { importFile, listFiles } from './files'
import { definitions } from './models'
import { createPlan, loadPlan, savePlan, setPlanRows } from './plans'
import { findingsKept, listPlans, reckoned } from './summaries'

const made: string[] = []
const word = `Weir${randomUUID().slice(0, 6)}`

/** A plan of the theatre's, with a title of its own. */
async function planCalled(title: string): Promise<string> {
  const plan = started(heron, theatre)
  const id = await createPlan(heron, { ...plan.rows, [rowNamed('title')]: title })
  made.push(id)
  return id
}

const lineOf = async (id: string) => (await listPlans(1, 1000, word)).plans.find((one) => one.id === id)
const countsOf = async (id: string) => {
  await reckoned()
  return (await lineOf(id))?.counts
}
const checkedNow = async (id: string) => {
  const { model, plan } = must(await loadPlan(id))
  const { inventory } = await inventoryNow()
  const equipment = equipmentFor(model, await definitions(), inventory)
  const findings = adviceOn(model, equipped(plan, equipment), equipment.lenses)
  const count = (severity: string) => findings.filter((one) => one.severity === severity).length
  const worst = findings
    .filter(({ severity }) => severity !== 'tidies')
    .slice(0, 2)
    .map(({ severity, title, station }) => ({ severity, title, station }))
  return { blocks: count('blocks'), problems: count('problem'), worst }
}

/** What becomes of something on its way as JSON. */
const asSent = (given: unknown): unknown => JSON.parse(JSON.stringify(given))

let plan = ''

beforeAll(async () => {
  plan = await planCalled(`${word} at dusk`)
})

afterAll(async () => {
  await reckoned()
  await query('delete from plans where id = any($1)', [made])
  await closePool()
})

describe('what was found in a plan', () => {
  it('is kept whole for the plan as it stands, and not given for one that changed since', async () => {
    const id = await planCalled('Kept whole')
    expect(await findingsKept(id)).toBeNull()
    await reckoned()
    const { model, plan: now, version } = must(await loadPlan(id))
    const equipment = equipmentFor(model, await definitions(), (await inventoryNow()).inventory)
    const found = adviceOn(model, equipped(now, equipment), equipment.lenses)
    expect(await findingsKept(id)).toEqual({ version, findings: asSent(found) })
    expect(found.length).toBeGreaterThan(3)
    must(await setPlanRows(id, { [rowNamed('base/focus.lamp')]: false }))
    expect(await findingsKept(id)).toBeNull()
    await reckoned()
    expect((await findingsKept(id))?.version).toBe(version + 1)
    expect(await findingsKept(randomUUID())).toBeNull()
    expect(await findingsKept('no plan')).toBeNull()
  })
})

describe('what the shelf says of a plan', () => {
  it('is there at once, and what the checks say a moment later; until then no figure is claimed', async () => {
    const right = await checkedNow(plan)
    const first = await lineOf(plan)
    expect(first).toMatchObject({ title: `${word} at dusk`, trouble: null })
    // Whoever looks at the shelf meanwhile has it reckoned, too.
    expect([null, right]).toContainEqual(first?.counts)
    expect(await countsOf(plan)).toEqual(right)
  })

  it('is reckoned anew after a save, and never tells figures of an older version', async () => {
    const before = await countsOf(plan)
    const { plan: stored, version, head, epoch } = must(await loadPlan(plan))
    const step = setRows(stored, randomUUID(), {
      [rowNamed('key/stills/thumb-wheel/turn')]: 'nothing',
      [rowNamed('key/stills/thumb-dial/turn')]: 'nothing',
    })
    must(
      await savePlan(plan, {
        save: { epoch, basedOn: version, head, steps: [step], ask: [] },
        unreadable: null,
      }),
    )
    expect(await lineOf(plan)).toMatchObject({ version: version + 1, counts: null })
    const after = await countsOf(plan)
    expect(after).toEqual(await checkedNow(plan))
    expect(after).not.toEqual(before)
  })

  it('is reckoned anew where its row was changed by other ways', async () => {
    await countsOf(plan)
    await query('update plans set rows = rows || \'{"base/focus.lamp": "dim"}\' where id = $1', [plan])
    expect(await lineOf(plan)).toMatchObject({ counts: null })
    await reckoned()
    expect(await lineOf(plan)).toMatchObject({
      counts: null,
      trouble: { code: 'damaged-row', where: 'base/focus.lamp' },
    })
    await query("update plans set rows = rows - 'base/focus.lamp' where id = $1", [plan])
  })
})

describe('the list of plans', () => {
  it('finds every word in titles and models, taking signs of patterns as they are', async () => {
    const [percent, other] = [await planCalled(`${word} 100%`), await planCalled(`${word} 100p`)]
    const found = async (words: string) => (await listPlans(1, 50, words)).plans.map(({ id }) => id)
    expect((await found(word)).sort()).toEqual([plan, percent, other].sort())
    expect(await found(`${word} 100%`)).toEqual([percent])
    expect(await found(`dusk ${word.toLowerCase()}`)).toEqual([plan])
    expect(await found(`${word} heron`)).toHaveLength(3)
    expect(await found(`${word} duet`)).toEqual([])
    expect(await found(`${word} 100_`)).toEqual([])
  })

  it('comes in pages, the plan worked on last first, each plan once', async () => {
    const pages = await Promise.all([1, 2, 3, 4].map((page) => listPlans(page, 1, word)))
    expect(pages.map(({ count }) => count)).toEqual([3, 3, 3, 3])
    const all = pages.flatMap(({ plans }) => plans)
    expect(new Set(all.map(({ id }) => id)).size).toBe(3)
    const times = all.map(({ updatedAt }) => updatedAt.getTime())
    expect(times).toEqual([...times].sort((a, b) => b - a))
    expect(pages[3]?.plans).toEqual([])
  })
})

describe('the list of files', () => {
  it('finds every word in names and notes', async () => {
    const { plan: stored } = must(await loadPlan(plan))
    const named = `${word} brought.plan.json`
    const { fileId } = must(
      await importFile(named, new TextEncoder().encode(writePlanFile({ plan: stored, revision: null }))),
    )
    const found = async (words: string) =>
      (await listFiles(1, 50, { words: words })).files.map(({ id }) => id)
    expect(await found(`${word.toLowerCase()} brought`)).toEqual([fileId])
    expect(await found(`${word} nowhere`)).toEqual([])
    expect((await listFiles(1, 50, { words: `${word} nowhere` })).count).toBe(0)
  })
})
