import { useEffect, useState } from 'react'

/** Whether our server answers now. */
export async function serverIsThere(): Promise<boolean> {
  try {
    const response = await fetch('/api/health', { cache: 'no-store', signal: AbortSignal.timeout(4000) })
    return response.status < 500
  } catch {
    return false
  }
}

/** How often a page without a connection asks whether there is one, in milliseconds. */
const often = 15_000

/** Whether the server answers again, on a page that was opened without it: asked now and then, and when there is reason to. */
export function useServerBack(): boolean {
  const [isBack, setBack] = useState(false)
  useEffect(() => {
    if (isBack) return
    const ask = () => {
      if (document.visibilityState === 'visible') void serverIsThere().then((is) => is && setBack(true))
    }
    const timer = setInterval(ask, often)
    window.addEventListener('online', ask)
    document.addEventListener('visibilitychange', ask)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', ask)
      document.removeEventListener('visibilitychange', ask)
    }
  }, [isBack])
  return isBack
}

/** Looks for what happened elsewhere when the page is looked at again, where the server is there to be asked. */
export function useLookAgain(look: () => void): void {
  useEffect(() => {
    const onFocus = () => void serverIsThere().then((is) => is && look())
    window.addEventListener('focus', onFocus)
    return () => window.removeEventListener('focus', onFocus)
  }, [look])
}
