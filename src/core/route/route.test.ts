import type { Rows } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { valueIn } from '@tests/fixtures/arbitrary'
import { modelCalled, namedModels } from '@tests/fixtures/models'
import { emptyPlan, parsePlan } from '../plan/plan'
import { anyLens } from '../model/any-lens'
import { contextIn, type Context } from '../resolve/context'
import { must } from '../result'
import { legalMoves } from './moves'
import { groupsOf } from './groups'
import { place, stands } from './place'
import { route } from './route'
import type { Wanted } from './wanted'

const duet = modelCalled('varn-duet')
const pell = modelCalled('pell-pocket')
const motion = contextIn(duet, 'motion', null)

const from = (rows: Rows, wanted: Wanted, change: Partial<Context> = {}) =>
  route(duet, must(parsePlan(duet, rows)), { ...motion, ...change }, wanted)
const words = (...asked: Parameters<typeof from>) => must(from(...asked)).steps.map((step) => step.words)

describe('a route', () => {
  it('changes one setting through the menu and comes back, with the line and the presses', () => {
    const { steps, presses } = must(from({}, { values: { 'movie.size': 'small' } }))
    expect(steps.map((step) => [step.where, step.words])).toEqual([
      ['the key of the full menu', 'Menu opened'],
      ['Movie one / line 2', 'Movie resolution: 4K (3840) → Full HD (1920)'],
      ['half-press', 'Menu left'],
    ])
    expect(presses).toBe(1 + (5 + 1 + 1) + 1)
  })

  it('is empty where everything stands already', () => {
    expect(must(from({}, { values: { 'movie.size': 'wide' } })).steps).toEqual([])
  })

  it('switches off first what is in the way, in order, and says what cannot go back', () => {
    const rows = { 'base/movie.crop': 'middle' }
    expect(words(rows, { values: { 'movie.size': 'open' } })).toEqual([
      'Menu opened',
      'Movie crop: 1.5 × → None',
      'Movie resolution: 4K (3840) → Open gate',
      'Menu left',
    ])
    expect(must(from(rows, { values: { 'movie.size': 'open' } })).left).toEqual([
      { setting: 'movie.crop', from: 'middle', to: 'none' },
    ])
  })

  it('walks the menu once for several lines, in its order', () => {
    const wanted = { values: { 'assist.zebra': true, 'movie.size': 'small', 'colour.look': 'soft' } }
    expect(words({}, wanted)).toEqual([
      'Menu opened',
      'Look: Standard → Soft',
      'Movie resolution: 4K (3840) → Full HD (1920)',
      'Zebra: off → on',
      'Menu left',
    ])
  })

  it('stops a recording before the menu is opened, and goes on recording after where that is wanted', () => {
    const recording = { run: 'recording' as const }
    expect(words({}, { values: { 'movie.size': 'small' } }, recording)).toEqual([
      'Recording stopped',
      'Menu opened',
      'Movie resolution: 4K (3840) → Full HD (1920)',
      'Menu left',
      'Recording started',
    ])
  })

  it('leads to an act, first making so what it needs', () => {
    const plan = must(parsePlan(duet, { 'base/drive.mode': 'burst' }))
    const led = route(duet, plan, contextIn(duet, 'stills', null), { values: {}, acts: ['start-interval'] })
    expect(must(led).steps.map((step) => step.words)).toEqual([
      'Menu opened',
      'Drive mode: Burst → Single',
      'Interval series start',
      'Menu left',
    ])
    expect(must(led).left).toEqual([{ setting: 'drive.mode', from: 'burst', to: 'single' }])
  })

  it('turns the mode dial where it fixes what is wanted', () => {
    const led = route(
      duet,
      emptyPlan(duet),
      { ...contextIn(duet, 'stills', null), position: 'program' },
      { values: { 'exposure.mode': 'manual' } },
    )
    expect(must(led).steps.map((step) => step.words)).toEqual(['Turned to Manual'])
  })

  it('turns a marked dial by hand', () => {
    const led = route(
      pell,
      emptyPlan(pell),
      { ...contextIn(pell, 'stills', null), marked: { 'controls.timeDial': 't250' } },
      { values: { 'exposure.shutter': '1/60' } },
    )
    expect(must(led).steps.map((step) => step.words)).toContain('Shutter speed dial: 1/250 → 1/60')
  })

  it('is refused with the rule in the way where nothing can move it', () => {
    const silent = { ...anyLens, contacts: false }
    expect(from({}, { values: { 'focus.mode': 'once' } }, { lens: silent })).toMatchObject({
      refusal: {
        code: 'no-route',
        message: expect.stringContaining('The lens has no electronic contacts') as string,
      },
    })
  })

  it('is refused for settings, acts and stops that are not there', () => {
    expect(from({}, { values: { 'focus.moon': true } })).toMatchObject({
      refusal: { code: 'unknown-setting' },
    })
    expect(from({}, { values: {}, acts: ['fly'] })).toMatchObject({ refusal: { code: 'unknown-act' } })
    expect(from({}, { values: {}, position: 'moon' })).toMatchObject({
      refusal: { code: 'unknown-position' },
    })
  })

  it('is refused where one thing wanted undoes another that stood at the start', () => {
    const lite = modelCalled('varn-duet-lite')
    const values = { 'shutter.silentMode': true, 'flash.mode': 'fill' }
    const led = route(lite, emptyPlan(lite), contextIn(lite, 'stills', null), { values })
    expect(led).toMatchObject({ ok: false, refusal: { code: 'no-route' } })
  })

  it.each(namedModels)('on the %s takes legal steps only, and ends where it should', (_name, model) => {
    const settings = model.settings.filter((one) => one.place !== 'physical' && one.place !== 'local')
    const wish = fc
      .constantFrom(...settings)
      .chain((setting) => valueIn(setting.domain).map((value) => [setting.id, value] as const))
    fc.assert(
      fc.property(fc.array(wish, { minLength: 1, maxLength: 2 }), (wishes) => {
        const wanted = { values: Object.fromEntries(wishes) }
        const start = contextIn(model, model.sides[0] ?? 'stills', null)
        const led = route(model, emptyPlan(model), start, wanted)
        if (!led.ok) {
          expect(led.refusal.message).toMatch(/\w+\.$/)
          return
        }
        let here = place(model, emptyPlan(model), start)
        for (const { move } of led.value.steps) {
          const groups = groupsOf(model, place(model, emptyPlan(model), start), wanted)
          const legal = groups.flatMap((group) => legalMoves(here, group)).find((one) => one.key === move.key)
          expect(legal, move.key).toBeDefined()
          if (legal) here = legal.to
        }
        for (const [id, value] of Object.entries(wanted.values)) expect(stands(here, id, value)).toBe(true)
        expect(here.context.run).toBe(start.run)
      }),
      { numRuns: 12 },
    )
  })
})
