import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { fontFiles, type FontId } from '@/core/sheets/page/fonts'

/** The fonts on paper, from their packages. */
export async function readFonts(): Promise<Record<FontId, Uint8Array>> {
  const read = (Object.keys(fontFiles) as FontId[]).map(async (id) => [id, await readFont(id)] as const)
  return Object.fromEntries(await Promise.all(read)) as Record<FontId, Uint8Array>
}

/** One of them; the packages lie in the folder that everything is started from. */
export async function readFont(id: FontId): Promise<Uint8Array> {
  return new Uint8Array(await readFile(join(process.cwd(), 'node_modules', fontFiles[id])))
}
