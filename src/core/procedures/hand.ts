import type { LiveEvent } from '../camera/live/events'
import { live } from '../camera/live/live'
import type { LiveState } from '../camera/live/state'
import type { Address } from '../model/addresses'
import type { BodyModel, Control } from '../model/types'

/** What the hand does with a control: "Press the crown key", "Turn the rear dial", "Thumb wheel: tilt left". */
export function pressWords({ control, gesture, when, name }: Address): string {
  const at = when === null ? '' : `, ${name}`
  if (gesture.id === 'press') return `Press ${theControl(control)}${at}`
  return gesture.id === 'turn' ? `Turn ${theControl(control)}${at}` : `${control.name}: ${name}`
}

/** A control as it stands in a sentence: "the thumb focus key". */
export function theControl({ name }: Pick<Control, 'name'>): string {
  const isAcronym = /^[A-Z]{2}/.test(name)
  return `the ${isAcronym ? name : `${name.charAt(0).toLowerCase()}${name.slice(1)}`}`
}

/** A key goes down. */
export function hold({ control, gesture }: Address): LiveEvent {
  return { kind: 'press', control: control.id, gesture: gesture.id }
}

/** A key that is down goes up. */
export function release({ control, gesture }: Address): LiveEvent {
  return { kind: 'release', control: control.id, gesture: gesture.id }
}

/** A key pressed and let go, a dial turned by a click; a key that does its work at once is not down any more to be let go. */
export function tap(model: BodyModel, state: LiveState, key: Address): LiveEvent[] {
  if (key.gesture.id === 'turn')
    return [{ kind: 'turn', control: key.control.id, gesture: key.gesture.id, clicks: 1 }]
  const down = live(model, state, hold(key))
  return down.ok && down.value.state.held.includes(key.key) ? [hold(key), release(key)] : [hold(key)]
}
