import { rowNamed } from '@tests/fixtures/rows'
import { randomUUID } from 'node:crypto'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { newBody } from '@/core/camera/body'
import { type CarryNews } from '@/core/camera/carry'
import { carryStages, type CarryStage } from '@/core/camera/stages'
import { readCardFile } from '@/core/files/card-file'
import { setRows } from '@/core/plan/step'
import { must } from '@/core/result'
import { cardConditionOf, loadBody, putBody } from './bodies'
import { setCard } from './bench'
import { close, closePool, ownConnection, query } from './db'
import { saveSteps } from '@tests/fixtures/saving'
import { followEdition } from '@/core/fit/edition'
import { storeDefinition } from './models'
import { createPlan, loadPlan } from './plans'
import { endAbandoned, takeLease } from './leases'
import { listTransfers } from './transfer-log'
import { seeBefore } from './preflight'
import { askTransfer, carry, goOn } from './transfers'
import { tickHandWork } from './waiting'

afterAll(closePool)

const tagged = () => `t${randomUUID().slice(0, 8)}`

const ofPlan = (id: string) => ({ kind: 'plan', id }) as const

const news = async (planId: string, bodyId: string, stop = new AbortController().signal) => {
  const told: CarryNews[] = []
  for await (const one of carry(ofPlan(planId), bodyId, { stop })) told.push(one)
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
    // Another test may have made the very bytes in the same second: the files are asked of the transfer itself.
    const [line] = await listTransfers({ plan })
    expect(line?.files.map(({ role }) => role).sort()).toEqual(['backup', 'readBack', 'sent'])
    expect(must(await loadBody(id)).state.memory[rowNamed('base/movie.frameRate')]).toBe('50p')
    expect(await listTransfers({ plan })).toMatchObject([
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
      expect(await listTransfers({ plan })).toMatchObject([{ outcome: 'refused' }])
    },
  )

  it('that is stopped leaves the body as it was', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const before = must(await loadBody(id)).state
    const stop = new AbortController()
    const told: CarryNews[] = []
    for await (const one of carry(ofPlan(plan), id, { stop: stop.signal })) {
      told.push(one)
      if (one.kind === 'done' && one.stage === 'load') stop.abort()
    }
    expect(told.at(-1)).toEqual({ kind: 'stopped', stage: 'restart', holds: 'before' })
    expect(must(await loadBody(id)).state).toEqual(before)
    expect(await news(plan, id)).toContainEqual(expect.objectContaining({ kind: 'finished' }))
  })

  it('runs once at a time to a body', async () => {
    const [plan, id] = [await createPlan(heron, {}), await body()]
    const first = carry(ofPlan(plan), id, { stop: new AbortController().signal })
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
    const going = carry(ofPlan(plan), body, { stop: new AbortController().signal })
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

  /** What the body holds of a transfer that was cut off once this stage was done; the last stage ends it. */
  const cutOffAfter = [
    ['preflight', 'before'],
    ['backup', 'before'],
    ['write', 'before'],
    ['load', 'loaded'],
    ['restart', 'plan'],
    ['readBack', 'plan'],
    ['compare', 'plan'],
  ] as const
  it('can be cut off after every stage but the last, which ends it', () => {
    expect(cutOffAfter.map(([stage]) => stage)).toEqual(carryStages.slice(0, -1))
  })

  it.each(cutOffAfter)(
    'whose process died after %s is ended by the next who asks, who says: %s',
    async (stage, holds) => {
      const [plan, id] = [
        await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }),
        await body(),
      ]
      await until(plan, id, stage)
      await endAbandoned()
      expect(await listTransfers({ plan })).toMatchObject([{ outcome: 'running' }])
      await die(id)
      await vi.waitFor(async () => {
        await endAbandoned()
        expect(await listTransfers({ plan })).toMatchObject([{ outcome: 'stopped', holds }])
      })
      const { state } = must(await loadBody(id))
      expect(state.memory[rowNamed('base/movie.frameRate')]).toBe(holds === 'plan' ? '50p' : '25p')
      expect(state.pending !== null).toBe(holds === 'loaded')
      expect((await news(plan, id)).at(-1)).toMatchObject({ kind: 'finished' })
    },
  )

  it.each(cutOffAfter)(
    'that loses the database after %s says so, and what comes next is not busy and knows: %s',
    async (stage, holds) => {
      const [plan, id] = [
        await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }),
        await body(),
      ]
      const going = await until(plan, id, stage)
      await die(id)
      expect(await rest(going)).toMatchObject({ kind: 'refused', refusal: { code: 'database' }, holds: null })
      expect((await news(plan, id)).at(-1)).toMatchObject({ kind: 'finished' })
      expect(await listTransfers({ plan })).toMatchObject([
        { outcome: 'identical' },
        { outcome: 'stopped', holds },
      ])
    },
  )

  it.each(cutOffAfter)(
    'to a body that is removed after %s ends there, says so, and its log says that the body holds: %s',
    async (stage, left) => {
      const [plan, id] = [
        await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }),
        await body(),
      ]
      const going = await until(plan, id, stage)
      await query('update bodies set gone = true where id = $1', [id])
      // What was read and is not in force yet is let go with it.
      const holds = left === 'loaded' ? 'before' : left
      expect(await rest(going)).toMatchObject({ kind: 'refused', refusal: { code: 'gone-body' }, holds })
      const [line] = await listTransfers({ plan })
      expect(line).toMatchObject({ outcome: 'refused', holds })
      expect(line?.log.at(-1)).toMatchObject({
        outcome: 'refused',
        message: expect.stringContaining('was removed from Bodies') as string,
      })
      expect((await news(plan, id)).at(-1)).toMatchObject({ refusal: { code: 'gone-body' } })
    },
  )

  it('is carried out once, however often its request comes', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const request = randomUUID()
    const ask = async () => {
      const told: CarryNews[] = []
      const stop = new AbortController().signal
      for await (const one of carry(ofPlan(plan), id, { stop, request })) told.push(one)
      return told.at(-1)
    }
    expect(await ask()).toMatchObject({ kind: 'finished' })
    expect(await ask()).toMatchObject({ kind: 'refused', refusal: { code: 'twice' } })
    expect(await listTransfers({ plan })).toHaveLength(1)
  })

  it('whose page went away after the restart leaves the plan in force, its files on the card, and says so', async () => {
    const [plan, id] = [await createPlan(heron, { [rowNamed('base/movie.frameRate')]: '50p' }), await body()]
    const going = await until(plan, id, 'restart')
    await going.return(undefined)
    expect(await listTransfers({ plan })).toMatchObject([{ outcome: 'stopped', holds: 'plan' }])
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
    expect(await listTransfers({ plan })).toMatchObject([{ outcome: 'refused', holds: 'before' }])
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

describe('what is carried besides a plan', () => {
  const rate = rowNamed('base/movie.frameRate')
  const told = async (going: AsyncGenerator<CarryNews>) => {
    const all: CarryNews[] = []
    for await (const one of going) all.push(one)
    return all
  }
  const stop = new AbortController().signal
  const at = async (id: string) => must(await loadBody(id)).state.memory[rate]

  it('is a backup: put back, the body holds again what it held, row by row', async () => {
    const [plan, id] = [await createPlan(heron, { [rate]: '50p' }), await body()]
    const before = must(await loadBody(id)).state.memory
    await news(plan, id)
    expect(await at(id)).toBe('50p')
    const [line] = await listTransfers({ plan })
    const backup = line?.files.find(({ role }) => role === 'backup')
    expect((await told(carry({ kind: 'file', id: backup?.id ?? '' }, id, { stop }))).at(-1)).toMatchObject({
      kind: 'finished',
    })
    expect(must(await loadBody(id)).state.memory).toEqual(before)
    expect((await listTransfers({ body: id }))[0]).toMatchObject({
      outcome: 'identical',
      revision: null,
      planId: null,
      source: expect.stringContaining('REV1-BEFORE.SSC') as string,
    })
  })

  it('is a former revision, though the plan has gone on', async () => {
    const [plan, id] = [await createPlan(heron, { [rate]: '50p' }), await body()]
    await news(plan, id)
    const { version, plan: now } = must(await loadPlan(plan))
    await saveSteps(plan, version, [setRows(now, randomUUID(), { [rate]: '100p' })])
    await news(plan, id)
    expect(await at(id)).toBe('100p')
    const all = await told(carry({ kind: 'revision', id: plan, number: 1 }, id, { stop }))
    expect(all.at(-1)).toMatchObject({ kind: 'finished' })
    expect(await at(id)).toBe('50p')
    expect(await told(carry({ kind: 'revision', id: plan, number: 7 }, id, { stop }))).toMatchObject([
      { kind: 'refused', refusal: { code: 'unknown-revision' } },
    ])
  })

  it('is what another body holds, kept as a file before anything is written', async () => {
    const [plan, from, to] = [await createPlan(heron, { [rate]: '50p' }), await body(), await body()]
    await news(plan, from)
    expect((await told(carry({ kind: 'body', id: from }, to, { stop }))).at(-1)).toMatchObject({
      kind: 'finished',
    })
    expect(await at(to)).toBe('50p')
    const kept = await query<{ source: string; bytes: Buffer }>(
      'select t.source, f.bytes from transfers t join files f on f.id = t.source_file where t.body_id = $1',
      [to],
    )
    expect(kept).toMatchObject([{ source: 'what B holds' }])
    expect(must(readCardFile(heron, new Uint8Array(kept[0]?.bytes ?? []), 'kept')).rows[rate]).toBe('50p')
  })

  it('writes over no file of the card: each transfer has names of its own', async () => {
    const [plan, id] = [await createPlan(heron, { [rate]: '50p' }), await body()]
    await news(plan, id)
    const before = must(await loadBody(id)).state.card?.files ?? {}
    await news(plan, id)
    const after = must(await loadBody(id)).state.card?.files ?? {}
    expect(Object.keys(after)).toEqual(expect.arrayContaining(['REV1.SSC', 'REV1B.SSC']))
    for (const [name, bytes] of Object.entries(before)) expect(after[name]).toEqual(bytes)
  })

  it('is seen before anything is done: stops, rows, and which of them are kept nowhere else', async () => {
    const [plan, id] = [await createPlan(heron, { [rate]: '50p' }), await body()]
    const state = must(await loadBody(id)).state
    const seen = must(await seeBefore(ofPlan(plan), [id, randomUUID()]))
    expect(seen.bodies[0]?.preflight).toMatchObject({ isClear: true })
    expect(seen.bodies[0]?.preflight?.overwritten.map(({ row }) => row)).toContain(rate)
    expect(seen.bodies[1]).toMatchObject({ preflight: null, refusal: { code: 'unknown-body' } })
    expect(must(await loadBody(id)).state).toEqual(state)
    expect(await listTransfers({ body: id })).toEqual([])
    expect(must(await loadPlan(plan)).revision).toBeNull()
    const mine = randomUUID()
    const memory = { ...newBody(heron, 'TH-8', '1.2').memory, [rowNamed('base/files.folder')]: 'only here' }
    await putBody({
      ...{ id: mine, tag: tagged(), name: 'C', place: '', model: heron },
      state: { ...newBody(heron, 'TH-8', '1.2'), memory },
    })
    const rows = must(await seeBefore(ofPlan(plan), [mine])).bodies[0]?.preflight?.overwritten ?? []
    expect(rows.filter(({ isOnlyHere }) => isOnlyHere).map(({ row }) => row)).toEqual(['base/files.folder'])
  })

  it.each(carryStages.slice(1))(
    'waits before %s, holds nothing meanwhile, and ends as if it had not',
    async (stage) => {
      const [plan, id] = [await createPlan(heron, { [rate]: '50p' }), await body()]
      const first = await told(carry(ofPlan(plan), id, { stop, pauseBefore: stage }))
      expect(first.at(-1)).toEqual({ kind: 'paused', stage })
      const [line] = await listTransfers({ plan })
      expect(line).toMatchObject({ outcome: 'paused', stage })
      const lease = await takeLease(id)
      expect(lease).not.toBeNull()
      if (lease) await close(lease)
      await endAbandoned()
      expect((await told(goOn(line?.id ?? '', { stop }))).at(-1)).toMatchObject({ kind: 'finished' })
      expect(await at(id)).toBe('50p')
      const after = (await listTransfers({ plan }))[0]
      expect(after).toMatchObject({ outcome: 'identical', compared: expect.any(Number) as number })
      expect(after?.files.map(({ role }) => role).sort()).toEqual(['backup', 'readBack', 'sent'])
      expect((await told(goOn(line?.id ?? '', { stop }))).at(-1)).toMatchObject({
        refusal: { code: 'unknown-transfer' },
      })
    },
  )

  it('does not go on where the body is not as it was left: it ends, and says what the body holds', async () => {
    const [plan, id] = [await createPlan(heron, { [rate]: '50p' }), await body()]
    await told(carry(ofPlan(plan), id, { stop, pauseBefore: 'load' }))
    must(await setCard(id, 'none'))
    const [line] = await listTransfers({ plan })
    expect((await told(goOn(line?.id ?? '', { stop }))).at(-1)).toMatchObject({
      kind: 'refused',
      refusal: { code: 'moved-on' },
      holds: 'before',
    })
    expect((await listTransfers({ plan }))[0]).toMatchObject({ outcome: 'refused', holds: 'before' })
    expect(await at(id)).toBe('25p')
  })

  it('that waits can be stopped: what it put on the card is taken off, what it read is let go', async () => {
    const [plan, id] = [await createPlan(heron, { [rate]: '50p' }), await body()]
    await told(carry(ofPlan(plan), id, { stop, pauseBefore: 'restart' }))
    expect(must(await loadBody(id)).state.pending).not.toBeNull()
    const [line] = await listTransfers({ plan })
    must(await askTransfer(line?.id ?? '', 'stop'))
    const { state } = must(await loadBody(id))
    expect([state.pending, Object.keys(state.card?.files ?? {})]).toEqual([null, []])
    expect((await listTransfers({ plan }))[0]).toMatchObject({ outcome: 'stopped', holds: 'before' })
    expect(await askTransfer(line?.id ?? '', 'stop')).toMatchObject({ ok: false })
  })

  it.each(['pause', 'stop'] as const)(
    'is asked to %s from elsewhere, and does so before its next stage',
    async (asked) => {
      const [plan, id] = [await createPlan(heron, { [rate]: '50p' }), await body()]
      const going = carry(ofPlan(plan), id, { stop })
      const all: CarryNews[] = []
      for await (const one of going) {
        all.push(one)
        if (one.kind === 'done' && one.stage === 'write') {
          const [line] = await listTransfers({ plan })
          must(await askTransfer(line?.id ?? '', asked))
        }
      }
      expect(all.at(-1)).toMatchObject({ kind: asked === 'pause' ? 'paused' : 'stopped', stage: 'load' })
    },
  )

  it('keeps its hand work as a list to tick', async () => {
    const [plan, id] = [
      await createPlan(heron, { [rowNamed('base/files.owner')]: 'Lanternfold' }),
      await body(),
    ]
    await news(plan, id)
    const [line] = await listTransfers({ plan })
    expect(line?.handWork).toMatchObject([{ setting: 'files.owner', done: false }])
    const ticked = must(await tickHandWork(line?.id ?? '', 'files.owner', true))
    expect(ticked).toMatchObject([
      { setting: 'files.owner', done: true, tickedAt: expect.any(String) as string },
    ])
    expect((await listTransfers({ plan }))[0]?.handWork).toEqual(ticked)
    expect(must(await tickHandWork(line?.id ?? '', 'files.owner', false))[0]).not.toHaveProperty('tickedAt')
    expect(await tickHandWork(line?.id ?? '', 'no.such', true)).toMatchObject({ ok: false })
  })
})
