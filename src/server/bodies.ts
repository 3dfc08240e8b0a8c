import * as yup from 'yup'
import type { BodyState, Card } from '@/core/camera/body'
import type { CardCondition } from '@/core/camera/card-condition'
import { type Holds } from '@/core/camera/carry'
import { carryStages, type CarryStage } from '@/core/camera/stages'
import { isMishap, type MishapId } from '@/core/camera/mishaps'
import type { Memory } from '@/core/camera/memory'
import type { BodyModel } from '@/core/model/types'
import { readValue } from '@/core/plan/limits'
import { ok, refuse, type Refusal, type Result } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import { isUuid, localOwner, query, transaction, type Connection } from './db'
import { modelFor } from './models'

/** A camera body of the owner: simulated, or a real one of which only the record is meant. */
export interface Body {
  readonly id: string
  readonly tag: string
  readonly name: string
  /** Where it works, such as "front of house". */
  readonly place: string
  readonly model: BodyModel
  readonly state: BodyState
  /** What is to go wrong with it, and before which stage of its next transfer. */
  readonly mishaps: readonly Mishap[]
  /** The lens that is on it, by the id of its definition; null for none. */
  readonly lens: string | null
  /** It was removed from the inventory: kept with its transfers, and nothing more is carried to it. */
  readonly isGone: boolean
  /** A camera in somebody's hand: what is simulated of it means nothing. */
  readonly isReal: boolean
  /** How its last transfer ended, or null. */
  readonly lastTransfer: {
    readonly outcome: string
    readonly holds: Holds | null
    /** What it carried, in words. */
    readonly source: string
    readonly endedAt: Date
  } | null
}

/** Something that is to go wrong, once. */
export interface Mishap {
  readonly stage: CarryStage
  readonly what: MishapId
}

/** A body that cannot be shown, and why. */
export interface LostBody {
  readonly id: string
  readonly name: string
  readonly trouble: Refusal
}

/** Every simulated body whose name or place has every word, by name, and those that cannot be shown. */
export async function listBodies(
  patterns: readonly string[] = [],
): Promise<{ bodies: Body[]; lost: LostBody[] }> {
  const rows = await query<BodyRow>(
    `${bodyQuery} where b.owner_id = $1 and not b.gone and not b.is_real and b.name || ' ' || b.place ilike all ($2::text[])
     order by b.name`,
    [localOwner, patterns],
  )
  const read = await Promise.all(rows.map(async (row) => ({ row, body: await bodyOf(row) })))
  return {
    bodies: read.flatMap(({ body }) => (body.ok ? [body.value] : [])),
    lost: read.flatMap(({ row, body }) =>
      body.ok ? [] : [{ id: row.id, name: row.name, trouble: body.refusal }],
    ),
  }
}

/** The body that is called by a tag; null where there is none. */
export async function bodyTagged(tag: string): Promise<Result<Body> | null> {
  const rows = await query<BodyRow>(`${bodyQuery} where b.owner_id = $1 and b.tag = $2 and not b.gone`, [
    localOwner,
    tag,
  ])
  return rows[0] ? bodyOf(rows[0]) : null
}

/** The other simulated bodies of a body's model, by name. */
export function twinsOf({ id, model }: Body): Promise<{ readonly tag: string; readonly name: string }[]> {
  return query(
    `select tag, name from bodies where owner_id = $1 and model_id = $2 and id <> $3 and not gone and not is_real order by name`,
    [localOwner, model.id, id],
  )
}

/** One simulated body, or a refusal. */
export async function loadBody(id: string): Promise<Result<Body>> {
  if (!isUuid(id)) return refuse('unknown-body', 'There is no such body.', id)
  const rows = await query<BodyRow>(`${bodyQuery} where b.owner_id = $1 and b.id = $2`, [localOwner, id])
  return rows[0] ? simulatedOf(rows[0]) : refuse('unknown-body', 'There is no such body.', id)
}

/** A simulated body; refuses a real one, to which nothing is done from here. */
async function simulatedOf(row: BodyRow): Promise<Result<Body>> {
  if (!row.is_real) return bodyOf(row)
  const message = `${row.name} is a real camera: nothing is simulated behind it. Its files are carried by hand, with a walk.`
  return refuse('real-body', message, row.name)
}

