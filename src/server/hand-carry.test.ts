import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { load, oddCamera, save } from '@tests/fixtures/odd-camera'
import { rowNamed } from '@tests/fixtures/rows'
import { newBody, operate } from '@/core/camera/body'
import { memoryOf } from '@/core/camera/memory'
import { digestHex } from '@/core/digest'
import { judgeBytes, judgeLoad } from '@/core/files/verdict'
import { factRow } from '@/core/inventory/rows'
import { emptyPlan } from '@/core/plan/plan'
import { handActs } from '@/core/procedures/hand-acts'
import { writeCompared } from '@/core/procedures/hand-files'
import { sayingOf, type Mark } from '@/core/procedures/progress'
import { fileRow } from '@/core/procedures/walk-rows'
import { must } from '@/core/result'
import type { Change } from '@/core/sync/step'
import { actOnBench } from './bench'
import { closePool, query, transaction } from './db'
import { importFile, listFiles, loadFile } from './files'
import { fileToPut, lookAtCard, offerFile, toCompare, type Offered } from './hand-carry'
import { allHistory, listHistory } from './history'
import { setInventory } from './inventory'
import { storeDefinitions } from './models'
import { chosenOf, describeFile, fileFacts, nearestTo, readFileAbout, takeIn } from './opaque'
import { createPlan } from './plans'
import { openCarries, realBodyTagged } from './real-bodies'
import { dropRegion, keepRegions, readRegion, regionsOf } from './regions'
import { beginWalk, loadWalk, saveWalk, turnWalk } from './walks'

beforeAll(() => storeDefinitions())
afterAll(closePool)

/** Real Herons of a test, each with a tag of its own. */
async function realHerons(count: number, more: Readonly<Record<string, string>> = {}): Promise<string[]> {
  const tags = Array.from({ length: count }, () => `r${randomUUID().slice(0, 8)}`)
  const rows = tags.flatMap((tag) =>
    Object.entries({ name: tag.toUpperCase(), model: heron.id, serial: `S-${tag}`, ...more }).map(
      ([fact, value]) => [factRow('body', tag, fact), value] as const,
    ),
  )
  await setInventory({
    ...Object.fromEntries(rows),
    ...Object.fromEntries(tags.map((tag) => [factRow('body', tag, 'real'), true])),
  })
  return tags
}

async function change(walk: string, changes: readonly Change[]): Promise<void> {
  const open = must(await loadWalk(walk))
  must(
    await saveWalk(walk, {
      save: {
        epoch: open.epoch,
        basedOn: open.version,
        head: open.head,
        steps: [{ id: randomUUID(), changes }],
        ask: [],
      },
      unreadable: null,
    }),
  )
}

/** Says something of an act, as the page does. */
async function say(walk: string, act: string, mark: Mark = 'done'): Promise<void> {
  const open = must(await loadWalk(walk))
  const words = mark === 'done' ? '' : 'as seen'
  await change(
    walk,
    must(sayingOf(open.walk, open.composed, act, { mark, words, who: '', at: new Date().toISOString() })),
  )
}

async function keepFileOf(walk: string, act: string, text: string): Promise<void> {
  const row = fileRow(act)
  const { walk: document } = must(await loadWalk(walk))
  await change(walk, [{ row, from: document.rows[row] ?? null, to: text }])
}

const offered = (bytes: Uint8Array, more: Partial<Offered> = {}): Offered => ({
  ...{ bytes, fileId: null, path: 'HERON/SET/SETTINGS.DAT', savedAt: null, isSure: true },
  ...more,
})

/** Offers a file at an act, keeps what was taken, and ticks it. */
async function takeAt(
  walk: string,
  act: string,
  bytes: Uint8Array,
  more: Partial<Offered> = {},
): Promise<void> {
  const { digest, seen } = must(await offerFile(walk, act, offered(bytes, more)))
  if (digest === null) throw new Error(`not taken: ${JSON.stringify(seen)}`)
  await keepFileOf(walk, act, digest)
  await say(walk, act)
}

