import { rowNamed } from '@tests/fixtures/rows'
import { type Rows, bankFactRow } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { duetRows } from '@tests/fixtures/duet'
import { heron } from '@tests/fixtures/heron'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import type { BodyModel, Side } from '../model/types'
import { emptyPlan, parsePlan, plannedSlots, type Plan } from '../plan/plan'
import { unshare, share } from '../plan/share'
import { applyStep } from '../plan/step'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import { columnsOf, rowIn, unusedSlots } from './columns'
import { figuresOf } from './figures'
import { keepingOf } from './keeping'
import { sharesOf } from './leaks'
import { matrixOf } from './matrix'
import type { Cell } from './matrix-rows'
import { pairsOf } from './pairs'
import { filmChoices } from './sizes'
import { everStored, notStored, storeStep } from './stored'

const duet = modelCalled('varn-duet')
const mere = modelCalled('hollin-mere')
const planWith = (model: BodyModel, rows: Rows): Plan => must(parsePlan(model, rows))
const film = planWith(duet, duetRows)
const matrix = matrixOf(duet, film, columnsOf(duet, film, lenses))
const cell = (id: string, column: string): Cell | undefined =>
  matrix.rows.find(({ setting }) => setting.id === id)?.cells[
    matrix.columns.findIndex((one) => one.id === column)
  ]
const figure = (column: string, what: string) => {
  const at = matrix.columns.findIndex((one) => one.id === column)
  const [here, into] = [matrix.resolutions[at], matrix.columns[at]]
  const base = matrix.resolutions[matrix.columns.findIndex((one) => one.id === `base ${into?.side ?? ''}`)]
  if (!here || !into || !base) throw new Error(`no ${column}`)
  return figuresOf(duet, film, into, here, base).find((one) => one.id === what)
}

describe('two film slots and the remembered position of the Duet', () => {
  it('stand side by side, film first, each with its base', () => {
    expect(matrix.columns.map(({ id, name, word }) => [id, name, word])).toEqual([
      ['base motion', 'Base', 'motion'],
      ['set/river', 'Interviews', 'River'],
      ['set/brook', 'Changes', 'Brook'],
      ['base stills', 'Base', 'stills'],
      ['by-hand', 'Manual', 'remembered'],
    ])
    expect(unusedSlots(duet, film).map(({ slot }) => slot.name)).toEqual(['Oak', 'Ash', 'Elm', 'Yew'])
  })

  it('show what was left over from the slot one was started from', () => {
    expect(cell('exposure.shutter', 'set/brook')).toMatchObject({ standing: 'residue', value: '1/100' })
    expect(cell('exposure.shutter', 'set/river')).toMatchObject({ standing: 'varied' })
    expect(cell('exposure.aperture', 'set/river')).toMatchObject({
      standing: 'inherits',
      own: null,
      value: 'f/4',
    })
    expect(cell('exposure.shutter', 'base motion')).toMatchObject({ standing: 'base', value: '1/50' })
    expect(cell('movie.frameRate', 'by-hand')).toMatchObject({ standing: 'outside', row: null })
    expect(cell('image.crop', 'by-hand')).toMatchObject({ standing: 'varied', value: true })
  })

  it('ask for the shutter of their rate, and say what light they cost and what makes up for it', () => {
    expect(figure('set/river', 'shutter')).toMatchObject({ value: '1/100', fits: true })
    expect(figure('set/brook', 'shutter')).toMatchObject({ value: '1/200', fits: false })
    expect(figure('set/river', 'light')).toMatchObject({ value: '-1 stop' })
    expect(figure('set/river', 'light')?.words).toContain('ISO 1600, or f/2.8, or 2 times the light')
  })

  it('say how slow the film is, how the lamps pulse, and what the crop leaves', () => {
    expect(figure('set/brook', 'slow')).toMatchObject({ value: '4 ×' })
    expect(figure('set/river', 'flicker')).toMatchObject({ value: '1 pulse', fits: true })
    expect(figure('by-hand', 'crop')?.words).toContain('44 % of the pixels')
  })

  it('say which sizes are excluded, and what to switch off first in the order of the menu', () => {
    const river = matrix.columns.find((one) => one.id === 'set/river')
    if (!river) throw new Error('there is such a column')
    const open = filmChoices(duet, film, river).find(({ name }) => name === 'Open gate')
    expect(open?.because).toHaveLength(2)
    expect(open?.first.map((words) => words.split(' (')[0])).toEqual([
      expect.stringMatching(/^Movie frame rate: 50p → /) as string,
      'Movie crop: 1.5 × → None',
    ])
  })

  it('are stored by an act of its own, and say what is not stored since', () => {
    const [river] = plannedSlots(duet, film)
    if (!river) throw new Error('there is a slot')
    expect([everStored(film, river), notStored(duet, film, river)]).toEqual([false, null])
    const stored = must(applyStep(duet, film, storeStep(duet, film, river, 's')))
    const [now] = plannedSlots(duet, stored)
    expect(now && notStored(duet, stored, now)).toEqual([])
    const later = { ...stored, rows: { ...stored.rows, 'bank/set/river/exposure.iso': 'ISO 1600' } }
    const [changed] = plannedSlots(duet, later)
    expect(changed && notStored(duet, later, changed)).toEqual(['exposure.iso'])
    const base = { ...stored, rows: { ...stored.rows, 'base/exposure.aperture@motion': 'f/2.8' } }
    const [under] = plannedSlots(duet, base)
    expect(under && notStored(duet, base, under)).toEqual(['exposure.aperture'])
  })

  it('list what they do not hold and that must be right', () => {
    const at = matrix.columns.findIndex((one) => one.id === 'by-hand')
    expect(matrix.outside[at]?.length).toBeGreaterThan(3)
    expect(matrix.outside.every((list, i) => matrix.columns[i]?.kind !== 'base' || list.length === 0)).toBe(
      true,
    )
  })
})

