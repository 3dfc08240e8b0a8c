import type { RowId, RowStation } from '../plan/rows'
import { isOfSide } from '../model/sides'
import type { LensModel, BodyModel, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { keptByObject, memoize } from '../memoize'
import { setRows } from '../plan/step'
import type { Step } from '../sync/step'
import type { Value } from '../vocabulary/values'
import type { NamedContext } from '../resolve/context'
import type { Resolution, ResolvedSetting } from '../resolve/resolved'
import type { Cause } from './causes'

/** How bad: it cannot work; it is a problem on the job; it could be tidier. */
export type Severity = 'blocks' | 'problem' | 'tidies'

/** A step that mends a finding, in the words of a button. */
export interface QuickFix {
  readonly label: string
  readonly step: Step
}

/** What a check says: what is wrong, why, and where. */
export interface CheckResult {
  readonly title: string
  /** Plain words with the numbers used. */
  readonly reason: string
  /** Row id it points to. */
  readonly row: RowId
  /** Where it is not as bad as the check has it. */
  readonly severity?: Severity
  /** As bad as this where it holds in every state looked at. */
  readonly everywhere?: Severity
  /** A setting of the menu or id of a rule that says so. */
  readonly rule?: string
  /** Ready steps, any of which mends it. */
  readonly mends?: readonly QuickFix[]
  /** It hangs on a fact nobody knows: the body has to be asked. */
  readonly asks?: boolean
  /** The state in which it was seen; all that were looked at where it is absent. */
  readonly seenIn?: NamedContext
  /** Seconds an outing that it costs, where that is known better than the check has it. */
  readonly cost?: number
}

/** One place of a fact: the check that saw it, the row it points to, and what is said there. */
export interface FoundPlace {
  readonly check: string
  readonly row: RowId
  readonly side: Side
  readonly title: string
}

/** Something the owner should know, with its reason and, where possible, a step that mends it. */
export interface Finding extends Required<Pick<CheckResult, 'title' | 'reason' | 'row' | 'mends' | 'asks'>> {
  readonly check: string
  readonly severity: Severity
  readonly side: Side
  /** Every side it is said of. */
  readonly sides: readonly Side[]
  /** Where it is seen: more than one where one fact shows in several places. */
  readonly places: readonly FoundPlace[]
  /** What it comes from, where the check joins what comes from one and the same. */
  readonly cause: Cause | null
  /** The setting its row is about; null for other rows. */
  readonly about: string | null
  /** The figure that shows how it comes about; null where there is none. */
  readonly number: string | null
  /** Seconds an outing that it costs on the job, roughly: what of the same severity comes first goes by it. */
  readonly cost: number
  /** Contexts in which it holds, such as "Ebb, Tarrow 45"; `of` is how many were looked at. */
  readonly contexts: readonly string[]
  readonly of: number
  /** The one station it is at home in: it is counted and listed there. */
  readonly station: RowStation
  readonly rule: string | null
  /** The owner's reason for the row, where that settles it. */
  readonly silencedBy: string | null
}

/** A mend that sets rows; its step has a name of its own, so that the same mend is the same step. */
export function quickFix(
  plan: Plan,
  label: string,
  check: string,
  rows: Readonly<Record<string, Value | null>>,
): QuickFix {
  return { label, step: setRows(plan, `mend ${check} ${Object.keys(rows).join(' ')}`, rows) }
}

/** One context with what the plan amounts to in it. */
export interface ResolvedContext extends NamedContext {
  readonly resolution: Resolution
}

/** What every check looks at: all contexts of one side, resolved once. */
export interface CheckInput {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  readonly side: Side
  readonly states: readonly ResolvedContext[]
  /** Whether this is the first of the model's sides: what belongs to no side is told there. */
  readonly first: boolean
}

/** A row of the table of checks. */
export interface Check {
  readonly id: string
  readonly title: string
  /** How bad it is at worst. */
  readonly severity: Severity
  /** Seconds an outing that a finding costs on the job, roughly, where it does not say itself; see `usualCost`. */
  readonly cost?: number
  /** It is asked once, of the plan as a whole, in the states of the first side; any other is asked on each side, of that alone. */
  readonly once?: true
  /** Its findings are one with others that come from the same cause. */
  readonly joins?: boolean
  /** What several of its findings are called together, as tidy-ups: "banks are not fully described". */
  readonly many?: string
  /** Checks that say the same better where they speak of the same setting in the same state. */
  readonly coveredBy?: readonly string[]
  /** The station its findings are at home in, where that is not the station of the row they point to. */
  readonly station?: RowStation
  /** Needs it answers; docs/checks.md has the table. */
  readonly needs: readonly string[]
  /** The figure that shows how it comes about; see core/numbers. */
  readonly number?: string
  /** The question whose answer decides whether it is asked: only for these schools, and for owners who have not said. */
  readonly school?: { readonly dispute: string; readonly only: readonly string[] }
  /** Whether the reason given for the row settles it too, and not only one given for this check (`accept/<check>/<row>`). */
  readonly reasonSilences: boolean
  run(input: CheckInput): readonly CheckResult[]
}

/**
 * A check of each setting in each state. What it says is remembered with the resolved setting, which stays the same
 * object for as long as nothing about it changes; what it says of a whole state, with all the settings of that.
 */
export function ofEachSetting(
  look: (resolved: ResolvedSetting, input: CheckInput) => readonly CheckResult[],
): (input: CheckInput) => readonly CheckResult[] {
  const known = keptByObject<ResolvedSetting, readonly CheckResult[]>()
  const knownOf = keptByObject<Resolution['settings'], readonly CheckResult[]>()
  const saidOf = (one: ResolvedContext, input: CheckInput): readonly CheckResult[] =>
    notable(one.resolution.settings).flatMap((resolved) => {
      if (!isOfSide(resolved.setting, input.side)) return []
      let said = known.get(resolved)
      if (!said) {
        said = look(resolved, input).map((each) => ({ ...each, seenIn: one }))
        known.set(resolved, said)
      }
      return said
    })
  return (input) =>
    input.states.flatMap((one) => {
      const { settings } = one.resolution
      let said = knownOf.get(settings)
      if (!said) {
        said = saidOf(one, input)
        knownOf.set(settings, said)
      }
      return said
    })
}

/** The settings of a state of which there is something to say: a remark, a rule's hand in it, more than one value. */
const notable = memoize((settings: Resolution['settings']): readonly ResolvedSetting[] =>
  [...settings.values()].filter(
    (one) => one.remarks.length > 0 || one.possible.length > 1 || one.chain.at(-1)?.layer === 'rule',
  ),
)
