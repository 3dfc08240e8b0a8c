import { randomUUID } from 'node:crypto'
import { readMemory, type Memory } from '@/core/camera/memory'
import { bodiesIn, type BodyRecord } from '@/core/inventory/records'
import { equipmentFor, equipped } from '@/core/inventory/equip'
import { factRow, type Inventory, type Library } from '@/core/inventory/rows'
import type { BodyModel } from '@/core/model/types'
import { parsePlan, planTitle, type Plan } from '@/core/plan/plan'
import { readTargets } from '@/core/procedures/place'
import { isProcedure, startingPointOf, type ProcedureId } from '@/core/procedures/catalogue'
import { composeProcedure, heldBefore, isPlaceOf } from '@/core/procedures/compose'
import { orderFor, startingPoints, type StartingPoint } from '@/core/procedures/order'
import { heldAfter } from '@/core/procedures/play'
import {
  parseWalk,
  recordOf,
  standingOf,
  walkKind,
  type Said,
  type Standing,
  type Walk,
} from '@/core/procedures/progress'
import type { SetOrder } from '@/core/procedures/wanted'
import type { DoneAct } from '@/core/procedures/proven'
import type { Procedure, ProcedureAct } from '@/core/procedures/types'
import type { RowId } from '@/core/plan/rows'
import { ok, refuse, type Result } from '@/core/result'
import { decide } from '@/core/sync/decide'
import type { Head } from '@/core/sync/head'
import type { Answer, ReadSave } from '@/core/sync/protocol'
import type { Step } from '@/core/sync/step'
import { beliefOf } from './beliefs'
import { isUuid, localOwner, query, transaction, type Connection } from './db'
import { endHandCarry } from './hand-outcome'
import { inventoryNow, setInventory } from './inventory'
import { definitions } from './models'
import { planOf, planRow } from './plan-rows'
import { appendSteps, logEnd, logOf, stepsBefore, walkSteps } from './step-log'

/** A walk among others: which, on which body, since when, and what was ticked. */
export interface WalkLine {
  readonly id: string
  readonly body: string
  readonly procedure: string
  /** Where focus fails, for the rescue. */
  readonly place: string
  readonly revision: number | null
  readonly start: StartingPoint
  readonly begunAt: Date
  readonly updatedAt: Date
  readonly endedAt: Date | null
  readonly walk: Walk
  /** What was done of it, of an ended one: by the acts of its record. */
  readonly done: readonly DoneAct[]
}

/** A walk with its procedure as it is composed now. */
export interface OpenWalk extends Omit<WalkLine, 'walk' | 'done'> {
  readonly planId: string
  readonly title: string
  readonly model: BodyModel
  readonly epoch: string
  readonly version: number
  readonly head: Head
  readonly log: readonly Step[]
  readonly walk: Walk
  readonly composed: Procedure
  /** What the owner calls the body; null where none is named. */
  readonly bodyName: string | null
  /** The body is not among what the owner has any more. */
  readonly isBodyGone: boolean
  /** The plan is not any more what this walk goes through: the newest revision, or null for the plan as it is. */
  readonly movedOnTo: number | 'plan' | null
}

interface WalkRow {
  readonly id: string
  readonly plan_id: string
  readonly body: string
  readonly procedure: ProcedureId
  readonly place: string
  readonly revision: number | null
  readonly start: StartingPoint
  readonly held: unknown
  readonly epoch: string
  readonly version: number
  readonly rows: unknown
  readonly begun_at: Date
  readonly updated_at: Date
  readonly ended_at: Date | null
  readonly record: { readonly lines: readonly RecordedLine[] } | null
}

/** An act in the record of a walk that ended. */
interface RecordedLine {
  readonly act: string
  readonly kind: ProcedureAct['kind']
  readonly words: string
  readonly row: RowId | null
  readonly standing: Standing
  readonly said: Said | null
}

/** What is asked for when a walk begins. */
export interface WalkOrder {
  readonly procedure: string
  readonly body: string
  readonly start: string
  readonly place: string
}

