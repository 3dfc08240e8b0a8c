import { randomUUID } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { inOwnDatabase } from '@tests/fixtures/own-database'
import { rowNamed } from '@tests/fixtures/rows'
import { emptyWalk, progressOf, sayingOf, walkKind, type Mark, type Walk } from '@/core/procedures/progress'
import { must } from '@/core/result'
import { readSave } from '@/core/sync/protocol'
import { stepOf } from '@/core/vocabulary/ladders'
import { bankFactRow, bankRow, ownerRow, type Rows } from '@/core/plan/rows'
import { writeRescuePlace } from '@/core/procedures/place'
import { query } from './db'
import { setInventory } from './inventory'
import { createPlan, freezeRevision, loadPlan, savePlan } from './plans'
import { setRows } from '@/core/plan/step'
import { planKind } from '@/core/plan/kind'
import { writeIsoLimits } from './walk-limits'
import { believedOf, beginWalk, listWalks, loadWalk, saveWalk, turnWalk, type OpenWalk } from './walks'

inOwnDatabase()

const lamp = rowNamed('base/focus.lamp')
const grid = rowNamed('base/assist.grid')
const rows = (more: Rows = {}): Rows => ({ [lamp]: false, ...more })
const start = { procedure: 'set-plan', body: '', start: 'delivered', place: '' }
const begun = async (plan: string, more: Partial<typeof start> = {}) =>
  must(await loadWalk(must(await beginWalk(plan, { ...start, ...more }))))

/** Says something of an act as a device does that knows the walk as it was loaded. */
async function say(open: OpenWalk, act: string, mark: Mark, words = '', walk: Walk = open.walk) {
  const changes = must(
    sayingOf(walk, open.composed, act, { mark, words, who: 'Ada', at: '2026-11-29T10:00:00Z' }),
  )
  return saveSteps(open, [{ id: randomUUID(), changes }])
}

async function saveSteps(open: OpenWalk, steps: readonly unknown[]) {
  const { epoch, version: basedOn, head } = open
  const read = must(readSave(walkKind, { epoch, basedOn, head, steps, ask: [] }))
  return must(await saveWalk(open.id, read))
}

async function change(plan: string, wanted: Rows) {
  const { epoch, version: basedOn, head, plan: now } = must(await loadPlan(plan))
  const step = setRows(now, randomUUID(), wanted)
  const read = must(
    readSave(
      planKind(() => null),
      { epoch, basedOn, head, steps: [step], ask: [] },
    ),
  )
  must(await savePlan(plan, read))
}

