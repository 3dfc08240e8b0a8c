import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { applyStep } from '../plan/step'
import { reachAfter } from '../reach/reach'
import type { ReachReport } from '../reach/report'
import { must } from '../result'
import { stepFor, type Change } from './change'

/** A need that a change makes quicker: how often it comes, and seconds each time before and after. */
export interface Helped {
  readonly situation: string
  readonly what: string
  readonly times: number
  readonly before: number
  readonly after: number
}

/** What each change of a list does, those before it being made: the needs it helps most, at most `most` of them. */
export function explain(
  model: BodyModel,
  plan: Plan,
  reach: ReachReport,
  changes: readonly Change[],
  most: number,
): Helped[][] {
  let report = reach
  return changes.map((_, i) => {
    const next = must(applyStep(model, plan, stepFor(model, plan, changes.slice(0, i + 1), `explain ${i}`)))
    const before = report
    report = reachAfter(before, next)
    return helpedBetween(before, report).slice(0, most)
  })
}

function helpedBetween(before: ReachReport, after: ReachReport): Helped[] {
  const saved = ({ times, before: was, after: now }: Helped) => times * (was - now)
  return after.reached
    .map(({ need, perOuting }, i): Helped => {
      const times = need.perOuting
      const each = (seconds: number) => (times === 0 ? 0 : seconds / times)
      const was = before.reached[i]?.perOuting ?? 0
      return { situation: need.situation, what: need.what, times, before: each(was), after: each(perOuting) }
    })
    .filter((one) => saved(one) > 0.05)
    .sort((a, b) => saved(b) - saved(a))
}
