import { lstat, readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { mostEntries } from '@/core/cards/card'
import { ok, refuse, type Result } from '@/core/result'

/** The files below a folder by their paths, in order; links are not followed. */
export async function listed(folder: string): Promise<Result<string[]>> {
  const paths: string[] = []
  const walk = async (at: string): Promise<boolean> => {
    for (const entry of (await readdir(at, { withFileTypes: true })).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      if (paths.length >= mostEntries) return false
      const path = join(at, entry.name)
      if (entry.isDirectory() && !(await walk(path))) return false
      if (entry.isFile()) paths.push(path)
    }
    return true
  }
  try {
    if (!(await lstat(folder)).isDirectory()) return refuse('no-folder', 'This is no folder.', folder)
    return (await walk(folder))
      ? ok(paths)
      : refuse('too-many', `It has more than ${mostEntries} files: name a folder within it.`, folder)
  } catch {
    return refuse('no-folder', 'There is no such folder, or it cannot be read.', folder)
  }
}
