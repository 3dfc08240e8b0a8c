import { randomUUID } from 'node:crypto'
import { newBody } from '@/core/camera/body'
import { inventoryKind, parseInventory } from '@/core/inventory/kind'
import { bodiesIn, type BodyRecord } from '@/core/inventory/records'
import { type Inventory, type Library } from '@/core/inventory/rows'
import { baseCellRow, entriesOf, type RowId } from '@/core/plan/rows'
import type { BodyModel } from '@/core/model/types'
import { ok, refuse, type Result } from '@/core/result'
import { decide } from '@/core/sync/decide'
import type { Head } from '@/core/sync/head'
import type { Answer, ReadSave } from '@/core/sync/protocol'
import type { Step } from '@/core/sync/step'
import { newestFirmware } from '@/core/resolve/context'
import { sameValue, type Value } from '@/core/vocabulary/values'
import { writeBody, type NewBody } from './bodies'
import { localOwner, query, transaction, type Connection } from './db'
import { definitions } from './models'
import { appendSteps, inventorySteps, logEnd, logOf, stepsBefore } from './step-log'

/** The owner's inventory and the end of its log. */
export interface StoredInventory {
  readonly epoch: string
  readonly version: number
  readonly head: Head
  readonly log: readonly Step[]
  readonly inventory: Inventory
}

/** What the owner has; refuses where what is kept cannot be read. */
export function loadInventory(): Promise<Result<StoredInventory>> {
  return transaction(async (client) => {
    const row = await inventoryRow(client, '')
    const inventory = inventoryOf(row)
    if (!inventory.ok) return inventory
    const end = await logEnd(client, inventorySteps, logged(row))
    if (!end.ok) return end
    return ok({ epoch: row.epoch, version: row.version, ...end.value, inventory: inventory.value })
  })
}

/** Steps before one that is known, for undo. */
export function inventoryStepsBefore(number: number): Promise<Result<readonly Step[]>> {
  return transaction(async (client) =>
    stepsBefore(client, inventorySteps, logged(await inventoryRow(client, '')), number),
  )
}

/** Decides a save with the inventory locked, as plans are saved; the simulated bodies follow what is said of them. */
export async function saveInventory(read: ReadSave): Promise<Result<Answer>> {
  const library = await definitions()
  return transaction(async (client): Promise<Result<Answer>> => {
    const row = await inventoryRow(client, 'for update')
    const stored = inventoryOf(row)
    if (!stored.ok) return stored
    const { save, unreadable } = read
    const log = await logOf(
      client,
      inventorySteps,
      { ...logged(row), epoch: row.epoch },
      stored.value,
      save.basedOn,
      [...save.steps.map((step) => step.id), ...save.ask, ...(unreadable ? [unreadable.step] : [])],
    )
    if (!log.ok) return log
    const decided = decide(inventoryKind(library), log.value, read)
    await keep(client, row, stored.value, decided.document, decided.append, library)
    return ok(decided.answer)
  })
}

/** Sets rows of the inventory in one step of their own, whatever stands there: for the demo's own records. */
export async function setInventory(rows: Readonly<Record<string, Value | null>>): Promise<void> {
  const library = await definitions()
  await transaction(async (client) => {
    const row = await inventoryRow(client, 'for update')
    const before = inventoryOf(row)
    if (!before.ok) throw new Error(before.refusal.message)
    const changes = entriesOf(rows as Readonly<Record<RowId, Value | null>>).flatMap(([id, to]) => {
      const from = before.value.rows[id] ?? null
      return sameValue(from ?? undefined, to ?? undefined) ? [] : [{ row: id, from, to }]
    })
    if (changes.length === 0) return
    const step = { id: randomUUID(), changes }
    const after = inventoryKind(library).apply(before.value, step)
    if (!after.ok) throw new Error(`${after.refusal.where ?? ''}: ${after.refusal.message}`)
    await keep(client, row, before.value, after.value, [step], library)
  })
}

/** What plans are held against, with the number of the inventory's newest step; empty where it cannot be read. */
export async function inventoryNow(): Promise<{ readonly inventory: Inventory; readonly version: number }> {
  const [row] = await query<InventoryRow>('select * from inventories where owner_id = $1', [localOwner])
  const inventory = row ? inventoryOf(row) : null
  return { inventory: inventory?.ok ? inventory.value : { rows: {} }, version: row?.version ?? 0 }
}

interface InventoryRow {
  readonly owner_id: string
  readonly epoch: string
  readonly version: number
  readonly rows: unknown
}

const logged = ({ owner_id: id, version }: InventoryRow) => ({ id, version })

