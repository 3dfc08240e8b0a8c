import type { Rows } from '../plan/rows'
import { comparePlanRows, compareRows, type Comparison } from '../files/compare'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { carriedRows, memoryOf, type Memory } from './memory'

/** Something that can be held against another: a plan or a revision of it, what a card file carries, what a body remembers. */
export type Source =
  | { readonly kind: 'plan'; readonly plan: Plan }
  | { readonly kind: 'file'; readonly rows: Rows }
  | { readonly kind: 'memory'; readonly memory: Memory }

/**
 * Any two held against each other, row by row, with places and words. Two plans are compared in what they decide; a plan
 * against a body in what the body would remember of it; and where one is a file, in what a file carries.
 */
export function compareSources(model: BodyModel, left: Source, right: Source): Comparison {
  if (left.kind === 'plan' && right.kind === 'plan')
    return comparePlanRows(model, left.plan.rows, right.plan.rows)
  const asFile = left.kind === 'file' || right.kind === 'file'
  return compareRows(model, rowsOf(model, left, asFile), rowsOf(model, right, asFile))
}

function rowsOf(model: BodyModel, source: Source, asFile: boolean): Rows {
  if (source.kind === 'file') return source.rows
  const memory = source.kind === 'plan' ? memoryOf(model, source.plan) : source.memory
  return asFile ? carriedRows(model, memory) : memory
}
