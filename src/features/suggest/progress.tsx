'use client'

import { useEffect, useState } from 'react'
import { secondsOf } from '@/features/reach'
import type { SuggestRun } from './use-suggest'

/** How far a question has come: what was found, what it can be at best, and how long it has taken. */
export function Progress({ run, seconds }: { run: SuggestRun; seconds: number }) {
  const passed = useSecondsOf(run.running)
  const { running, stopped, failed, found, curve } = run
  const known = curve.filter(({ changes }) => changes.length > 0).length
  if (failed !== null)
    return (
      <p role="alert" className="border border-rust bg-sheet px-3 py-2 break-words text-rust">
        The solver stopped: {failed}. Nothing was changed.
      </p>
    )
  if (!running)
    return stopped ? (
      <p role="status" className="text-silt">
        Stopped. {curve.length > 0 ? 'What was found so far is below.' : 'Nothing was found yet.'}
      </p>
    ) : (
      <p role="status" className="sr-only">
        Done: {known} suggestions.
      </p>
    )
  return (
    <div role="status" className="border bg-sheet px-3 py-2">
      <p>
        {found
          ? `Best so far ${secondsOf(found.cost)} an outing; at best ${secondsOf(Math.max(0, found.bound))}.`
          : known === 0
            ? 'Looking at every key and menu …'
            : `${known} known; working out more …`}
      </p>
      <div className="mt-1.5 h-1.5 bg-glass" aria-hidden="true">
        <div
          className="h-full bg-brine transition-[width] duration-300"
          style={{ width: `${Math.min(100, (100 * passed) / seconds)}%` }}
        />
      </div>
      <p className="mt-1 text-small text-silt tabular-nums">{Math.floor(passed)} s</p>
    </div>
  )
}

function useSecondsOf(running: boolean): number {
  const [passed, setPassed] = useState(0)
  useEffect(() => {
    if (!running) return
    const begun = performance.now()
    const timer = setInterval(() => setPassed((performance.now() - begun) / 1000), 300)
    return () => clearInterval(timer)
  }, [running])
  return running ? passed : 0
}
