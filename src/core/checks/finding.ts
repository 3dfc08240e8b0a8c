import type { LensModel, BodyModel, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import type { Step } from '../plan/step'
import type { NamedContext } from '../resolve/context'
import type { Resolution } from '../resolve/resolved'

/** How bad: it cannot work; it will trip the owner up; it could be tidier. */
export type Severity = 'blocks' | 'trips' | 'tidies'

/** Something the owner should know, with its reason and, where possible, a step that mends it. */
export interface Finding {
  readonly check: string
  readonly severity: Severity
  readonly title: string
  /** Plain words with the numbers used. */
  readonly reason: string
  /** Row id it points to. */
  readonly row: string
  readonly side: Side
  /** Contexts in which it holds, such as "Ebb, Tarrow 45"; `of` is how many were looked at. */
  readonly contexts: readonly string[]
  readonly of: number
  /** A setting of the menu or id of a rule that says so. */
  readonly rule: string | null
  readonly mend: { readonly label: string; readonly step: Step } | null
}

/** One context with what the plan amounts to in it. */
export interface Situated extends NamedContext {
  readonly resolution: Resolution
}

/** What every check looks at: all contexts of one side, resolved once. */
export interface CheckInput {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  readonly side: Side
  readonly situated: readonly Situated[]
}

/** A row of the table of checks. */
export interface Check {
  readonly id: string
  readonly title: string
  run(input: CheckInput): Finding[]
}

/** Collects the contexts in which the same thing was seen, keeping the first sight's words. */
export function merged(findings: readonly Finding[]): Finding[] {
  const byPlace = new Map<string, Finding>()
  for (const finding of findings) {
    const key = `${finding.check} ${finding.row} ${finding.rule ?? ''}`
    const known = byPlace.get(key)
    const contexts = known ? [...new Set([...known.contexts, ...finding.contexts])] : finding.contexts
    byPlace.set(key, { ...(known ?? finding), contexts })
  }
  return [...byPlace.values()]
}

/** A context's name in words. */
export function contextName(context: NamedContext): string {
  return `${context.bank}, ${context.lens}`
}
