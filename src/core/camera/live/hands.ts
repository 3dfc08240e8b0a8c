import { bankFactRow } from '../../plan/rows'
import { showValue, valuesOf } from '../../model/domain'
import type { Address } from '../../model/addresses'
import { lookup } from '../../model/lookup'
import { actDoneBy } from '../../model/menu'
import type { BodyModel, Control, Domain, ModelFunction } from '../../model/types'
import { choosable, flipsOf, nextValue, type Found } from '../../resolve/flips'
import { workOf } from '../../resolve/resolve'
import { foundIn } from '../../resolve/state'
import { decisive, type ResolvedAddress } from '../../resolve/resolved'
import { ok, refuse, type Result } from '../../result'
import { sameValue, type Value } from '../../vocabulary/values'
import { doAct } from './acts'
import { edit, valueNow } from './edit'
import { did, refusedIt, type Lived, type LogLine } from './events'
import { heldAnswers } from '../../resolve/held'
import {
  addressNow,
  focusNow,
  heldAddress,
  nextLeader,
  withKeyDown,
  withKeyUp,
  resolutionNow,
} from './key-presses'
import { record, takePicture } from './shoot'
import { recall, swap, toPosition } from './stand'
import { lever } from './things'
import type { LiveState } from './state'

/** A key, tilt, tap or swipe goes down: what is on it happens, or begins for as long as it is held. */
export function press(model: BodyModel, state: LiveState, control: string, gesture: string): Result<Lived> {
  if (heldAddress(model, state, control, gesture) !== undefined)
    return refuse('is-down', `${control} is down already; release it first.`, `${control}/${gesture}`)
  const found = addressNow(model, state, control, gesture)
  if (!found.ok) return found
  const named = lookup(model).functions.get(found.value.effectiveFunctionId ?? '')
  const verdict = saidOf(found.value, named)
  if (!named || verdict.stops) return ok({ state, log: verdict.log })
  const done = happens(model, state, found.value, named)
  return done.ok ? ok({ state: done.value.state, log: [...verdict.log, ...done.value.log] }) : done
}

/** A key that is down goes up. */
export function keyUp(model: BodyModel, state: LiveState, control: string, gesture: string): Result<Lived> {
  const key = heldAddress(model, state, control, gesture)
  const address = key === undefined ? undefined : lookup(model).addresses.get(key)
  if (key === undefined || !address) {
    const known = addressNow(model, state, control, gesture)
    if (!known.ok) return known
    return refuse('not-down', `${known.value.address.control.name} is not down.`, `${control}/${gesture}`)
  }
  const after = withKeyUp(model, state, key)
  return ok({ state: after, log: [did(`${pressed(address)} let go; ${focusWords(model, after)}`)] })
}

/** The release pressed through; the half-press comes and goes with it where it is not down already. */
export function fullPress(model: BodyModel, state: LiveState): Result<Lived> {
  const control = model.controls.find((one) => one.kind === 'release' && one.presence === undefined)
  const gesture = control?.gestures[0]?.id
  if (!control || gesture === undefined) return refuse('no-release', `${model.name} has no release.`)
  if (heldAddress(model, state, control.id, gesture) !== undefined) return ok(takePicture(model, state))
  const down = press(model, state, control.id, gesture)
  if (!down.ok) return down
  const taken = takePicture(model, down.value.state)
  const isDown = heldAddress(model, taken.state, control.id, gesture) !== undefined
  const up = isDown ? keyUp(model, taken.state, control.id, gesture) : ok({ state: taken.state, log: [] })
  if (!up.ok) return up
  return ok({ state: up.value.state, log: [...down.value.log, ...taken.log, ...up.value.log] })
}

/** A dial, wheel or ring turned by clicks; where a list is open it chooses from it. */
export function turn(
  model: BodyModel,
  state: LiveState,
  { control, gesture, clicks }: { control: string; gesture: string; clicks: number },
): Result<Lived> {
  if (!Number.isInteger(clicks) || clicks === 0 || Math.abs(clicks) > 1000)
    return refuse(
      'clicks',
      'A turn is a whole number of clicks, at most 1000, not 0.',
      `${control}/${gesture}`,
    )
  const found = addressNow(model, state, control, gesture)
  if (!found.ok) return found
  const fn = lookup(model).functions.get(found.value.effectiveFunctionId ?? '')
  if (state.list !== null) return turned(model, state, state.list, clicks)
  const verdict = saidOf(found.value, fn)
  if (!fn || verdict.stops) return ok({ state, log: verdict.log })
  const waits = waitsForHalfPress(model, state, found.value.address.control)
  if (waits)
    return ok({ state, log: [refusedIt(`${waits} turns only while the shutter button is half pressed.`)] })
  if (fn.means === 'controls.modeDial') return dialTurned(model, state, clicks)
  const [setting] = fn.changes
  if (setting === undefined || (fn.manner !== 'turn' && fn.manner !== 'swipe'))
    return ok({ state, log: [...verdict.log, did(`${fn.name}, ${clicks} clicks.`)] })
  const done = turned(model, state, setting, clicks)
  return done.ok ? ok({ state: done.value.state, log: [...verdict.log, ...done.value.log] }) : done
}

