import { lookup } from '../../model/lookup'
import { checkValue, showValue } from '../../model/domain'
import type { BodyModel, LensModel } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import type { Value } from '../../vocabulary/values'
import { firmwareNumber } from '../../rules/facts'
import { leastBatteryPercent, operate, type Card } from '../body'
import { dropEdits, valueNow } from './edit'
import { did, refusedIt, type LiveEvent, type Lived } from './events'
import { filmed, record } from './shoot'
import type { LiveState } from './state'

/** The longest wait in one event, seconds: a day. */
const longestWait = 86_400

/** Time goes by: film fills the card, an idle camera falls asleep. */
export function wait(model: BodyModel, state: LiveState, seconds: number): Result<Lived> {
  if (!(seconds > 0 && seconds <= longestWait))
    return refuse('seconds', `A wait is above 0 and at most ${longestWait} seconds.`, String(seconds))
  const filming = filmed(model, state, seconds)
  const idle = state.run === 'recording' || state.held.length > 0 ? 0 : state.idleSeconds + seconds
  const next = { ...filming.state, seconds: state.seconds + seconds, idleSeconds: idle }
  const sleep = lookup(model).byMeaning.get('power.sleep')
  const minutes = sleep ? valueNow(model, state, sleep.id) : undefined
  const asleep = typeof minutes === 'number' && idle >= minutes * 60 && next.run === 'standby'
  if (!asleep) return ok({ state: next, log: filming.log })
  return ok({ state: { ...next, run: 'idle' }, log: [...filming.log, did(`Asleep after ${minutes} min.`)] })
}

/** Switched off or on. Off: nothing is held, what a snapshot bank does not keep is gone, a loaded file comes into force at the next start. */
export function power(model: BodyModel, state: LiveState, on: boolean): Result<Lived> {
  if (on === state.on) return ok({ state, log: [did(on ? 'It is on already.' : 'It is off already.')] })
  if (on && state.body.batteryPercent === 0) return ok({ state, log: [refusedIt('The battery is empty.')] })
  if (!on) {
    const stopped = state.run === 'recording' ? record(model, state) : { state, log: [] }
    const left = dropEdits(model, stopped.state)
    const off = {
      ...left.state,
      on,
      held: [],
      starters: [],
      leader: null,
      latched: [],
      list: null,
      run: 'idle' as const,
    }
    return ok({ state: off, log: [...stopped.log, ...left.log, did('Off.')] })
  }
  const started = operate(model, state.body, { kind: 'restart' })
  if (!started.ok) return started
  const next = { ...state, on, body: started.value.body, run: 'standby' as const, idleSeconds: 0 }
  return ok({ state: next, log: [did(`On. ${started.value.log}`)] })
}

/** The battery at a charge; at 0 the body goes off, and a film ends. */
export function battery(model: BodyModel, state: LiveState, percent: number): Result<Lived> {
  if (!(percent >= 0 && percent <= 100))
    return refuse('percent', 'A battery has 0 to 100 %.', String(percent))
  const charged = { ...state, body: { ...state.body, batteryPercent: percent } }
  if (percent > 0 || !state.on) return ok({ state: charged, log: [did(`Battery at ${percent} %.`)] })
  const off = power(model, charged, false)
  return off.ok ? ok({ state: off.value.state, log: [did('The battery is empty.'), ...off.value.log] }) : off
}

/** A lens mounted or taken off. */
export function mount(model: BodyModel, state: LiveState, lens: LensModel | null): Result<Lived> {
  if (lens && lens.adapter === undefined && lens.contacts && lens.fits !== model.maker)
    return ok({ state, log: [refusedIt(`${lens.name} does not fit ${model.name}.`)] })
  const says = lens?.contacts ? 'it talks to the body' : 'it tells the body nothing'
  return ok({
    state: { ...state, lens },
    log: [did(lens ? `${lens.name} is on; ${says}.` : 'No lens is on.')],
  })
}

/** Firmware renewed: to a later one only, with a charged battery; what is set stays, what it brought is there. */
export function firmware(model: BodyModel, state: LiveState, version: string): Result<Lived> {
  const found = model.firmware.find((one) => one.version === version)
  if (!found) {
    const known = model.firmware.map((one) => one.version).join(', ')
    return refuse('unknown-firmware', `${model.name} has firmware ${known}.`, version)
  }
  const [now, next] = [state.body.firmware, version].map((one) => firmwareNumber(one) ?? 0)
  if ((next ?? 0) <= (now ?? 0))
    return ok({ state, log: [refusedIt(`Firmware does not go from ${state.body.firmware} to ${version}.`)] })
  if (state.body.batteryPercent < leastBatteryPercent)
    return ok({
      state,
      log: [
        refusedIt(`The battery has ${state.body.batteryPercent} %; ${leastBatteryPercent} % are wanted.`),
      ],
    })
  const body = { ...state.body, firmware: version, pending: null }
  return ok({ state: { ...state, body, edits: {} }, log: [did(`Firmware ${version}. ${found.brings}`)] })
}

/** A marked dial, lever or switch moved by hand. */
export function lever(model: BodyModel, state: LiveState, id: string, value: Value): Result<Lived> {
  const setting = lookup(model).settings.get(id)
  if (!setting) return refuse('unknown-setting', `This model has no setting ${id}.`, id)
  if (setting.place !== 'physical')
    return refuse('not-physical', `${setting.label} is set in the menu: menu ${id} = …`, id)
  const fits = checkValue(setting.domain, value, id)
  if (!fits.ok) return fits
  const next = { ...state, marked: { ...state.marked, [id]: value } }
  return ok({ state: next, log: [did(`${setting.label} at ${showValue(setting.domain, value)}.`)] })
}

/** The card taken out, put back, locked, unlocked, or filled to the last byte. */
export function card(
  model: BodyModel,
  state: LiveState,
  what: Extract<LiveEvent, { kind: 'card' }>['what'],
): Result<Lived> {
  const now = state.body.card
  if (what === 'in' && now) return ok({ state, log: [did('A card is in already.')] })
  if (what !== 'in' && !now) return ok({ state, log: [refusedIt('There is no card.')] })
  const fresh: Card = { locked: false, freeBytes: 64_000_000_000, files: {} }
  const next: Card | null = {
    in: fresh,
    out: null,
    lock: now && { ...now, locked: true },
    unlock: now && { ...now, locked: false },
    full: now && { ...now, freeBytes: 0 },
  }[what]
  const stopped = what === 'out' && state.run === 'recording' ? record(model, state) : { state, log: [] }
  const words = {
    in: 'An empty card is in.',
    out: 'The card is out.',
    lock: 'The card is locked.',
    unlock: 'The card is unlocked.',
    full: 'The card is full.',
  }[what]
  const body = { ...stopped.state.body, card: next }
  return ok({ state: { ...stopped.state, body }, log: [...stopped.log, did(words)] })
}
