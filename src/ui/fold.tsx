'use client'

import { useState, type ReactNode } from 'react'

/** Something folded under its title until somebody opens it. */
export function Fold({ title, children }: { title: string; children: ReactNode }) {
  return (
    <details>
      <summary className="min-h-8 cursor-pointer py-1 text-silt">{title}</summary>
      {children}
    </details>
  )
}

/** Something long folded under its title: it is drawn when somebody opens it first. */
export function LongFold({ title, children }: { title: string; children: () => ReactNode }) {
  return (
    <HeadedFold summary={title} summaryClass="min-h-8 cursor-pointer py-1 text-silt">
      {children}
    </HeadedFold>
  )
}

/** The same with a head of its own, for places where many stand: what nobody opened is not there. */
export function HeadedFold({
  summary,
  summaryClass,
  className,
  children,
}: {
  summary: ReactNode
  summaryClass: string
  className?: string
  children: () => ReactNode
}) {
  const [wasOpened, setOpened] = useState(false)
  const see = (details: HTMLDetailsElement | null) => {
    if (details?.open) setOpened(true)
  }
  return (
    // Whoever opened it before this page answered finds it drawn, too.
    <details
      suppressHydrationWarning
      ref={see}
      onToggle={(event) => see(event.currentTarget)}
      className={className}
    >
      <summary onClick={() => setOpened(true)} className={summaryClass}>
        {summary}
      </summary>
      {wasOpened && children()}
    </details>
  )
}
