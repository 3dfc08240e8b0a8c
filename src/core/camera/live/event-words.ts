import { keyName } from '../../model/controls'
import { showValue } from '../../model/domain'
import { orientationWords, postureWords } from '../../model/hand-words'
import { describeRow, showRow } from '../../plan/rows'
import { itemName, lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import type { Value } from '../../vocabulary/values'
import type { LiveEvent } from './events'

/** What the owner calls a bank. */
export interface SlotName {
  readonly family: string
  readonly slot: string
  readonly name: string
}

/**
 * An event in words, as somebody beside the camera would say it, such as "Thumb focus key pressed"; a bank by its owner's name, where
 * it has one among the slots in use, and the camera's.
 */
export function eventWords(model: BodyModel, event: LiveEvent, slots: readonly SlotName[] = []): string {
  const bankName = (familyId: string, slotId: string) => {
    const family = model.families.find(({ id }) => id === familyId)
    const word = nameIn(family?.slots ?? [], slotId)
    const own = slots.find(({ family: of, slot }) => of === familyId && slot === slotId)?.name ?? word
    return own === word ? word : `${own} (${word})`
  }
  switch (event.kind) {
    case 'press':
      return `${keyWords(model, event)} pressed`
    case 'release':
      return `${keyWords(model, event)} let go`
    case 'full':
      return 'Shutter button pressed all the way'
    case 'turn':
      return `${keyWords(model, event)} turned ${Math.abs(event.clicks)} ${Math.abs(event.clicks) === 1 ? 'click' : 'clicks'}${event.clicks < 0 ? ' back' : ''}`
    case 'lever':
      return `${settingWords(model, event.setting)} by hand: ${valueWords(model, event.setting, event.value)}`
    case 'menu':
      return `${settingWords(model, event.setting)} in the menu: ${valueWords(model, event.setting, event.value)}`
    case 'setUp':
      return `${describeRow(model, event.row)}: ${showRow(model, event.row, event.value)}`
    case 'position': {
      const turned = model.positions.find(({ id }) => id === event.position)
      const bank = turned?.family && turned.slot ? bankName(turned.family, turned.slot) : null
      return `Mode dial: ${bank ?? turned?.name ?? event.position}`
    }
    case 'recall': {
      const family = model.families.find(({ id }) => id === event.family)
      if (event.slot === null) return `${family?.name ?? event.family}: no bank`
      return `${family?.name ?? event.family}: ${bankName(event.family, event.slot)}`
    }
    case 'register': {
      const family = model.families.find(({ id }) => id === event.family)
      return `Stored to ${family?.name ?? event.family}: ${bankName(event.family, event.slot)}`
    }
    case 'act':
      return `${itemName(model, event.act)}${event.file === undefined ? '' : ` (${event.file})`}`
    case 'wait':
      return `${event.seconds} ${event.seconds === 1 ? 'second' : 'seconds'} later`
    case 'power':
      return event.on ? 'Switched on' : 'Switched off'
    case 'battery':
      return `Battery at ${event.percent} %`
    case 'lens':
      return event.lens ? `Lens on: ${event.lens.name}` : 'Lens off'
    case 'rotate':
      return `Held ${orientationWords[event.orientation]}`
    case 'posture':
      return `Held: ${postureWords[event.posture]}`
    case 'attach':
      return `${sentence(event.what)} ${event.on ? 'on' : 'off'}`
    case 'eye':
      return event.at ? 'Eye to the finder' : 'Eye off the finder'
    case 'card':
      return cardWords[event.what]
    case 'scene':
      return `In front of it: ${event.scene.subject}, EV ${event.scene.ev}`
    case 'firmware':
      return `Firmware ${event.version}`
    case 'fail':
      return `Something fails: ${event.fault.replaceAll('-', ' ')}`
  }
}

const cardWords = {
  out: 'Card out',
  in: 'Card in',
  lock: 'Card locked',
  unlock: 'Card unlocked',
  full: 'Card full',
} as const

function keyWords(model: BodyModel, { control, gesture }: { control: string; gesture: string }): string {
  const of = [...lookup(model).addresses.values()].find(
    (one) => one.control.id === control && one.gesture.id === gesture,
  )
  if (!of) return `${control}, ${gesture}`
  return of.gesture.name === 'turn'
    ? of.control.name
    : keyName({ address: { ...of, name: of.gesture.name, when: null } })
}

function settingWords(model: BodyModel, id: string): string {
  return lookup(model).settings.get(id)?.label ?? id
}

function valueWords(model: BodyModel, id: string, value: Value): string {
  const setting = lookup(model).settings.get(id)
  return setting ? showValue(setting.domain, value) : String(value)
}

function nameIn(named: readonly { readonly id: string; readonly name: string }[], id: string): string {
  return named.find((one) => one.id === id)?.name ?? id
}

function sentence(words: string): string {
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`
}
