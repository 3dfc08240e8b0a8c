'use client'

import { proxy, wrap, type Remote } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Plan } from '@/core/plan/plan'
import type { Question } from '@/core/suggest/instance'
import type { Suggestion } from '@/core/suggest/suggest'
import type { TradeNews } from '@/core/suggest/trade'
import { watched } from '@/features/desk'
import type { SuggestWorker } from '@/workers/suggest.worker'

/** A question to the solver, under way or answered. */
export interface SuggestRun {
  /** The plan it was asked of. */
  readonly plan: Plan
  readonly running: boolean
  readonly stopped: boolean
  /** What went wrong, in words. */
  readonly failed: string | null
  /** The last better arrangement found on the way. */
  readonly found: { readonly cost: number; readonly bound: number } | null
  /** By number of changes made. */
  readonly curve: readonly Suggestion[]
}

/** The solver in its worker: warmed when the screen shows it, asked, and stopped by ending the worker. */
export function useSuggest() {
  const worker = useRef<{ thread: Worker; remote: Remote<SuggestWorker> } | null>(null)
  const [run, setRun] = useState<SuggestRun | null>(null)
  const begin = useCallback(() => {
    const thread = watched(
      new Worker(new URL('../../workers/suggest.worker.ts', import.meta.url), { type: 'module' }),
      (words) => {
        // One that failed never answers: the next question starts another.
        worker.current = null
        setRun((was) => was && { ...was, running: false, failed: words })
      },
    )
    worker.current = { thread, remote: wrap<SuggestWorker>(thread) }
    worker.current.remote.warm().catch(() => undefined)
  }, [])
  useEffect(() => {
    begin()
    return () => worker.current?.thread.terminate()
  }, [begin])

  const ask = async (plan: Plan, question: Question, seconds: number) => {
    if (!worker.current) begin()
    const { current } = worker
    if (!current) return
    const now: SuggestRun = {
      plan,
      running: true,
      stopped: false,
      failed: null,
      found: null,
      curve: [],
    }
    setRun(now)
    const tell = (news: TradeNews) => setRun((was) => was && heard(was, news))
    try {
      await current.remote.suggest(question, seconds, proxy(tell))
      if (worker.current === current) setRun((was) => was && { ...was, running: false })
    } catch (error) {
      const failed = error instanceof Error ? error.message : String(error)
      if (worker.current === current) setRun((was) => was && { ...was, running: false, failed })
    }
  }
  const stop = () => {
    worker.current?.thread.terminate()
    begin()
    setRun((was) => was && { ...was, running: false, stopped: true })
  }
  return { run, ask, stop }
}

/** What is known after one more piece of news; of two with as many changes the better stays. */
function heard(run: SuggestRun, news: TradeNews): SuggestRun {
  if (news.kind === 'better') return { ...run, found: { cost: news.cost, bound: news.bound } }
  const { suggestion } = news
  const others = run.curve.filter((one) => one.changes.length !== suggestion.changes.length)
  const curve = [...others, suggestion].sort((a, b) => a.changes.length - b.changes.length)
  return { ...run, found: null, curve }
}
