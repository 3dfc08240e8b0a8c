import { lenses } from '@tests/fixtures/models'
import { ladderSteps, valuesOf } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import { orientations, postures, runStates, type BodyModel, type Setting } from '@/core/model/types'
import { anyLens } from '@/core/model/any-lens'
import {
  boundOf,
  factsOf,
  ready,
  type Comparison,
  type Condition,
  type FactSource,
  type Known,
  type Truth,
} from '@/core/rules/condition'
import type { Rule } from '@/core/rules/rule'
import { attachables } from '@/core/resolve/context'
import { scalesIn } from '@/core/resolve/rule-book'
import type { Value } from '@/core/vocabulary/values'

/** A state of affairs in which a rule acts, and one in which it does not; null where none was found. */
export interface Witnesses {
  readonly rule: Rule
  readonly acts: Facts | null
  readonly rests: Facts | null
}

/** Facts by name. */
export type Facts = Readonly<Record<string, Value>>

/** More combinations than this are not tried. */
const most = 4000

/** Both witnesses of a rule, found by trying the values that its facts can have; a rule that always holds needs none in which it rests. */
export function witnessesOf(model: BodyModel, rule: Rule): Witnesses {
  const facts = factsOf(rule.when)
  const holds = ready(rule.when, scalesIn(lookup(model).settings))
  let acts: Facts | null = null
  let rests: Facts | null = null
  let tried = 0
  for (const known of combinations(model, rule.when, facts)) {
    const truth: Truth = holds(sourceOf(known))
    if (truth === 'yes') acts ??= known
    if (truth === 'no') rests ??= known
    if ((acts && rests) || ++tried > most) break
  }
  return { rule, acts, rests }
}

/** Whether a rule holds whatever is the case. */
export function always(condition: Condition): boolean {
  return 'all' in condition && condition.all.every(always)
}

function sourceOf(known: Facts): FactSource {
  return {
    read: (fact): Known => {
      const value = known[fact]
      return value === undefined ? { known: false } : { known: true, value }
    },
  }
}

/** Every combination of the values that matter to a condition, fact by fact. */
function* combinations(model: BodyModel, condition: Condition, facts: readonly string[]): Generator<Facts> {
  const [fact, ...rest] = facts
  if (fact === undefined) {
    yield {}
    return
  }
  for (const others of combinations(model, condition, rest))
    for (const value of valuesFor(model, condition, fact)) yield { ...others, [fact]: value }
}

function valuesFor(model: BodyModel, condition: Condition, fact: string): readonly Value[] {
  const [kind, name = ''] = fact.split('/')
  const setting = kind === 'setting' ? lookup(model).settings.get(name) : undefined
  const compared = comparisonsIn(condition).filter((one) => one.fact === fact)
  if (setting) return settingValues(setting, compared)
  switch (kind) {
    case 'side':
      return model.sides
    case 'run':
      return runStates
    case 'posture':
      return postures
    case 'orientation':
      return orientations
    case 'position':
      return model.positions.map(({ id }) => id)
    case 'bank':
      return ['plain', ...(model.families.find(({ id }) => id === name)?.slots.map(({ id }) => id) ?? [])]
    case 'firmware':
      return model.firmware.map(({ version }) => version)
    case 'lens':
      return lensValues(name)
    case 'attached':
      return attachables.some((one) => one === name) ? [true, false] : []
    default:
      return [true, false, ...compared.flatMap((one) => ('is' in one ? [one.is] : []))]
  }
}

function lensValues(name: string): readonly Value[] {
  const all = [anyLens, ...lenses].map((lens): Value | undefined => {
    const facts: Readonly<Record<string, Value | undefined>> = {
      contacts: lens.contacts,
      stabiliser: lens.stabiliser,
      ring: lens.ring !== null,
      switch: lens.focusSwitch,
      focal: lens.focalMm[1],
      widest: lens.widest,
    }
    return facts[name]
  })
  return [...new Set(all)].filter((one) => one !== undefined)
}

/** The values by which comparisons turn, and some beside them; of lists those with and without what is asked for. */
function settingValues({ domain }: Setting, compared: readonly Comparison[]): readonly Value[] {
  if (domain.kind === 'subset') {
    const all = domain.values.map(({ id }) => id)
    return [[], all, ...all.map((one) => [one]), ...compared.flatMap((one) => ('is' in one ? [one.is] : []))]
  }
  if (domain.kind === 'number') {
    const { from, to } = domain
    return [
      from,
      Math.round((from + to) / 2),
      to,
      ...compared.flatMap((one) => ('is' in one ? [one.is] : [])),
    ]
  }
  const all =
    domain.kind === 'ladder' ? ladderSteps(domain).map(({ mark }) => mark) : (valuesOf(domain) ?? [])
  if (all.length <= 16 || compared.some((one) => boundOf(one) !== null)) return all
  const named = compared.flatMap((one): readonly Value[] => {
    if ('is' in one) return [one.is]
    if ('in' in one) return one.in
    return []
  })
  const every = Math.ceil(all.length / 12)
  return [...new Set([...named, ...all.filter((_, i) => i % every === 0), all.at(-1)!])]
}

function comparisonsIn(condition: Condition): Comparison[] {
  if ('all' in condition) return condition.all.flatMap(comparisonsIn)
  if ('any' in condition) return condition.any.flatMap(comparisonsIn)
  return 'not' in condition ? comparisonsIn(condition.not) : [condition]
}
