import { describe, expect, it } from 'vitest'
import { modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import type { BodyModel } from '../model/types'
import { parsePlan } from '../plan/plan'
import { isKeyRow, type Rows } from '../plan/rows'
import { must } from '../result'
import { runChecks } from './checks'

const rowsOf = (rows: Record<string, string>): Rows =>
  Object.fromEntries(Object.entries(rows).map(([row, value]) => [rowNamed(row), value]))
const found = (model: BodyModel, rows: Record<string, string>, check: string) =>
  runChecks(model, must(parsePlan(model, rowsOf(rows))), []).filter(
    (finding) => finding.check === check && (!isKeyRow(finding.row) || Object.hasOwn(rows, finding.row)),
  )

const linden = modelCalled('brack-linden')
const mere = modelCalled('hollin-mere')
const heron = modelCalled('tarrow-heron')

describe('one function on two keys', () => {
  it('is no matter where a dial has it in several exposure modes', () => {
    const rows = {
      'key/stills/pad-wheel/turn': 'nothing',
      'key/stills/front-bezel/turn@manual': 'turn-iso',
      'key/stills/front-bezel/turn@full-auto': 'turn-iso',
    }
    expect(found(linden, rows, 'doubled').filter(({ side }) => side === 'stills')).toEqual([])
  })

  it('is no matter where two dials have it in different exposure modes, and is where they meet', () => {
    const rows = {
      'key/stills/pad-wheel/turn': 'nothing',
      'key/stills/front-bezel/turn@manual': 'turn-iso',
      'key/stills/rear-bezel/turn@full-auto': 'turn-iso',
    }
    expect(found(linden, rows, 'doubled').filter(({ side }) => side === 'stills')).toEqual([])
    const meeting = { ...rows, 'key/stills/rear-bezel/turn@manual': 'turn-iso' }
    const [twice] = found(linden, meeting, 'doubled').filter(({ side }) => side === 'stills')
    expect(twice?.title).toContain('on 2 keys')
  })

  it('is no matter on the keys of a grip, which have their twins on the body', () => {
    const rows = { 'key/stills/thumb-rest/press': 'lock-focus', 'key/stills/grip-rest/press': 'lock-focus' }
    expect(found(mere, rows, 'doubled').filter(({ title }) => title.includes('lock'))).toEqual([])
  })
})

describe('a key of the grip that is planned', () => {
  it('is looked at with the grip on, for who plans it has one', () => {
    const rows = { 'key/stills/grip-rest/press': 'lock-focus' }
    expect(found(mere, rows, 'dead-key')).toEqual([])
  })
})

describe('a function that lost its key', () => {
  it('is said to be set by a dial still, where one turns what it sets', () => {
    const lost = {
      'key/stills/thumb-wheel/tilt-right': 'magnifier',
      'key/stills/front-dial/turn': 'turn-iso',
    }
    const [finding] = found(heron, lost, 'displaced').filter(
      ({ row }) => row === rowNamed('key/stills/thumb-wheel/tilt-right'),
    )
    expect(finding).toMatchObject({
      severity: 'tidies',
      reason: expect.stringContaining('Thumb wheel, turn still sets it') as string,
    })
    expect(finding?.reason).not.toContain('left in the menu')
  })
})
