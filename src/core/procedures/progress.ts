import { ok, refuse, type Result } from '../result'
import type { DocumentKind, Limits } from '../sync/kind'
import { changedRows, within } from '../sync/rows'
import type { Change, RowId, Step } from '../sync/step'
import { unkept } from '../text'
import type { Value } from '../vocabulary/values'
import type { ProcedureAct } from './types'
import { comparedOf, fileOf } from './hand-files'
import { markRow, parseWalkRow, pastRow } from './walk-rows'

/** Rows by id. */
type Rows = Readonly<Record<RowId, Value>>

/** How far somebody is with a procedure on a body: an immutable value, changed only by steps. */
export interface Walk {
  readonly rows: Rows
}

/** A walk on which nothing is done yet. */
export const emptyWalk: Walk = { rows: {} }

/** What is said of an act that is not open. */
export const marks = ['done', 'skipped', 'differs'] as const

/** One of `marks`. */
export type Mark = (typeof marks)[number]

/** What was said of an act: for what it asked then, what was seen or why it was skipped, by whom, and when. */
export interface Said {
  readonly mark: Mark
  readonly asked: string
  readonly words: string
  readonly who: string
  /** The time of the device that said it, ISO 8601; it is shown, and decides nothing. */
  readonly at: string
}

/** The longest text in a row. */
const longestText = 500

/** How large a walk may grow: the longest procedure of the largest model, each act with a remark. */
export const walkLimits: Limits = {
  rows: 5000,
  bytes: 1_000_000,
  changesInStep: 2000,
  bytesInStep: 400_000,
  stepsInSave: 200,
  bytesInSave: 800_000,
}

/** Walks as documents that are saved step by step, like plans. */
export const walkKind: DocumentKind<Walk> = {
  name: 'walk',
  limits: walkLimits,
  readValue: readText,
  value: ({ rows }, row) => rows[row] ?? null,
  apply: applied,
}

function readText(input: unknown): Result<Value> {
  const isText = (one: unknown): one is string =>
    typeof one === 'string' && one.length <= longestText && !unkept.test(one)
  if (isText(input)) return ok(input)
  if (Array.isArray(input) && input.length === 5 && input.every(isText)) return ok(input as readonly string[])
  return refuse('shape', `A row of a walk is a text, or five texts, of at most ${longestText} characters.`)
}

/** Accepts rows from outside as a walk; refuses the first that does not fit. */
export function parseWalk(given: Readonly<Record<string, unknown>>): Result<Walk> {
  for (const [row, value] of Object.entries(given)) {
    const taken = taking(row, value)
    if (!taken.ok) return taken
  }
  return within(walkKind, given as Rows)
}

function applied(walk: Walk, step: Step): Result<Walk> {
  const changed = changedRows(walk, step)
  if (!changed.ok) return changed
  for (const { row, to } of step.changes) {
    const taken = to === null ? parseWalkRow(row) : taking(row, to)
    if (!taken.ok) return taken
  }
  return within(walkKind, changed.value)
}

function taking(row: string, value: unknown): Result<unknown> {
  const parsed = parseWalkRow(row)
  if (!parsed.ok) return parsed
  const read = readText(value)
  if (!read.ok) return refuse(read.refusal.code, read.refusal.message, row)
  const isMark = parsed.value.kind === 'mark'
  if (isMark !== Array.isArray(value)) return refuse('shape', 'A mark is five texts, a reason is one.', row)
  if (isMark && !marks.some((one) => one === (value as readonly string[])[0]))
    return refuse('outside', `A mark is ${marks.join(', ')}.`, row)
  return ok(value)
}

/** What was said of an act; null while it is open. */
export function saidOf({ rows }: Walk, act: string): Said | null {
  const value = rows[markRow(act)]
  if (!Array.isArray(value)) return null
  const [mark, asked, words, who, at] = value as readonly string[]
  return { mark: mark as Mark, asked: asked ?? '', words: words ?? '', who: who ?? '', at: at ?? '' }
}

/** What has to be known of an act to say how it stands. */
export type Asking = Pick<ProcedureAct, 'id' | 'asks' | 'after' | 'words' | 'task' | 'answers'>

/** How an act stands: as it was said, or open again because it asks for something else now. */
export type Standing = Mark | 'open' | 'anew'

/** How an act stands in a walk. */
export function standingOf(walk: Walk, act: Pick<ProcedureAct, 'id' | 'asks'>): Standing {
  const said = saidOf(walk, act.id)
  if (said === null) return 'open'
  return said.asked === stampOf(act) ? said.mark : 'anew'
}

/** What an act asks for, as it is kept beside its mark. */
function stampOf({ asks }: Pick<ProcedureAct, 'asks'>): string {
  return asks.slice(0, longestText)
}

