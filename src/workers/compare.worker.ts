import { expose } from 'comlink'
import { judgeBytes, judgeLoad, type NamedRegion } from '@/core/files/verdict'

/** Two files held against each other away from the page, with what counts as nothing. */
const worker = {
  judge(
    left: Uint8Array,
    right: Uint8Array,
    named: readonly NamedRegion[],
    onProgress?: (done: number) => void,
  ) {
    return judgeBytes(left, right, named, onProgress)
  },
  load(sent: Uint8Array, found: Uint8Array, before: Uint8Array | null, named: readonly NamedRegion[]) {
    return judgeLoad(sent, found, before, named)
  },
}

/** What the worker does. */
export type CompareWorker = typeof worker

expose(worker)
