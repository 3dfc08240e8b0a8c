import Link from 'next/link'
import type { ReactNode } from 'react'
import { ThemeChoice } from './theme-choice'

/** The bar at the head of every screen: the mark, what stands open, and what can be done with it. */
export function TopBar({
  children,
  actions,
  isFull = false,
}: {
  children?: ReactNode
  actions?: ReactNode
  /** On a phone there is no room for the theme: it is chosen on the shelf. */
  isFull?: boolean
}) {
  return (
    <header className="not-printed flex min-h-13 items-center gap-x-4 relative z-20 border-b bg-crust px-5 py-1.5 max-lg:sticky max-lg:top-0 max-sm:gap-x-2 max-sm:px-3">
      <Link href="/" className="flex items-center gap-2 font-head text-[21px] font-semibold text-brine">
        <Mark />
        <span className="sr-only sm:not-sr-only">Salt Shelf</span>
      </Link>
      <div className="min-w-0 flex-1">{children}</div>
      <div className="flex shrink-0 items-center gap-2 max-sm:gap-1">
        {actions}
        <span className={isFull ? 'max-sm:hidden' : ''}>
          <ThemeChoice />
        </span>
      </div>
    </header>
  )
}

function Mark() {
  return (
    <svg viewBox="0 0 32 26" className="h-5 w-6" aria-hidden="true">
      <rect x="1" y="21" width="30" height="3.5" rx="1" className="fill-brine" />
      <path d="M4 19v-8a4.5 4.5 0 0 1 9 0v8z" className="fill-pan" />
      <path d="M17 19v-5a4.5 4.5 0 0 1 9 0v5z" className="fill-brine" />
    </svg>
  )
}
