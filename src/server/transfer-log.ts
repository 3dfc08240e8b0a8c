import { randomUUID } from 'node:crypto'
import type { CarryOrder, CarryStage, CarryState, Holds } from '@/core/camera/carry'
import { canonicalJson } from '@/core/json'
import { digestHex } from '@/core/digest'
import type { Body } from './bodies'
import { localOwner, query, type Connection } from './db'
import { keepFile } from './files'
import type { Revision } from './plans'

/** A past transfer, or one that runs. */
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
export interface Transfer {
  readonly id: string
  readonly order: CarryOrder
  readonly body: Body
  readonly revision: Revision
}

/** What a body holds, as the log of a transfer says it. */
export const holdsWords: Record<Holds, string> = {
  before: 'What is in force on the body is as it was.',
  loaded: 'The body has read the file; it takes effect at its next restart.',
  plan: 'The body holds the plan; it was not confirmed to the end.',
  other: 'The body holds something else than before and than the plan; its backup is on the shelf.',
}

/** The signed record of a transfer that ended well. */
export interface TransferRecord {
  readonly compared: number
  readonly signature: string
}

/** What a transfer did, with a signature over all of it. */
export function recordOf(transfer: Transfer, state: CarryState): TransferRecord {
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

/** Keeps the files a stage made, with what each was to the transfer. */
export async function keepNewFiles(
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

/** Begins a transfer; the caller holds the lease on the body. */
export async function begin(
  lease: Connection,
  planId: string,
  body: Body,
  revision: Revision,
): Promise<Transfer> {
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

/** Whether a transfer has not been ended, its row locked. */
export async function isRunning(client: Connection, transfer: string): Promise<boolean> {
  const found = await client.query<{ outcome: string }>(
    'select outcome from transfers where id = $1 for update',
    [transfer],
  )
  return found.rows[0]?.outcome === 'running'
}

/** Writes the next line of a transfer's log; without a stage it is that of the line before. */
export async function note(
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

/** Ends a transfer that did not end well, with what the body holds. */
export async function end(
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
