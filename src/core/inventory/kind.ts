import { readValue } from '../plan/limits'
import { refuse, type Result } from '../result'
import type { DocumentKind, Limits } from '../sync/kind'
import { changedRows, within } from '../sync/rows'
import type { RowId, Step } from '../sync/step'
import { sameValue, type Value } from '../vocabulary/values'
import { acceptInventoryRow, parseInventoryRow } from './accept'
import { factRow, type Inventory, type Library, type Rows } from './rows'

/** How large an inventory may grow: some two hundred records with every fact said. */
export const inventoryLimits: Limits = {
  rows: 4000,
  bytes: 400_000,
  changesInStep: 400,
  bytesInStep: 100_000,
  stepsInSave: 200,
  bytesInSave: 400_000,
}

const sized = { name: 'inventory', limits: inventoryLimits }

/** Inventories as documents that are saved step by step, like plans. */
export function inventoryKind(library: Library): DocumentKind<Inventory> {
  return {
    ...sized,
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
  return within(sized, Object.fromEntries(read))
}

function applied(library: Library, { rows: before }: Inventory, step: Step): Result<Inventory> {
  const changed = changedRows({ rows: before }, step)
  if (!changed.ok) return changed
  const rows = changed.value
  for (const { row, from, to } of step.changes) {
    const taken = to === null ? parseInventoryRow(row) : taking(library, rows, row, to)
    if (!taken.ok) return taken
    if (isModelOfBody(row) && from !== null && to !== null)
      return refuse('fixed', 'A body stays the model it is: remove it and add the other one.', row)
  }
  return within(sized, rows)
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
