import { memoize } from '../memoize'
import { inOrder, keyAtEnd, keysToMove, type Ordered } from '../sync/order'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import type { Value } from '../vocabulary/values'
import { workTable, type WorkFact } from '../vocabulary/work'
import type { Plan } from './plan'
import { idsOf, needSituationOf, rowValue, situationOf, situationRow, type RowId } from './rows'

/** The situations that a plan's rows speak of, in the owner's order; those never moved come first, by id. */
export const situationsOf = memoize((plan: Plan): readonly string[] =>
  inOrder(orderedSituations(plan)).map((one) => one.id),
)

/** The rows that put a situation so many places further on, or with a negative number back; none at the ends. */
export function movedSituation(plan: Plan, id: string, by: number): Readonly<Record<RowId, Value>> {
  const elements = orderedSituations(plan)
  const to = inOrder(elements).findIndex((one) => one.id === id) + by
  if (to < 0 || to >= elements.length) return {}
  const keys = [...keysToMove(elements, id, to)]
  return Object.fromEntries(keys.map(([one, key]) => [orderRow(one), key]))
}

function orderRow(situation: string): RowId {
  return situationRow(situation, 'order')
}

function orderedSituations(plan: Plan): Ordered[] {
  const ids = idsOf(plan.rows).flatMap((row) => situationOf(row) ?? needSituationOf(row) ?? [])
  return [...new Set(ids)].map((id) => {
    const key = rowValue(plan.rows, orderRow(id))
    return { id, key: typeof key === 'string' ? key : null }
  })
}

/** The owner's name for a situation; its id where it has none. */
export function situationName(plan: Plan, id: string): string {
  return String(rowValue(plan.rows, situationRow(id, 'name')) ?? id)
}

/** The side a situation is worked on: the model's first where nothing is said. */
export function situationSide(model: BodyModel, plan: Plan, id: string): Side {
  return (rowValue(plan.rows, situationRow(id, 'side')) as Side | null) ?? model.sides[0] ?? 'stills'
}

/** The row that puts a new situation after the others. */
export function placeAtEnd(plan: Plan, situation: string): Readonly<Record<RowId, Value>> {
  return { [orderRow(situation)]: keyAtEnd(orderedSituations(plan)) }
}

/** What is said of a situation; a fact nobody speaks of is absent. */
export interface Work {
  /** The darkest and the brightest, in EV at ISO 100. */
  readonly light?: readonly [number, number]
  readonly lamps?: string
  readonly subject?: string
  readonly clothing?: string
  readonly movement?: string
  readonly blur?: string
  readonly silence?: string
  readonly flash?: string
  readonly camera?: string
  /** Pixels across. */
  readonly delivery?: number
  readonly space?: string
  readonly opens?: readonly string[]
  readonly software?: string
  readonly hours?: number
  /** Pictures a day. */
  readonly pictures?: number
  /** Minutes of film a day. */
  readonly filmed?: number
}

/** What is said of a situation. */
export function workOf(plan: Plan, situation: string): Work {
  const said = workTable.flatMap(({ id, takes }) => {
    const value = rowValue(plan.rows, situationRow(situation, id))
    if (value === null) return []
    return [[id, takes === 'light' ? (value as readonly string[]).map(Number) : value] as const]
  })
  return Object.fromEntries(said)
}

/** The slot a situation is shot with; null where it is shot from base, or nothing is said. */
export function situationSlot(
  { rows }: Plan,
  situation: string,
): { readonly family: string; readonly slot: string } | null {
  const said = rowValue(rows, situationRow(situation, 'bank'))
  if (typeof said !== 'string' || said === 'base') return null
  const [family = '', slot = ''] = said.split('/')
  return { family, slot }
}

/** Whether the lamps of a side pulse: not where every situation of it that speaks of lamps says that they do not. */
export function mayPulse(model: BodyModel, plan: Plan, side: Side): boolean {
  const said = lampsIn(plan).flatMap(({ on, lamps }) => ((on ?? model.sides[0]) === side ? [lamps] : []))
  return said.length === 0 || said.some((lamps) => lamps === 'mains' || lamps === 'measured')
}

/** The lamps of every situation that speaks of them, with its side where it names one. */
const lampsIn = memoize((plan: Plan) =>
  situationsOf(plan).flatMap((one) => {
    const lamps = rowValue(plan.rows, situationRow(one, 'lamps'))
    return lamps === null ? [] : [{ on: rowValue(plan.rows, situationRow(one, 'side')), lamps }]
  }),
)

/** The facts of the work that may be said of a situation on a side. */
export function factsAsked(side: Side): readonly WorkFact[] {
  return workTable.filter(({ checked }) => side === 'stills' || checked !== 'stills')
}

/** The facts of the work of a situation of which nobody has said anything, so that nothing is checked against them. */
export function uncheckedFacts(model: BodyModel, work: Work, side: Side): WorkFact[] {
  return factsAsked(side).filter(
    ({ id, checked }) =>
      checked !== 'never' &&
      !Object.hasOwn(work, id) &&
      (id !== 'space' || lookup(model).byMeaning.has('colour.space')),
  )
}
