import { memoize } from '@/core/memoize'
import { join } from 'node:path'
import type { Definitions } from '@/core/model/definitions'
import { parseModel } from '@/core/model/parse'
import type { BodyModel, LensModel } from '@/core/model/types'
import { canonicalJson } from '@/core/canonical-json'
import type { Library } from '@/core/plan/kind'
import type { Plan } from '@/core/plan/plan'
import type { Refusal } from '@/core/result'
import { digestHex } from '@/core/digest'
import { readDefinitions } from '@/disk/definitions'
import { localOwner, query } from './db'

/**
 * The definitions of `models/`, read once for each run of the server: pages and route handlers are bundled apart and
 * would each read them anew, at the first save of all places. A definition that is stored under the same number and says
 * otherwise is used in the place of the one on disk, and told as a fault: what plans were made with never changes.
 */
export async function definitions(): Promise<Definitions> {
  const { models, lenses, faults } = await onDisk()
  const stored = await query<{ id: string; version: number; digest: string }>(
    'select id, version, digest from models where owner_id = $1',
    [localOwner],
  )
  const changed = models.filter((model) =>
    stored.some(
      (one) => one.id === model.id && one.version === model.version && one.digest !== digestOf(model),
    ),
  )
  const used = await Promise.all(
    models.map(async (model) => (changed.includes(model) ? modelFor(model.id, model.version) : model)),
  )
  return {
    models: used.filter((model) => model !== null),
    lenses,
    faults: [...faults, ...changed.map(changedWithoutNumber)],
  }
}

/** A model as a plan names it; null where it is missing or of a format that is not read any more. */
export function modelFor(id: string, version: number): Promise<BodyModel | null> {
  const key = `${id}@${version}`
  const found = shared.saltShelfModels.get(key) ?? findModel(id, version)
  shared.saltShelfModels.set(key, found)
  // What is missing now may come: only what was found is remembered.
  void found.then(
    (model) => model ?? shared.saltShelfModels.delete(key),
    () => shared.saltShelfModels.delete(key),
  )
  return found
}

/** The definitions named, found at once wherever they stand. */
export async function libraryOf(editions: readonly Plan['model'][]): Promise<Library> {
  const found = await Promise.all(editions.map(({ id, version }) => modelFor(id, version)))
  return (id, edition) => found.find((model) => model?.id === id && model.version === edition) ?? null
}

/** Puts every definition on disk into the store, so that plans keep the one they were made with; never over another. */
export async function storeDefinitions(): Promise<void> {
  const { models } = await onDisk()
  for (const model of models) await storeDefinition(model)
}

/** Puts one definition into the store, unless one of its number is there. */
export async function storeDefinition(model: BodyModel): Promise<void> {
  await query(
    `insert into models (owner_id, id, version, digest, definition) values ($1, $2, $3, $4, $5)
     on conflict (owner_id, id, version) do nothing`,
    [localOwner, model.id, model.version, digestOf(model), JSON.stringify(model)],
  )
}

/** Forgets what was found: where everything in the store was replaced at once. */
export function forgetModels(): void {
  shared.saltShelfModels.clear()
}

const shared = globalThis as unknown as {
  saltShelfDefinitions?: Promise<Definitions> | undefined
  saltShelfModels: Map<string, Promise<BodyModel | null>>
}
shared.saltShelfModels ??= new Map()

function onDisk(): Promise<Definitions> {
  shared.saltShelfDefinitions ??= readDefinitions(
    process.env.SALT_SHELF_MODELS ?? join(process.cwd(), 'models'),
  )
  return shared.saltShelfDefinitions
}

/** The digest of a definition's contents. */
export const digestOf = memoize((model: BodyModel) => digestHex(canonicalJson(model)))

/** The digest of the lenses' definitions together. */
export const digestOfLenses = memoize((lenses: readonly LensModel[]) => digestHex(canonicalJson(lenses)))

async function findModel(id: string, version: number): Promise<BodyModel | null> {
  const rows = await query<{ digest: string; definition: unknown }>(
    'select digest, definition from models where owner_id = $1 and id = $2 and version = $3',
    [localOwner, id, version],
  )
  const { models } = await onDisk()
  const current = models.find((model) => model.id === id && model.version === version)
  const [stored] = rows
  if (current && (!stored || stored.digest === digestOf(current))) return current
  return stored ? stillReadable(stored.definition) : null
}

function changedWithoutNumber({ id, version }: BodyModel): Refusal {
  return {
    code: 'same-number',
    message: `This file says it is edition ${version} of ${id}, and another edition ${version} is kept already. Plans go on with the kept one; give the file the number ${version + 1} to use it.`,
    where: `models/${id}: version`,
  }
}

/** A stored definition, or null where it is of a format that is not read any more. */
function stillReadable(definition: unknown): BodyModel | null {
  const parsed = parseModel(new TextEncoder().encode(JSON.stringify(definition)), 'stored definition')
  return parsed.ok ? parsed.value : null
}
