import type { Value } from '../vocabulary/values'
import { sameValue } from '../vocabulary/values'

/**
 * A condition over facts; docs/models.md lists the facts. `above` and `below` compare marked amounts and exclude
 * the bound. `all` of nothing holds always.
 */
export type Condition =
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition }
  | Comparison

/** A condition on one fact. */
export type Comparison =
  | { readonly fact: string; readonly is: Value }
  | { readonly fact: string; readonly in: readonly Value[] }
  | { readonly fact: string; readonly above: Value }
  | { readonly fact: string; readonly below: Value }

/** What is known of a fact: its value, or that nobody knows it, with the values it could have where they are known. */
export type Known =
  | { readonly known: true; readonly value: Value }
  | { readonly known: false; readonly candidates?: readonly Value[] }

/** Three-valued truth: `unknown` where the outcome hangs on a fact nobody knows. */
export type Truth = 'yes' | 'no' | 'unknown'

/** Where a condition reads its facts. `amount` gives the marked number of a value, for comparisons. */
export interface FactSource {
  read(fact: string): Known
  amount(fact: string, value: Value): number | undefined
}

/** A condition made ready to be asked often. */
export type Asked = (facts: FactSource) => Truth

/** Kleene's three-valued reading of a condition; time grows with the condition's size only. */
export function evaluate(condition: Condition, facts: FactSource): Truth {
  return ready(condition)(facts)
}

/** The condition as a function: made once, asked in every context. */
export function ready(condition: Condition): Asked {
  if ('all' in condition) return combined(condition.all.map(ready), 'no', 'yes')
  if ('any' in condition) return combined(condition.any.map(ready), 'yes', 'no')
  if ('not' in condition) {
    const inner = ready(condition.not)
    return (facts) => opposite[inner(facts)]
  }
  return comparison(condition)
}

/** Every fact a condition can read, each once, in order of appearance. */
export function factsOf(condition: Condition): string[] {
  if ('all' in condition) return unique(condition.all.flatMap(factsOf))
  if ('any' in condition) return unique(condition.any.flatMap(factsOf))
  if ('not' in condition) return factsOf(condition.not)
  return [condition.fact]
}

const opposite: Record<Truth, Truth> = { yes: 'no', no: 'yes', unknown: 'unknown' }

function combined(parts: readonly Asked[], decides: Truth, otherwise: Truth): Asked {
  return (facts) => {
    let result = otherwise
    for (const part of parts) {
      const one = part(facts)
      if (one === decides) return decides
      if (one === 'unknown') result = 'unknown'
    }
    return result
  }
}

function comparison(condition: Comparison): Asked {
  const { fact } = condition
  const holds = holdsFor(condition)
  return (facts) => {
    const known = facts.read(fact)
    if (known.known) return holds(known.value, facts)
    const { candidates } = known
    if (candidates === undefined || candidates.length === 0) return 'unknown'
    const first = holds(candidates[0] as Value, facts)
    return candidates.every((value) => holds(value, facts) === first) ? first : 'unknown'
  }
}

function holdsFor(condition: Comparison): (value: Value, facts: FactSource) => Truth {
  if ('is' in condition) return (value) => truth(sameValue(value, condition.is))
  if ('in' in condition) return (value) => truth(condition.in.some((one) => sameValue(value, one)))
  const isAbove = 'above' in condition
  const bound = isAbove ? condition.above : condition.below
  return (value, facts) => {
    const limit = facts.amount(condition.fact, bound)
    const amount = facts.amount(condition.fact, value)
    if (limit === undefined || amount === undefined) return 'unknown'
    return truth(isAbove ? amount > limit : amount < limit)
  }
}

function truth(holds: boolean): Truth {
  return holds ? 'yes' : 'no'
}

function unique(names: readonly string[]): string[] {
  return [...new Set(names)]
}
