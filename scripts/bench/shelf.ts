import { randomUUID } from 'node:crypto'
import { closePool, query } from '@/server/db'
import type { Figure } from './measure'

/** How the shelf and a save do with much on it, against an empty one: medians, in one run. */
export async function shelfBench(address: string): Promise<Figure[]> {
  try {
    const [sample] = await query<{ id: string }>('select id from plans order by created_at, id limit 1')
    if (!sample) throw new Error('the demo plan is missing')
    await get(address)
    await new Promise((resolve) => setTimeout(resolve, 2000))
    const plan = await copyOf(sample.id)
    const empty = { shelf: await shelfTime(address), save: await saveTime(address, plan) }
    await fill(sample.id)
    const full = { shelf: await shelfTime(address), save: await saveTime(address, plan) }
    return [
      ratio('The shelf with 500 plans, 5 000 files, 100 000 steps, 20 bodies', empty.shelf, full.shelf),
      ratio('A save while the shelf is looked at again and again, with as much on it', empty.save, full.save),
    ]
  } finally {
    await closePool()
  }
}

function ratio(name: string, empty: number, full: number): Figure {
  const times = full / empty
  return {
    name: `${name}, against an empty one`,
    wanted: 'at most 2 times the time',
    measured: `${times.toFixed(2)} times (${full.toFixed(1)} ms, ${empty.toFixed(1)} ms)`,
    holds: times <= 2,
  }
}

async function get(address: string): Promise<void> {
  await (await fetch(address)).text()
}

async function shelfTime(address: string): Promise<number> {
  return median(30, () => get(address))
}

/** The median time of a save of one step, while somebody looks at the shelf all the time. */
async function saveTime(address: string, plan: string): Promise<number> {
  let going = true
  const looking = (async () => {
    while (going) await get(address)
  })()
  const time = await median(25, async () => {
    const [at] = await query<{ epoch: string; version: number; head: string; title: string | null }>(
      `select epoch, version, rows ->> 'title' as title,
         (select head from steps where plan_id = plans.id order by number desc limit 1) as head
       from plans where id = $1`,
      [plan],
    )
    if (!at) throw new Error('the plan is gone')
    const step = {
      id: randomUUID(),
      changes: [{ row: 'title', from: at.title, to: `Measured ${randomUUID().slice(0, 8)}` }],
    }
    const begun = performance.now()
    const response = await fetch(`${address}/api/plans/${plan}/steps`, {
      method: 'POST',
      headers: { origin: address, 'content-type': 'application/json' },
      body: JSON.stringify({ epoch: at.epoch, basedOn: at.version, head: at.head, steps: [step], ask: [] }),
    })
    if (!response.ok) throw new Error(`a save was refused: ${await response.text()}`)
    return performance.now() - begun
  })
  going = false
  await looking
  return time
}

/** The middle of so many times; where the work says itself how long it took, that counts. */
async function median(count: number, work: () => Promise<void | number>): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < count; i++) {
    const begun = performance.now()
    const said = await work()
    times.push(said ?? performance.now() - begun)
  }
  return times.sort((a, b) => a - b)[Math.floor(count / 2)] ?? Infinity
}

async function copyOf(sample: string): Promise<string> {
  const id = randomUUID()
  await query(
    `insert into plans (id, owner_id, model_id, model_version, version, rows)
     select $1, owner_id, model_id, model_version, version, rows from plans where id = $2`,
    [id, sample],
  )
  await query(
    'insert into steps (plan_id, number, id, step, head) select $1, number, id, step, head from steps where plan_id = $2',
    [id, sample],
  )
  return id
}

/** Fills the store beside the demo: as the application itself would have, summaries and all. */
async function fill(sample: string): Promise<void> {
  await query(
    `insert into plans (id, owner_id, model_id, model_version, version, rows)
     select gen_random_uuid(), owner_id, model_id, model_version, 200,
       rows || jsonb_build_object('title', 'Plan ' || n)
     from plans, generate_series(1, 500) n where id = $1`,
    [sample],
  )
  // In parts: a statement that takes long is ended.
  for (let from = 1; from < 200; from += 20)
    await query(
      `insert into steps (plan_id, number, id, head, step)
       select p.id, n, gen_random_uuid(), md5(n::text),
         jsonb_build_object('id', gen_random_uuid(), 'changes', jsonb_build_array(
           jsonb_build_object('row', 'title', 'from', 'Plan ' || n, 'to', 'Plan ' || n + 1)))
       from plans p, generate_series($1::int, $2::int) n where p.title like 'Plan %'`,
      [from, from + 19],
    )
  await query(
    `insert into plan_summaries (plan_id, plan_version, row_mark, checked_by, blocks, problems)
     select p.id, p.version, p.xmin::text, (select checked_by from plan_summaries limit 1), 0, 3
     from plans p where p.title like 'Plan %'`,
  )
  await query(
    `insert into files (id, owner_id, kind, name, bytes, digest, model_id, note)
     select gen_random_uuid(), owner_id, 'card', 'FILE' || n || '.SSC', decode(repeat('00', 3000), 'hex'),
       encode(sha256(n::text::bytea), 'hex'), model_id, 'Brought in'
     from plans, generate_series(1, 5000) n where id = $1`,
    [sample],
  )
  await query(
    `insert into bodies select (jsonb_populate_record(b, jsonb_build_object(
       'id', gen_random_uuid(), 'tag', b.tag || n, 'name', b.name || ' ' || n))).*
     from bodies b, generate_series(1, 16) n where b.id = (select id from bodies order by id limit 1)`,
  )
  await query('analyze')
}
