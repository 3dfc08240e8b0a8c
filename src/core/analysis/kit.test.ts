import { describe, expect, it } from 'vitest'
import { bag, inventoryOf, library } from '@tests/fixtures/inventories'
import { modelCalled } from '@tests/fixtures/models'
import { liveAt } from '../camera/live/stand-at'
import { runScript } from '../camera/live/run-script'
import { equipmentFor, equipped } from '../inventory/equip'
import { recordIds, rowsOfRecord } from '../inventory/rows'
import { must, ok, refuse } from '../result'
import { applyStep } from '../plan/step'
import type { BodyModel } from '../model/types'
import { parsePlan } from '../plan/plan'
import type { Context } from '../resolve/context'
import type { Value } from '../vocabulary/values'
import { Analysis } from './analysis'

type Written = Readonly<Record<string, Value>>

const heron = modelCalled('tarrow-heron')
const mere = modelCalled('hollin-mere')

/** What a plan amounts to with an inventory beside it. */
function analysed(model: BodyModel, rows: Written, inventory: Written): Analysis {
  const equipment = equipmentFor(model, library, inventoryOf(inventory))
  return new Analysis(model, equipment.lenses, equipped(must(parsePlan(model, rows)), equipment))
}

const checksOf = (analysis: Analysis) =>
  analysis.ask({ kind: 'findings' }).map(({ check, title }) => `${check}: ${title}`)
const columnsOf = (analysis: Analysis, side: 'stills' | 'motion') =>
  (analysis.ask({ kind: 'focus', side, lens: null, posture: 'finder' }) ?? []).map(
    ({ state }) => state.context,
  )

/** What the simulated body logs for a press, standing as a context says. */
function pressed(model: BodyModel, { plan }: Analysis, context: Context, control: string): string {
  const done = must(runScript(model, liveAt(model, plan, context), `press ${control}`, library.lenses))
  return done.played.flatMap(({ log }) => log.map((line) => `${line.kind}: ${line.words}`)).join(' ')
}

/** The state a side is used in plainly. */
function plain(analysis: Analysis, side: 'stills' | 'motion'): Context {
  const [context] = columnsOf(analysis, side)
  if (!context) throw new Error('there is a state')
  return context
}

describe('an older body that is added', () => {
  const key = { 'key/stills/ridge-key/press': 'brightened-view' }
  const bodies = (firmware: string) => ({
    'body/heron-a/model': 'tarrow-heron',
    'body/heron-a/firmware': '2.0',
    'body/heron-b/model': 'tarrow-heron',
    'body/heron-b/firmware': firmware,
  })

  it('takes from the plan what it lacks, and the body itself agrees', () => {
    const now = analysed(heron, key, bodies('1.0'))
    const older = plain(now, 'stills')
    expect(older.firmware).toBe('1.0')
    expect(now.stateIn(older).addresses.get('stills/ridge-key/press')?.verdict).not.toBe('works')
    expect(checksOf(now)).toContainEqual(
      expect.stringMatching(/^needs-newer-firmware: Body heron-b cannot hold/),
    )
    expect(pressed(heron, now, older, 'ridge-key')).toMatch(/refused|nothing/)

    const newer = analysed(heron, key, bodies('1.2'))
    const better = plain(newer, 'stills')
    expect(newer.stateIn(better).addresses.get('stills/ridge-key/press')?.verdict).toBe('works')
    expect(checksOf(newer)).not.toContainEqual(expect.stringMatching(/^needs-newer-firmware/))
    expect(pressed(heron, newer, better, 'ridge-key')).not.toMatch(/refused|nothing/)
  })

  it('is what every column of the banks stands on', () => {
    const banks = { ...key, 'bank/dial/ebb/side': 'stills', 'bank/dial/flow/side': 'motion' }
    const columns = analysed(heron, banks, bodies('1.0')).ask({ kind: 'banks' }).columns
    expect(columns.length).toBeGreaterThan(3)
    expect(new Set(columns.map(({ context }) => context.firmware))).toEqual(new Set(['1.0']))
  })

  it('tells the rows that were decided on the firmware before', () => {
    const stamp = { ...key, 'decidedOn/key/stills/ridge-key/press': '1.2 heron-b' }
    expect(checksOf(analysed(heron, stamp, bodies('1.2')))).not.toContainEqual(
      expect.stringMatching(/^older-firmware/),
    )
    expect(checksOf(analysed(heron, stamp, bodies('2.0')))).toContainEqual(
      expect.stringMatching(/^older-firmware: .*firmware 1\.2/),
    )
  })
})

