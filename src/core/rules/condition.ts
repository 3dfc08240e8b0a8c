import type { Value } from '../vocabulary/values'
import { sameValue } from '../vocabulary/values'

/**
 * A condition over facts; docs/models.md lists the facts. `above` and `below` compare marked amounts and exclude
 * the bound; a value without an amount (bulb, automatic) is neither. `has` asks whether a list contains something. `all`
 * of nothing holds always.
 */
export type Condition =
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition }
  | Comparison

/** A fact, or one field of it where it is a record. */
export interface FactRef {
  readonly fact: string
  readonly field?: string
}

/** A condition on one fact. */
export type Comparison = FactRef &
  (
    | { readonly is: Value }
    | { readonly in: readonly Value[] }
    | { readonly has: Value }
    | { readonly above: Value | Formula }
    | { readonly below: Value | Formula }
  )

/** An amount reckoned from the marked amounts of facts: seconds, f-numbers, ISO, frames a second. */
export type Formula =
  | FactRef
  | { readonly amount: number }
  | { readonly times: readonly Formula[] }
  | { readonly plus: readonly Formula[] }
  /** The first divided by the second. */
  | { readonly over: readonly [Formula, Formula] }

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

/** How the values of facts are read. */
export interface Scales {
  /** The marked amount of each value, or undefined where it has none. */
  amount(ref: FactRef): (value: Value) => number | undefined
  /** The value of a field of a record. */
  field(fact: string, field: string): (value: Value) => Value | undefined
}

/** A condition made ready to be asked often. */
export type Asked = (facts: FactSource) => Truth

/** Kleene's three-valued reading of a condition; time grows with the condition's size only. */
export function evaluate(condition: Condition, facts: FactSource, scales: Scales): Truth {
  return ready(condition, scales)(facts)
}

/** The condition as a function: made once, asked in every context. */
export function ready(condition: Condition, scales: Scales): Asked {
  const part = (one: Condition) => ready(one, scales)
  if ('all' in condition) return combined(condition.all.map(part), 'no', 'yes')
  if ('any' in condition) return combined(condition.any.map(part), 'yes', 'no')
  if ('not' in condition) {
    const inner = part(condition.not)
    return (facts) => opposite(inner(facts))
  }
  if ('is' in condition && condition.field === undefined && typeof condition.is !== 'object')
    return isExactly(condition.fact, condition.is)
  const bound = 'above' in condition ? condition.above : 'below' in condition ? condition.below : null
  if (isFormula(bound)) return againstFormula(condition, bound, scales)
  return comparison(condition.fact, holdsFor(condition, scales))
}

/** Every fact a condition can read, each once, in order of appearance. */
export function factsOf(condition: Condition): string[] {
  if ('all' in condition) return unique(condition.all.flatMap(factsOf))
  if ('any' in condition) return unique(condition.any.flatMap(factsOf))
  if ('not' in condition) return factsOf(condition.not)
  return unique([condition, ...refsIn(boundOf(condition))].map(({ fact }) => fact))
}

/** The facts a formula reckons with. */
export function refsIn(formula: Formula | null): FactRef[] {
  if (formula === null || 'amount' in formula) return []
  if ('fact' in formula) return [formula]
  if ('over' in formula) return formula.over.flatMap(refsIn)
  return ('times' in formula ? formula.times : formula.plus).flatMap(refsIn)
}

/** The formula a comparison is made against; null where it is made against a value. */
export function boundOf(condition: Comparison): Formula | null {
  const bound = 'above' in condition ? condition.above : 'below' in condition ? condition.below : null
  return isFormula(bound) ? bound : null
}

function isFormula(bound: Value | Formula | null): bound is Formula {
  return bound !== null && typeof bound === 'object' && !Array.isArray(bound)
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

function holdsFor(condition: Comparison, scales: Scales): (value: Value) => Truth {
  const { fact, field } = condition
  if ('above' in condition || 'below' in condition) {
    const amountOf = scales.amount(condition)
    const isAbove = 'above' in condition
    const bound = isAbove ? condition.above : condition.below
    const limit = isFormula(bound) ? undefined : scales.amount({ fact, ...part(field) })(bound)
    return (value) => (limit === undefined ? 'unknown' : compared(amountOf(value), limit, isAbove))
  }
  const holds =
    'is' in condition
      ? equals(condition.is)
      : 'in' in condition
        ? within(condition.in)
        : contains(condition.has)
  if (field === undefined) return holds
  const fieldOf = scales.field(fact, field)
  return (value) => {
    const one = fieldOf(value)
    return one === undefined ? 'unknown' : holds(one)
  }
}

/** A comparison with an amount that hangs on other facts: the answer that all of their possible values give alike. */
function againstFormula(condition: Comparison, bound: Formula, scales: Scales): Asked {
  const own = amountsOf(condition, scales)
  const limits = amountsOf(bound, scales)
  const isAbove = 'above' in condition
  return (facts) => {
    const [mine, others] = [own(facts), limits(facts)]
    if (mine === null || others === null) return 'unknown'
    const answers = mine.flatMap((one) => others.map((limit) => compared(one, limit, isAbove)))
    const [first = 'unknown', ...rest] = answers
    return rest.every((one) => one === first) ? first : 'unknown'
  }
}

function compared(amount: number | undefined, limit: number | undefined, isAbove: boolean): Truth {
  if (amount === undefined || limit === undefined) return 'no'
  const room = Math.abs(limit) * 1e-9
  return truth(isAbove ? amount > limit + room : amount < limit - room)
}

/** Every amount a formula may have; undefined for a value without one, null where nobody knows. */
export type Amounts = (facts: FactSource) => readonly (number | undefined)[] | null

/** More combinations of possible values than this count as unknown. */
const mostCombinations = 256

/** A formula made ready to be reckoned often. */
export function amountsOf(formula: Formula, scales: Scales): Amounts {
  if ('amount' in formula) return () => [formula.amount]
  if ('fact' in formula) {
    const amount = scales.amount(formula)
    return (facts) => {
      const known = facts.read(formula.fact)
      return known.known ? [amount(known.value)] : (known.candidates?.map(amount) ?? null)
    }
  }
  const [parts, together]: [readonly Formula[], (a: number, b: number) => number] =
    'over' in formula
      ? [formula.over, (a, b) => a / b]
      : 'times' in formula
        ? [formula.times, (a, b) => a * b]
        : [formula.plus, (a, b) => a + b]
  const all = parts.map((one) => amountsOf(one, scales))
  return (facts) => {
    let found: readonly (number | undefined)[] | null = null
    for (const part of all) {
      const next = part(facts)
      if (next === null || next.length * (found?.length ?? 1) > mostCombinations) return null
      found = found
        ? found.flatMap((a) =>
            next.map((b) => (a === undefined || b === undefined ? undefined : together(a, b))),
          )
        : next
    }
    return found
  }
}

function part(field: string | undefined): Pick<FactRef, 'field'> {
  return field === undefined ? {} : { field }
}

function contains(wanted: Value): (value: Value) => Truth {
  return (value) => truth(Array.isArray(value) && value.some((one) => sameValue(one as Value, wanted)))
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
