import { describe, expect, it } from 'vitest'
import { modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { burstIn } from '../banks/burst'
import { columnsOf } from '../banks/columns'
import { matrixOf } from '../banks/matrix'
import type { BodyModel } from '../model/types'
import { parsePlan } from '../plan/plan'
import { contextIn } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import type { Value } from '../vocabulary/values'
import { runChecks } from './checks'

const duet = modelCalled('varn-duet')
const heron = modelCalled('tarrow-heron')
const mere = modelCalled('hollin-mere')
const planOf = (model: BodyModel, rows: Record<string, Value>) =>
  must(
    parsePlan(model, Object.fromEntries(Object.entries(rows).map(([row, value]) => [rowNamed(row), value]))),
  )
const found = (model: BodyModel, rows: Record<string, Value>, check: string) =>
  runChecks(model, planOf(model, rows), []).filter((finding) => finding.check === check)

describe('a film size without the rate', () => {
  it.each([
    ['small', '100p', 'r50'],
    ['cinema', '30p', 'r60'],
    ['cinema', '60p', 'r60'],
  ])('on the Duet blocks: %s at %s in %s', (size, rate, region) => {
    const rows = { 'base/movie.size': size, 'base/movie.frameRate': rate, 'base/movie.region': region }
    const [one, ...more] = found(duet, rows, 'film-format')
    expect(more).toEqual([])
    expect(one).toMatchObject({ severity: 'blocks' })
    expect(one?.mends.length).toBeGreaterThan(0)
  })

  it('is told once where a rule refuses it already', () => {
    expect(found(duet, { 'base/movie.size': 'open', 'base/movie.frameRate': '50p' }, 'film-format')).toEqual(
      [],
    )
  })

  it('leaves alone what the body films', () => {
    expect(found(heron, { 'base/movie.size': 'wide', 'base/movie.frameRate': '60p' }, 'film-format')).toEqual(
      [],
    )
    expect(
      found(heron, { 'base/movie.size': 'small', 'base/movie.frameRate': '100p' }, 'film-format'),
    ).toEqual([])
  })
})

describe('a rate that the region turns into another', () => {
  it('problems: a planned 100p that becomes 30p is no matter of tidiness', () => {
    const [one] = found(duet, { 'base/movie.region': 'r60', 'base/movie.frameRate': '100p' }, 'forced-value')
    expect(one).toMatchObject({
      severity: 'problem',
      title: 'Movie frame rate: the camera replaces 100p by 30p',
    })
  })
})

describe('a burst', () => {
  const burst = (rows: Record<string, Value>) =>
    burstIn(
      mere,
      resolve(
        mere,
        planOf(mere, { 'base/drive.mode': 'burst', 'base/image.kind': 'raw', ...rows }),
        contextIn(mere, 'stills', null),
      ),
    )

  it('of 150 to 260 frames at 20 a second is over after 7.5 to 13 s; at 3 a second after 50 to 87', () => {
    expect(burst({ 'base/shutter.kind': 'silent', 'base/drive.rate': 20 })?.seconds).toEqual([7.5, 13])
    const [least, most] = burst({ 'base/shutter.kind': 'silent', 'base/drive.rate': 3 })?.seconds ?? [0, 0]
    expect([least, most]).toEqual([50, expect.closeTo(86.7, 1)])
  })

  it('asked faster than shutter and files allow is told, and reckoned at what they allow', () => {
    expect(burst({ 'base/shutter.kind': 'curtain', 'base/drive.rate': 24 })).toMatchObject({
      most: 12,
      seconds: [12.5, 260 / 12],
    })
    const rows = {
      'base/drive.mode': 'burst',
      'base/image.kind': 'raw',
      'base/shutter.kind': 'curtain',
      'base/drive.rate': 24,
    }
    expect(found(mere, rows, 'burst-rate')[0]).toMatchObject({
      reason: 'With Mechanical and raw files the camera reaches 12 a second at most.',
    })
    expect(found(mere, { ...rows, 'base/drive.rate': 12 }, 'burst-rate')).toEqual([])
  })
})

describe('what a bank keeps only while it is widened', () => {
  const rows = { 'bank/hand/crowd/side': 'stills', 'bank/hand/crowd/shutter.kind': 'silent' }
  const cell = (more: Record<string, Value>) => {
    const plan = planOf(mere, { ...rows, ...more })
    const matrix = matrixOf(mere, plan, columnsOf(mere, plan, []))
    const at = matrix.columns.findIndex(({ id }) => id === 'hand/crowd')
    return matrix.rows.find(({ setting }) => setting.id === 'shutter.kind')?.cells[at]
  }

  it('is not shown as in force while it is narrow, and is told with both ways out', () => {
    expect(cell({})).toMatchObject({ standing: 'outside', value: 'first' })
    expect(found(mere, rows, 'row-not-kept')[0]?.mends).toHaveLength(2)
    expect(cell({ 'base/controls.bankWidth': 'all' })).toMatchObject({ standing: 'varied', value: 'silent' })
  })
})
