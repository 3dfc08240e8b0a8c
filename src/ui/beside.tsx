'use client'

import { useEffect, type ReactNode } from 'react'

/**
 * What stands beside a plate or a table. Where there is no room beside it and something is in hand, it is a sheet from the bottom
 * of the screen, and the place it is about is brought into sight above it.
 */
export function Beside({
  label,
  inHand,
  children,
}: {
  label: string
  /** Selects the element in the page that is in hand; null where nothing is. */
  inHand: string | null
  children: ReactNode
}) {
  useEffect(() => {
    if (inHand === null || !window.matchMedia?.(noRoomBeside).matches) return
    document.querySelector(inHand)?.scrollIntoView({ block: 'nearest' })
  }, [inHand])
  return (
    <aside
      aria-label={label}
      data-sheet={inHand === null ? undefined : true}
      className="beside not-printed min-w-0"
    >
      {children}
    </aside>
  )
}

/** The width below which a page is one column: Tailwind’s `lg`. */
const noRoomBeside = '(width < 64rem)'
