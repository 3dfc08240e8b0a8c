'use client'

import { wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import type { PlanWorker } from '@/workers/plan.worker'
import { useDesk, useDeskView } from './desk-context'
import { watched } from './thread'

/**
 * Something reckoned of the plan in a worker: null until the first answer, then the last one, until a newer comes. `ask`
 * is called anew when the plan or `about` changes.
 */
export function usePlanWorker<T>(
  about: string,
  ask: (worker: Remote<PlanWorker>, plan: Plan) => Promise<T>,
): { readonly about: string; readonly found: T } | null {
  const desk = useDesk()
  const { start } = desk
  const { plan } = useDeskView()
  const worker = useRef<Remote<PlanWorker> | null>(null)
  const asking = useRef(ask)
  const [answer, setAnswer] = useState<{ about: string; found: T } | null>(null)
  const [attempt, setAttempt] = useState(0)
  useEffect(() => {
    asking.current = ask
  })
  useEffect(() => {
    const thread = watched(
      new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
      (words) => desk.fail(words, () => setAttempt((count) => count + 1)),
    )
    worker.current = wrap<PlanWorker>(thread)
    worker.current.begin(start.model, start.lenses).catch(() => undefined)
    return () => {
      worker.current = null
      thread.terminate()
    }
  }, [desk, start, attempt])
  useEffect(() => {
    let late = false
    const { current } = worker
    if (current)
      asking
        .current(current, plan)
        .then((found) => {
          if (!late) setAnswer({ about, found })
        })
        .catch((error: unknown) => {
          const words = error instanceof Error ? error.message : String(error)
          if (!late) desk.fail(words, () => setAttempt((count) => count + 1))
        })
    return () => {
      late = true
    }
  }, [desk, plan, about, start, attempt])
  return answer
}