/** Begins a walk, or goes on with the one that is open for this plan, body and procedure; gives back its id. */
export async function beginWalk(planId: string, order: WalkOrder): Promise<Result<string>> {
  if (!isProcedure(order.procedure))
    return refuse('unknown-procedure', `There is no procedure ${order.procedure}.`, 'procedure')
  const asked = startingPoints.find((one) => one === order.start)
  if (!asked) return refuse('outside', `A walk starts from ${startingPoints.join(', ')}.`, 'start')
  const { procedure } = order
  const start = startingPointOf(procedure, asked)
  const { inventory } = await inventoryNow()
  return transaction(async (client): Promise<Result<string>> => {
    const row = isUuid(planId) ? await planRow(client, planId, 'for update') : undefined
    if (!row) return refuse('unknown-plan', 'There is no such plan. It may have been removed.', planId)
    const body = bodiesIn(inventory).find(({ tag }) => tag === order.body)
    if (order.body !== '' && !body)
      return refuse('unknown-body', `There is no body ${order.body} in the inventory.`, 'body')
    if (body && body.model !== row.model_id)
      return refuse('other-model', `${body.name} is not of the model that this plan is for.`, 'body')
    const open = await client.query<{ id: string }>(
      `select id from walks
       where plan_id = $1 and body = $2 and procedure = $3 and place = $4 and ended_at is null`,
      [planId, order.body, order.procedure, order.place],
    )
    if (open.rows[0]) return ok(open.rows[0].id)
    const read = await planOf(row)
    if (!read.ok) return read
    const { model, plan } = read.value
    const targets =
      procedure === 'carry-by-hand' ? handTargets(order, bodiesIn(inventory), row.model_id) : ok(true)
    if (!targets.ok) return targets
    if (!isPlaceOf(procedure, model, plan, order.place))
      return refuse(
        'outside',
        `“${order.place.slice(0, 60)}” is nothing that this procedure can be about.`,
        'place',
      )
    const id = randomUUID()
    const held = start === 'believed' ? await believed(client, model, order.body) : null
    await client.query(
      `insert into walks (id, owner_id, plan_id, body, procedure, place, revision, start, held)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
      [
        id,
        localOwner,
        planId,
        order.body,
        order.procedure,
        order.place,
        await standingRevision(client, planId),
        start,
        held && JSON.stringify(held),
      ],
    )
    return ok(id)
  })
}

/** Refuses a carry by hand that names no body to carry to, one that is not real, of another model, or the one it comes from. */
function handTargets(
  { body: from, place }: WalkOrder,
  bodies: readonly BodyRecord[],
  model: string,
): Result<true> {
  const targets = readTargets(place)
  if (!targets) return refuse('outside', 'Say to which bodies it is carried.', 'place')
  for (const tag of [...targets, ...(from === '' ? [] : [from])]) {
    const body = bodies.find((one) => one.tag === tag)
    if (!body) return refuse('unknown-body', `There is no body ${tag} in the inventory.`, 'place')
    if (!body.isReal)
      return refuse(
        'simulated',
        `${body.name} is simulated: it is carried to at once, without a walk.`,
        'place',
      )
    if (body.model !== model)
      return refuse('other-model', `${body.name} is not of the model that this plan is for.`, 'place')
  }
  if (targets.includes(from)) return refuse('outside', 'A body is not carried to itself.', 'place')
  return ok(true)
}

/** The newest revision where the plan is still what it was then; null where it has changed since, or has none. */
async function standingRevision(client: Connection, planId: string): Promise<number | null> {
  const found = await client.query<{ number: number; same: boolean }>(
    `select r.number, r.rows = p.rows as same from revisions r join plans p on p.id = r.plan_id
     where r.plan_id = $1 order by r.number desc limit 1`,
    [planId],
  )
  const [newest] = found.rows
  return newest?.same ? newest.number : null
}

/** What a body is believed to hold; null where nothing is known of it. */
async function believed(client: Connection, model: BodyModel, tag: string): Promise<Memory | null> {
  return (await beliefOf(client, model, tag))?.memory ?? null
}

/** What each body of a plan's model is believed to hold, by tag; bodies of which nothing is known are left out. */
export async function believedOf(planId: string): Promise<Readonly<Record<string, Memory>>> {
  const { inventory } = await inventoryNow()
  return transaction(async (client) => {
    const row = isUuid(planId) ? await planRow(client, planId, '') : undefined
    const read = row && (await planOf(row))
    if (!row || !read?.ok) return {}
    const known: Record<string, Memory> = {}
    for (const { tag, model } of bodiesIn(inventory)) {
      const held = model === row.model_id ? await believed(client, read.value.model, tag) : null
      if (held) known[tag] = held
    }
    return known
  })
}

/** Every walk of a plan, the newest first. */
export async function listWalks(planId: string): Promise<WalkLine[]> {
  const rows = await query<WalkRow>(
    'select * from walks where plan_id = $1 and owner_id = $2 order by updated_at desc limit 200',
    [planId, localOwner],
  )
  return rows.map(lineOf)
}

function lineOf(row: WalkRow): WalkLine {
  const walk = parseWalk((row.rows ?? {}) as Record<string, unknown>)
  return {
    id: row.id,
    body: row.body,
    procedure: row.procedure,
    place: row.place,
    revision: row.revision,
    start: row.start,
    begunAt: row.begun_at,
    updatedAt: row.updated_at,
    endedAt: row.ended_at,
    walk: walk.ok ? walk.value : { rows: {} },
    done: (row.record?.lines ?? []).flatMap(({ kind, row: about, standing }) =>
      standing === 'done' && about !== null ? [{ kind, row: about }] : [],
    ),
  }
}

/** A walk, its log and its procedure as the plan has it now. */
export async function loadWalk(id: string): Promise<Result<OpenWalk>> {
  const having = await whatThereIs()
  return transaction(async (client): Promise<Result<OpenWalk>> => {
    const row = await walkRow(client, id, '')
    const found = row ? await composedFor(client, row, having) : unknownWalk(id)
    if (!row || !found.ok) return found.ok ? unknownWalk(id) : found
    const end = await logEnd(client, walkSteps, row)
    if (!end.ok) return end
    const { model, plan, movedOnTo, walk, composed } = found.value
    const body = bodiesIn(having.inventory).find(({ tag }) => tag === row.body)
    return ok({
      ...lineOf(row),
      planId: row.plan_id,
      title: planTitle(plan),
      model,
      epoch: row.epoch,
      version: row.version,
      ...end.value,
      walk,
      composed,
      bodyName: body?.name ?? (row.body === '' ? null : row.body),
      isBodyGone: row.body !== '' && !body,
      movedOnTo,
    })
  })
}

/** What an owner has, and what is defined: what procedures are composed with. */
interface Having extends Library {
  readonly inventory: Inventory
}

async function whatThereIs(): Promise<Having> {
  const [{ models, lenses }, { inventory }] = await Promise.all([definitions(), inventoryNow()])
  return { models, lenses, inventory }
}

/** What was ticked of a walk, and its procedure composed on what it goes through. */
async function composedFor(client: Connection, row: WalkRow, having: Having) {
  const walk = parseWalk((row.rows ?? {}) as Record<string, unknown>)
  if (!walk.ok) return damaged(walk.refusal.message, walk.refusal.where)
  const planned = await plannedFor(client, row)
  if (!planned.ok) return planned
  const { model, plan } = planned.value
  const equipment = equipmentFor(model, having, having.inventory)
  const order = orderOf(row, model, equipped(plan, equipment), equipment.lenses)
  const bodies = bodiesIn(having.inventory).filter(({ isReal }) => isReal)
  const composed = composeProcedure(row.procedure, { order, place: row.place, bodies })
  return ok({ ...planned.value, walk: walk.value, order, composed })
}

function orderOf(row: WalkRow, model: BodyModel, plan: Plan, lenses: SetOrder['lenses']): SetOrder {
  const held = row.held === null ? null : readMemory(model, row.held as Record<string, unknown>)
  const tag = row.body === '' ? null : row.body
  return orderFor(model, plan, lenses, tag, row.start, held)
}

/** The plan that a walk goes through, and what the plan has moved on to since. */
async function plannedFor(
  client: Connection,
  { plan_id: id, revision, ended_at: ended }: WalkRow,
): Promise<Result<{ model: BodyModel; plan: Plan; movedOnTo: OpenWalk['movedOnTo'] }>> {
  const row = await planRow(client, id, '')
  if (!row)
    return refuse(
      'unknown-plan',
      'The plan of this walk was deleted. Put it back from the shelf: the walk is kept with it.',
      id,
    )
  const now = await planOf(row)
  if (!now.ok || revision === null) return now.ok ? ok({ ...now.value, movedOnTo: null }) : now
  const found = await client.query<{ rows: unknown }>(
    'select rows from revisions where plan_id = $1 and number = $2',
    [id, revision],
  )
  const then = parsePlan(now.value.model, (found.rows[0]?.rows ?? {}) as Record<string, unknown>)
  // A revision of a former edition of the model cannot be gone through any more: the plan as it is can.
  if (!then.ok) return ok({ ...now.value, movedOnTo: null })
  const standing = await standingRevision(client, id)
  const isSame = standing === revision || ended !== null
  return ok({
    model: now.value.model,
    plan: then.value,
    movedOnTo: isSame ? null : (standing ?? ('plan' as const)),
  })
}

/** Decides a save with the walk locked, as plans are saved. */
export async function saveWalk(id: string, read: ReadSave): Promise<Result<Answer>> {
  return transaction(async (client): Promise<Result<Answer>> => {
    const row = await walkRow(client, id, 'for update')
    if (!row) return unknownWalk(id)
    const stored = parseWalk((row.rows ?? {}) as Record<string, unknown>)
    if (!stored.ok) return damaged(stored.refusal.message, stored.refusal.where)
    const { save, unreadable } = read
    const log = await logOf(client, walkSteps, row, stored.value, save.basedOn, [
      ...save.steps.map((step) => step.id),
      ...save.ask,
      ...(unreadable ? [unreadable.step] : []),
    ])
    if (!log.ok) return log
    const { append, document, answer } = decide(walkKind, log.value, read)
    if (append.length > 0) {
      await appendSteps(client, walkSteps, row, append)
      await client.query('update walks set version = $2, rows = $3, updated_at = now() where id = $1', [
        id,
        row.version + append.length,
        JSON.stringify(document.rows),
      ])
    }
    return ok(answer)
  })
}

/** Steps of a walk before one that is known, for undo. */
export async function walkStepsBefore(id: string, number: number): Promise<Result<readonly Step[]>> {
  return transaction(async (client) => {
    const row = await walkRow(client, id, '')
    return row ? stepsBefore(client, walkSteps, row, number) : unknownWalk(id)
  })
}

/** What becomes of a walk as a whole: it ends in its record, is gone on with, or goes over to what the plan is now. */
export const walkTurns = ['end', 'goOn', 'follow'] as const

/** One of `walkTurns`. */
export type WalkTurn = (typeof walkTurns)[number]

/** Turns a walk. Doing it twice is the same as once. */
export async function turnWalk(id: string, turn: WalkTurn): Promise<Result<true>> {
  const having = await whatThereIs()
  let endsNow = false
  const turned = await transaction(async (client): Promise<Result<true>> => {
    const row = await walkRow(client, id, 'for update')
    endsNow = turn === 'end' && row?.ended_at === null
    return row ? turns[turn](client, row, having) : unknownWalk(id)
  })
  if (turned.ok && endsNow) await followUpdate(id)
  return turned
}

/** A firmware day that ended with its update done: the inventory says so from then on. */
async function followUpdate(id: string): Promise<void> {
  const open = await loadWalk(id)
  if (!open.ok || open.value.procedure !== 'firmware-day' || open.value.body === '') return
  const { walk, composed, body } = open.value
  const updated = composed.acts.flatMap((act) =>
    standingOf(walk, act) === 'done'
      ? act.events.flatMap((event) => (event.kind === 'firmware' ? [event.version] : []))
      : [],
  )
  const version = updated.at(-1)
  if (version !== undefined) await setInventory({ [factRow('body', body, 'firmware')]: version })
}

const turns: Record<WalkTurn, (client: Connection, row: WalkRow, having: Having) => Promise<Result<true>>> = {
  async follow(client, { id, plan_id: plan }) {
    const revision = await standingRevision(client, plan)
    await client.query('update walks set revision = $2, updated_at = now() where id = $1', [id, revision])
    return ok(true)
  },
  async goOn(client, { id }) {
    const other = await client.query(
      `select 1 from walks one join walks other using (plan_id, body, procedure, place)
       where one.id = $1 and other.id <> $1 and other.ended_at is null`,
      [id],
    )
    const message = 'Another walk of this procedure on this body is open: go on with that one.'
    if (other.rowCount !== 0) return refuse('busy-walk', message, id)
    await client.query('delete from hand_carries where walk_id = $1', [id])
    await client.query('update walks set ended_at = null, record = null where id = $1', [id])
    return ok(true)
  },
  async end(client, row, having) {
    if (row.ended_at !== null) return ok(true)
    const found = await composedFor(client, row, having)
    if (!found.ok) return found
    const { model, order, composed, walk } = found.value
    // Acts that were done are done on what the body held when they were: never on what the plan only wants of it.
    const before = heldBefore(row.procedure, order, await believed(client, model, row.body))
    const bodies = bodiesIn(having.inventory)
    const { lines, gone } = recordOf(walk, composed)
    const record = {
      lines: lines.map(({ act: { id: act, kind, words, row: about }, standing, said }): RecordedLine => ({
        ...{ act, kind, words, row: about },
        ...{ standing, said },
      })),
      gone,
      firmware: bodies.find(({ tag }) => tag === row.body)?.firmware ?? null,
      ...(before ? { held: heldAfter(order, composed, walk, before) } : {}),
    }
    const statement = 'update walks set ended_at = now(), updated_at = now(), record = $2 where id = $1'
    await client.query(statement, [row.id, JSON.stringify(record)])
    const name = bodies.find(({ tag }) => tag === row.body)?.name ?? null
    if (row.procedure === 'carry-by-hand')
      await endHandCarry(client, { ...row, bodyName: name, model, walk, composed }, bodies)
    return ok(true)
  },
}

async function walkRow(
  client: Connection,
  id: string,
  lock: '' | 'for update',
): Promise<WalkRow | undefined> {
  if (!isUuid(id)) return undefined
  const found = await client.query<WalkRow>(`select * from walks where id = $1 and owner_id = $2 ${lock}`, [
    id,
    localOwner,
  ])
  return found.rows[0]
}

function unknownWalk(id: string): Result<never> {
  return refuse('unknown-walk', 'There is no walk at this address.', id)
}

function damaged(message: string, where: string | undefined): Result<never> {
  return refuse(
    'damaged-row',
    `A tick of this walk cannot be read: ${message} The walk is kept as it is.`,
    where,
  )
}
