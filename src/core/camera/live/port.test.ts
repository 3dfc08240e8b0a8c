import fc from 'fast-check'
import { heron } from '@tests/fixtures/heron'
import { lenses } from '@tests/fixtures/models'
import { started, theatre } from '@tests/fixtures/started'
import { describe, expect, it } from 'vitest'
import { withDelta, type Delta } from '@/core/delta'
import { addressesOfControl } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import { keyRow } from '@/core/plan/rows'
import { contextIn, newestFirmware } from '@/core/resolve/context'
import { factoryMemory } from '../memory'
import { afterAct, withKeysHeld, type HandAct } from './in-hand'
import { bodyPort } from './port'
import { seenOf, type Seen } from './seen'
import { liveAt } from './stand-at'

const plan = started(heron, theatre)
const context = contextIn(heron, 'stills', null)
const thumb = { control: 'thumb-key', gesture: 'press' } as const

/** A body behind its port, and all that is seen of it by what the port has sent. */
function standing(held: readonly string[] = []) {
  const port = bodyPort()
  let seen: unknown = null
  const take = (delta: Delta | null) => {
    if (delta) seen = withDelta(seen, structuredClone(delta))
  }
  port.begin(heron, lenses)
  take(port.stand(plan, { context, held }))
  return { port, take, seen: () => seen as Seen, act: (act: HandAct) => take(port.act(act)) }
}

const keys = heron.controls
  .flatMap(({ id }) => addressesOfControl(heron, 'stills', id))
  .map(({ control, gesture }) => ({ control: control.id, gesture: gesture.id }))
const anyAct: fc.Arbitrary<HandAct> = fc.oneof(
  fc.constantFrom(...keys).map((key) => ({ kind: 'press' as const, ...key })),
  fc.constantFrom(...keys).map((key) => ({ kind: 'let-go' as const, ...key })),
  fc.constant({ kind: 'let-all-go' as const }),
  fc.constantFrom({ kind: 'full' as const }, { kind: 'eye' as const, at: false }).map((event) => ({
    kind: 'event' as const,
    event,
  })),
)

describe('a body behind its port', () => {
  it('is seen by what changed as it is, whatever a hand does', () => {
    fc.assert(
      fc.property(fc.array(anyAct, { minLength: 1, maxLength: 8 }), (acts) => {
        const { act, seen } = standing()
        let body = withKeysHeld(heron, liveAt(heron, plan, context), [])
        for (const one of acts) {
          act(one)
          body = afterAct(heron, body, one)
          expect(seen()).toEqual(structuredClone(seenOf(heron, body)))
        }
      }),
      { numRuns: 12 },
    )
  })

  it('sends little where little changed', () => {
    const { port, take, seen } = standing()
    const whole = JSON.stringify(seen()).length
    const delta = port.act({ kind: 'event', event: { kind: 'eye', at: false } })
    take(delta)
    expect(seen().eye).toBe(false)
    expect(JSON.stringify(delta).length).toBeLessThan(whole / 5)
  })

  it('has a key down that is pressed, lets go of it when it is pressed again, and never of one that is up', () => {
    const { act, seen } = standing()
    act({ kind: 'press', ...thumb })
    expect(seen().held).toEqual(['stills/thumb-key/press'])
    act({ kind: 'press', ...thumb })
    expect(seen().held).toEqual([])
    const { length } = seen().story
    act({ kind: 'let-go', ...thumb })
    expect(seen().story).toHaveLength(length)
  })

  it('begins with keys down, lets go of all of them, and stands anew when told to', () => {
    const { port, take, act, seen } = standing(['stills/thumb-key/press', 'stills/gone/press'])
    expect(seen().held).toEqual(['stills/thumb-key/press'])
    act({ kind: 'let-all-go' })
    expect(seen().held).toEqual([])
    take(port.stand(plan, { context, held: [] }))
    expect(seen().story).toEqual([])
  })

  it('plays a script from where it stood, and is as it was where the script is wrong', () => {
    const { port, take, seen } = standing()
    const played = port.play('press thumb-key/press\nexpect side motion')
    take(played.delta)
    expect(played.wrong).toBeNull()
    expect(seen().story.map(({ instead }) => instead !== null)).toEqual([true, false])
    const before = seen()
    const wrong = port.play('fly')
    take(wrong.delta)
    expect(wrong.wrong).toContain('line 1: ')
    expect(seen()).toBe(before)
  })

  it('has to be made to stand before a hand is on it', () => {
    expect(() => bodyPort().act({ kind: 'let-all-go' })).toThrow('stand first')
    expect(() => bodyPort().stand(plan, { context, held: [] })).toThrow('begin comes first')
  })
})

describe('a body that holds a memory of its own', () => {
  const delivered = { memory: factoryMemory(heron), firmware: newestFirmware(heron) }
  const address = 'stills/thumb-key/press'
  const held = () => {
    const body = standing()
    body.take(body.port.hold(delivered))
    return body
  }

  it('is not the plan’s any more, until a plan is set on it again', () => {
    const body = held()
    const factory = lookup(heron).addresses.get(address)?.factory
    expect(body.seen().keys[address]?.functionId).toBe(factory)
    expect(body.seen().story).toEqual([])
    const rows = { ...plan.rows, [keyRow({ key: address })]: 'start-focus-eyes' }
    body.take(body.port.stand({ ...plan, rows }, { context, held: [] }))
    expect(body.seen().keys[address]?.functionId).toBe('start-focus-eyes')
  })

  it('undoes what was only tried when the next thing is done, and keeps it in the story', () => {
    const body = held()
    const press = { kind: 'press', ...thumb } as const
    body.take(body.port.doing([{ events: [press], isTried: true }]))
    expect(body.seen().held).toEqual([address])
    body.take(body.port.doing([{ events: [{ kind: 'full' }] }]))
    expect(body.seen().held).toEqual([])
    expect(body.seen().story.map(({ id }) => id)).toEqual([1, 0])
    body.take(body.port.doing([{ events: [press] }, { events: [] }]))
    body.act({ kind: 'event', event: { kind: 'full' } })
    expect(body.seen().held).toEqual([address])
  })
})
