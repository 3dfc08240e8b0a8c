import { deltaBetween, type Delta } from '../delta'
import type { BodyModel, LensModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { Analysis } from './analysis'
import { nameOf, type Question, type RowChange } from './questions'

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
    forget(question) {
      sent.delete(nameOf(question))
    },
  }
}
