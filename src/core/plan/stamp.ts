import type { BodyModel } from '../model/types'
import type { Change, RowId, Step } from '../sync/step'
import { sameValue } from '../vocabulary/values'
import type { Plan } from './plan'
import { firmwareNumber } from '../rules/facts'
import { entriesOf, notedRow, noteRow, parseRow, readStamp, rowValue, type Row, type Rows } from './rows'

/** The body in the hand while a plan is made. */
export interface Hand {
  readonly tag: string
  readonly firmware: string | null
}

/** The kinds of row that say how the camera is set: what another firmware may change. */
const stamped: ReadonlySet<Row['kind']> = new Set<Row['kind']>([
  ...(['base', 'key', 'bank', 'bankKey', 'bankGrid', 'bankOwn', 'position'] as const),
  ...(['grid', 'own', 'hold', 'share', 'body', 'bodyRow'] as const),
])

/**
 * The step with a stamp beside each row that it sets: the firmware and the body it was decided on, so that a newer
 * firmware shows what to look at again. Rows that are taken away lose theirs. Nothing is added where the firmware of the
 * body in the hand is not known, or where the step says itself what a row was decided on.
 */
export function stampedBy(model: BodyModel, plan: Plan, step: Step, hand: Hand | null): Step {
  const touched = new Set<RowId>(step.changes.map(({ row }) => row))
  const isKnown = model.firmware.some(({ version }) => version === hand?.firmware)
  const stamp = hand && isKnown ? `${String(hand.firmware)} ${hand.tag}` : null
  const stamps = step.changes.flatMap(({ row, to }): Change[] => {
    const parsed = parseRow(model, row)
    const beside = noteRow('decidedOn', row)
    if (!parsed.ok || !stamped.has(parsed.value.kind) || touched.has(beside)) return []
    const from = rowValue(plan.rows, beside)
    const next = to === null ? null : (stamp ?? from)
    return sameValue(from ?? undefined, next ?? undefined) ? [] : [{ row: beside, from, to: next }]
  })
  return stamps.length === 0 ? step : { ...step, changes: [...step.changes, ...stamps] }
}

/** The rows stamped with an older firmware than this, each with the firmware it was decided on; a stamp without one counts as older. */
export function decidedBefore(
  rows: Rows,
  version: string,
): { readonly row: RowId; readonly decidedOn: string }[] {
  const here = firmwareNumber(version) ?? 0
  return entriesOf(rows).flatMap(([note, stamp]) => {
    const row = notedRow(note, 'decidedOn')
    if (row === null || typeof stamp !== 'string') return []
    const { firmware } = readStamp(stamp)
    return (firmwareNumber(firmware) ?? 0) < here ? [{ row, decidedOn: firmware }] : []
  })
}
