import type { Rows } from '../plan/rows'
import { compareRows, type Comparison } from '../files/compare'
import { readCardFile } from '../files/card-file'
import { digestHex } from '../digest'
import { canonicalJson } from '../canonical-json'
import { ok, refuse, type Refusal, type Result } from '../result'
import { operate, type BodyState } from './body'
import { fileFor, type CarryOrder } from './carry-order'
import { carriedRows } from './memory'
import type { CarryStage } from './stages'
import { handWorkOf, preflightOf, type HandWork } from './preflight'

/** A file a transfer produced, to be kept on the shelf. */
export interface CarriedFile {
  readonly role: 'backup' | 'sent' | 'readBack'
  readonly name: string
  readonly bytes: Uint8Array
}

/** What a file of a transfer is called on the card. */
export function fileNameOf(stem: string, role: CarriedFile['role']): string {
  return `${stem}${fileEndings[role]}.SSC`
}

const fileEndings: Readonly<Record<CarriedFile['role'], string>> = {
  backup: '-BEFORE',
  sent: '',
  readBack: '-AFTER',
}

/** Where a transfer stands between stages. */
export interface CarryState {
  readonly body: BodyState
  readonly files: readonly CarriedFile[]
  readonly comparison: Comparison | null
  readonly handWork: readonly HandWork[]
}

/** A stage's outcome: the state after it, and what happened in words. */
export interface Carried {
  readonly state: CarryState
  readonly log: string
}

/**
 * What a body holds of what a transfer was to bring: that (the plan, mostly), in force; that, read and in force from the next restart
 * on; what it held before; or something else.
 */
export type Holds = 'plan' | 'loaded' | 'before' | 'other'

/** What a body holds of what a transfer was to bring; `before` are the rows it carried when the transfer began, null if none were read. */
export function holdsOf(order: CarryOrder, body: BodyState, before: Rows | null): Holds {
  const { model } = order
  const wanted = order.rows
  const isSame = (rows: Rows, others: Rows) => compareRows(model, rows, others).differences.length === 0
  const now = carriedRows(model, body.memory)
  if (isSame(wanted, now)) return 'plan'
  if (body.pending !== null && isSame(wanted, carriedRows(model, body.pending))) return 'loaded'
  return before === null || isSame(before, now) ? 'before' : 'other'
}

/**
 * The body after a transfer was broken off before anything of it was in force: what it read is let go, and the files the
 * transfer put on its card are taken off again, those they replaced put back. `begun` is the body as the transfer found it.
 * A card that is locked, full of something else or another one is left alone.
 */
export function letGo(begun: BodyState, files: readonly CarriedFile[], body: BodyState): BodyState {
  const { card } = body
  if (card === null || card.locked) return { ...body, pending: null }
  let { freeBytes } = card
  const left: Record<string, Uint8Array> = { ...card.files }
  for (const { name, bytes } of files) {
    if (card.files[name] !== bytes && !sameBytes(card.files[name], bytes)) continue
    const former = begun.card?.files[name]
    freeBytes += bytes.length - (former?.length ?? 0)
    if (former) left[name] = former
    else delete left[name]
  }
  return { ...body, pending: null, card: { ...card, freeBytes, files: left } }
}

function sameBytes(one: Uint8Array | undefined, other: Uint8Array): boolean {
  return one?.length === other.length && other.every((byte, i) => byte === one[i])
}

/** What a transfer tells as it goes, in order. */
export type CarryNews =
  | { readonly kind: 'begun'; readonly transfer: string; readonly from: string }
  | { readonly kind: 'stage'; readonly stage: CarryStage }
  | { readonly kind: 'done'; readonly stage: CarryStage; readonly message: string }
  /** Null for what it holds: nothing was begun, or the database cannot say it now. */
  | {
      readonly kind: 'refused'
      readonly stage: CarryStage | null
      readonly refusal: Refusal
      readonly holds: Holds | null
    }
  | { readonly kind: 'stopped'; readonly stage: CarryStage; readonly holds: Holds }
  | { readonly kind: 'paused'; readonly stage: CarryStage }
  | {
      readonly kind: 'finished'
      readonly compared: number
      readonly handWork: readonly HandWork[]
      readonly record: string
    }

/**
 * How a body stands, as a digest: its memory, what waits in it, its firmware, its card with every file. A transfer that
 * paused goes on only where it finds the body as it left it.
 */
