import { rowNamed } from '@tests/fixtures/rows'
import type { Rows } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf, stepFor } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { started } from '@tests/fixtures/started'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { applyStep } from '../plan/step'
import { invertStep } from '../sync/step'
import { must } from '../result'
import { readySets } from '../vocabulary/situations'
import { needsOf, startSituation } from './needs'
import { operators, timesOf } from './operators'
import { reachAfter, reachOf, unreachedSeconds, worstNeeds } from './reach'

const planWith = (rows: Rows, model = heron): Plan => must(parsePlan(model, rows))
const byHand = { 'base/exposure.mode@stills': 'manual', 'base/exposure.isoAuto@stills': false } as const
describe('ready sets', () => {
  it('have at least twelve needs each, in words of the vocabulary', () => {
    expect(readySets.length).toBeGreaterThanOrEqual(9)
    for (const set of readySets) {
      expect(set.needs.length, set.id).toBeGreaterThanOrEqual(12)
      expect(new Set(set.needs.map((need) => need.what)).size).toBe(set.needs.length)
    }
  })

  it('keep the needs a situation has already, and are taken back by one step', () => {
    const plan = planWith({ [rowNamed('need/stage/exposure.iso')]: ['7', 'finder'] })
    const [set] = readySets
    if (!set) throw new Error('there are sets')
    const step = startSituation(plan, set, 'stage', 's')
    const after = must(applyStep(heron, plan, step))
    expect(needsOf(heron, after).find((need) => need.what === 'exposure.iso')?.perOuting).toBe(7)
    expect(must(applyStep(heron, after, invertStep(step, 't'))).rows).toEqual(plan.rows)
  })

  it.each(namedModels)('all resolve on the %s, or are reported absent', (_name, model) => {
    for (const set of readySets.filter((one) => model.sides.includes(one.side))) {
      const { reached } = reachOf(model, started(model, [set.id]), lenses)
      expect(reached.length).toBe(set.needs.length)
      const lost = reached
        .filter((one) => one.best === null && !one.absent && one.blocked === null)
        .map((one) => one.need.what)
      expect(lost, set.id).toEqual([])
    }
  })
})

describe('a path', () => {
  it('is priced by its parts, which add up, for every need of every set', () => {
    for (const set of readySets) {
      for (const { best, others } of reachOf(heron, started(heron, [set.id]), lenses).reached) {
        for (const path of [best, ...others].flatMap((one) => one ?? [])) {
          const sum = path.parts.reduce((total, part) => total + part.seconds, 0)
          expect(path.seconds).toBeCloseTo(sum)
          expect(path.seconds).toBeGreaterThan(0)
          expect(best?.seconds).toBeLessThanOrEqual(path.seconds)
        }
      }
    }
  })

  it('by a dial under the finger is one turn; in the menu it is many presses, and the eye leaves the finder', () => {
    const { reached } = reachOf(
      heron,
      planWith({
        ...byHand,
        [rowNamed('need/a/exposure.aperture')]: ['1'],
        [rowNamed('need/a/focus.lamp')]: ['1'],
      }),
      lenses,
    )
    const [aperture, lamp] = reached
    expect(aperture?.best).toMatchObject({ tier: 'direct', words: 'Rear dial, turn', atFinder: true })
    expect(aperture?.best?.seconds).toBeCloseTo(0.56)
    expect(lamp?.best).toMatchObject({ tier: 'full-menu', atFinder: false })
    expect(lamp?.best?.seconds).toBeGreaterThan(3)
  })

  it('leads through the own menu where the line stands there, and through a held key and a dial', () => {
    const own = reachOf(
      heron,
      planWith({ [rowNamed('need/a/focus.lamp')]: ['1'], [rowNamed('own/1/1')]: 'focus.lamp' }),
      lenses,
    )
    expect(own.reached[0]?.best?.tier).toBe('own-menu')
    const duet = modelCalled('varn-duet')
    const held = reachOf(
      duet,
      planWith(
        {
          ...byHand,
          [rowNamed('need/a/exposure.iso')]: ['1'],
          [rowNamed('key/stills/turnplate/turn')]: 'nothing',
        },
        duet,
      ),
      lenses,
    )
    expect(held.reached[0]?.others.concat(held.reached[0].best ?? []).map((one) => one.tier)).toContain(
      'held-and-turn',
    )
  })

  it('through the function menu counts as at the finder only where the owner says so', () => {
    const opener = heron.grids.find(({ side, inFinder }) => side === 'stills' && inFinder)?.openedBy ?? ''
    const rows = {
      'need/a/drive.mode': ['1'],
      'key/stills/thumb-wheel/tilt-down': 'nothing',
      'key/stills/thumb-key/press': opener,
    } as const
    const tiers = (counts: boolean) =>
      reachOf(heron, planWith({ ...rows, [rowNamed('owner/gridCounts')]: counts }), lenses).reached.flatMap(
        ({ best, others }) => [best, ...others],
      )
    const grid = (counts: boolean) => tiers(counts).find((one) => one?.tier === 'function-menu')
    expect(grid(false)?.atFinder).toBe(false)
    expect(grid(true)?.atFinder).toBe(true)
  })

  it('while recording costs two presses and a gap in the film where nothing answers, for it is stopped first', () => {
    const rows = { 'situation/a/side': 'motion', 'need/a/focus.lamp': ['1'] } as const
    const [lamp] = reachOf(
      heron,
      planWith({ ...rows, [rowNamed('need/a/focus.lamp')]: ['1', 'recording'] }),
      lenses,
    ).reached
    const [standing] = reachOf(heron, planWith(rows), lenses).reached
    expect(lamp?.best?.words).toContain('the film stopped first')
    const more = (lamp?.best?.seconds ?? 0) - (standing?.best?.seconds ?? 0)
    const gap = operators.find((one) => one.id === 'gap')?.seconds ?? 0
    expect(more).toBeCloseTo(2 * (operators[0]?.seconds ?? 0) + gap)
  })

  it('to autofocus is the half-press while it focuses, else a key that does', () => {
    const need = { 'need/a/focus.start': ['9'] } as const
    const best = (rows: Rows) => reachOf(heron, planWith(rows), lenses).reached[0]
    expect(best(need)?.best?.words).toContain('Shutter button')
    const off = { ...need, 'base/focus.halfPress@stills': false, 'base/focus.mode@stills': 'once' }
    expect(best(off)).toMatchObject({ best: null, perOuting: 9 * unreachedSeconds })
    const thumb = { ...off, 'key/stills/thumb-key/press': 'start-focus' }
    expect(best(thumb)?.best?.words).toContain('Thumb focus key')
  })

  it('takes the times the owner measured', () => {
    const plan = planWith({
      ...byHand,
      [rowNamed('need/a/exposure.aperture')]: ['10'],
      [rowNamed('owner/turn')]: 2,
    })
    expect(timesOf(plan)).toMatchObject({ turn: 2, press: operators[0]?.seconds })
    expect(reachOf(heron, plan, lenses).seconds).toBeCloseTo(20)
  })
})

