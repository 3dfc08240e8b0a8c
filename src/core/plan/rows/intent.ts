import type { Address } from '../../model/addresses'
import { checkValue, showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { Setting } from '../../model/types'
import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { bankRow } from './bank'
import { behind, isOwnName, rowId } from './id'
import { functionName, keyRow, placeOfAddress, takesFunction } from './key'
import { unknownPart, type RowKind } from './kind'
import { parseSlot, type SlotOf } from './slot'

/** Where an intent wants something: on a key, or in a slot, be the setting kept there or not. */
export type Wanted =
  | { readonly kind: 'key'; readonly address: Address }
  | (SlotOf & { readonly kind: 'bank'; readonly setting: Setting })

/** What a need or scheme (the claimant) wants somewhere, whatever the plan has. */
export interface IntentRow {
  readonly kind: 'intent'
  readonly claimant: string
  readonly wants: Wanted
}

/** The id of what a claimant wants in the place of a row of a key or a bank. */
export function intentRow(claimant: string, row: RowId): RowId {
  return rowId(`intent/${claimant}/${row}`)
}

/** The row in whose place an intent wants something; null where it is no intent. */
export function wantedOf(id: string): RowId | null {
  const rest = behind(id, 'intent')
  return rest === null ? null : (rest.slice(rest.indexOf('/') + 1) as RowId)
}

function targetOf(wants: Wanted): RowId {
  return wants.kind === 'key'
    ? keyRow(wants.address)
    : bankRow(wants.family.id, wants.slot.id, wants.setting.id)
}

export const intentKind: RowKind<IntentRow> = {
  kind: 'intent',
  heads: ['intent'],
  form: [
    'intent/<claimant>/<key or bank row>',
    'what a need or scheme wants there, whatever the plan has; any setting in a bank',
  ],
  parse({ model, id, parts: [claimant, kind, ...rest] }) {
    if (!isOwnName(claimant)) return unknownPart(id, claimant ?? '')
    if (kind === 'key') {
      const address = lookup(model).addresses.get(rest.join('/'))
      return address
        ? ok({ kind: 'intent', claimant, wants: { kind, address } })
        : unknownPart(id, rest.join('/'))
    }
    const slot = kind === 'bank' ? parseSlot(model, id, rest[0], rest[1]) : null
    const setting = lookup(model).settings.get(rest[2] ?? '')
    if (!slot?.ok || !setting || rest.length !== 3) return unknownPart(id, [kind, ...rest].join('/'))
    return ok({ kind: 'intent', claimant, wants: { kind: 'bank', ...slot.value, setting } })
  },
  id: ({ claimant, wants }) => intentRow(claimant, targetOf(wants)),
  accepts: (model, { wants }, value, id) =>
    wants.kind === 'key'
      ? takesFunction(model, wants.address, value, id)
      : checkValue(wants.setting.domain, value, id),
  describe: {
    place({ claimant, wants }) {
      const place =
        wants.kind === 'key'
          ? placeOfAddress(wants.address)
          : `Bank ${wants.slot.name}, ${wants.setting.label}`
      return `Wanted by ${claimant} for ${place}`
    },
    value(model, { wants }, value) {
      if (value === null) return 'none'
      return wants.kind === 'key' ? functionName(model, value) : showValue(wants.setting.domain, value)
    },
  },
  invalidates: () => ({ what: 'words' }),
  station: ({ wants }) => (wants.kind === 'key' ? 'controls' : 'banks'),
}
