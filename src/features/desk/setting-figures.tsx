'use client'

import { advisers } from '@/core/advise/table'
import { choicePlace } from '@/core/numbers/address'
import { figuresAbout } from '@/core/numbers/given'
import { NumberLink } from './number-link'

/** The choices that some common settings are, weighed, and the figures they go into: the nearest few. */
export function SettingFigures({ means }: { means: readonly string[] }) {
  const choices = advisers.filter((one) => one.means !== null && means.includes(one.means)).slice(0, 2)
  const figures = [...new Set(means.flatMap(figuresAbout))].slice(0, choices.length > 0 ? 2 : 4)
  if (figures.length === 0 && choices.length === 0) return null
  return (
    <p className="flex flex-wrap gap-x-4 gap-y-1 text-small">
      <span className="text-silt">Numbers</span>
      {choices.map(({ id, name }) => (
        <NumberLink key={id} id={choicePlace(id)}>
          {choices.length > 1 ? `${name}: which?` : 'Which? Weigh the options'}
        </NumberLink>
      ))}
      {figures.map(({ id, name }) => (
        <NumberLink key={id} id={id}>
          {name}
        </NumberLink>
      ))}
    </p>
  )
}
