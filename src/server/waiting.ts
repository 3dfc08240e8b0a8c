import { onEdition } from '@/core/camera/body'
import {
  fileNameOf,
  holdsOf,
  standOf,
  type CarriedFile,
  type CarryState,
  type Holds,
} from '@/core/camera/carry'
import { carryStages, type CarryStage } from '@/core/camera/stages'
import { orderOfBody, orderOfPlan, type CarryOrder, type WantedByHand } from '@/core/camera/carry-order'
import { readCardFile } from '@/core/files/card-file'
import type { BodyModel } from '@/core/model/types'
import { readMemory } from '@/core/camera/memory'
import { parseRow, rowIdOf } from '@/core/plan/rows'
import { knownRows } from '@/core/plan/written'
import { ok, refuse, type Refusal, type Result } from '@/core/result'
import { readValue } from '@/core/plan/limits'
import { lockBody, type Body } from './bodies'
import { orderOfKept, readKept } from './carry-sources'
import { isUuid, localOwner, query, type Connection } from './db'
import { modelFor } from './models'
import { end, holdsWords, note, type KeptHandWork, type Transfer } from './transfer-log'

/** The body of a transfer that waits; null where there is no such transfer. */
export async function targetOf(transferId: string): Promise<string | null> {
  if (!isUuid(transferId)) return null
  const rows = await query<{ body_id: string }>(
    "select body_id from transfers where id = $1 and owner_id = $2 and outcome = 'paused'",
    [transferId, localOwner],
  )
  return rows[0]?.body_id ?? null
}

/** Leaves a transfer before a stage, to be taken up whenever somebody says so: it holds nothing meanwhile. */
export async function wait(
  client: Connection,
  transfer: Transfer,
  state: CarryState,
  stage: CarryStage,
): Promise<void> {
  const body = await lockBody(client, transfer.body.id)
  const stand = body.ok ? standOf(onEdition(transfer.order.model, body.value.state)) : ''
  await client.query(
    `update transfers set outcome = 'paused', asked = null, stage = $2, stand = $3, compared = $4 where id = $1`,
    [transfer.id, stage, stand, state.comparison?.compared ?? null],
  )
  await note(client, transfer.id, stage, 'stopped', 'Waits here until you say to go on.')
}

/** A transfer taken up where it was left, or why it cannot be. */
type TakenUp =
  | { readonly ok: true; readonly transfer: Transfer; readonly state: CarryState; readonly stage: CarryStage }
  | { readonly ok: false; readonly refusal: Refusal; readonly holds: Holds | null }

/** Takes a waiting transfer up; the caller holds the lease on its body. */
export async function takeUp(client: Connection, transferId: string): Promise<TakenUp> {
  const row = await transferRow(client, transferId)
  if (row?.outcome !== 'paused')
    return refusedHere('unknown-transfer', 'This transfer does not wait any more.', transferId)
  const body = await lockBody(client, row.body_id)
  if (!body.ok) return { ok: false, refusal: body.refusal, holds: null }
  const order = await orderOf(row, body.value)
  if (!order.ok) return { ok: false, refusal: order.refusal, holds: null }
  const files = await filesOf(client, transferId)
  const current = onEdition(order.value.model, body.value.state)
  const stage = carryStages.find((one) => one === row.stage)
  if (stage === undefined || standOf(current) !== row.stand) {
    const holds = holdsOf(order.value, current, rowsBefore(order.value.model, files))
    const message = `${body.value.name} is not as this transfer left it: its memory, its card or its firmware has changed. ${holdsWords[holds]} Carry anew; the backup stays on the shelf.`
    await note(client, transferId, null, 'refused', message)
    await end(client, { id: transferId }, 'refused', holds)
    return { ok: false, refusal: { code: 'moved-on', message, where: body.value.name }, holds }
  }
  await client.query("update transfers set outcome = 'running', stand = null where id = $1", [transferId])
  const revision =
    row.revision_id === null || row.number === null ? null : { id: row.revision_id, number: row.number }
  // The files of it are on the card by now: what was there before them has other names.
  const before = withoutFiles(body.value, files)
  const compared = row.compared
  return {
    ok: true,
    stage,
    transfer: { id: row.id, order: order.value, body: before, words: row.source, revision },
    state: {
      ...{ body: current, files, handWork: [] },
      comparison: compared === null ? null : { compared, differences: [], saidOnly: [] },
    },
  }
}

function refusedHere(code: string, message: string, where: string): TakenUp {
  return { ok: false, refusal: { code, message, where }, holds: null }
}

function withoutFiles(body: Body, files: readonly CarriedFile[]): Body {
  const { card } = body.state
  if (card === null) return body
  const mine = new Set(files.map(({ name }) => name))
  const left = Object.fromEntries(Object.entries(card.files).filter(([name]) => !mine.has(name)))
  return { ...body, state: { ...body.state, card: { ...card, files: left } } }
}

/** The rows a body had before a transfer, by its backup; null where there is none yet. */
export function rowsBefore(model: BodyModel, files: readonly CarriedFile[]) {
  const backup = files.find(({ role }) => role === 'backup')
  const read = backup && readCardFile(model, backup.bytes, backup.name)
  return read?.ok ? read.value.rows : null
}

