import { type Rows, entriesOf } from '@/core/plan/rows'
import { randomUUID } from 'node:crypto'
import type { BodyModel } from '@/core/model/types'
import { planLimits } from '@/core/plan/limits'
import { parsePlan, type Plan } from '@/core/plan/plan'
import { ok, refuse, type Result } from '@/core/result'
import type { Change, Step } from '@/core/sync/step'
import { localOwner, type Connection } from './db'
import { modelFor } from './models'
import { appendSteps, planSteps } from './step-log'

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

/** Appends steps to a plan's log, and keeps the plan they make. */
export async function writeSteps(
  client: Connection,
  row: Pick<PlanRow, 'id' | 'version'>,
  steps: readonly Step[],
  { model, rows }: Plan,
): Promise<void> {
  await appendSteps(client, planSteps, row, steps)
  await client.query(
    'update plans set version = $2, rows = $3, model_version = $4, updated_at = now() where id = $1',
    [row.id, row.version + steps.length, JSON.stringify(rows), model.version],
  )
}
