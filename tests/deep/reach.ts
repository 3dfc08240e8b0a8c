import fc from 'fast-check'
import { planOf } from '@tests/fixtures/arbitrary'
import { lenses } from '@tests/fixtures/models'
import { live } from '@/core/camera/live/live'
import type { LiveEvent } from '@/core/camera/live/events'
import { focusNow, resolutionNow } from '@/core/camera/live/key-presses'
import { liveAt } from '@/core/camera/live/stand-at'
import type { LiveState } from '@/core/camera/live/state'
import { valuesOf } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, ModelFunction, Setting } from '@/core/model/types'
import { needRow, situationRow } from '@/core/plan/rows'
import type { Plan } from '@/core/plan/plan'
import type { Need } from '@/core/reach/needs'
import type { Path } from '@/core/reach/paths'
import { recorded, statesFor, reachOf } from '@/core/reach/reach'
import { choosable } from '@/core/resolve/flips'
import { effectiveState, foundIn, refusing } from '@/core/resolve/state'
import { must } from '@/core/result'
import { sameValue, type Value } from '@/core/vocabulary/values'
import { agree, property } from './property'

/** A plan with needs, and a number to pick values by. */
export interface Needed {
  readonly plan: Plan
  readonly pick: number
  readonly [fc.toStringMethod]: () => string
}

const someRows = (rows: readonly (readonly [string, Value])[]): Readonly<Record<string, Value>> =>
  Object.fromEntries(rows)

/** Any plan that needs a few of the things its model can change or do, once in stills and once in motion. */
export function neededOf(model: BodyModel): fc.Arbitrary<Needed> {
  const meanings = model.settings.flatMap(({ means, place }) =>
    means === null || place === 'physical' || place === 'local' ? [] : [means],
  )
  const things = fc.uniqueArray(
    fc.constantFrom(...meanings, 'focus.start', 'movie.record', 'display.playback', 'movie.swapSide'),
    {
      minLength: 1,
      maxLength: 8,
    },
  )
  return fc.tuple(planOf(model), things, fc.nat()).map(([plan, wanted, pick]): Needed => {
    const rows = someRows(
      model.sides.flatMap((side): [string, Value][] => [
        [situationRow(`deep-${side}`, 'side'), side],
        ...wanted.map((what, i): [string, Value] => [
          needRow(`deep-${side}`, what),
          side === 'motion' && i % 2 === 0 ? ['10', 'recording'] : ['10'],
        ]),
      ]),
    )
    const needing = { ...plan, rows: { ...plan.rows, ...rows } }
    return { plan: needing, pick, [fc.toStringMethod]: () => JSON.stringify(needing.rows) }
  })
}

/** What an adjustment is said to cost, the hand can do. */
export const reachProperties = [
  property(
    'every path that is priced leads, on the body, to each value wanted',
    8,
    neededOf,
    (model, { plan, pick }) => {
      const report = reachOf(model, plan, lenses)
      const stateOf = statesFor({ model, lenses, posture: 'finder' }, plan)
      for (const { need, best, others } of report.reached) {
        const ways = best ? [best, ...others] : []
        for (const way of ways.slice(0, 6)) {
          const { context } = stateOf(need.side, recorded(need) && !way.words.endsWith('stopped first'))
          const body = liveAt(model, plan, { ...context, orientation: 'level', eye: true, posture: 'finder' })
          played(model, plan, body, need, way, pick)
        }
      }
    },
  ),
]

/** Plays a way on a body: throws where it does not lead to each value wanted. */
export function played(
  model: BodyModel,
  plan: Plan,
  body: LiveState,
  need: Need,
  way: Path,
  pick: number,
): void {
  const setting = lookup(model).byMeaning.get(need.what)
  if (need.what === 'movie.swapSide' && way.address === '') return otherSide(model, body)
  if (way.address === '')
    return agree(`${need.side}: ${need.what} by itself`, focusNow(model, body).does, 'follows')
  const address = lookup(model).addresses.get(way.address)
  if (!address) throw new Error(`no key ${way.address}`)
  const said = `${need.side}: ${need.what} by ${way.words}`
  const fn = lookup(model).functions.get(
    resolutionNow(model, body).addresses.get(way.address)?.effectiveFunctionId ?? '',
  )
  if (!fn) throw new Error(`${said}: nothing is there`)
  if (resolutionNow(model, body).addresses.get(way.address)?.verdict === 'test') return
  const at = { control: address.control.id, gesture: address.gesture.id }
  if (need.what === 'movie.swapSide' && fn.means === 'controls.modeDial') return otherSide(model, body, at)
  if (!setting) return agree(said, does(model, body, need.what, at), true)
  const state = effectiveState(model, plan, { ...contextOf(body, model) })
  const all = choosable(lookup(model), setting, valuesOf(setting.domain) ?? [], foundIn(state))
  const wanted = all.filter(
    (value) =>
      refusing(state, setting.id, value).length === 0 &&
      refusing(state, setting.id, value, 'unknown').length === 0,
  )
  for (let i = 0; i < Math.min(3, wanted.length); i++) {
    const value = wanted[(pick + i * 7) % wanted.length]!
    if (way.tier === 'function-menu' || way.tier === 'own-menu' || way.tier === 'full-menu') {
      const done = must(live(model, body, { kind: 'menu', setting: setting.id, value }))
      reached(said, model, done.state, setting, value, done.log.map((line) => line.words).join(' '))
    } else byHand(said, model, body, { fn, at, setting, value, all })
  }
}

