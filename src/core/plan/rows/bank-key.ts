import type { Address } from '../../model/addresses'
import { lookup } from '../../model/lookup'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { functionName, placeOfAddress, takesFunction } from './key'
import { unknownPart, type RowKind } from './kind'
import { functionRanges } from './ranges'
import { parseSlot, type SlotOf } from './slot'

/** What is on a key in a slot, where slots keep that. */
export interface BankKeyRow extends SlotOf {
  readonly kind: 'bankKey'
  readonly address: Address
}

/** The id of what is on a key in a slot. */
export function bankKeyRow(family: string, slot: string, address: { readonly key: string }): RowId {
  return rowId(`bank/${family}/${slot}/key/${address.key}`)
}

export const bankKeyKind: RowKind<BankKeyRow> = {
  kind: 'bankKey',
  heads: ['bank'],
  form: [
    'bank/<family>/<slot>/key/<side>/<control>/<gesture>',
    'what is on a key in this slot, where slots keep that',
  ],
  claims: ([, , name]) => name === 'key',
  parse({ model, id, parts }) {
    const [familyId, slotId, , ...rest] = parts
    const found = parseSlot(model, id, familyId, slotId)
    if (!found.ok) return found
    if (!found.value.family.storesKeys)
      return refuse('not-stored', `${found.value.family.name} does not keep what is on the keys.`, id)
    const address = lookup(model).addresses.get(rest.join('/'))
    return address ? ok({ kind: 'bankKey', ...found.value, address }) : unknownPart(id, rest.join('/'))
  },
  id: ({ family, slot, address }) => bankKeyRow(family.id, slot.id, address),
  accepts: (model, { address }, value, id) => takesFunction(model, address, value, id),
  describe: {
    place: ({ slot, address }) => `Bank ${slot.name}, ${placeOfAddress(address)}`,
    value: (model, _row, value) => (value === null ? 'as the plan' : functionName(model, value)),
  },
  invalidates: ({ address }) => ({ what: 'key', address: address.key }),
  ranges: (model, { address }, value) => functionRanges(model, address, value),
  station: () => 'banks',
}
