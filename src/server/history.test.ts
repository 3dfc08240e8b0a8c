import { randomUUID } from 'node:crypto'
import { afterAll, describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import { saveSteps } from '@tests/fixtures/saving'
import { factRow } from '@/core/inventory/rows'
import { closePool, query } from './db'
import { allHistory, listHistory } from './history'
import { setInventory } from './inventory'
import { createPlan } from './plans'

afterAll(closePool)

const titled = (from: string, to: string) => ({
  id: randomUUID(),
  changes: [{ row: rowNamed('title'), from, to }],
})

describe('what was changed in a plan', () => {
  it('stands in history as one line a day, with the steps it was', async () => {
    const plan = await createPlan(heron, { [rowNamed('title')]: 'Edited' })
    await saveSteps(plan, 1, [titled('Edited', 'Edited once'), titled('Edited once', 'Edited twice')])
    await saveSteps(plan, 3, [titled('Edited twice', 'Edited thrice')])
    const edits = await listHistory({ ...allHistory, plan, kind: 'edit' })
    const [newest] = edits.lines
    expect(newest).toMatchObject({ planId: plan, planTitle: 'Edited thrice' })
    expect(newest?.words).toMatch(/^Edited thrice was changed: (steps 1 to 4|step 4)$/)
    // Over midnight it may be two.
    expect(edits.lines.length).toBeLessThanOrEqual(2)
    expect((await listHistory({ ...allHistory, plan, words: 'thrice changed' })).lines).not.toEqual([])
  })

  it('goes with the plan, and is the same when it is counted anew from its steps', async () => {
    const plan = await createPlan(heron, { [rowNamed('title')]: 'Counted' })
    await saveSteps(plan, 1, [titled('Counted', 'Counted again')])
    const counted = await query(
      `select plan_id, (made_at at time zone 'UTC')::date as day, min(number) as first_step, max(number) as last_step
       from steps where plan_id = $1 group by 1, 2`,
      [plan],
    )
    expect(
      await query('select plan_id, day, first_step, last_step from edit_days where plan_id = $1', [plan]),
    ).toEqual(counted)
    await query('delete from plans where id = $1', [plan])
    expect((await listHistory({ ...allHistory, plan })).lines).toEqual([])
  })
})

describe('what was changed in the inventory', () => {
  it('stands in history, too', async () => {
    const tag = `t${randomUUID().slice(0, 8)}`
    await setInventory({ [factRow('body', tag, 'name')]: 'Told' })
    const { lines } = await listHistory({ ...allHistory, kind: 'edit', words: 'inventory' })
    expect(lines[0]).toMatchObject({
      planId: null,
      words: expect.stringContaining('The inventory was changed') as string,
    })
  })
})
