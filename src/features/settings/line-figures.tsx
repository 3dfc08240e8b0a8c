'use client'

import { figuresAbout } from '@/core/numbers/given'
import { NumberLink } from '@/features/desk'

/** The figures that a setting goes into: the nearest few. */
export function LineFigures({ means }: { means: string | null }) {
  const figures = means === null ? [] : figuresAbout(means).slice(0, 4)
  if (figures.length === 0) return null
  return (
    <p className="flex flex-wrap gap-x-4 gap-y-1">
      <span className="text-silt">Numbers</span>
      {figures.map(({ id, name }) => (
        <NumberLink key={id} id={id}>
          {name}
        </NumberLink>
      ))}
    </p>
  )
}
