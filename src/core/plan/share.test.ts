import { rowNamed } from '@tests/fixtures/rows'
import { isShared } from './cells'
import { baseCellOf, describeStep, idsOf } from './rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { chipped, heldHeron, heron } from '@tests/fixtures/heron'
import { carriedRows, memoryOf } from '../camera/memory'
import { faultsOf } from '../model/faults/faults'
import { lookup } from '../model/lookup'
import type { Setting, Side } from '../model/types'
import { contextIn } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import { emptyPlan, parsePlan, type Plan } from './plan'
import { unshare, share } from './share'
import { applyStep } from './step'

const settingOf = (id: string): Setting => {
  const found = lookup(heldHeron).settings.get(id)
  if (!found) throw new Error(`no ${id}`)
  return found
}
const iso = settingOf('exposure.iso')
const shutter = settingOf('exposure.shutter')
const { sides } = heldHeron
const valueOn = (plan: Plan, side: Side, setting: Setting) =>
  resolve(heldHeron, plan, contextIn(heldHeron, side, null, chipped))
    .settings.get(setting.id)
    ?.chain.findLast((link) => link.layer !== 'rule')?.value
const apply = (plan: Plan, step: ReturnType<typeof share>) => must(applyStep(heldHeron, plan, must(step)))

describe('the share list', () => {
  it('is part of a sound model, and only settings with a cell for each side may be on it', () => {
    expect(faultsOf(heldHeron)).toEqual([])
    const odd = {
      ...heron,
      settings: heron.settings.map((one) => (one.id === 'focus.lamp' ? { ...one, shared: true } : one)),
    }
    expect(faultsOf(odd)).toMatchObject([{ code: 'place' }])
  })

  it('lets both sides read one cell', () => {
    const plan = must(parsePlan(heldHeron, { 'base/exposure.shutter@both': '1/50' }))
    expect(valueOn(plan, 'stills', shutter)).toBe('1/50')
    expect(valueOn(plan, 'motion', shutter)).toBe('1/50')
  })

  it('on sharing takes the value of the side one stands in', () => {
    const plan = must(
      parsePlan(heldHeron, { 'base/exposure.iso@stills': 'ISO 400', 'base/exposure.iso@motion': 'ISO 800' }),
    )
    const step = must(share(plan, iso, 'motion', sides, 's'))
    expect(describeStep(heldHeron, step)).toContain('Share list, ISO: apart → shared')
    const shared = must(applyStep(heldHeron, plan, step))
    expect(sides.map((side) => valueOn(shared, side, iso))).toEqual(['ISO 800', 'ISO 800'])
  })

  it('on parting copies the value to both, and then they differ', () => {
    const plan = must(parsePlan(heldHeron, { 'base/exposure.shutter@both': '1/50' }))
    const parted = apply(plan, unshare(plan, shutter, sides, 's'))
    expect(sides.map((side) => valueOn(parted, side, shutter))).toEqual(['1/50', '1/50'])
    const changed = must(
      applyStep(heldHeron, parted, {
        id: 't',
        changes: [{ row: rowNamed('base/exposure.shutter@stills'), from: '1/50', to: '1/500' }],
      }),
    )
    expect(sides.map((side) => valueOn(changed, side, shutter))).toEqual(['1/500', '1/50'])
  })

  it('shared and parted again leaves the side one stood in as it was', () => {
    fc.assert(
      fc.property(planOf(heldHeron), fc.constantFrom(...sides), (plan, side) => {
        fc.pre(!isShared(plan.rows, iso))
        const shared = apply(plan, share(plan, iso, side, sides, 'a'))
        const again = apply(shared, unshare(shared, iso, sides, 'b'))
        for (const one of sides) expect(valueOn(again, one, iso)).toBe(valueOn(plan, side, iso))
      }),
      { numRuns: 40 },
    )
  })

  it('is carried, with one cell where shared and two where apart', () => {
    const apart = must(parsePlan(heldHeron, { 'share/exposure.shutter': false }))
    const cells = (plan: Plan) =>
      idsOf(carriedRows(heldHeron, memoryOf(heldHeron, plan))).filter(
        (row) => baseCellOf(row)?.setting === 'exposure.shutter',
      )
    expect(cells(emptyPlan(heldHeron))).toEqual(['base/exposure.shutter@both'])
    expect(cells(apart)).toEqual(['base/exposure.shutter@stills', 'base/exposure.shutter@motion'])
  })

  it('refuses what is not on it, and what is so already', () => {
    const plan = emptyPlan(heldHeron)
    expect(share(plan, settingOf('focus.persistence'), 'stills', sides, 's')).toMatchObject({
      refusal: { code: 'not-shared' },
    })
    expect(share(plan, shutter, 'stills', sides, 's')).toMatchObject({ refusal: { code: 'same' } })
    expect(unshare(plan, iso, sides, 's')).toMatchObject({ refusal: { code: 'same' } })
    expect(parsePlan(heron, { 'share/focus.persistence': true })).toMatchObject({
      refusal: { code: 'not-shared' },
    })
    expect(parsePlan(heron, { 'base/focus.persistence@both': 4 })).toMatchObject({
      refusal: { code: 'unknown-row' },
    })
  })
})
