import { turnsToOtherSide } from './knows'
import { cellIn, gridCells, ownLineIn, ownLines, type Banks, type CellRow, type OwnLine } from '../plan/cells'
import type { Rows } from '../plan/rows'
import { lookup } from '../model/lookup'
import { valuesOf } from '../model/domain'
import type { BodyModel, ModelFunction, Posture, Setting, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { memoize } from '../memoize'
import { answers, type Resolution, type ResolvedAddress } from '../resolve/resolved'
import { halfPressSetting } from '../resolve/held'
import { isFixedWhileFilming } from '../resolve/filming'
import { fixedBy } from '../resolve/judge'
import { workOf } from '../resolve/resolve'
import { startsFocus } from '../vocabulary/focus-roles'
import type { NeedFlag } from '../vocabulary/need-flags'
import {
  added,
  directTiers,
  meetingAt,
  movesFor,
  movesToCell,
  movesToLine,
  movesToMenu,
  opening,
  partsOf,
  type Moves,
  type Part,
} from './moves'
import type { Fingers, Times } from './operators'

/** The ways to an adjustment, the nearest first. */
export const tiers = [...directTiers, ...(['function-menu', 'own-menu', 'full-menu'] as const)] as const

/** One of `tiers`. */
export type Tier = (typeof tiers)[number]

/** A way to an adjustment, with its price and the parts it is made of. */
export interface Path {
  readonly tier: Tier
  /** In words, such as "Thumb wheel, turn". */
  readonly words: string
  /** The key it begins with; empty where it needs none. */
  readonly address: string
  readonly parts: readonly Part[]
  readonly seconds: number
  /** Whether the eye can stay at the finder, and the hand in its grip. */
  readonly atFinder: boolean
  readonly inGrip: boolean
}

/** Where paths are looked for: a state of the camera, how it is worked, and the times of the hand. */
export interface ReachContext {
  readonly model: BodyModel
  readonly plan: Plan
  readonly resolution: Resolution
  readonly side: Side
  readonly posture: Posture
  readonly times: Times
  /** What the fingers do; all of them work keys where it is left out. */
  readonly fingers?: Fingers
  /** Whether the owner lets a function menu in the finder count as done at the finder. */
  readonly gridCounts: boolean
}

/** Something to reach: what it is, and what matters about it. */
export interface Wanted {
  readonly what: string
  readonly flags: readonly NeedFlag[]
}

/**
 * Every path to something here, the quickest first; empty where the model has nothing like it. Where the eye is to stay
 * at the finder, a path that takes it away costs the way back too.
 */
export function pathsTo(hand: ReachContext, { what, flags }: Wanted): Path[] {
  const { model } = hand
  const setting = lookup(model).byMeaning.get(what)
  const does = doing(model, hand.resolution, hand.side, what)
  const isOpen =
    setting && idleBecause(hand.resolution, setting.id) === null && !isShutByFilm(hand.resolution, what)
  const menus = isOpen ? byMenus(hand, setting.id) : []
  const itself = what === 'focus.start' && followsByItself(hand) ? [byItself] : []
  const found = [...itself, ...byKey(hand, does), ...bySideSwitch(hand, what), ...menus]
  const away = flags.includes('finder')
  return found
    .map((path) => (away && !path.atFinder ? withMoves(path, { away: 1 }, hand.times) : path))
    .sort((a, b) => a.seconds - b.seconds)
}

/** Autofocus that follows while filming asks nothing of the hand. */
const byItself: Path = {
  tier: 'direct',
  words: 'By itself',
  address: '',
  parts: [],
  seconds: 0,
  atFinder: true,
  inGrip: true,
}

/** The moves of a switch between stills and motion that stands among no keys: the hand lets go, and it is looked for; null where there is none. While recording it does nothing. */
export function sideSwitchMoves(model: BodyModel, what: string): Moves | null {
  const isKey = model.functions.some(({ means }) => means === 'controls.modeDial')
  return what === 'movie.swapSide' && !isKey && turnsToOtherSide(model)
    ? { leave: 1, look: 1, turn: 1 }
    : null
}

/** The way by such a switch. */
function bySideSwitch({ model, times, resolution }: ReachContext, what: string): Path[] {
  const moves = sideSwitchMoves(model, what)
  if (!moves || isRecordingIn(resolution)) return []
  const parts = partsOf(moves, times)
  const way = { words: 'Stills and movie switch', address: '', atFinder: false, inGrip: false }
  return [{ tier: 'direct', ...way, parts, seconds: total(parts) }]
}

/** Whether autofocus follows in a state of film without anything held. */
export function followsByItself({
  model,
  resolution,
  side,
}: Pick<ReachContext, 'model' | 'resolution' | 'side'>): boolean {
  const value = (means: string) =>
    resolution.settings.get(lookup(model).byMeaning.get(means)?.id ?? '')?.value
  return side === 'motion' && value('focus.motionMode') === 'runs' && value('focus.mode') !== 'manual'
}

/** Why setting something does nothing here: it has no effect, or a rule or the mode dial fixes it; null where it does. */
export function idleBecause(resolution: Resolution, setting: string): string | null {
  const known = idleIn(resolution.settings)
  let because = known.get(setting)
  if (because === undefined) known.set(setting, (because = findIdle(resolution, setting)))
  return because
}

/** What is known so far of the settings of a state: why each has no effect, or null. A key alone makes no setting idle. */
const idleIn: (settings: Resolution['settings']) => Map<string, string | null> = memoize(() => new Map())

function findIdle(resolution: Resolution, setting: string): string | null {
  const resolved = resolution.settings.get(setting)
  const idle = resolved?.remarks.find(({ kind, truth }) => kind === 'ineffective' && truth === 'yes')
  if (idle) return idle.because
  const state = workOf(resolution)?.state
  return (state && fixedBy(state, setting)?.because) ?? null
}

/** Whether a film is recorded in a state, and a thing is what it is made of: no menu changes that. */
export function isShutByFilm(resolution: Resolution, what: string): boolean {
  return isRecordingIn(resolution) && isFixedWhileFilming(what)
}

function isRecordingIn(resolution: Resolution): boolean {
  return workOf(resolution)?.context.run === 'recording'
}

/** Whether nothing sets a thing in a state, whatever is on the keys. */
export function isBlocked(model: BodyModel, resolution: Resolution, what: string): boolean {
  const setting = lookup(model).byMeaning.get(what)
  return setting !== undefined && idleBecause(resolution, setting.id) !== null
}

/** Which functions do what is wanted in a state: those that mean it, and for autofocus all that start it there. */
export function doing(
  model: BodyModel,
  resolution: Resolution,
  side: Side,
  what: string,
): (fn: ModelFunction) => boolean {
  const half = resolution.settings.get(halfPressSetting(model, side) ?? '')
  const serving = servingFor(model)(what)
  return (fn) =>
    (what === 'focus.start' && startsFocus(fn.means, half?.value !== false)) ||
    (what === 'movie.swapSide' && fn.means === 'controls.modeDial' && turnsToOtherSide(model)) ||
    (serving.has(fn) && (fn.means !== 'controls.modeDial' || dialHasAll(model, side, fn)))
}

/** Whether the mode dial has a position of a side for every value of the setting it changes. */
function dialHasAll(model: BodyModel, side: Side, fn: ModelFunction): boolean {
  const setting = lookup(model).settings.get(fn.changes[0] ?? '')
  const fixed = model.positions.filter((one) => one.side === side).map(({ sets }) => sets[setting?.id ?? ''])
  return (valuesOf(setting?.domain ?? { kind: 'toggle' }) ?? []).every((value) => fixed.includes(value))
}

/** The functions that are the thing itself, or bring the setting meant to each of its values; remembered for each thing. */
const servingFor = memoize((model: BodyModel) => {
  const known = new Map<string, ReadonlySet<ModelFunction>>()
  return (what: string): ReadonlySet<ModelFunction> => {
    const setting = lookup(model).byMeaning.get(what)
    const found =
      known.get(what) ??
      new Set(
        model.functions.filter((fn) =>
          setting
            ? isChangedBy(fn, setting) && (fn.means === what || reachesAll(fn, setting))
            : fn.means === what,
        ),
      )
    known.set(what, found)
    return found
  }
})

/** Whether a function is about a setting: the first it changes, or with a dial lent to each, any of them. */
function isChangedBy({ changes, manner }: ModelFunction, { id }: Setting): boolean {
  return manner === 'held-and-turn' ? changes.includes(id) : changes[0] === id
}

/** Whether a function brings a setting to each of its values: what is held, or goes between two of several, does not. */
function reachesAll({ manner, steps }: ModelFunction, { domain }: Setting): boolean {
  if (manner === 'toggle') return valuesOf(domain)?.length === 2
  if (manner === 'swipe') return steps === undefined
  return manner === 'turn' || manner === 'choose' || manner === 'held-and-turn' || manner === 'cycle'
}

/** What it takes to stop the film and start it again: two presses, and the film has a gap. */
export const stopping: Moves = { press: 2, gap: 1 }

/** A path taken after the film was stopped. */
export function afterStopping(path: Path, times: Times): Path {
  return {
    ...withMoves(path, stopping, times),
    words: `${path.words}, the film stopped first`,
    atFinder: false,
  }
}

/** The functions that open the own menu, and the presses it takes more: the full menu's key does it too. */
export function ownOpeners(model: BodyModel, resolution: Resolution): { fn: string; more: number }[] {
  const first = resolution.settings.get(model.ownMenu?.opensFirst ?? '')?.value === true
  return model.functions.flatMap(({ id, means }) => {
    if (means === 'menu.own') return [{ fn: id, more: 0 }]
    return means === 'menu.full' ? [{ fn: id, more: first ? 0 : 1 }] : []
  })
}

/** The functions that open the full menu. */
export function fullOpeners(model: BodyModel): { fn: string; more: number }[] {
  return model.functions.filter(({ means }) => means === 'menu.full').map(({ id }) => ({ fn: id, more: 0 }))
}

/** The functions that do something needed on a side, or open a menu there. */
export function usefulOn(
  model: BodyModel,
  resolution: Resolution,
  side: Side,
  needs: readonly { readonly side: Side; readonly what: string }[],
): ReadonlySet<string> {
  const wanted = new Set(needs.filter((need) => need.side === side).map((need) => need.what))
  const does = [...wanted].map((what) => doing(model, resolution, side, what))
  const found = model.functions.filter((fn) => does.some((one) => one(fn))).map((fn) => fn.id)
  return new Set([...found, ...openersOn(model, resolution, side)])
}

/** The functions that open a menu on a side. */
export function openersOn(model: BodyModel, resolution: Resolution, side: Side): ReadonlySet<string> {
  return new Set([
    ...model.grids.filter((grid) => grid.side === side).map((grid) => grid.openedBy),
    ...[...ownOpeners(model, resolution), ...fullOpeners(model)].map(({ fn }) => fn),
  ])
}

/** The keys of a side that answer now and do something. */
export const workingKeys: (resolution: Resolution) => readonly ResolvedAddress[] = memoize(
  ({ addresses }: Resolution) => [...addresses.values()].filter((one) => one.active && answers(one.verdict)),
)

function byKey(hand: ReachContext, does: (fn: ModelFunction) => boolean): Path[] {
  const { functions } = lookup(hand.model)
  return workingKeys(hand.resolution).flatMap((key): Path[] => {
    const fn = functions.get(key.effectiveFunctionId ?? '')
    if (!fn || !does(fn)) return []
    const [tier, moves] = movesFor(fn.manner)
    return priced(hand, key, tier, `${key.address.control.name}, ${key.address.name}`, moves)
  })
}

/** A path by a key, priced for the posture; none where the posture does not reach it. */
function priced(
  hand: ReachContext,
  { address }: ResolvedAddress,
  tier: Tier,
  words: string,
  moves: Moves,
): Path[] {
  const met = meetingAt(address, hand.posture, hand.fingers)
  if (!met) return []
  const parts = partsOf(added(moves, met.moves), hand.times)
  const { atFinder, inGrip } = met
  return [{ tier, words, address: address.key, parts, seconds: total(parts), atFinder, inGrip }]
}

function byMenus(hand: ReachContext, setting: string): Path[] {
  return [...byGrids(hand, setting), ...byOwnMenu(hand, setting), ...byFullMenu(hand, setting)]
}

function byGrids(hand: ReachContext, setting: string): Path[] {
  const { model, plan, side, gridCounts } = hand
  return (cellsFor(model)(plan.rows)(banksOf(hand)).get(setting) ?? [])
    .filter(({ grid }) => grid.side === side)
    .flatMap(({ grid, cell }) =>
      opened(hand, [{ fn: grid.openedBy, more: 0 }], {
        tier: 'function-menu',
        words: grid.name,
        moves: movesToCell(grid, cell),
        inFinder: grid.inFinder && gridCounts,
      }),
    )
}

/** The slots in force where paths are looked for: some keep menus of their own. */
function banksOf({ resolution }: Pick<ReachContext, 'resolution'>): Banks {
  return workOf(resolution)?.context.banks ?? {}
}

/** Something of a model worked out for rows and slots in force; remembered for each. */
function inBanks<T>(make: (model: BodyModel, rows: Rows, banks: Banks) => T) {
  return memoize((model: BodyModel) =>
    memoize((rows: Rows) => {
      const known = new Map<string, T>()
      return (banks: Banks): T => {
        const key = model.families.map(({ id }) => banks[id] ?? '').join('/')
        const found = known.get(key) ?? make(model, rows, banks)
        known.set(key, found)
        return found
      }
    }),
  )
}

/** Cells of the function menus by what stands in them. */
const cellsFor = inBanks((model, rows, banks): ReadonlyMap<string, readonly CellRow[]> => {
  const found = new Map<string, CellRow[]>()
  for (const one of gridCells(model)) {
    const item = cellIn(model, rows, banks, one)
    if (item !== null) found.set(item, [...(found.get(item) ?? []), one])
  }
  return found
})

/** The first line of the own menu by what stands in it. */
const linesFor = inBanks((model, rows, banks): ReadonlyMap<string, OwnLine> => {
  const found = new Map<string, OwnLine>()
  for (const one of ownLines(model)) {
    const item = ownLineIn(model, rows, banks, one)
    if (item !== null && !found.has(item)) found.set(item, one)
  }
  return found
})

/** By the own menu: its own key opens it, or the menu key does. */
function byOwnMenu(hand: ReachContext, setting: string): Path[] {
  const { model, plan, resolution } = hand
  const own = linesFor(model)(plan.rows)(banksOf(hand)).get(setting)
  if (!own) return []
  const moves = movesToLine(own.page, own.line)
  return opened(hand, ownOpeners(model, resolution), {
    tier: 'own-menu',
    words: 'Own menu',
    moves,
    inFinder: false,
  })
}

function byFullMenu(hand: ReachContext, setting: string): Path[] {
  const place = lookup(hand.model).menuPlaces.get(setting)
  if (!place) return []
  const moves = movesToMenu(place)
  return opened(hand, fullOpeners(hand.model), {
    tier: 'full-menu',
    words: place.address,
    moves,
    inFinder: false,
  })
}

interface Inside {
  readonly tier: Tier
  readonly words: string
  readonly moves: Moves
  readonly inFinder: boolean
}

/**
 * The path through something that a key opens, by the key from which it is quickest, and by the quickest found at the
 * finder where that is another; none where no key does.
 */
function opened(
  hand: ReachContext,
  openers: readonly { fn: string; more: number }[],
  { tier, words, moves, inFinder }: Inside,
): Path[] {
  const all = workingKeys(hand.resolution).flatMap((key) =>
    openers
      .filter(({ fn }) => fn === key.effectiveFunctionId)
      .flatMap(({ more }) =>
        priced(
          hand,
          key,
          tier,
          `${key.address.control.name}, ${words}`,
          added(opening, moves, { press: more }),
        ),
      ),
  )
  const [best, ...rest] = all
    .map((path) => ({ ...path, atFinder: inFinder && path.atFinder }))
    .sort((a, b) => a.seconds - b.seconds || Number(b.atFinder) - Number(a.atFinder))
  if (!best) return []
  const seen = best.atFinder ? undefined : rest.find((path) => path.atFinder)
  return seen ? [best, seen] : [best]
}

function withMoves(path: Path, moves: Moves, times: Times): Path {
  const parts = [...path.parts, ...partsOf(moves, times)]
  return { ...path, parts, seconds: total(parts) }
}

function total(parts: readonly Part[]): number {
  return parts.reduce((sum, part) => sum + part.seconds, 0)
}
