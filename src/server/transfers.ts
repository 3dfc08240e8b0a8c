import { randomUUID } from 'node:crypto'
import type { Client } from 'pg'
import {
  carryStages,
  holdsOf,
  letGo,
  runStage,
  startCarry,
  type CarryNews,
  type CarryOrder,
  type CarryStage,
  type CarryState,
  type Holds,
} from '@/core/camera/carry'
import { canonicalJson } from '@/core/json'
import { readCardFile } from '@/core/files/card-file'
import { digestHex } from '@/core/files/digest'
import { parsePlan } from '@/core/plan/plan'
import type { Rows } from '@/core/plan/rows'
import type { Refusal } from '@/core/result'
import { keepState, loadBody, lockBody, type Body } from './bodies'
import { close, localOwner, ownConnection, query, within, type Connection } from './db'
import { keepFile } from './files'
import { modelFor } from './models'
import { freezeRevision, type Revision } from './plans'
import { databaseTrouble } from './requests'

/**
 * Carries a plan to a body, telling each stage as it happens. Each stage commits the body, the files and the log together;
 * the last one commits the outcome, too. A refusal or a stop before the restart leaves what is in force as it was; after it
 * the news say what the body holds. The backup stays on the shelf.
 */
export async function* carry(
  planId: string,
  bodyId: string,
  stop: AbortSignal,
): AsyncGenerator<CarryNews, void, void> {
  const refused = (refusal: Refusal): CarryNews => ({ kind: 'refused', stage: null, refusal, holds: null })
  let lease: Client | null = null
  try {
    const body = await loadBody(bodyId)
    if (!body.ok) return yield refused(body.refusal)
    lease = await takeLease(bodyId)
    if (lease === null) {
      const message = `Another transfer to ${body.value.name} is running; wait until it has ended.`
      return yield refused({ code: 'busy', message, where: body.value.name })
    }
    await endDead(lease, bodyId)
    const revision = await freezeRevision(planId, `Carried to ${body.value.name}`)
    if (!revision.ok) return yield refused(revision.refusal)
    yield* runStages(lease, planId, body.value, revision.value, stop)
  } catch (error) {
    const trouble = databaseTrouble(error)
    if (!trouble) throw error
    yield refused(trouble)
  } finally {
    if (lease) await close(lease)
  }
}

/**
 * Ends every transfer whose process is gone, and says of each what its body holds. A transfer that runs keeps its lease,
 * so this never touches a living one.
 */
export async function endAbandoned(): Promise<void> {
  const running = await query<{ body_id: string }>(
    "select distinct body_id from transfers where outcome = 'running'",
  )
  for (const { body_id: bodyId } of running) {
    const lease = await takeLease(bodyId)
    if (lease === null) continue
    try {
      await endDead(lease, bodyId)
    } finally {
      await close(lease)
    }
  }
}

/** The log of a plan's transfers, newest first. */
export interface TransferLine {
  readonly id: string
  readonly bodyName: string
  readonly revision: number
  readonly outcome: string
  readonly holds: Holds | null
  readonly startedAt: Date
  readonly compared: number | null
}

/** The transfers of one plan, newest first. */
export async function listTransfers(planId: string, most = 8): Promise<TransferLine[]> {
  return query<TransferLine>(
    `select t.id, b.name as "bodyName", r.number as revision, t.outcome, t.holds, t.started_at as "startedAt",
       (t.record->>'compared')::int as compared
     from transfers t join bodies b on b.id = t.body_id join revisions r on r.id = t.revision_id
     where t.plan_id = $1 and t.owner_id = $2 order by t.started_at desc limit $3`,
    [planId, localOwner, most],
  )
}

/** A transfer under way. */
interface Transfer {
  readonly id: string
  readonly order: CarryOrder
  readonly body: Body
  readonly revision: Revision
}

/** What one transaction made of a stage. */
type Ran =
  | {
      readonly kind: 'done'
      readonly state: CarryState
      readonly log: string
      readonly record: TransferRecord | null
    }
  | { readonly kind: 'ended'; readonly refusal: Refusal | null; readonly holds: Holds }

/**
 * The lease on a body: a lock of a connection of one's own. It ends when the transfer does, when its process dies, and
 * when the database does: nobody has to wait for it or to guess. Null while another has it.
 */
async function takeLease(bodyId: string): Promise<Client | null> {
  const connection = await ownConnection()
  let isMine = false
  try {
    const taken = await connection.query<{ taken: boolean }>(
      'select pg_try_advisory_lock(hashtextextended($1, 4178)) as taken',
      [bodyId],
    )
    isMine = taken.rows[0]?.taken === true
    return isMine ? connection : null
  } finally {
    if (!isMine) await close(connection)
  }
}