describe('a walk', () => {
  it('is the same one, wherever it is opened, until it ends', async () => {
    const plan = await createPlan(heron, rows())
    const one = await begun(plan)
    expect((await begun(plan)).id).toBe(one.id)
    expect((await begun(plan, { procedure: 'morning' })).id).not.toBe(one.id)
    must(await turnWalk(one.id, 'end'))
    expect((await begun(plan)).id).not.toBe(one.id)
  })

  it('of the rescue goes through the place where focus fails, each of them a walk of its own', async () => {
    const [family] = heron.families
    const [slot] = family?.slots ?? []
    const bank = [family?.id ?? '', slot?.id ?? ''] as const
    const plan = await createPlan(heron, {
      [bankFactRow(...bank, 'side')]: 'stills',
      [bankRow(...bank, 'focus.mode')]: 'manual',
    })
    const at = (place: string) => begun(plan, { procedure: 'rescue', place })
    const [plain, inBank] = [
      await at('stills'),
      await at(writeRescuePlace({ family: bank[0], slot: bank[1] })),
    ]
    expect(inBank.id).not.toBe(plain.id)
    expect([plain, inBank].map(({ composed }) => composed.acts[0]?.part)).toEqual([
      'May be',
      'So in this plan',
    ])
    expect(await beginWalk(plan, { ...start, procedure: 'rescue', place: 'nowhere' })).toMatchObject({
      ok: false,
      refusal: { where: 'place' },
    })
  })

  it('keeps what is ticked, for whoever opens it next', async () => {
    const plan = await createPlan(heron, rows())
    const open = await begun(plan)
    expect(open.composed.acts.map(({ id }) => id)).toEqual([`set/${lamp}`])
    expect(await say(open, `set/${lamp}`, 'done')).toMatchObject({ kind: 'saved' })
    const again = await begun(plan)
    expect(progressOf(again.walk, again.composed)).toMatchObject({ done: 1, next: null })
  })

  it('takes two devices at once: what one ticked the other is told, and nothing is lost or twice', async () => {
    const plan = await createPlan(heron, rows({ [grid]: 'thirds' }))
    const open = await begun(plan)
    const [first, second] = open.composed.acts.map(({ id }) => id)
    await say(open, first ?? '', 'done')
    // The second device has not heard of it: its save is answered with what is newer, and nothing is appended.
    const late = await say(open, first ?? '', 'skipped', 'no light')
    expect(late).toMatchObject({
      kind: 'stale',
      entries: [{ changes: [{ to: ['done', 'false', '', 'Ada', expect.any(String)] }] }],
    })
    const other = await say(open, second ?? '', 'done')
    expect(other.kind).toBe('stale')
    const now = must(await loadWalk(open.id))
    expect(await say(now, second ?? '', 'done')).toMatchObject({ kind: 'saved' })
    const both = must(await loadWalk(open.id))
    expect(Object.keys(both.walk.rows)).toHaveLength(2)
  })

  it('takes a step that is sent again only once', async () => {
    const open = await begun(await createPlan(heron, rows()))
    const changes = must(sayingOf(emptyWalk, open.composed, `set/${lamp}`, { mark: 'done', who: '', at: '' }))
    const step = { id: randomUUID(), changes }
    await saveSteps(open, [step])
    expect(await saveSteps(open, [step])).toMatchObject({ kind: 'saved', version: 1 })
  })

  it('is composed anew when the plan changes, and keeps what is done', async () => {
    const plan = await createPlan(heron, rows())
    const open = await begun(plan)
    await say(open, `set/${lamp}`, 'done')
    await change(plan, { [grid]: 'thirds' })
    const now = must(await loadWalk(open.id))
    expect(progressOf(now.walk, now.composed)).toMatchObject({ done: 1, open: 1, total: 2 })
  })

  it('stays with its revision when the plan moves on, says so, and follows when it is told to', async () => {
    const plan = await createPlan(heron, rows())
    must(await freezeRevision(plan, 'As it was'))
    const open = await begun(plan)
    expect(open).toMatchObject({ revision: 1, movedOnTo: null })
    await change(plan, { [grid]: 'thirds' })
    expect(must(await loadWalk(open.id))).toMatchObject({ revision: 1, movedOnTo: 'plan' })
    must(await freezeRevision(plan, 'Later'))
    const moved = must(await loadWalk(open.id))
    expect([moved.movedOnTo, moved.composed.acts.length]).toEqual([2, 1])
    must(await turnWalk(open.id, 'follow'))
    const after = must(await loadWalk(open.id))
    expect([after.revision, after.movedOnTo, after.composed.acts.length]).toEqual([2, null, 2])
  })

  it('ends in a record, once, and can be gone on with while no other is open', async () => {
    const plan = await createPlan(heron, rows({ [grid]: 'thirds' }))
    const open = await begun(plan)
    const [first, second] = open.composed.acts
    await say(open, first?.id ?? '', 'done')
    await say(must(await loadWalk(open.id)), second?.id ?? '', 'differs', 'there is no such line')
    must(await turnWalk(open.id, 'end'))
    must(await turnWalk(open.id, 'end'))
    const [record] = await query<{
      record: { lines: { act: string; standing: string; said: { words: string } }[] }
    }>('select record from walks where id = $1', [open.id])
    expect(record?.record.lines.map(({ standing }) => standing)).toEqual(['done', 'differs'])
    expect(record?.record.lines[1]?.said.words).toBe('there is no such line')
    expect((await listWalks(plan)).map((one) => one.done)).toEqual([[{ kind: 'set', row: first?.row }]])
    await begun(plan)
    expect(await turnWalk(open.id, 'goOn')).toMatchObject({ ok: false, refusal: { code: 'busy-walk' } })
    expect((await listWalks(plan)).map(({ endedAt }) => endedAt === null).sort()).toEqual([false, true])
  })

  it('is refused for what there is not', async () => {
    const plan = await createPlan(heron, rows())
    expect(await beginWalk(plan, { ...start, procedure: 'dance' })).toMatchObject({ ok: false })
    expect(await beginWalk(plan, { ...start, start: 'somewhere' })).toMatchObject({ ok: false })
    expect(await beginWalk(plan, { ...start, body: 'nobody' })).toMatchObject({
      ok: false,
      refusal: { code: 'unknown-body' },
    })
    expect(await beginWalk(randomUUID(), start)).toMatchObject({
      ok: false,
      refusal: { code: 'unknown-plan' },
    })
    expect(await beginWalk('not-an-id', start)).toMatchObject({
      ok: false,
      refusal: { code: 'unknown-plan' },
    })
    for (const id of [randomUUID(), 'not-an-id'])
      expect(await loadWalk(id)).toMatchObject({ ok: false, refusal: { code: 'unknown-walk' } })
  })

  it('says where its plan is when that was deleted, and is there again with it', async () => {
    const plan = await createPlan(heron, rows())
    const open = await begun(plan)
    await query('update plans set deleted_at = now() where id = $1', [plan])
    expect(await loadWalk(open.id)).toMatchObject({ ok: false, refusal: { code: 'unknown-plan' } })
    await query('update plans set deleted_at = null where id = $1', [plan])
    expect(must(await loadWalk(open.id)).id).toBe(open.id)
  })
})

