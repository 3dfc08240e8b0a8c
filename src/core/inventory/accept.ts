import { refuse, ok, type Result } from '../result'
import type { RowId } from '../sync/step'
import type { Value } from '../vocabulary/values'
import { acceptFact, factTable, type Fact } from './facts'
import { gearKinds, recordKinds, type GearKind, type RecordKind } from './kinds'
import { bodiesOfModel, factRow, isRecordId, recordIds, type Library, type Rows } from './rows'

/** A row taken apart: a fact of a record; that there is nothing of a kind; which body of a model is in the hand. */
export type InventoryRow =
  | { readonly kind: 'fact'; readonly record: RecordKind; readonly id: string; readonly fact: Fact }
  | { readonly kind: 'none'; readonly gear: GearKind }
  | { readonly kind: 'hand'; readonly model: string }

/** Takes a row id apart; refuses what no inventory has. */
export function parseInventoryRow(id: string): Result<InventoryRow> {
  const [head = '', name = '', fact = '', ...more] = id.split('/')
  const unknown = (part: string) => refuse('unknown-row', `An inventory has no “${part}”.`, id)
  if (head === 'none' && fact === '')
    return Object.hasOwn(gearKinds, name) ? ok({ kind: 'none', gear: name as GearKind }) : unknown(name)
  if (head === 'hand' && fact === '')
    return /^[a-z][a-z0-9-]{0,60}$/.test(name) ? ok({ kind: 'hand', model: name }) : unknown(name)
  const kind = recordKinds.find((one) => one === head)
  if (!kind) return unknown(head)
  if (!isRecordId(kind, name) || more.length > 0) return unknown(name)
  const known = factTable[kind].find((one) => one.id === fact)
  return known ? ok({ kind: 'fact', record: kind, id: name, fact: known }) : unknown(fact)
}

/** Accepts a value for a row, or says what it takes; without a library, whatever it names. */
export function acceptInventoryRow(
  library: Library | null,
  rows: Rows,
  row: InventoryRow,
  value: unknown,
  id: string,
): Result<Value> {
  switch (row.kind) {
    case 'none':
      return value === true ? ok(true) : refuse('outside', 'This row is true, or absent.', id)
    case 'hand':
      return library === null || bodiesOfModel(rows, row.model).includes(String(value))
        ? ok(value as string)
        : refuse('outside', `There is no ${row.model} of that name in the inventory.`, id)
    case 'fact': {
      const accepted = acceptFact(row.fact, value, id, library && named(library, rows, row.fact))
      return accepted.ok && library ? suits(library, rows, row, accepted.value, id) : accepted
    }
  }
}

/** What a fact may name, by id; empty for facts that name nothing. */
export function named({ models, lenses }: Library, rows: Rows, { takes }: Fact): readonly string[] {
  if (takes.kind !== 'named') return []
  switch (takes.what) {
    case 'model':
      return models.map(({ id }) => id)
    case 'lens':
      return lenses.map(({ id }) => id)
    case 'maker':
      return [...new Set(models.map(({ maker }) => maker))]
    case 'slot':
      return recordIds(rows, 'body').flatMap((tag) => {
        const model = models.find(({ id }) => id === rows[factRow('body', tag, 'model')])
        return (model?.cards.slots ?? []).map((slot) => `${tag}/${slot.id}`)
      })
  }
}

/** Whether a row is one of a record. */
export function isOfRecord(row: RowId, kind: RecordKind, id: string): boolean {
  const parsed = parseInventoryRow(row)
  return parsed.ok && parsed.value.kind === 'fact' && parsed.value.record === kind && parsed.value.id === id
}

/** What the model of a body says to one of its facts. */
function suits(
  { models }: Library,
  rows: Rows,
  row: InventoryRow & { kind: 'fact' },
  value: Value,
  where: string,
): Result<Value> {
  const model = models.find(({ id }) => id === rows[factRow('body', row.id, 'model')])
  if (row.record !== 'body' || !model) return ok(value)
  if (row.fact.id === 'firmware') {
    const known = model.firmware.map(({ version }) => version)
    if (known.some((one) => one === value)) return ok(value)
    const message = `The definition of ${model.name} knows firmware ${known.join(', ')}; ${String(value)} is none of them.`
    return refuse('unknown-firmware', message, where)
  }
  const prefix = model.settings.find(({ means }) => means === 'files.prefix')?.domain
  if (row.fact.id === 'prefix' && prefix?.kind === 'text' && String(value).length > prefix.longest)
    return refuse(
      'outside',
      `${model.name} takes ${prefix.longest} characters as file prefix; this has ${String(value).length}.`,
      where,
    )
  return ok(value)
}
