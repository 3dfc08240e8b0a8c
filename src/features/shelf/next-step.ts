import type { ShelfPlan } from './shelf-plan'

/** What to do next with a plan, and at which of its stations. */
export interface NextStep {
  readonly words: string
  readonly station: string
}

/**
 * The next step of a plan: first what cannot work, then to say what is shot, then what is a problem on the job, then the way to a
 * body; null while that is being reckoned.
 */
export function nextStep({ counts, work, proven }: ShelfPlan, bodies: readonly string[]): NextStep | null {
  if (!counts) return null
  const station = counts.worst[0]?.station ?? 'controls'
  if (counts.blocks > 0) return { words: 'Mend what cannot work', station }
  if (work.length === 0) return { words: 'Say what you shoot', station: 'foundation' }
  if (counts.problems > 0) return { words: 'Settle the worst problem', station }
  const [body] = bodies
  if (!proven && body !== undefined) return { words: `Carry it to ${body}`, station: 'carry' }
  return { words: 'Print the pocket card', station: 'sheets' }
}
