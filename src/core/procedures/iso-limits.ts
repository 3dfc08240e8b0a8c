import { ladderSteps } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { ownerRow, type RowId } from '../plan/rows'
import { refuse, ok, type Result } from '../result'
import { stepOf } from '../vocabulary/ladders'
import { saidOf, standingOf, type Walk } from './progress'
import type { ProcedureAct } from './types'

/** How a stop of ISO is rated at the size that is delivered, best first. */
export const isoRatings = ['fine', 'in need', 'never'] as const

/** One of `isoRatings`. */
export type IsoRating = (typeof isoRatings)[number]

/** What the owner's own ISO ladder comes to, in ISO as it is marked; null where no stop was rated so. */
export interface IsoLimits {
  /** From here on ISO is used in need only. */
  readonly need: number | null
  /** From here on it is never wanted. */
  readonly never: number | null
  /** Stops that were rated better than a lower one, in ISO: the lower one counts. */
  readonly better: readonly number[]
}

/** The id of the act that rates a stop of ISO. */
export const rateAct = (mark: string) => `rate/${mark}`

/**
 * The two limits from ratings of stops, by their ISO: the lowest stop that is rated in need, or never. Refuses where
 * nothing is rated, and what the model has no stop for.
 */
export function isoLimitsOf(model: BodyModel, ratings: ReadonlyMap<number, IsoRating>): Result<IsoLimits> {
  if (ratings.size === 0)
    return refuse(
      'no-ratings',
      'No stop of ISO is rated yet: say of each whether it is fine, in need, or never.',
    )
  const domain = lookup(model).byMeaning.get('exposure.iso')?.domain
  const steps = domain?.kind === 'ladder' ? ladderSteps(domain) : []
  const strange = [...ratings.keys()].find((iso) => !steps.some(({ amount }) => amount === iso))
  if (strange !== undefined)
    return refuse('unknown-step', `This camera has no ISO ${strange}.`, String(strange))
  let worst = 0
  const better: number[] = []
  const from: (number | null)[] = isoRatings.map(() => null)
  for (const { amount } of steps) {
    const rating = ratings.get(amount)
    if (rating === undefined) continue
    const at = isoRatings.indexOf(rating)
    if (at < worst) better.push(amount)
    for (let limit = worst + 1; limit <= at; limit++) from[limit] = amount
    worst = Math.max(worst, at)
  }
  const [, need = null, never = null] = from
  // Where nothing is in need only, the one limit is where it is never wanted.
  return ok({ need: need === never ? null : need, never, better })
}

/** What was rated on a walk, by the ISO of the stops. */
export function ratedOn(
  walk: Walk,
  acts: readonly Pick<ProcedureAct, 'id' | 'asks'>[],
): ReadonlyMap<number, IsoRating> {
  const rated = new Map<number, IsoRating>()
  for (const act of acts) {
    if (act.id !== rateAct(act.asks) || standingOf(walk, act) !== 'done') continue
    const rating = isoRatings.find((one) => one === saidOf(walk, act.id)?.words)
    const stop = stepOf('iso', act.asks)
    if (rating && stop) rated.set(stop.amount, rating)
  }
  return rated
}

/** The rows of the plan that say the limits: both are the ladder’s, so that none stays that it contradicts. */
export function isoLimitRows({ need, never }: IsoLimits): Readonly<Record<RowId, number | null>> {
  return { [ownerRow('isoNeed')]: need, [ownerRow('isoNever')]: never }
}

/** The limits in a sentence. */
export function isoLimitWords({ need, never, better }: IsoLimits): string {
  const limits = [
    ...(need === null ? [] : [`in need only from ISO ${need}`]),
    ...(never === null ? [] : [`never from ISO ${never}`]),
  ]
  const what = limits.length === 0 ? 'Every stop that is rated is fine: there is no limit' : limits.join(', ')
  const strange =
    better.length === 0
      ? ''
      : ` ISO ${better.join(' and ')} ${better.length === 1 ? 'was' : 'were'} rated better than a lower one: the lower one counts.`
  return `${what[0]?.toUpperCase()}${what.slice(1)}.${strange}`
}
