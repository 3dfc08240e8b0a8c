import { acceptedFunctions } from '../model/controls'
import { factoryValue } from '../model/lookup'
import { readTyped } from '../model/typed'
import type { BodyModel } from '../model/types'
import { ok, type Refusal, type Result } from '../result'
import type { Value } from '../vocabulary/values'
import { readValue, sizeOf } from './limits'
import { itemsAt } from './menu-items'
import { nearestOf, nearestRow } from './nearest'
import type { Plan } from './plan'
import { acceptValue, parseRow, rowIdOf, settingOf, showRow, type Row, type RowId, type Rows } from './rows'

/** A value that stood in a file as people write it, and what it was read as. */
export interface Reading {
  readonly row: RowId
  readonly was: unknown
  readonly words: string
}

/** Rows written by hand: the plan they make and how values were read, or every fault at once. */
export type Written =
  | { readonly ok: true; readonly plan: Plan; readonly readings: readonly Reading[] }
  | { readonly ok: false; readonly faults: readonly Refusal[] }

/**
 * Reads rows written by hand as a plan of this model. Values are taken as the format has them (`false`, a ladder's id) and as
 * people write them (`off`, `ISO 800`, `1/50`, the name of a function or of a line of the menu). Gives every fault, each with its row, what was expected,
 * and the nearest id that this model has.
 */
export function readWritten(model: BodyModel, rows: Readonly<Record<string, unknown>>): Written {
  const faults: Refusal[] = []
  const readings: Reading[] = []
  const checked: Record<RowId, Value> = {}
  for (const [id, value] of Object.entries(rows)) {
    const read = readWrittenRow(model, id, value)
    if (!read.ok) {
      faults.push(read.refusal)
      continue
    }
    const { row, isTyped } = read.value
    checked[row] = read.value.value
    if (isTyped) readings.push({ row, was: value, words: showRow(model, row, read.value.value) })
  }
  if (faults.length > 0) return { ok: false, faults }
  const sized = sizeOf(checked)
  if (!sized.ok) return { ok: false, faults: [sized.refusal] }
  return { ok: true, plan: { model: { id: model.id, version: model.version }, rows: checked }, readings }
}

/** Of rows from outside those that this model has, each at a value it takes; and how many it has not. */
export function knownRows(
  model: BodyModel,
  given: Readonly<Record<string, unknown>>,
): { readonly rows: Rows; readonly leftOut: number } {
  const known = Object.entries(given).flatMap(([id, value]) => {
    const row = parseRow(model, id)
    const taken = row.ok ? acceptValue(model, row.value, value, id) : row
    return taken.ok ? [[id, taken.value] as const] : []
  })
  return { rows: Object.fromEntries(known), leftOut: Object.keys(given).length - known.length }
}

/** A row written by hand: its id, its value, and whether that stood as people write it. */
export interface WrittenRow {
  readonly row: RowId
  readonly value: Value
  readonly isTyped: boolean
}

/** One row written by hand; refuses with the nearest id where the model has no such row, with an example where it does not take the value. */
export function readWrittenRow(model: BodyModel, id: string, value: unknown): Result<WrittenRow> {
  const parsed = parseRow(model, id)
  if (!parsed.ok) return withNearest(model, parsed, id)
  const row = rowIdOf(parsed.value)
  const read = readValue(value, id)
  const plain = read.ok ? acceptValue(model, parsed.value, read.value, id) : read
  if (plain.ok) return ok({ row, value: plain.value, isTyped: false })
  const typed = typedFor(model, parsed.value, value)
  const accepted = typed === null ? null : acceptValue(model, parsed.value, typed, id)
  if (accepted?.ok) return ok({ row, value: accepted.value, isTyped: true })
  const hint = hintFor(model, parsed.value, value)
  const message = hint === '' ? plain.refusal.message : `${plain.refusal.message} ${hint}`
  return { ok: false, refusal: { ...plain.refusal, message } }
}

/** What people wrote, as the format has it; null where it is read as nothing of the row's. */
function typedFor(model: BodyModel, row: Row, value: unknown): Value | null {
  if (typeof value !== 'string' && typeof value !== 'number' && typeof value !== 'boolean') return null
  const setting = settingOf(row)
  if (setting) {
    const typed = readTyped(setting, String(value))
    return typed.ok ? typed.value : null
  }
  const named = namedOn(model, row).find(({ name }) => name.toLowerCase() === String(value).toLowerCase())
  return named?.id ?? null
}

/** What a key, a cell or a line takes, by id and name. */
function namedOn(model: BodyModel, row: Row): readonly { readonly id: string; readonly name: string }[] {
  if (row.kind === 'grid' || row.kind === 'own') return itemsAt(model, rowIdOf(row))
  return functionsOf(model, row)
}

function functionsOf(model: BodyModel, row: Row) {
  return row.kind === 'key' ? acceptedFunctions(model, row.address) : []
}

/** What would be taken: an example of a setting's values, or the function nearest to what was written. */
function hintFor(model: BodyModel, row: Row, value: unknown): string {
  const setting = settingOf(row)
  if (setting) return `Such as ${JSON.stringify(factoryValue(model, setting.id))}, which is as delivered.`
  const fits = functionsOf(model, row)
  const near =
    nearestOf(
      fits.map(({ id }) => id),
      String(value),
    ) ?? (row.kind === 'key' ? row.address.factory : null)
  return near === null ? '' : `Such as “${near}”.`
}

/** The refusal of an id, with the nearest that the model has. */
export function withNearest(
  model: BodyModel,
  refused: Result<never> & { ok: false },
  id: string,
): Result<never> {
  const near = nearestRow(model, id)
  if (near === null || near === id) return refused
  const { refusal } = refused
  return { ok: false, refusal: { ...refusal, message: `${refusal.message} Nearest: ${near}.` } }
}