/** A transfer as the store has it, with what it carries. */
export interface TransferRow {
  readonly id: string
  readonly body_id: string
  readonly outcome: string
  readonly source: string
  readonly stem: string
  readonly stage: string | null
  readonly stand: string | null
  readonly compared: number | null
  readonly by_hand: readonly (readonly [string, unknown])[] | null
  readonly started_at: Date
  readonly model_id: string | null
  readonly model_version: number | null
  readonly revision_id: string | null
  readonly number: number | null
  readonly rows: Record<string, unknown> | null
  readonly source_body: string | null
  readonly file_name: string | null
  readonly file_bytes: Buffer | null
}

const transferQuery = `select t.*, r.number, r.rows, p.model_id, r.model_version, f.name as file_name, f.bytes as file_bytes
  from transfers t left join revisions r on r.id = t.revision_id left join plans p on p.id = r.plan_id
  left join files f on f.id = t.source_file`

async function transferRow(client: Connection, id: string): Promise<TransferRow | undefined> {
  const found = await client.query<TransferRow>(`${transferQuery} where t.id = $1 for update of t`, [id])
  return found.rows[0]
}

/** The transfers that run to a body, as the store has them. */
export async function runningTo(client: Connection, bodyId: string): Promise<TransferRow[]> {
  const found = await client.query<TransferRow>(
    `${transferQuery} where t.body_id = $1 and t.outcome = 'running'`,
    [bodyId],
  )
  return found.rows
}

/** What a transfer carries, made again from what is kept of it. */
export async function orderOf(row: TransferRow, body: Body): Promise<Result<CarryOrder>> {
  const written = { stem: row.stem, atSeconds: Math.floor(row.started_at.getTime() / 1000) }
  const kept = await keptOrder(row, body, written)
  return kept.ok && row.by_hand
    ? ok({ ...kept.value, byHand: byHandIn(kept.value.model, row.by_hand) })
    : kept
}

async function keptOrder(
  row: TransferRow,
  body: Body,
  written: Pick<CarryOrder, 'stem' | 'atSeconds'>,
): Promise<Result<CarryOrder>> {
  const { file_bytes: bytes, file_name: name } = row
  if (bytes !== null && name !== null) {
    const file = await readKept(name, new Uint8Array(bytes))
    if (!file.ok) return file
    if (row.source_body === null) return orderOfKept(file.value, body.model, written)
    return ok(orderOfBody(body.model, readMemory(body.model, file.value.rows), written))
  }
  // The body went over to the edition of what is carried to it before anything else was done.
  const isOwn = row.model_id === body.model.id
  const model = isOwn ? body.model : await modelFor(row.model_id ?? '', row.model_version ?? 0)
  if (!model || row.rows === null)
    return refuse('unknown-model', 'What this transfer carries cannot be read any more.', row.source)
  const { rows } = knownRows(model, row.rows)
  const plan = { model: { id: model.id, version: model.version }, rows }
  return ok(orderOfPlan(model, plan, body.tag, written))
}

function byHandIn(model: BodyModel, kept: readonly (readonly [string, unknown])[]): WantedByHand[] {
  return kept.flatMap(([id, given]) => {
    const parsed = parseRow(model, id)
    const value = readValue(given, id)
    if (!parsed.ok || parsed.value.kind !== 'base' || !value.ok) return []
    return [{ setting: parsed.value.setting, row: rowIdOf(parsed.value), value: value.value }]
  })
}

/** The files a transfer has made so far, in the order in which they were made. */
export async function filesOf(client: Connection, transferId: string): Promise<CarriedFile[]> {
  const found = await client.query<{ role: CarriedFile['role']; name: string; bytes: Buffer; stem: string }>(
    `select tf.role, f.name, f.bytes, t.stem from transfer_files tf join files f on f.id = tf.file_id
     join transfers t on t.id = tf.transfer_id where tf.transfer_id = $1
     order by array_position(array['backup', 'sent', 'readBack'], tf.role)`,
    [transferId],
  )
  // The shelf may know the same bytes by another name.
  return found.rows.map(({ role, bytes, stem }) => ({
    role,
    name: fileNameOf(stem, role),
    bytes: new Uint8Array(bytes),
  }))
}

/** Asks a transfer that runs to pause or stop before its next stage; false where none runs at this address. */
export async function askRunning(id: string, asked: 'pause' | 'stop'): Promise<boolean> {
  if (!isUuid(id)) return false
  const rows = await query(
    "update transfers set asked = $3 where id = $1 and owner_id = $2 and outcome = 'running' returning id",
    [id, localOwner, asked],
  )
  return rows.length > 0
}

/** Ticks a line of hand work of a transfer, or takes the tick away. */
export async function tickHandWork(
  id: string,
  setting: string,
  isDone: boolean,
): Promise<Result<KeptHandWork[]>> {
  const unknown = refuse('unknown-transfer', 'There is no such transfer.', id)
  if (!isUuid(id)) return unknown
  const rows = await query<{ hand_work: KeptHandWork[] }>(
    `update transfers set hand_work = (
       select jsonb_agg(case when line ->> 'setting' = $3 then (line - 'tickedAt')
         || jsonb_build_object('done', $4::boolean) || case when $4 then jsonb_build_object('tickedAt', now()) else '{}' end
         else line end order by number)
       from jsonb_array_elements(hand_work) with ordinality lines (line, number))
     where id = $1 and owner_id = $2 and hand_work @> jsonb_build_array(jsonb_build_object('setting', $3::text))
     returning hand_work`,
    [id, localOwner, setting, isDone],
  )
  return rows[0] ? ok(rows[0].hand_work) : unknown
}
