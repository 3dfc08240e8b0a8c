import { randomUUID } from 'node:crypto'
import type { BodyModel } from '@/core/model/types'
import { nearestRow } from '@/core/plan/nearest'
import type { Plan } from '@/core/plan/plan'
import { parseRow, rowIdOf, rowValue, showRow } from '@/core/plan/rows'
import { readRowValue } from '@/core/plan/written'
import type { Refusal, Result } from '@/core/result'
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
    const row = parseRow(model, given.row)
    if (!row.ok) {
      const near = nearestRow(model, given.row)
      const message = near === null ? row.refusal.message : `${row.refusal.message} Nearest: ${near}.`
      faults.push({ ...row.refusal, message, where })
      return given
    }
    const id = rowIdOf(row.value)
    const taken = given.to === null ? null : readRowValue(model, row.value, given.to, id)
    if (taken && !taken.ok) {
      faults.push({ ...taken.refusal, where })
      return given
    }
    const to = taken?.value.value ?? null
    if (taken?.value.isTyped)
      notes.push(`${where}: ${JSON.stringify(given.to)} is read as ${showRow(model, id, to)}.`)
    const from = 'from' in given ? given.from : (now[id] ?? rowValue(plan.rows, id))
    now[id] = to
    return { row: id, from, to }
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

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}
