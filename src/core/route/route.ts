import { lookup } from '../model/lookup'
import { pressesTo, type MenuPlace } from '../model/menu'
import { excerptOf } from '../model/excerpt'
import { showValue } from '../model/domain'
import type { Act, BodyModel, RunState } from '../model/types'
import type { Plan } from '../plan/plan'
import { ok, refuse, type Refusal, type Result } from '../result'
import type { Context } from '../resolve/context'
import type { Value } from '../vocabulary/values'
import { groupsOf } from './groups'
import { legalMoves, type Move } from './moves'
import { blockers, differsFrom, place, stands, type Place } from './place'
import { search } from './search'
import type { Wanted } from './wanted'

/** One thing to do, in words. */
export interface RouteStep {
  readonly move: Move
  /** "Film / line 2" for a menu line, or how it is done by hand. */
  readonly where: string
  /** "Film size: 3840 wide → Open gate", or the name of an act. */
  readonly words: string
  /** Presses from the step before: through the menu to the line, or one. */
  readonly presses: number
  /** A rule that may stand in the way, and nobody is sure: test on body. */
  readonly doubts: readonly string[]
  /** What an act takes with it, as the camera warns. */
  readonly warning: string | null
}

/** The steps in order, and what could not be put back as it was. */
export interface Route {
  readonly steps: readonly RouteStep[]
  readonly presses: number
  /** Settings that had to change and cannot go back beside what is wanted. */
  readonly left: readonly { readonly setting: string; readonly from: Value; readonly to: Value }[]
}

/**
 * The shortest legal way from one state of a body to another, in its own menu: what to switch off first, in which
 * order, which acts lie between, and what can be put back after. Fewest steps, in menu order where that is free.
 * Breadth first over the settings that stand in each other's way; the others are changed as the menu lists them.
 * Refuses what the model does not have, and what no sequence of changes reaches, with the rules in the way.
 */
export function route(whole: BodyModel, plan: Plan, from: Context, wanted: Wanted): Result<Route> {
  const known = allKnown(whole, wanted)
  if (!known.ok) return known
  const turns = wanted.position === undefined ? [] : whole.positions.flatMap(({ sets }) => Object.keys(sets))
  const model = excerptOf(whole, { settings: [...Object.keys(wanted.values), ...turns] })
  let here = place(model, plan, from)
  const moves: { move: Move; doubts: readonly string[]; before: Place }[] = []
  for (const phase of phasesOf(model, wanted, from.run)) {
    const groups = groupsOf(model, here, phase)
    for (const [i, group] of groups.entries()) {
      const found = search(here, group, i === groups.length - 1 ? (phase.run ?? null) : null)
      if (!found) return unreachable(model, here, wanted)
      for (const move of found) {
        const legal = legalMoves(here, group).find((one) => one.key === move.key)
        if (!legal) throw new Error(`the search took ${move.key}, which is not legal`)
        moves.push({ move, doubts: legal.doubts, before: here })
        here = legal.to
      }
    }
  }
  // What stood at the start may be undone by what else is wanted: then not all of it can stand at once.
  if (Object.entries(wanted.values).some(([id, value]) => !stands(here, id, value)))
    return unreachable(model, here, wanted)
  const steps = stepsOf(withoutDetours(moves))
  const left = differsFrom(here, place(model, plan, from))
    .filter(({ setting }) => !Object.hasOwn(wanted.values, setting))
    .filter(({ setting }) => !actsSet(model, wanted).has(setting))
  return ok({ steps, presses: steps.reduce((sum, step) => sum + step.presses, 0), left })
}

/** Acts after which other settings stand than before: they come first, and what is wanted is set on what they leave. */
const startsOver: ReadonlySet<Act['does']> = new Set(['reset', 'load', 'update'])