describe('coverage', () => {
  it('counts needs and uses at the finder, leaves out what the model has not, and knows the target', () => {
    const rows: Rows = {
      ...byHand,
      [rowNamed('need/a/exposure.aperture')]: ['30'],
      [rowNamed('need/a/focus.lamp')]: ['10'],
      [rowNamed('need/a/focus.tracking')]: ['99'],
      [rowNamed('need/a/focus.start')]: ['0'],
      [rowNamed('owner/target')]: 80,
    }
    const report = reachOf(heron, planWith(rows), lenses)
    expect(report).toMatchObject({ byCount: 0.5, byUse: 0.75, menuFree: 0.75, onTarget: false })
    expect(reachOf(heron, planWith({ ...rows, [rowNamed('owner/target')]: 70 }), lenses).onTarget).toBe(true)
    expect(report.reached.find((one) => one.need.what === 'focus.tracking')).toMatchObject({
      absent: true,
      perOuting: 0,
    })
    expect(reachOf(heron, emptyPlan(heron), lenses)).toMatchObject({
      byCount: 1,
      byUse: 1,
      onTarget: null,
      seconds: 0,
    })
  })

  it('counts a special key once for each meaning it has', () => {
    const rows: Rows = {
      [rowNamed('key/stills/thumb-key/press')]: 'start-focus',
      [rowNamed('key/motion/thumb-key/press')]: 'start-focus',
    }
    expect(reachOf(heron, planWith(rows), lenses).load).toBe(1)
    expect(
      reachOf(heron, planWith({ ...rows, [rowNamed('key/motion/thumb-key/press')]: 'record' }), lenses).load,
    ).toBe(2)
    expect(
      reachOf(heron, planWith({ ...rows, [rowNamed('key/stills/cheek-key/press')]: 'nothing' }), lenses).load,
    ).toBe(1)
  })

  it('is a share, and seconds are never below nothing, for any plan', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const { byCount, byUse, menuFree, seconds, reached } = reachOf(heron, plan, lenses.slice(0, 2))
        for (const share of [byCount, byUse, menuFree]) {
          expect(share).toBeGreaterThanOrEqual(0)
          expect(share).toBeLessThanOrEqual(1)
        }
        expect(menuFree).toBeGreaterThanOrEqual(byUse - 1e-9)
        expect(seconds).toBeGreaterThanOrEqual(0)
        for (const one of reached)
          if (one.best === null && !one.absent && one.blocked === null)
            expect(one.perOuting).toBe(one.need.perOuting * unreachedSeconds)
      }),
      { numRuns: 25 },
    )
  })
})

describe.each(namedModels)('after a step on the %s', (_name, model) => {
  it('what was reckoned before and what changed give what reckoning anew gives', () => {
    const plan = planOf(model).map((one) => started(model, ['stage', 'interviews'], one.rows))
    const pair = plan.chain((one) => stepFor(model, one, 's').map((step) => ({ plan: one, step })))
    fc.assert(
      fc.property(pair, ({ plan, step }) => {
        const after = must(applyStep(model, plan, step))
        const few = lenses.slice(0, 2)
        expect(reachAfter(reachOf(model, plan, few), after)).toEqual(reachOf(model, after, few))
      }),
      { numRuns: 15 },
    )
  })
})

describe('the worst needs', () => {
  it('come with a step whose gain is the difference of two whole reckonings', () => {
    const plan = must(
      applyStep(heron, started(heron, ['stage']), {
        id: 'x',
        changes: [{ row: rowNamed('key/stills/thumb-wheel/turn'), from: null, to: 'nothing' }],
      }),
    )
    const worst = worstNeeds(reachOf(heron, plan, lenses.slice(0, 1)), 3)
    expect(worst).toHaveLength(3)
    const costs = worst.map((one) => one.reached.perOuting)
    expect(costs).toEqual([...costs].sort((a, b) => b - a))
    expect(worst.some((one) => one.step !== null)).toBe(true)
    for (const { step, gain } of worst) {
      if (!step) continue
      const after = must(applyStep(heron, plan, step))
      const difference =
        reachOf(heron, plan, lenses.slice(0, 1)).seconds - reachOf(heron, after, lenses.slice(0, 1)).seconds
      expect(gain).toBeGreaterThan(0)
      expect(gain).toBeCloseTo(difference)
    }
  })
})
