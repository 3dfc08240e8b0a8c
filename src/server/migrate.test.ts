import { randomBytes } from 'node:crypto'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { Client } from 'pg'
import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest'
import { must } from '@/core/result'
import { demo } from './demo'
import { endAbandoned } from './leases'
import { listTransfers } from './transfer-log'
import { carry } from './transfers'
import { closePool, query } from './db'
import { listBodies } from './bodies'
import { bodiesIn } from '@/core/inventory/records'
import { loadInventory } from './inventory'
import { importFile, listFiles, loadFile } from './files'
import { migrate } from './migrate'
import { definitions, storeDefinitions } from './models'
import { loadPlan } from './plans'
import { listPlans, reckoned } from './summaries'

const serverUrl = process.env.DATABASE_URL ?? ''
const migrations = join(process.cwd(), 'db/migrations')

/** The database of the release before epochs and leases, as it was dumped, with work in it. */
function formerDump(): string {
  const file = join(process.cwd(), 'tests/fixtures/former/database-0001.sql.gz')
  return gunzipSync(readFileSync(file))
    .toString('utf8')
    .replace(/^\\.*$/gm, '')
}

async function onServer<T>(url: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

describe('the database of the former release', () => {
  let url = ''
  let name = ''
  beforeEach(async () => {
    name = `salt_shelf_former_${randomBytes(4).toString('hex')}`
    await onServer(serverUrl, (client) => client.query(`create database ${name}`))
    const at = new URL(serverUrl)
    at.pathname = `/${name}`
    url = at.href
    await onServer(url, (client) => client.query(formerDump()))
    await closePool()
    process.env.DATABASE_URL = url
  })
  afterEach(async () => {
    await closePool()
    process.env.DATABASE_URL = serverUrl
    await onServer(serverUrl, (client) => client.query(`drop database ${name} with (force)`))
  })
  afterAll(closePool)

  it('comes up to date, and every plan, file, body and transfer in it opens', async () => {
    const before = await onServer(url, async (client) => {
      const all = async (statement: string) => (await client.query<Record<string, unknown>>(statement)).rows
      return {
        plans: await all('select id, version, rows from plans order by id'),
        files: await all('select distinct digest from files order by digest'),
        card: await all("select count(*)::int from bodies, jsonb_object_keys(state->'card'->'files')"),
        memories: await all("select id, state->'memory' as memory from bodies order by id"),
      }
    })
    expect(before.plans.length).toBeGreaterThan(3)
    expect(must(await migrate(url, migrations))).toEqual([
      '0002_epochs_and_leases',
      '0003_summaries',
      '0004_heads',
      '0005_problems',
      '0006_shelf',
      '0007_inventory',
      '0008_walks',
      '0009_devices',
      '0010_any_source',
      '0011_edits_and_requests',
      '0012_real_bodies',
      '0013_findings',
    ])
    await storeDefinitions()
    // Bodies that were there are records of the inventory, each with what was known of it.
    const { inventory } = must(await loadInventory())
    const records = bodiesIn(inventory).map(({ tag, name, serial, firmware, model }) => ({
      tag,
      name,
      serial,
      firmware,
      model,
    }))
    const there = (await listBodies()).bodies.map(({ tag, name, model, state }) => ({
      ...{ tag, name, model: model.id },
      ...{ serial: state.serial, firmware: state.firmware },
    }))
    expect(records.length).toBeGreaterThan(0)
    expect(records).toEqual(expect.arrayContaining(there))
    await endAbandoned()

    await listPlans(1, 1000)
    await reckoned()
    const { plans } = await listPlans(1, 1000)
    expect(plans.filter((plan) => plan.trouble !== null || plan.counts === null)).toEqual([])
    for (const { id, version, rows } of before.plans) {
      const plan = must(await loadPlan(String(id)))
      expect(plan.plan.rows).toEqual(rows)
      expect(plan).toMatchObject({ version, epoch: expect.any(String) as string })
    }
    const { files, count } = await listFiles(1, 1000)
    expect(files.map((file) => file.digest).sort()).toEqual(before.files.map((file) => file.digest))
    expect(count).toBe(files.length)
    for (const file of files) expect(must(await loadFile(file.id)).bytes.length).toBe(file.size)

    const { bodies, lost } = await listBodies()
    expect(lost).toEqual([])
    expect(
      bodies.map(({ id, state }) => ({ id, memory: state.memory })).sort((a, b) => (a.id < b.id ? -1 : 1)),
    ).toEqual(before.memories)
    const onCards = bodies.flatMap(({ state }) => Object.values(state.card?.files ?? {}))
    expect([{ count: onCards.length }]).toEqual(before.card)
    expect(onCards.every((bytes) => Buffer.from(bytes.subarray(0, 8)).toString() === 'SALTCARD')).toBe(true)
    expect(bodies.find((body) => body.id === demo.workshop)?.state.card).toMatchObject({ locked: true })

    const transfers = await listTransfers({ plan: demo.plan })
    expect(transfers.map((one) => one.outcome).sort()).toEqual(['identical', 'identical', 'stopped'])
  })

  it('is worked in as before: a carry runs, and a file that was there opens the plan it opens', async () => {
    must(await migrate(url, migrations))
    await storeDefinitions()
    const told = []
    for await (const one of carry({ kind: 'plan', id: demo.plan }, demo.bodyB, {
      stop: new AbortController().signal,
    }))
      told.push(one)
    expect(told.at(-1)).toMatchObject({ kind: 'finished' })
    const { files } = await listFiles(1, 1000)
    const plan = files.find((file) => file.kind === 'plan')
    const { name: called, bytes } = must(await loadFile(plan?.id ?? ''))
    const first = must(await importFile(called, bytes))
    expect(first).toMatchObject({ fileId: plan?.id, known: true })
    expect(must(await importFile(called, bytes)).planId).toBe(first.planId)
  })

  it('is as it was after a migration that fails, and the fault is told with its file', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'salt-shelf-migrations-'))
    cpSync(migrations, folder, { recursive: true })
    writeFileSync(
      join(folder, '9999_broken.sql'),
      '-- Up Migration\n\nalter table plans drop column rows;\nselect nothing from nowhere;\n\n-- Down Migration\n',
    )
    const shape = () =>
      onServer(url, async (client) => {
        const columns = await client.query(
          "select table_name, column_name, data_type from information_schema.columns where table_schema = 'public' order by 1, 2",
        )
        const plans = await client.query('select * from plans order by id')
        return { columns: columns.rows as unknown[], plans: plans.rows as unknown[] }
      })
    const before = await shape()
    const failed = await migrate(url, folder)
    rmSync(folder, { recursive: true })
    expect(failed).toMatchObject({ ok: false, refusal: { code: 'migration' } })
    expect(!failed.ok && failed.refusal.message).toContain('9999_broken')
    expect(await shape()).toEqual(before)
  })

  it('whose migrations are taken back, the newest first, can be brought up to date again', async () => {
    must(await migrate(url, migrations))
    const { bodies } = await listBodies()
    for (const name of [
      '0013_findings',
      '0012_real_bodies',
      '0011_edits_and_requests',
      '0010_any_source',
      '0009_devices',
      '0008_walks',
      '0007_inventory',
      '0006_shelf',
      '0005_problems',
      '0004_heads',
      '0003_summaries',
      '0002_epochs_and_leases',
    ]) {
      const [, down = ''] = readFileSync(join(migrations, `${name}.sql`), 'utf8').split('-- Down Migration')
      await query(down)
      await query('delete from migrations where name = $1', [name])
    }
    must(await migrate(url, migrations))
    expect((await listBodies()).bodies).toEqual(bodies)
    expect((await definitions()).faults).toEqual([])
  })
})
