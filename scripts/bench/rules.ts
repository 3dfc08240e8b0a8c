import jsonLogic from 'json-logic-js'
import { amountOf } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import { orientations, runStates, type BodyModel } from '@/core/model/types'
import { factsOf, ready, type FactSource, type Known } from '@/core/rules/condition'
import type { Value } from '@/core/vocabulary/values'
import { asJsonLogic, nameOf } from '@tests/fixtures/json-logic'
import { valuesOf } from '@/core/model/domain'
import { scalesIn } from '@/core/resolve/rule-book'
import { timesAsLong, type Figure } from './measure'

/** Our reading of every rule's condition of every model against json-logic-js, on the same facts: answers and time. */
export function rulesBench(models: readonly BodyModel[]): Figure {
  const sets = models.map(conditionsOf)
  const conditions = sets.reduce((sum, set) => sum + set.ours.length, 0)
  const different = sets.reduce((sum, set) => sum + differences(set), 0)
  const faster = timesAsLong(
    () =>
      sets.forEach(({ data, theirs }) =>
        data.forEach((one) => theirs.forEach((logic) => void jsonLogic.apply(logic, one))),
      ),
    () =>
      sets.forEach(({ sources, ours }) =>
        sources.forEach((source) => ours.forEach((asked) => void asked(source))),
      ),
  )
  return {
    name: `Rules: ${conditions} conditions of ${models.length} models in ${statesEach} states, against json-logic-js`,
    wanted: 'same answers, at least 10 times as fast',
    measured: `${different} answers differ, ${faster.toFixed(1)} times as fast`,
    holds: different === 0 && faster >= 10,
  }
}

const statesEach = 200

function conditionsOf(model: BodyModel) {
  const amount = (fact: string, value: Value) => {
    const domain = lookup(model).settings.get(fact.slice('setting/'.length))?.domain
    return (domain && amountOf(domain, value)) ?? NaN
  }
  const states = Array.from({ length: statesEach }, (_, i) => stateOf(model, i))
  return {
    sources: states.map((state): FactSource => ({ read: (fact) => state.get(fact) ?? nobodyKnows })),
    data: states.map((state) => flat(state, amount)),
    ours: model.rules.map((rule) => ready(rule.when, scalesIn(lookup(model).settings))),
    theirs: model.rules.map((rule) => asJsonLogic(rule.when, amount) as never),
  }
}

function differences({ sources, data, ours, theirs }: ReturnType<typeof conditionsOf>): number {
  return sources.reduce((sum, source, i) => {
    const differ = ours.filter((asked, r) => {
      const other: unknown = jsonLogic.apply(theirs[r] as never, data[i])
      return (asked(source) === 'yes') !== (other === true)
    })
    return sum + differ.length
  }, 0)
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
  if (kind === 'run') return runStates
  if (kind === 'position') return model.positions.map((position) => position.id)
  if (kind === 'orientation') return orientations
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
