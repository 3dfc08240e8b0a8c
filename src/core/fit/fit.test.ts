import { rowNamed } from '@tests/fixtures/rows'
import { type Rows, addressKeyOf } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { modelCalled, models, namedModels } from '@tests/fixtures/models'
import { parsePlan } from '../plan/plan'
import { must } from '../result'
import { fit } from './fit'

const duet = modelCalled('varn-duet')
const pell = modelCalled('pell-pocket')
const fitted = (rows: Rows, other = duet) => fit(heron, must(parsePlan(heron, rows)), other)
const line = (rows: Rows, other = duet) => fitted(rows, other).lines[0]

describe('a plan on another model', () => {
  it('carries settings by what they mean, whatever they are called', () => {
    expect(line({ [rowNamed('base/focus.halfPress@stills')]: false })).toMatchObject({
      how: 'carried',
      was: 'Base, AF on half-press, stills: off',
      becomes: 'Base, AF on half-press, stills: off',
    })
  })

  it('takes the nearest step where a scale ends, and says so', () => {
    expect(line({ [rowNamed('base/exposure.shutter@stills')]: '1/8000' }, pell)).toMatchObject({
      how: 'nearest',
      becomes: 'Base, Exposure: shutter speed, stills: 1/4000',
      because: '1/8000 is not on its scale; the nearest is 1/4000.',
    })
    expect(line({ [rowNamed('base/drive.rate')]: 12 }, pell)).toMatchObject({ how: 'nearest' })
  })

  it('says what is lost, and what is offered instead', () => {
    expect(line({ [rowNamed('base/movie.profile')]: 'log' }, pell)).toMatchObject({
      how: 'absent',
      because: 'Movie: tone curve has no Log. It offers Normal, Flat.',
    })
    expect(line({ [rowNamed('base/assist.safeArea')]: true }, pell)?.because).toBe(
      'Pocket has no setting for Frame guides.',
    )
  })

  it('puts functions on the free key nearest to where they were, each on its own', () => {
    const { lines, plan } = fitted({
      [rowNamed('key/stills/thumb-key/press')]: 'start-focus-eyes',
      [rowNamed('key/stills/cheek-key/press')]: 'start-focus-point',
    })
    expect(lines.map((one) => one.how)).not.toContain('absent')
    const keys = Object.entries(plan.rows)
    expect(new Set(keys.map(([row]) => row)).size).toBe(2)
    expect(keys.map(([, fn]) => fn).sort()).toEqual(['start-focus-eyes', 'start-focus-point'])
    for (const [row] of keys) expect(addressKeyOf(row)).toMatch(/^stills\/[a-z-]+\/press$/)
  })

  it('brings reasons along with what they are about', () => {
    const { plan } = fitted({
      [rowNamed('base/focus.detection@stills')]: false,
      [rowNamed('why/base/focus.detection@stills')]: 'Puppets.',
    })
    expect(plan.rows[rowNamed('why/base/focus.detection@stills')]).toBe('Puppets.')
  })

  it('gives slots to slots that hold their side, and says which rows those do not keep', () => {
    const { lines, plan, free } = fitted({
      [rowNamed('bank/dial/ebb/side')]: 'motion',
      [rowNamed('bank/dial/ebb/name')]: 'Interviews',
      [rowNamed('bank/dial/ebb/movie.frameRate')]: '50p',
      [rowNamed('bank/dial/flow/side')]: 'stills',
    })
    expect(plan.rows).toMatchObject({
      'bank/set/river/side': 'motion',
      'bank/set/river/name': 'Interviews',
      'bank/set/river/movie.frameRate': '50p',
      'bank/set/oak/side': 'stills',
    })
    expect(lines.every((one) => one.how === 'carried')).toBe(true)
    expect(free.slots).toEqual(['Ash', 'Elm', 'Yew', 'Brook'])
  })

  it('cuts names that are too long, and says so', () => {
    const rows = { 'bank/dial/ebb/side': 'stills', 'bank/dial/ebb/name': 'Rehearsals' }
    const name = fitted(rows, pell).lines.find((one) => one.row === rowNamed('bank/dial/ebb/name'))
    expect(name).toMatchObject({ how: 'nearest', becomes: 'Bank Desk, name: Rehearsal' })
  })

  it.each(namedModels)(
    'from the %s is sound on every other, and every row is accounted for',
    (_name, model) => {
      fc.assert(
        fc.property(planOf(model), fc.constantFrom(...models.map((one) => one.id)), (plan, id) => {
          const other = modelCalled(id)
          const { plan: there, lines } = fit(model, plan, other)
          expect(parsePlan(other, there.rows).ok).toBe(true)
          expect(lines.map((one) => one.row).sort()).toEqual(Object.keys(plan.rows).sort())
          expect(lines.filter((one) => one.how !== 'absent').length).toBe(Object.keys(there.rows).length)
          for (const one of lines) expect(one.because).not.toBe('')
          expect(fit(model, plan, other)).toEqual({ plan: there, lines, free: fit(model, plan, other).free })
        }),
        { numRuns: 12 },
      )
    },
  )

  it.each(namedModels)('of the same model, the %s, keeps every key where it was', (_name, model) => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        const keys = ({ rows }: { rows: Rows }) =>
          Object.entries(rows).filter(([row]) => addressKeyOf(row)?.includes('@') === false)
        const named = keys(plan).filter(
          ([, id]) => model.functions.find((fn) => fn.id === id)?.means !== null,
        )
        const kept = new Map(keys(fit(model, plan, model).plan))
        for (const [row] of named) expect([...kept.keys()]).toContain(row)
      }),
      { numRuns: 12 },
    )
  })
})
