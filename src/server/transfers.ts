import { randomUUID } from 'node:crypto'
import {
  carryStages,
  runStage,
  startCarry,
  type CarryNews,
  type CarryOrder,
  type CarryState,
} from '@/core/camera/carry'
import { canonicalJson } from '@/core/json'
import { digestHex } from '@/core/files/digest'
import { keepState, loadBody, type Body } from './bodies'
import { localOwner, query } from './db'
import { keepFile } from './files'
import { freezeRevision, loadPlan, type Revision } from './plans'

/**
 * Carries a plan to a body, telling each stage as it happens. The body's state is kept only when every stage went
 * well; a refusal or a stop leaves the body as it was, and the backup stays on the shelf.
 */
export async function* carry(
  planId: string,
  bodyId: string,
  stop: AbortSignal,
): AsyncGenerator<CarryNews, void, void> {
  const body = await loadBody(bodyId)
  if (!body.ok) return yield { kind: 'refused', stage: null, refusal: body.refusal }
  const stored = await loadPlan(planId)
  if (!stored.ok) return yield { kind: 'refused', stage: null, refusal: stored.refusal }
  const revision = await freezeRevision(planId, `Carried to ${body.value.name}`)
  if (!revision.ok) return yield { kind: 'refused', stage: null, refusal: revision.refusal }
  const transfer = await begin(planId, revision.value.id, bodyId)
  if (transfer === null) {
    const message = `Another transfer to ${body.value.name} is running; wait until it has ended.`
    return yield { kind: 'refused', stage: null, refusal: { code: 'busy', message, where: body.value.name } }
  }
  const order = {
    model: stored.value.model,
    plan: revision.value.plan,
    tag: body.value.tag,
    stem: `REV${revision.value.number}`,
    atSeconds: Math.floor(Date.now() / 1000),
  }
  yield* runStages(transfer, order, body.value, revision.value, stop)
}

/** Marks transfers that a stopped server left running: their bodies are as they were. */
export async function endAbandoned(): Promise<void> {
  await query("update transfers set outcome = 'stopped', ended_at = now() where outcome = 'running'")
}

/** The log of a body's transfers, newest first. */
export interface TransferLine {
  readonly id: string
  readonly bodyName: string
  readonly revision: number
  readonly outcome: string
  readonly startedAt: Date
  readonly compared: number | null
}

/** The transfers of one plan, newest first. */
export async function listTransfers(planId: string, most = 8): Promise<TransferLine[]> {
  return query<TransferLine>(
    `select t.id, b.name as "bodyName", r.number as revision, t.outcome, t.started_at as "startedAt",
       (t.record->>'compared')::int as compared
     from transfers t join bodies b on b.id = t.body_id join revisions r on r.id = t.revision_id
     where t.plan_id = $1 and t.owner_id = $2 order by t.started_at desc limit $3`,
    [planId, localOwner, most],
  )
}

async function* runStages(
  transfer: string,
  order: CarryOrder,
  body: Body,
  revision: Revision,
  stop: AbortSignal,
): AsyncGenerator<CarryNews, void, void> {
  let state = startCarry(body.state)
  let outcome: 'refused' | 'stopped' | 'identical' = 'stopped'
  let record: object | null = null
  try {
    yield { kind: 'begun', transfer, revision: revision.number }
    for (const [number, stage] of carryStages.entries()) {
      if (stop.aborted) {
        await note(transfer, number, stage, 'stopped', 'Stopped by you; the body is as it was.')
        return yield { kind: 'stopped', stage }
      }
      yield { kind: 'stage', stage }
      const ran = runStage(stage, order, state)
      if (!ran.ok) {
        outcome = 'refused'
        await note(transfer, number, stage, 'refused', ran.refusal.message)
        return yield { kind: 'refused', stage, refusal: ran.refusal }
      }
      await keepNewFiles(state, ran.value.state, body, revision)
      state = ran.value.state
      await note(transfer, number, stage, 'done', ran.value.log)
      yield { kind: 'done', stage, message: ran.value.log }
    }
    const signed = recordOf(transfer, body, revision, state)
    await keepState(body.id, state.body)
    outcome = 'identical'
    record = signed
    yield { kind: 'finished', compared: signed.compared, handWork: state.handWork, record: signed.signature }
  } finally {
    await end(transfer, outcome, record)
  }
}

function recordOf(transfer: string, body: Body, revision: Revision, state: CarryState) {
  const facts = {
    transfer,
    body: { name: body.name, serial: state.body.serial, firmware: state.body.firmware },
    revision: revision.number,
    files: state.files.map((file) => ({ role: file.role, name: file.name, digest: digestHex(file.bytes) })),
    compared: state.comparison?.compared ?? 0,
    handWork: state.handWork.map((line) => ({ setting: line.setting, wanted: line.wanted, done: line.done })),
  }
  return { ...facts, signature: digestHex(canonicalJson(facts)) }
}

async function keepNewFiles(
  before: CarryState,
  after: CarryState,
  body: Body,
  revision: Revision,
): Promise<void> {
  const words = {
    backup: `Backup of ${body.name} before the transfer`,
    sent: `Sent to ${body.name}`,
    readBack: `Read back from ${body.name}`,
  }
  for (const file of after.files.slice(before.files.length)) {
    await keepFile({
      kind: 'card',
      name: file.name,
      bytes: file.bytes,
      modelId: after.body.model.id,
      firmware: after.body.firmware,
      bodyId: body.id,
      revisionId: revision.id,
      note: words[file.role],
    })
  }
}

async function begin(planId: string, revisionId: string, bodyId: string): Promise<string | null> {
  const begun = await query<{ id: string }>(
    `insert into transfers (id, owner_id, plan_id, revision_id, body_id) values ($1, $2, $3, $4, $5)
     on conflict do nothing returning id`,
    [randomUUID(), localOwner, planId, revisionId, bodyId],
  )
  return begun[0]?.id ?? null
}

async function note(
  transfer: string,
  number: number,
  stage: string,
  outcome: string,
  message: string,
): Promise<void> {
  await query(
    'insert into transfer_log (transfer_id, number, stage, outcome, message) values ($1, $2, $3, $4, $5)',
    [transfer, number, stage, outcome, message],
  )
}

async function end(transfer: string, outcome: string, record: object | null): Promise<void> {
  await query('update transfers set outcome = $2, record = $3, ended_at = now() where id = $1', [
    transfer,
    outcome,
    record && JSON.stringify(record),
  ])
}