/** The mode dial turned so many positions on; it stops at its last. */
function dialTurned(model: BodyModel, state: LiveState, clicks: number): Result<Lived> {
  const at = model.positions.findIndex((one) => one.id === state.position)
  const to = model.positions[Math.min(model.positions.length - 1, Math.max(0, at + clicks))]
  if (!to || to.id === state.position) return ok({ state, log: [did('The mode dial is at its end.')] })
  return toPosition(model, state, to.id)
}

/** The name of a control whose guard asks for the half-press, while it is not down. */
function waitsForHalfPress(model: BodyModel, state: LiveState, control: Control): string | null {
  if (control.guard !== 'half-press') return null
  if (control.guardBy !== undefined && valueNow(model, state, control.guardBy) !== true) return null
  const { addresses } = lookup(model)
  const half = state.held.some((key) => addresses.get(key)?.control.kind === 'release')
  return half ? null : control.name
}

/** What a press or a turn finds: the values in force, what cannot be chosen, and what toggles come back to. */
function foundNow(model: BodyModel, state: LiveState): Found {
  const resolution = resolutionNow(model, state)
  const work = workOf(resolution)
  return {
    ...(work ? foundIn(work.state) : {}),
    now: (id) => resolution.settings.get(id)?.value,
    before: (id) => state.flippedFrom[id],
  }
}

function turned(model: BodyModel, state: LiveState, settingId: string, clicks: number): Result<Lived> {
  const setting = lookup(model).settings.get(settingId)
  const there = foundNow(model, state)
  const now = there.now(settingId)
  const values = setting ? choosable(lookup(model), setting, turnedThrough(setting.domain), there) : []
  const at = values.findIndex((one) => sameValue(one, now))
  const to = values[Math.min(values.length - 1, Math.max(0, at + clicks))]
  if (!setting || to === undefined) return ok({ state, log: [did('Nothing to turn through.')] })
  if (sameValue(to, now))
    return ok({ state, log: [did(`${setting.label} is at its end, ${showValue(setting.domain, to)}.`)] })
  return setting.place === 'physical' ? lever(model, state, settingId, to) : edit(model, state, settingId, to)
}

/** The values a turn goes through, in order; none of what cannot be turned. */
function turnedThrough(domain: Domain): readonly Value[] {
  if (domain.kind !== 'number') return valuesOf(domain) ?? []
  const steps = Math.round((domain.to - domain.from) / domain.step)
  return Array.from({ length: steps + 1 }, (_, i) => Number((domain.from + i * domain.step).toFixed(6)))
}

/** What is pressed, in words: a control, or both of two keys pressed together. */
function pressed({ control, gesture }: Address): string {
  return gesture.with === undefined ? control.name : `${control.name} ${gesture.name}`
}

/** What the verdict on a key says before anything happens, and whether that is all. */
function saidOf(key: ResolvedAddress, fn: ModelFunction | undefined): { log: LogLine[]; stops: boolean } {
  const name = pressed(key.address)
  if (!fn || key.verdict === 'empty') return { log: [did(`${name}: nothing is on it.`)], stops: true }
  const because = decisive(key)?.because ?? ''
  if (key.verdict === 'dead')
    return { log: [refusedIt(`${name}: ${fn.name} is dead. ${because}`)], stops: true }
  if (key.verdict === 'test') return { log: [{ kind: 'test', words: `${name}: ${because}` }], stops: false }
  if (key.verdict === 'inert')
    return { log: [did(`${name}: ${fn.name} does nothing. ${because}`)], stops: fn.manner !== 'hold' }
  return { log: [], stops: false }
}

function happens(model: BodyModel, state: LiveState, key: ResolvedAddress, fn: ModelFunction): Result<Lived> {
  const name = pressed(key.address)
  const closed = { ...state, list: null }
  switch (fn.manner) {
    case 'hold':
    case 'held-and-turn': {
      const wakes = leavesMenu(state, fn)
      const down = withKeyDown(model, wakes, key.address, fn)
      const log = [did(`${name} down: ${fn.name}; ${focusWords(model, down)}`), ...unsettled(model, down)]
      return ok({ state: down, log })
    }
    case 'toggle':
    case 'cycle':
      return flipped(model, closed, fn)
    case 'choose': {
      const [list] = fn.changes
      return ok({ state: { ...state, list: list ?? null }, log: [did(`${fn.name}: its list is open.`)] })
    }
    case 'press':
    case 'tap':
    case 'swipe':
    case 'move':
      return single(model, closed, fn)
    default:
      return ok({ state, log: [did(`${name}: ${fn.name} is turned, not pressed.`)] })
  }
}

/** Where nobody knows which of the keys that are down is obeyed, and that matters: what to try on the body. */
function unsettled(model: BodyModel, state: LiveState): LogLine[] {
  const doubt = lookup(model).doubts.get('focus/heldWins')
  const leaders = new Set(heldAnswers(model).map((wins) => nextLeader(model, state, state.starters, wins)))
  if (!doubt || leaders.size < 2) return []
  return [{ kind: 'test', words: `Which of the keys held is obeyed is not known: ${doubt.test}` }]
}

