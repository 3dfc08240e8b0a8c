import archiver from 'archiver'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { emptyDatabase } from '@tests/fixtures/empty-database'
import { inOwnDatabase } from '@tests/fixtures/own-database'
import { must } from '@/core/result'
import { openArchive } from '@/disk/archive'
import { actOnBench } from './bench'
import { listBodies } from './bodies'
import { closePool, query } from './db'
import { demo, makeDemo } from './demo'
import { exportAll, exportedTables, importAll, leftTables } from './export'
import { listHistory, allHistory } from './history'
import { loadPlan } from './plans'
import { carry } from './transfers'
import { beginWalk } from './walks'

inOwnDatabase()

const folder = mkdtempSync(join(tmpdir(), 'salt-shelf-export-'))
afterAll(() => rmSync(folder, { recursive: true }))

const written = (name: string, bytes: Uint8Array) => {
  const path = join(folder, name)
  writeFileSync(path, bytes)
  return path
}

let whole: Buffer
beforeAll(async () => {
  await makeDemo()
  const stop = new AbortController().signal
  for await (const one of carry({ kind: 'plan', id: demo.plan }, demo.bodyB, { stop })) void one
  must(await actOnBench(demo.bodyA, { act: 'save' }))
  must(await beginWalk(demo.plan, { procedure: 'morning', body: 'heron-a', start: 'delivered', place: '' }))
  whole = await buffer(exportAll())
}, 60_000)

/** Runs on another database, empty and up to date. */
async function elsewhere<T>(work: () => Promise<T>): Promise<T> {
  const here = process.env.DATABASE_URL ?? ''
  const other = await emptyDatabase(here)
  await closePool()
  process.env.DATABASE_URL = other.url
  try {
    return await work()
  } finally {
    await closePool()
    process.env.DATABASE_URL = here
    await other.drop()
  }
}

describe('an export of everything', () => {
  it('has every table but those that are said to stay behind', async () => {
    const there = await query<{ table_name: string }>(
      "select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'",
    )
    const known = [...exportedTables.map(([table]) => table), ...leftTables]
    expect(there.map((one) => one.table_name).sort()).toEqual([...known].sort())
  })

  it('is whole, with the digest of all that is in it', async () => {
    const archive = must(await openArchive(written('whole.zip', whole), 'whole.zip'))
    archive.close()
    const { tables, entries } = archive.manifest
    expect(tables).toMatchObject({ plans: 2, bodies: 4, transfers: 1, walks: 1 })
    const files = await query<{ digest: string }>('select digest from files')
    expect(entries.map(({ name }) => name)).toEqual(
      expect.arrayContaining(files.map(({ digest }) => `files/${digest}`)),
    )
  })

  it('that nobody takes to its end keeps nothing open', async () => {
    const taken = exportAll()
    await new Promise((resolve) => taken.once('readable', resolve))
    taken.destroy()
    const open = () =>
      query(
        "select pid from pg_stat_activity where datname = current_database() and state like 'idle in transaction%'",
      )
    await expect.poll(open).toEqual([])
  })

  it('taken into an empty installation gives an equal one: the same export, byte for byte in every part', async () => {
    const [before, bodies, history] = [
      must(await loadPlan(demo.plan)),
      (await listBodies()).bodies,
      await listHistory(allHistory),
    ]
    await elsewhere(async () => {
      const { tables } = must(await importAll(Readable.from([whole]), 'whole.zip'))
      expect(tables.plans).toBe(2)
      expect(must(await loadPlan(demo.plan))).toEqual(before)
      expect((await listBodies()).bodies).toEqual(bodies)
      expect(await listHistory(allHistory)).toEqual(history)
      const again = must(await openArchive(written('again.zip', await buffer(exportAll())), 'again'))
      again.close()
      const first = must(await openArchive(written('whole.zip', whole), 'whole'))
      first.close()
      expect(again.manifest.entries).toEqual(first.manifest.entries)
      expect(await importAll(Readable.from([whole]), 'twice')).toMatchObject({
        refusal: { code: 'not-empty' },
      })
    })
  }, 60_000)

  it('goes into no installation that keeps something, and changes nothing there', async () => {
    const plan = must(await loadPlan(demo.plan))
    expect(await importAll(Readable.from([whole]), 'whole.zip')).toMatchObject({
      refusal: { code: 'not-empty', message: expect.stringContaining('2 plans') as string },
    })
    expect(must(await loadPlan(demo.plan))).toEqual(plan)
  })

  it('of other tables than are here is refused, and what is damaged half-way leaves nothing', async () => {
    const parts = unzipSync(whole)
    const manifest = JSON.parse(new TextDecoder().decode(parts['manifest.json'])) as Record<string, unknown>
    const changed = (more: object) =>
      Buffer.from(zipSync({ ...parts, 'manifest.json': strToU8(JSON.stringify({ ...manifest, ...more })) }))
    await elsewhere(async () => {
      const other = await importAll(Readable.from([changed({ tablesAt: '0001_first' })]), 'other')
      expect(other).toMatchObject({ refusal: { code: 'other-release' } })
      const tables = { ...(manifest.tables as object), walk_steps: 99 }
      expect(await importAll(Readable.from([changed({ tables })]), 'cut')).toMatchObject({
        refusal: { code: 'damaged' },
      })
      expect(await query('select id from plans')).toEqual([])
    })
  }, 60_000)
})