/** The acts before an act that are not done, or skipped with a reason; none where the owner went past them. */
export function gatesOf<A extends Asking>(
  walk: Walk,
  procedure: { readonly acts: readonly A[] },
  act: Pick<ProcedureAct, 'id' | 'after'>,
): A[] {
  if (walk.rows[pastRow(act.id)] !== undefined) return []
  return procedure.acts.filter((one) => act.after.includes(one.id) && !isOver(standingOf(walk, one)))
}

/** Whether an act needs nothing more. */
export function isOver(standing: Standing): boolean {
  return standing !== 'open' && standing !== 'anew'
}

/** Counts of acts by how they stand, and the first that is not over; null where all are. */
export function progressOf<A extends Asking>(
  walk: Walk,
  { acts }: { readonly acts: readonly A[] },
): Readonly<Record<Standing, number>> & { readonly total: number; readonly next: A | null } {
  const counts: Record<Standing, number> = { open: 0, anew: 0, done: 0, skipped: 0, differs: 0 }
  let next: A | null = null
  for (const act of acts) {
    const standing = standingOf(walk, act)
    counts[standing] += 1
    if (!isOver(standing)) next ??= act
  }
  return { ...counts, total: acts.length, next }
}

/** What is wanted of an act. */
export interface Saying {
  readonly mark: Mark | null
  readonly words?: string
  readonly who: string
  readonly at: string
}

/**
 * The changes that say something of an act, or open it again. Refuses an act that the procedure has not, one whose gate is
 * shut (its refusal names what comes first), a skip or a difference without words, a tick without one of its answers.
 */
export function sayingOf(
  walk: Walk,
  procedure: { readonly acts: readonly Asking[] },
  id: string,
  { mark, words = '', who, at }: Saying,
): Result<readonly Change[]> {
  const act = procedure.acts.find((one) => one.id === id)
  if (!act) return refuse('unknown-act', 'This is nothing the procedure asks for any more.', id)
  const row = markRow(id)
  const from = walk.rows[row] ?? null
  if (mark === null) return ok(from === null ? [] : [{ row, from, to: null }])
  const [first] = mark === 'done' ? gatesOf(walk, procedure, act) : []
  if (first) return refuse('gate', `Not before: ${first.words}.`, id)
  const unseen = mark === 'done' ? unseenOf(walk, act) : null
  if (unseen) return unseen
  const said = words.trim().slice(0, longestText)
  if (mark === 'done' && act.answers && !act.answers.includes(said))
    return refuse('no-answer', `Say one of these: ${act.answers.join(', ')}.`, id)
  if (mark !== 'done' && said === '')
    return refuse('no-words', mark === 'skipped' ? 'Say why it is skipped.' : 'Say what you see instead.', id)
  return ok([{ row, from, to: [mark, stampOf(act), said, who, at] }])
}

/** Whether what an act does with a file has been seen to; true of acts that do nothing with one. */
export function isReadyToTick(walk: Walk, act: Asking): boolean {
  return unseenOf(walk, act) === null
}

/** Why an act at which a file is seen to cannot be ticked yet; null where it can. */
function unseenOf(walk: Walk, { id, task }: Asking): Result<never> | null {
  if (!task) return null
  if (task.for !== 'compare')
    return fileOf(walk, id) === null
      ? refuse('no-file', task.for === 'put' ? 'Write the file first.' : 'Take the file in first.', id)
      : null
  const compared = comparedOf(walk, id)
  if (!compared) return refuse('no-file', 'Hold the two files against each other first.', id)
  return compared.verdict === 'equal'
    ? null
    : refuse('not-equal', 'They are not equal: say what you see instead.', id)
}

/** The change that goes past the gate of an act with a reason; refuses an empty one. */
export function goingPast(walk: Walk, act: string, reason: string): Result<readonly Change[]> {
  const why = reason.trim().slice(0, longestText)
  if (why === '') return refuse('no-words', 'Say why it may come before the others.', act)
  const row = pastRow(act)
  return ok([{ row, from: walk.rows[row] ?? null, to: why }])
}

/** One line of the record of a walk. */
export interface RecordLine<A extends Asking> {
  readonly act: A
  readonly standing: Standing
  readonly said: Said | null
}

/** The record of a walk: every act as it stands, and what was ticked that the procedure asks for no more. */
export function recordOf<A extends Asking>(
  walk: Walk,
  { acts }: { readonly acts: readonly A[] },
): {
  readonly lines: readonly RecordLine<A>[]
  readonly gone: readonly { readonly act: string; readonly said: Said }[]
} {
  const known = new Set(acts.map(({ id }) => id))
  const gone = Object.keys(walk.rows).flatMap((id) => {
    const row = parseWalkRow(id)
    if (!row.ok || row.value.kind !== 'mark' || known.has(row.value.act)) return []
    const said = saidOf(walk, row.value.act)
    return said ? [{ act: row.value.act, said }] : []
  })
  return {
    lines: acts.map((act) => ({ act, standing: standingOf(walk, act), said: saidOf(walk, act.id) })),
    gone,
  }
}
