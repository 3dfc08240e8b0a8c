'use client'

import { startTransition, useEffect, useState } from 'react'

/** How many of a list to draw now: a few at first, and `more` at a time as there is time, so that a long page opens at once. */
export function useGradually(count: number, first: number, more = 1): number {
  const [drawn, setDrawn] = useState(first)
  useEffect(() => {
    if (drawn >= count) return
    // What the browser has no such thing for is drawn a moment later.
    const later = typeof requestIdleCallback === 'undefined' ? setTimeout : requestIdleCallback
    const forget = typeof cancelIdleCallback === 'undefined' ? clearTimeout : cancelIdleCallback
    const next = later(() => startTransition(() => setDrawn(drawn + more)))
    return () => forget(next as number)
  }, [drawn, count, more])
  return Math.min(Math.max(first, drawn), count)
}
