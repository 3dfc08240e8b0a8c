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

/** Where a condition reads its facts. */
export interface FactSource {
  read(fact: string): Known
}

/** How a fact's values are compared: the marked amount of each, or undefined where it has none. */
export type Amounts = (fact: string) => (value: Value) => number | undefined

/** A condition made ready to be asked often. */
export type Asked = (facts: FactSource) => Truth

/** Kleene's three-valued reading of a condition; time grows with the condition's size only. */
export function evaluate(condition: Condition, facts: FactSource, amounts: Amounts): Truth {
  return ready(condition, amounts)(facts)
}

/** The condition as a function: made once, asked in every context. */
export function ready(condition: Condition, amounts: Amounts): Asked {
  const part = (one: Condition) => ready(one, amounts)
  if ('all' in condition) return combined(condition.all.map(part), 'no', 'yes')
  if ('any' in condition) return combined(condition.any.map(part), 'yes', 'no')
  if ('not' in condition) {
    const inner = part(condition.not)
    return (facts) => opposite(inner(facts))
  }
  if ('is' in condition && typeof condition.is !== 'object') return isExactly(condition.fact, condition.is)
  return comparison(condition.fact, holdsFor(condition, amounts))
}

/** Every fact a condition can read, each once, in order of appearance. */
export function factsOf(condition: Condition): string[] {
  if ('all' in condition) return unique(condition.all.flatMap(factsOf))
  if ('any' in condition) return unique(condition.any.flatMap(factsOf))
  if ('not' in condition) return factsOf(condition.not)
  return [condition.fact]
}

function opposite(one: Truth): Truth {
  if (one === 'yes') return 'no'
  return one === 'no' ? 'yes' : one
}

function combined(parts: readonly Asked[], decides: Truth, otherwise: Truth): Asked {
  const [one, two] = parts
  if (parts.length === 1 && one) return one
  if (parts.length === 2 && one && two) {
    return (facts) => {
      const first = one(facts)
      if (first === decides) return decides
      const second = two(facts)
      return second === otherwise ? first : second
    }
  }
  return (facts) => {
    let result = otherwise
    for (let i = 0; i < parts.length; i++) {
      const one = (parts[i] as Asked)(facts)
      if (one === decides) return decides
      if (one === 'unknown') result = 'unknown'
    }
    return result
  }
}

/** The commonest comparison, without a step between. */
function isExactly(fact: string, wanted: string | number | boolean): Asked {
  return (facts) => {
    const known = facts.read(fact)
    if (known.known) return known.value === wanted ? 'yes' : 'no'
    return overCandidates(known.candidates, (value) => truth(value === wanted))
  }
}

function comparison(fact: string, holds: (value: Value) => Truth): Asked {
  return (facts) => {
    const known = facts.read(fact)
    return known.known ? holds(known.value) : overCandidates(known.candidates, holds)
  }
}

/** The answer every candidate gives alike, else unknown. */
function overCandidates(candidates: readonly Value[] | undefined, holds: (value: Value) => Truth): Truth {
  const [first, ...rest] = candidates ?? []
  if (first === undefined) return 'unknown'
  const answer = holds(first)
  return rest.every((value) => holds(value) === answer) ? answer : 'unknown'
}

function holdsFor(condition: Comparison, amounts: Amounts): (value: Value) => Truth {
  if ('is' in condition) return equals(condition.is)
  if ('in' in condition) return within(condition.in)
  const amountOf = amounts(condition.fact)
  const isAbove = 'above' in condition
  const limit = amountOf(isAbove ? condition.above : condition.below)
  return (value) => {
    const amount = amountOf(value)
    if (limit === undefined || amount === undefined) return 'unknown'
    return truth(isAbove ? amount > limit : amount < limit)
  }
}

function equals(wanted: Value): (value: Value) => Truth {
  return (value) => truth(sameValue(value, wanted))
}

function within(wanted: readonly Value[]): (value: Value) => Truth {
  if (wanted.some((one) => typeof one === 'object'))
    return (value) => truth(wanted.some((one) => sameValue(value, one)))
  const set = new Set(wanted)
  return (value) => (set.has(value) ? 'yes' : 'no')
}

function truth(holds: boolean): Truth {
  return holds ? 'yes' : 'no'
}

function unique(names: readonly string[]): string[] {
  return [...new Set(names)]
}