async function tickUntil(walk: string, last: string): Promise<void> {
  const { composed } = must(await loadWalk(walk))
  for (const { id, task } of composed.acts) {
    const { walk: document } = must(await loadWalk(walk))
    if (!task && document.rows[`mark/${id}` as keyof typeof document.rows] === undefined) await say(walk, id)
    if (id === last) break
  }
}

/** Walks Reset and restore as far as the reset, and leaves it there. */
async function resetOnly(plan: string, body: string): Promise<void> {
  const asked = { procedure: 'reset-restore', body, start: 'delivered', place: '' }
  const walk = must(await beginWalk(plan, asked))
  const reset = heron.acts.find(({ does }) => does === 'reset')?.id ?? ''
  await tickUntil(walk, `act/${reset}#1`)
  must(await turnWalk(walk, 'end'))
}

const named = async () => regionsOf(heron.id)
const fresh = () => Math.floor(Math.random() * 1e6)

describe('a carry by hand between two real bodies', () => {
  it('is walked to its end: noise is learned, the file proven on the card, and the second save tells what is true', async () => {
    const [a = '', b = ''] = await realHerons(2)
    const plan = await createPlan(heron, { [rowNamed('title')]: 'By hand' })
    const walk = must(
      await beginWalk(plan, { procedure: 'carry-by-hand', body: a, start: 'delivered', place: b }),
    )
    expect(await openCarries()).toContainEqual(expect.objectContaining({ walkId: walk, from: a, to: b }))
    const [one, other] = [
      save(oddCamera(fresh(), [800, 250, 28, 7])),
      save(oddCamera(fresh(), [100, 60, 56, 1])),
    ]

    await tickUntil(walk, 'save/source')
    await takeAt(walk, handActs.source, one.bytes)
    await tickUntil(walk, 'save/again')
    const again = save(one.after).bytes
    expect(must(await offerFile(walk, handActs.again, offered(again))).seen).toContainEqual(
      expect.objectContaining({ about: 'Nearest', words: expect.stringContaining('SETTINGS.DAT') as string }),
    )
    await takeAt(walk, handActs.again, again)
    expect(judgeLoad(one.bytes, again, null, await named()).verdict).toBe('equal')

    await tickUntil(walk, `save/${b}/before`)
    await takeAt(walk, handActs.before(b), other.bytes)
    const shown = {
      entries: [{ path: 'heron/set/settings.dat', bytes: 4096, savedAt: 1 }],
      isWritable: null,
      free: null,
    }
    const to = must(await lookAtCard(walk, handActs.put(b), shown))
    expect(to).toMatchObject({
      path: 'HERON/SET/SETTINGS.DAT',
      over: 'heron/set/settings.dat',
      digest: digestHex(one.bytes),
    })
    expect(must(await fileToPut(walk, handActs.put(b))).bytes).toEqual(one.bytes)
    await keepFileOf(walk, handActs.put(b), to.digest)
    await say(walk, handActs.put(b))
    await tickUntil(walk, `save/${b}/after`)

    // Saved before the load, and what was written: neither is taken for what the body saved.
    for (const wrong of [other.bytes, one.bytes])
      expect(must(await offerFile(walk, handActs.after(b), offered(wrong))).digest).toBeNull()

    const after = save(load(other.after, one.bytes)).bytes
    await takeAt(walk, handActs.after(b), after)
    const asked = must(await toCompare(walk, handActs.compare(b)))
    expect(asked).toMatchObject({
      sent: { digest: digestHex(one.bytes) },
      found: { digest: digestHex(after) },
      rows: null,
    })
    // Serial numbers are each one's own: named, they are left out.
    await transaction((client) =>
      keepRegions(
        client,
        heron.id,
        judgeBytes(one.bytes, after, asked.named).wanted.regions.map(({ left }) => ({
          ...left,
          ...{ kind: 'own', size: 4096, words: 'serial number' },
        })),
      ),
    )
    expect(judgeLoad(one.bytes, after, other.bytes, await named()).verdict).toBe('equal')
    await keepFileOf(
      walk,
      handActs.compare(b),
      writeCompared({ verdict: 'equal', sent: digestHex(one.bytes), found: digestHex(after) }),
    )
    await say(walk, handActs.compare(b))
    must(await turnWalk(walk, 'end'))
    must(await turnWalk(walk, 'end'))

    const known = await realBodyTagged(b)
    expect(known?.belief).toMatchObject({
      how: 'read back',
      words: `what ${a.toUpperCase()} held, file SETTINGS.DAT`,
    })
    expect(known?.proofs).toHaveLength(1)
    expect(known?.doubts).toEqual([])
    const { files: carried } = await listFiles(1, 20, { words: `${a} to be carried` })
    expect(carried).toMatchObject([{ digest: digestHex(one.bytes), loadedOn: [b.toUpperCase()] }])
    expect((await openCarries()).some(({ walkId }) => walkId === walk)).toBe(false)
    const { lines } = await listHistory({ ...allHistory, body: b })
    expect(lines.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['walk', 'file']))

    // A newer save that says something else, and another firmware, make it doubtful.
    const later = save({ ...load(other.after, one.bytes), settings: [1600, 250, 28, 7] }).bytes
    await takeAtShelf(b, later)
    await setInventory({ [factRow('body', b, 'firmware')]: '1.2' })
    const doubted = await realBodyTagged(b)
    expect(doubted?.doubts).toEqual([expect.stringContaining('saved on it since, says something else')])

    // Reset, and its file not loaded again: nobody can say what it holds.
    await resetOnly(plan, b)
    expect((await realBodyTagged(b))?.doubts).toContain('It was reset since, and nothing was loaded again.')

    // Reset once more, and brought back by its file: what it holds is as it was.
    const whole = { procedure: 'reset-restore', body: b, start: 'delivered', place: '' }
    const back = must(await beginWalk(plan, whole))
    const acts = must(await loadWalk(back)).composed.acts
    await tickUntil(back, acts.at(-1)?.id ?? '')
    must(await turnWalk(back, 'end'))
    expect((await realBodyTagged(b))?.doubts).not.toContain(
      'It was reset since, and nothing was loaded again.',
    )

    // Gone on with, nothing is believed of it any more.
    must(await turnWalk(walk, 'goOn'))
    expect((await realBodyTagged(b))?.belief).toBeNull()
  })

  it('that did not take is told of the body, and nothing new is believed', async () => {
    const [a = '', b = ''] = await realHerons(2)
    const plan = await createPlan(heron, {})
    const walk = must(
      await beginWalk(plan, { procedure: 'carry-by-hand', body: a, start: 'delivered', place: b }),
    )
    const [one, other] = [save(oddCamera(fresh(), [1, 2, 3, 4])), save(oddCamera(fresh(), [5, 6, 7, 8]))]
    await tickUntil(walk, 'save/source')
    await takeAt(walk, handActs.source, one.bytes)
    await say(walk, 'save/again', 'skipped')
    await say(walk, handActs.again, 'skipped')
    await tickUntil(walk, `save/${b}/before`)
    await takeAt(walk, handActs.before(b), other.bytes)
    await keepFileOf(walk, handActs.put(b), digestHex(one.bytes))
    await say(walk, handActs.put(b))
    await tickUntil(walk, `save/${b}/after`)
    const found = save(other.after).bytes
    await takeAt(walk, handActs.after(b), found)
    await keepFileOf(
      walk,
      handActs.compare(b),
      writeCompared({ verdict: 'before', sent: digestHex(one.bytes), found: digestHex(found) }),
    )
    await say(walk, handActs.compare(b), 'differs')
    must(await turnWalk(walk, 'end'))
    const known = await realBodyTagged(b)
    expect(known?.belief).toBeNull()
    expect(known?.doubts).toEqual([expect.stringContaining('the load did not take')])
  })

  it('of a format that is known here is compared row by row', async () => {
    const [a = '', b = ''] = await realHerons(2)
    const plan = await createPlan(heron, {})
    const walk = must(
      await beginWalk(plan, { procedure: 'carry-by-hand', body: a, start: 'delivered', place: b }),
    )
    const saved = (tag: string, rate: string, at: number) => {
      const body = newBody(heron, `S-${tag}`, '1.2')
      const held = {
        ...body,
        memory: { ...memoryOf(heron, emptyPlan(heron)), [rowNamed('base/movie.frameRate')]: rate },
      }
      const done = must(operate(heron, held, { kind: 'save', file: 'X.SSC', atSeconds: at }))
      return done.body.card?.files['X.SSC'] ?? new Uint8Array()
    }
    const path = { path: 'HERON/SET/X.SSC' }
    await tickUntil(walk, 'save/source')
    // A file of the other body is refused by the serial number in its head.
    const wrong = must(await offerFile(walk, handActs.source, offered(saved(b, '50p', 1), path)))
    expect(wrong.seen).toContainEqual(expect.objectContaining({ about: 'Serial number', verdict: 'stop' }))
    await takeAt(walk, handActs.source, saved(a, '50p', 1), path)
    await say(walk, 'save/again', 'skipped')
    await say(walk, handActs.again, 'skipped')
    await tickUntil(walk, `save/${b}/before`)
    await takeAt(walk, handActs.before(b), saved(b, '25p', 2), path)
    await keepFileOf(walk, handActs.put(b), digestHex(saved(a, '50p', 1)))
    await say(walk, handActs.put(b))
    await tickUntil(walk, `save/${b}/after`)
    await takeAt(walk, handActs.after(b), saved(b, '25p', 3), path)
    expect(must(await toCompare(walk, handActs.compare(b))).rows).toMatchObject({ verdict: 'before' })
    await takeAt(walk, handActs.after(b), saved(b, '50p', 4), path)
    expect(must(await toCompare(walk, handActs.compare(b))).rows).toMatchObject({
      verdict: 'equal',
      differences: [],
    })
  })

  it('is known to be as delivered after a reset, where it was known row by row before', async () => {
    const [a = ''] = await realHerons(1)
    const plan = await createPlan(heron, {})
    const set = must(await beginWalk(plan, { procedure: 'set-plan', body: a, start: 'every', place: '' }))
    must(await turnWalk(set, 'end'))
    expect((await realBodyTagged(a))?.belief?.how).toBe('walked')
    await resetOnly(plan, a)
    const known = await realBodyTagged(a)
    expect(known?.belief?.words).toBe('what “Reset and restore” left')
    expect(known?.doubts).toEqual([])
  })

  it('says in the inventory which firmware a body runs once its firmware day has ended', async () => {
    const [a = ''] = await realHerons(1, { firmware: '1.2' })
    const plan = await createPlan(heron, {})
    const walk = must(
      await beginWalk(plan, { procedure: 'firmware-day', body: a, start: 'delivered', place: '2.0' }),
    )
    const { composed } = must(await loadWalk(walk))
    await tickUntil(
      walk,
      composed.acts.find(({ events }) => events.some(({ kind }) => kind === 'firmware'))?.id ?? '',
    )
    must(await turnWalk(walk, 'end'))
    const known = await realBodyTagged(a)
    expect(known?.record.firmware).toBe('2.0')
  })

  it('is begun only between real bodies of the plan’s model, and never to itself', async () => {
    const [a = '', b = ''] = await realHerons(2)
    const [simulated = '', duet = ''] = [`s${randomUUID().slice(0, 8)}`, `d${randomUUID().slice(0, 8)}`]
    await setInventory({
      [factRow('body', simulated, 'model')]: heron.id,
      [factRow('body', duet, 'model')]: 'varn-duet',
      [factRow('body', duet, 'real')]: true,
    })
    const plan = await createPlan(heron, {})
    const begun = (body: string, place: string) =>
      beginWalk(plan, { procedure: 'carry-by-hand', body, start: 'delivered', place })
    expect(await begun(a, '')).toMatchObject({ refusal: { code: 'outside' } })
    expect(await begun(a, a)).toMatchObject({ refusal: { code: 'outside' } })
    expect(await begun(a, simulated)).toMatchObject({ refusal: { code: 'simulated' } })
    expect(await begun(a, duet)).toMatchObject({ refusal: { code: 'other-model' } })
    expect(await begun(a, 'nobody')).toMatchObject({ refusal: { code: 'unknown-body' } })
    const first = must(await begun(a, b))
    expect(must(await begun(a, b))).toBe(first)
  })

  it('offers nothing at acts that take no file, in walks that ended or are not there', async () => {
    const [a = '', b = ''] = await realHerons(2)
    const plan = await createPlan(heron, {})
    const walk = must(
      await beginWalk(plan, { procedure: 'carry-by-hand', body: a, start: 'delivered', place: b }),
    )
    const at = (act: string) => offerFile(walk, act, offered(new Uint8Array([1])))
    expect(await at('save/source')).toMatchObject({ refusal: { code: 'unknown-act' } })
    expect(await at(handActs.put(b))).toMatchObject({ refusal: { code: 'unknown-act' } })
    expect(
      await lookAtCard(walk, handActs.put(b), { entries: [], isWritable: true, free: null }),
    ).toMatchObject({
      refusal: { code: 'no-file' },
    })
    expect(await toCompare(walk, handActs.compare(b))).toMatchObject({ refusal: { code: 'no-file' } })
    must(await turnWalk(walk, 'end'))
    expect(await at(handActs.source)).toMatchObject({ refusal: { code: 'ended' } })
    expect(await offerFile(randomUUID(), 'x', offered(new Uint8Array([1])))).toMatchObject({
      refusal: { code: 'unknown-walk' },
    })
  })
})

