'use client'

import { startTransition, useEffect, useState } from 'react'

/** How many of a list to draw now: a few at first, and the others one by one as there is time, so that a long page opens at once. */
export function useGradually(count: number, first: number): number {
  const [drawn, setDrawn] = useState(first)
  useEffect(() => {
    if (drawn >= count) return
    // What the browser has no such thing for is drawn a moment later.
    const later = typeof requestIdleCallback === 'undefined' ? setTimeout : requestIdleCallback
    const forget = typeof cancelIdleCallback === 'undefined' ? clearTimeout : cancelIdleCallback
    const next = later(() => startTransition(() => setDrawn(drawn + 1)))
    return () => forget(next as number)
  }, [drawn, count])
  return Math.max(first, Math.min(drawn, count))
}
