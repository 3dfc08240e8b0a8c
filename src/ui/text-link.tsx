import Link from 'next/link'
import type { ReactNode } from 'react'

/** A quiet link inside text to another page of the plan; what it leads to is fetched when it is followed. */
export function TextLink({
  href,
  className = '',
  children,
}: {
  href: string
  className?: string | undefined
  children: ReactNode
}) {
  return (
    <Link
      href={href}
      prefetch={false}
      className={`font-semibold text-brine underline decoration-rule underline-offset-3 ${className}`}
    >
      {children}
    </Link>
  )
}
