import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { lineRow, noteRow, type LineStanding, type NoteName, type RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import { standingsOf, type Standing } from './standing'

/** Rows to be set, by id; null for those to be taken away. */
export type RowsToSet = Readonly<Record<RowId, Value | null>>

/**
 * The rows that say of lines that they stay as delivered on purpose, or are not in the owner's work; null for saying nothing of
 * them again. A line with a value planned is passed over: it is planned. Empty where nothing changes.
 */
export function saidOfLines(
  model: BodyModel,
  plan: Plan,
  lines: readonly string[],
  said: LineStanding | null,
): RowsToSet {
  const standings = standingsOf(model, plan)
  const rows: Record<RowId, Value | null> = {}
  for (const id of lines) {
    const standing = standings.get(id)
    if (!standing || isPlanned(standing)) continue
    if ((plan.rows[lineRow(id)] ?? null) !== said) rows[lineRow(id)] = said
  }
  return rows
}

/** Whether a line has a value planned, in base or elsewhere, or something on the page it opens. */
export function isPlanned({ cells, elsewhere, setUp }: Standing): boolean {
  return setUp > 0 || elsewhere.length > 0 || cells.some(({ value }) => value !== null)
}

/** The rows that plan a value in a cell of a line: what was said of the line before no longer holds. */
export function plannedInLine(plan: Plan, line: string, row: RowId, value: Value | null): RowsToSet {
  const said = value !== null && plan.rows[lineRow(line)] === 'not-mine' ? { [lineRow(line)]: null } : {}
  return { [row]: value, ...said }
}

/** The rows that put a note beside every row of a line; null takes it away wherever it stands. */
export function notedOfLine(
  model: BodyModel,
  plan: Plan,
  line: string,
  name: NoteName,
  text: string | null,
): RowsToSet {
  const standing = standingsOf(model, plan).get(line)
  if (!standing) return {}
  const beside = text === null ? [...standing.noted, lineRow(line)] : standing.noted
  const rows = beside.map((row) => [noteRow(name, row), text] as const)
  return Object.fromEntries(rows.filter(([row, value]) => (plan.rows[row] ?? null) !== value))
}
