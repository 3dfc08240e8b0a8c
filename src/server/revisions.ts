import { ok, refuse, type Result } from '@/core/result'
import type { Rows } from '@/core/plan/rows'
import { knownRows } from '@/core/plan/written'
import type { OtherPlan } from '@/core/sheets/given'
import { planTitle } from '@/core/plan/plan'
import type { BodyModel } from '@/core/model/types'
import { isUuid, localOwner, query, transaction } from './db'
import { definitions } from './models'
import { planOf, planRow } from './plan-rows'

/** A revision as it is chosen from a list. */
export interface RevisionLine {
  readonly number: number
  readonly at: Date
  readonly note: string
}

/** The revisions of a plan, the newest first. */
export async function listRevisions(planId: string): Promise<RevisionLine[]> {
  if (!isUuid(planId)) return []
  const rows = await query<{ number: number; made_at: Date; note: string }>(
    'select number, made_at, note from revisions where plan_id = $1 order by number desc limit 100',
    [planId],
  )
  return rows.map(({ number, made_at, note }) => ({ number, at: made_at, note }))
}

/** The rows of a revision as the plan’s model reads them now, and how many of them it no longer has a place for. */
export async function revisionRows(
  planId: string,
  number: number,
): Promise<Result<{ rows: Rows; leftOut: number }>> {
  if (!isUuid(planId)) return refuse('unknown-plan', 'There is no such plan.', planId)
  return transaction(async (client) => {
    const row = await planRow(client, planId, '')
    const read = row && (await planOf(row))
    if (!read?.ok) return read ?? refuse('unknown-plan', 'There is no such plan.', planId)
    const found = await client.query<{ rows: Record<string, unknown> }>(
      'select rows from revisions where plan_id = $1 and number = $2',
      [planId, number],
    )
    const [revision] = found.rows
    if (!revision) return refuse('unknown-revision', `There is no revision ${number}.`, String(number))
    return ok(knownRows(read.value.model, revision.rows))
  })
}

/** The owner’s newest plan for each other model, and the models that this one is taken for. */
export async function othersOf(
  planId: string,
): Promise<Result<{ others: OtherPlan[]; siblings: BodyModel[] }>> {
  if (!isUuid(planId)) return refuse('unknown-plan', 'There is no such plan.', planId)
  return transaction(async (client) => {
    const row = await planRow(client, planId, '')
    const read = row && (await planOf(row))
    if (!row || !read) return refuse('unknown-plan', 'There is no such plan.', planId)
    if (!read.ok) return read
    const found = await client.query<{ id: string }>(
      `select distinct on (model_id) id from plans
       where owner_id = $1 and model_id <> $2 and deleted_at is null
       order by model_id, updated_at desc limit 8`,
      [localOwner, row.model_id],
    )
    const others: OtherPlan[] = []
    for (const { id } of found.rows) {
      const other = await planRow(client, id, '')
      const plan = other && (await planOf(other))
      if (plan?.ok) others.push({ name: planTitle(plan.value.plan), ...plan.value })
    }
    const { models } = await definitions()
    const alike = new Set(read.value.model.lookAlikes.map((one) => one.model))
    return ok({ others, siblings: models.filter(({ id }) => alike.has(id)) })
  })
}
