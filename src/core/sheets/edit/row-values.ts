import { acceptedFunctions } from '../../model/controls'
import { showValue, valuesOf } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { BodyModel, Setting } from '../../model/types'
import { itemsAt } from '../../plan/menu-items'
import { addressKeyOf, isGridRow, isOwnRow, parseRow, settingOf, type RowId } from '../../plan/rows'

/** What a row takes, in words, where that can be listed; empty where anything of a kind goes. */
export function choicesAt(model: BodyModel, row: RowId): string[] {
  const key = addressKeyOf(row)
  const address = key === null ? undefined : lookup(model).addresses.get(key)
  if (address) return acceptedFunctions(model, address).map(({ name }) => name)
  if (isGridRow(row) || isOwnRow(row)) return itemsAt(model, row).map(({ name }) => name)
  const domain = settingAt(model, row)?.domain
  return domain ? (valuesOf(domain) ?? []).map((value) => showValue(domain, value)) : []
}

/** The setting a row holds a value of; null where it is about something else. */
export function settingAt(model: BodyModel, row: RowId): Setting | null {
  const parsed = parseRow(model, row)
  return parsed.ok ? settingOf(parsed.value) : null
}