async function takeAtShelf(tag: string, bytes: Uint8Array): Promise<string> {
  const known = await realBodyTagged(tag)
  const kept = must(
    await takeIn(bytes, {
      body: known?.record ?? null,
      path: 'HERON/SET/LATER.DAT',
      savedAt: null,
      note: '',
    }),
  )
  return kept.fileId
}

describe('a file of a format that nothing here knows', () => {
  const bytes = () => save(oddCamera(fresh(), [fresh() % 1000, 2, 3, 4])).bytes

  it('is kept byte for byte, with its body, its place on the card and its time; the same bytes once', async () => {
    const [a = ''] = await realHerons(1, { firmware: '1.2' })
    const known = await realBodyTagged(a)
    const given = bytes()
    const facts = {
      body: known?.record ?? null,
      path: 'HERON/SET/Ä ü.DAT',
      savedAt: 1_700_000_000_000,
      note: 'Mine.',
    }
    const kept = must(await takeIn(given, facts))
    expect(new Uint8Array(must(await loadFile(kept.fileId)).bytes)).toEqual(given)
    expect(must(await takeIn(given, facts))).toEqual({ ...kept, known: true })
    const { files } = await listFiles(1, 5, { words: a, kind: 'opaque' })
    expect(files[0]).toMatchObject({
      name: 'Ä ü.DAT',
      kind: 'opaque',
      firmware: '1.2',
      digest: digestHex(given),
    })
  })

  it('is never changed: the database refuses every statement that would', async () => {
    const { fileId } = must(await takeIn(bytes(), { body: null, path: 'X.DAT', savedAt: null, note: '' }))
    for (const change of ["bytes = '\\x00'", "digest = 'x'", "kind = 'card', model_id = 'tarrow-heron'"])
      await expect(query(`update files set ${change} where id = $1`, [fileId])).rejects.toThrow(
        /never changed/,
      )
    await query("update files set note = 'still mine' where id = $1", [fileId])
  })

  it('carries what its owner says of it: body, firmware, day, what it holds; its bytes stay', async () => {
    const [a = ''] = await realHerons(1)
    const given = bytes()
    const { fileId } = must(await takeIn(given, { body: null, path: 'SAID.DAT', savedAt: null, note: '' }))
    must(
      await describeFile(
        fileId,
        must(readFileAbout({ body: a, firmware: '1.2', savedAt: '2026-11-01', holds: `Banks of ${a}` })),
      ),
    )
    const { files } = await listFiles(1, 5, { words: `banks of ${a}` })
    expect(files).toMatchObject([
      { id: fileId, bodyTag: a, firmware: '1.2', modelId: heron.id, note: `Banks of ${a}` },
    ])
    expect(files[0]?.savedAt?.toISOString()).toBe('2026-11-01T00:00:00.000Z')
    expect(new Uint8Array(must(await loadFile(fileId)).bytes)).toEqual(given)
    expect(readFileAbout({ savedAt: 'yesterday' })).toMatchObject({ refusal: { code: 'shape' } })
    expect(readFileAbout({ holds: 7 })).toMatchObject({ refusal: { code: 'shape' } })
    const nobody = must(readFileAbout({ body: 'nobody' }))
    expect(await describeFile(fileId, nobody)).toMatchObject({ refusal: { code: 'unknown-body' } })
  })

  it('that lay in the folder of a known camera is of that model, without anybody saying so', async () => {
    const path = 'heron/set/FOUND.DAT'
    const { fileId } = must(await takeIn(bytes(), { body: null, path, savedAt: null, note: '' }))
    expect(must(await fileFacts(fileId))).toMatchObject({ modelId: heron.id, kind: 'opaque' })
  })

  it('is not taken for a plan: it is said that it can be kept as it is', async () => {
    expect(await importFile('X.DAT', bytes())).toMatchObject({ refusal: { code: 'unknown-format' } })
  })

  it.each([
    ['../../x', 'path'],
    ['C:\\x', 'path'],
  ])('is not kept under the path %s', async (path, code) => {
    expect(await takeIn(bytes(), { body: null, path, savedAt: null, note: '' })).toMatchObject({
      refusal: { code },
    })
  })

  it('that is empty is not kept', async () => {
    const facts = { body: null, path: 'X.DAT', savedAt: null, note: '' }
    expect(await takeIn(new Uint8Array(), facts)).toMatchObject({ refusal: { code: 'empty' } })
  })

  it('that calls itself one of ours and is damaged is refused, with the place', async () => {
    const damaged = new Uint8Array(200).fill(7)
    damaged.set(new TextEncoder().encode('SALTCARD'))
    expect((await takeIn(damaged, { body: null, path: 'X.SSC', savedAt: null, note: '' })).ok).toBe(false)
    expect(chosenOf('X.SSC', damaged, null).header).toBeNull()
  })

  it('is nearest to the one it came from', async () => {
    const [a = ''] = await realHerons(1)
    const known = await realBodyTagged(a)
    const keep = async (given: Uint8Array) =>
      must(await takeIn(given, { body: known?.record ?? null, path: 'N.DAT', savedAt: null, note: '' }))
        .fileId
    const camera = oddCamera(fresh(), [1, 2, 3, 4])
    const [one, far] = [save(camera), save(oddCamera(fresh(), [900, 901, 902, 903]))]
    const first = await keep(one.bytes)
    await keep(far.bytes)
    const near = must(await nearestTo(await keep(save(one.after).bytes)))
    expect(near[0]).toMatchObject({ id: first })
    expect(near.map(({ differing }) => differing)).toEqual(
      near.map(({ differing }) => differing).sort((x, y) => x - y),
    )
  })
})

