import { ladderSteps, valuesOf } from '../model/domain'
import { lookup } from '../model/lookup'
import { orientations, postures, runStates, type BodyModel, type Setting } from '../model/types'
import {
  boundOf,
  factsOf,
  ready,
  type Comparison,
  type Condition,
  type FactSource,
  type Known,
  type Truth,
} from '../rules/condition'
import type { Rule } from '../rules/rule'
import { attachables } from './context'
import { scalesIn } from './rule-book'
import { ladders } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'

/** A state of affairs in which a rule acts, and one in which it does not; null where none was found. */
export interface Witnesses {
  readonly rule: Rule
  readonly acts: Facts | null
  readonly rests: Facts | null
  /** How many combinations of its facts were tried. */
  readonly tried: number
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
    tried += 1
    if ((acts && rests) || tried >= most) break
  }
  return { rule, acts, rests, tried }
}

/** Whether a rule acts where these facts are known, and no others. */
export function actsWith(model: BodyModel, { when }: Rule, known: Facts): Truth {
  return ready(when, scalesIn(lookup(model).settings))(sourceOf(known))
}

/** What a rule of a model lacks: a case in which it acts, or one in which it does not. */
export interface Missing {
  readonly rule: string
  readonly lacks: 'acts' | 'rests'
  /** In words, with how many combinations were tried. */
  readonly words: string
}

/** The rules of a model that no combination of their facts makes act, or leaves at rest: there to no purpose, or said wrongly. */
export function missingWitnesses(model: BodyModel): Missing[] {
  return model.rules.flatMap((rule): Missing[] => {
    const { acts, rests, tried } = witnessesOf(model, rule)
    const said = (lacks: Missing['lacks'], words: string): Missing[] => [
      {
        rule: rule.id,
        lacks,
        words: `Rule ${rule.id} ${words} in any of ${tried} combinations of its facts.`,
      },
    ]
    if (!acts) return said('acts', 'does not act')
    return rests || always(rule.when) ? [] : said('rests', 'does not rest')
  })
}

/** Whether a rule holds whatever is the case. */
function always(condition: Condition): boolean {
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
      return lensValues(name, compared)
    case 'attached':
      return attachables.some((one) => one === name) ? [true, false] : []
    default:
      return [true, false, ...compared.flatMap((one) => ('is' in one ? [one.is] : []))]
  }
}

/** What a fact of a lens can be: a mark of an aperture, millimetres around those asked for, or yes and no. */
function lensValues(name: string, compared: readonly Comparison[]): readonly Value[] {
  if (name === 'widest' || name === 'narrowest') return ladders.aperture.map(({ mark }) => mark)
  if (name !== 'focal') return [true, false, ...compared.flatMap((one) => ('is' in one ? [one.is] : []))]
  const millimetres = compared
    .map((one) => ('above' in one ? one.above : 'below' in one ? one.below : 'is' in one ? one.is : null))
    .filter((one) => typeof one === 'number')
  return [50, ...millimetres.flatMap((one) => [one - 1, one, one + 1])]
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
