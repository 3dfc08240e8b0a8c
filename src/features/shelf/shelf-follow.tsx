'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useRef } from 'react'

/** How long to wait before the shelf is asked again, in milliseconds: longer each time. */
const waits = [600, 1500, 4000, 10_000]

/** Asks for the shelf again while some of its plans are still being checked. */
export function ShelfFollow({ waits: isWaiting }: { waits: boolean }) {
  const router = useRouter()
  const tries = useRef(0)
  useEffect(() => {
    if (!isWaiting) return
    const timer = setInterval(
      () => {
        tries.current += 1
        router.refresh()
      },
      waits[Math.min(tries.current, waits.length - 1)],
    )
    return () => clearInterval(timer)
  }, [isWaiting, router])
  return null
}
