import type { RowId, Rows } from '@/core/plan/rows'
import { randomUUID } from 'node:crypto'
import type { BodyModel } from '@/core/model/types'
import { canonicalJson } from '@/core/canonical-json'
import { digestHex } from '@/core/digest'
import { editionsIn, planKind } from '@/core/plan/kind'
import { emptyPlan, type Plan } from '@/core/plan/plan'
import { setRows } from '@/core/plan/step'
import { ok, refuse, type Result } from '@/core/result'
import { decide } from '@/core/sync/decide'
import type { Head } from '@/core/sync/head'
import type { Answer, ReadSave } from '@/core/sync/protocol'
import type { Step } from '@/core/sync/step'
import type { Value } from '@/core/vocabulary/values'
import { isUuid, localOwner, query, transaction, type Connection } from './db'
import { libraryOf } from './models'
import { planOf, planRow, stepsFor, writeSteps, type PlanRow } from './plan-rows'
import {
  logOf,
  planSteps,
  readLogEnd,
  selectLogEnd,
  stepsBefore as stepsOfLogBefore,
  type KeptEnd,
} from './step-log'
import { summarizeLater } from './summaries'

/** A plan with its model, version and the end of its log. */
export interface StoredPlan {
  readonly id: string
  /** Which log this is: a plan put back under its old id has another one. */
  readonly epoch: string
  readonly model: BodyModel
  readonly plan: Plan
  /** How many steps made it; a save names the version it builds on. */
  readonly version: number
  /** What its log is known by there. */
  readonly head: Head
  /** The newest steps, oldest first: what undo can reach. */
  readonly log: readonly Step[]
  readonly revision: Frozen | null
}

/** The newest revision of a plan, and the rows in which the plan differs from it now. */
export interface Frozen {
  readonly number: number
  readonly planVersion: number
  readonly differs: readonly RowId[]
}

/** One plan, or a refusal that says what is missing. */
export async function loadPlan(id: string): Promise<Result<StoredPlan>> {
  if (!isUuid(id)) return refuse('unknown-plan', 'There is no plan at this address.', id)
  const [row] = await query<PlanRow & { readonly end: KeptEnd; readonly revision: Frozen | null }>(
    `select p.*, ${selectLogEnd(planSteps, 'p')} as end, ${selectNewestRevision} as revision
     from plans p where p.id = $1 and p.owner_id = $2 and p.deleted_at is null`,
    [id, localOwner],
  )
  if (!row)
    return refuse(
      'unknown-plan',
      'There is no plan at this address. It may have been deleted: the shelf lists what was, to be put back.',
      id,
    )
  const read = await planOf(row)
  if (!read.ok) return read
  const end = readLogEnd(planSteps, row.end, id)
  if (!end.ok) return end
  const { epoch, version, revision } = row
  return ok({ id, epoch, ...read.value, version, ...end.value, revision })
}

/** Steps before one that is known, oldest first, as many as one look at them brings; none where there is none. */
export async function stepsBefore(id: string, number: number): Promise<Result<readonly Step[]>> {
  if (!isUuid(id)) return refuse('unknown-plan', 'There is no such plan.', id)
  return transaction(async (client) => {
    const row = await planRow(client, id, '')
    if (!row) return refuse('unknown-plan', 'There is no such plan. It may have been removed.', id)
    return stepsOfLogBefore(client, planSteps, row, number)
  })
}

/** SQL: the newest revision of the plan `p`. */
const selectNewestRevision = `(select jsonb_build_object('number', r.number, 'planVersion', r.plan_version,
    'differs', (select coalesce(jsonb_agg(coalesce(now.key, was.key)), '[]') from jsonb_each(p.rows) now
      full join jsonb_each(r.rows) was on was.key = now.key where now.value is distinct from was.value))
  from revisions r where r.plan_id = p.id order by r.number desc limit 1)`

