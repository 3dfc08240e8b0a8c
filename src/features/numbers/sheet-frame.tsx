import type { ReactNode } from 'react'

/** What is in hand on the page of numbers: its name, what it asks, and all else below. */
export function SheetFrame({ name, asks, children }: { name: string; asks: ReactNode; children: ReactNode }) {
  return (
    <section aria-label={name} className="min-w-0 self-start border bg-sheet p-4 lg:sticky lg:top-3">
      <h2 className="font-head text-title font-semibold">{name}</h2>
      <p className="text-silt">{asks}</p>
      {children}
    </section>
  )
}