export function standOf({ model, firmware, memory, pending, card }: BodyState): string {
  const files = card && {
    locked: card.locked,
    files: Object.entries(card.files)
      .map(([name, bytes]) => `${name} ${digestHex(bytes)}`)
      .sort(),
  }
  return digestHex(canonicalJson({ model, firmware, memory, pending, card: files }))
}

/** A transfer that has not begun. */
export function startCarry(body: BodyState): CarryState {
  return { body, files: [], comparison: null, handWork: [] }
}

/**
 * Runs one stage. Pure: the caller keeps the files, shows the log, and on a refusal keeps the body it had before
 * the first stage, so that a transfer that fails leaves its target as it was.
 */
export function runStage(stage: CarryStage, order: CarryOrder, state: CarryState): Result<Carried> {
  return stages[stage](order, state)
}

const stages: Record<CarryStage, (order: CarryOrder, state: CarryState) => Result<Carried>> = {
  preflight(order, state) {
    const { lines, overwritten } = preflightOf(order, state.body)
    const stop = lines.find((line) => line.stop !== null)
    if (stop?.stop) return refuse(stop.stop, stop.words, state.body.serial)
    const rows = overwritten.length === 1 ? '1 row' : `${overwritten.length} rows`
    const { firmware, batteryPercent } = state.body
    return next(
      state,
      `Same model, firmware ${firmware}, card ready, battery ${batteryPercent} %. ${rows} of the body will change.`,
    )
  },
  backup(order, state) {
    return saved(order, state, 'backup', 'The body as it was is on the shelf')
  },
  write(order, state) {
    const bytes = fileFor(order, state.body)
    const name = fileNameOf(order.stem, 'sent')
    const put = operate(order.model, state.body, { kind: 'copyToCard', file: name, bytes })
    if (!put.ok) return put
    const files = [...state.files, { role: 'sent' as const, name, bytes }]
    return next(
      { ...state, body: put.value.body, files },
      `${name}, ${bytes.length} bytes, written to the card.`,
    )
  },
  load(order, state) {
    const loaded = operate(order.model, state.body, { kind: 'load', file: fileNameOf(order.stem, 'sent') })
    return loaded.ok ? next({ ...state, body: loaded.value.body }, loaded.value.log) : loaded
  },
  restart(order, state) {
    const restarted = operate(order.model, state.body, { kind: 'restart' })
    return restarted.ok ? next({ ...state, body: restarted.value.body }, restarted.value.log) : restarted
  },
  readBack(order, state) {
    return saved(order, state, 'readBack', 'The body was saved again and read back')
  },
  compare(order, state) {
    const rows = (role: CarriedFile['role']) => {
      const file = state.files.find((one) => one.role === role)
      return file
        ? readCardFile(order.model, file.bytes, file.name)
        : refuse('no-file', `There is no ${role} file.`)
    }
    const [sent, back] = [rows('sent'), rows('readBack')]
    if (!sent.ok) return sent
    if (!back.ok) return back
    const comparison = compareRows(order.model, sent.value.rows, back.value.rows)
    if (comparison.differences.length > 0) {
      const places = comparison.differences.slice(0, 3).map((one) => one.place)
      return refuse(
        'differs',
        `${comparison.differences.length} rows read back differ: ${places.join('; ')}.`,
        state.body.serial,
      )
    }
    return next({ ...state, comparison }, `Identical: ${comparison.compared} rows compared, none differs.`)
  },
  handWork(order, state) {
    const { model } = order
    const now = compareRows(model, order.rows, carriedRows(model, state.body.memory))
    if (now.differences.length > 0)
      return refuse('differs', 'The body has changed since it was read back.', state.body.serial)
    const handWork = handWorkOf(order, state.body)
    const left = handWork.filter((line) => !line.done).length
    const words =
      left === 0 ? 'No hand work is left.' : `${left} ${left === 1 ? 'line' : 'lines'} of hand work left.`
    return next({ ...state, handWork }, words)
  },
}

function saved(
  order: CarryOrder,
  state: CarryState,
  role: CarriedFile['role'],
  words: string,
): Result<Carried> {
  const name = fileNameOf(order.stem, role)
  const operated = operate(order.model, state.body, { kind: 'save', file: name, atSeconds: order.atSeconds })
  if (!operated.ok) return operated
  const bytes = operated.value.body.card?.files[name]
  if (!bytes) return refuse('no-file', `The card has no ${name}.`, state.body.serial)
  const files = [...state.files, { role, name, bytes }]
  return next({ ...state, body: operated.value.body, files }, `${words}: ${name}, ${bytes.length} bytes.`)
}

function next(state: CarryState, log: string): Result<Carried> {
  return ok({ state, log })
}
