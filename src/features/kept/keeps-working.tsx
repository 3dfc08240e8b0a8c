'use client'

import { useEffect } from 'react'

/** Has the service worker take over, once the page itself is there: from then on pages open without a server, too. */
export function KeepsWorking() {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return
    const register = () => {
      navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => {
        // Without one everything works as long as the server answers.
      })
    }
    if (document.readyState === 'complete') return whenQuiet(register)
    let callOff: (() => void) | null = null
    const loaded = () => {
      callOff = whenQuiet(register)
    }
    window.addEventListener('load', loaded, { once: true })
    return () => {
      window.removeEventListener('load', loaded)
      callOff?.()
    }
  }, [])
  return null
}

/** The first look at a page comes first: files for later are fetched a moment after. */
function whenQuiet(work: () => void): () => void {
  const timer = setTimeout(work, 1500)
  return () => clearTimeout(timer)
}