/**
 * One body with its row locked until the transaction ends: whoever changes a body, be it a stage of a carry or a change
 * of its card, holds this lock from reading to writing.
 */
export async function lockBody(client: Connection, id: string): Promise<Result<Body>> {
  if (!isUuid(id)) return refuse('unknown-body', 'There is no such body.', id)
  const found = await client.query<BodyRow>(
    `select b.*, ${cardFiles} as card_files, null as outcome, null as holds, null as source, null as ended_at
     from bodies b where b.owner_id = $1 and b.id = $2 for update of b`,
    [localOwner, id],
  )
  return found.rows[0] ? simulatedOf(found.rows[0]) : refuse('unknown-body', 'There is no such body.', id)
}

/** Writes what differs between a locked body's states, and nothing else. */
export async function keepState(
  client: Connection,
  id: string,
  before: BodyState,
  after: BodyState,
): Promise<void> {
  const columns: [string, unknown][] = []
  if (after.model.version !== before.model.version) columns.push(['model_version', after.model.version])
  if (after.memory !== before.memory) columns.push(['memory', JSON.stringify(after.memory)])
  if (after.pending !== before.pending)
    columns.push(['pending', after.pending && JSON.stringify(after.pending)])
  if (after.card !== before.card) columns.push(['card', after.card && JSON.stringify(storedCard(after.card))])
  if (after.batteryPercent !== before.batteryPercent) columns.push(['battery_percent', after.batteryPercent])
  for (const [column, value] of columns)
    await client.query(`update bodies set ${column} = $2 where id = $1`, [id, value])
  if (after.card?.files !== before.card?.files)
    await keepCardFiles(client, id, before.card?.files ?? {}, after.card?.files ?? {})
}

/** Adds a body, or puts one with this id back as given. */
export async function putBody(body: NewBody): Promise<void> {
  await transaction((client) => writeBody(client, body))
}

/** A body without the history that only the store has. */
export type NewBody = Omit<Body, 'lastTransfer' | 'mishaps' | 'isGone' | 'isReal' | 'lens'>

/** The same within a transaction. */
export async function writeBody(client: Connection, body: NewBody): Promise<void> {
  const { state } = body
  await client.query(
    `insert into bodies (id, owner_id, model_id, model_version, tag, name, place, serial, firmware, memory, pending, card,
       battery_percent)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
     on conflict (id) do update set model_id = excluded.model_id, model_version = excluded.model_version,
       name = excluded.name, place = excluded.place, serial = excluded.serial, firmware = excluded.firmware,
       memory = excluded.memory, pending = excluded.pending, card = excluded.card,
       battery_percent = excluded.battery_percent, gone = false`,
    [
      body.id,
      localOwner,
      body.model.id,
      body.model.version,
      body.tag,
      body.name,
      body.place,
      state.serial,
      state.firmware,
      JSON.stringify(state.memory),
      state.pending && JSON.stringify(state.pending),
      state.card && JSON.stringify(storedCard(state.card)),
      state.batteryPercent,
    ],
  )
  await client.query('delete from card_files where body_id = $1', [body.id])
  await keepCardFiles(client, body.id, {}, state.card?.files ?? {})
}

/** The condition a card shows. */
export function cardConditionOf(state: BodyState): CardCondition {
  if (state.card === null) return 'none'
  if (state.card.locked) return 'locked'
  return state.card.freeBytes < 100_000 ? 'full' : 'ready'
}

interface BodyRow {
  readonly id: string
  readonly tag: string
  readonly name: string
  readonly place: string
  readonly model_id: string
  readonly model_version: number
  readonly serial: string
  readonly firmware: string
  readonly memory: unknown
  readonly pending: unknown
  readonly card: unknown
  readonly mishaps: unknown
  readonly gone: boolean
  readonly lens: string | null
  readonly is_real: boolean
  readonly battery_percent: number
  /** Pairs of name and bytes as hexadecimal text. */
  readonly card_files: readonly (readonly [string, string])[] | null
  readonly outcome: string | null
  readonly holds: Holds | null
  readonly source: string | null
  readonly ended_at: Date | null
}

const cardFiles = `(select json_agg(json_build_array(name, encode(bytes, 'hex')) order by name) from card_files where body_id = b.id)`

