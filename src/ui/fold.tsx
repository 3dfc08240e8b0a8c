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
  const [wasOpened, setOpened] = useState(false)
  return (
    <details
      onToggle={(event) => {
        if (event.currentTarget.open) setOpened(true)
      }}
    >
      <summary className="min-h-8 cursor-pointer py-1 text-silt">{title}</summary>
      {wasOpened && children()}
    </details>
  )
}
