import { acceptRow, noteRow, parseRow, rowValue, stationOf } from '../plan/rows'
import type { BodyModel, LensModel, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { schoolFor } from '../plan/schools'
import { changedBetween, resolveAfter, sidesTouched } from '../resolve/after-change'
import { contextName, contextsOf, slotOf, type NamedContext } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import type { Resolution } from '../resolve/resolved'
import { bankChecks } from './bank-checks'
import { bodyChecks } from './body-checks'
import { cardChecks } from './card-checks'
import { kitChecks } from './kit-checks'
import { causeOf } from './causes'
import type { Check, CheckInput, CheckResult, Finding, ResolvedContext, Severity } from './finding'
import { focusChecks } from './focus-checks'
import { gatherFindings, worstFirst } from './gather'
import { holdChecks } from './hold-set-checks'
import { intentChecks } from './intent-checks'
import { keyChecks } from './key-checks'
import { menuChecks } from './menu-checks'
import { numberChecks } from './number-checks'
import { ownerChecks } from './owner-checks'
import { reachChecks } from './reach-checks'
import { schoolChecks } from './school-checks'
import { valueChecks } from './value-checks'
import { workChecks } from './work-checks'

/** The table of checks; adding one is adding a row with its test and its line in docs/checks.md. */
export const checks: readonly Check[] = [
  ...keyChecks,
  ...intentChecks,
  ...focusChecks,
  ...valueChecks,
  ...numberChecks,
  ...cardChecks,
  ...kitChecks,
  ...bankChecks,
  ...holdChecks,
  ...menuChecks,
  ...reachChecks,
  ...schoolChecks,
  ...workChecks,
  ...ownerChecks,
  ...bodyChecks,
]

/** Every finding that no reason settles, of every check on both sides, worst first. */
export function runChecks(model: BodyModel, plan: Plan, lenses: readonly LensModel[]): Finding[] {
  return stillOpen(checkPlan(model, plan, lenses).findings)
}

/** The findings that no reason settles. */
export function stillOpen(findings: readonly Finding[]): Finding[] {
  return findings.filter((finding) => finding.silencedBy === null)
}

/** What the owner should know, a fact a finding: every open finding, those of one fact as one, worst first. */
export function adviceOn(model: BodyModel, plan: Plan, lenses: readonly LensModel[]): Finding[] {
  return gathered(checkPlan(model, plan, lenses).findings)
}

/** Open findings, those of one fact as one, worst first. */
export function gathered(findings: readonly Finding[]): Finding[] {
  return gatherFindings(checks, stillOpen(findings))
}

/** Every finding, those that a reason of the owner's settles included. Linear in contexts × (settings + addresses). */
export function allFindings(model: BodyModel, plan: Plan, lenses: readonly LensModel[]): readonly Finding[] {
  return checkPlan(model, plan, lenses).findings
}

/** A plan looked at: what it amounts to in every state, and what is wrong with it. */
export interface CheckedPlan {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  /** By the key of the state. */
  readonly states: ReadonlyMap<string, Resolution>
  /** What each check found on each side. */
  readonly sides: ReadonlyMap<Side, FoundByCheck>
  readonly findings: readonly Finding[]
}

type FoundByCheck = ReadonlyMap<Check, readonly Finding[]>

/** Looks at a plan in every state its owner will stand in. */
export function checkPlan(model: BodyModel, plan: Plan, lenses: readonly LensModel[]): CheckedPlan {
  return checked(model, plan, lenses, ({ context }) => resolve(model, plan, context))
}

/**
 * Looks again after a step, taking over what it did not touch: the same as `checkPlan` says, in a fraction of the time. Of a
 * side to which no changed row belongs, only the checks are asked that look at the plan as a whole.
 */
export function checkAfter(before: CheckedPlan, plan: Plan): CheckedPlan {
  if (before.plan === plan) return before
  const { model, lenses, states } = before
  const changed = changedBetween(model, before.plan, plan)
  const touched = sidesTouched(model, changed)
  const resolved = ({ context, key }: NamedContext) => {
    const was = states.get(key)
    return was ? resolveAfter(model, plan, context, was, changed) : resolve(model, plan, context)
  }
  return checked(model, plan, lenses, resolved, (side, situated) => {
    const rests = touched?.has(side) === false
    return rests && situated.every((one) => states.get(one.key) === one.resolution)
      ? before.sides.get(side)
      : undefined
  })
}

function checked(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  resolved: (one: NamedContext) => Resolution,
  /** What is known already of a side in its states. */
  known: (side: Side, situated: readonly ResolvedContext[]) => FoundByCheck | undefined = () => undefined,
): CheckedPlan {
  const states = new Map<string, Resolution>()
  const sides = new Map<Side, FoundByCheck>()
  for (const [i, side] of model.sides.entries()) {
    const situated = contextsOf(model, plan, lenses, side).map((one) => {
      const resolution = resolved(one)
      states.set(one.key, resolution)
      return { ...one, resolution }
    })
    const input: CheckInput = { model, plan, lenses, side, states: situated, first: i === 0 }
    const names = namesOf(situated)
    const before = known(side, situated)
    sides.set(
      side,
      new Map(
        checks
          .filter((check) => input.first || !check.once)
          .filter((check) => isAsked(check, input) || situated.some((one) => isAsked(check, input, one)))
          .map((check) => [
            check,
            (check.once ? undefined : before?.get(check)) ?? findingsOf(check, input, names, states),
          ]),
      ),
    )
  }
  return {
    model,
    plan,
    lenses,
    states,
    sides,
    findings: worstFirst([...sides.values()].flatMap((found) => [...found.values()].flat())),
  }
}

/** What a finding costs on the job in seconds an outing, where neither it nor its check says. */
const usualCost: Record<Severity, number> = { blocks: 3600, problem: 120, tidies: 10 }

/** Not where the owner belongs to another school: on the side, or in the bank of a state that has an answer of its own. */
function isAsked({ school }: Check, { plan, side }: CheckInput, one?: NamedContext): boolean {
  const chosen = school && schoolFor(plan, school.dispute, side, one ? slotOf(one.context) : null)
  return !chosen || school.only.includes(chosen)
}

/** What a check says, gathered: one finding for each row and rule, with every context in which it was seen. */
function findingsOf(
  check: Check,
  input: CheckInput,
  names: Names,
  states: ReadonlyMap<string, Resolution>,
): Finding[] {
  const rows = new Map<string, Group[]>()
  for (const said of check.run(input)) {
    if (!isAsked(check, input, said.seenIn)) continue
    let groups = rows.get(said.row)
    if (!groups) {
      groups = []
      rows.set(said.row, groups)
    }
    let group = groups.find((one) => one.said.rule === said.rule)
    if (!group) {
      group = { said, asks: false, contexts: new Set() }
      groups.push(group)
    }
    if (said.asks) group.asks = true
    if (said.seenIn) group.contexts.add(names.byKey.get(said.seenIn.key) ?? '')
    else for (const name of names.all) group.contexts.add(name)
  }
  return [...rows.values()].flat().map((group) => findingOf(check, input, group, names.all.size, states))
}

/** The names of the states looked at. */
interface Names {
  readonly byKey: ReadonlyMap<string, string>
  readonly all: ReadonlySet<string>
}

function namesOf(states: readonly NamedContext[]): Names {
  const byKey = new Map(states.map((one) => [one.key, contextName(one)]))
  return { byKey, all: new Set(byKey.values()) }
}

/** Everything a check says of one row and rule: the first words for it, and where it was seen. */
interface Group {
  readonly said: CheckResult
  asks: boolean
  readonly contexts: Set<string>
}

function findingOf(
  check: Check,
  { model, plan, side }: CheckInput,
  { said, asks, contexts }: Group,
  of: number,
  states: ReadonlyMap<string, Resolution>,
): Finding {
  const severity = (contexts.size === of ? said.everywhere : undefined) ?? said.severity ?? check.severity
  const accepted = rowValue(plan.rows, acceptRow(check.id, said.row))
  const reason = check.reasonSilences ? rowValue(plan.rows, noteRow('why', said.row)) : null
  const parsed = parseRow(model, said.row)
  const seen = said.seenIn && states.get(said.seenIn.key)
  const cause = check.joins && seen && said.rule !== undefined ? causeOf(model, seen, said.rule) : null
  return {
    check: check.id,
    severity,
    title: said.title,
    reason: said.reason,
    row: said.row,
    side,
    sides: [side],
    places: [{ check: check.id, row: said.row, side, title: said.title }],
    cause,
    about: parsed.ok && 'setting' in parsed.value ? parsed.value.setting.id : null,
    number: check.number ?? null,
    cost: said.cost ?? check.cost ?? usualCost[severity],
    contexts: [...contexts],
    of,
    station: check.station ?? stationOf(model, said.row),
    rule: said.rule ?? null,
    mends: (said.mends ?? []).filter((mend) => mend.step.changes.length > 0),
    asks,
    silencedBy: (accepted ?? reason) as string | null,
  }
}
