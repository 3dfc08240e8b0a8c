import type { Rows } from '@/core/plan/rows'
import type { Client } from 'pg'
import {
  carryStages,
  holdsOf,
  letGo,
  runStage,
  startCarry,
  type CarryNews,
  type CarryStage,
  type CarryState,
  type Holds,
} from '@/core/camera/carry'
import { onEdition, type BodyState } from '@/core/camera/body'
import { readCardFile } from '@/core/files/card-file'
import type { Refusal } from '@/core/result'
import { keepState, loadBody, lockBody, type Body } from './bodies'
import { close, within, type Connection } from './db'
import { endDead, takeLease } from './leases'
import { freezeRevision, type Revision } from './plans'
import { databaseTrouble } from './requests'
import {
  begin,
  end,
  holdsWords,
  isRunning,
  keepNewFiles,
  note,
  recordOf,
  type Transfer,
  type TransferRecord,
} from './transfer-log'

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

/** What one transaction made of a stage. */
type Ran =
  | {
      readonly kind: 'done'
      readonly state: CarryState
      readonly log: string
      readonly record: TransferRecord | null
    }
  | { readonly kind: 'ended'; readonly refusal: Refusal | null; readonly holds: Holds }

async function* runStages(
  lease: Client,
  planId: string,
  body: Body,
  revision: Revision,
  stop: AbortSignal,
): AsyncGenerator<CarryNews, void, void> {
  const transfer = await begin(lease, planId, body, revision)
  let state = startCarry(body.state)
  /** The stage that is next, or under way. */
  let at: CarryStage = 'preflight'
  let isOpen = true
  try {
    yield { kind: 'begun', transfer: transfer.id, revision: revision.number }
    for (const [i, stage] of carryStages.entries()) {
      if (stop.aborted) {
        isOpen = false
        const holds = await endHere(lease, transfer, state, stage, 'stopped', 'Stopped by you.')
        return yield { kind: 'stopped', stage, holds }
      }
      yield { kind: 'stage', stage }
      const ran = await within(lease, (client) => runOne(client, transfer, state, stage))
      if (ran.kind === 'ended') {
        isOpen = false
        const refusal = ran.refusal ?? endedElsewhere(body)
        return yield { kind: 'refused', stage, refusal, holds: ran.holds }
      }
      state = ran.state
      at = carryStages[i + 1] ?? stage
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
    // With the connection gone nobody can say what the body holds: the next who asks will.
    const ended = endHere(lease, transfer, state, at, 'refused', refusal.message)
    yield { kind: 'refused', stage: at, refusal, holds: await ended.catch(() => null) }
  } finally {
    // Whoever was listening has gone. Should this fail, the next who asks ends the transfer.
    const words = 'Stopped: the page that began it has gone.'
    if (isOpen) await endHere(lease, transfer, state, at, 'stopped', words).catch(() => undefined)
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
  const found = body.value.state
  const current = { ...before, body: onEdition(transfer.order.model, found) }
  if (!(await isRunning(client, transfer.id))) {
    const holds = holdsOf(transfer.order, current.body, rowsBefore(transfer, before))
    return { kind: 'ended', refusal: null, holds }
  }
  const ran = runStage(stage, transfer.order, current)
  if (!ran.ok) {
    await note(client, transfer.id, stage, 'refused', ran.refusal.message)
    const holds = await breakOff(client, transfer, found, current, stage, 'refused')
    return { kind: 'ended', refusal: ran.refusal, holds }
  }
  const { state, log } = ran.value
  await keepState(client, transfer.body.id, found, state.body)
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

/** Ends a transfer before a stage, and says in its log why. */
function endHere(
  lease: Client,
  transfer: Transfer,
  state: CarryState,
  stage: CarryStage,
  outcome: 'refused' | 'stopped',
  why: string,
): Promise<Holds> {
  return within(lease, async (client) => {
    const body = await lockBody(client, transfer.body.id)
    if (!body.ok || !(await isRunning(client, transfer.id))) return 'before'
    const found = body.value.state
    const current = { ...state, body: onEdition(transfer.order.model, found) }
    const holds = await breakOff(client, transfer, found, current, stage, outcome)
    await note(client, transfer.id, stage, outcome, `${why} ${holdsWords[holds]}`)
    return holds
  })
}

/** Ends a transfer before this stage; what is not in force by then is let go. Gives what the body holds. */
async function breakOff(
  client: Connection,
  transfer: Transfer,
  found: BodyState,
  state: CarryState,
  stage: CarryStage,
  outcome: 'refused' | 'stopped',
): Promise<Holds> {
  const isInForce = carryStages.indexOf(stage) > carryStages.indexOf('restart')
  const after = isInForce ? state.body : letGo(transfer.body.state, state.files, state.body)
  await keepState(client, transfer.body.id, found, after)
  return end(client, transfer, outcome, holdsOf(transfer.order, after, rowsBefore(transfer, state)))
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
