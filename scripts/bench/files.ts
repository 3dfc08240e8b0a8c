import type { BodyModel } from '@/core/model/types'
import { closePool, query } from '@/server/db'
import { exportAll } from '@/server/export'
import type { Figure } from './measure'

const bodies = 20
const files = 5000
const few = 1000
const history = 100_000

/** Files, bodies and history with much in them, against next to none: lists, searches and comparisons at the 95th percentile; and what an export takes of memory. */
export async function filesBench(address: string, model: BodyModel): Promise<Figure[]> {
  const pages = [
    ['The list of files', '/files'],
    ['A search in files', '/files?find=BENCH%2049'],
    ['History, the newest first', '/history'],
    ['A search in history', '/history?find=percent'],
    ['Two bodies compared', '/bodies/heron-a?against=heron-b'],
  ] as const
  try {
    const empty: number[] = []
    for (const [, path] of pages) empty.push(await time(address + path))
    await fillFiles(model, 1, few)
    const little = await memoryOfExport()
    await fillFiles(model, few + 1, files)
    await fillRest()
    const figures: Figure[] = []
    for (const [i, [name, path]] of pages.entries()) {
      const [before, after] = [empty[i] ?? 1, await time(address + path)]
      figures.push({
        name: `${name} with ${files} files, ${bodies} bodies, ${history} lines of history, against the demo alone, p95`,
        wanted: 'at most 2 times the time',
        measured: `${(after / before).toFixed(2)} times (${after.toFixed(1)} ms, ${before.toFixed(1)} ms)`,
        holds: after / before <= 2,
      })
    }
    const much = await memoryOfExport()
    figures.push({
      name: `Memory that an export of ${files} files of 30 kB takes beyond the start, against ${few} of them`,
      wanted: 'at most 1.5 times',
      measured: `${(much.megabytes / little.megabytes).toFixed(2)} times (${much.megabytes.toFixed(0)} MB for ${much.written.toFixed(0)} MB of ZIP, ${little.megabytes.toFixed(0)} MB for ${little.written.toFixed(0)} MB)`,
      holds: much.megabytes <= 1.5 * little.megabytes,
    })
    return figures
  } finally {
    await empty()
    await closePool()
  }
}

/** The 95th percentile of 40 answers, in milliseconds, after three that warm up. */
async function time(page: string): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < 43; i++) {
    const begun = performance.now()
    const answer = await fetch(page)
    await answer.text()
    if (!answer.ok) throw new Error(`${page} answered ${answer.status}`)
    if (i >= 3) times.push(performance.now() - begun)
  }
  return times.sort((a, b) => a - b)[37] ?? Infinity
}

/** Takes a whole export and throws it away; gives the most memory the process had beyond what it began with. */
async function memoryOfExport(): Promise<{ megabytes: number; written: number }> {
  globalThis.gc?.()
  const begun = process.memoryUsage().rss
  let [most, written] = [begun, 0]
  for await (const part of exportAll() as AsyncIterable<Buffer>) {
    written += part.length
    most = Math.max(most, process.memoryUsage().rss)
  }
  return { megabytes: (most - begun) / 1e6, written: written / 1e6 }
}

/** Fills the shelf as the application itself would have it, in parts: a statement that takes long is ended. */
async function fillFiles({ id }: BodyModel, first: number, last: number): Promise<void> {
  const [owner] = await query<{ id: string }>('select id from owners limit 1')
  for (let from = first; from <= last; from += 250)
    await query(
      `insert into files (id, owner_id, kind, name, bytes, digest, model_id, note, tags)
       select gen_random_uuid(), $1, 'card', 'BENCH ' || n || '.SSC', b.bytes, encode(sha256(b.bytes), 'hex'), $2, 'Brought in', '{bench}'
       from generate_series($3::int, $4::int) n, lateral (
         select decode(string_agg(md5(n || ' ' || k), ''), 'hex') as bytes from generate_series(1, 1900) k) b`,
      [owner?.id, id, from, from + 249],
    )
}

async function fillRest(): Promise<void> {
  await query(
    `insert into bodies select (jsonb_populate_record(b, jsonb_build_object(
       'id', gen_random_uuid(), 'tag', 'bench-' || n, 'name', 'Bench ' || n))).*
     from bodies b, generate_series(1, $1::int) n where b.id = (select id from bodies order by id limit 1)`,
    [bodies],
  )
  const each = history / bodies / 10
  for (let part = 0; part < 10; part++)
    await query(
      `insert into body_events (body_id, at, kind, words)
       select b.id, now() - (n + $1::int * $2::int) * interval '1 minute', 'battery', 'Battery at ' || n % 100 || ' percent.'
       from bodies b, generate_series(1, $2::int) n where b.tag like 'bench-%'`,
      [part, each],
    )
  await query('analyze')
}

async function empty(): Promise<void> {
  await query("delete from files where 'bench' = any(tags)")
  await query("delete from bodies where tag like 'bench-%'")
}
