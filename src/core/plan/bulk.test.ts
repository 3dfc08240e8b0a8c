import { rowNamed } from '@tests/fixtures/rows'
import { type Rows, describeStep, keyRow, noteRow } from './rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { models } from '@tests/fixtures/models'
import { lookup } from '../model/lookup'
import { must } from '../result'
import {
  changeBase,
  copyBaseToSlots,
  followers,
  putBack,
  startFrom,
  takeIn,
  vary,
  type SlotChoice,
} from './bulk'
import { copySide } from './copy-side'
import { swapKeys } from './swap-keys'
import { functionAt } from './assign'
import { emptyPlan, parsePlan, plannedSlots, type Plan } from './plan'
import { applyStep } from './step'
import { invertStep, type Step } from '../sync/step'
import { strayRows } from './stray'

const planWith = (rows: Rows): Plan => must(parsePlan(heron, rows))
const after = (plan: Plan, step: Step): Plan =>
  step.changes.length === 0 ? plan : must(applyStep(heron, plan, step))
const slotOf = (plan: Plan, id: string) => {
  const slot = plannedSlots(heron, plan).find((one) => one.slot === id)
  if (!slot) throw new Error(`${id} is unused`)
  return slot
}
const all: SlotChoice[] = ['ebb', 'flow', 'slack'].map((slot) => ({ family: 'dial', slot, side: 'motion' }))

describe('base copied to every bank', () => {
  it('makes each a bank of that side that differs in nothing, and is taken back by one step', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const step = copyBaseToSlots(plan, all, 's')
        const copied = after(plan, step)
        const slots = plannedSlots(heron, copied)
        expect(slots.map((slot) => [slot.side, slot.rows])).toEqual(all.map(() => ['motion', {}]))
        if (step.changes.length > 0) expect(after(copied, invertStep(step, 'back')).rows).toEqual(plan.rows)
      }),
      { numRuns: 40 },
    )
  })
})

describe('a bank', () => {
  const copied = after(emptyPlan(heron), copyBaseToSlots(emptyPlan(heron), all, 's'))

  it('varied from base lists what is meant, and forgets it when it is as base again', () => {
    const once = after(
      copied,
      must(vary(heron, copied, slotOf(copied, 'ebb'), { 'movie.frameRate': '100p' }, 's')),
    )
    expect(once.rows[rowNamed('bank/dial/ebb/movie.frameRate')]).toBe('100p')
    expect(once.rows[rowNamed('bank/dial/ebb/meant')]).toEqual(['movie.frameRate'])
    expect(strayRows(heron, once, slotOf(once, 'ebb'))).toEqual({ residue: [], drift: [] })
    const back = must(vary(heron, once, slotOf(once, 'ebb'), { 'movie.frameRate': '25p' }, 's'))
    expect(after(once, back).rows).toEqual(copied.rows)
  })

  it('is refused what its family does not keep', () => {
    expect(vary(heron, copied, slotOf(copied, 'ebb'), { 'focus.lamp': false }, 's')).toMatchObject({
      refusal: { code: 'not-stored', message: 'AF assist lamp is not kept there.' },
    })
  })

  it('started from another shows its residue, and putting that back leaves it as base', () => {
    const varied = after(
      copied,
      must(vary(heron, copied, slotOf(copied, 'ebb'), { 'movie.frameRate': '100p' }, 's')),
    )
    const started = after(varied, must(startFrom(heron, varied, all[1] as SlotChoice, 'ebb', 's')))
    const flow = slotOf(started, 'flow')
    expect(strayRows(heron, started, flow).residue).toEqual(['movie.frameRate'])
    const clean = after(started, putBack(heron, started, flow, ['residue'], 's'))
    expect(slotOf(clean, 'flow').rows).toEqual({})
  })

  it('is not started from an unused one, nor from itself', () => {
    const to = all[0] as SlotChoice
    expect(startFrom(heron, emptyPlan(heron), to, 'flow', 's')).toMatchObject({
      refusal: { code: 'unused-slot' },
    })
    expect(startFrom(heron, copied, to, 'ebb', 's')).toMatchObject({ refusal: { code: 'same-slot' } })
  })
})

