import type { Address } from '../model/addresses'
import { addressOfMeaning, lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { plannedContext, usualContext, type Context } from '../resolve/context'
import { effectiveState, type State } from '../resolve/state'
import { halfPressSetting } from '../resolve/held'
import { resolve } from '../resolve/resolve'
import { answers, type StateIn } from '../resolve/resolved'
import { startsFocus } from '../vocabulary/focus-roles'
import type { Value } from '../vocabulary/values'
import { theControl } from './hand'
import { Composer } from './composer'
import type { RescueAt } from './place'
import type { SetOrder } from './wanted'

/** Most causes that are named: more than these are not looked for with the camera at the eye. */
const mostCauses = 5

/** A cause, how sure it is in this plan and bank, and how near its remedy is to the hand: 0 at the keys, 3 in the menu. */
interface Cause {
  readonly id: string
  readonly isSo: boolean
  readonly far: 0 | 1 | 2 | 3
  readonly words: string
  readonly because: string
  readonly key?: Address
  readonly where?: string
}

/**
 * It does not focus: the likely causes in this plan and bank, those that hold for certain first, then the nearest to the
 * hand. At most five.
 */
export function rescue(order: SetOrder, at: RescueAt, stateIn?: StateIn): Composer {
  const composer = new Composer(order)
  const { model, plan } = order
  const usual = usualContext(model, plan, order.lenses, at.side)
  const context: Context = at.slot
    ? plannedContext(model, plan, at.side, at.slot, usual?.context.lens)
    : (usual?.context ?? plannedContext(model, plan, at.side, null))
  const resolution = (stateIn ?? ((one) => resolve(model, plan, one)))(context)
  const state = effectiveState(model, plan, context)
  const keyFor = (isOf: (means: string) => boolean) =>
    [...lookup(model).addresses.values()].find((one) => {
      const found = resolution.addresses.get(one.key)
      if (one.side !== at.side || !found?.active || !answers(found.verdict)) return false
      return isOf(lookup(model).functions.get(found.effectiveFunctionId ?? '')?.means ?? '')
    })
  const causes = causesIn({ model, context, state, keyFor })
  for (const cause of causes
    .sort((a, b) => Number(b.isSo) - Number(a.isSo) || a.far - b.far)
    .slice(0, mostCauses))
    composer.add({
      id: `cause/${cause.id}`,
      kind: cause.key ? 'press' : 'look',
      words: cause.words,
      where: cause.where ?? cause.key?.control.where ?? '',
      part: cause.isSo ? 'So in this plan' : 'May be',
      asks: cause.words,
      because: cause.because,
      control: cause.key?.control.id ?? null,
      expect: 'It focuses',
    })
  return composer
}

interface Looked {
  readonly model: BodyModel
  readonly context: Context
  readonly state: State
  readonly keyFor: (isOf: (means: string) => boolean) => Address | undefined
}

/** Every cause that can hold on this body. */
function causesIn(looked: Looked): Cause[] {
  return [
    byHand,
    wrongKey,
    noContacts,
    locked,
    lensSwitch,
    wrongSubject,
    pointAway,
    rangeLimited,
    tooNear,
  ].flatMap((one) => one(looked) ?? [])
}

function value({ model, state }: Looked, means: string): Value | undefined {
  const id = lookup(model).byMeaning.get(means)?.id
  return id === undefined ? undefined : state.chains.get(id)?.at(-1)?.value
}

const pressed = ({ control, gesture, name }: Address) =>
  gesture.id === 'press' ? theControl(control) : `${theControl(control)} (${name})`

function byHand(at: Looked): Cause | null {
  if (value(at, 'focus.mode') !== 'manual') return null
  const key = at.keyFor((one) => one === 'focus.flipMode' || one === 'focus.chooseMode')
  return {
    id: 'manual',
    isSo: true,
    far: key ? 0 : 3,
    words: key ? `Press ${pressed(key)} to leave manual focus` : 'Leave manual focus in the menu',
    because: 'Manual focus is set here.',
    ...(key ? { key } : { where: addressOfMeaning(at.model, 'focus.mode') }),
  }
}

function wrongKey(at: Looked): Cause | null {
  const half = halfPressSetting(at.model, at.context.side)
  if (half === null || at.state.chains.get(half)?.at(-1)?.value !== false) return null
  const key = at.keyFor((one) => startsFocus(one, false))
  return {
    id: 'half-press',
    isSo: true,
    far: 0,
    words: key
      ? `Hold ${pressed(key)}: half-press does not focus`
      : 'Nothing on a key starts autofocus, and half-press does not',
    because: 'Half-press focusing is off in this plan.',
    ...(key ? { key } : { where: lookup(at.model).menuAddress.get(half) ?? '' }),
  }
}

function noContacts(at: Looked): Cause | null {
  if (at.context.lens.contacts) return null
  return {
    id: 'no-contacts',
    isSo: true,
    far: 1,
    words: 'Focus with the ring',
    because: `${at.context.lens.name} has no contacts: no autofocus.`,
  }
}

function locked(at: Looked): Cause | null {
  const what = value(at, 'controls.lockWhat')
  if (what === undefined) return null
  const key = at.keyFor((one) => one === 'controls.lock')
  return {
    id: 'lock',
    isSo: false,
    far: key ? 0 : 2,
    words: key
      ? `Look for the lock sign: ${pressed(key)} unlocks`
      : 'Look for the lock sign, and unlock the controls',
    because: 'Locked controls do not answer.',
    ...(key ? { key } : {}),
  }
}

function lensSwitch({ context }: Looked): Cause | null {
  if (!context.lens.contacts) return null
  return {
    id: 'lens-switch',
    isSo: false,
    far: 1,
    words: 'Push the switch on the lens to AF',
    because: 'A lens switched to manual overrules the camera.',
  }
}

function wrongSubject(at: Looked): Cause | null {
  const detection = value(at, 'focus.detection')
  if (detection !== true) return null
  const key = at.keyFor((one) => one === 'focus.toggleDetection' || one === 'focus.nextSubject')
  return {
    id: 'subject',
    isSo: false,
    far: key ? 0 : 3,
    words: key
      ? `Press ${pressed(key)}: detection may hold on to something else`
      : 'Switch subject detection off',
    because: 'Detection is on: it takes what looks like its subject, a painted face too.',
    ...(key ? { key } : { where: addressOfMeaning(at.model, 'focus.detection') }),
  }
}

function pointAway(at: Looked): Cause {
  const key = at.keyFor((one) => one === 'focus.centrePoint' || one === 'focus.pointHome')
  return {
    id: 'point',
    isSo: false,
    far: key ? 0 : 2,
    words: key ? `Press ${pressed(key)} to bring the AF point back` : 'Move the AF point back to the middle',
    because: 'The point may have been moved, by the nose on the screen too.',
    ...(key ? { key } : {}),
  }
}

function rangeLimited(at: Looked): Cause | null {
  const range = value(at, 'focus.rangeLimit')
  if (range === undefined || range === 'full') return null
  return {
    id: 'range',
    isSo: true,
    far: 3,
    words: 'Set the focus range limit to full',
    because: 'The focus range is limited.',
    where: addressOfMeaning(at.model, 'focus.rangeLimit'),
  }
}

function tooNear({ context }: Looked): Cause | null {
  if (!context.lens.contacts) return null
  return {
    id: 'near',
    isSo: false,
    far: 1,
    words: 'Step back half a metre',
    because: 'Nothing focuses nearer than its lens can.',
  }
}
