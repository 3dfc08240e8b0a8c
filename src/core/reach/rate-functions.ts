import type { Address } from '../model/addresses'
import { acceptedFunctions } from '../model/controls'
import type { BodyModel, LensModel, ModelFunction } from '../model/types'
import { addressesWith } from '../plan/assign'
import type { Plan } from '../plan/plan'
import { contextsOf } from '../resolve/context'
import { judgeIn, resolve } from '../resolve/resolve'
import type { StateIn, Verdict } from '../resolve/resolved'
import { neededOn } from './needs'
import { gainsAt } from './reach'
import type { ReachReport } from './report'

/** Where a function works: how many of the contexts, and why not in the others. */
export interface FunctionRating {
  readonly fn: ModelFunction
  readonly works: number
  readonly of: number
  /** It works, but at a price, in some context. */
  readonly hazard: boolean
  /** Seconds an outing that it would save here; below 0 what it would cost. */
  readonly gain: number
  /** The worst verdict met. */
  readonly verdict: Verdict
  /** Each reason met, with the contexts it holds in. */
  readonly reasons: readonly {
    readonly because: string
    readonly rule: string
    readonly contexts: readonly string[]
  }[]
}

/** How every function that an address accepts would stand there, best for this plan first. */
export function rateFunctions(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  address: Address,
  reach: ReachReport,
  stateIn: StateIn = (context) => resolve(model, plan, context),
): FunctionRating[] {
  const accepted = acceptedFunctions(model, address)
  const contexts = contextsOf(model, plan, lenses, address.side)
  const ids = accepted.map((fn) => fn.id)
  const judged = contexts.map((one) => ({
    name: `${one.bank}, ${one.lens}`,
    by: judgeIn(stateIn(one.context), ids),
  }))
  const gains = gainsAt(reach, address)
  const needed = neededOn(model, plan, address.side)
  return accepted
    .map((fn) => {
      const rating = standingOf(fn, judged, gainOf(fn, gains.get(fn.id) ?? 0))
      return { rating, merit: merit(model, plan, rating, address, needed(fn)) }
    })
    .sort((a, b) => b.merit - a.merit)
    .map(({ rating }) => rating)
}

const worst: readonly Verdict[] = ['dead', 'inert', 'test', 'works', 'empty']

function standingOf(
  fn: ModelFunction,
  judged: readonly { name: string; by: ReturnType<typeof judgeIn> }[],
  gain: number,
): FunctionRating {
  const seen = judged.flatMap(({ name, by }) => {
    const one = by.get(fn.id)
    return one ? [{ name, ...one }] : []
  })
  const reasons = new Map<string, { because: string; rule: string; contexts: string[] }>()
  for (const { name, remarks } of seen) {
    for (const { rule, because } of remarks) {
      const known = reasons.get(rule)
      if (known) known.contexts.push(name)
      else reasons.set(rule, { because, rule, contexts: [name] })
    }
  }
  return {
    fn,
    works: seen.filter((one) => one.verdict === 'works').length,
    of: seen.length,
    gain,
    hazard: seen.some((one) => one.remarks.some((remark) => remark.kind === 'hazard')),
    verdict: worst.find((verdict) => seen.some((one) => one.verdict === verdict)) ?? 'empty',
    reasons: [...reasons.values()],
  }
}

/** The full menu leads everywhere, so that each key saves with it what a menu costs: that is no advice. */
function gainOf({ means }: ModelFunction, gain: number): number {
  return means === 'menu.full' ? Math.min(gain, 0) : gain
}

/** Works everywhere first; then what the owner needs on this side; then what saves most; what no key has yet before what would be doubled; what costs nothing before hazards. */
function merit(
  model: BodyModel,
  plan: Plan,
  standing: FunctionRating,
  address: Address,
  needed: number,
): number {
  if (standing.fn.manner === 'none') return -3
  const elsewhere = addressesWith(model, plan, address.side, standing.fn.id).some(
    (other) => other !== address,
  )
  const share = standing.of === 0 ? 0 : standing.works / standing.of
  const saves = Math.round(standing.gain * 10) * 10
  return (
    (share === 1 ? 1e6 : share * 4) +
    (needed > 0 && standing.gain > 0 ? 1e5 : 0) +
    saves -
    (elsewhere ? 2 : 0) -
    (standing.hazard ? 1 : 0)
  )
}