describe('a body that is walked', () => {
  const body = {
    'body/heron-w/name': 'Heron W',
    'body/heron-w/model': 'tarrow-heron',
    'body/heron-w/firmware': '2.0',
  }

  it('is believed to hold what was ticked when the walk ended; the next one asks for the rest only', async () => {
    await setInventory(body)
    const plan = await createPlan(heron, rows({ [grid]: 'thirds' }))
    expect(await believedOf(plan)).toEqual({})
    const open = await begun(plan, { body: 'heron-w' })
    expect(open).toMatchObject({ bodyName: 'Heron W', isBodyGone: false })
    await say(open, `set/${lamp}`, 'done')
    must(await turnWalk(open.id, 'end'))
    const { 'heron-w': held } = await believedOf(plan)
    expect([held?.[lamp], held?.[grid] === 'thirds']).toEqual([false, false])
    const next = await begun(plan, { body: 'heron-w', start: 'believed' })
    expect(next.composed.acts.map(({ id }) => id)).toEqual([`set/${grid}`])
  })

  it('is not believed to hold the plan because its keys were pressed', async () => {
    await setInventory(body)
    const key = rowNamed('key/stills/thumb-key/press')
    const plan = await createPlan(heron, rows({ [key]: 'start-focus', [grid]: 'thirds' }))
    const before = (await believedOf(plan))['heron-w']
    const open = await begun(plan, { body: 'heron-w', procedure: 'press-test' })
    await say(open, open.composed.acts.find(({ kind }) => kind === 'press')?.id ?? '', 'done')
    must(await turnWalk(open.id, 'end'))
    expect((await believedOf(plan))['heron-w']).toEqual(before)
  })

  it('is told of when it is gone, and the walk stays', async () => {
    const plan = await createPlan(heron, rows())
    await setInventory(body)
    const open = await begun(plan, { body: 'heron-w' })
    await setInventory(Object.fromEntries(Object.keys(body).map((row) => [row, null])))
    expect(must(await loadWalk(open.id))).toMatchObject({ isBodyGone: true, bodyName: 'heron-w' })
    expect(await say(open, `set/${lamp}`, 'done')).toMatchObject({ kind: 'saved' })
  })
})

describe('an ISO ladder', () => {
  it('that was rated on a walk writes its limits under You, in a step that can be taken back, and once', async () => {
    const plan = await createPlan(heron, rows({ [ownerRow('isoNever')]: 51200 }))
    const begin = await begun(plan, { procedure: 'iso-ladder' })
    expect(await writeIsoLimits(begin.id)).toMatchObject({ ok: false, refusal: { code: 'no-ratings' } })
    for (const act of begin.composed.acts.filter(({ answers }) => answers)) {
      const iso = stepOf('iso', act.asks)?.amount ?? 0
      const open = must(await loadWalk(begin.id))
      await say(open, act.id, 'done', iso >= 8000 ? 'never' : iso >= 2000 ? 'in need' : 'fine')
    }
    expect(await writeIsoLimits(begin.id)).toEqual({
      ok: true,
      value: { words: 'In need only from ISO 2000, never from ISO 8000.', isNew: true },
    })
    const { plan: now, log } = must(await loadPlan(plan))
    expect([now.rows[ownerRow('isoNeed')], now.rows[ownerRow('isoNever')]]).toEqual([2000, 8000])
    expect(log.at(-1)?.changes).toContainEqual({ row: ownerRow('isoNever'), from: 51200, to: 8000 })
    expect(must(await writeIsoLimits(begin.id)).isNew).toBe(false)
    expect(must(await loadPlan(plan)).log.length).toBe(log.length)
    expect(await writeIsoLimits(randomUUID())).toMatchObject({ ok: false })
  })
})
