'use client'

import { wrap, type Remote } from 'comlink'
import { useCallback, useEffect, useRef } from 'react'
import { watched } from '@/features/desk'
import type { SheetWorker } from '@/workers/sheet.worker'

/** The worker that composes and writes sheets: begun when it is first asked, and ended to stop what it does. */
export function useSheetThread(onFault: (words: string) => void) {
  const begun = useRef<{ thread: Worker; remote: Remote<SheetWorker> } | null>(null)
  const end = useCallback(() => {
    begun.current?.thread.terminate()
    begun.current = null
  }, [])
  useEffect(() => end, [end])
  const thread = useCallback(() => {
    begun.current ??= begin((words) => {
      begun.current = null
      onFault(words)
    })
    return begun.current.remote
  }, [onFault])
  return { thread, end }
}

function begin(onFault: (words: string) => void) {
  const thread = watched(
    new Worker(new URL('../../workers/sheet.worker.ts', import.meta.url), { type: 'module' }),
    onFault,
  )
  return { thread, remote: wrap<SheetWorker>(thread) }
}
