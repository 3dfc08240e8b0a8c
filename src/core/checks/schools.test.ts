import { describe, expect, it } from 'vitest'
import { keepingKeys, modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { schemes, schemeWork } from '../focus/schemes'
import type { BodyModel } from '../model/types'
import { parsePlan } from '../plan/plan'
import { must } from '../result'
import { disputes } from '../vocabulary/schools'
import { gridRow, isKeyRow, isSlotRow } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import { runChecks } from './checks'

const duet = modelCalled('varn-duet')
const mere = keepingKeys(modelCalled('hollin-mere'), 'hand')
const heron = modelCalled('tarrow-heron')
const planOf = (model: BodyModel, rows: Record<string, Value>) =>
  must(
    parsePlan(model, Object.fromEntries(Object.entries(rows).map(([row, value]) => [rowNamed(row), value]))),
  )
const against = (model: BodyModel, rows: Record<string, Value>) =>
  runChecks(model, planOf(model, rows), [])
    .filter(({ check }) => check === 'against-school')
    .map(({ row }) => String(row))

describe('a school', () => {
  it('holds for one side while the other side belongs to another', () => {
    const rows = {
      'school/balance-way@stills': 'auto',
      'school/balance-way@motion': 'kelvin',
      'base/colour.balanceMode@stills': 'auto',
      'base/colour.balanceMode@motion': 'kelvin',
    }
    expect(against(heron, rows)).toEqual([])
    expect(against(heron, { ...rows, 'base/colour.balanceMode@motion': 'auto' })).toEqual([
      'base/colour.balanceMode@motion',
    ])
    expect(against(heron, { ...rows, 'base/colour.balanceMode@stills': 'kelvin' })).toEqual([
      'base/colour.balanceMode@stills',
    ])
  })

  it('holds for one bank: by hand in the night bank, a priority elsewhere', () => {
    const bank = {
      'bank/dial/ebb/side': 'stills',
      'bank/dial/ebb/name': 'Night',
      'school/exposure-way@bank/dial/ebb': 'manual',
    }
    const found = against(heron, bank)
    expect(found).toContain('bank/dial/ebb/exposure.mode')
    expect(found.every((row) => isSlotRow(row))).toBe(true)
    expect(
      against(heron, {
        ...bank,
        'bank/dial/ebb/exposure.mode': 'manual',
        'bank/dial/ebb/exposure.isoAuto': false,
      }),
    ).toEqual([])
  })

  it('holds for one situation: base or any bank of its side that does it is enough, and where none does it is told', () => {
    const rows = {
      'situation/wings/side': 'motion',
      'situation/wings/name': 'In the wings',
      'school/balance-way@situation/wings': 'kelvin',
      'bank/dial/ebb/side': 'motion',
    }
    const told = (more: Record<string, Value>) =>
      runChecks(heron, planOf(heron, { ...rows, ...more }), []).filter(
        ({ row }) => row === rowNamed('school/balance-way@situation/wings'),
      )
    const [one, ...others] = told({})
    expect(others).toEqual([])
    expect([one?.side, one?.title]).toEqual([
      'motion',
      'In the wings: you chose in kelvin, but neither base nor a bank is set so',
    ])
    expect(one?.reason).toContain('White balance')
    expect(told({ 'base/colour.balanceMode@motion': 'kelvin' })).toEqual([])
    expect(told({ 'bank/dial/ebb/colour.balanceMode': 'kelvin' })).toEqual([])
    expect(told({ 'base/colour.balanceMode@stills': 'kelvin' })).toHaveLength(1)
  })

  it('of a bank decides there what is asked of its owner', () => {
    const halfSet = {
      'key/stills/brow-key/press': 'start-focus',
      'base/focus.halfPress@stills': false,
      'bank/set/oak/side': 'stills',
      'bank/set/oak/focus.halfPress': true,
    }
    const told = (rows: Record<string, Value>) =>
      runChecks(duet, planOf(duet, { ...halfSet, ...rows }), [])
        .filter(({ check }) => check === 'thumb-focus-half-set')
        .map(({ row }) => String(row))
    const everywhere = told({ 'school/focus-start': 'thumb' })
    expect(everywhere).toEqual(['bank/set/oak/focus.halfPress'])
    expect(told({ 'school/focus-start': 'thumb', 'school/focus-start@bank/set/oak': 'half-press' })).toEqual(
      [],
    )
    expect(told({ 'school/focus-start': 'half-press' })).toEqual([])
    expect(told({ 'school/focus-start': 'half-press', 'school/focus-start@bank/set/oak': 'thumb' })).toEqual(
      everywhere,
    )
  })

  it('of a bank is asked of the keys there, too', () => {
    const rows = { 'bank/hand/one/side': 'stills', 'school/recentre@bank/hand/one': 'key' }
    const told = (more: Record<string, Value>) =>
      runChecks(mere, planOf(mere, { ...rows, ...more }), [])
        .filter(({ row }) => row === rowNamed('school/recentre@bank/hand/one'))
        .map(({ title }) => title)
    expect(told({ 'bank/hand/one/key/stills/front-mid/press': 'centre-point' })).toEqual([])
    expect(told({})).toEqual([expect.stringContaining('on no key; for this bank you chose')])
  })

  it('of any preset is content with every one of them', () => {
    for (const preset of ['steady', 'sudden', 'erratic'])
      expect(
        against(duet, {
          'school/behaviour': 'preset',
          'base/focus.behaviour@stills': preset,
          'base/focus.behaviour@motion': preset,
        }),
      ).toEqual([])
    expect(
      against(duet, {
        'school/behaviour': 'preset',
        'base/focus.behaviour@stills': 'set',
        'base/focus.behaviour@motion': 'set',
      }),
    ).toHaveLength(2)
  })

  it('of switching by hand takes the screen as well as the finder', () => {
    for (const shown of ['finder', 'screen'])
      expect(against(duet, { 'school/finder-switch': 'manual', 'base/display.finderSwitch': shown })).toEqual(
        [],
      )
    expect(
      against(duet, { 'school/finder-switch': 'manual', 'base/display.finderSwitch': 'by-eye' }),
    ).toHaveLength(1)
  })

  it('asks for single and for continuous AF apart whether the picture waits', () => {
    const rows = {
      'school/release-single': 'waits',
      'school/release-follow': 'at-once',
      'base/focus.priorityOnce': 'focus',
      'base/focus.priorityFollow': 'release',
    }
    expect(against(heron, rows)).toEqual([])
    expect(against(heron, { ...rows, 'base/focus.priorityFollow': 'focus' })).toEqual([
      'base/focus.priorityFollow',
    ])
  })

  it('of a visible second way is not asked why a cell repeats a key', () => {
    const grid = heron.grids.find(({ side }) => side === 'stills')!
    const cells = {
      [gridRow(grid.id, 1)]: 'drive.mode',
      'key/stills/thumb-wheel/tilt-down': 'choose-release',
    }
    const asked = (more: Record<string, Value>) =>
      runChecks(heron, planOf(heron, { ...cells, ...more }), []).filter(({ check }) => check === 'cell-spent')
        .length
    expect(asked({})).toBeGreaterThan(0)
    expect(asked({ 'school/function-menu-use': 'second' })).toBe(0)
  })
})

describe('a way to start autofocus', () => {
  const scheme = (id: string) => schemes.find(({ school }) => school.id === id)!

  it('by taps leaves the AF mode list alone', () => {
    for (const mode of ['once', 'follow'])
      expect(
        schemeWork(
          heron,
          planOf(heron, { 'base/focus.mode@stills': mode }),
          'stills',
          scheme('tap'),
        ).changes.map(({ row }) => row),
      ).not.toContain('base/focus.mode@stills')
  })

  it('by half-press keeps the thumb key spare, with the reason, and empties nothing', () => {
    const { changes } = schemeWork(
      heron,
      planOf(heron, { 'key/stills/thumb-key/press': 'start-focus' }),
      'stills',
      scheme('half-press'),
    )
    expect(changes.filter(({ row }) => isKeyRow(row))).toEqual([])
    expect(changes.map(({ row, to }) => [row, to])).toContainEqual([
      'why/key/stills/thumb-key/press',
      'Kept spare: the half-press focuses.',
    ])
  })

  it('may flip single and continuous by a key, place the tracker in front, or stop by the thumb', () => {
    for (const id of ['flip', 'front', 'half-stop'])
      expect(schemeWork(duet, planOf(duet, {}), 'stills', scheme(id)).changes.length).toBeGreaterThan(0)
  })
})

describe('what nearly all agree on', () => {
  const agreed = (rows: Record<string, Value>) =>
    runChecks(heron, planOf(heron, rows), [])
      .filter(({ check }) => check === 'agreed-default')
      .map(({ row }) => String(row))

  it('is the lamp and the wind filter; sounds and quality are matters of school', () => {
    expect(
      agreed({
        'base/focus.lamp': true,
        'base/audio.windFilter': true,
        'base/body.sounds': true,
        'base/image.quality': 'normal',
      }),
    ).toEqual(['base/focus.lamp', 'base/audio.windFilter'])
    for (const id of ['sounds', 'quality', 'stabiliser-use'])
      expect(disputes.map((one) => one.id)).toContain(id)
  })

  it('says of lossy raw what it costs', () => {
    const lossy = disputes.find(({ id }) => id === 'raw-packing')?.schools.find(({ id }) => id === 'lossy')
    expect(lossy?.reason).toContain('shadows are noisier')
  })
})
