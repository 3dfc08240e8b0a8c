import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { parseCell, showItem, takesItem, type GridCell } from './grid'
import { rowId } from './id'
import type { RowKind } from './kind'
import { parseSlot, type SlotOf } from './slot'

/** What is in a cell of a function menu in a slot, where slots keep that. */
export interface BankGridRow extends SlotOf, GridCell {
  readonly kind: 'bankGrid'
}

/** The id of what is in a cell of a function menu in a slot. */
export function bankGridRow(family: string, slot: string, grid: string, cell: number): RowId {
  return rowId(`bank/${family}/${slot}/grid/${grid}/${cell}`)
}

export const bankGridKind: RowKind<BankGridRow> = {
  kind: 'bankGrid',
  heads: ['bank'],
  form: [
    'bank/<family>/<slot>/grid/<grid>/<n>',
    'what is in a cell of a function menu in this slot, likewise',
  ],
  claims: ([, , name]) => name === 'grid',
  parse({ model, id, parts }) {
    const [familyId, slotId, , ...rest] = parts
    const found = parseSlot(model, id, familyId, slotId)
    if (!found.ok) return found
    if (!found.value.family.storesGrids)
      return refuse(
        'not-stored',
        `${found.value.family.name} does not keep what is on the function menus.`,
        id,
      )
    const cell = parseCell(model, id, rest)
    return cell.ok ? ok({ kind: 'bankGrid', ...found.value, ...cell.value }) : cell
  },
  id: ({ family, slot, grid, cell }) => bankGridRow(family.id, slot.id, grid.id, cell),
  accepts: (_model, { grid }, value, id) => takesItem(grid, value, id),
  describe: {
    place: ({ slot, grid, cell }) => `Bank ${slot.name}, ${grid.name}, cell ${cell}`,
    value: (model, _row, value) => showItem(model, value),
  },
  invalidates: () => ({ what: 'menus' }),
  station: () => 'banks',
}