/** Decides a save and appends what is to be appended, with the plan's row locked: one save at a time (`core/sync`). */
export async function savePlan(id: string, read: ReadSave): Promise<Result<Answer>> {
  if (!isUuid(id)) return refuse('unknown-plan', 'There is no such plan.', id)
  return transaction(async (client): Promise<Result<Answer>> => {
    const row = await planRow(client, id, 'for update')
    if (!row) return refuse('unknown-plan', 'There is no such plan. It may have been removed.', id)
    const stored = await planOf(row)
    if (!stored.ok) return stored
    const { save, unreadable } = read
    const kind = planKind(await libraryOf([stored.value.plan.model, ...editionsIn(save.steps)]))
    const log = await logOf(client, planSteps, row, stored.value.plan, save.basedOn, [
      ...save.steps.map((step) => step.id),
      ...save.ask,
      ...(unreadable ? [unreadable.step] : []),
    ])
    if (!log.ok) return log
    const { append, document, answer } = decide(kind, log.value, read)
    if (append.length > 0) await writeSteps(client, row, append, document)
    if (append.length > 0) summarizeLater(id)
    return ok(answer)
  })
}

/** Sets rows of a plan in a step of its own, as the desk would; whether there was anything to set. */
export async function setPlanRows(
  id: string,
  wanted: Readonly<Record<RowId, Value | null>>,
): Promise<Result<boolean>> {
  const set = await transaction(async (client): Promise<Result<boolean>> => {
    const row = isUuid(id) ? await planRow(client, id, 'for update') : undefined
    if (!row) return refuse('unknown-plan', 'There is no such plan. It may have been removed.', id)
    const stored = await planOf(row)
    if (!stored.ok) return stored
    const { plan } = stored.value
    const step = setRows(plan, randomUUID(), wanted)
    if (step.changes.length === 0) return ok(false)
    const after = planKind(await libraryOf([plan.model])).apply(plan, step)
    if (!after.ok) return after
    await writeSteps(client, row, [step], after.value)
    return ok(true)
  })
  if (set.ok && set.value) summarizeLater(id)
  return set
}

/** Starts a plan for a model; the rows it begins with are its first steps. */
export async function createPlan(model: BodyModel, rows: Rows, id: string = randomUUID()): Promise<string> {
  await transaction((client) => insertPlan(client, model, rows, id))
  return id
}

/** The same within a transaction. The rows are sound for the model: more than one step takes become several. */
export async function insertPlan(
  client: Connection,
  model: BodyModel,
  rows: Rows,
  id: string = randomUUID(),
): Promise<string> {
  await client.query('insert into plans (id, owner_id, model_id, model_version) values ($1, $2, $3, $4)', [
    id,
    localOwner,
    model.id,
    model.version,
  ])
  const plan = { ...emptyPlan(model), rows }
  const steps = stepsFor(rows)
  if (steps.length > 0) await writeSteps(client, { id, version: 0 }, steps, plan)
  return id
}

/** A frozen plan. */
export interface Revision {
  readonly id: string
  readonly number: number
  readonly model: BodyModel
  readonly plan: Plan
  readonly madeAt: Date
}

/** The newest revision when nothing changed since, else a new one. */
export async function freezeRevision(planId: string, note: string): Promise<Result<Revision>> {
  if (!isUuid(planId)) return refuse('unknown-plan', 'There is no such plan.', planId)
  return transaction(async (client) => {
    const row = await planRow(client, planId, 'for update')
    if (!row) return refuse('unknown-plan', 'There is no such plan. It may have been removed.', planId)
    const read = await planOf(row)
    if (!read.ok) return read
    const newest = await client.query<RevisionRow>(
      'select id, number, plan_version, made_at from revisions where plan_id = $1 order by number desc limit 1',
      [planId],
    )
    const last = newest.rows[0]
    if (last?.plan_version === row.version) {
      return ok({ id: last.id, number: last.number, ...read.value, madeAt: last.made_at })
    }
    const made = await client.query<RevisionRow>(
      `insert into revisions (id, plan_id, number, plan_version, model_version, note, rows, digest)
       values ($1, $2, $3, $4, $5, $6, $7, $8) returning id, number, plan_version, made_at`,
      [
        randomUUID(),
        planId,
        (last?.number ?? 0) + 1,
        row.version,
        row.model_version,
        note,
        JSON.stringify(row.rows),
        digestHex(canonicalJson(row.rows)),
      ],
    )
    const fresh = made.rows[0] as RevisionRow
    return ok({ id: fresh.id, number: fresh.number, ...read.value, madeAt: fresh.made_at })
  })
}

interface RevisionRow {
  readonly id: string
  readonly number: number
  readonly plan_version: number
  readonly made_at: Date
}