describe('a real body', () => {
  it('has nothing simulated behind it: no bench, no transfer; said to be simulated again, it has', async () => {
    const [a = ''] = await realHerons(1)
    const [{ id } = { id: '' }] = await query<{ id: string }>('select id from bodies where tag = $1', [a])
    expect(await actOnBench(id, { act: 'reset' })).toMatchObject({ refusal: { code: 'real-body' } })
    await setInventory({ [factRow('body', a, 'real')]: null })
    expect((await actOnBench(id, { act: 'restart' })).ok).toBe(true)
    expect(await realBodyTagged(a)).toBeNull()
  })
})

describe('a named stretch', () => {
  it('is read from outside, or refused with what it should be', () => {
    const good = { kind: 'own', size: 100, from: 4, to: 8, words: 'serial' }
    expect(must(readRegion(good))).toEqual(good)
    for (const wrong of [{ kind: 'x' }, { from: 8 }, { to: 101 }, { from: -1 }, { size: 1.5 }, { words: 7 }])
      expect(readRegion({ ...good, ...wrong }).ok).toBe(false)
  })

  it('is kept once, and counts again when it is taken away', async () => {
    const model = `m${randomUUID()}`
    const region = { kind: 'own', size: 10, from: 1, to: 2, words: '' } as const
    await transaction((client) => keepRegions(client, model, [region, region]))
    const [kept, ...more] = await regionsOf(model)
    expect(more).toEqual([])
    must(await dropRegion(kept?.id ?? ''))
    expect(await regionsOf(model)).toEqual([])
    expect(await dropRegion(kept?.id ?? '')).toMatchObject({ refusal: { code: 'unknown-region' } })
  })
})
