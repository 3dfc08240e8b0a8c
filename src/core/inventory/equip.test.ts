import { describe, expect, it } from 'vitest'
import { bag, inventoryOf, library } from '@tests/fixtures/inventories'
import { modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { must } from '../result'
import { parsePlan, plannedLenses, type Plan } from '../plan/plan'
import type { Value } from '../vocabulary/values'
import { equipmentFor, equipped } from './equip'

const heron = modelCalled('tarrow-heron')
const mere = modelCalled('hollin-mere')
const planned = (rows: Readonly<Record<string, Value>>): Plan => must(parsePlan(heron, rows))
const withBag = (plan: Plan, more: Readonly<Record<string, Value>> = {}) =>
  equipped(plan, equipmentFor(heron, library, inventoryOf({ ...bag, ...more }))).rows

describe('a plan with what its owner has', () => {
  it('takes lenses that fit, firmware, prefix, the slowest card and what is always plugged in', () => {
    const rows = withBag(planned({}))
    expect(rows).toEqual({
      'lens/tarrow-45': true,
      'lens/loft': true,
      'body/heron-a/firmware': '2.0',
      'body/heron-b/firmware': '1.0',
      'body/heron-a/files.prefix': 'LHA',
      'card/one/size': 128,
      'card/one/rate': 20,
      'gear/microphone': 'always',
    })
  })

  it('is one that the model accepts, row by row', () => {
    for (const model of library.models) {
      const { rows, facts } = equipmentFor(model, library, inventoryOf(bag))
      expect(parsePlan(model, { ...rows, ...facts }).ok).toBe(true)
    }
  })

  it('leaves lenses of another maker out, and bodies of another model', () => {
    const rows = equipmentFor(mere, library, inventoryOf({ ...bag, 'lens/barn/like': 'barn-85' })).rows
    expect(rows).toEqual({ [rowNamed('lens/barn')]: true, [rowNamed('gear/microphone')]: 'always' })
  })

  it('lets the plan have its own way, but for what a body is', () => {
    const own = planned({
      'lens/loft': false,
      'body/heron-a/files.prefix': 'XYZ',
      'body/heron-b/firmware': '2.0',
      'gear/microphone': 'none',
    })
    const rows = withBag(own)
    expect(rows).toMatchObject({
      'lens/loft': false,
      'body/heron-a/files.prefix': 'XYZ',
      'body/heron-b/firmware': '1.0',
      'gear/microphone': 'none',
    })
    expect(plannedLenses({ ...own, rows })).toEqual(['tarrow-45'])
  })

  it('is the very plan where there is nothing', () => {
    const plan = planned({ title: 'Alone' })
    expect(equipped(plan, equipmentFor(heron, library, inventoryOf({})))).toBe(plan)
  })

  it('reckons with the slowest and the smallest of several cards of a slot', () => {
    const rows = withBag(planned({}), {
      'card/red/in': 'heron-b/one',
      'card/red/size': 64,
      'card/red/rate': 90,
      'card/green/in': 'heron-a/two',
      'card/green/rate': 250,
    })
    expect(rows).toMatchObject({ 'card/one/size': 64, 'card/one/rate': 20, 'card/two/rate': 250 })
    expect(rows).not.toHaveProperty('card/two/size')
  })

  it('says what is on a body as soon as anything is said of it', () => {
    const said = { 'body/mere/model': 'hollin-mere', 'body/mere/adapter': false }
    const on = (more: Readonly<Record<string, Value>>) =>
      equipmentFor(mere, library, inventoryOf({ ...said, ...more })).rows[rowNamed('body/mere/on')]
    expect(on({})).toEqual([])
    expect(on({ 'body/mere/grip': true })).toEqual(['grip'])
  })
})
