import type { Value } from '../vocabulary/values'
import { sameValue } from '../vocabulary/values'

/**
 * A condition over facts. Facts are named `side`, `bank/<family>`, `lens/contacts`, `run`, `setting/<id>`.
 * `above` and `below` compare marked amounts and exclude the bound.
 */
export type Condition =
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition }
  | { readonly fact: string; readonly is: Value }
  | { readonly fact: string; readonly in: readonly Value[] }
  | { readonly fact: string; readonly above: Value }
  | { readonly fact: string; readonly below: Value }

/** What is known of a fact: its value, or that nobody knows it. */
export type Known = { readonly known: true; readonly value: Value } | { readonly known: false }

/** Three-valued truth: `unknown` where the outcome hangs on a fact nobody knows. */
export type Truth = 'yes' | 'no' | 'unknown'

/** Where a condition reads its facts. `amount` gives the marked number of a value, for comparisons. */
export interface FactSource {
  read(fact: string): Known
  amount(fact: string, value: Value): number | undefined
}

/** Kleene's three-valued reading of a condition; time grows with the condition's size only. */
export function evaluate(condition: Condition, facts: FactSource): Truth {
  if ('all' in condition) return combine(condition.all, facts, 'no', 'yes')
  if ('any' in condition) return combine(condition.any, facts, 'yes', 'no')
  if ('not' in condition) return opposite[evaluate(condition.not, facts)]
  const known = facts.read(condition.fact)
  if (!known.known) return 'unknown'
  if ('is' in condition) return truth(sameValue(known.value, condition.is))
  if ('in' in condition) return truth(condition.in.some((value) => sameValue(known.value, value)))
  const bound = facts.amount(condition.fact, 'above' in condition ? condition.above : condition.below)
  const amount = facts.amount(condition.fact, known.value)
  if (bound === undefined || amount === undefined) return 'unknown'
  return truth('above' in condition ? amount > bound : amount < bound)
}

/** Every fact a condition can read, each once, in order of appearance. */
export function factsOf(condition: Condition): string[] {
  if ('all' in condition) return unique(condition.all.flatMap(factsOf))
  if ('any' in condition) return unique(condition.any.flatMap(factsOf))
  if ('not' in condition) return factsOf(condition.not)
  return [condition.fact]
}

const opposite: Record<Truth, Truth> = { yes: 'no', no: 'yes', unknown: 'unknown' }

function combine(parts: readonly Condition[], facts: FactSource, decides: Truth, otherwise: Truth): Truth {
  let result = otherwise
  for (const part of parts) {
    const one = evaluate(part, facts)
    if (one === decides) return decides
    if (one === 'unknown') result = 'unknown'
  }
  return result
}

function truth(holds: boolean): Truth {
  return holds ? 'yes' : 'no'
}

function unique(names: readonly string[]): string[] {
  return [...new Set(names)]
}
