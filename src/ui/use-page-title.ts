import { usePathname } from 'next/navigation'
import { useEffect } from 'react'
import { titled } from './titled'

/** Names the page in its tab by what is shown, whatever it was called when the server made it, or fetched before it was opened. */
export function usePageTitle(name: string): void {
  const here = usePathname()
  useEffect(() => {
    document.title = titled(name)
  }, [name, here])
}
