import type { BodyModel, LensModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { Analysis } from './analysis'
import { nameOf, type Answers, type Question, type QuestionKind, type RowChange } from './questions'

/** An answer on its way, and the milliseconds it took; `same` where it is what was sent last for the question. */
export type Sent =
  | { readonly same: true; readonly milliseconds: number }
  | { readonly same: false; readonly milliseconds: number; readonly answer: Answers[QuestionKind] }

/** An analysis behind a boundary that only data crosses: a worker's, or, in tests, none. */
export interface AnalysisPort {
  /** Begins with a model, its lenses and a plan: sent once. */
  begin(model: BodyModel, lenses: readonly LensModel[], plan: Plan): void
  /** Goes on to the plan with these rows changed. */
  update(changes: readonly RowChange[]): void
  /** Answers a question; an answer that did not change is not sent again. */
  ask(question: Question): Sent
  /** What was sent for a question is there no longer: the next answer is sent whole. */
  forget(question: Question): void
}

/** An analysis that remembers what it has sent. */
export function analysisPort(): AnalysisPort {
  let analysis: Analysis | null = null
  const sent = new Map<string, unknown>()
  return {
    begin(model, lenses, plan) {
      analysis = new Analysis(model, lenses, plan)
      sent.clear()
    },
    update(changes) {
      analysis?.update(analysis.withRows(changes))
    },
    ask(question) {
      if (!analysis) throw new Error('begin comes first')
      const begun = performance.now()
      const name = nameOf(question)
      const answer = analysis.ask(question)
      const milliseconds = performance.now() - begun
      if (sent.get(name) === answer) return { same: true, milliseconds }
      sent.set(name, answer)
      return { same: false, milliseconds, answer }
    },
    forget(question) {
      sent.delete(nameOf(question))
    },
  }
}
