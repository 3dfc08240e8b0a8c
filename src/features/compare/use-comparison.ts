'use client'

import { proxy, wrap } from 'comlink'
import { useEffect, useState } from 'react'
import type { Judged, NamedRegion } from '@/core/files/verdict'
import type { CompareWorker } from '@/workers/compare.worker'

/** Begins the worker that holds files against each other; it is ended once its work is done. */
export async function withComparer<T>(
  work: (worker: ReturnType<typeof wrap<CompareWorker>>) => Promise<T>,
): Promise<T> {
  const thread = new Worker(new URL('../../workers/compare.worker.ts', import.meta.url), { type: 'module' })
  const failed = new Promise<never>((_, reject) =>
    thread.addEventListener('error', (event) => reject(new Error(event.message || 'it could not be loaded'))),
  )
  try {
    return await Promise.race([work(wrap<CompareWorker>(thread)), failed])
  } finally {
    thread.terminate()
  }
}

/** The bytes of a file on the shelf. */
export async function bytesOf(id: string): Promise<Uint8Array<ArrayBuffer>> {
  const answer = await fetch(`/api/files/${id}`)
  if (!answer.ok) throw new Error('the file cannot be read')
  return new Uint8Array(await answer.arrayBuffer())
}

/** Two files of the shelf held against each other in a worker. */
export function useComparison(left: string, right: string, named: readonly NamedRegion[]) {
  const [done, setDone] = useState(0)
  const [judged, setJudged] = useState<Judged | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  useEffect(() => {
    let late = false
    const compare = async () => {
      const [one, other] = await Promise.all([bytesOf(left), bytesOf(right)])
      const found = await withComparer((worker) =>
        worker.judge(
          one,
          other,
          named,
          proxy((part: number) => {
            if (!late) setDone(part)
          }),
        ),
      )
      if (!late) setJudged(found)
    }
    compare().catch((error: unknown) => {
      if (!late)
        setTrouble(`They could not be compared: ${error instanceof Error ? error.message : 'try again'}.`)
    })
    return () => {
      late = true
    }
  }, [left, right, named])
  return { done, judged, trouble }
}
