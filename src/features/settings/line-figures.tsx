'use client'

import { advisers } from '@/core/advise/table'
import { choicePlace } from '@/core/numbers/address'
import { figuresAbout } from '@/core/numbers/given'
import { NumberLink } from '@/features/desk'

/** The choice that a setting is, weighed, and the figures it goes into: the nearest few. */
export function LineFigures({ means }: { means: string | null }) {
  const choice = means === null ? undefined : advisers.find((one) => one.means === means)
  const figures = means === null ? [] : figuresAbout(means).slice(0, choice ? 2 : 4)
  if (figures.length === 0 && !choice) return null
  return (
    <p className="flex flex-wrap gap-x-4 gap-y-1">
      <span className="text-silt">Numbers</span>
      {choice && <NumberLink id={choicePlace(choice.id)}>Which? Weigh the options</NumberLink>}
      {figures.map(({ id, name }) => (
        <NumberLink key={id} id={id}>
          {name}
        </NumberLink>
      ))}
    </p>
  )
}
