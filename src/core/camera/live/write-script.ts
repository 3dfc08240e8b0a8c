import { lookup } from '../../model/lookup'
import { showValue } from '../../model/domain'
import type { BodyModel } from '../../model/types'
import type { Value } from '../../vocabulary/values'
import type { LiveEvent } from './events'

/** An event as a line of a script: what `parseScript` reads is the same event again. */
export function writeEvent(model: BodyModel, event: LiveEvent): string {
  switch (event.kind) {
    case 'press':
    case 'release':
      return `${event.kind} ${event.control}/${event.gesture}`
    case 'full':
      return 'full'
    case 'turn':
      return `turn ${event.control}/${event.gesture} ${event.clicks}`
    case 'lever':
    case 'menu':
      return `${event.kind} ${event.setting} = ${typed(model, event.setting, event.value)}`
    case 'setUp':
      return `setup ${event.row} = ${event.value === null ? 'none' : JSON.stringify(event.value)}`
    case 'position':
      return `position ${event.position}`
    case 'recall':
      return `recall ${event.family} ${event.slot ?? 'plain'}`
    case 'register':
      return `register ${event.family} ${event.slot}`
    case 'act':
      return ['act', event.act, event.file].filter((one) => one !== undefined).join(' ')
    case 'wait':
      return `wait ${event.seconds}`
    case 'power':
      return `power ${event.on ? 'on' : 'off'}`
    case 'battery':
      return `battery ${event.percent}`
    case 'lens':
      return `lens ${event.lens?.id ?? 'none'}`
    case 'rotate':
      return `rotate ${event.orientation}`
    case 'posture':
      return `posture ${event.posture}`
    case 'attach':
      return `${event.on ? 'attach' : 'detach'} ${event.what}`
    case 'eye':
      return `eye ${event.at ? 'yes' : 'no'}`
    case 'card':
      return `card ${event.what}`
    case 'scene':
      return `scene ${event.scene.ev} ${event.scene.subject}`
    case 'firmware':
      return `firmware ${event.version}`
    case 'fail':
      return `fail ${event.fault}`
  }
}

/** A value so that it is read back as the same: a list by its ids, everything else as it is shown or written. */
function typed(model: BodyModel, id: string, value: Value): string {
  const domain = lookup(model).settings.get(id)?.domain
  if (typeof value === 'object') return value.join(', ')
  return domain?.kind === 'toggle' ? showValue(domain, value) : String(value)
}
