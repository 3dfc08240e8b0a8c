import { deltaBetween, type Delta } from '../delta'
import type { BodyModel, LensModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { Analysis } from './analysis'
import { nameOf, type Question, type RowChange } from './questions'
import { rehearsals } from './rehearsal'

/** An answer on its way: what changes in the one sent last for the question, or null; and the milliseconds it took. */
export interface Sent {
  readonly delta: Delta | null
  readonly milliseconds: number
}

/** An analysis behind a boundary that only data crosses: a worker's, or, in tests, none. */
export interface AnalysisPort {
  /** Begins with a model, its lenses and a plan: sent once. */
  begin(model: BodyModel, lenses: readonly LensModel[], plan: Plan): void
  /** Goes on to the plan with these rows changed, and answers questions about it; what did not change in an answer is not sent again. */
  ask(changes: readonly RowChange[], questions: readonly Question[]): Sent[]
  /**
   * Takes the next of the steps by which it gets into its stride (`rehearsal.ts`), answers these questions as if it were taken,
   * and keeps nothing of it. False where there was none left.
   */
  rehearse(questions: readonly Question[]): boolean
  /** What was sent for a question is there no longer: the next answer is sent whole. */
  forget(question: Question): void
}

/** An analysis that remembers what it has sent. */
export function analysisPort(): AnalysisPort {
  let analysis: Analysis | null = null
  const sent = new Map<string, unknown>()
  let steps: RowChange[] | null = null
  return {
    begin(model, lenses, plan) {
      analysis = new Analysis(model, lenses, plan)
      sent.clear()
      steps = null
    },
    ask(changes, questions) {
      const about = analysis
      if (!about) throw new Error('begin comes first')
      about.update(about.withRows(changes))
      return questions.map((question) => {
        const begun = performance.now()
        const name = nameOf(question)
        const answer = about.ask(question)
        const delta = sent.has(name) ? deltaBetween(sent.get(name), answer) : { whole: answer }
        sent.set(name, answer)
        return { delta, milliseconds: performance.now() - begun }
      })
    },
    rehearse(questions) {
      if (!analysis) return false
      steps ??= rehearsals(analysis.model, analysis.plan)
      const step = steps.shift()
      if (!step) return false
      for (const [i, answer] of analysis.foresee([step], questions).entries()) {
        const before = questions[i] && sent.get(nameOf(questions[i]))
        if (before !== undefined) deltaBetween(before, answer)
      }
      return true
    },
    forget(question) {
      sent.delete(nameOf(question))
    },
  }
}
