import { lookup } from '../model/lookup'
import { pressesTo } from '../model/menu'
import type { BodyModel, Control, ModelFunction, Posture, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { rowValue } from '../plan/step'
import { cellValue, gridCells, ownLines } from '../plan/cells'
import type { Resolution, ResolvedAddress } from '../resolve/resolved'
import { halfPressSetting } from '../resolve/held'
import { startsFocus } from '../vocabulary/focus-roles'
import type { Operator, Times } from './operators'

/** The ways to an adjustment, the nearest first. */
export const tiers = [
  'direct',
  'press-then-turn',
  'held-and-turn',
  'function-menu',
  'own-menu',
  'full-menu',
] as const

/** One of `tiers`. */
export type Tier = (typeof tiers)[number]

/** A way to an adjustment, with its price and the parts it is made of. */
export interface Path {
  readonly tier: Tier
  /** In words, such as "Thumb wheel, turn". */
  readonly words: string
  readonly parts: readonly {
    readonly operator: Operator['id']
    readonly count: number
    readonly seconds: number
  }[]
  readonly seconds: number
  /** Whether the eye can stay at the finder, and the hand in its grip. */
  readonly atFinder: boolean
  readonly inGrip: boolean
}

/** Where paths are looked for: a state of the camera, how it is worked, and the times of the hand. */
export interface Hand {
  readonly model: BodyModel
  readonly plan: Plan
  readonly resolution: Resolution
  readonly side: Side
  readonly posture: Posture
  readonly times: Times
  /** Whether the owner lets a function menu in the finder count as done at the finder. */
  readonly gridCounts: boolean
}

/** Every path to a need here, the quickest first; empty where the model has nothing like it. */
export function pathsTo(hand: Hand, what: string): Path[] {
  const { model } = hand
  const setting = lookup(model).byMeaning.get(what)
  const half = hand.resolution.settings.get(halfPressSetting(model, hand.side) ?? '')
  const does = (fn: ModelFunction) =>
    (what === 'focus.start' && startsFocus(fn.means, half?.value !== false)) || serves(model, fn, what)
  const found = [...byKey(hand, does), ...(setting ? byMenus(hand, setting.id) : [])]
  return found.sort((a, b) => a.seconds - b.seconds)
}

/** Whether a function is the thing itself, or changes the setting meant before any other. */
export function serves(model: BodyModel, fn: ModelFunction, what: string): boolean {
  const setting = lookup(model).byMeaning.get(what)
  return fn.means === what || (setting !== undefined && fn.changes[0] === setting.id && fn.manner !== 'none')
}

/** A path taken after the film was stopped: two more presses, and the film has a gap. */
export function afterStopping(hand: Hand, one: Path): Path {
  const seconds = 2 * hand.times.press
  const parts = [...one.parts, { operator: 'press' as const, count: 2, seconds }]
  return {
    ...one,
    words: `${one.words}, the film stopped first`,
    parts,
    seconds: one.seconds + seconds,
    atFinder: false,
  }
}

/** Whether the model knows the adjustment at all. */
export function knows(model: BodyModel, what: string): boolean {
  return lookup(model).byMeaning.has(what) || model.functions.some((fn) => fn.means === what)
}

function byKey(hand: Hand, does: (fn: ModelFunction) => boolean): Path[] {
  const { functions } = lookup(hand.model)
  return workingKeys(hand).flatMap((key): Path[] => {
    const fn = functions.get(key.gets ?? '')
    if (!fn || !does(fn)) return []
    const { control } = key.address
    const words = `${control.name}, ${key.address.name}`
    const [tier, moves] = manners[fn.manner] ?? (['direct', { press: 1 }] as const)
    return priced(hand, control, tier, words, moves)
  })
}

type Moves = Partial<Record<Operator['id'], number>>

/** What the hand does for each manner; a cycle takes two presses in the middle. */
const manners: Partial<Record<ModelFunction['manner'], readonly [Tier, Moves]>> = {
  turn: ['direct', { turn: 1 }],
  cycle: ['direct', { press: 2 }],
  choose: ['press-then-turn', { press: 2, look: 1, turn: 1 }],
  'held-and-turn': ['held-and-turn', { press: 1, turn: 1 }],
}

function workingKeys({ resolution }: Hand): ResolvedAddress[] {
  return [...resolution.addresses.values()].filter(
    (one) => one.active && (one.verdict === 'works' || one.verdict === 'test'),
  )
}

/** A path by a control, priced for the posture; none where the posture does not reach it. */
function priced(hand: Hand, control: Control, tier: Tier, words: string, moves: Moves): Path[] {
  const reach = control.reach[hand.posture]
  if (!reach) return []
  const far: Moves = reach.grade === 3 ? { leave: 1 } : reach.grade === 0 ? {} : { reach: reach.grade }
  const all = added(added(moves, far), reach.findable ? {} : { look: 1 })
  return [path(hand, tier, words, all, { atFinder: reach.findable, inGrip: reach.grade < 3 })]
}

function byMenus(hand: Hand, setting: string): Path[] {
  return [...byGrids(hand, setting), ...byOwnMenu(hand, setting), ...byFullMenu(hand, setting)]
}

function byGrids(hand: Hand, setting: string): Path[] {
  const { model, plan, side } = hand
  return gridCells(model)
    .filter(({ grid, cell }) => grid.side === side && cellValue(plan.rows, { grid, cell }) === setting)
    .flatMap(({ grid, cell }) => {
      const steps = Math.floor((cell - 1) / grid.columns) + ((cell - 1) % grid.columns)
      const moves: Moves = { press: 2 + steps, look: 1, turn: 1 }
      return opened(hand, grid.openedBy, 'function-menu', grid.name, moves, grid.inFinder && hand.gridCounts)
    })
}

/** By the own menu: its own key opens it, or the menu key does, which takes a press more unless the own menu opens first. */
function byOwnMenu(hand: Hand, setting: string): Path[] {
  const { model, plan, resolution } = hand
  const line = ownLines(model).find(({ row }) => rowValue(plan.rows, row) === setting)
  if (!line) return []
  const [, page = '1', at = '1'] = line.row.split('/')
  const presses = Number(page) - 1 + Number(at) - 1 + 3
  const first = resolution.settings.get(model.ownMenu?.opensFirst ?? '')?.value === true
  return model.functions.flatMap((fn): Path[] => {
    if (fn.means !== 'menu.own' && fn.means !== 'menu.full') return []
    const more = fn.means === 'menu.own' || first ? 0 : 1
    return opened(hand, fn.id, 'own-menu', 'Own menu', { press: presses + more, look: 1, turn: 1 }, false)
  })
}

function byFullMenu(hand: Hand, setting: string): Path[] {
  const place = lookup(hand.model).menuPlaces.get(setting)
  const opener = hand.model.functions.find((fn) => fn.means === 'menu.full')
  if (!place || !opener) return []
  return opened(
    hand,
    opener.id,
    'full-menu',
    place.address,
    { press: pressesTo(null, place) + 2, look: 2, turn: 1 },
    false,
  )
}

/** A path through something that a key opens; none where no key does. */
function opened(
  hand: Hand,
  opener: string,
  tier: Tier,
  words: string,
  moves: Moves,
  inFinder: boolean,
): Path[] {
  const key = workingKeys(hand).find((one) => one.gets === opener)
  if (!key) return []
  return priced(
    hand,
    key.address.control,
    tier,
    `${key.address.control.name}, ${words}`,
    added(moves, { press: 1 }),
  ).map((one) => ({ ...one, atFinder: inFinder && one.atFinder }))
}

function added(one: Moves, two: Moves): Moves {
  const sum: Moves = { ...one }
  for (const [id, count] of Object.entries(two) as [Operator['id'], number][])
    sum[id] = (sum[id] ?? 0) + count
  return sum
}

function path(
  { times }: Hand,
  tier: Tier,
  words: string,
  moves: Moves,
  eye: Pick<Path, 'atFinder' | 'inGrip'>,
): Path {
  const parts = (Object.entries(moves) as [Operator['id'], number][]).map(([operator, count]) => ({
    operator,
    count,
    seconds: count * times[operator],
  }))
  return { tier, words, parts, seconds: parts.reduce((sum, part) => sum + part.seconds, 0), ...eye }
}