describe('keeping', () => {
  it('follows its switch, and lists what is lost or stays on site, and what restores the slot', () => {
    const rows = { ...duetRows, 'bank/set/river/onSite': ['exposure.iso'] }
    const [snapshot] = keepingOf(duet, planWith(duet, rows))
    expect(snapshot).toMatchObject({ now: 'snapshot', test: null })
    expect(snapshot?.slots[0]?.onSite.map(({ setting, planned }) => [setting.id, planned])).toEqual([
      ['exposure.iso', 'ISO 800'],
    ])
    expect(snapshot?.slots[0]?.restore.map(({ setting }) => setting.id)).toEqual([
      'exposure.shutter',
      'exposure.iso',
      'movie.frameRate',
      'movie.crop',
    ])
    const on = snapshot?.switchedBy?.row ?? ''
    const [live] = keepingOf(duet, planWith(duet, { ...rows, [on]: true }))
    expect(live?.now).toBe('live')
  })
})

describe('what stills and motion share', () => {
  const shutter = heron.settings.find((one) => one.id === 'exposure.shutter')
  if (!shutter) throw new Error('the Heron has a shutter')
  const plan = planWith(heron, { [rowNamed('base/exposure.shutter@motion')]: '1/50' })

  it('leaks only what is shared and decided', () => {
    const together = must(applyStep(heron, plan, must(share(plan, shutter, 'motion', heron.sides, 's'))))
    const of = (one: Plan) => sharesOf(heron, one).find(({ setting }) => setting === shutter)
    expect(of(plan)).toMatchObject({ shared: false, leak: null })
    expect(of(together)).toMatchObject({ shared: true, values: ['1/50'] })
    expect(of(together)?.leak).toContain('blurred')
    const apart = must(applyStep(heron, together, must(unshare(together, shutter, heron.sides, 'p'))))
    expect(of(apart)).toMatchObject({ shared: false, leak: null, values: ['1/50', '1/50'] })
  })
})

describe('two families of the Mere', () => {
  const slots = ['noon', 'dusk', 'lamp'].map((id) => [bankFactRow('light', id, 'side'), 'stills'])
  const hands = ['one', 'pair', 'crowd'].map((id) => [bankFactRow('hand', id, 'side'), 'stills'])
  const rows: Rows = {
    ...(Object.fromEntries([...slots, ...hands]) as Rows),
    [rowNamed('bank/hand/crowd/focus.area')]: 'small-point',
    [rowNamed('bank/hand/crowd/focus.tracking')]: 'always',
    [rowNamed('pair/light/lamp/hand/crowd')]: 'unused',
  }
  const grid = pairsOf(mere, planWith(mere, rows), 'stills', undefined)

  it('make nine pairs, each as the owner says, else as what only the two bring about', () => {
    const pairs = grid?.pairs.flat() ?? []
    expect(pairs).toHaveLength(9)
    expect(pairs.filter((pair) => pair.mark === 'unused').map((pair) => pair.row)).toEqual([
      'pair/light/lamp/hand/crowd',
    ])
    for (const pair of pairs)
      if (pair.said === null) expect(pair.mark).toBe(pair.news.length > 0 ? 'risky' : 'sensible')
  })

  it('are no grid where only one family is used', () => {
    expect(pairsOf(mere, planWith(mere, Object.fromEntries(slots) as Rows), 'stills', undefined)).toBeNull()
  })

  it('are risky where only the two together cost something, and say what', () => {
    const risky = pairsOf(
      mere,
      planWith(mere, {
        ...rows,
        [rowNamed('base/image.rawKind')]: 'open',
        [rowNamed('bank/light/dusk/image.kind')]: 'raw',
        [rowNamed('base/controls.bankWidth')]: 'all',
        [rowNamed('bank/hand/pair/drive.mode')]: 'burst',
      }),
      'stills',
      undefined,
    )
    const pairs = risky?.pairs.flat() ?? []
    const found = pairs.filter((pair) => pair.mark === 'risky')
    expect(found.map((pair) => [pair.one.slot, pair.other.slot])).toEqual([['dusk', 'pair']])
    expect(found[0]?.news.join()).toContain('fills the buffer')
  })
})

describe.each(namedModels)('the matrix of any plan of the %s', (_name, model) => {
  it('says of every cell what resolve says, and inherits exactly where the column says nothing', () => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        const columns = columnsOf(model, plan, lenses, true)
        const { rows } = matrixOf(model, plan, columns)
        for (const [i, column] of columns.entries()) {
          const { settings } = resolve(model, plan, column.context)
          for (const { setting, cells } of rows) {
            const one = cells[i]
            expect(one?.value).toEqual(settings.get(setting.id)?.value)
            if (one?.standing === 'outside') expect(rowIn(model, plan, column, setting)).toBeNull()
            if (one?.standing === 'varied' || one?.standing === 'residue') expect(one.own).not.toBeNull()
          }
        }
        const sides = new Set<Side>(columns.map(({ side }) => side))
        expect(sides.size).toBe(model.sides.length)
      }),
      { numRuns: 8 },
    )
    const empty = columnsOf(model, emptyPlan(model), lenses)
    expect(empty.map(({ kind }) => kind)).toEqual(model.sides.map(() => 'base'))
    expect(matrixOf(model, emptyPlan(model), empty).rows.length).toBeGreaterThan(10)
  })
})
