import { rowNamed } from '@tests/fixtures/rows'
import { randomUUID } from 'node:crypto'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { newBody } from '@/core/camera/body'
import type { CarryNews, CarryStage } from '@/core/camera/carry'
import { readCardFile } from '@/core/files/card-file'
import { must } from '@/core/result'
import { cardConditionOf, loadBody, putBody, setCard } from './bodies'
import { close, closePool, ownConnection, query } from './db'
import { listFiles } from './files'
import { saveSteps } from '@tests/fixtures/saving'
import { followEdition } from '@/core/fit/edition'
import { storeDefinition } from './models'
import { createPlan, loadPlan } from './plans'
import { endAbandoned } from './leases'
import { listTransfers } from './transfer-log'
import { carry } from './transfers'

afterAll(closePool)

const tagged = () => `t${randomUUID().slice(0, 8)}`

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

describe('carrying', () => {
  it('keeps backup, sent file and what was read back, and the body has the plan', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const told = await news(plan, id)
    expect(told.at(-1)).toMatchObject({ kind: 'finished' })
    const files = (await listFiles(1, 1000)).files.filter(
      (file) => file.bodyName === 'B' && file.revision !== null,
    )
    expect(files.length).toBeGreaterThanOrEqual(2)
    expect(must(await loadBody(id)).state.memory[rowNamed('base/movie.frameRate')]).toBe('50p')
    expect(await listTransfers(plan)).toMatchObject([
      { outcome: 'identical', compared: (told.at(-1) as { compared: number }).compared },
    ])
  })

  it.each(['locked', 'full', 'none'] as const)(
    'to a body whose card is %s is refused and the body is as it was',
    async (condition) => {
      const [plan, id] = [
        await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }),
        await body(),
      ]
      must(await setCard(id, condition))
      const before = must(await loadBody(id)).state
      const told = await news(plan, id)
      expect(told.at(-1)).toMatchObject({ kind: 'refused', stage: 'preflight' })
      expect(must(await loadBody(id)).state).toEqual(before)
      expect(await listTransfers(plan)).toMatchObject([{ outcome: 'refused' }])
    },
  )

  it('that is stopped leaves the body as it was', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const before = must(await loadBody(id)).state
    const stop = new AbortController()
    const told: CarryNews[] = []
    for await (const one of carry(plan, id, stop.signal)) {
      told.push(one)
      if (one.kind === 'done' && one.stage === 'load') stop.abort()
    }
    expect(told.at(-1)).toEqual({ kind: 'stopped', stage: 'restart', holds: 'before' })
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

describe('a transfer', () => {
  /** Goes on until a stage is done, and stands there. */
  const until = async (plan: string, body: string, stage: CarryStage) => {
    const going = carry(plan, body, new AbortController().signal)
    for (let next = await going.next(); !next.done; next = await going.next())
      if (next.value.kind === 'done' && next.value.stage === stage) break
    return going
  }
  /** Ends the connection that holds the lease on a body, as the death of its process would. */
  const die = async (id: string) => {
    const ended = await query(
      `select pg_terminate_backend(pid) from pg_locks
       where locktype = 'advisory' and (classid::bigint << 32 | objid::bigint) = hashtextextended($1, 4178)`,
      [id],
    )
    expect(ended).toHaveLength(1)
  }
  const rest = async (going: AsyncGenerator<CarryNews>) => {
    const told: CarryNews[] = []
    for await (const one of going) told.push(one)
    return told.at(-1)
  }

  it.each([
    ['backup', 'before'],
    ['load', 'loaded'],
    ['restart', 'plan'],
    ['compare', 'plan'],
  ] as const)(
    'whose process died after %s is ended by the next who asks, who says: %s',
    async (stage, holds) => {
      const [plan, id] = [
        await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }),
        await body(),
      ]
      await until(plan, id, stage)
      await endAbandoned()
      expect(await listTransfers(plan)).toMatchObject([{ outcome: 'running' }])
      await die(id)
      await vi.waitFor(async () => {
        await endAbandoned()
        expect(await listTransfers(plan)).toMatchObject([{ outcome: 'stopped', holds }])
      })
      const { state } = must(await loadBody(id))
      expect(state.memory[rowNamed('base/movie.frameRate')]).toBe(holds === 'plan' ? '50p' : '25p')
      expect(state.pending !== null).toBe(holds === 'loaded')
      expect((await news(plan, id)).at(-1)).toMatchObject({ kind: 'finished' })
    },
  )

  it('that loses the database on its way says so, and what comes next is not busy', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const going = await until(plan, id, 'backup')
    await die(id)
    expect(await rest(going)).toMatchObject({ kind: 'refused', refusal: { code: 'database' }, holds: null })
    expect((await news(plan, id)).at(-1)).toMatchObject({ kind: 'finished' })
    expect(await listTransfers(plan)).toMatchObject([
      { outcome: 'identical' },
      { outcome: 'stopped', holds: 'before' },
    ])
  })

  it('whose page went away after the restart leaves the plan in force, its files on the card, and says so', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const going = await until(plan, id, 'restart')
    await going.return(undefined)
    expect(await listTransfers(plan)).toMatchObject([{ outcome: 'stopped', holds: 'plan' }])
    const { state } = must(await loadBody(id))
    expect(state.memory[rowNamed('base/movie.frameRate')]).toBe('50p')
    expect(Object.keys(state.card?.files ?? {})).toEqual(['REV1-BEFORE.SSC', 'REV1.SSC'])
  })

  it('that finds the body held by something else says that it is busy, and what the body holds', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const going = await until(plan, id, 'load')
    const other = await ownConnection()
    await other.query('begin')
    await other.query('select 1 from bodies where id = $1 for update', [id])
    setTimeout(() => void close(other), 3000)
    expect(await rest(going)).toMatchObject({ kind: 'refused', refusal: { code: 'busy' }, holds: 'before' })
    expect(await listTransfers(plan)).toMatchObject([{ outcome: 'refused', holds: 'before' }])
    expect(must(await loadBody(id)).state.pending).toBeNull()
  })

  it('works on the card that is in the body now, not on the one it began with', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const going = await until(plan, id, 'write')
    must(await setCard(id, 'none'))
    expect(await rest(going)).toMatchObject({
      kind: 'refused',
      stage: 'load',
      refusal: { code: 'no-card' },
      holds: 'before',
    })
    expect(must(await loadBody(id)).state.card).toBeNull()
  })

  it('loses no change of the card and no row of the plan, however they meet', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    for (let round = 0; round < 12; round++) {
      const changes = (['locked', 'ready'] as const).map((condition) => setCard(id, condition))
      const told = await news(plan, id)
      await Promise.all(changes)
      const wanted = round % 2 === 0 ? 'full' : 'ready'
      must(await setCard(id, wanted))
      const { state } = must(await loadBody(id))
      expect(cardConditionOf(state)).toBe(wanted)
      if (told.at(-1)?.kind === 'finished') expect(state.memory[rowNamed('base/movie.frameRate')]).toBe('50p')
    }
  })

  it('takes a body to the edition its plan has followed, and keeps what the body remembers', async () => {
    const newer = { ...heron, version: 7000 + Math.floor(Math.random() * 1000) }
    await storeDefinition(newer)
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const stored = must(await loadPlan(plan))
    const { step } = followEdition(heron, stored.plan, newer, randomUUID())
    await saveSteps(plan, stored.version, [step])
    const [{ memory }] = [must(await loadBody(id)).state]
    expect((await news(plan, id)).at(-1)).toMatchObject({ kind: 'finished' })
    const { model, state } = must(await loadBody(id))
    expect(model.version).toBe(newer.version)
    expect(state.memory).toEqual({ ...memory, ...state.memory })
    expect(state.memory[rowNamed('base/movie.frameRate')]).toBe('50p')
    expect(state.memory[rowNamed('base/files.prefix')]).toBe(memory[rowNamed('base/files.prefix')])
  })

  it('keeps the backup of what the body held when it began', async () => {
    const id = await body()
    const first = await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' })
    const second = await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '100p' })
    for (const plan of [first, second])
      expect((await news(plan, id)).at(-1)).toMatchObject({ kind: 'finished' })
    const [backup] = await query<{ bytes: Buffer }>(
      `select f.bytes from transfer_files tf join files f on f.id = tf.file_id join transfers t on t.id = tf.transfer_id
       where t.plan_id = $1 and tf.role = 'backup'`,
      [second],
    )
    const { rows } = must(readCardFile(heron, new Uint8Array(backup?.bytes ?? []), 'backup'))
    expect(rows[rowNamed('base/movie.frameRate')]).toBe('50p')
  })
})
