import { randomUUID } from 'node:crypto'
import type { PoolClient } from 'pg'
import { emptyPlan, planTitle, type Plan } from '@/core/plan/plan'
import type { Rows } from '@/core/plan/rows'
import { applySteps, setRows, type Step } from '@/core/plan/step'
import type { BodyModel } from '@/core/model/types'
import { canonicalJson } from '@/core/json'
import { digestHex } from '@/core/files/digest'
import { must, ok, refuse, type Refusal, type Result } from '@/core/result'
import { localOwner, query, transaction } from './db'
import { modelFor } from './models'

/** A plan with its model, version and the end of its log. */
export interface StoredPlan {
  readonly id: string
  readonly model: BodyModel
  readonly plan: Plan
  /** How many steps made it; a save names the version it builds on. */
  readonly version: number
  /** The newest steps, oldest first: what undo can reach. */
  readonly log: readonly Step[]
  readonly revision: { readonly number: number; readonly planVersion: number } | null
}

/** What became of a save. */
export type Appended =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale'; readonly version: number; readonly newer: readonly Step[] }
  | { readonly kind: 'refused'; readonly refusal: Refusal }

/** One line of the shelf. */
export interface PlanLine {
  readonly id: string
  readonly title: string
  readonly model: BodyModel
  readonly plan: Plan
  readonly version: number
  readonly updatedAt: Date
}

/** How many of the newest steps are sent along for undo. */
const undoReach = 300

/** Every plan, the one worked on last first. */
export async function listPlans(): Promise<PlanLine[]> {
  const rows = await query<PlanRow>('select * from plans where owner_id = $1 order by updated_at desc', [
    localOwner,
  ])
  const lines = await Promise.all(rows.map(planLine))
  return lines.filter((line) => line !== null)
}

/** One plan, or a refusal that says what is missing. */
export async function loadPlan(id: string): Promise<Result<StoredPlan>> {
  if (!isUuid(id)) return refuse('unknown-plan', 'There is no plan at this address.', id)
  return transaction(async (client) => {
    const row = await planRow(client, id, '')
    if (!row) return refuse('unknown-plan', 'There is no plan at this address. It may have been removed.', id)
    const model = await modelFor(row.model_id, row.model_version)
    if (!model)
      return refuse(
        'unknown-model',
        `The definition ${row.model_version} of ${row.model_id} is missing, or of a format that is not read any more. The plan is kept as it is.`,
        id,
      )
    const log = await client.query<{ step: Step }>(
      'select step from (select number, step from steps where plan_id = $1 order by number desc limit $2) newest order by number',
      [id, undoReach],
    )
    const revision = await client.query<{ number: number; plan_version: number }>(
      'select number, plan_version from revisions where plan_id = $1 order by number desc limit 1',
      [id],
    )
    const last = revision.rows[0]
    return ok({
      id,
      model,
      plan: planOf(row),
      version: row.version,
      log: log.rows.map((one) => one.step),
      revision: last ? { number: last.number, planVersion: last.plan_version } : null,
    })
  })
}

/**
 * Appends steps made against version `basedOn`. Steps already saved are recognised by id and not applied again,
 * so that a save whose answer was lost can be sent once more. A stale save is refused with the newer steps.
 */
export async function appendSteps(id: string, basedOn: number, steps: readonly Step[]): Promise<Appended> {
  if (!isUuid(id))
    return {
      kind: 'refused',
      refusal: { code: 'unknown-plan', message: 'There is no such plan.', where: id },
    }
  return transaction(async (client): Promise<Appended> => {
    const row = await planRow(client, id, 'for update')
    const model = row && (await modelFor(row.model_id, row.model_version))
    if (!row || !model)
      return {
        kind: 'refused',
        refusal: { code: 'unknown-plan', message: 'There is no such plan.', where: id },
      }
    const since = await client.query<{ number: number; id: string; step: Step }>(
      'select number, id, step from steps where plan_id = $1 and (number > $2 or id = any($3)) order by number',
      [id, basedOn, steps.map((step) => step.id)],
    )
    const saved = new Set(since.rows.map((one) => one.id))
    const fresh = steps.filter((step) => !saved.has(step.id))
    if (fresh.length === 0) return { kind: 'saved', version: row.version }
    const mine = new Set(steps.map((step) => step.id))
    const newer = since.rows.filter((one) => one.number > basedOn && !mine.has(one.id))
    if (newer.length > 0) return { kind: 'stale', version: row.version, newer: newer.map((one) => one.step) }
    const applied = applySteps(model, planOf(row), fresh)
    if (!applied.ok) return { kind: 'refused', refusal: applied.refusal }
    return { kind: 'saved', version: await writeSteps(client, row, fresh, applied.value.rows) }
  })
}

