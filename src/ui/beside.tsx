'use client'

import { useEffect, type ReactNode } from 'react'
import { Button } from './button'

/**
 * What stands beside a plate or a table. Where there is no room beside it and something is in hand, it is a sheet from the bottom
 * of the screen, and the place it is about is brought into sight above it.
 */
export function Beside({
  label,
  inHand,
  onClose,
  children,
}: {
  label: string
  /** Selects the element in the page that is in hand; null where nothing is. */
  inHand: string | null
  /** Lets go of it, where what is shown of it has no button for that itself. */
  onClose?: (() => void) | undefined
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
      {inHand !== null && onClose && (
        <Button onClick={onClose} className="mb-1 ml-auto block lg:hidden">
          Close
        </Button>
      )}
      {children}
    </aside>
  )
}

/** The width below which a page is one column: Tailwind’s `lg`. */
const noRoomBeside = '(width < 64rem)'
