import { ok, refuse, type Result } from '../result'
import type { Rule } from '../model/types'
import { factsOf } from './condition'

/** A rule that puts another value in place of the owner's. */
export type ForcedRule = Rule & { readonly then: Extract<Rule['then'], { kind: 'forced' }> }

/**
 * The forced rules in an order in which every rule runs after all that can change what it reads (Kahn's
 * algorithm, file order inside a stratum). Refuses a cycle, and two rules that force one setting to different
 * values when neither is declared `over` the other.
 */
export function orderForcedRules(rules: readonly Rule[]): Result<readonly ForcedRule[]> {
  const forced = rules.filter((rule): rule is ForcedRule => rule.then.kind === 'forced')
  const clash = clashIn(forced)
  if (clash !== null) return refuse('clash', clash, 'rules')
  const reads = new Map(forced.map((rule) => [rule.id, new Set(settingsRead(rule))]))
  const waiting = [...forced]
  const done: ForcedRule[] = []
  while (waiting.length > 0) {
    const next = waiting.findIndex(
      (rule) => !waiting.some((other) => other !== rule && mustPrecede(other, rule, reads)),
    )
    const rule = waiting[next]
    if (rule === undefined) {
      return refuse(
        'cycle',
        `These rules force each other in a circle: ${waiting.map((r) => r.id).join(', ')}.`,
        'rules',
      )
    }
    if (reads.get(rule.id)?.has(rule.then.setting)) {
      return refuse('cycle', `The rule ${rule.id} reads the setting it forces.`, 'rules')
    }
    done.push(rule)
    waiting.splice(next, 1)
  }
  return ok(done)
}

function mustPrecede(
  other: ForcedRule,
  rule: ForcedRule,
  reads: ReadonlyMap<string, ReadonlySet<string>>,
): boolean {
  const feeds = reads.get(rule.id)?.has(other.then.setting) ?? false
  return feeds || (rule.then.setting === other.then.setting && rule.over.includes(other.id))
}

function settingsRead(rule: Rule): string[] {
  return factsOf(rule.when).flatMap((fact) =>
    fact.startsWith('setting/') ? [fact.slice('setting/'.length)] : [],
  )
}

function clashIn(forced: readonly ForcedRule[]): string | null {
  for (const [i, one] of forced.entries()) {
    for (const two of forced.slice(i + 1)) {
      const same =
        one.then.setting === two.then.setting && JSON.stringify(one.then.to) !== JSON.stringify(two.then.to)
      if (same && !one.over.includes(two.id) && !two.over.includes(one.id)) {
        return `The rules ${one.id} and ${two.id} both force ${one.then.setting}, and neither is over the other.`
      }
    }
  }
  return null
}
