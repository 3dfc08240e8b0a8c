import { settingsIn } from '../model/excerpt'
import type { Act, RunState } from '../model/types'
import { sameValue } from '../vocabulary/values'
import type { Group } from './groups'
import { legalMoves, needsHold, type Move } from './moves'
import { stands, type Place } from './place'

/** More places than this are not looked at; the search gives up. */
const mostPlaces = 4000

/** So many moves further it is tried to put back what had to change. */
const patience = 4

interface Node {
  readonly at: Place
  readonly by: Move | null
  readonly from: Node | null
}

/**
 * Breadth first: the fewest moves to a place where the group's wants stand, every other setting of it asks for what
 * it asked for at the start, and the body is in the run state given (any, where it is null). Where no place puts all
 * of them back, the one that leaves fewest changed. Null where none is reached among `mostPlaces`.
 */
export function search(start: Place, group: Group, run: RunState | null): Move[] | null {
  const seen = new Set([keyOf(start, group)])
  let wave: Node[] = [{ at: start, by: null, from: null }]
  let best: { node: Node; left: number; depth: number } | null = null
  for (let depth = 0; wave.length > 0 && seen.size < mostPlaces; depth++) {
    if (best && depth > best.depth + patience) break
    const next: Node[] = []
    for (const node of wave) {
      const left = leftover(node.at, start, group, run)
      if (left === 0) return movesTo(node)
      if (left !== null && (best === null || left < best.left)) best = { node, left, depth }
      for (const { move, to } of legalMoves(node.at, group)) {
        const key = keyOf(to, group)
        if (seen.has(key)) continue
        seen.add(key)
        next.push({ at: to, by: move, from: node })
      }
    }
    wave = next
  }
  return best ? movesTo(best.node) : null
}

/** Acts that go on after they were done: what they needed has to stay, or they are undone. */
const goesOn: ReadonlySet<Act['does']> = new Set(['pair', 'interval', 'series'])

/** How many settings are not as they were; null where what is wanted does not stand yet. */
function leftover(at: Place, start: Place, group: Group, run: RunState | null): number | null {
  if (run !== null && at.context.run !== run) return null
  if (group.wantedPosition !== null && at.context.position !== group.wantedPosition) return null
  if (!group.wantedActs.every((id) => at.acts.includes(id))) return null
  if (!Object.entries(group.values).every(([id, value]) => stands(at, id, value))) return null
  const wanted = group.acts.filter(({ id }) => group.wantedActs.includes(id))
  const lasting = wanted.filter(({ does }) => goesOn.has(does))
  if (!lasting.every((act) => needsHold(at, act))) return null
  const set = new Set([
    ...group.acts.flatMap((act) => Object.keys(act.sets)),
    ...lasting.flatMap((act) => act.needs.flatMap(({ when }) => settingsIn(when))),
  ])
  return [...group.candidates.keys()].filter(
    (id) =>
      !Object.hasOwn(group.values, id) && !set.has(id) && !sameValue(at.values.get(id), start.values.get(id)),
  ).length
}

function keyOf(at: Place, group: Group): string {
  const values = [...group.candidates.keys()].map((id) => JSON.stringify(at.values.get(id)))
  return [at.context.run, at.context.position ?? '', at.acts.join(), ...values].join(' ')
}

function movesTo(node: Node): Move[] {
  const moves: Move[] = []
  for (let one: Node | null = node; one?.by; one = one.from) moves.unshift(one.by)
  return moves
}
