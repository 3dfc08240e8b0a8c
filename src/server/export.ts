import archiver from 'archiver'
import { createHash } from 'node:crypto'
import { mkdtemp, rm } from 'node:fs/promises'
import { createWriteStream } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PassThrough, Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { ok, refuse, type Result } from '@/core/result'
import { archiveFormat, archiveVersion, openArchive, type Archive, type Manifest } from '@/disk/archive'
import { forgetModels } from './models'
import { close, ownConnection, query, within, type Connection } from './db'

/** The tables of an export, each after those it hangs on, with the columns that name a row. */
export const exportedTables = [
  ['owners', ['id']],
  ['models', ['owner_id', 'id', 'version']],
  ['plans', ['id']],
  ['steps', ['plan_id', 'number']],
  ['revisions', ['id']],
  ['inventories', ['owner_id']],
  ['inventory_steps', ['owner_id', 'number']],
  ['bodies', ['id']],
  ['card_files', ['body_id', 'name']],
  ['body_events', ['id']],
  ['files', ['id']],
  ['transfers', ['id']],
  ['transfer_files', ['transfer_id', 'role']],
  ['transfer_log', ['transfer_id', 'number']],
  ['walks', ['id']],
  ['walk_steps', ['walk_id', 'number']],
  ['hand_carries', ['walk_id', 'body']],
  ['file_regions', ['id']],
] as const

/** Tables that stay behind: what is reckoned anew, and who may come in here. */
export const leftTables = ['plan_summaries', 'edit_days', 'devices', 'pairing_codes', 'migrations'] as const

type TableName = (typeof exportedTables)[number][0]

/** So many rows are read at once. */
const batch = 200

/** Everything that is kept here as one ZIP, told as it is read: of one moment, in constant memory. */
export function exportAll(): Readable {
  const archive = archiver('zip', { zlib: { level: 6 } })
  const out = new PassThrough()
  archive.pipe(out)
  // Whoever takes it may go away: then nothing waits for them, and nothing is kept open.
  const gone = new Promise<never>((_, reject) => {
    out.once('close', () => reject(new Error('whoever took the export has gone')))
    archive.once('error', reject)
  })
  gone.catch(() => undefined)
  void writeAll(archive, gone).catch((error: unknown) => {
    archive.abort()
    out.destroy(error instanceof Error ? error : new Error(String(error)))
  })
  return out
}

async function writeAll(archive: archiver.Archiver, gone: Promise<never>): Promise<void> {
  const client = await ownConnection()
  try {
    await client.query('begin isolation level repeatable read read only')
    // Whoever takes it may be slow: the moment it is of is kept for as long as that takes.
    await client.query('set local idle_in_transaction_session_timeout = 0')
    const tables: Record<string, number> = {}
    const entries: Manifest['entries'][number][] = []
    const put = async (name: string, from: Readable) => {
      const hash = createHash('sha256')
      let bytes = 0
      const counted = new Transform({
        transform(part: Buffer, _encoding, done) {
          hash.update(part)
          bytes += part.length
          done(null, part)
        },
      })
      const written = new Promise<void>((resolve, reject) => {
        archive.once('entry', () => resolve())
        counted.once('error', reject)
      })
      archive.append(from.pipe(counted), { name, date: new Date(0) })
      from.once('error', (error) => counted.destroy(error))
      await Promise.race([written, gone])
      entries.push({ name, bytes, sha256: hash.digest('hex') })
    }
    for (const [table, key] of exportedTables) {
      let rows = 0
      const lines = async function* () {
        for await (const line of rowsOf(client, table, key)) {
          rows++
          yield `${line}\n`
        }
      }
      await put(`tables/${table}.ndjson`, Readable.from(lines()))
      tables[table] = rows
    }
    for await (const { digest, bytes } of filesOf(client))
      await put(`files/${digest}`, Readable.from([bytes]))
    const newest = await client.query<{ name: string }>(
      'select name from migrations order by id desc limit 1',
    )
    const manifest: Manifest = {
      ...{ format: archiveFormat, formatVersion: archiveVersion, madeAt: new Date().toISOString() },
      ...{ tablesAt: newest.rows[0]?.name ?? '', tables, entries },
    }
    archive.append(`${JSON.stringify(manifest, null, 1)}\n`, { name: 'manifest.json' })
    await Promise.race([archive.finalize(), gone])
    await client.query('commit')
  } finally {
    await close(client)
  }
}

/** The rows of a table as JSON, in the order of their key; the bytes of files stand in entries of their own. */
async function* rowsOf(client: Connection, table: TableName, key: readonly string[]): AsyncGenerator<string> {
  const row = table === 'files' ? "to_jsonb(t) - 'bytes'" : 'to_jsonb(t)'
  const cursor = `export_${table}`
  await client.query(
    `declare ${cursor} no scroll cursor for select (${row})::text as line from ${table} t order by ${key.join(', ')}`,
  )
  for (;;) {
    const { rows } = await client.query<{ line: string }>(`fetch ${batch} from ${cursor}`)
    for (const { line } of rows) yield line
    if (rows.length < batch) break
  }
  await client.query(`close ${cursor}`)
}

