import type { Client } from 'pg'
import {
  holdsOf,
  letGo,
  runStage,
  startCarry,
  type CarryNews,
  type CarryState,
  type Holds,
} from '@/core/camera/carry'
import { carryStages, type CarryStage } from '@/core/camera/stages'
import { onEdition, type BodyState } from '@/core/camera/body'
import { ok, refuse, type Refusal, type Result } from '@/core/result'
import { keepState, loadBody, lockBody, type Body } from './bodies'
import { befall } from './bench'
import { openSource, type CarrySource } from './carry-sources'
import { close, within, type Connection } from './db'
import { endDead, takeLease } from './leases'
import { askRunning, rowsBefore, takeUp, targetOf, wait } from './waiting'
import { databaseTrouble } from './requests'
import {
  begin,
  end,
  holdsWords,
  keepNewFiles,
  note,
  recordOf,
  askedOf,
  type Transfer,
  type TransferRecord,
} from './transfer-log'

/** How a transfer is to go. */
export interface CarryWishes {
  readonly stop: AbortSignal
  /** The stage before which it is to wait until somebody says to go on. */
  readonly pauseBefore?: CarryStage | null
  /** What asked for it: the same request is not carried out twice. */
  readonly request?: string | null
}

/**
 * Carries something to a body, telling each stage as it happens. Each stage commits the body, the files and the log together;
 * the last one commits the outcome, too. A refusal or a stop before the restart leaves what is in force as it was; after it
 * the news say what the body holds. The backup stays on the shelf.
 */
export async function* carry(
  source: CarrySource,
  bodyId: string,
  wishes: CarryWishes,
): AsyncGenerator<CarryNews, void, void> {
  yield* withLease(bodyId, async function* (lease, body) {
    const opened = await openSource(source, `Carried to ${body.name}`)
    if (!opened.ok) return yield refusedNews(opened.refusal)
    const transfer = await begin(lease, opened.value, body, wishes.request ?? null)
    if (!transfer.ok) return yield refusedNews(transfer.refusal)
    yield* runStages(lease, transfer.value, startCarry(body.state), 0, wishes)
  })
}

/**
 * Goes on with a transfer that waits: only where the body is as it was left. Where it is not, the transfer ends here, and
 * what the body holds is told.
 */
export async function* goOn(transferId: string, wishes: CarryWishes): AsyncGenerator<CarryNews, void, void> {
  const unknown = { code: 'unknown-transfer', message: 'There is no transfer that waits at this address.' }
  const bodyId = await targetOf(transferId)
  if (bodyId === null) return yield refusedNews({ ...unknown, where: transferId })
  yield* withLease(bodyId, async function* (lease) {
    const waiting = await within(lease, (client) => takeUp(client, transferId))
    if (!waiting.ok) return yield refusedNews(waiting.refusal, waiting.holds)
    const { transfer, state, stage } = waiting
    yield* runStages(lease, transfer, state, carryStages.indexOf(stage), wishes)
  })
}

/** Asks a transfer to pause or stop before its next stage; one that waits is stopped at once, and what it read is let go. */
export async function askTransfer(id: string, asked: 'pause' | 'stop'): Promise<Result<true>> {
  if (await askRunning(id, asked)) return ok(true)
  if (asked === 'pause' || (await targetOf(id)) === null)
    return refuse('unknown-transfer', 'There is no such transfer under way.', id)
  for await (const news of goOn(id, { stop: AbortSignal.abort() }))
    if (news.kind === 'refused') return { ok: false, refusal: news.refusal }
  return ok(true)
}

function refusedNews(refusal: Refusal, holds: Holds | null = null): CarryNews {
  return { kind: 'refused', stage: null, refusal, holds }
}

