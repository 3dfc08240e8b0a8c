import { showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import { plannedSlots, type Plan } from '../plan/plan'
import { baseCellOf, bodyTagOf, bothSides, parseRow, typedCell, variedOf, type RowId } from '../plan/rows'
import type { PlannedCell } from './standing'

/** A base cell of a setting in words. */
export interface CellWords extends PlannedCell {
  /** "stills", "both sides", "upright"; empty where the setting has one cell only. */
  readonly where: string
  /** The value that stands there, planned or as delivered. */
  readonly shown: string
}

/** The base cells of a setting in words, in their order. */
export function cellWords(model: BodyModel, setting: Setting, cells: readonly PlannedCell[]): CellWords[] {
  return cells.map(({ row, value }) => ({
    row,
    value,
    where: whereOf(model, baseCellOf(row)?.cell ?? null),
    shown: showValue(setting.domain, value ?? setting.factory),
  }))
}

function whereOf(model: BodyModel, cell: string | null): string {
  if (cell === null) return ''
  if (cell === bothSides) return 'both sides'
  if (cell === typedCell) return 'lens without contacts'
  const position = model.positions.find(({ id }) => id === cell)?.name
  if (position !== undefined) return position
  const mode = lookup(model).exposureMode
  const values = mode?.domain.kind === 'choice' ? mode.domain.values : []
  return values.find(({ id }) => id === cell)?.name ?? cell
}

/** Where else a setting has a value, in a few words: "Ebb, Flow, body heron-b". */
export function elsewhereWords(model: BodyModel, plan: Plan, rows: readonly RowId[]): string {
  const slots = plannedSlots(model, plan)
  const named = rows.map((row) => {
    const varied = variedOf(row)
    if (varied !== null) {
      const planned = slots.find(({ family, slot }) => family === varied.family && slot === varied.slot)
      const family = model.families.find(({ id }) => id === varied.family)
      return planned?.name ?? family?.slots.find(({ id }) => id === varied.slot)?.name ?? varied.slot
    }
    const tag = bodyTagOf(row)
    if (tag !== null) return `body ${tag}`
    const parsed = parseRow(model, row)
    if (parsed.ok && parsed.value.kind === 'position') return parsed.value.position.name
    if (parsed.ok && parsed.value.kind === 'hold') return parsed.value.set.name
    return row
  })
  return [...new Set(named)].join(', ')
}