async function* filesOf(client: Connection): AsyncGenerator<{ digest: string; bytes: Buffer }> {
  await client.query(
    'declare export_bytes no scroll cursor for select digest, bytes from files order by digest',
  )
  for (;;) {
    const { rows } = await client.query<{ digest: string; bytes: Buffer }>('fetch 1 from export_bytes')
    const [file] = rows
    if (!file) break
    yield file
  }
  await client.query('close export_bytes')
}

/** What came of an import. */
export interface ImportedAll {
  readonly tables: Readonly<Record<string, number>>
}

/**
 * Puts an export into this installation, all of it or nothing. Only where nothing is kept yet, and only where the tables are
 * of the same release: nothing here is written over or mixed with something else.
 */
export async function importAll(body: Readable, name: string): Promise<Result<ImportedAll>> {
  const folder = await mkdtemp(join(tmpdir(), 'salt-shelf-import-'))
  const path = join(folder, 'export.zip')
  try {
    const wanted = await emptyHere()
    if (!wanted.ok) return wanted
    await pipeline(body, createWriteStream(path))
    const archive = await openArchive(path, name)
    if (!archive.ok) return archive
    try {
      return await putIn(archive.value, name)
    } finally {
      archive.value.close()
    }
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

/** Nothing but what every installation begins with is kept here. */
async function emptyHere(): Promise<Result<true>> {
  const [there] = await query<{ plans: number; files: number; bodies: number }>(
    `select (select count(*)::int from plans) as plans, (select count(*)::int from files) as files,
       (select count(*)::int from bodies) as bodies`,
  )
  if (!there || there.plans + there.files + there.bodies === 0) return ok(true)
  return refuse(
    'not-empty',
    `Everything at once goes into an empty installation only; this one keeps ${there.plans} plans, ${there.files} files and ${there.bodies} bodies. Start another with SALT_SHELF_HOME=… npm run demo -- --empty.`,
    'import',
  )
}

async function putIn(archive: Archive, name: string): Promise<Result<ImportedAll>> {
  const { manifest, read } = archive
  const client = await ownConnection()
  try {
    return await within(client, async (): Promise<Result<ImportedAll>> => {
      await client.query('set local idle_in_transaction_session_timeout = 0')
      const newest = await client.query<{ name: string }>(
        'select name from migrations order by id desc limit 1',
      )
      const here = newest.rows[0]?.name ?? ''
      if (here !== manifest.tablesAt)
        return refuse(
          'other-release',
          `It was made on tables ${manifest.tablesAt}; these are ${here}. Take it in with the release that made it, then update.`,
          name,
        )
      for (const [table] of [...exportedTables].reverse()) await client.query(`delete from ${table}`)
      for (const [table] of exportedTables) {
        const columns = await columnsOf(client, table)
        const lines = (await read(`tables/${table}.ndjson`))
          .toString('utf8')
          .split('\n')
          .filter((line) => line !== '')
        if (lines.length !== (manifest.tables[table] ?? 0))
          return refuseAll(
            `${table} has ${lines.length} rows; its list says ${manifest.tables[table] ?? 0}.`,
            name,
          )
        for (let at = 0; at < lines.length; at += batch) {
          const some = lines.slice(at, at + batch)
          if (table === 'files') await putFiles(client, some, columns, read)
          else
            await client.query(
              `insert into ${table} (${columns}) select ${columns} from jsonb_populate_recordset(null::${table}, $1)`,
              [`[${some.join(',')}]`],
            )
        }
      }
      forgetModels()
      return ok({ tables: manifest.tables })
    })
  } catch (error) {
    if (error instanceof Undone) return { ok: false, refusal: error.refusal }
    throw error
  } finally {
    await close(client)
  }
}

/** A refusal in the middle: all that was put in is taken back. */
class Undone extends Error {
  constructor(readonly refusal: { code: string; message: string; where: string }) {
    super(refusal.message)
  }
}

function refuseAll(message: string, where: string): never {
  throw new Undone({ code: 'damaged', message, where })
}

async function putFiles(
  client: Connection,
  lines: readonly string[],
  columns: string,
  read: (name: string) => Promise<Buffer>,
): Promise<void> {
  for (const line of lines) {
    const row = JSON.parse(line) as { digest: string }
    const bytes = await read(`files/${row.digest}`).catch(() =>
      refuseAll(`The bytes of ${row.digest} are missing.`, 'files'),
    )
    await client.query(
      `insert into files (${columns}) select ${columns} from jsonb_populate_record(null::files, $1::jsonb || jsonb_build_object('bytes', $2::text))`,
      [line, `\\x${bytes.toString('hex')}`],
    )
  }
}

/** The columns of a table that are written; what is worked out from others is left out. */
async function columnsOf(client: Connection, table: TableName): Promise<string> {
  const found = await client.query<{ column_name: string }>(
    `select column_name from information_schema.columns
     where table_schema = current_schema() and table_name = $1 and is_generated = 'NEVER' order by ordinal_position`,
    [table],
  )
  return found.rows.map((one) => `"${one.column_name}"`).join(', ')
}