/** Runs with the lease on a body, and lets it go whatever happens. What the database could not do is told. */
async function* withLease(
  bodyId: string,
  work: (lease: Client, body: Body) => AsyncGenerator<CarryNews, void, void>,
): AsyncGenerator<CarryNews, void, void> {
  let lease: Client | null = null
  try {
    const body = await loadBody(bodyId)
    if (!body.ok) return yield refusedNews(body.refusal)
    if (body.value.isGone) return yield refusedNews(removed(body.value))
    lease = await takeLease(bodyId)
    if (lease === null) {
      const message = `Another transfer to ${body.value.name} is running; wait until it has ended.`
      return yield refusedNews({ code: 'busy', message, where: body.value.name })
    }
    await endDead(lease, bodyId)
    yield* work(lease, body.value)
  } catch (error) {
    const trouble = databaseTrouble(error)
    if (!trouble) throw error
    yield refusedNews(trouble)
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
  | { readonly kind: 'asked'; readonly asked: 'pause' | 'stop' }
  | { readonly kind: 'ended'; readonly refusal: Refusal | null; readonly holds: Holds }

async function* runStages(
  lease: Client,
  transfer: Transfer,
  begun: CarryState,
  first: number,
  { stop, pauseBefore = null }: CarryWishes,
): AsyncGenerator<CarryNews, void, void> {
  let state = begun
  /** The stage that is next, or under way. */
  let at: CarryStage = carryStages[first] ?? 'preflight'
  let isOpen = true
  try {
    yield { kind: 'begun', transfer: transfer.id, from: transfer.words }
    for (const [i, stage] of carryStages.entries()) {
      if (i < first) continue
      if (stop.aborted) {
        isOpen = false
        const holds = await endHere(lease, transfer, state, stage, 'stopped', 'Stopped by you.')
        return yield { kind: 'stopped', stage, holds }
      }
      yield { kind: 'stage', stage }
      const ran: Ran =
        stage === pauseBefore && i > first
          ? { kind: 'asked', asked: 'pause' }
          : await within(lease, (client) => runOne(client, transfer, state, stage))
      if (ran.kind === 'asked') {
        isOpen = false
        if (ran.asked === 'pause') {
          await within(lease, (client) => wait(client, transfer, state, stage))
          return yield { kind: 'paused', stage }
        }
        const holds = await endHere(lease, transfer, state, stage, 'stopped', 'Stopped by you.')
        return yield { kind: 'stopped', stage, holds }
      }
      if (ran.kind === 'ended') {
        isOpen = false
        const refusal = ran.refusal ?? endedElsewhere(transfer.body)
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
  const { runs, asked } = await askedOf(client, transfer.id)
  if (runs && asked !== null) return { kind: 'asked', asked }
  const { order } = transfer
  if (runs && body.value.isGone) {
    const found = body.value.state
    const current = { ...before, body: onEdition(order.model, found) }
    const holds = await breakOff(client, transfer, found, current, stage, 'refused')
    const refusal = removed(transfer.body)
    await note(client, transfer.id, stage, 'refused', `${refusal.message} ${holdsWords[holds]}`)
    return { kind: 'ended', refusal, holds }
  }
  const found = runs ? await befall(client, body.value, stage) : body.value.state
  const current = { ...before, body: onEdition(order.model, found) }
  if (!runs)
    return {
      kind: 'ended',
      refusal: null,
      holds: holdsOf(order, current.body, rowsBefore(order.model, before.files)),
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
    `update transfers set outcome = 'identical', holds = 'plan', record = $2, compared = $3, hand_work = $4, ended_at = now()
     where id = $1`,
    [transfer.id, JSON.stringify(record), record.compared, JSON.stringify(state.handWork)],
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
    if (!body.ok || !(await askedOf(client, transfer.id)).runs) return 'before'
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
  return end(
    client,
    transfer,
    outcome,
    holdsOf(transfer.order, after, rowsBefore(transfer.order.model, state.files)),
  )
}

function removed({ name, tag }: Body): Refusal {
  const message = `${name} was removed from Bodies: nothing more is carried to it. Add a body ${tag} there again to go on with it.`
  return { code: 'gone-body', message, where: name }
}

function endedElsewhere(body: Body): Refusal {
  const message = 'This transfer was ended from elsewhere.'
  return { code: 'ended', message, where: body.name }
}
