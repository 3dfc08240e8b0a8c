import type { Side } from '../model/types'
import type { Check, Finding, QuickFix, Severity } from './finding'

/** Worst first; of the same severity what costs most on the job; then as the checks stand. */
export function worstFirst(findings: readonly Finding[]): Finding[] {
  return [...findings].sort((a, b) => order[a.severity] - order[b.severity] || b.cost - a.cost)
}

const order: Record<Severity, number> = { blocks: 0, problem: 1, tidies: 2 }

/**
 * One finding for each fact, with all its places: what does nothing for one and the same cause, what one check has to say
 * of several places, and what is said of both sides come together. What another check says better is left to that one.
 */
export function gatherFindings(checks: readonly Check[], findings: readonly Finding[]): Finding[] {
  const table = new Map(checks.map((check) => [check.id, check]))
  const told = findings.filter((one) => !isCovered(table.get(one.check), one, findings))
  const groups = new Map<string, Finding[]>()
  told.forEach((one, i) => {
    const key = factOf(table.get(one.check), one) ?? `${i}`
    groups.set(key, [...(groups.get(key) ?? []), one])
  })
  return worstFirst([...groups.values()].map((group) => joined(table, worstFirst(group))))
}

/** Whether a check that says the same thing better speaks of the same setting in the same state. */
function isCovered(check: Check | undefined, one: Finding, all: readonly Finding[]): boolean {
  const by = check?.coveredBy ?? []
  return (
    by.length > 0 &&
    all.some(
      (other) =>
        by.includes(other.check) &&
        other.side === one.side &&
        other.about !== null &&
        other.about === one.about &&
        one.contexts.every((context) => other.contexts.includes(context)),
    )
  )
}

/** The name of the fact a finding tells; null where it stands alone. */
function factOf(check: Check | undefined, one: Finding): string | null {
  const silenced = one.silencedBy === null ? 'open' : 'silenced'
  if (check?.joins && one.cause) {
    const where = one.cause.key === 'lens' ? [...new Set(one.contexts.map(lensIn))].sort().join() : ''
    return `cause ${one.cause.key} ${where} ${silenced}`
  }
  if (check?.many !== undefined && one.severity === 'tidies') return `many ${one.check} ${silenced}`
  return `same ${one.check} ${one.row} ${one.title} ${one.rule ?? ''} ${silenced}`
}

/** The lens of a context's name: what stands behind its last comma. */
function lensIn(context: string): string {
  return context.split(', ').at(-1) ?? context
}

function joined(table: ReadonlyMap<string, Check>, group: readonly Finding[]): Finding {
  const [first, ...others] = group
  if (!first) throw new Error('a group has a finding')
  if (others.length === 0) return first
  const places = group.flatMap((one) => one.places)
  const sides = [...new Set(group.flatMap((one) => one.sides))]
  const named = ({ side, contexts }: Finding) =>
    sides.length > 1 ? contexts.map((context) => `${side}: ${context}`) : contexts
  const contexts = [...new Set(group.flatMap(named))]
  const states = (side: Side) => Math.max(...group.map((one) => (one.side === side ? one.of : 0)))
  const reasons = [...new Set(group.map(({ reason }) => reason))]
  const many = table.get(first.check)?.many
  const isCause = first.cause !== null && table.get(first.check)?.joins === true
  const distinct = new Set(places.map(({ title }) => title))
  const title =
    distinct.size === 1
      ? first.title
      : isCause
        ? `${headOf(first)}: ${places.length} things do nothing`
        : `${places.length} ${many ?? 'places'}`
  return {
    ...first,
    title,
    reason: reasons.slice(0, mostReasons).join(' '),
    contexts,
    of: sides.reduce((sum, side) => sum + states(side), 0),
    sides,
    mends: mendsOf(group),
    asks: group.every(({ asks }) => asks),
    cost: group.reduce((sum, { cost }) => sum + cost, 0),
    places,
  }
}

/** More sentences than this make no reason clearer. */
const mostReasons = 3

/** More ways out than this are no help. */
const mostMends = 3

/** The ways out of all, each once; the same words for different steps get the side behind them. */
function mendsOf(group: readonly Finding[]): QuickFix[] {
  const known = new Map<string, QuickFix & { side: Side }>()
  for (const { mends, side } of group) {
    for (const mend of mends) {
      const key = JSON.stringify(mend.step.changes.map(({ row, to }) => [row, to]))
      if (!known.has(key)) known.set(key, { ...mend, side })
    }
  }
  const ways = [...known.values()].slice(0, mostMends)
  return ways.map(({ side, label, step }) => {
    const isAlone = ways.filter((one) => one.label === label).length === 1
    return { label: isAlone ? label : `${label} (${side})`, step }
  })
}

function headOf({ cause, contexts }: Finding): string {
  if (cause?.key !== 'lens') return cause?.words ?? ''
  return `With ${[...new Set(contexts.map(lensIn))].join(' and ')}`
}