async function* runStages(
  lease: Client,
  planId: string,
  body: Body,
  revision: Revision,
  stop: AbortSignal,
): AsyncGenerator<CarryNews, void, void> {
  const transfer = await begin(lease, planId, body, revision)
  let state = startCarry(body.state)
  let at: CarryStage = 'preflight'
  let isOpen = true
  try {
    yield { kind: 'begun', transfer: transfer.id, revision: revision.number }
    for (const stage of carryStages) {
      at = stage
      if (stop.aborted) {
        isOpen = false
        return yield { kind: 'stopped', stage, holds: await stopHere(lease, transfer, state, stage) }
      }
      yield { kind: 'stage', stage }
      const ran = await within(lease, (client) => runOne(client, transfer, state, stage))
      if (ran.kind === 'ended') {
        isOpen = false
        const refusal = ran.refusal ?? endedElsewhere(body)
        return yield { kind: 'refused', stage, refusal, holds: ran.holds }
      }
      state = ran.state
      if (ran.record) isOpen = false
      yield { kind: 'done', stage, message: ran.log }
      if (ran.record)
        yield {
          kind: 'finished',
          compared: ran.record.compared,
          handWork: state.handWork,
          record: ran.record.signature,
        }
    }
  } catch (error) {
    const refusal = databaseTrouble(error)
    if (!refusal) throw error
    isOpen = false
    yield { kind: 'refused', stage: at, refusal, holds: null }
  } finally {
    // Whoever was listening has gone. Should this fail, the next who asks ends the transfer.
    if (isOpen) await stopHere(lease, transfer, state, at).catch(() => undefined)
  }
}

/** Runs a stage on the body as it is now, and keeps all that came of it. */
async function runOne(
  client: Connection,
  transfer: Transfer,
  before: CarryState,
  stage: CarryStage,
): Promise<Ran> {
  const body = await lockBody(client, transfer.body.id)
  if (!body.ok) return { kind: 'ended', refusal: body.refusal, holds: 'before' }
  const current = { ...before, body: body.value.state }
  if (!(await isRunning(client, transfer.id))) {
    const holds = holdsOf(transfer.order, current.body, rowsBefore(transfer, before))
    return { kind: 'ended', refusal: null, holds }
  }
  const ran = runStage(stage, transfer.order, current)
  if (!ran.ok) {
    await note(client, transfer.id, stage, 'refused', ran.refusal.message)
    const holds = await breakOff(client, transfer, current, stage, 'refused')
    return { kind: 'ended', refusal: ran.refusal, holds }
  }
  const { state, log } = ran.value
  await keepState(client, transfer.body.id, current.body, state.body)
  await keepNewFiles(client, transfer, before, state)
  await note(client, transfer.id, stage, 'done', log)
  if (stage !== carryStages.at(-1)) return { kind: 'done', state, log, record: null }
  const record = recordOf(transfer, state)
  await client.query(
    "update transfers set outcome = 'identical', holds = 'plan', record = $2, ended_at = now() where id = $1",
    [transfer.id, JSON.stringify(record)],
  )
  return { kind: 'done', state, log, record }
}

/** Ends a transfer that its owner stopped: what was read and is not in force yet is let go. */
function stopHere(lease: Client, transfer: Transfer, state: CarryState, stage: CarryStage): Promise<Holds> {
  return within(lease, async (client) => {
    const body = await lockBody(client, transfer.body.id)
    if (!body.ok || !(await isRunning(client, transfer.id))) return 'before'
    const current = { ...state, body: body.value.state }
    const holds = await breakOff(client, transfer, current, stage, 'stopped')
    await note(client, transfer.id, stage, 'stopped', `Stopped by you. ${holdsWords[holds]}`)
    return holds
  })
}

/** Ends a transfer before this stage; what is not in force by then is let go. Gives what the body holds. */
async function breakOff(
  client: Connection,
  transfer: Transfer,
  state: CarryState,
  stage: CarryStage,
  outcome: 'refused' | 'stopped',
): Promise<Holds> {
  const isInForce = carryStages.indexOf(stage) > carryStages.indexOf('restart')
  const after = isInForce ? state.body : letGo(transfer.body.state, state.files, state.body)
  await keepState(client, transfer.body.id, state.body, after)
  return end(client, transfer, outcome, holdsOf(transfer.order, after, rowsBefore(transfer, state)))
}

const holdsWords: Record<Holds, string> = {
  before: 'What is in force on the body is as it was.',
  loaded: 'The body has read the file; it takes effect at its next restart.',
  plan: 'The body holds the plan; it was not confirmed to the end.',
  other: 'The body holds something else than before and than the plan; its backup is on the shelf.',
}

