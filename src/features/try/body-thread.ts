import { wrap } from 'comlink'
import { createContext } from 'react'
import type { BodyPort } from '@/core/camera/live/port'
import { watched } from '@/features/desk'

/** A body whose answers come in their own time, and how its thread is ended. */
export interface BodyThread {
  readonly port: {
    readonly [M in keyof BodyPort]: (...given: Parameters<BodyPort[M]>) => Promise<ReturnType<BodyPort[M]>>
  }
  end(): void
}

/** Starts the thread of the simulated body; `failed` is told when it cannot be started, or breaks. */
export type StartBody = (failed: (words: string) => void) => BodyThread

function startBodyThread(failed: (words: string) => void): BodyThread {
  const worker = watched(
    new Worker(new URL('../../workers/body.worker.ts', import.meta.url), { type: 'module' }),
    failed,
  )
  return { port: wrap<BodyThread['port']>(worker), end: () => worker.terminate() }
}

/** How the body is started: in a thread of its own. */
export const BodyThreadContext = createContext<StartBody>(startBodyThread)
