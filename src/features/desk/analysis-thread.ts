import { wrap } from 'comlink'
import type { AnalysisThread, AsyncPort } from './analysis-client'
import { watched } from './thread'

/** The plan worker; `failed` is told when it cannot be started, or breaks. */
export function startAnalysisThread(failed: (words: string) => void): AnalysisThread {
  const worker = watched(
    new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
    failed,
  )
  return { port: wrap<AsyncPort>(worker), end: () => worker.terminate() }
}
