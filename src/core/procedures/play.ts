import type { LiveEvent, LogLine } from '../camera/live/events'
import { live } from '../camera/live/live'
import type { LiveState } from '../camera/live/state'
import type { BodyModel } from '../model/types'
import type { Memory } from '../camera/memory'
import { idsOf, rowValue, type RowId } from '../plan/rows'
import { sameValue, type Value } from '../vocabulary/values'
import { standingOf, type Walk } from './progress'
import type { Procedure, ProcedureAct } from './types'
import { aimOf, bodyFor, type SetOrder } from './wanted'

/** What the simulated body said to one act. */
export interface PlayedAct {
  readonly act: string
  readonly log: readonly LogLine[]
}

/** A procedure played on a simulated body: the acts that a body can do, and what it then is. */
export interface Played {
  readonly acts: readonly PlayedAct[]
  readonly state: LiveState
  /** Acts that the body would not do, with what it said. */
  readonly refused: readonly { readonly act: string; readonly words: string }[]
}

/** Plays acts on a body that holds a memory, all or those that are picked, in order. */
export function play(
  order: SetOrder,
  procedure: Pick<Procedure, 'acts'>,
  from: Memory,
  isPicked: (act: string) => boolean = () => true,
): Played {
  let state = bodyFor(order, from)
  const acts: PlayedAct[] = []
  const refused: { act: string; words: string }[] = []
  for (const { id, events, isTried = false } of procedure.acts) {
    if (!isPicked(id) || events.length === 0) continue
    const { state: after, log } = happened(order.model, state, events)
    acts.push({ act: id, log })
    // What a key that is tried does not do is what was to be seen.
    if (isTried) continue
    state = after
    refused.push(...log.filter(({ kind }) => kind === 'refused').map(({ words }) => ({ act: id, words })))
  }
  return { acts, state, refused }
}

/** Events one after another; one that cannot be at all is in the log as refused. */
function happened(model: BodyModel, start: LiveState, events: readonly LiveEvent[]) {
  let state = start
  const log: LogLine[] = []
  for (const event of events) {
    const lived = live(model, state, event)
    if (lived.ok) state = lived.value.state
    log.push(...(lived.ok ? lived.value.log : [{ kind: 'refused' as const, words: lived.refusal.message }]))
  }
  return { state, log }
}

/** The rows in which a body's memory is not as the order wants it; what its firmware lacks is not asked of it. */
export function notAsWanted(order: SetOrder, memory: Memory): RowId[] {
  const { want, lacking } = aimOf(order)
  const strange = new Set(lacking.map(({ row }) => row))
  const rows = new Set([...idsOf(want), ...idsOf(memory)])
  return [...rows].filter(
    (row) =>
      !strange.has(row) && !sameValue(rowValue(want, row) ?? undefined, rowValue(memory, row) ?? undefined),
  )
}

/**
 * What a body is believed to hold after what was ticked of a procedure: the acts that were done are played on a body that
 * holds `before`; what was looked at and found so is so. How the camera has to stand for an act goes without a tick.
 */
export function heldAfter(
  order: SetOrder,
  procedure: Pick<Procedure, 'acts'>,
  walk: Walk,
  before: Memory,
): Memory {
  const isDone = (act: ProcedureAct) => standingOf(walk, act) === 'done'
  const done = new Set(
    procedure.acts.filter((act) => act.kind === 'stand' || isDone(act)).map(({ id }) => id),
  )
  if (!procedure.acts.some(isDone)) return before
  const { state } = play(order, procedure, before, (id) => done.has(id))
  const rows: Record<RowId, Value> = { ...state.body.memory }
  for (const act of procedure.acts) {
    if (act.kind !== 'look' || act.row === null || !isDone(act)) continue
    if (act.sets !== undefined && act.sets !== null) rows[act.row] = act.sets
  }
  return rows
}
