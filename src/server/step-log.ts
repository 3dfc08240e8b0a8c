import { refuse, ok, type Result } from '@/core/result'
import { pageOf, type Log } from '@/core/sync/decide'
import { headAfter, type Head } from '@/core/sync/head'
import type { DocumentKind, Limits } from '@/core/sync/kind'
import { readSteps } from '@/core/sync/protocol'
import type { Step } from '@/core/sync/step'
import { planKind } from '@/core/plan/kind'
import { planLimits } from '@/core/plan/limits'
import { inventoryKind, inventoryLimits } from '@/core/inventory/kind'
import { walkKind, walkLimits } from '@/core/procedures/progress'
import type { Connection } from './db'

/** Where the steps of one kind of document are kept, and which limits they keep to. */
export interface StepTable {
  readonly table: 'steps' | 'inventory_steps' | 'walk_steps'
  readonly key: 'plan_id' | 'owner_id' | 'walk_id'
  readonly limits: Limits
  /** Steps of a log are read by shape alone: they were decided when they came. */
  readonly shape: DocumentKind<never>
}

/** The steps of plans, by the plan's id. */
export const planSteps: StepTable = {
  table: 'steps',
  key: 'plan_id',
  limits: planLimits,
  shape: planKind(() => null) as unknown as DocumentKind<never>,
}

/** The steps of inventories, by their owner's id. */
export const inventorySteps: StepTable = {
  table: 'inventory_steps',
  key: 'owner_id',
  limits: inventoryLimits,
  shape: inventoryKind({ models: [], lenses: [] }) as unknown as DocumentKind<never>,
}

/** The steps of walks, by the walk's id. */
export const walkSteps: StepTable = {
  table: 'walk_steps',
  key: 'walk_id',
  limits: walkLimits,
  shape: walkKind as unknown as DocumentKind<never>,
}

/** A document by the key of its steps, with the number of its newest one. */
export interface Logged {
  readonly id: string
  readonly version: number
}

/** The log as the protocol sees it: only what this save can ask of it is fetched. */
export async function logOf<D>(
  client: Connection,
  of: StepTable,
  { id, version, epoch }: Logged & { readonly epoch: string },
  document: D,
  basedOn: number,
  ids: readonly string[],
): Promise<Result<Log<D>>> {
  const known = await client.query<{ id: string; number: number; head: string }>(
    `select id, number, head from ${of.table} where ${of.key} = $1 and (id = any($2) or number = $3)`,
    [id, [...new Set(ids)], basedOn],
  )
  const there = new Set(known.rows.map((one) => one.id))
  const at = known.rows.find((one) => one.number === basedOn)
  const newer = await stepsAfter(client, of, id, basedOn)
  if (!newer.ok) return newer
  return ok({
    epoch,
    version,
    document,
    headAt: () => at?.head ?? null,
    idAt: () => at?.id ?? null,
    has: (one) => there.has(one),
    after: () => pageOf(newer.value, of.limits),
  })
}

/** Steps after a number, oldest first: as many as one page needs, and always the first. */
async function stepsAfter(
  client: Connection,
  of: StepTable,
  id: string,
  after: number,
): Promise<Result<readonly Step[]>> {
  const { stepsInSave, bytesInSave } = of.limits
  const found = await client.query<{ number: number; step: unknown }>(
    `select number, step from (
       select number, step, sum(octet_length(step::text)) over (order by number) as bytes
       from (select number, step from ${of.table} where ${of.key} = $1 and number > $2 order by number limit $3) page
     ) sized where bytes <= $4 or number = $2 + 1 order by number`,
    [id, Math.max(0, after), stepsInSave, bytesInSave],
  )
  return stepsIn(of, found.rows, id)
}

/** How many steps are sent along for undo at most, and how many bytes of them; older ones are asked for. */
const undoReach = { steps: 50, bytes: 20_000 }

/** Steps up to a number, oldest first: as many of the newest as undo is given at a time, and `least` in any case. */
export async function newestSteps(
  client: Connection,
  of: StepTable,
  { id, version: upTo }: Logged,
  least = 0,
): Promise<Result<readonly Step[]>> {
  const found = await client.query<{ number: number; step: unknown }>(
    `select number, step from (
       select number, step, sum(octet_length(step::text)) over (order by number desc) as bytes
       from (select number, step from ${of.table} where ${of.key} = $1 and number <= $2 order by number desc limit $3) page
     ) sized where bytes <= $4 or number > $2 - $5 order by number`,
    [id, upTo, undoReach.steps, undoReach.bytes, least],
  )
  return stepsIn(of, found.rows, id)
}

/** Steps before one that is known, oldest first; none where there is none. */
export async function stepsBefore(
  client: Connection,
  of: StepTable,
  { id, version }: Logged,
  number: number,
): Promise<Result<readonly Step[]>> {
  const last = Math.min(number - 1, version)
  return last < 1 ? ok([]) : newestSteps(client, of, { id, version: last }, 1)
}

function stepsIn(
  { shape }: StepTable,
  rows: readonly { readonly number: number; readonly step: unknown }[],
  id: string,
): Result<readonly Step[]> {
  const steps: Step[] = []
  for (const { number, step } of rows) {
    const read = readSteps(shape, [step])
    const [sound] = read.ok ? read.value : []
    if (!sound) {
      const message = `Step ${number} of this ${shape.name} cannot be read. The ${shape.name} is kept as it is.`
      return refuse('damaged-row', message, id)
    }
    steps.push(sound)
  }
  return ok(steps)
}

/** What a log is known by at its newest step. */
export async function headOf(client: Connection, of: StepTable, { id, version }: Logged): Promise<Head> {
  const found = await client.query<{ head: string }>(
    `select head from ${of.table} where ${of.key} = $1 and number = $2`,
    [id, version],
  )
  return found.rows[0]?.head ?? null
}

/** Appends steps to a log; the document they make is kept by who owns its table. */
export async function appendSteps(
  client: Connection,
  of: StepTable,
  log: Logged,
  steps: readonly Step[],
): Promise<void> {
  const heads: string[] = []
  let head = await headOf(client, of, log)
  for (const { id } of steps) heads.push((head = headAfter(head, id)))
  await client.query(
    `insert into ${of.table} (${of.key}, number, id, step, head)
     select $1, number, id, step, head
     from unnest($2::int[], $3::uuid[], $4::jsonb[], $5::text[]) as fresh (number, id, step, head)`,
    [
      log.id,
      steps.map((_, i) => log.version + 1 + i),
      steps.map((step) => step.id),
      steps.map((step) => JSON.stringify(step)),
      heads,
    ],
  )
}