/** The half-press leaves the menu and playback, closes a list, and wakes the camera. */
function leavesMenu(state: LiveState, fn: ModelFunction): LiveState {
  if (!fn.means?.startsWith('exposure.meter')) return state
  const away = state.run === 'menu' || state.run === 'playback' || state.run === 'idle'
  return { ...state, list: null, run: away ? 'standby' : state.run }
}

function flipped(model: BodyModel, state: LiveState, fn: ModelFunction): Result<Lived> {
  if (fn.means === 'movie.swapSide') return ok(swap(model, state))
  if (fn.means === 'bank.next') return ok(nextBank(model, state))
  const there = foundNow(model, state)
  const flips = flipsOf(lookup(model), fn, there)
  if (flips) {
    const was = there.now(flips.setting)
    const isPhysical = lookup(model).settings.get(flips.setting)?.place === 'physical'
    const set = isPhysical ? lever : edit
    const done = set(model, state, flips.setting, nextValue(flips, was))
    if (!done.ok || was === undefined || done.value.state === state || fn.manner !== 'toggle') return done
    const flippedFrom = { ...state.flippedFrom, [flips.setting]: was }
    return ok({ ...done.value, state: { ...done.value.state, flippedFrom } })
  }
  if (fn.manner === 'cycle') return ok({ state, log: [did(`${fn.name}.`)] })
  const on = !state.latched.includes(fn.id)
  const latched = on ? [...state.latched, fn.id] : state.latched.filter((id) => id !== fn.id)
  return ok({ state: { ...state, latched }, log: [did(`${fn.name}: ${on ? 'on' : 'off'}.`)] })
}

function single(model: BodyModel, state: LiveState, fn: ModelFunction): Result<Lived> {
  switch (fn.means) {
    case 'movie.record':
      return ok(record(model, state))
    case 'display.playback':
      return ok(opened(state, 'playback', fn))
    case 'menu.full':
    case 'menu.own':
    case 'menu.functions':
      return ok(opened(state, 'menu', fn))
    case 'bank.recall': {
      const { family, slot } = fn.parameters ?? {}
      return ok(recall(model, state, String(family ?? model.families[0]?.id ?? ''), String(slot ?? '')))
    }
    case 'power.sleepNow':
      return ok({ state: { ...state, run: 'idle' }, log: [did('It sleeps.')] })
    case 'focus.centrePoint':
    case 'focus.pointHome':
      return toHome(model, state, fn)
    default: {
      const [setting] = fn.changes
      if (fn.steps !== undefined && setting !== undefined) return turned(model, state, setting, fn.steps)
      const act = actDoneBy(model, fn)
      return act ? doAct(model, state, act.id, undefined) : ok({ state, log: [did(`${fn.name}.`)] })
    }
  }
}

/** Menu or playback opened; pressed again it is closed. A menu that opens over a film lets it go on. */
function opened(state: LiveState, run: 'menu' | 'playback', fn: ModelFunction): Lived {
  if (state.run === 'recording') return { state, log: [did(`${fn.name}: open. It goes on recording.`)] }
  const closes = state.run === run
  const next = closes ? { ...state, run: state.before } : { ...state, run, before: 'standby' as const }
  return { state: next, log: [did(closes ? `${fn.name}: closed.` : `${fn.name}: open.`)] }
}

function toHome(model: BodyModel, state: LiveState, fn: ModelFunction): Result<Lived> {
  const point = lookup(model).byMeaning.get('focus.point')
  if (point?.domain.kind !== 'point') return ok({ state, log: [did(`${fn.name}.`)] })
  const { columns, rows } = point.domain
  return edit(model, state, point.id, `${Math.ceil(columns / 2)},${Math.ceil(rows / 2)}`)
}

function nextBank(model: BodyModel, state: LiveState): Lived {
  const [family] = model.families
  if (!family) return { state, log: [did('There are no banks.')] }
  const used = family.slots
    .map((one) => one.id)
    .filter((slot) => bankFactRow(family.id, slot, 'side') in state.body.memory)
  const ways = [null, ...used]
  const next = ways[(ways.indexOf(state.banks[family.id] ?? null) + 1) % ways.length] ?? null
  return recall(model, state, family.id, next)
}

/** What autofocus does now, in words. */
export function focusWords(model: BodyModel, state: LiveState): string {
  const { does, by, area, full } = focusNow(model, state)
  const { addresses, byMeaning } = lookup(model)
  const itself = does === 'follows' ? ' by itself' : ''
  const key = by === null ? itself : ` by ${addresses.get(by)?.control.name ?? by}`
  const domain = byMeaning.get('focus.area')?.domain
  const where = domain && area !== null ? `, ${showValue(domain, area)}` : ''
  const words = {
    once: `AF has focused once${key}${where}`,
    follows: `AF keeps focusing${key}${where}`,
    no: 'no autofocus',
    rests: 'AF stopped',
    keeps: 'focus locked',
  }
  return `${words[does]}${full === 'picture-when-sharp' && does === 'no' ? '; the shutter button focuses first' : ''}.`
}
