import { checkValue, showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { Setting } from '../../model/types'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { behind, rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { settingRanges } from './ranges'
import { parseSlot, type SlotOf } from './slot'

/** A value in which a slot differs from base. */
export interface BankRow extends SlotOf {
  readonly kind: 'bank'
  readonly setting: Setting
}

/** The id of a value in which a slot differs from base. */
export function bankRow(family: string, slot: string, setting: string): RowId {
  return rowId(`bank/${family}/${slot}/${setting}`)
}

/** What a row that varies a slot from base is about; null where it is another row. Setting ids have a stop in them, facts of a slot none. */
export function variedOf(id: string): { family: string; slot: string; setting: string } | null {
  const rest = behind(id, 'bank')
  if (rest === null) return null
  const [family = '', slot = '', setting = '', more] = rest.split('/')
  return more === undefined && setting.includes('.') ? { family, slot, setting } : null
}

/** The rows among these in which a slot differs from base. */
export function variedRows(ids: Iterable<string>, family: string, slot: string): RowId[] {
  const found: RowId[] = []
  for (const id of ids) {
    const varied = variedOf(id)
    if (varied?.family === family && varied.slot === slot) found.push(bankRow(family, slot, varied.setting))
  }
  return found
}

export const bankKind: RowKind<BankRow> = {
  kind: 'bank',
  heads: ['bank'],
  form: ['bank/<family>/<slot>/<setting>', 'a value in which the slot differs from base'],
  parse({ model, id, parts }) {
    const [familyId, slotId, name = '', ...more] = parts
    const found = parseSlot(model, id, familyId, slotId)
    if (!found.ok) return found
    if (parts.length !== 3) return unknownPart(id, more.join('/'))
    const setting = lookup(model).settings.get(name)
    if (!setting) return unknownPart(id, name)
    const { family, slot } = found.value
    if (setting.storedBy === family.id) return ok({ kind: 'bank', family, slot, setting })
    return refuse(
      'not-stored',
      `${setting.label} is not kept by ${family.name}; it is set outside the banks.`,
      id,
    )
  },
  id: ({ family, slot, setting }) => bankRow(family.id, slot.id, setting.id),
  accepts: (_model, { setting }, value, id) => checkValue(setting.domain, value, id),
  describe: {
    place: ({ slot, setting }) => `Bank ${slot.name}, ${setting.label}`,
    value: (_model, { setting }, value) => (value === null ? 'as base' : showValue(setting.domain, value)),
  },
  invalidates: ({ family, slot, setting }) => ({
    what: 'setting',
    setting: setting.id,
    place: `${family.id}/${slot.id}`,
  }),
  ranges: (_model, { setting }, value) => settingRanges(setting, value),
  station: () => 'banks',
}
