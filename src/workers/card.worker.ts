import { expose } from 'comlink'
import { listFolder } from './list-folder'

/** A card listed away from the page. */
const worker = {
  list: (root: FileSystemDirectoryHandle, onCount: (count: number) => void) => listFolder(root, onCount),
}

/** What the worker does. */
export type CardWorker = typeof worker

expose(worker)
