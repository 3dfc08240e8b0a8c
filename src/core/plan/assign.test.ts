import { rowNamed } from '@tests/fixtures/rows'
import { keyRow, noteRow } from './rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { models } from '@tests/fixtures/models'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import { must } from '../result'
import { addressesWith, assign, functionAt, leaveAsDelivered, move } from './assign'
import { emptyPlan, parsePlan } from './plan'
import { applyStep, setRows } from './step'

const plan = emptyPlan(heron)
const address = (key: string) => {
  const found = lookup(heron).addresses.get(key)
  if (!found) throw new Error(`no ${key}`)
  return found
}
const thumb = 'stills/thumb-key/press'
const crown = 'stills/crown-key/press'

describe('putting a function on a key', () => {
  it('says what it displaced, where that still is, and where it could go', () => {
    const made = must(assign(heron, plan, thumb, 'start-focus-eyes', 's'))
    expect(made.displaced).toMatchObject({ functionId: 'keep-exposure', alsoOn: [], menu: [] })
    expect(functionAt(must(applyStep(heron, plan, made.step)), address(thumb))).toBe('start-focus-eyes')
  })

  it('finds the displaced function on another key of the same side only', () => {
    const doubled = must(applyStep(heron, plan, must(assign(heron, plan, crown, 'keep-exposure', 's')).step))
    const made = must(assign(heron, doubled, thumb, 'start-focus', 't'))
    expect(made.displaced?.alsoOn.map((one) => one.key)).toEqual([crown])
  })

  it('offers empty keys that would accept what was displaced, those found at the finder first', () => {
    const emptied = ['stills/sill-fourth/press', 'stills/cheek-key/press'].reduce(
      (before, key) => must(applyStep(heron, before, must(assign(heron, before, key, 'nothing', key)).step)),
      plan,
    )
    const made = must(assign(heron, emptied, thumb, 'start-focus', 's'))
    expect(made.displaced?.couldGoTo.map((one) => one.control.id)).toEqual(['cheek-key', 'sill-fourth'])
    const meant = must(
      applyStep(
        heron,
        emptied,
        setRows(emptied, 'w', { [rowNamed('why/key/stills/cheek-key/press')]: 'By the cheek.' }),
      ),
    )
    const again = must(assign(heron, meant, thumb, 'start-focus', 's'))
    expect(again.displaced?.couldGoTo.map((one) => one.control.id)).toEqual(['sill-fourth'])
  })

  it('is refused with the reason when the key does not accept it', () => {
    expect(assign(heron, plan, 'stills/front-dial/turn', 'record', 's')).toMatchObject({
      refusal: { code: 'not-accepted', message: 'Front dial, turn, stills does not accept Movie record.' },
    })
    expect(assign(heron, plan, 'stills/no-key/press', 'record', 's')).toMatchObject({
      refusal: { code: 'unknown-address' },
    })
    expect(assign(heron, plan, thumb, 'keep-exposure', 's')).toMatchObject({ refusal: { code: 'same-key' } })
  })

  it('loses sight of nothing: what was on the key is displaced, or on another key still', () => {
    const any = planOf(heron).chain((base) =>
      fc
        .constantFrom(...lookup(heron).addresses.values())
        .chain((one) =>
          fc.tuple(fc.constant(base), fc.constant(one), fc.constantFrom(...acceptedFunctions(heron, one))),
        ),
    )
    fc.assert(
      fc.property(any, ([base, one, fn]) => {
        const before = functionAt(base, one)
        fc.pre(before !== null && before !== 'nothing' && before !== fn.id)
        const made = must(assign(heron, base, one.key, fn.id, 's'))
        const after = must(applyStep(heron, base, made.step))
        expect(made.displaced?.functionId).toBe(before)
        expect(made.displaced?.alsoOn).toEqual(addressesWith(heron, after, one.side, String(before)))
        expect(functionAt(after, one)).toBe(fn.id)
      }),
    )
  })
})

describe.each(models.map((model) => [model.name, model] as const))('on %s, moving', (_, model) => {
  it('from any key to any other gives a step that applies, or says why not', () => {
    const plain = emptyPlan(model)
    const keys = [...lookup(model).addresses.keys()]
    for (const from of keys)
      for (const to of keys.filter((_key, i) => i % 7 === 0)) {
        const moved = move(model, plain, from, to, 's')
        if (moved.ok)
          expect([from, to, applyStep(model, plain, moved.value.step).ok]).toEqual([from, to, true])
        else expect(moved.refusal.message).not.toBe('')
      }
  })
})

describe('moving a function to another key', () => {
  it('leaves the first key empty, so that what was displaced can go there', () => {
    const made = must(move(heron, plan, thumb, crown, 's'))
    const after = must(applyStep(heron, plan, made.step))
    expect(functionAt(after, address(crown))).toBe('keep-exposure')
    expect(functionAt(after, address(thumb))).toBe('nothing')
    expect(made.displaced).toMatchObject({ functionId: 'playback' })
    expect(made.displaced?.couldGoTo.map((one) => one.key)).toContain(thumb)
  })

  it('takes its reason along', () => {
    const reasoned = must(
      parsePlan(heron, {
        [noteRow('why', keyRow({ key: thumb }))]: 'Found in the dark.',
        [noteRow('why', keyRow({ key: crown }))]: 'Old.',
      }),
    )
    const after = must(applyStep(heron, reasoned, must(move(heron, reasoned, thumb, crown, 's')).step))
    expect(after.rows[noteRow('why', keyRow({ key: crown }))]).toBe('Found in the dark.')
    expect(after.rows[noteRow('why', keyRow({ key: thumb }))]).toBeUndefined()
  })

  it('is refused onto itself, onto a key that does not accept it, and from an unknown key', () => {
    expect(move(heron, plan, thumb, thumb, 's')).toMatchObject({ refusal: { code: 'same-key' } })
    expect(move(heron, plan, thumb, 'stills/front-dial/turn', 's')).toMatchObject({
      refusal: { code: 'not-accepted' },
    })
    expect(move(heron, plan, 'stills/x/y', thumb, 's')).toMatchObject({
      refusal: { code: 'unknown-address' },
    })
  })
})

it('leaving a key as delivered removes its row', () => {
  const taken = must(applyStep(heron, plan, must(assign(heron, plan, thumb, 'record', 's')).step))
  expect(must(applyStep(heron, taken, leaveAsDelivered(taken, address(thumb), 't')))).toEqual(plan)
})