/** The owner's inventory, made where there is none yet. */
async function inventoryRow(client: Connection, lock: '' | 'for update'): Promise<InventoryRow> {
  const statement = `select * from inventories where owner_id = $1 ${lock}`
  const found = await client.query<InventoryRow>(statement, [localOwner])
  if (found.rows[0]) return found.rows[0]
  await client.query('insert into inventories (owner_id) values ($1) on conflict do nothing', [localOwner])
  const made = await client.query<InventoryRow>(statement, [localOwner])
  return made.rows[0] as InventoryRow
}

function inventoryOf({ rows }: InventoryRow): Result<Inventory> {
  const read = parseInventory((rows ?? {}) as Record<string, unknown>)
  if (read.ok) return read
  const message = `A row of the inventory cannot be read: ${read.refusal.message} The inventory is kept as it is.`
  return refuse('damaged-row', message, read.refusal.where)
}

async function keep(
  client: Connection,
  row: InventoryRow,
  before: Inventory,
  after: Inventory,
  steps: readonly Step[],
  library: Library,
): Promise<void> {
  if (steps.length === 0) return
  await appendSteps(client, inventorySteps, logged(row), steps)
  await client.query(
    'update inventories set version = $2, rows = $3, updated_at = now() where owner_id = $1',
    [row.owner_id, row.version + steps.length, JSON.stringify(after.rows)],
  )
  await followBodies(client, bodiesIn(before), bodiesIn(after), library)
}

/** Simulated bodies follow what is said of them: made, renamed, put aside, taken up again. Unchanged records touch nothing. */
async function followBodies(
  client: Connection,
  before: readonly BodyRecord[],
  after: readonly BodyRecord[],
  { models }: Library,
): Promise<void> {
  for (const body of after) {
    const was = before.find((one) => one.tag === body.tag)
    const model = models.find((one) => one.id === body.model)
    if (was !== undefined && JSON.stringify(was) === JSON.stringify(body)) continue
    if (model) await followBody(client, model, body, was ?? null)
    else await putAside(client, body.tag)
  }
  for (const { tag } of before) if (!after.some((one) => one.tag === tag)) await putAside(client, tag)
}

async function followBody(
  client: Connection,
  model: BodyModel,
  body: BodyRecord,
  was: BodyRecord | null,
): Promise<void> {
  const { tag, name, place, serial } = body
  const isKnown = model.firmware.some(({ version }) => version === body.firmware)
  const firmware = isKnown && body.firmware !== null ? body.firmware : newestFirmware(model)
  const prefixed = body.prefix === was?.prefix ? {} : prefixRow(model, body)
  const there = await client.query(
    `update bodies set name = $3, place = $4, serial = $5, firmware = $6, gone = false, memory = memory || $8::jsonb, is_real = $9
     where owner_id = $1 and tag = $2 and model_id = $7`,
    [
      ...[localOwner, tag, name, place ?? '', serial ?? tag, firmware, model.id],
      ...[JSON.stringify(prefixed), body.isReal],
    ],
  )
  if (there.rowCount === 1) return
  // A tag that another model had before is a new camera: the other one is kept with its transfers, under a tag of its own.
  await client.query(
    `update bodies set gone = true, tag = left(tag, 30) || '-' || left(id::text, 8) where owner_id = $1 and tag = $2`,
    [localOwner, tag],
  )
  const id = randomUUID()
  await writeBody(client, { id, model, ...simulated(model, body, firmware) })
  if (body.isReal) await client.query('update bodies set is_real = true where id = $1', [id])
}

/** A camera as its owner says it is, otherwise as it comes out of the box. */
export function simulated(
  model: BodyModel,
  body: BodyRecord,
  firmware: string,
): Omit<NewBody, 'id' | 'model'> {
  const { tag, name, place, serial } = body
  const fresh = newBody(model, serial ?? tag, firmware)
  const memory = { ...fresh.memory, ...prefixRow(model, body) }
  return { tag, name, place: place ?? '', state: { ...fresh, memory } }
}

/** The file prefix as the body remembers it; nothing where it is not said, or the model has none. */
function prefixRow(model: BodyModel, { prefix }: BodyRecord): Readonly<Record<RowId, Value>> {
  const setting = model.settings.find(({ means }) => means === 'files.prefix')
  return prefix === null || !setting ? {} : { [baseCellRow(setting.id, null)]: prefix }
}

async function putAside(client: Connection, tag: string): Promise<void> {
  await client.query('update bodies set gone = true where owner_id = $1 and tag = $2', [localOwner, tag])
}
