import { live } from '@/core/camera/live/live'
import type { LiveEvent, Lived } from '@/core/camera/live/events'
import { resolutionNow } from '@/core/camera/live/key-presses'
import type { LiveState } from '@/core/camera/live/state'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, ModelFunction } from '@/core/model/types'
import { resolve } from '@/core/resolve/resolve'
import { decisive, type ResolvedAddress } from '@/core/resolve/resolved'
import { must } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import { stoodOf, type Stood } from './cases'
import { agree, property } from './property'

/** What a key does in the hand is what is said of it. */
export const keyProperties = [
  property(
    'a key said to be dead or to do nothing changes nothing, and says why; one said to work does something',
    12,
    stoodOf,
    (model, stood) => {
      for (const key of keysOf(stood)) {
        const fn = functionOn(model, key)
        if (!fn) continue
        const { verdict } = key
        const after = workedBoth(model, stood.body, key, fn)
        const changed = after.some((one) => different(model, stood.body, one.state))
        const words = after.flatMap((one) => one.log.map((line) => line.words)).join(' ')
        const said = `${key.address.key} with ${fn.id} ${verdict}: ${words}`
        if (verdict === 'dead') agree(said, [changed, /dead|only while/.test(words)], [false, true])
        if (verdict === 'inert' && fn.manner !== 'hold')
          agree(said, [changed, /does nothing/.test(words)], [false, true])
        if (verdict === 'works' && sets(fn))
          agree(said, changed || /cannot be chosen|is lost|only while|never been stored/.test(words), true)
      }
    },
  ),
  property('what a held key brings is what the body then has', 10, stoodOf, (model, stood) => {
    for (const key of keysOf(stood)) {
      const fn = functionOn(model, key)
      if (!fn || key.verdict === 'dead' || key.verdict === 'test' || fn.manner !== 'hold') continue
      const after = worked(model, stood.body, key).state
      if (!after.held.includes(key.address.key) || after.run !== stood.body.run) continue
      const said = resolve(model, stood.plan, { ...stood.context, held: [fn.id] }).settings
      const has = resolutionNow(model, after).settings
      for (const [id, { value, setting }] of said)
        if (setting.place !== 'lens' && setting.place !== 'local')
          agree(`${key.address.key} with ${fn.id} held, ${id}`, has.get(id)?.value, value)
    }
  }),
  property('a toggle pressed twice brings back what was', 12, stoodOf, (model, stood) => {
    for (const key of keysOf(stood)) {
      const fn = functionOn(model, key)
      if (fn?.manner !== 'toggle' || key.verdict === 'dead') continue
      const [setting] = fn.changes
      const once = worked(model, stood.body, key)
      if (once.log.some((line) => line.kind !== 'did')) continue
      const again = resolutionNow(model, once.state).addresses.get(key.address.key)
      if (again?.effectiveFunctionId !== fn.id || decisive(again)?.rule === 'refused-next') continue
      const twice = worked(model, once.state, key)
      if (twice.log.some((line) => line.kind !== 'did')) continue
      const said = `${key.address.key} with ${fn.id}`
      const of = (body: LiveState) =>
        setting === undefined ? [[...body.latched].sort(), body.side] : valueOf(model, body, setting)
      agree(said, of(twice.state), of(stood.body))
    }
  }),
]

/** The keys that answer where the body stands. */
function keysOf({ resolution }: Stood): ResolvedAddress[] {
  return [...resolution.addresses.values()].filter((one) => one.active)
}

function functionOn(model: BodyModel, key: ResolvedAddress): ModelFunction | undefined {
  return lookup(model).functions.get(key.effectiveFunctionId ?? '')
}

/** Whether a function sets a setting there and then. */
function sets({ manner, changes }: ModelFunction): boolean {
  return changes.length > 0 && (manner === 'toggle' || manner === 'cycle' || manner === 'turn')
}

/** The body after a key was worked: turned by a click, or pressed and let go. */
function worked(model: BodyModel, body: LiveState, key: ResolvedAddress, clicks = 1): Lived {
  const { control, gesture } = key.address
  const at = { control: control.id, gesture: gesture.id }
  const turns = functionOn(model, key)?.manner === 'turn'
  const event: LiveEvent = turns ? { kind: 'turn', ...at, clicks } : { kind: 'press', ...at }
  const done = must(live(model, body, event))
  if (!done.state.held.includes(key.address.key)) return done
  return done
}

function workedBoth(model: BodyModel, body: LiveState, key: ResolvedAddress, fn: ModelFunction): Lived[] {
  return fn.manner === 'turn'
    ? [worked(model, body, key, 1), worked(model, body, key, -1)]
    : [worked(model, body, key)]
}

function valueOf(model: BodyModel, body: LiveState, setting: string): Value | undefined {
  return resolutionNow(model, body).settings.get(setting)?.value
}

/** Whether anything about a body is another than before, but for the clock. */
function different(model: BodyModel, before: LiveState, after: LiveState): boolean {
  if (before.side !== after.side || before.run !== after.run || before.list !== after.list) return true
  if (before.latched.join() !== after.latched.join() || before.held.join() !== after.held.join()) return true
  const [was, is] = [before, after].map((body) => resolutionNow(model, body).settings)
  return [...was!.values()].some(
    (one) => JSON.stringify(one.value) !== JSON.stringify(is!.get(one.setting.id)?.value),
  )
}
