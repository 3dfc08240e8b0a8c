import { canonicalJson } from '../canonical-json'
import { readJson } from '../json'
import { refuse, type Result } from '../result'
import { parseInventory } from './kind'
import type { Inventory } from './rows'

/** The largest inventory file that is read, in bytes. */
export const inventoryFileBytes = 2_000_000

/** An inventory as a file: JSON with its rows in order, to be read and edited by hand. */
export function writeInventoryFile({ rows }: Inventory): Uint8Array {
  return new TextEncoder().encode(
    `${canonicalJson({ format: 'salt-shelf/inventory', formatVersion: 1, rows })}\n`,
  )
}

/** Reads an inventory file; refuses with every fault, each with its row. */
export function readInventoryFile(bytes: Uint8Array, name: string): Result<Inventory> {
  const json = readJson(bytes, name)
  if (!json.ok) return json
  const file = json.value as { format?: unknown; formatVersion?: unknown; rows?: unknown } | null
  if (file === null || typeof file !== 'object' || file.format !== 'salt-shelf/inventory')
    return refuse(
      'other-format',
      'This is no inventory of Salt Shelf: its format should be “salt-shelf/inventory”.',
      name,
    )
  if (file.formatVersion !== 1)
    return refuse(
      'later-format',
      `Format ${String(file.formatVersion)} of inventories is not known here; 1 is.`,
      name,
    )
  const { rows } = file
  if (rows === null || typeof rows !== 'object' || Array.isArray(rows))
    return refuse(
      'shape',
      'Its rows should be an object, such as {"body/body-a/name": "Body A"}.',
      `${name}: rows`,
    )
  const parsed = parseInventory(rows as Readonly<Record<string, unknown>>)
  if (parsed.ok) return parsed
  const { also = [], ...first } = parsed.refusal
  const placed = [first, ...also].map((one) => ({ ...one, where: `${name}: ${one.where ?? 'rows'}` }))
  return { ok: false, refusal: { ...(placed[0] ?? first), also: placed.slice(1) } }
}
