import { lookup, itemName } from '../model/lookup'
import { keyName } from '../model/controls'
import type { BodyModel } from '../model/types'
import { addressesWith, turnedBy } from '../plan/assign'
import { placesOf } from '../plan/menu-items'
import type { Plan } from '../plan/plan'
import { addressKeyOf, describeRow, isKeyRow } from '../plan/rows'
import { applyStep } from '../plan/step'
import { reachAfter } from '../reach/reach'
import type { ReachReport } from '../reach/report'
import { must } from '../result'
import { stepFor, type Change } from './change'

/** A need that a change makes quicker or slower: how often it comes, and seconds each time before and after. */
export interface Helped {
  readonly situation: string
  readonly what: string
  readonly times: number
  readonly before: number
  readonly after: number
}

/** What one change of a list brings and what it takes. */
export interface Explained {
  /** Needs that come quicker, the one that saves most first. */
  readonly helped: readonly Helped[]
  /** Needs that come slower, the one that costs most first. */
  readonly slowed: readonly Helped[]
  /** What stood there and where it is left, as a sentence; null where nothing was there. */
  readonly lost: string | null
}

/** What each change of a list does, those before it being made: the needs it helps and slows most, at most `most` of each. */
export function explain(
  model: BodyModel,
  plan: Plan,
  reach: ReachReport,
  changes: readonly Change[],
  most: number,
): Explained[] {
  if (changes.length === 0) return []
  let report = reach
  const whole = must(applyStep(model, plan, stepFor(model, plan, changes, 'explain all')))
  return changes.map((change, i) => {
    const next = must(applyStep(model, plan, stepFor(model, plan, changes.slice(0, i + 1), `explain ${i}`)))
    const before = report
    report = reachAfter(before, next)
    const moved = needsBetween(before, report)
    return {
      helped: moved
        .filter((one) => saved(one) > least)
        .sort((a, b) => saved(b) - saved(a))
        .slice(0, most),
      slowed: moved
        .filter((one) => saved(one) < -least)
        .sort((a, b) => saved(a) - saved(b))
        .slice(0, most),
      lost: lostBy(model, whole, change),
    }
  })
}

/** Seconds an outing below which nothing is said. */
const least = 0.05

const saved = ({ times, before, after }: Helped) => times * (before - after)

function needsBetween(before: ReachReport, after: ReachReport): Helped[] {
  return after.reached.map(({ need, perOuting }, i): Helped => {
    const times = need.perOuting
    const each = (seconds: number) => (times === 0 ? 0 : seconds / times)
    const was = before.reached[i]?.perOuting ?? 0
    return { situation: need.situation, what: need.what, times, before: each(was), after: each(perOuting) }
  })
}

/** What a change takes away, and where it is to be had once all of the list are made. */
function lostBy(model: BodyModel, made: Plan, { row, from }: Change): string | null {
  if (from === '' || from === 'none') return null
  return isKeyRow(row)
    ? lostFromKey(model, made, addressKeyOf(row) ?? '', from)
    : lostFromMenu(model, made, from)
}

function lostFromKey(model: BodyModel, made: Plan, address: string, from: string): string | null {
  const { addresses, functions, menuAddress } = lookup(model)
  const side = addresses.get(address)?.side
  const fn = functions.get(from)
  if (!side || !fn || fn.manner === 'none') return null
  const [other] = addressesWith(model, made, side, from)
  if (other) return `${fn.name} is on ${keyName({ address: other })}.`
  const turned = turnedBy(model, made, side, fn)
  if (turned) return `${fn.name} goes; ${keyName({ address: turned })} sets the same.`
  const line = fn.changes.map((id) => menuAddress.get(id)).find((one) => one !== undefined)
  return line === undefined
    ? `${fn.name} goes, and nothing else does it.`
    : `${fn.name} goes; it is left in the menu at ${line}.`
}

function lostFromMenu(model: BodyModel, made: Plan, item: string): string | null {
  const name = itemName(model, item)
  const [place] = placesOf(model, made).get(item) ?? []
  if (place) return `${name} is at ${describeRow(model, place)}.`
  const line = lookup(model).menuAddress.get(item)
  return line === undefined ? null : `${name} goes; it is left in the menu at ${line}.`
}
