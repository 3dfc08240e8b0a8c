import { readFile, stat } from 'node:fs/promises'
import { defaultJsonLimits } from '@/core/json'
import { ok, refuse, type Result } from '@/core/result'

/** The bytes of a file, or why it is not read: not there, not a file, or larger than anything Salt Shelf reads. */
export async function boundedBytes(
  path: string,
  most = defaultJsonLimits.maxBytes,
): Promise<Result<Uint8Array>> {
  try {
    const found = await stat(path)
    if (!found.isFile()) return refuse('no-file', 'This is not a file.', path)
    if (found.size > most)
      return refuse('too-large', `The file has ${found.size} bytes; at most ${most} are read.`, path)
    return ok(new Uint8Array(await readFile(path)))
  } catch (error) {
    const missing = (error as NodeJS.ErrnoException).code === 'ENOENT'
    return refuse('no-file', missing ? 'There is no such file.' : 'The file cannot be read.', path)
  }
}