describe('what is no whole export', () => {
  const refusalOf = async (bytes: Uint8Array) => {
    const read = await openArchive(written('tried.zip', bytes), 'tried.zip')
    if (read.ok) read.value.close()
    return read.ok ? null : read.refusal.code
  }

  it('is refused with the reason: nothing, no ZIP, a ZIP of something else, a newer one', async () => {
    expect(await refusalOf(new Uint8Array())).toBe('damaged')
    expect(await refusalOf(strToU8('no ZIP at all'))).toBe('damaged')
    expect(await refusalOf(zipSync({ 'a.txt': strToU8('a') }))).toBe('not-export')
    const parts = unzipSync(whole)
    const newer = {
      ...(JSON.parse(new TextDecoder().decode(parts['manifest.json'])) as object),
      formatVersion: 9,
    }
    expect(await refusalOf(zipSync({ ...parts, 'manifest.json': strToU8(JSON.stringify(newer)) }))).toBe(
      'newer-format',
    )
  })

  it('wherever it is cut off or changed is found', async () => {
    for (const share of [0.1, 0.5, 0.9, 0.999])
      expect(await refusalOf(whole.subarray(0, Math.floor(whole.length * share)))).toBe('damaged')
    const parts = unzipSync(whole)
    const changed = { ...parts, 'tables/plans.ndjson': strToU8('{}\n') }
    expect(await refusalOf(zipSync(changed))).toBe('damaged')
    const lacking = Object.fromEntries(
      Object.entries(parts).filter(([name]) => name !== 'tables/walks.ndjson'),
    )
    expect(await refusalOf(zipSync(lacking))).toBe('missing')
    expect(await refusalOf(zipSync({ ...parts, 'more.txt': strToU8('more') }))).toBe('strange')
  })

  it('with a name that climbs out, or is there twice, or that unpacks without end, is refused', async () => {
    const parts = unzipSync(whole)
    // A name of the same length, so that only it changes.
    const climbing = Buffer.from(zipSync({ ...parts, 'xx/xx/climbs': strToU8('x') }))
    const text = climbing.toString('latin1').replaceAll('xx/xx/climbs', '../../climbs')
    expect(await refusalOf(Buffer.from(text, 'latin1'))).toBe('climbs-out')
    const twice = archiver('zip')
    twice.append('a', { name: 'a' })
    twice.append('b', { name: 'a' })
    void twice.finalize()
    expect(await refusalOf(await buffer(twice))).toBe('twice')
    const bomb = Buffer.from(zipSync({ 'manifest.json': strToU8('{}') }))
    const central = bomb.indexOf(Buffer.from('PK\x01\x02', 'latin1'))
    bomb.writeUInt32LE(0xfffffff0, central + 24)
    expect(await refusalOf(bomb)).toBe('too-large')
  })
})
