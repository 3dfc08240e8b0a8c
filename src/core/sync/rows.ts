import { ok, refuse, type Result } from '../result'
import { sameValue, type Value } from '../vocabulary/values'
import type { DocumentKind } from './kind'
import type { RowId, Step } from './step'

/** A document that is nothing but rows. */
export interface RowDocument {
  readonly rows: Readonly<Record<RowId, Value>>
}

/**
 * The rows after a step, before anybody looked at what they hold. Refuses a step that changes nothing, one that changes a
 * row twice, and one that was made on something else (`stale`).
 */
export function changedRows({ rows: before }: RowDocument, step: Step): Result<Record<RowId, Value>> {
  if (step.changes.length === 0) return refuse('empty-step', 'This step changes nothing.')
  const rows: Record<RowId, Value> = { ...before }
  const seen = new Set<RowId>()
  for (const { row, from, to } of step.changes) {
    if (seen.has(row)) return refuse('twice', 'One step changes this row twice.', row)
    seen.add(row)
    if (!sameValue(before[row], from ?? undefined))
      return refuse('stale', 'This row has changed since the step was made.', row)
    if (to === null) delete rows[row]
    else rows[row] = to
  }
  return ok(rows)
}

/** The document of some rows, within the limits of its kind. */
export function within<D extends RowDocument>(
  { name, limits }: Pick<DocumentKind<D>, 'name' | 'limits'>,
  rows: RowDocument['rows'],
): Result<RowDocument> {
  const count = Object.keys(rows).length
  if (count > limits.rows)
    return refuse('too-many', `${article(name)} has at most ${limits.rows} rows; this would have ${count}.`)
  const bytes = new TextEncoder().encode(JSON.stringify(rows)).length
  if (bytes > limits.bytes)
    return refuse(
      'too-large',
      `${article(name)} takes at most ${limits.bytes} bytes; this would take ${bytes}.`,
    )
  return ok({ rows })
}

function article(name: string): string {
  return `${/^[aeiou]/.test(name) ? 'An' : 'A'} ${name}`
}