/** Starts a plan for a model; the rows it begins with are its first step. */
export async function createPlan(model: BodyModel, rows: Rows, id: string = randomUUID()): Promise<string> {
  await transaction(async (client) => {
    await client.query('insert into plans (id, owner_id, model_id, model_version) values ($1, $2, $3, $4)', [
      id,
      localOwner,
      model.id,
      model.version,
    ])
    const first = setRows(emptyPlan(model), randomUUID(), rows)
    if (first.changes.length === 0) return
    const plan = must(applySteps(model, emptyPlan(model), [first]))
    await writeSteps(client, { id, version: 0 }, [first], plan.rows)
  })
  return id
}

/** A frozen plan. */
export interface Revision {
  readonly id: string
  readonly number: number
  readonly plan: Plan
  readonly madeAt: Date
}

/** The newest revision when nothing changed since, else a new one. */
export async function freezeRevision(planId: string, note: string): Promise<Result<Revision>> {
  if (!isUuid(planId)) return refuse('unknown-plan', 'There is no such plan.', planId)
  return transaction(async (client) => {
    const row = await planRow(client, planId, 'for update')
    if (!row) return refuse('unknown-plan', 'There is no such plan.', planId)
    const newest = await client.query<RevisionRow>(
      'select id, number, plan_version, made_at from revisions where plan_id = $1 order by number desc limit 1',
      [planId],
    )
    const last = newest.rows[0]
    if (last?.plan_version === row.version) {
      return ok({ id: last.id, number: last.number, plan: planOf(row), madeAt: last.made_at })
    }
    const made = await client.query<RevisionRow>(
      `insert into revisions (id, plan_id, number, plan_version, note, rows, digest)
       values ($1, $2, $3, $4, $5, $6, $7) returning id, number, plan_version, made_at`,
      [
        randomUUID(),
        planId,
        (last?.number ?? 0) + 1,
        row.version,
        note,
        JSON.stringify(row.rows),
        digestHex(canonicalJson(row.rows)),
      ],
    )
    const fresh = made.rows[0] as RevisionRow
    return ok({ id: fresh.id, number: fresh.number, plan: planOf(row), madeAt: fresh.made_at })
  })
}

/** True for the text form of a UUID: anything else never reaches the database. */
export function isUuid(text: string): boolean {
  return /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/.test(text)
}

interface PlanRow {
  readonly id: string
  readonly model_id: string
  readonly model_version: number
  readonly version: number
  readonly rows: Rows
  readonly updated_at: Date
}

interface RevisionRow {
  readonly id: string
  readonly number: number
  readonly plan_version: number
  readonly made_at: Date
}

async function planRow(
  client: PoolClient,
  id: string,
  lock: '' | 'for update',
): Promise<PlanRow | undefined> {
  const statement = 'select * from plans where id = $1 and owner_id = $2'
  const found = await client.query<PlanRow>(lock === '' ? statement : `${statement} for update`, [
    id,
    localOwner,
  ])
  return found.rows[0]
}

async function planLine(row: PlanRow): Promise<PlanLine | null> {
  const model = await modelFor(row.model_id, row.model_version)
  if (!model) return null
  const plan = planOf(row)
  return { id: row.id, title: planTitle(plan), model, plan, version: row.version, updatedAt: row.updated_at }
}

function planOf(row: PlanRow): Plan {
  return { model: { id: row.model_id, version: row.model_version }, rows: row.rows }
}

async function writeSteps(
  client: PoolClient,
  row: Pick<PlanRow, 'id' | 'version'>,
  steps: readonly Step[],
  rows: Rows,
): Promise<number> {
  const numbers = steps.map((_, i) => row.version + 1 + i)
  await client.query(
    `insert into steps (plan_id, number, id, step)
     select $1, number, id, step from unnest($2::int[], $3::uuid[], $4::jsonb[]) as fresh (number, id, step)`,
    [row.id, numbers, steps.map((step) => step.id), steps.map((step) => JSON.stringify(step))],
  )
  const version = row.version + steps.length
  await client.query('update plans set version = $2, rows = $3, updated_at = now() where id = $1', [
    row.id,
    version,
    JSON.stringify(rows),
  ])
  return version
}
