import type { BodyModel } from '../../model/types'
import type { Plan } from '../../plan/plan'
import {
  acceptValue,
  describeRow,
  noteRow,
  parseRow,
  rowIdOf,
  rowValue,
  showRow,
  type RowId,
} from '../../plan/rows'
import { sameValue, type Value } from '../../vocabulary/values'
import { readWrittenRow } from '../../plan/written'

/** A line of a workbook as it came back. */
export interface TypedLine {
  /** Where it stands in the file: "Edit, line 12". */
  readonly at: string
  /** The id of the row; empty where the line has none. */
  readonly row: string
  /** What stood there when the file was written; null where the file does not say. */
  readonly was: string | null
  readonly value: string
  /** The reason beside it; null where the file has no such column. */
  readonly why: string | null
  /** What is wrong with the line itself, such as a formula. */
  readonly problem?: string
}

/** What becomes of a line: taken as a change; as it was; not understood; against a change made meanwhile. */
export type LineFate = 'taken' | 'unchanged' | 'refused' | 'unknown' | 'conflict'

/** A line with what becomes of it. */
export interface TakenLine {
  readonly at: string
  readonly fate: LineFate
  readonly row: RowId | null
  /** The place in words; what the file calls it where that is no row of this model. */
  readonly what: string
  readonly from: string
  readonly to: string
  /** Why it is refused, unknown or in conflict; empty where it is taken or unchanged. */
  readonly because: string
  /** What is set by taking it. */
  readonly sets: Readonly<Record<RowId, Value | null>>
}

/**
 * A workbook that came back against the plan as it stands: each line taken, unchanged, refused with the reason, unknown, or
 * in conflict with what was changed here since the file was written. A value that was emptied goes back to as delivered. The
 * last line of a row counts.
 */
export function takeLines(model: BodyModel, plan: Plan, lines: readonly TypedLine[]): TakenLine[] {
  const lastOf = new Map(lines.map((line) => [line.row, line]))
  return lines
    .filter(({ row, value, why }) => row !== '' || value !== '' || (why ?? '') !== '')
    .map((line) => {
      const last = line.row === '' ? line : (lastOf.get(line.row) ?? line)
      return last === line
        ? takeLine(model, plan, line)
        : refusedLine(line, `This row stands again at ${last.at}; the last one counts.`)
    })
}

function refusedLine(
  { at, row, was, value }: TypedLine,
  because: string,
  fate: LineFate = 'refused',
): TakenLine {
  return { at, fate, row: null, what: row, from: was ?? '', to: value, because, sets: {} }
}

function takeLine(model: BodyModel, plan: Plan, line: TypedLine): TakenLine {
  const parsed = parseRow(model, line.row)
  if (line.problem !== undefined) return refusedLine(line, line.problem)
  if (!parsed.ok)
    return refusedLine(
      line,
      line.row === '' ? 'The line names no row of the plan.' : parsed.refusal.message,
      'unknown',
    )
  const row = rowIdOf(parsed.value)
  const what = describeRow(model, row)
  const now = rowValue(plan.rows, row)
  const shown = now === null ? (line.was ?? '') : showRow(model, row, now)
  const reason = reasonOf(model, plan, row, line.why)
  if (!reason.ok) return { ...refusedLine(line, reason.because), row, what }
  const typed = line.value.trim()
  const base = { at: line.at, row, what, from: shown, to: typed, because: '' }
  const isSame = typed === shown.trim() || (line.was !== null && typed === line.was.trim())
  if (isSame) {
    const isChanged = Object.keys(reason.sets).length > 0
    return { ...base, fate: isChanged ? 'taken' : 'unchanged', sets: reason.sets }
  }
  const read = typed === '' ? ({ ok: true, value: null } as const) : readWrittenRow(model, row, typed)
  if (!read.ok) return { ...base, fate: 'refused', because: read.refusal.message, sets: {} }
  const value = read.value?.value ?? null
  if (now !== null && value !== null && sameValue(now, value))
    return { ...base, fate: 'unchanged', sets: reason.sets }
  const movedOn = line.was !== null && now !== null && line.was.trim() !== shown.trim()
  const sets = { [row]: value, ...reason.sets }
  if (movedOn)
    return {
      ...base,
      fate: 'conflict',
      because: `It was ${line.was ?? ''} when the file was written; here it is ${shown} now.`,
      sets,
    }
  return { ...base, fate: 'taken', sets }
}

type Reason =
  | { readonly ok: true; readonly sets: Readonly<Record<RowId, Value | null>> }
  | { readonly ok: false; readonly because: string }

/** The reason beside a row, where it is another than the plan's. */
function reasonOf(model: BodyModel, plan: Plan, row: RowId, why: string | null): Reason {
  const note = noteRow('why', row)
  const now = rowValue(plan.rows, note)
  const typed = why?.trim() ?? null
  if (typed === null || typed === (typeof now === 'string' ? now.trim() : '')) return { ok: true, sets: {} }
  if (typed === '') return { ok: true, sets: { [note]: null } }
  const parsed = parseRow(model, note)
  const accepted = parsed.ok ? acceptValue(model, parsed.value, typed, note) : parsed
  return accepted.ok
    ? { ok: true, sets: { [note]: accepted.value } }
    : { ok: false, because: accepted.refusal.message }
}
