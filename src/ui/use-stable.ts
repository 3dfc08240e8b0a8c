'use client'

import { useCallback, useLayoutEffect, useRef } from 'react'

/** One function for good that does what the one drawn last would: for parts that are drawn again only when what they show changes. */
export function useStable<A extends unknown[], R>(act: (...given: A) => R): (...given: A) => R {
  const latest = useRef(act)
  useLayoutEffect(() => {
    latest.current = act
  })
  return useCallback((...given: A) => latest.current(...given), [])
}
