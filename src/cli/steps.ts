import { randomUUID } from 'node:crypto'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { parseRow, rowIdOf, rowValue, showRow } from '@/core/plan/rows'
import { readWrittenRow, withNearest } from '@/core/plan/written'
import { ok, type Refusal, type Result } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import { allOf } from './disk'

/**
 * Steps as people write them, as the format has them: an id and `from` may be left out, values stand as people write them, and
 * `{"rows": {…}}` is one step. What is no step is left as it is, for the format to refuse. Every fault of the rows at once.
 */
export function plainSteps(
  model: BodyModel,
  plan: Plan,
  json: unknown,
  name: string,
  notes: string[],
): Result<unknown> {
  const faults: Refusal[] = []
  const now: Record<string, Value | null> = {}
  const change = (given: Record<string, unknown>, where: string): unknown => {
    if (typeof given.row !== 'string') return given
    const read = given.to === null ? takenBack(model, given.row) : readWrittenRow(model, given.row, given.to)
    if (!read.ok) {
      faults.push({ ...read.refusal, where })
      return given
    }
    const { row, value: to, isTyped } = read.value
    if (isTyped) notes.push(`${where}: ${JSON.stringify(given.to)} is read as ${showRow(model, row, to)}.`)
    const stands = row in now ? now[row] : rowValue(plan.rows, row)
    now[row] = to
    return { row, from: 'from' in given ? given.from : stands, to }
  }
  const steps = (Array.isArray(json) ? json : [json]).map((step: unknown, i) => {
    if (!isRecord(step)) return step
    const changes = isRecord(step.rows)
      ? Object.entries(step.rows).map(([row, to]) => ({ row, to }))
      : step.changes
    if (!Array.isArray(changes)) return step
    return {
      id: step.id ?? randomUUID(),
      changes: changes.map((one: unknown, k) => {
        const where = `${name}: step ${i + 1}, change ${k + 1}`
        return isRecord(one) ? change(one, typeof one.row === 'string' ? `${where}, ${one.row}` : where) : one
      }),
    }
  })
  return faults.length > 0 ? allOf(faults, name) : { ok: true, value: steps }
}

/** A row that goes back to as delivered, or as base. */
function takenBack(model: BodyModel, id: string) {
  const parsed = parseRow(model, id)
  return parsed.ok
    ? ok({ row: rowIdOf(parsed.value), value: null, isTyped: false })
    : withNearest(model, parsed, id)
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}
