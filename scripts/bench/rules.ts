import jsonLogic from 'json-logic-js'
import { amountOf } from '@/core/model/domain'
import { amountsIn, lookup } from '@/core/model/lookup'
import type { BodyModel } from '@/core/model/types'
import { factsOf, ready, type FactSource, type Known } from '@/core/rules/condition'
import type { Value } from '@/core/vocabulary/values'
import { asJsonLogic, nameOf } from '@tests/fixtures/json-logic'
import { valuesOf } from '@/core/model/domain'
import { timesAsLong, type Figure } from './measure'

/** Our reading of every rule's condition against json-logic-js, on the same facts: answers and time. */
export function rulesBench(model: BodyModel): Figure {
  const amount = (fact: string, value: Value) => {
    const domain = lookup(model).settings.get(fact.slice('setting/'.length))?.domain
    return (domain && amountOf(domain, value)) ?? NaN
  }
  const states = Array.from({ length: 200 }, (_, i) => stateOf(model, i))
  const sources: FactSource[] = states.map((state) => ({
    read: (fact) => state.get(fact) ?? nobodyKnows,
  }))
  const data = states.map((state) => flat(state, amount))
  const ours = model.rules.map((rule) => ready(rule.when, amountsIn(lookup(model).settings)))
  const theirs = model.rules.map((rule) => asJsonLogic(rule.when, amount))

  let different = 0
  for (const [i, source] of sources.entries()) {
    ours.forEach((asked, r) => {
      const other: unknown = jsonLogic.apply(theirs[r] as never, data[i])
      if ((asked(source) === 'yes') !== (other === true)) different += 1
    })
  }
  const faster = timesAsLong(
    () => data.forEach((one) => theirs.forEach((logic) => void jsonLogic.apply(logic, one))),
    () => sources.forEach((source) => ours.forEach((asked) => void asked(source))),
  )
  return {
    name: `Rules: ${model.rules.length} conditions in ${states.length} states, against json-logic-js`,
    wanted: 'same answers, at least 10 times as fast',
    measured: `${different} answers differ, ${faster.toFixed(1)} times as fast`,
    holds: different === 0 && faster >= 10,
  }
}

const nobodyKnows: Known = { known: false }

/** A made state: every fact any rule reads, its value picked by number. */
function stateOf(model: BodyModel, number: number): Map<string, Known> {
  const facts = [...new Set(model.rules.flatMap((rule) => factsOf(rule.when)))]
  return new Map(
    facts.map((fact, i) => [fact, { known: true, value: pick(choices(model, fact), number * 7 + i * 13) }]),
  )
}

function choices(model: BodyModel, fact: string): readonly Value[] {
  const [kind, name = ''] = fact.split('/')
  if (kind === 'side') return model.sides
  if (kind === 'bank')
    return [
      'plain',
      ...(model.families.find((family) => family.id === name)?.slots ?? []).map((slot) => slot.id),
    ]
  const domain = kind === 'setting' ? lookup(model).settings.get(name)?.domain : undefined
  return (domain && valuesOf(domain)) ?? [true, false]
}

function pick<T>(list: readonly T[], number: number): T {
  return list[number % list.length] as T
}

function flat(
  state: ReadonlyMap<string, Known>,
  amount: (fact: string, value: Value) => number,
): Record<string, unknown> {
  const entries = [...state].flatMap(([fact, known]) =>
    known.known
      ? [
          [nameOf(fact), known.value],
          [`${nameOf(fact)}_amount`, amount(fact, known.value)],
        ]
      : [],
  )
  return Object.fromEntries(entries) as Record<string, unknown>
}
