import { readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { collectDefinitions, type Definitions, type FoundFile } from '@/core/model/definitions'
import { boundedBytes } from './bounded'

/** Reads every model of a folder, and every lens of its subfolder `lenses`; throws when the folder is not there. */
export async function readDefinitions(folder: string): Promise<Definitions> {
  const lenses = await jsonFilesIn(join(folder, 'lenses')).catch(() => [])
  return collectDefinitions(await jsonFilesIn(folder), lenses)
}

async function jsonFilesIn(folder: string): Promise<FoundFile[]> {
  const names = (await readdir(folder)).filter((name) => name.endsWith('.json')).sort()
  return Promise.all(names.map(async (name) => ({ name, read: await boundedBytes(join(folder, name)) })))
}
