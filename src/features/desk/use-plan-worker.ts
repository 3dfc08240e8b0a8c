'use client'

import { wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import type { PlanWorker } from '@/workers/plan.worker'
import { useDesk, useDeskView } from './desk-context'

/**
 * Something reckoned of the plan in a worker: null until the first answer, then the last one, until a newer comes. `ask`
 * is called anew when the plan or `about` changes.
 */
export function usePlanWorker<T>(
  about: string,
  ask: (worker: Remote<PlanWorker>, plan: Plan) => Promise<T>,
): { readonly about: string; readonly found: T } | null {
  const { start } = useDesk()
  const { plan } = useDeskView()
  const worker = useRef<Remote<PlanWorker> | null>(null)
  const asking = useRef(ask)
  const [answer, setAnswer] = useState<{ about: string; found: T } | null>(null)
  useEffect(() => {
    asking.current = ask
  })
  useEffect(() => {
    const thread = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' })
    worker.current = wrap<PlanWorker>(thread)
    void worker.current.begin(start.model, start.lenses)
    return () => {
      worker.current = null
      thread.terminate()
    }
  }, [start])
  useEffect(() => {
    let late = false
    const { current } = worker
    if (current)
      asking
        .current(current, plan)
        .then((found) => {
          if (!late) setAnswer({ about, found })
        })
        .catch(() => undefined)
    return () => {
      late = true
    }
  }, [plan, about, start])
  return answer
}
