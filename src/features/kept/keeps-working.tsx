'use client'

import { useEffect } from 'react'
import { whenIdle } from '@/ui/when-idle'

/** Has the service worker take over, once the page itself is there: from then on pages open without a server, too. */
export function KeepsWorking() {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return
    let callOff: () => void = () => undefined
    // The first look at a page comes first: files for later are fetched when it is there.
    const soon = () => {
      callOff = whenIdle(() =>
        navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => {
          // Without one everything works as long as the server answers.
        }),
      )
    }
    if (document.readyState === 'complete') soon()
    else window.addEventListener('load', soon, { once: true })
    return () => {
      window.removeEventListener('load', soon)
      callOff()
    }
  }, [])
  return null
}
