import { readValue } from '../plan/limits'
import { ok, refuse, type Result } from '../result'
import type { DocumentKind, Limits } from '../sync/kind'
import type { RowId, Step } from '../sync/step'
import { sameValue, type Value } from '../vocabulary/values'
import {
  acceptInventoryRow,
  factRow,
  parseInventoryRow,
  type Inventory,
  type Library,
  type Rows,
} from './rows'

/** How large an inventory may grow: some two hundred records with every fact said. */
export const inventoryLimits: Limits = {
  rows: 4000,
  bytes: 400_000,
  changesInStep: 400,
  bytesInStep: 100_000,
  stepsInSave: 200,
  bytesInSave: 400_000,
}

/** Inventories as documents that are saved step by step, like plans. */
export function inventoryKind(library: Library): DocumentKind<Inventory> {
  return {
    name: 'inventory',
    limits: inventoryLimits,
    readValue,
    value: ({ rows }, row) => rows[row] ?? null,
    apply: (inventory, step) => applied(library, inventory, step),
  }
}

/**
 * Accepts rows from outside as an inventory; refuses with every row that does not fit, naming it. What a row names need not
 * be there (a definition may be gone, a body removed): that is told by `inventoryFaults`, and nothing is lost.
 */
export function parseInventory(given: Readonly<Record<string, unknown>>): Result<Inventory> {
  const rows = given as Rows
  const faults = (Object.keys(given) as RowId[]).flatMap((row) => {
    const taken = taking(null, rows, row, given[row])
    return taken.ok ? [] : [taken.refusal]
  })
  const [first, ...also] = faults
  if (first) return { ok: false, refusal: { ...first, also } }
  const read = Object.entries(given).map(([row, value]) => [row, value as Value] as const)
  return within(Object.fromEntries(read))
}

function applied(library: Library, { rows: before }: Inventory, step: Step): Result<Inventory> {
  if (step.changes.length === 0) return refuse('empty-step', 'This step changes nothing.')
  const rows: Record<RowId, Value> = { ...before }
  const seen = new Set<RowId>()
  for (const { row, from, to } of step.changes) {
    if (seen.has(row)) return refuse('twice', 'One step changes this row twice.', row)
    seen.add(row)
    if (!sameValue(before[row], from ?? undefined))
      return refuse('stale', 'This row has changed since the step was made.', row)
    if (to === null) delete rows[row]
    else rows[row] = to
  }
  for (const { row, from, to } of step.changes) {
    const taken = to === null ? parseInventoryRow(row) : taking(library, rows, row, to)
    if (!taken.ok) return taken
    if (isModelOfBody(row) && from !== null && to !== null)
      return refuse('fixed', 'A body stays the model it is: remove it and add the other one.', row)
  }
  return within(rows)
}

/** The value as it is kept: only what is spelled plainly is taken, so that one thing is written in one way. */
function taking(library: Library | null, rows: Rows, row: RowId, value: unknown): Result<Value> {
  const parsed = parseInventoryRow(row)
  const plain = readValue(value, row)
  if (!parsed.ok) return parsed
  if (!plain.ok) return plain
  const accepted = acceptInventoryRow(library, rows, parsed.value, plain.value, row)
  if (!accepted.ok || sameValue(accepted.value, plain.value)) return accepted
  return refuse('spelling', `Write ${String(accepted.value)} for ${String(plain.value)}.`, row)
}

function isModelOfBody(row: RowId): boolean {
  const parsed = parseInventoryRow(row)
  return parsed.ok && parsed.value.kind === 'fact' && row === factRow('body', parsed.value.id, 'model')
}

function within(rows: Rows): Result<Inventory> {
  const count = Object.keys(rows).length
  if (count > inventoryLimits.rows)
    return refuse(
      'too-many',
      `An inventory has at most ${inventoryLimits.rows} rows; this would have ${count}.`,
    )
  const bytes = new TextEncoder().encode(JSON.stringify(rows)).length
  if (bytes > inventoryLimits.bytes)
    return refuse(
      'too-large',
      `An inventory takes at most ${inventoryLimits.bytes} bytes; this would take ${bytes}.`,
    )
  return ok({ rows })
}
