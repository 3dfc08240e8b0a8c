import { wrap } from 'comlink'
import type { AsyncPort } from './analysis-client'
import type { AnalysisThread } from './analysis-client'
import { watched } from './thread'

/** The plan worker; `failed` is told when it cannot be started, or breaks. */
export function startAnalysisThread(failed: (words: string) => void): AnalysisThread {
  const begun = spare ?? begin()
  spare = null
  begun.onFault(failed)
  return { port: wrap<AsyncPort>(begun.worker), end: () => begun.worker.terminate() }
}

interface Begun {
  readonly worker: Worker
  /** Who is told of a fault: of one that came before, at once. */
  readonly onFault: (tell: (words: string) => void) => void
}

function begin(): Begun {
  let fault: string | null = null
  let tell: ((words: string) => void) | null = null
  const worker = watched(
    new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
    (words) => {
      fault = words
      tell?.(words)
    },
  )
  return {
    worker,
    onFault: (to) => {
      tell = to
      if (fault !== null) to(fault)
    },
  }
}

/** The first worker is loaded with the page's own scripts, so that it is there when the page is. */
let spare: Begun | null = typeof Worker === 'undefined' ? null : begin()
