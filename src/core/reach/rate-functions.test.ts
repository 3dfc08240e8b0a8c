import { rowNamed } from '@tests/fixtures/rows'
import { keyRow } from '../plan/rows'
import { neededOn } from './needs'
import { describe, expect, it } from 'vitest'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { started } from '@tests/fixtures/started'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import { parsePlan } from '../plan/plan'
import { must } from '../result'
import { settingsWithoutEffect } from '../resolve/without-effect'
import { menuUses } from './menu-uses'
import { gainsAt, reachOf } from './reach'
import { usesOf } from './report'
import { rateFunctions } from './rate-functions'

const few = lenses.slice(0, 2)

describe.each(namedModels)('what each function would save on a key of the %s', (_name, model) => {
  it('is the difference of two whole reckonings, needed or not', () => {
    const plan = started(model, ['stage', 'interviews'])
    const before = reachOf(model, plan, few)
    const keys = [...lookup(model).addresses.values()].filter(
      ({ side, when }) => side !== 'playback' && !when,
    )
    for (const address of keys.filter((_, i) => i % 29 === 0)) {
      const gains = gainsAt(before, address)
      for (const { id } of acceptedFunctions(model, address)) {
        const rows = { ...plan.rows, [keyRow(address)]: id }
        const after = reachOf(model, { ...plan, rows }, few)
        expect(gains.get(id), `${address.key} ${id}`).toBeCloseTo(before.seconds - after.seconds, 6)
      }
    }
  })
})

describe('the functions of a key', () => {
  const heron = modelCalled('tarrow-heron')
  const plan = started(heron, ['stage'], {
    [rowNamed('lens/attic-90')]: true,
    [rowNamed('lens/tarrow-45')]: true,
  })
  const thumb = lookup(heron).addresses.get('stills/thumb-key/press')
  if (!thumb) throw new Error('there is a thumb key')

  it('stand best first: those that work everywhere; of these what is needed, then by what they save', () => {
    const all = rateFunctions(heron, plan, lenses, thumb, reachOf(heron, plan, lenses))
    expect(all.map(({ fn }) => fn.id).sort()).toEqual(
      acceptedFunctions(heron, thumb)
        .map(({ id }) => id)
        .sort(),
    )
    const everywhere = all.filter(({ fn, works, of }) => works === of && fn.manner !== 'none')
    expect(all.slice(0, everywhere.length)).toEqual(everywhere)
    const needed = neededOn(heron, plan, 'stills')
    const [first, then] = [true, false].map((isFirst) =>
      everywhere
        .filter(({ fn, gain }) => (needed(fn) > 0 && gain > 0) === isFirst)
        .map(({ gain }) => Math.round(gain * 10)),
    )
    expect(first?.length).toBeGreaterThan(0)
    for (const gains of [first, then]) expect(gains).toEqual([...(gains ?? [])].sort((a, b) => b - a))
    const split = everywhere.findIndex(({ fn, gain }) => !(needed(fn) > 0 && gain > 0))
    expect(split).toBe(first?.length)
    for (const { fn, gain } of all) if (fn.means === 'menu.full') expect(gain).toBeLessThanOrEqual(0)
    for (const { fn, works, of, reasons } of all)
      if (fn.manner !== 'none' && works < of) expect(reasons.length, fn.id).toBeGreaterThan(0)
  })

  it('are counted by how often each key is the quickest way', () => {
    const report = reachOf(heron, plan, lenses)
    const counted = [...usesOf(report).values()].reduce((sum, count) => sum + count, 0)
    const reached = report.reached.filter(({ best }) => best !== null)
    expect(counted).toBe(reached.reduce((sum, { need }) => sum + need.perOuting, 0))
  })
})

describe('what menus are needed for', () => {
  const heron = modelCalled('tarrow-heron')

  it('is told for each setting of a side, with the way, and whether a key does it already', () => {
    const plan = started(heron, ['stage', 'interviews'], {
      [rowNamed('base/exposure.mode@stills')]: 'manual',
    })
    const report = reachOf(heron, plan, few)
    const uses = menuUses(heron, report, 'stills')
    expect(uses.get('exposure.shutter')).toMatchObject({ needed: 30, onKey: true, way: 'Front dial, turn' })
    expect(uses.get('exposure.compensation')).toMatchObject({ needed: 40, onKey: false })
    expect(uses.has('audio.level')).toBe(false)
    expect(menuUses(heron, report, 'motion').has('exposure.metering')).toBe(false)
  })

  it('says which settings do nothing on a side, and why', () => {
    const plan = must(parsePlan(heron, { 'base/focus.detection@stills': false }))
    const idle = settingsWithoutEffect(heron, plan, lenses)
    expect(idle.get('focus.detectionSubject')).toContainEqual(
      expect.objectContaining({
        side: 'stills',
        because: expect.stringContaining('Subject detection is off') as string,
      }),
    )
    expect(idle.has('exposure.shutter')).toBe(true)
    expect(idle.has('exposure.metering')).toBe(false)
  })
})
