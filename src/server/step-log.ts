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
import { memoizeByText } from '@/core/memoize'
import type { Connection } from './db'

/** Where the steps of one kind of document are kept, and which limits they keep to. */
export interface StepTable {
  readonly table: 'steps' | 'inventory_steps' | 'walk_steps'
  readonly key: 'plan_id' | 'owner_id' | 'walk_id'
  readonly limits: Limits
  /** What one of its documents is called in a sentence. */
  readonly name: string
  /** A step of a log out of its JSON, by shape alone: it was decided when it came. Null where it cannot be read. */
  readonly readStep: (json: string) => Step | null
}

/** How many letters of steps are remembered as read: a step that was read never changes, and pages bring the same ones again. */
const readLetters = 2_000_000

function stepsOf<D>(
  table: StepTable['table'],
  key: StepTable['key'],
  limits: Limits,
  kind: DocumentKind<D>,
): StepTable {
  const readStep = (json: string) => {
    const read = readSteps(kind, [JSON.parse(json)])
    return (read.ok && read.value[0]) || null
  }
  return { table, key, limits, name: kind.name, readStep: memoizeByText(readStep, readLetters) }
}

/** The steps of plans, by the plan's id. */
export const planSteps = stepsOf(
  'steps',
  'plan_id',
  planLimits,
  planKind(() => null),
)

/** The steps of inventories, by their owner's id. */
export const inventorySteps = stepsOf(
  'inventory_steps',
  'owner_id',
  inventoryLimits,
  inventoryKind({ models: [], lenses: [] }),
)

/** The steps of walks, by the walk's id. */
export const walkSteps = stepsOf('walk_steps', 'walk_id', walkLimits, walkKind)

/** A document by the key of its steps, with the number of its newest one. */
export interface Logged {
  readonly id: string
  readonly version: number
}

/** A step as its table has it: its number, and it as JSON. */
interface Kept {
  readonly number: number
  readonly step: string
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
  const found = await client.query<Kept>(
    `select number, step from (
       select number, step, sum(octet_length(step)) over (order by number) as bytes
       from (select number, step::text as step from ${of.table} where ${of.key} = $1 and number > $2 order by number limit $3) page
     ) sized where bytes <= $4 or number = $2 + 1 order by number`,
    [id, Math.max(0, after), stepsInSave, bytesInSave],
  )
  return stepsIn(of, found.rows, id)
}

/** How many steps are sent along for undo at most, and how many bytes of them; older ones are asked for. */
const undoReach = { steps: 50, bytes: 20_000 }

/** The end of a log: what undo can reach, oldest first, and what the log is known by there. */
export interface LogEnd {
  readonly log: readonly Step[]
  readonly head: Head
}

/** The end of a log as `selectLogEnd` finds it. */
export interface KeptEnd {
  readonly steps: readonly Kept[]
  readonly head: Head
}

/** SQL: the end of the log of a document whose row stands in the same statement as `row`, so that both are of one moment. */
export function selectLogEnd({ table, key }: StepTable, row: string): string {
  return `(select jsonb_build_object(
       'head', max(head) filter (where number = ${row}.version),
       'steps', coalesce(jsonb_agg(jsonb_build_object('number', number, 'step', step) order by number)
         filter (where bytes <= ${undoReach.bytes}), '[]'))
     from ${newestSteps({ table, key }, `${row}.id`, `${row}.version`)} newest)`
}

/** SQL: the newest steps up to a number, as many as undo is given at a time, each with the bytes of it and of all after it. */
function newestSteps({ table, key }: Pick<StepTable, 'table' | 'key'>, id: string, upTo: string): string {
  return `(select number, step, head, sum(octet_length(step)) over (order by number desc) as bytes
     from (select number, step::text as step, head from ${table} where ${key} = ${id} and number <= ${upTo}
       order by number desc limit ${undoReach.steps}) page)`
}

/** What `selectLogEnd` found, read. */
export function readLogEnd(of: StepTable, { steps, head }: KeptEnd, id: string): Result<LogEnd> {
  const log = stepsIn(of, steps, id)
  return log.ok ? ok({ log: log.value, head }) : log
}

/** The end of a log that stands at a version. */
export async function logEnd(
  client: Connection,
  of: StepTable,
  { id, version }: Logged,
): Promise<Result<LogEnd>> {
  const found = await client.query<{ end: KeptEnd }>(
    `select ${selectLogEnd(of, 'document')} as end from (select $1::uuid as id, $2::int as version) document`,
    [id, version],
  )
  return readLogEnd(of, found.rows[0]?.end ?? { steps: [], head: null }, id)
}

/** Steps before one that is known, oldest first: as many as undo is given at a time, and one in any case; none where there is none. */
export async function stepsBefore(
  client: Connection,
  of: StepTable,
  { id, version }: Logged,
  number: number,
): Promise<Result<readonly Step[]>> {
  const last = Math.min(number - 1, version)
  const found = await client.query<Kept>(
    `select number, step from ${newestSteps(of, '$1', '$2')} newest
     where bytes <= $3 or number = $2 order by number`,
    [id, last, undoReach.bytes],
  )
  return stepsIn(of, found.rows, id)
}

function stepsIn({ name, readStep }: StepTable, rows: readonly Kept[], id: string): Result<readonly Step[]> {
  const steps: Step[] = []
  for (const { number, step } of rows) {
    const sound = readStep(step)
    if (!sound) {
      const message = `Step ${number} of this ${name} cannot be read. The ${name} is kept as it is.`
      return refuse('damaged-row', message, id)
    }
    steps.push(sound)
  }
  return ok(steps)
}

/** What a log is known by at its newest step. */
async function headOf(client: Connection, of: StepTable, { id, version }: Logged): Promise<Head> {
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
