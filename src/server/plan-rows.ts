import { type Rows, entriesOf } from '@/core/plan/rows'
import { randomUUID } from 'node:crypto'
import type { BodyModel } from '@/core/model/types'
import { planKind } from '@/core/plan/kind'
import { planLimits } from '@/core/plan/limits'
import { parsePlan, type Plan } from '@/core/plan/plan'
import { ok, refuse, type Result } from '@/core/result'
import { headAfter, type Head } from '@/core/sync/head'
import { pageOf, type Log } from '@/core/sync/decide'
import { readSteps } from '@/core/sync/protocol'
import type { Change, Step } from '@/core/sync/step'
import { localOwner, type Connection } from './db'
import { modelFor } from './models'

/** A plan as its table has it. */
export interface PlanRow {
  readonly id: string
  readonly epoch: string
  readonly model_id: string
  readonly model_version: number
  readonly version: number
  readonly rows: unknown
  readonly updated_at: Date
}

/** A plan's row, locked until the transaction ends where that is asked; one that was taken off the shelf is not there. */
export async function planRow(
  client: Connection,
  id: string,
  lock: '' | 'for update',
): Promise<PlanRow | undefined> {
  const statement = 'select * from plans where id = $1 and owner_id = $2 and deleted_at is null'
  const found = await client.query<PlanRow>(lock === '' ? statement : `${statement} for update`, [
    id,
    localOwner,
  ])
  return found.rows[0]
}

/** A plan out of its columns: read, never taken on trust. */
export async function planOf(row: PlanRow): Promise<Result<{ model: BodyModel; plan: Plan }>> {
  const { model_id: id, model_version: edition } = row
  const model = await modelFor(id, edition)
  if (!model) {
    const message = `Edition ${edition} of the model ${id} is missing, or of a format that is not read any more. The plan is kept as it is.`
    return refuse('unknown-model', message, row.id)
  }
  const plan = parsePlan(model, (row.rows ?? {}) as Record<string, unknown>)
  if (plan.ok) return ok({ model, plan: plan.value })
  const message = `A row of this plan cannot be read: ${plan.refusal.message} The plan is kept as it is.`
  return refuse('damaged-row', message, plan.refusal.where)
}

/** The log as the protocol sees it: only what this save can ask of it is fetched. */
export async function logOf(
  client: Connection,
  row: PlanRow,
  document: Plan,
  basedOn: number,
  ids: readonly string[],
): Promise<Result<Log<Plan>>> {
  const known = await client.query<{ id: string; number: number; head: string }>(
    'select id, number, head from steps where plan_id = $1 and (id = any($2) or number = $3)',
    [row.id, [...new Set(ids)], basedOn],
  )
  const there = new Set(known.rows.map((one) => one.id))
  const at = known.rows.find((one) => one.number === basedOn)
  const newer = await stepsOf(client, row.id, basedOn, planLimits.stepsInSave, planLimits.bytesInSave)
  if (!newer.ok) return newer
  return ok({
    epoch: row.epoch,
    version: row.version,
    document,
    headAt: () => at?.head ?? null,
    idAt: () => at?.id ?? null,
    has: (id) => there.has(id),
    after: () => pageOf(newer.value, planLimits),
  })
}

/** Steps after a number, oldest first; with limits only as many as one page needs, and always the first. */
export async function stepsOf(
  client: Connection,
  planId: string,
  after: number,
  most = 100_000,
  mostBytes = Number.MAX_SAFE_INTEGER,
): Promise<Result<readonly Step[]>> {
  const found = await client.query<{ number: number; step: unknown }>(
    `select number, step from (
       select number, step, sum(octet_length(step::text)) over (order by number) as bytes
       from (select number, step from steps where plan_id = $1 and number > $2 order by number limit $3) page
     ) sized where bytes <= $4 or number = $2 + 1 order by number`,
    [planId, Math.max(0, after), most, mostBytes],
  )
  return stepsIn(found.rows, planId)
}

/** Steps up to a number, oldest first: as many of the newest as are asked for and fit, and `least` in any case. */
export async function newestSteps(
  client: Connection,
  planId: string,
  upTo: number,
  most: number,
  mostBytes: number,
  least = 0,
): Promise<Result<readonly Step[]>> {
  const found = await client.query<{ number: number; step: unknown }>(
    `select number, step from (
       select number, step, sum(octet_length(step::text)) over (order by number desc) as bytes
       from (select number, step from steps where plan_id = $1 and number <= $2 order by number desc limit $3) page
     ) sized where bytes <= $4 or number > $2 - $5 order by number`,
    [planId, upTo, most, mostBytes, least],
  )
  return stepsIn(found.rows, planId)
}

function stepsIn(
  rows: readonly { readonly number: number; readonly step: unknown }[],
  planId: string,
): Result<readonly Step[]> {
  const steps: Step[] = []
  for (const { number, step } of rows) {
    const read = readSteps(storedSteps, [step])
    const [sound] = read.ok ? read.value : []
    if (!sound)
      return refuse(
        'damaged-row',
        `Step ${number} of this plan cannot be read. The plan is kept as it is.`,
        planId,
      )
    steps.push(sound)
  }
  return ok(steps)
}

/** Steps of the log are read by shape alone: they were decided when they came. */
const storedSteps = planKind(() => null)

/** The rows as steps from nothing, each within the limits. */
export function stepsFor(rows: Rows): Step[] {
  const steps: { id: string; changes: Change[] }[] = []
  let bytes = Infinity
  for (const [row, to] of entriesOf(rows)) {
    const change = { row, from: null, to }
    const more = Buffer.byteLength(JSON.stringify(change)) + 1
    const last = steps.at(-1)
    const fits =
      last && last.changes.length < planLimits.changesInStep && bytes + more < planLimits.bytesInStep - 200
    if (fits) {
      last.changes.push(change)
      bytes += more
    } else {
      steps.push({ id: randomUUID(), changes: [change] })
      bytes = more
    }
  }
  return steps
}

/** What a plan's log is known by at its newest step. */
export async function headOf(
  client: Connection,
  { id, version }: Pick<PlanRow, 'id' | 'version'>,
): Promise<Head> {
  const found = await client.query<{ head: string }>(
    'select head from steps where plan_id = $1 and number = $2',
    [id, version],
  )
  return found.rows[0]?.head ?? null
}

/** Appends steps to a plan's log, and keeps the plan they make. */
export async function writeSteps(
  client: Connection,
  row: Pick<PlanRow, 'id' | 'version'>,
  steps: readonly Step[],
  { model, rows }: Plan,
): Promise<void> {
  const numbers = steps.map((_, i) => row.version + 1 + i)
  const heads: string[] = []
  let head = await headOf(client, row)
  for (const { id } of steps) heads.push((head = headAfter(head, id)))
  await client.query(
    `insert into steps (plan_id, number, id, step, head)
     select $1, number, id, step, head
     from unnest($2::int[], $3::uuid[], $4::jsonb[], $5::text[]) as fresh (number, id, step, head)`,
    [row.id, numbers, steps.map((step) => step.id), steps.map((step) => JSON.stringify(step)), heads],
  )
  await client.query(
    'update plans set version = $2, rows = $3, model_version = $4, updated_at = now() where id = $1',
    [row.id, row.version + steps.length, JSON.stringify(rows), model.version],
  )
}