describe('a base row changed later', () => {
  const plan = after(
    planWith({ [rowNamed('base/movie.profile')]: 'flat' }),
    copyBaseToSlots(emptyPlan(heron), all.slice(0, 2), 's'),
  )

  it('is followed by the banks that have it from there, unless they keep the old value, marked as kept', () => {
    expect(followers(heron, plan, rowNamed('base/movie.profile')).map((slot) => slot.slot)).toEqual([
      'ebb',
      'flow',
    ])
    const step = must(
      changeBase(heron, plan, rowNamed('base/movie.profile'), 'log', [all[1] as SlotChoice], 's'),
    )
    const changed = after(plan, step)
    expect(changed.rows).toMatchObject({
      'base/movie.profile': 'log',
      'bank/dial/flow/movie.profile': 'flat',
      'source/bank/dial/flow/movie.profile': 'kept',
    })
    expect(changed.rows).not.toHaveProperty(['bank/dial/ebb/movie.profile'])
    expect(describeStep(heron, step)).toContain('Bank Flow, Tone curve: as base → Flat')
    expect(followers(heron, changed, rowNamed('base/movie.profile')).map((slot) => slot.slot)).toEqual([
      'ebb',
    ])
  })

  it('is refused where it is no row of the base', () => {
    expect(changeBase(heron, plan, rowNamed('title'), 'x', [], 's')).toMatchObject({
      refusal: { code: 'not-base' },
    })
    expect(changeBase(heron, plan, rowNamed('base/no.such'), 'x', [], 's').ok).toBe(false)
  })
})

describe('keys in bulk', () => {
  it('swapped twice are as they were, on every model, reasons included', () => {
    for (const model of models) {
      const keys = [...lookup(model).addresses.values()].filter((one) => one.side === 'stills')
      const plan = must(parsePlan(model, { [noteRow('why', keyRow({ key: keys[0]?.key ?? '' }))]: 'Mine.' }))
      for (const other of keys.slice(1, 6)) {
        const step = swapKeys(model, plan, keys[0]?.key ?? '', other.key, 's')
        if (!step.ok) continue
        const swapped = must(applyStep(model, plan, step.value))
        expect(functionAt(swapped, other)).toBe(keys[0] && (functionAt(plan, keys[0]) ?? 'nothing'))
        expect(swapped.rows[noteRow('why', keyRow(other))]).toBe('Mine.')
        const back = must(swapKeys(model, swapped, keys[0]?.key ?? '', other.key, 't'))
        expect(must(applyStep(model, swapped, back)).rows).toEqual(plan.rows)
      }
    }
  })

  it('are refused where one does not accept what the other has', () => {
    expect(
      swapKeys(heron, emptyPlan(heron), 'stills/thumb-key/press', 'stills/front-dial/turn', 's'),
    ).toMatchObject({
      refusal: { code: 'not-accepted' },
    })
  })

  it('of one side come to the other, and what cannot is named with the reason', () => {
    const plan = planWith({
      [rowNamed('key/stills/crest-key/press')]: 'edge-paint',
      [rowNamed('key/stills/cheek-key/press')]: 'bracket',
    })
    const { step, left } = copySide(heron, plan, 'stills', 'motion', 's')
    const copied = after(plan, step)
    expect(copied.rows[rowNamed('key/motion/crest-key/press')]).toBe('edge-paint')
    for (const { key, because } of left) {
      expect(copied.rows).not.toHaveProperty([keyRow({ key: key })])
      expect(because).toMatch(/does not accept .+ in motion/)
    }
    for (const address of lookup(heron).addresses.values()) {
      if (address.side !== 'motion' || left.some((one) => one.key === address.key)) continue
      const source = lookup(heron).addresses.get(address.key.replace('motion/', 'stills/'))
      const wanted = source && functionAt(plan, source)
      if (wanted) expect(functionAt(copied, address)).toBe(wanted)
    }
  })
})

describe('rows taken in', () => {
  it('leave the plan with exactly those, and the step is taken back like any other', () => {
    fc.assert(
      fc.property(planOf(heron), planOf(heron), (mine, theirs) => {
        const step = must(takeIn(heron, mine, theirs.rows, 's'))
        const taken = after(mine, step)
        expect(taken.rows).toEqual(theirs.rows)
        if (step.changes.length > 0) expect(after(taken, invertStep(step, 't')).rows).toEqual(mine.rows)
      }),
      { numRuns: 40 },
    )
  })

  it('are refused at the first that does not fit, with its id', () => {
    expect(takeIn(heron, emptyPlan(heron), { 'base/focus.mode@stills': 'sideways' }, 's')).toMatchObject({
      refusal: { where: 'base/focus.mode@stills' },
    })
  })
})
