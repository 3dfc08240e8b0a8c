import { generateNKeysBetween } from 'fractional-indexing'
import { planTitle } from '@/core/plan/plan'
import { titleRow } from '@/core/plan/rows'
import { ok, refuse, type Result } from '@/core/result'
import { keysToMove, type Ordered } from '@/core/sync/order'
import { isUuid, localOwner, transaction, type Connection } from './db'
import { planOf, planRow } from './plan-rows'
import { insertPlan } from './plans'
import { shelfOrder } from './summaries'

/** What can be done to a plan as it stands on the shelf. */
export const shelfActs = ['duplicate', 'delete', 'restore', 'up', 'down'] as const

/** One of `shelfActs`. */
export type ShelfAct = (typeof shelfActs)[number]

/**
 * Does it; gives the id of the plan it is about then: a duplicate's own. A plan that is deleted is kept with its log, its revisions
 * and its files, and can be put back; a duplicate begins with the rows as they stand, and a log of its own.
 */
export async function actOnShelf(id: string, act: ShelfAct): Promise<Result<string>> {
  if (!isUuid(id)) return unknown(id)
  return transaction(async (client) => {
    switch (act) {
      case 'duplicate':
        return duplicate(client, id)
      case 'delete':
      case 'restore': {
        const found = await client.query(
          `update plans set deleted_at = $3 where id = $1 and owner_id = $2 returning id`,
          [id, localOwner, act === 'delete' ? new Date() : null],
        )
        return found.rows.length > 0 ? ok(id) : unknown(id)
      }
      case 'up':
      case 'down':
        return move(client, id, act === 'up' ? -1 : 1)
    }
  })
}

async function duplicate(client: Connection, id: string): Promise<Result<string>> {
  const row = await planRow(client, id, '')
  const read = row ? await planOf(row) : unknown(id)
  if (!read.ok) return read
  const { model, plan } = read.value
  const title = `Copy of ${planTitle(plan)}`.slice(0, 80)
  return ok(await insertPlan(client, model, { ...plan.rows, [titleRow]: title }))
}

/** Puts a plan one place up or down; at the ends it stays. */
async function move(client: Connection, id: string, by: 1 | -1): Promise<Result<string>> {
  const found = await client.query<Ordered>(
    `select p.id, p.place as key from plans p where p.owner_id = $1 and p.deleted_at is null order by ${shelfOrder}, p.id for update`,
    [localOwner],
  )
  const at = found.rows.findIndex((one) => one.id === id)
  if (at < 0) return unknown(id)
  const to = at + by
  if (to < 0 || to >= found.rows.length) return ok(id)
  const isOrdered = found.rows.every(({ key }) => key !== null)
  const first = generateNKeysBetween(null, null, found.rows.length)
  const elements = isOrdered
    ? found.rows
    : found.rows.map((one, i) => ({ id: one.id, key: first[i] ?? null }))
  const moved = keysToMove(elements, id, to)
  const keys = new Map([...(isOrdered ? [] : elements.map((one) => [one.id, one.key] as const)), ...moved])
  await client.query(
    `update plans set place = put.key from unnest($1::uuid[], $2::text[]) as put(id, key) where plans.id = put.id`,
    [[...keys.keys()], [...keys.values()]],
  )
  return ok(id)
}

function unknown(id: string): Result<never> {
  return refuse('unknown-plan', 'There is no such plan.', id)
}
