import { randomUUID } from 'node:crypto'
import type { CarryState, Holds } from '@/core/camera/carry'
import type { CarryStage } from '@/core/camera/stages'
import type { CarryOrder } from '@/core/camera/carry-order'
import type { HandWork } from '@/core/camera/preflight'
import { canonicalJson } from '@/core/canonical-json'
import { digestHex } from '@/core/digest'
import { ok, refuse, type Result } from '@/core/result'
import type { Body } from './bodies'
import type { Opened } from './carry-sources'
import { isUuid, localOwner, query, within, type Connection } from './db'
import { keepFile } from './files'

/** A past transfer, or one that runs or waits. */
export interface TransferLine {
  readonly id: string
  readonly bodyId: string
  readonly bodyName: string
  readonly planId: string | null
  /** What it carried, in words. */
  readonly source: string
  readonly revision: number | null
  readonly outcome: string
  readonly holds: Holds | null
  /** The stage before which it waits, where it does. */
  readonly stage: CarryStage | null
  readonly startedAt: Date
  readonly compared: number | null
  readonly handWork: readonly KeptHandWork[]
  readonly files: readonly { readonly role: string; readonly id: string; readonly name: string }[]
  /** What each stage said, in order. */
  readonly log: readonly LoggedStage[]
}

/** A line of the log of a transfer. */
export interface LoggedStage {
  readonly stage: CarryStage
  readonly outcome: 'done' | 'refused' | 'stopped'
  readonly message: string
}

/** A line of hand work, and when its owner ticked it. */
export interface KeptHandWork extends HandWork {
  readonly tickedAt?: string
}

/** The newest transfers of a plan, to a body, or all of them. */
export async function listTransfers(
  of: { readonly plan?: string; readonly body?: string },
  most = 8,
): Promise<TransferLine[]> {
  return query<TransferLine>(
    `select t.id, t.body_id as "bodyId", b.name as "bodyName", t.plan_id as "planId", t.source, r.number as revision, t.outcome, t.holds,
       t.stage, t.started_at as "startedAt", coalesce(t.compared, (t.record->>'compared')::int) as compared,
       coalesce(t.hand_work, '[]') as "handWork",
       (select coalesce(json_agg(json_build_object('role', tf.role, 'id', f.id, 'name', f.name) order by f.added_at), '[]')
        from transfer_files tf join files f on f.id = tf.file_id where tf.transfer_id = t.id) as files,
       (select coalesce(json_agg(json_build_object('stage', l.stage, 'outcome', l.outcome, 'message', l.message) order by l.number), '[]')
        from transfer_log l where l.transfer_id = t.id) as log
     from transfers t join bodies b on b.id = t.body_id left join revisions r on r.id = t.revision_id
     where t.owner_id = $1 and ($2::uuid is null or t.plan_id = $2) and ($3::uuid is null or t.body_id = $3)
     order by t.started_at desc limit $4`,
    [localOwner, of.plan ?? null, of.body ?? null, most],
  )
}

/** Transfers that wait for somebody to go on, the newest first. */
export async function waitingTransfers(): Promise<Pick<TransferLine, 'id' | 'bodyName' | 'source'>[]> {
  return query(
    `select t.id, b.name as "bodyName", t.source from transfers t join bodies b on b.id = t.body_id
     where t.owner_id = $1 and t.outcome = 'paused' order by t.started_at desc limit 20`,
    [localOwner],
  )
}

/** A transfer under way. */
export interface Transfer {
  readonly id: string
  readonly order: CarryOrder
  readonly body: Body
  readonly words: string
  readonly revision: { readonly id: string; readonly number: number } | null
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
    source: transfer.words,
    revision: transfer.revision?.number ?? null,
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
      // What a body held before is not what was carried to it.
      revisionId: file.role === 'backup' ? null : (revision?.id ?? null),
      note: `${words[file.role]}.`,
    })
    await client.query('insert into transfer_files (transfer_id, role, file_id) values ($1, $2, $3)', [
      id,
      file.role,
      fileId,
    ])
  }
}

/** Begins a transfer; the caller holds the lease on the body. Refuses what cannot be carried as it is. */
export async function begin(
  lease: Connection,
  opened: Opened,
  body: Body,
  request: string | null,
): Promise<Result<Transfer>> {
  if (request !== null && (!isUuid(request) || (await isBegun(lease, request))))
    return refuse(
      'twice',
      `This very transfer to ${body.name} was begun already; it is not carried out twice. How it ended stands under “Carried so far”.`,
      body.name,
    )
  const id = randomUUID()
  const stem = freeStem(opened.stem, Object.keys(body.state.card?.files ?? {}))
  const order = opened.orderFor(body, { stem, atSeconds: Math.floor(Date.now() / 1000) })
  if (!order.ok) return order
  const { revision, words } = opened
  return within(lease, async (client) => {
    const file = opened.file && 'bytes' in opened.file ? await keepFile(client, opened.file) : null
    const fileId = file?.fileId ?? (opened.file && 'id' in opened.file ? opened.file.id : null)
    await client.query(
      `insert into transfers (id, owner_id, plan_id, revision_id, source_file, source_body, source, stem, by_hand, body_id, request)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
      [
        ...[id, localOwner, opened.planId, revision?.id ?? null],
        ...[fileId, opened.bodyId, words, stem],
        JSON.stringify(order.value.byHand.map(({ row, value }) => [row, value])),
        body.id,
        request,
      ],
    )
    return ok({ id, order: order.value, body, words, revision })
  })
}

async function isBegun(lease: Connection, request: string): Promise<boolean> {
  return (await lease.query('select 1 from transfers where request = $1', [request])).rowCount !== 0
}

/** A stem of which the card has no file yet: nothing on it is written over. */
function freeStem(stem: string, names: readonly string[]): string {
  const isFree = (one: string) => !names.some((name) => name === `${one}.SSC` || name.startsWith(`${one}-`))
  let number = 1
  while (!isFree(number === 1 ? stem : `${stem}${letterOf(number)}`)) number++
  return number === 1 ? stem : `${stem}${letterOf(number)}`
}

/** 2 → B, 3 → C, 27 → AA. */
function letterOf(number: number): string {
  const rest = Math.floor((number - 1) / 26)
  return `${rest > 0 ? letterOf(rest) : ''}${String.fromCharCode(65 + ((number - 1) % 26))}`
}

/** A transfer that has not been ended, its row locked: whether it runs, and what was asked of it meanwhile. */
export async function askedOf(
  client: Connection,
  transfer: string,
): Promise<{ readonly runs: boolean; readonly asked: 'pause' | 'stop' | null }> {
  const found = await client.query<{ outcome: string; asked: 'pause' | 'stop' | null }>(
    'select outcome, asked from transfers where id = $1 for update',
    [transfer],
  )
  const [row] = found.rows
  return { runs: row?.outcome === 'running', asked: row?.asked ?? null }
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
  await client.query(
    'update transfers set outcome = $2, holds = $3, asked = null, stage = null, ended_at = now() where id = $1',
    [id, outcome, holds],
  )
  return holds
}
