import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { showItem } from './grid'
import { rowId } from './id'
import type { RowKind } from './kind'
import { ownKind, type OwnRow } from './own'
import { parseSlot, type SlotOf } from './slot'

/** What stands in a line of the own menu in a slot, where slots keep that. */
export interface BankOwnRow extends SlotOf, Omit<OwnRow, 'kind'> {
  readonly kind: 'bankOwn'
}

/** The id of a line of the own menu in a slot. */
export function bankOwnRow(family: string, slot: string, page: number, line: number): RowId {
  return rowId(`bank/${family}/${slot}/own/${page}/${line}`)
}

export const bankOwnKind: RowKind<BankOwnRow> = {
  kind: 'bankOwn',
  heads: ['bank'],
  form: [
    'bank/<family>/<slot>/own/<page>/<line>',
    'a line of the own menu in this slot, where slots keep that',
  ],
  claims: ([, , name]) => name === 'own',
  parse({ model, id, head, parts }) {
    const [familyId, slotId, , ...rest] = parts
    const found = parseSlot(model, id, familyId, slotId)
    if (!found.ok) return found
    if (found.value.family.storesOwnMenu !== true)
      return refuse('not-stored', `${found.value.family.name} does not keep the own menu.`, id)
    const line = ownKind.parse({ model, id, head, parts: rest })
    return line.ok ? ok({ ...line.value, ...found.value, kind: 'bankOwn' }) : line
  },
  id: ({ family, slot, page, line }) => bankOwnRow(family.id, slot.id, page, line),
  accepts: (model, row, value, id) => ownKind.accepts(model, { ...row, kind: 'own' }, value, id),
  describe: {
    place: ({ slot, page, line }) => `Bank ${slot.name}, own menu, page ${page}, line ${line}`,
    value: (model, _row, value) => (value === null ? 'as the plan' : showItem(model, value)),
  },
  invalidates: () => ({ what: 'menus' }),
  station: () => 'banks',
}
