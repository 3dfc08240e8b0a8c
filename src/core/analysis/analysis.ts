import { checkAfter, checkPlan, stillOpen, type CheckedPlan } from '../checks/checks'
import { sharing } from '../delta'
import { memoize } from '../memoize'
import type { BodyModel, LensModel, Posture } from '../model/types'
import type { Plan } from '../plan/plan'
import type { Rows } from '../plan/rows'
import { reachAfter, reachOf } from '../reach/reach'
import type { ReachReport } from '../reach/report'
import { changedBetween, resolveAfter } from '../resolve/after-change'
import type { Context } from '../resolve/context'
import { resolve, workOf } from '../resolve/resolve'
import type { Resolution, StateIn } from '../resolve/resolved'
import { answering, type Subject } from './answers'
import {
  nameOf,
  type Answers,
  type Question,
  type QuestionKind,
  type QuestionOf,
  type RowChange,
} from './questions'

/** So many answers, and so many states of the camera, are kept; the ones asked for longest ago go first. */
const mostKept = 64

/**
 * What a plan amounts to, for as long as it is worked on: the one place that answers questions about it. After a change
 * of the plan only what the changed rows touch is reckoned anew; an answer that comes out the same is the same object.
 * Nothing is reckoned before it is asked for.
 */
export class Analysis implements Subject {
  private checks: CheckedPlan | null = null
  private readonly reaches = new Map<Posture, ReachReport>()
  private readonly states = new Map<string, KnownState>()
  private readonly answers = new Map<string, Kept>()

  constructor(
    readonly model: BodyModel,
    readonly lenses: readonly LensModel[],
    private now: Plan,
  ) {}

  /** The plan as it stands. */
  get plan(): Plan {
    return this.now
  }

  /** Goes on to the plan as it stands now; a plan with the same rows changes nothing. */
  update(plan: Plan): void {
    const { what } = changedBetween(this.model, this.now, plan)
    if (what.size === 0) return
    this.now = plan
    for (const kept of this.answers.values())
      if (answering[kept.kind].hangsOn.some((one) => what.has(one))) kept.current = false
  }

  /** The plan with some rows changed, as `update` takes it. */
  withRows(changes: readonly RowChange[]): Plan {
    if (changes.length === 0) return this.now
    const rows: Record<string, Rows[keyof Rows]> = { ...this.now.rows }
    for (const [row, value] of changes)
      if (value === null) delete rows[row]
      else rows[row] = value
    return { ...this.now, rows }
  }

  /** Answers a question; the same object as before where the answer is the same. */
  ask<K extends QuestionKind>(question: QuestionOf<K>): Answers[K] {
    const name = nameOf(question)
    const kept = this.answers.get(name)
    if (kept?.current) return kept.answer as Answers[K]
    const answer = answering[question.kind].answer(this, question)
    // What did not change in it stays the same object, too: who compares the two again finds the difference at once.
    const next = kept ? (sharing(kept.answer, answer) as Answers[K]) : answer
    keep(this.answers, name, { kind: question.kind, current: true, answer: next })
    return next
  }

  /** What the checks find. */
  checked(): CheckedPlan {
    this.checks = this.checks
      ? checkAfter(this.checks, this.now)
      : checkPlan(this.model, this.now, this.lenses)
    return this.checks
  }

  /** What the needs cost in a posture. */
  reach(posture: Posture): ReachReport {
    const before = this.reaches.get(posture)
    const report = before ? reachAfter(before, this.now) : reachOf(this.model, this.now, this.lenses, posture)
    this.reaches.set(posture, report)
    return report
  }

  /** What the plan amounts to in a context. */
  stateIn: StateIn = (context) => {
    const name = contextName(context)
    const known = this.states.get(name)
    const resolution =
      known?.plan === this.now
        ? known.resolution
        : (this.stateChecked(name) ?? this.stateAnew(context, known))
    keep(this.states, name, { plan: this.now, resolution })
    return resolution
  }

  /** The state as the checks looked at it, where they have, and nothing changed since. */
  private stateChecked(name: string): Resolution | undefined {
    return this.checks?.plan === this.now ? statesByName(this.checks).get(name) : undefined
  }

  private stateAnew(context: Context, known: KnownState | undefined): Resolution {
    const { model, now } = this
    if (!known) return resolve(model, now, context)
    return resolveAfter(model, now, context, known.resolution, changedBetween(model, known.plan, now))
  }

  /** Answers questions as they would be answered after a change of rows, and keeps nothing of it: what is known here stays as it is. */
  foresee(changes: readonly RowChange[], questions: readonly Question[]): Answers[QuestionKind][] {
    const then = new Analysis(this.model, this.lenses, this.now)
    then.checks = this.checks
    for (const [posture, report] of this.reaches) then.reaches.set(posture, report)
    for (const [name, state] of this.states) then.states.set(name, state)
    for (const [name, kept] of this.answers) then.answers.set(name, { ...kept })
    then.update(then.withRows(changes))
    return questions.map((question) => then.ask(question))
  }

  /** Findings and reach as they would be with some rows changed; nothing of it is kept. */
  trial(rows: readonly RowChange[], posture: Posture): Answers['trial'] {
    const plan = this.withRows(rows)
    return {
      reach: reachAfter(this.reach(posture), plan),
      findings: stillOpen(checkAfter(this.checked(), plan).findings),
    }
  }
}

/** What a plan amounts to in some context. */
interface KnownState {
  readonly plan: Plan
  readonly resolution: Resolution
}

/** The states that the checks looked at, by the names of their contexts. */
const statesByName = memoize(({ states }: CheckedPlan) => {
  const byName = new Map<string, Resolution>()
  for (const resolution of states.values()) {
    const context = workOf(resolution)?.context
    if (context) byName.set(contextName(context), resolution)
  }
  return byName
})

interface Kept {
  readonly kind: QuestionKind
  current: boolean
  readonly answer: Answers[QuestionKind]
}

function keep<V>(into: Map<string, V>, name: string, value: V): void {
  into.delete(name)
  into.set(name, value)
  const [oldest] = into.keys()
  if (into.size > mostKept && oldest !== undefined) into.delete(oldest)
}

/** A context's name: everything it says, a lens by its id. */
function contextName({ lens, ...rest }: Context): string {
  return JSON.stringify([lens.id, rest])
}
