import { givenFrom, type Known, type Said } from './given'
import { reckon, type Answered } from './reckon'
import { numberForm } from './table'

/**
 * One result of a figure, from what is known and what is said besides; null where something it needs is not known, or
 * what is said is impossible together.
 */
export function resultOf(
  figure: string,
  result: string,
  known: Known,
  said: Readonly<Record<string, Said>> = {},
): Answered | null {
  const form = numberForm(figure)
  if (!form) throw new Error(`there is no figure ${figure}`)
  const answer = reckon(form, { ...givenFrom(form, known), ...said })
  return answer.ok ? (answer.value.results.find(({ id }) => id === result) ?? null) : null
}
