import { expose } from 'comlink'
import type { CardEntry } from '@/core/cards/card'
import { ok, type Result } from '@/core/result'
import { listFolder } from './list-folder'

/** So many files are told at once: a page that takes in very many stands still meanwhile. */
const atOnce = 400

/** A card listed away from the page. */
const worker = {
  /** Tells files as they are found; gives how many there are. */
  async list(
    root: FileSystemDirectoryHandle,
    onSome: (some: readonly CardEntry[]) => void | Promise<void>,
  ): Promise<Result<number>> {
    let told = 0
    const under: Promise<void>[] = []
    const tell = (entries: readonly CardEntry[]) => {
      for (; told < entries.length; told += atOnce)
        under.push(Promise.resolve(onSome(entries.slice(told, told + atOnce))))
      told = entries.length
    }
    const listed = await listFolder(root, tell)
    if (!listed.ok) return listed
    tell(listed.value)
    // What is told goes another way than the answer: the answer waits until all of it was taken.
    await Promise.all(under)
    return ok(told)
  },
}

/** What the worker does. */
export type CardWorker = typeof worker

expose(worker)
