import { acceptedFunctions } from '../../model/controls'
import { showValue, valuesOf } from '../../model/domain'
import { itemName, lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import { readTyped } from '../../model/typed'
import { permittedAt } from '../../plan/menu-items'
import {
  acceptValue,
  addressKeyOf,
  emptyCell,
  isGridRow,
  isOwnRow,
  parseRow,
  settingOf,
  type RowId,
} from '../../plan/rows'
import { refuse, type Result } from '../../result'
import type { Value } from '../../vocabulary/values'

/** What a row takes, where that can be listed: values with their words; empty where anything of a kind goes. */
export function choicesAt(model: BodyModel, row: RowId): { readonly value: Value; readonly name: string }[] {
  const key = addressKeyOf(row)
  const address = key === null ? undefined : lookup(model).addresses.get(key)
  if (address) return acceptedFunctions(model, address).map(({ id, name }) => ({ value: id, name }))
  if (isGridRow(row) || isOwnRow(row))
    return [
      ...(isGridRow(row) ? [{ value: emptyCell, name: '–' }] : []),
      ...permittedAt(model, row).map((id) => ({ value: id, name: itemName(model, id) })),
    ]
  const setting = settingAt(model, row)
  return (setting ? (valuesOf(setting.domain) ?? []) : []).map((value) => ({
    value,
    name: setting ? showValue(setting.domain, value) : String(value),
  }))
}

/** The setting a row holds a value of; null where it is about something else. */
export function settingAt(model: BodyModel, row: RowId) {
  const parsed = parseRow(model, row)
  return parsed.ok && parsed.value.kind !== 'share' ? settingOf(parsed.value) : null
}

/** Reads what somebody typed into a row: a choice by its words or its id, a value as photographers write it. */
export function readAt(model: BodyModel, row: RowId, typed: string): Result<Value> {
  const parsed = parseRow(model, row)
  if (!parsed.ok) return parsed
  const plain = typed.trim()
  const named = choicesAt(model, row).find(
    ({ name, value }) => name.toLowerCase() === plain.toLowerCase() || String(value) === plain,
  )
  if (named) return acceptValue(model, parsed.value, named.value, row)
  const setting = settingAt(model, row)
  if (!setting) return refuse('outside', `“${plain}” is nothing that this place takes.`, row)
  const read = readTyped(setting, withoutUnit(plain, setting.domain))
  return read.ok ? acceptValue(model, parsed.value, read.value, row) : read
}

/** A number without the unit it is shown with, and with a point where a comma was typed. */
function withoutUnit(text: string, domain: NonNullable<ReturnType<typeof settingAt>>['domain']): string {
  const typed =
    domain.kind === 'number' || domain.kind === 'ladder' ? text.replace(/(\d),(\d)/g, '$1.$2') : text
  if (domain.kind !== 'number' || domain.unit === '') return typed
  return typed.endsWith(domain.unit) ? typed.slice(0, -domain.unit.length).trim() : typed
}

/** Whether a row takes whatever its owner writes. */
export function isFreeText(model: BodyModel, row: RowId): boolean {
  return settingAt(model, row)?.domain.kind === 'text'
}
