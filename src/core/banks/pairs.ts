import { type RowId, pairMarks, pairRow, rowValue } from '../plan/rows'
import type { BodyModel, LensModel, Side } from '../model/types'
import { showStops } from '../numbers/motion'
import { plannedSlots, type Plan, type PlannedSlot } from '../plan/plan'
import { plannedContext } from '../resolve/context'
import { lightBetween } from '../resolve/marks'
import { resolve } from '../resolve/resolve'
import { decisive, type Resolution, type StateIn } from '../resolve/resolved'

/** What the owner says of two slots together. */
export type PairMark = (typeof pairMarks)[number]

/** Two slots of different families in force together. */
export interface Pair {
  readonly one: PlannedSlot
  readonly other: PlannedSlot
  readonly row: RowId
  /** What the owner says; null where nothing was said. */
  readonly said: PairMark | null
  /** What only the two together bring about, in words: what neither slot has by itself. */
  readonly news: readonly string[]
  /** As the owner says; else risky where the two bring about something, else sensible. */
  readonly mark: PairMark
  /** Exposure against the two left, in stops; null where the camera meters. */
  readonly light: string | null
}

/** The grid of two families: their slots of a side, and every pair, row by row. */
export interface PairGrid {
  readonly down: readonly PlannedSlot[]
  readonly across: readonly PlannedSlot[]
  readonly pairs: readonly (readonly Pair[])[]
}

/** Every combination of the first two families that a side uses: a state each, and one for each slot alone; null where fewer are in use. */
export function pairsOf(
  model: BodyModel,
  plan: Plan,
  side: Side,
  lens: LensModel | undefined,
  stateIn: StateIn = (context) => resolve(model, plan, context),
): PairGrid | null {
  const slots = plannedSlots(model, plan).filter((one) => one.side === side)
  const [first, second] = model.families
    .map((family) => slots.filter((one) => one.family === family.id))
    .filter((all) => all.length > 0)
  if (!first || !second) return null
  const plain = stateIn(plannedContext(model, plan, side, null, lens))
  const alone = new Map(slots.map((slot) => [slot, stateIn(plannedContext(model, plan, side, slot, lens))]))
  const pairs = first.map((one) =>
    second.map((other) => {
      const banks = { [one.family]: one.slot, [other.family]: other.slot }
      const both = stateIn({ ...plannedContext(model, plan, side, one, lens), banks })
      const news = newsOf(both, [plain, alone.get(one), alone.get(other)])
      const row = pairRow(one, other)
      const said = pairMarks.find((mark) => mark === rowValue(plan.rows, row)) ?? null
      const mark = said ?? (news.length > 0 ? 'risky' : 'sensible')
      return { one, other, row, said, news, mark, light: lightOf(model, plain, both) } satisfies Pair
    }),
  )
  return { down: first, across: second, pairs }
}

/** What a state says that none of the others says. */
function newsOf(state: Resolution, others: readonly (Resolution | undefined)[]): string[] {
  const known = new Set(others.flatMap((one) => (one ? [...said(one)] : [])))
  return [...said(state)].filter((words) => !known.has(words))
}

/** Everything a state says of values and keys, each in words. */
function said({ settings, addresses }: Resolution): ReadonlySet<string> {
  const words = new Set<string>()
  for (const { setting, remarks, chain } of settings.values()) {
    const last = chain.at(-1)
    const changed = chain.some(({ layer }) => layer === 'bank' || layer === 'base')
    if (last?.layer === 'rule' && changed) words.add(`${setting.label}: ${last.because ?? ''}`)
    for (const one of remarks)
      if (
        one.truth === 'yes' &&
        (one.kind === 'hazard' || one.kind === 'unavailable' || (one.kind === 'ineffective' && changed))
      )
        words.add(`${setting.label}: ${one.because}`)
  }
  for (const key of addresses.values()) {
    const { address, verdict } = key
    const because = decisive(key)?.because ?? ''
    if (verdict === 'dead' || verdict === 'inert')
      words.add(`${address.control.name} ${verdict === 'dead' ? 'is dead' : 'does nothing'}: ${because}`)
  }
  return words
}

function lightOf(model: BodyModel, plain: Resolution, both: Resolution): string | null {
  const jump = lightBetween(model, plain, both)
  return jump?.fromByHand && jump.toByHand ? showStops(jump.stops) : null
}