const bodyQuery = `
  select b.*, ${cardFiles} as card_files, t.outcome, t.holds, t.source, t.ended_at from bodies b
  left join lateral (
    select transfers.outcome, transfers.holds, transfers.source, transfers.ended_at from transfers
    where transfers.body_id = b.id and transfers.ended_at is not null
    order by transfers.started_at desc limit 1
  ) t on true`

async function bodyOf(row: BodyRow): Promise<Result<Body>> {
  const model = await modelFor(row.model_id, row.model_version)
  if (!model) {
    const message = `Edition ${row.model_version} of the model ${row.model_id} is missing, or of a format that is not read any more. The body is kept as it is.`
    return refuse('unknown-model', message, row.name)
  }
  const memory = memoryIn(row.memory)
  const pending = row.pending === null ? ok(null) : memoryIn(row.pending)
  const card = row.card === null ? ok(null) : cardIn(row.card, row.card_files ?? [])
  for (const part of [memory, pending, card])
    if (!part.ok)
      return refuse(
        'damaged-row',
        `What is kept of ${row.name} cannot be read: ${part.refusal.message}`,
        row.name,
      )
  if (!memory.ok || !pending.ok || !card.ok) return refuse('damaged-row', 'It cannot be read.', row.name)
  const { outcome, holds, source, ended_at: endedAt } = row
  return ok({
    id: row.id,
    tag: row.tag,
    name: row.name,
    place: row.place,
    model,
    state: {
      model: { id: row.model_id, version: row.model_version },
      firmware: row.firmware,
      serial: row.serial,
      memory: memory.value,
      pending: pending.value,
      card: card.value,
      batteryPercent: row.battery_percent,
    },
    mishaps: mishapsIn(row.mishaps),
    lens: row.lens,
    isGone: row.gone,
    isReal: row.is_real,
    lastTransfer:
      outcome !== null && source !== null && endedAt !== null ? { outcome, holds, source, endedAt } : null,
  })
}

function memoryIn(column: unknown): Result<Memory> {
  const rows: Record<string, Value> = {}
  for (const [row, given] of Object.entries((column ?? {}) as Record<string, unknown>)) {
    const value = readValue(given, row)
    if (!value.ok) return refuse(value.refusal.code, `${row}: ${value.refusal.message}`, row)
    rows[row] = value.value
  }
  return ok(rows)
}

/** What is to go wrong, as far as it is understood. */
function mishapsIn(column: unknown): Mishap[] {
  return (Array.isArray(column) ? (column as { stage?: unknown; what?: unknown }[]) : []).flatMap(
    ({ stage, what }) => {
      const known = carryStages.find((one) => one === stage)
      return known && isMishap(what) ? [{ stage: known, what }] : []
    },
  )
}

const cardShape = yup
  .object({
    locked: yup.boolean().strict().required(),
    freeBytes: yup.number().strict().required().min(0),
  })
  .strict()
  .noUnknown()

function cardIn(column: unknown, files: readonly (readonly [string, string])[]): Result<Card> {
  if (!cardShape.isValidSync(column, { strict: true })) return refuse('shape', 'its card has the wrong shape')
  const { locked, freeBytes } = column
  const entries = files.map(([name, hex]) => [name, new Uint8Array(Buffer.from(hex, 'hex'))] as const)
  return ok({ locked, freeBytes, files: Object.fromEntries(entries) })
}

function storedCard({ locked, freeBytes }: Card): Omit<Card, 'files'> {
  return { locked, freeBytes }
}

async function keepCardFiles(
  client: Connection,
  id: string,
  before: Card['files'],
  after: Card['files'],
): Promise<void> {
  const gone = Object.keys(before).filter((name) => !Object.hasOwn(after, name))
  if (gone.length > 0)
    await client.query('delete from card_files where body_id = $1 and name = any($2)', [id, gone])
  for (const [name, bytes] of Object.entries(after)) {
    if (before[name] === bytes) continue
    await client.query(
      `insert into card_files (body_id, name, bytes) values ($1, $2, $3)
       on conflict (body_id, name) do update set bytes = excluded.bytes`,
      [id, name, Buffer.from(bytes)],
    )
  }
}
