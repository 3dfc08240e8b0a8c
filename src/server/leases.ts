import type { Client } from 'pg'
import { onEdition } from '@/core/camera/body'
import { holdsOf, type Holds } from '@/core/camera/carry'
import { readCardFile } from '@/core/files/card-file'
import { parsePlan } from '@/core/plan/plan'
import { lockBody, type Body } from './bodies'
import { close, ownConnection, query, within } from './db'
import { modelFor } from './models'
import { end, holdsWords, note } from './transfer-log'

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
      await note(client, one.id, null, 'stopped', `Cut off before its end. ${holdsWords[holds]}`)
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
  return holdsOf(order, onEdition(model, body.state), backup?.ok ? backup.value.rows : null)
}
