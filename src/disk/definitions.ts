import { readdir, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { collectDefinitions, type Definitions, type FoundFile } from '@/core/model/definitions'
import { boundedBytes } from './bounded'

/**
 * Reads every model of a folder, and every lens of its subfolder `lenses`; throws when the folder is not there. Files that
 * have not changed since they were read last, by size and time, are not read again.
 */
export async function readDefinitions(folder: string): Promise<Definitions> {
  const models = await jsonNamesIn(folder)
  const lenses = await jsonNamesIn(join(folder, 'lenses')).catch(() => [])
  const state = (await Promise.all([...models, ...lenses].map(stateOf))).join('\n')
  const found = known.get(folder)
  if (found?.state === state) return found.definitions
  const definitions = collectDefinitions(await filesOf(models), await filesOf(lenses))
  known.set(folder, { state, definitions })
  return definitions
}

const known = new Map<string, { readonly state: string; readonly definitions: Definitions }>()

interface Named {
  readonly name: string
  readonly path: string
}

async function jsonNamesIn(folder: string): Promise<Named[]> {
  const names = (await readdir(folder)).filter((name) => name.endsWith('.json')).sort()
  return names.map((name) => ({ name, path: join(folder, name) }))
}

function filesOf(named: readonly Named[]): Promise<FoundFile[]> {
  return Promise.all(named.map(async ({ name, path }) => ({ name, read: await boundedBytes(path) })))
}

async function stateOf({ path }: Named): Promise<string> {
  const { size, mtimeMs } = await stat(path)
  return `${path} ${size} ${mtimeMs}`
}