/** What is wanted, in phases that are reached one after the other. */
function phasesOf(model: BodyModel, wanted: Wanted, run: RunState): Wanted[] {
  const { acts: known } = lookup(model)
  const acts = wanted.acts ?? []
  const first = acts.filter((id) => startsOver.has(known.get(id)?.does ?? 'run'))
  const rest = { ...wanted, acts: acts.filter((id) => !first.includes(id)), run: wanted.run ?? run }
  return first.length === 0 ? [rest] : [{ values: {}, acts: first }, rest]
}

function allKnown(model: BodyModel, wanted: Wanted): Result<true> {
  const found = lookup(model)
  for (const id of Object.keys(wanted.values)) {
    if (!found.settings.has(id)) return refuse('unknown-setting', `This model has no setting ${id}.`, id)
  }
  for (const id of wanted.acts ?? []) {
    if (!found.acts.has(id)) return refuse('unknown-act', `This model has no act ${id}.`, id)
  }
  const { position } = wanted
  if (position !== undefined && !model.positions.some((one) => one.id === position))
    return refuse('unknown-position', `The mode dial has no stop ${position}.`, position)
  return ok(true)
}

function actsSet(model: BodyModel, wanted: Wanted): ReadonlySet<string> {
  const acts = (wanted.acts ?? []).flatMap((id) => lookup(model).acts.get(id) ?? [])
  return new Set(acts.flatMap((act) => Object.keys(act.sets)))
}

/** Leaving the menu only to open it again is left out. */
function withoutDetours<T extends { move: Move }>(moves: readonly T[]): T[] {
  const kept: T[] = []
  for (const one of moves) {
    const last = kept.at(-1)
    const opens = one.move.kind === 'act' && one.move.act.leadsTo === 'menu'
    const left =
      last?.move.kind === 'act' && last.move.act.does === 'run' && last.move.act.leadsTo === 'standby'
    const wasMenu = kept.at(-2)?.move.kind === 'setting'
    if (opens && left && wasMenu) kept.pop()
    else kept.push(one)
  }
  return kept
}

/** The moves in words, each with its presses: a walk through the open menu goes on from where it was. */
function stepsOf(
  moves: readonly { readonly move: Move; readonly doubts: readonly string[]; readonly before: Place }[],
): RouteStep[] {
  let line: MenuPlace | null = null
  return moves.map(({ move, doubts, before }) => {
    const { menuPlaces } = lookup(before.model)
    const to = menuPlaces.get(move.kind === 'setting' ? move.setting : move.kind === 'act' ? move.act.id : '')
    const presses = to ? pressesTo(line, to) : 1
    line = to ?? null
    const warning = move.kind === 'act' ? (move.act.warning ?? null) : null
    return {
      move,
      doubts,
      presses,
      warning,
      where: to?.address ?? byHand(move),
      words: wordsOf(before, move),
    }
  })
}

function byHand(move: Move): string {
  if (move.kind === 'position') return 'the mode dial'
  return move.kind === 'act' ? (move.act.by ?? 'by hand') : 'by hand'
}

function wordsOf({ model, values }: Place, move: Move): string {
  if (move.kind === 'act') return move.act.name
  if (move.kind === 'position')
    return `Turned to ${model.positions.find((one) => one.id === move.to)?.name ?? move.to}`
  const setting = lookup(model).settings.get(move.setting)
  if (!setting) throw new Error(`no setting ${move.setting}`)
  const shown = (value: Value | undefined) => showValue(setting.domain, value)
  return `${setting.label}: ${shown(values.get(setting.id))} → ${shown(move.to)}`
}

function unreachable(model: BodyModel, here: Place, wanted: Wanted): Result<never> {
  const reasons = [...new Set(blockers(here, wanted.values))]
  const names = Object.keys(wanted.values).map((id) => lookup(model).settings.get(id)?.label ?? id)
  const because = reasons.length === 0 ? 'No order of changes leads there.' : reasons.join(' ')
  const refusal: Refusal = {
    code: 'no-route',
    message: `There is no way to ${[...names, ...(wanted.acts ?? [])].join(', ')} from here. ${because}`,
    where: names[0] ?? 'wanted',
  }
  return { ok: false, refusal }
}