/** Ends the transfers that a dead process left running; the caller has the lease, so none of them lives. */
async function endDead(lease: Client, bodyId: string): Promise<void> {
  const dead = await lease.query<DeadTransfer>(
    `select t.id, r.rows, r.number, p.model_id, r.model_version,
       (select f.bytes from transfer_files tf join files f on f.id = tf.file_id
        where tf.transfer_id = t.id and tf.role = 'backup') as backup
     from transfers t join revisions r on r.id = t.revision_id join plans p on p.id = t.plan_id
     where t.body_id = $1 and t.outcome = 'running'`,
    [bodyId],
  )
  for (const one of dead.rows)
    await within(lease, async (client) => {
      const body = await lockBody(client, bodyId)
      const holds = body.ok ? await holdsAfter(one, body.value) : 'other'
      await note(client, one.id, null, 'stopped', `Salt Shelf ended while this ran. ${holdsWords[holds]}`)
      await end(client, one, 'stopped', holds)
    })
}

interface DeadTransfer {
  readonly id: string
  readonly rows: unknown
  readonly number: number
  readonly model_id: string
  readonly model_version: number
  readonly backup: Buffer | null
}

async function holdsAfter(dead: DeadTransfer, body: Body): Promise<Holds> {
  const model = await modelFor(dead.model_id, dead.model_version)
  const plan = model && parsePlan(model, (dead.rows ?? {}) as Record<string, unknown>)
  if (!model || !plan?.ok) return 'other'
  const backup = dead.backup && readCardFile(model, new Uint8Array(dead.backup), 'backup')
  const order = { model, plan: plan.value, tag: body.tag, stem: '', atSeconds: 0 }
  return holdsOf(order, body.state, backup?.ok ? backup.value.rows : null)
}

function rowsBefore({ order }: Transfer, state: CarryState): Rows | null {
  const backup = state.files.find((file) => file.role === 'backup')
  const read = backup && readCardFile(order.model, backup.bytes, backup.name)
  return read?.ok ? read.value.rows : null
}

function endedElsewhere(body: Body): Refusal {
  const message = 'This transfer was ended from elsewhere.'
  return { code: 'ended', message, where: body.name }
}

interface TransferRecord {
  readonly compared: number
  readonly signature: string
}

function recordOf(transfer: Transfer, state: CarryState): TransferRecord {
  const facts = {
    transfer: transfer.id,
    body: { name: transfer.body.name, serial: state.body.serial, firmware: state.body.firmware },
    revision: transfer.revision.number,
    files: state.files.map((file) => ({ role: file.role, name: file.name, digest: digestHex(file.bytes) })),
    compared: state.comparison?.compared ?? 0,
    handWork: state.handWork.map((line) => ({ setting: line.setting, wanted: line.wanted, done: line.done })),
  }
  return { ...facts, signature: digestHex(canonicalJson(facts)) }
}

async function keepNewFiles(
  client: Connection,
  { id, body, revision }: Transfer,
  before: CarryState,
  after: CarryState,
): Promise<void> {
  const words = {
    backup: `Backup of ${body.name} before the transfer`,
    sent: `Sent to ${body.name}`,
    readBack: `Read back from ${body.name}`,
  }
  for (const file of after.files.slice(before.files.length)) {
    const { fileId } = await keepFile(client, {
      kind: 'card',
      name: file.name,
      bytes: file.bytes,
      modelId: after.body.model.id,
      firmware: after.body.firmware,
      bodyId: body.id,
      revisionId: revision.id,
      note: `${words[file.role]}.`,
    })
    await client.query('insert into transfer_files (transfer_id, role, file_id) values ($1, $2, $3)', [
      id,
      file.role,
      fileId,
    ])
  }
}

async function begin(lease: Client, planId: string, body: Body, revision: Revision): Promise<Transfer> {
  const id = randomUUID()
  await lease.query(
    'insert into transfers (id, owner_id, plan_id, revision_id, body_id) values ($1, $2, $3, $4, $5)',
    [id, localOwner, planId, revision.id, body.id],
  )
  const order = {
    model: revision.model,
    plan: revision.plan,
    tag: body.tag,
    stem: `REV${revision.number}`,
    atSeconds: Math.floor(Date.now() / 1000),
  }
  return { id, order, body, revision }
}

async function isRunning(client: Connection, transfer: string): Promise<boolean> {
  const found = await client.query<{ outcome: string }>(
    'select outcome from transfers where id = $1 for update',
    [transfer],
  )
  return found.rows[0]?.outcome === 'running'
}

async function note(
  client: Connection,
  transfer: string,
  stage: CarryStage | null,
  outcome: 'done' | 'refused' | 'stopped',
  message: string,
): Promise<void> {
  await client.query(
    `insert into transfer_log (transfer_id, number, stage, outcome, message)
     select $1, coalesce(max(number) + 1, 0), coalesce($2, (array_agg(stage order by number desc))[1], 'preflight'), $3, $4
     from transfer_log where transfer_id = $1`,
    [transfer, stage, outcome, message],
  )
}

async function end(
  client: Connection,
  { id }: Pick<Transfer, 'id'>,
  outcome: 'refused' | 'stopped',
  holds: Holds,
): Promise<Holds> {
  await client.query('update transfers set outcome = $2, holds = $3, ended_at = now() where id = $1', [
    id,
    outcome,
    holds,
  ])
  return holds
}
