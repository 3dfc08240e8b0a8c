import type { Client } from 'pg'
import { onEdition } from '@/core/camera/body'
import { holdsOf, type Holds } from '@/core/camera/carry'
import { lockBody, type Body } from './bodies'
import { close, ownConnection, query, within, type Connection } from './db'
import { end, holdsWords, note } from './transfer-log'
import { filesOf, orderOf, rowsBefore, runningTo, type TransferRow } from './waiting'

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

/**
 * The lease on a body: a lock of a connection of one's own. It ends when the transfer does, when its process dies, and
 * when the database does: nobody has to wait for it or to guess. Null while another has it.
 */
export async function takeLease(bodyId: string): Promise<Client | null> {
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

/** Ends the transfers that a dead process left running; the caller has the lease, so none of them lives. */
export async function endDead(lease: Client, bodyId: string): Promise<void> {
  for (const one of await runningTo(lease, bodyId))
    await within(lease, async (client) => {
      const body = await lockBody(client, bodyId)
      const holds = body.ok ? await holdsAfter(client, one, body.value) : 'other'
      await note(client, one.id, null, 'stopped', `Cut off before its end. ${holdsWords[holds]}`)
      await end(client, one, 'stopped', holds)
    })
}

async function holdsAfter(client: Connection, dead: TransferRow, body: Body): Promise<Holds> {
  const order = await orderOf(dead, body)
  if (!order.ok) return 'other'
  const { model } = order.value
  const before = rowsBefore(model, await filesOf(client, dead.id))
  return holdsOf(order.value, onEdition(model, body.state), before)
}
