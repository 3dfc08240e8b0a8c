'use client'

import { useEffect, useRef } from 'react'

/** Goes to the place that the address of the page names behind its `#`, now and whenever it changes. */
export function usePlaceInPage(goTo: (place: string) => void) {
  const latest = useRef(goTo)
  useEffect(() => {
    latest.current = goTo
  })
  useEffect(() => {
    const follow = () => {
      const place = decodeURIComponent(window.location.hash.slice(1))
      if (place !== '') latest.current(place)
    }
    follow()
    window.addEventListener('hashchange', follow)
    return () => window.removeEventListener('hashchange', follow)
  }, [])
}
