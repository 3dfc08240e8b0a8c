import { pressesTo, type MenuPlace } from '../model/menu'
import type { Address } from '../model/addresses'
import type { Control, Grid, Manner, Posture } from '../model/types'
import type { Fingers, Operator, Times } from './operators'

/** How often each move is made. */
export type Moves = Partial<Record<Operator['id'], number>>

/** One priced part of a path: so many moves of a kind, and their seconds together. */
export interface Part {
  readonly operator: Operator['id']
  readonly count: number
  readonly seconds: number
}

/** What the hand does for each manner of function, and which way it is; a cycle takes two presses in the middle. */
export function movesFor(manner: Manner): readonly [DirectTier, Moves] {
  return byManner[manner] ?? (['direct', { press: 1 }] as const)
}

/** The ways that need no menu. */
export const directTiers = ['direct', 'press-then-turn', 'held-and-turn'] as const

/** One of `directTiers`. */
export type DirectTier = (typeof directTiers)[number]

const byManner: Partial<Record<Manner, readonly [DirectTier, Moves]>> = {
  turn: ['direct', { turn: 1 }],
  cycle: ['direct', { press: 2 }],
  choose: ['press-then-turn', { press: 2, look: 1, turn: 1 }],
  'held-and-turn': ['held-and-turn', { press: 1, turn: 1 }],
}

/** How a control is met in a posture. */
export interface Meeting {
  /** The moves that come on top of working it: the finger travels, or the hand lets go; and it is looked for. */
  readonly moves: Moves
  readonly atFinder: boolean
  readonly inGrip: boolean
}

/**
 * How the control of an address is met in a posture; null where the posture does not reach it, or only a finger that works no keys. A left hand that carries the lens lets go for keys elsewhere. Of two keys pressed together
 * both have to be reached, by two fingers (on a tripod, where both hands are free, any two), and the other is one press
 * more.
 */
export function meetingAt(
  { control, controls }: Address,
  posture: Posture,
  fingers: Fingers | null = null,
): Meeting | null {
  const met = meeting(control, posture, fingers)
  const [, other] = controls
  if (!met || !other) return met
  const second = meeting(other, posture, fingers)
  const sameFinger = control.reach[posture]?.digit === other.reach[posture]?.digit
  if (!second || (sameFinger && posture !== 'tripod')) return null
  return {
    moves: added(met.moves, second.moves, { press: 1 }),
    atFinder: met.atFinder && second.atFinder,
    inGrip: met.inGrip && second.inGrip,
  }
}

function meeting(control: Control, posture: Posture, fingers: Fingers | null): Meeting | null {
  const reach = control.reach[posture]
  if (!reach || (fingers?.work && !fingers.work.includes(reach.digit))) return null
  const isBusy =
    fingers?.leftHolds === true && reach.digit === 'left' && posture !== 'tripod' && !isOnLens(control)
  const far: Moves =
    isBusy || reach.grade === 3 ? { leave: 1 } : reach.grade === 0 ? {} : { reach: reach.grade }
  const moves = added(far, reach.findable ? {} : { look: 1 })
  return { moves, atFinder: reach.findable, inGrip: reach.grade < 3 && !isBusy }
}

/** Whether a control is where the hand is that carries the lens. */
function isOnLens({ face, presence }: Control): boolean {
  return face === 'barrel' || presence === 'lens-key' || presence === 'lens-ring'
}

/** Opening a menu is one press, whatever comes then. */
export const opening: Moves = { press: 1 }

/** In an open function menu: to the cell (counted from 1, row by row), in, turned, taken. */
export function movesToCell(grid: Grid, cell: number): Moves {
  const steps = Math.floor((cell - 1) / grid.columns) + ((cell - 1) % grid.columns)
  return { press: 2 + steps, look: 1, turn: 1 }
}

/** In the open own menu: to the page and down to the line, both counted from 1, in, turned, taken. */
export function movesToLine(page: number, line: number): Moves {
  return { press: page + line + 1, look: 1, turn: 1 }
}

/** In the open full menu: to the line, in, turned, taken; twice looked for. */
export function movesToMenu(place: MenuPlace): Moves {
  return { press: pressesTo(null, place) + 2, look: 2, turn: 1 }
}

/** Moves together. */
export function added(...all: readonly Moves[]): Moves {
  const sum: Moves = {}
  for (const moves of all)
    for (const [id, count] of Object.entries(moves) as [Operator['id'], number][])
      sum[id] = (sum[id] ?? 0) + count
  return sum
}

/** Moves as priced parts. */
export function partsOf(moves: Moves, times: Times): Part[] {
  return (Object.entries(moves) as [Operator['id'], number][]).map(([operator, count]) => ({
    operator,
    count,
    seconds: count * times[operator],
  }))
}

/** Seconds of moves together. */
export function secondsOf(moves: Moves, times: Times): number {
  return partsOf(moves, times).reduce((sum, part) => sum + part.seconds, 0)
}
