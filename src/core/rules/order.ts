import { ok, refuse, type Result } from '../result'
import { sameValue, type Value } from '../vocabulary/values'
import { factsOf, refsIn, type Condition } from './condition'
import { replaces, type ReplacingRule, type Rule } from './rule'

/**
 * The rules that change values, in an order in which each runs after all that can change what it reads (Kahn's
 * algorithm, file order inside a stratum; a rule runs after those it is `over`). Refuses a circle, and two rules
 * that force one setting to different values when neither is declared `over` the other.
 */
export function orderReplacing(rules: readonly Rule[]): Result<readonly ReplacingRule[]> {
  const replacing = rules.filter(replaces)
  const clash = clashIn(replacing)
  if (clash !== null) return refuse('clash', clash, 'rules')
  const reads = new Map(replacing.map((rule) => [rule.id, new Set(settingsRead(rule))]))
  const waiting = [...replacing]
  const done: ReplacingRule[] = []
  while (waiting.length > 0) {
    const next = waiting.findIndex(
      (rule) => !waiting.some((other) => other !== rule && mustPrecede(other, rule, reads)),
    )
    const rule = waiting[next]
    if (rule === undefined) {
      return refuse(
        'cycle',
        `These rules change each other in a circle: ${waiting.map((r) => r.id).join(', ')}.`,
        'rules',
      )
    }
    if (reads.get(rule.id)?.has(rule.then.setting)) {
      return refuse('cycle', `The rule ${rule.id} reads the setting it changes.`, 'rules')
    }
    done.push(rule)
    waiting.splice(next, 1)
  }
  return ok(done)
}

function mustPrecede(
  other: ReplacingRule,
  rule: ReplacingRule,
  reads: ReadonlyMap<string, ReadonlySet<string>>,
): boolean {
  const feeds = reads.get(rule.id)?.has(other.then.setting) ?? false
  return feeds || (rule.then.setting === other.then.setting && rule.over.includes(other.id))
}

/** True where both conditions ask the same fact for values they do not share, so that they never hold at once. */
function exclude(one: Condition, two: Condition): boolean {
  const others = wanted(two)
  return wanted(one).some(({ fact, values }) =>
    others.some(
      (other) =>
        other.fact === fact && !values.some((value) => other.values.some((v) => sameValue(v, value))),
    ),
  )
}

/** What has to be so for a condition to hold, as far as it can be read off its parts. */
function wanted(condition: Condition): { fact: string; values: readonly Value[] }[] {
  if ('all' in condition) return condition.all.flatMap(wanted)
  if ('not' in condition || 'any' in condition || condition.field !== undefined) return []
  if ('is' in condition) return [{ fact: condition.fact, values: [condition.is] }]
  return 'in' in condition ? [{ fact: condition.fact, values: condition.in }] : []
}

function settingsRead(rule: Rule): string[] {
  const bounds = rule.then.kind === 'bounded' ? [rule.then.atMost, rule.then.atLeast] : []
  const reckoned = bounds.flatMap((bound) => refsIn(bound ?? null)).map(({ fact }) => fact)
  return [...factsOf(rule.when), ...reckoned].flatMap((fact) =>
    fact.startsWith('setting/') ? [fact.slice('setting/'.length)] : [],
  )
}

function clashIn(rules: readonly ReplacingRule[]): string | null {
  for (const [i, one] of rules.entries()) {
    for (const two of rules.slice(i + 1)) {
      if (one.then.kind !== 'forced' || two.then.kind !== 'forced' || one.then.setting !== two.then.setting)
        continue
      const same = sameValue(one.then.to, two.then.to)
      const declared = one.over.includes(two.id) || two.over.includes(one.id)
      if (!same && !declared && !exclude(one.when, two.when)) {
        return `The rules ${one.id} and ${two.id} both force ${one.then.setting}, and neither is over the other.`
      }
    }
  }
  return null
}
