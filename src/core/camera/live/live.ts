import type { BodyModel } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import { doAct } from './acts'
import { edit } from './edit'
import { did, refusedIt, type LiveEvent, type Lived } from './events'
import { focusWords, fullPress, press, keyUp, turn } from './hands'
import { setUp } from './set-up'
import { recall, register, toPosition } from './stand'
import type { LiveState } from './state'
import { shutWhileRecording } from './while-recording'
import { battery, card, firmware, lever, mount, power, wait } from './things'

/** What the hand does, and what a sleeping or dead camera does not feel. */
const byHand: ReadonlySet<LiveEvent['kind']> = new Set([
  ...([
    'press',
    'release',
    'full',
    'turn',
    'position',
    'recall',
    'register',
    'menu',
    'setUp',
    'act',
  ] as const),
])

/**
 * Steps a body through one event. Deterministic: time, light and faults come as events. What a real body would not do
 * is in the log as refused, the state as it was; what cannot be at all (a key the model has not, a key let go that is
 * not down) is a refusal of the event.
 */
export function live(model: BodyModel, state: LiveState, event: LiveEvent): Result<Lived> {
  if (!byHand.has(event.kind)) return around(model, state, event)
  if (!state.on) return ok({ state, log: [refusedIt('The camera is off.')] })
  const touched = { ...state, idleSeconds: 0 }
  const awake =
    state.run === 'idle' && event.kind !== 'release' ? { ...touched, run: 'standby' as const } : touched
  const done = handled(model, awake, event)
  if (!done.ok || awake.run === state.run) return done
  return ok({ state: done.value.state, log: [did('It wakes.'), ...done.value.log] })
}

function handled(model: BodyModel, state: LiveState, event: LiveEvent): Result<Lived> {
  switch (event.kind) {
    case 'press':
      return press(model, state, event.control, event.gesture)
    case 'release':
      return keyUp(model, state, event.control, event.gesture)
    case 'full':
      return fullPress(model, state)
    case 'turn':
      return turn(model, state, event)
    case 'position':
      return toPosition(model, state, event.position)
    case 'recall':
      return ok(recall(model, state, event.family, event.slot))
    case 'register':
      return register(model, state, event.family, event.slot)
    case 'menu':
      return inMenu(model, state, event)
    case 'setUp':
      return setUp(model, state, event.row, event.value)
    case 'act':
      return doAct(model, state, event.act, event.file)
    default:
      return refuse('unknown-event', `Nothing is called ${event.kind}.`)
  }
}

/** A change in the menu: in playback none opens, and while recording only a function menu does. */
function inMenu(
  model: BodyModel,
  state: LiveState,
  { setting, value }: Extract<LiveEvent, { kind: 'menu' }>,
): Result<Lived> {
  if (state.run === 'playback') return ok({ state, log: [refusedIt('The menu does not open in playback.')] })
  const shut = state.run === 'recording' ? shutWhileRecording(model, state, setting) : null
  if (shut !== null) return ok({ state, log: [refusedIt(shut)] })
  return edit(model, state, setting, value)
}

/** What happens around the camera. */
function around(model: BodyModel, state: LiveState, event: LiveEvent): Result<Lived> {
  switch (event.kind) {
    case 'wait':
      return wait(model, state, event.seconds)
    case 'power':
      return power(model, state, event.on)
    case 'battery':
      return battery(model, state, event.percent)
    case 'lens':
      return mount(model, state, event.lens)
    case 'lever':
      return lever(model, state, event.setting, event.value)
    case 'card':
      return card(model, state, event.what)
    case 'rotate':
      return ok({
        state: { ...state, orientation: event.orientation },
        log: [did(`Held ${event.orientation}.`)],
      })
    case 'posture':
      return ok({ state: { ...state, posture: event.posture }, log: [did(`Worked by ${event.posture}.`)] })
    case 'eye':
      return ok({
        state: { ...state, eye: event.at },
        log: [did(`The eye is ${event.at ? 'at' : 'off'} the finder.`)],
      })
    case 'attach': {
      const others = state.attached.filter((one) => one !== event.what)
      const next = { ...state, attached: event.on ? [...others, event.what] : others }
      return ok({ state: next, log: [did(`The ${event.what} is ${event.on ? 'on' : 'off'}.`)] })
    }
    case 'scene':
      return ok({
        state: { ...state, scene: event.scene },
        log: [
          did(`Before the lens: ${event.scene.subject}, EV ${event.scene.ev}; ${focusWords(model, state)}`),
        ],
      })
    case 'firmware':
      return firmware(model, state, event.version)
    case 'fail':
      return ok({
        state: { ...state, fault: event.fault },
        log: [did(`The next write goes wrong: ${event.fault}.`)],
      })
    default:
      return refuse('unknown-event', `Nothing is called ${event.kind}.`)
  }
}
