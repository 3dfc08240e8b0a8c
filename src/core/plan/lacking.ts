import type { BodyModel } from '../model/types'
import { thereIn } from '../rules/facts'
import type { Value } from '../vocabulary/values'
import { planFor } from './bodies'
import type { Plan } from './plan'
import {
  bodyTagOf,
  describeRow,
  differsIn,
  entriesOf,
  rangesOf,
  showRow,
  type RowId,
  type Rows,
} from './rows'

/** A row that a firmware cannot hold. */
export interface Lacking {
  readonly row: RowId
  readonly value: Value
  /** The row and its value in words, and what of it the firmware has not: "Base, Detected subject: Vehicles needs firmware 2.0". */
  readonly words: string
}

/** The rows that a firmware cannot hold, in order: a setting, a value of a list, a function or a gesture came later, or went. */
export function lackingIn(model: BodyModel, rows: Rows, firmware: string): Lacking[] {
  return entriesOf(rows)
    .flatMap(([row, value]): Lacking[] => {
      const lacks = rangesOf(model, row, value).find(({ range }) => thereIn(range, firmware) === 'no')
      if (!lacks) return []
      const { since, until } = lacks.range
      const needs = since === undefined ? `is gone since firmware ${until ?? ''}` : `needs firmware ${since}`
      const place = `${describeRow(model, row)}: ${showRow(model, row, value)}`
      const named = place.includes(lacks.name) ? needs : `${lacks.name} ${needs}`
      return [{ row, value, words: `${place} ${named}` }]
    })
    .sort((a, b) => (a.row < b.row ? -1 : 1))
}

/** What of a plan one body of a firmware cannot hold; what only other bodies have is not asked of it. */
export function lackingFor(model: BodyModel, plan: Plan, tag: string, firmware: string): Lacking[] {
  const { rows } = planFor(plan, tag)
  const mine = entriesOf(rows).filter(
    ([row]) => (bodyTagOf(row) ?? tag) === tag && differsIn(row, tag) === null,
  )
  return lackingIn(model, Object.fromEntries(mine), firmware)
}

/** Some of them in words, and how many more there are. */
export function lackingWords(lacking: readonly Lacking[]): string {
  const named = lacking.slice(0, 3).map(({ words }) => words)
  const more = lacking.length - named.length
  return `${named.join('; ')}${more > 0 ? `; and ${more} more` : ''}`
}
