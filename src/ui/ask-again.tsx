'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useRef } from 'react'

/** How long to wait before a page is asked for again, in milliseconds: longer each time. */
const waits = [600, 1500, 4000, 10_000]

/** Asks for the page again while something on it is still being reckoned, or could not be read for the moment. */
export function AskAgain({ waits: isWaiting }: { waits: boolean }) {
  const router = useRouter()
  const tries = useRef(0)
  useEffect(() => {
    if (!isWaiting) return
    let timer: ReturnType<typeof setTimeout>
    const ask = () => {
      timer = setTimeout(
        () => {
          tries.current += 1
          router.refresh()
          ask()
        },
        waits[Math.min(tries.current, waits.length - 1)],
      )
    }
    ask()
    return () => clearTimeout(timer)
  }, [isWaiting, router])
  return null
}