/** The mode dial turned to a position of the other side, as a dial or by a switch that is no key. */
function otherSide(model: BodyModel, body: LiveState, at?: { control: string; gesture: string }): void {
  const from = model.positions.findIndex((one) => one.id === body.position)
  const to = model.positions.findIndex((one) => one.side !== null && one.side !== body.side)
  const position = model.positions[to]?.id ?? ''
  const turned = at
    ? live(model, body, { kind: 'turn', ...at, clicks: to - from })
    : live(model, body, { kind: 'position', position })
  const { state, log } = must(turned)
  agree(`to ${position}: ${log.map((line) => line.words).join(' ')}`, state.side !== body.side, true)
}

function contextOf(body: LiveState, model: BodyModel) {
  return {
    side: body.side,
    run: body.run,
    banks: body.banks,
    lens: body.lens!,
    firmware: body.body.firmware,
    ...(body.position === null ? {} : { position: body.position }),
    eye: true,
    posture: 'finder' as const,
    orientation: 'level' as const,
    situation: { subject: 'a puppet' },
    model: model.id,
  }
}

function reached(
  said: string,
  model: BodyModel,
  body: LiveState,
  setting: Setting,
  value: Value,
  words: string,
): void {
  const resolved = resolutionNow(model, body).settings.get(setting.id)
  // A rule may put another value in the place of what was reached: that is told where the value stands.
  const before = resolved?.chain.findLast((link) => link.layer !== 'rule')
  const idle = resolved?.remarks.find(({ kind, truth }) => kind === 'ineffective' && truth === 'yes')
  if (idle) agree(`${said}, where it does nothing`, idle.because, null)
  if (!sameValue(before?.value, value)) agree(`${said}, ${words}`, before?.value, value)
}

interface Worked {
  readonly fn: ModelFunction
  readonly at: { readonly control: string; readonly gesture: string }
  readonly setting: Setting
  readonly value: Value
  readonly all: readonly Value[]
}

/** Turned, or pressed as often as it takes, or the list opened and turned through. */
function byHand(
  said: string,
  model: BodyModel,
  body: LiveState,
  { fn, at, setting, value, all }: Worked,
): void {
  const index = (state: LiveState) =>
    all.findIndex((one) => sameValue(one, resolutionNow(model, state).settings.get(setting.id)?.value))
  const target = all.findIndex((one) => sameValue(one, value))
  let state = body
  let words = ''
  const act = (event: LiveEvent) => {
    const done = must(live(model, state, event))
    state = done.state
    words += done.log.map((line) => line.words).join(' ')
  }
  if (fn.means === 'controls.modeDial') {
    const at_ = model.positions.findIndex((one) => one.id === state.position)
    const to = model.positions.findIndex((one) => one.side === body.side && one.sets[setting.id] === value)
    if (to !== at_) act({ kind: 'turn', ...at, clicks: to - at_ })
    return reached(`${said} to ${String(value)}`, model, state, setting, value, words)
  }
  if (fn.manner === 'choose' || fn.manner === 'held-and-turn') act({ kind: 'press', ...at })
  if (fn.manner === 'cycle' || fn.manner === 'toggle') {
    for (let i = 0; i < all.length && index(state) !== target; i++) act({ kind: 'press', ...at })
    if (fn.manner === 'cycle' && setting.means === 'focus.area' && index(state) !== target) return
  } else {
    const clicks = target - index(state)
    const lent = fn.manner === 'held-and-turn' ? lentDial(model, fn, setting) : undefined
    const [control = at.control, gesture = at.gesture] = lent?.split('/') ?? []
    const dial = fn.manner === 'choose' ? anyDial(model, state) : { control, gesture }
    if (clicks !== 0) act({ kind: 'turn', ...dial, clicks })
  }
  reached(`${said} to ${String(value)}`, model, state, setting, value, words)
}

/** The dial that a held key lends to a setting. */
function lentDial(model: BodyModel, { whileHeld }: ModelFunction, { id }: Setting): string | undefined {
  const { functions } = lookup(model)
  const dials = Object.entries(whileHeld ?? {})
  return dials.find(([, to]) => functions.get(to)?.changes[0] === id)?.[0] ?? dials[0]?.[0]
}

/** A dial that answers: what turns through an open list. */
function anyDial(model: BodyModel, state: LiveState) {
  const found = [...resolutionNow(model, state).addresses.values()].find(
    ({ active, address }) => active && address.gesture.id === 'turn',
  )
  if (!found) throw new Error('no dial answers')
  return { control: found.address.control.id, gesture: found.address.gesture.id }
}

function does(
  model: BodyModel,
  body: LiveState,
  what: string,
  at: { control: string; gesture: string },
): boolean | string {
  const done = must(live(model, body, { kind: 'press', ...at }))
  if (what === 'movie.record') return done.state.run !== body.run
  if (what === 'display.playback') return done.state.run === 'playback'
  if (what === 'movie.swapSide') return done.state.side !== body.side
  // Nothing of the simulated body shows that a voice memo was spoken but that it says so.
  if (what !== 'focus.start')
    return done.log.some(({ kind, words }) => kind === 'did' && !words.includes('does nothing'))
  const { does: focus } = focusNow(model, done.state)
  return focus === 'once' || focus === 'follows' ? true : done.log.map((line) => line.words).join(' ')
}
