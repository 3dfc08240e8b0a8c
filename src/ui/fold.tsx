import type { ReactNode } from 'react'

/** Something folded under its title until somebody opens it. */
export function Fold({ title, children }: { title: string; children: ReactNode }) {
  return (
    <details>
      <summary className="min-h-8 cursor-pointer py-1 text-silt">{title}</summary>
      {children}
    </details>
  )
}
