import { lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import type { Plan } from '../../plan/plan'
import { describeRow, differenceRow, noteRow, rowValue, showRow, type RowId } from '../../plan/rows'
import type { Sheet } from '../types'
import { choicesAt, settingAt } from './row-values'

/** A row of the plan as a line of a workbook: what stands there, and what may stand there instead. */
export interface EditableLine {
  readonly row: RowId
  /** The table it stands in on the sheet. */
  readonly subject: string
  readonly what: string
  readonly menu: string
  /** What stands there, in words; what is typed over it becomes the new value. */
  readonly value: string
  /** Every value it takes, in words; empty where it is typed. */
  readonly choices: readonly string[]
  readonly why: string
  /** Whether the value is whatever its owner writes. */
  readonly isFree: boolean
}

/**
 * The rows of the plan that a sheet shows, each once, in the order of the sheet. On the sheet of a body what differs there
 * is the row of that body.
 */
export function editableLines(
  model: BodyModel,
  plan: Plan,
  sheet: Sheet,
  tag: string | null = null,
): EditableLine[] {
  const seen = new Set<RowId>()
  return sheet.blocks.flatMap((block) => {
    if (block.kind !== 'table') return []
    return block.lines.flatMap(({ cells }) =>
      cells.flatMap(({ row: shown, text }): EditableLine[] => {
        if (shown === undefined) return []
        const own = tag === null ? shown : differenceRow(tag, shown)
        const row = rowValue(plan.rows, own) === null ? shown : own
        if (seen.has(row)) return []
        seen.add(row)
        const planned = rowValue(plan.rows, row)
        const setting = settingAt(model, row)
        const why = rowValue(plan.rows, noteRow('why', row))
        return [
          {
            row,
            subject: block.name,
            what: describeRow(model, row),
            menu: setting ? (lookup(model).menuAddress.get(setting.id) ?? '') : '',
            value: planned === null ? text : showRow(model, row, planned),
            choices: choicesAt(model, row),
            why: typeof why === 'string' ? why : '',
            isFree: setting?.domain.kind === 'text',
          },
        ]
      }),
    )
  })
}
