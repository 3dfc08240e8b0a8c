import { describe, expect, it } from 'vitest'
import { modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { bankGridRow, bankOwnRow, gridRow, ownRow, type Rows } from '../plan/rows'
import { parsePlan } from '../plan/plan'
import { contextIn } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import type { BodyModel } from '../model/types'
import { pathsTo, type Path } from './paths'
import { timesOf } from './operators'

const duet = modelCalled('varn-duet')
const sure: BodyModel = { ...duet, doubts: duet.doubts.filter(({ about }) => !about.startsWith('families')) }
const oak = { family: 'set', slot: 'oak' }
const ash = { family: 'set', slot: 'ash' }

/** The ways to metering on the stills side of a Duet in a slot. */
function waysIn(model: BodyModel, rows: Rows, slot: { family: string; slot: string } | null): Path[] {
  const plan = must(
    parsePlan(model, {
      ...rows,
      [rowNamed('bank/set/oak/side')]: 'stills',
      [rowNamed('bank/set/ash/side')]: 'stills',
    }),
  )
  const context = contextIn(model, 'stills', slot)
  return pathsTo(
    {
      model,
      plan,
      resolution: resolve(model, plan, context),
      side: 'stills',
      posture: 'finder',
      times: timesOf(plan),
      gridCounts: true,
    },
    { what: 'exposure.meterTimer', flags: [] },
  )
}

const tiersOf = (paths: readonly Path[]) => [...new Set(paths.map(({ tier }) => tier))]
const cell = (item: string, slot = 'oak') => ({ [bankGridRow('set', slot, 'pane', 1)]: item })
const line = (item: string, slot = 'oak') => ({ [bankOwnRow('set', slot, 1, 1)]: item })

describe('a bank that keeps a function menu of its own', () => {
  it('is reached by it in that bank only', () => {
    const rows = cell('exposure.meterTimer')
    expect(tiersOf(waysIn(sure, rows, oak))).toContain('function-menu')
    expect(tiersOf(waysIn(sure, rows, ash))).not.toContain('function-menu')
    expect(tiersOf(waysIn(sure, rows, null))).not.toContain('function-menu')
  })

  it('loses there what the plan has in that cell', () => {
    const rows = { [gridRow('pane', 1)]: 'exposure.meterTimer', ...cell('focus.area') }
    expect(tiersOf(waysIn(sure, rows, oak))).not.toContain('function-menu')
    expect(tiersOf(waysIn(sure, rows, ash))).toContain('function-menu')
  })

  it('is counted neither way while nobody knows whether it keeps it', () => {
    const rows = { [gridRow('pane', 1)]: 'exposure.meterTimer', ...cell('focus.area') }
    expect(tiersOf(waysIn(duet, rows, oak))).not.toContain('function-menu')
    expect(tiersOf(waysIn(duet, cell('exposure.meterTimer'), oak))).not.toContain('function-menu')
    const same = { [gridRow('pane', 1)]: 'exposure.meterTimer', ...cell('exposure.meterTimer') }
    expect(tiersOf(waysIn(duet, same, oak))).toContain('function-menu')
  })
})

describe('a bank that keeps an own menu of its own', () => {
  it('is reached by it in that bank only, and loses what the plan has there', () => {
    const rows = { [ownRow(1, 1)]: 'exposure.meterTimer', ...line('focus.area') }
    expect(tiersOf(waysIn(duet, line('exposure.meterTimer'), oak))).toContain('own-menu')
    expect(tiersOf(waysIn(duet, line('exposure.meterTimer'), ash))).not.toContain('own-menu')
    expect(tiersOf(waysIn(duet, rows, oak))).not.toContain('own-menu')
    expect(tiersOf(waysIn(duet, rows, ash))).toContain('own-menu')
  })

  it('is refused on a body whose banks do not keep it', () => {
    const mere = modelCalled('hollin-mere')
    expect(parsePlan(mere, { [rowNamed('bank/hand/one/own/1/1')]: 'focus.area' })).toMatchObject({
      ok: false,
      refusal: { code: 'not-stored' },
    })
  })
})
