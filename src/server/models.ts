import { join } from 'node:path'
import type { Definitions } from '@/core/model/definitions'
import { parseModel } from '@/core/model/parse'
import type { BodyModel } from '@/core/model/types'
import { canonicalJson } from '@/core/json'
import { digestHex } from '@/core/files/digest'
import { readDefinitions } from '@/disk/definitions'
import { localOwner, query } from './db'

/**
 * The definitions of `models/`, read once for each run of the server: pages and route handlers are bundled apart and
 * would each read them anew, at the first save of all places.
 */
export function definitions(): Promise<Definitions> {
  shared.saltShelfDefinitions ??= readDefinitions(
    process.env.SALT_SHELF_MODELS ?? join(process.cwd(), 'models'),
  )
  return shared.saltShelfDefinitions
}

const shared = globalThis as { saltShelfDefinitions?: Promise<Definitions> }

/** A model as a plan names it: from disk, or from the store when the definition on disk has moved on. */
export async function modelFor(id: string, version: number): Promise<BodyModel | null> {
  const { models } = await definitions()
  const current = models.find((model) => model.id === id && model.version === version)
  if (current) return current
  const rows = await query<{ definition: unknown }>(
    'select definition from models where owner_id = $1 and id = $2 and version = $3',
    [localOwner, id, version],
  )
  return rows[0] ? stillReadable(rows[0].definition) : null
}

/** Puts every definition on disk into the store, so that plans keep the one they were made with. */
export async function storeDefinitions(): Promise<void> {
  const { models } = await definitions()
  for (const model of models) {
    await query(
      `insert into models (owner_id, id, version, digest, definition) values ($1, $2, $3, $4, $5)
       on conflict (owner_id, id, version) do update set digest = excluded.digest, definition = excluded.definition`,
      [localOwner, model.id, model.version, digestHex(canonicalJson(model)), JSON.stringify(model)],
    )
  }
}

/** A stored definition, or null where it is of a format that is not read any more. */
function stillReadable(definition: unknown): BodyModel | null {
  const parsed = parseModel(new TextEncoder().encode(JSON.stringify(definition)), 'stored definition')
  return parsed.ok ? parsed.value : null
}
