'use client'

import { wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { BankFocus } from '@/core/focus/sheet'
import type { Posture, Side } from '@/core/model/types'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import type { FocusWorker } from '@/workers/focus.worker'

/** The name under which the worker's time for all banks is kept in the browser's own measures. */
export const acrossMeasure = 'focus across banks'

/** The trigger tables of every bank of a side, reckoned in a worker; null until the first answer, then the last one. */
export function useFocusAcross(
  side: Side,
  lens: string | null,
  posture: Posture,
): readonly BankFocus[] | null {
  const { start } = useDesk()
  const { plan } = useDeskView()
  const worker = useRef<Remote<FocusWorker> | null>(null)
  const [banks, setBanks] = useState<{ side: Side; found: readonly BankFocus[] } | null>(null)
  useEffect(() => {
    const thread = new Worker(new URL('../../workers/focus.worker.ts', import.meta.url), { type: 'module' })
    worker.current = wrap<FocusWorker>(thread)
    void worker.current.begin(start.model, start.lenses)
    return () => {
      worker.current = null
      thread.terminate()
    }
  }, [start])
  useEffect(() => {
    let late = false
    const choice = { posture, ...(lens === null ? {} : { lens }) }
    const asked = worker.current?.across(plan, side, choice)
    asked
      ?.then(({ banks: found, milliseconds }) => {
        if (late) return
        performance.measure(acrossMeasure, {
          start: performance.now() - milliseconds,
          duration: milliseconds,
        })
        setBanks({ side, found })
      })
      .catch(() => undefined)
    return () => {
      late = true
    }
  }, [plan, side, lens, posture, start])
  return banks?.side === side ? banks.found : null
}
