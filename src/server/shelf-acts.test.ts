import { heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeEach, describe, expect, it } from 'vitest'
import { must } from '@/core/result'
import { writePlanFile } from '@/core/files/plan-file'
import { closePool, query } from './db'
import { importFile } from './files'
import { createPlan, freezeRevision, loadPlan } from './plans'
import { actOnShelf } from './shelf-acts'
import { deletedPlans, listPlans, reckoned } from './summaries'

let word = ''
let ids: string[] = []
const made: string[] = []
const named = (plans: readonly { title: string }[]) =>
  plans.filter(({ title }) => title.startsWith(word)).map(({ title }) => title.replace(`${word} `, ''))
const titles = async () => named((await listPlans(1, 1000, word)).plans)

beforeEach(async () => {
  word = `Sluice${randomUUID().slice(0, 6)}`
  ids = []
  for (const name of ['one', 'two', 'three'])
    ids.push(
      await createPlan(heron, {
        [rowNamed('title')]: `${word} ${name}`,
        [rowNamed('purpose')]: `For ${name}`,
      }),
    )
  made.push(...ids)
})
afterAll(async () => {
  await reckoned()
  await query('delete from plans where id = any($1)', [made])
  await closePool()
})

describe('a plan on the shelf', () => {
  it('stands where it was put, and those made since stand before all that were put in order', async () => {
    expect(await titles()).toEqual(['three', 'two', 'one'])
    must(await actOnShelf(ids[0] ?? '', 'up'))
    expect(await titles()).toEqual(['three', 'one', 'two'])
    must(await actOnShelf(ids[2] ?? '', 'down'))
    expect(await titles()).toEqual(['one', 'three', 'two'])
    made.push(await createPlan(heron, { [rowNamed('title')]: `${word} four` }))
    expect(await titles()).toEqual(['four', 'one', 'three', 'two'])
  })

  it('says what it is for, and is found by that', async () => {
    const found = (await listPlans(1, 1000, `${word} For`)).plans
    expect(found.map(({ purpose }) => purpose)).toEqual(['For three', 'For two', 'For one'])
  })

  it('that is deleted is kept with its revisions, opens no more, and comes back whole', async () => {
    const [id = ''] = ids
    const frozen = must(await freezeRevision(id, 'kept'))
    must(await actOnShelf(id, 'delete'))
    expect(await titles()).toEqual(['three', 'two'])
    expect(named(await deletedPlans())).toEqual(['one'])
    expect(await loadPlan(id)).toMatchObject({ ok: false, refusal: { code: 'unknown-plan' } })
    must(await actOnShelf(id, 'restore'))
    expect(await titles()).toContain('one')
    expect(must(await freezeRevision(id, 'again')).id).toBe(frozen.id)
  })

  it('that was opened from a file and deleted is put back when the file is brought in again', async () => {
    const { model, plan } = must(await loadPlan(ids[1] ?? ''))
    const bytes = new TextEncoder().encode(writePlanFile({ plan, revision: null }))
    const name = `${word}.plan.json`
    const { planId } = must(await importFile(name, bytes))
    made.push(planId ?? '')
    must(await actOnShelf(planId ?? '', 'delete'))
    expect(must(await importFile(name, bytes)).planId).toBe(planId)
    expect(must(await loadPlan(planId ?? '')).model.id).toBe(model.id)
  })

  it('is duplicated with its rows, under a title of its own', async () => {
    const [id = ''] = ids
    const copy = must(await actOnShelf(id, 'duplicate'))
    made.push(copy)
    const [one, other] = [must(await loadPlan(id)), must(await loadPlan(copy))]
    expect(other.plan.rows).toEqual({ ...one.plan.rows, title: `Copy of ${word} one` })
    expect(other.epoch).not.toBe(one.epoch)
  })

  it('that is not there is refused, whatever is to be done with it', async () => {
    for (const act of ['duplicate', 'delete', 'restore', 'up', 'down'] as const)
      for (const id of [randomUUID(), 'no id'])
        expect(await actOnShelf(id, act)).toMatchObject({ ok: false, refusal: { code: 'unknown-plan' } })
  })
})