describe('a body that was updated', () => {
  it('has its rows looked at again, together where there are several', () => {
    const rows = {
      'base/focus.lamp': false,
      'decidedOn/base/focus.lamp': '1.0 heron-a',
      'base/body.sounds': false,
      'decidedOn/base/body.sounds': '1.0 heron-a',
    }
    const body = { 'body/heron-a/model': 'tarrow-heron', 'body/heron-a/firmware': '1.2' }
    const now = analysed(heron, rows, body)
    const [told] = now.ask({ kind: 'findings' }).filter(({ check }) => check === 'older-firmware')
    expect(told?.title).toBe('2 rows were decided on an older firmware')
    const [all] = told?.mends ?? []
    expect(all?.label).toBe('All 2 seen with it')
    const after = must(
      applyStep(heron, now.plan, must(all === undefined ? refuse('none', 'no mend') : ok(all.step))),
    )
    expect(checksOf(new Analysis(heron, now.lenses, after))).not.toContainEqual(
      expect.stringMatching(/^older-firmware/),
    )
  })
})

describe('a lens without contacts that is added', () => {
  const owned = new Set(
    recordIds(inventoryOf(bag).rows, 'lens').flatMap((id) =>
      rowsOfRecord(inventoryOf(bag).rows, 'lens', id).map(String),
    ),
  )
  const lens = Object.fromEntries(Object.entries(bag).filter(([id]) => owned.has(id)))
  const talking = { 'lens/tarrow-45/like': 'tarrow-45' }

  it('has its own columns, and asks for its focal length', () => {
    const before = analysed(heron, {}, talking)
    const after = analysed(heron, {}, lens)
    expect(new Set(columnsOf(before, 'stills').map((one) => one.lens.id))).toEqual(new Set(['tarrow-45']))
    expect(checksOf(before)).not.toContainEqual(expect.stringMatching(/^typed-focal/))
    expect(checksOf(after)).toContainEqual(expect.stringMatching(/^typed-focal: Loft 35/))
    const banks = (analysis: Analysis) =>
      analysis.ask({ kind: 'focus', side: 'stills', lens: 'loft', posture: 'finder' })
    expect(banks(after)?.[0]?.state.context.lens.id).toBe('loft')
  })

  it('stays at home where the plan says so', () => {
    const home = analysed(heron, { 'lens/loft': false }, lens)
    expect(checksOf(home)).not.toContainEqual(expect.stringMatching(/^typed-focal/))
  })
})

describe('a grip that is added', () => {
  const rows = { 'key/stills/grip-rest/press': 'start-focus' }
  const body = (grip: boolean) => ({
    'body/mere/model': 'hollin-mere',
    'body/mere/firmware': '2.1',
    'body/mere/grip': grip,
  })

  it('has its keys answer; without it they do not, and the body itself agrees', () => {
    const on = analysed(mere, rows, body(true))
    const off = analysed(mere, rows, body(false))
    expect(plain(on, 'stills')).toMatchObject({ attached: ['grip'] })
    expect(plain(off, 'stills')).toMatchObject({ attached: [], off: ['grip', 'adapter'] })
    const verdict = (analysis: Analysis) =>
      analysis.stateIn(plain(analysis, 'stills')).addresses.get('stills/grip-rest/press')?.verdict
    expect(verdict(on)).toBe('works')
    expect(verdict(off)).not.toBe('works')
    expect(pressed(mere, on, plain(on, 'stills'), 'grip-rest')).toMatch(/focus/i)
    expect(pressed(mere, off, plain(off, 'stills'), 'grip-rest')).toMatch(/refused|grip/)
  })
})
