import type { BodyModel, LensModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { contextsOf } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { rowValue } from '../plan/step'
import { bankChecks } from './banks'
import { bodyChecks } from './bodies'
import { contextName, type Check, type CheckInput, type Finding, type Said, type Severity } from './finding'
import { focusChecks } from './focus'
import { holdChecks } from './holds'
import { intentChecks } from './intents'
import { keyChecks } from './keys'
import { menuChecks } from './menus'
import { numberChecks } from './numbers'
import { schoolChecks } from './schools'
import { valueChecks } from './values'

/** The table of checks; adding one is adding a row with its test and its line in docs/checks.md. */
export const checks: readonly Check[] = [
  ...keyChecks,
  ...intentChecks,
  ...focusChecks,
  ...valueChecks,
  ...numberChecks,
  ...bankChecks,
  ...holdChecks,
  ...menuChecks,
  ...schoolChecks,
  ...bodyChecks,
]

/** Every finding that no reason settles, of every check on both sides, worst first. */
export function runChecks(model: BodyModel, plan: Plan, lenses: readonly LensModel[]): Finding[] {
  return allFindings(model, plan, lenses).filter((finding) => finding.silencedBy === null)
}

/** Every finding, those that a reason of the owner's settles included. Linear in contexts × (settings + addresses). */
export function allFindings(model: BodyModel, plan: Plan, lenses: readonly LensModel[]): Finding[] {
  const findings = model.sides.flatMap((side, i) => {
    const situated = contextsOf(model, plan, lenses, side).map((one) => ({
      ...one,
      resolution: resolve(model, plan, one.context),
    }))
    const input: CheckInput = { model, plan, lenses, side, situated, first: i === 0 }
    return checks.filter((check) => isAsked(check, plan)).flatMap((check) => findingsOf(check, input))
  })
  return findings.sort((a, b) => order[a.severity] - order[b.severity])
}

const order: Record<Severity, number> = { blocks: 0, trips: 1, tidies: 2 }

/** Not where the owner belongs to another school. */
function isAsked({ school }: Check, plan: Plan): boolean {
  const chosen = school && rowValue(plan.rows, `school/${school.dispute}`)
  return !chosen || school.only.includes(chosen as string)
}

/** What a check says, gathered: one finding for each row and rule, with every context in which it was seen. */
function findingsOf(check: Check, input: CheckInput): Finding[] {
  const groups = new Map<string, Said[]>()
  for (const said of check.run(input)) {
    const key = `${said.row} ${said.rule ?? ''}`
    const group = groups.get(key)
    if (group) group.push(said)
    else groups.set(key, [said])
  }
  return [...groups.values()].flatMap((group) => gathered(check, input, group))
}

function gathered(check: Check, { plan, side, situated }: CheckInput, group: readonly Said[]): Finding[] {
  const [said] = group
  if (!said) return []
  const seen = group.flatMap((one) => one.seenIn ?? situated)
  const contexts = [...new Set(seen.map(contextName))]
  const of = new Set(situated.map(contextName)).size
  const severity = (contexts.length === of ? said.everywhere : undefined) ?? said.severity ?? check.severity
  const accepted = rowValue(plan.rows, `accept/${check.id}/${said.row}`)
  const reason = check.reasonSilences ? rowValue(plan.rows, `why/${said.row}`) : null
  return [
    {
      check: check.id,
      severity,
      title: said.title,
      reason: said.reason,
      row: said.row,
      side,
      contexts,
      of,
      rule: said.rule ?? null,
      mends: (said.mends ?? []).filter((mend) => mend.step.changes.length > 0),
      asks: group.some((one) => one.asks),
      silencedBy: (accepted ?? reason) as string | null,
    },
  ]
}
