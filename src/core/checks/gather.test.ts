import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { started, theatre } from '@tests/fixtures/started'
import type { BodyModel } from '../model/types'
import { emptyPlan, parsePlan } from '../plan/plan'
import { acceptRow, bankFactRow } from '../plan/rows'
import { must } from '../result'
import type { Value } from '../vocabulary/values'
import { adviceOn, runChecks } from './checks'

const attic = lenses.filter(({ contacts }) => !contacts)
const planWith = (model: BodyModel, rows: Record<string, Value>) =>
  must(parsePlan(model, Object.fromEntries(Object.entries(rows).map(([row, is]) => [rowNamed(row), is]))))
const placeNames = (finding: { places: readonly { check: string; row: string; side: string }[] }) =>
  finding.places.map(({ check, row, side }) => `${check} ${row} ${side}`)

describe('one fact', () => {
  it('is one finding, with all its keys and needs, where a lens focuses by hand only', () => {
    const plan = planWith(heron, {
      ...started(heron, ['stage', 'workbench']).rows,
      'lens/attic-90': true,
      'base/exposure.mode@stills': 'aperture-first',
      'key/stills/thumb-key/press': 'start-focus',
      'key/stills/cheek-key/press': 'start-focus-eyes',
    })
    const about = adviceOn(heron, plan, attic).filter(({ cause }) => cause?.key === 'lens')
    expect(about).toHaveLength(1)
    expect(about[0]?.title).toMatch(/^With Attic 90 f\/2\.8: \d+ things do nothing$/)
    const titles = about[0]?.places.map(({ title }) => title).join('\n')
    expect(titles).toContain('Thumb focus key: AF start does nothing')
    expect(titles).toContain('Lower right key: AF start with eye detection does nothing')
    expect(titles).toMatch(/Aperture is needed \d+ times an outing/)
  })

  it('is one finding, where automatic ISO leaves its dial and two needs of ISO without effect', () => {
    const plan = started(heron, ['stage', 'portraits'])
    const iso = adviceOn(heron, plan, lenses).filter(({ title }) => title.startsWith('Auto ISO is on'))
    expect(iso).toHaveLength(1)
    expect(iso[0]?.places.map(({ check }) => check)).toEqual(
      expect.arrayContaining(['need-blocked', 'inert-key']),
    )
    expect(iso[0]?.mends.map(({ label }) => label)).toEqual(['Auto ISO: off'])
  })

  it('is told by the check that says it best: an impossible shutter speed is not said to be replaced, too', () => {
    const rows = {
      'base/exposure.mode@motion': 'manual',
      'base/exposure.shutter@motion': '1/50',
      'base/movie.frameRate': '100p',
    }
    const about = (found: ReturnType<typeof runChecks>) =>
      found.filter((one) => one.about === 'exposure.shutter' && one.side === 'motion')
    expect(about(runChecks(heron, planWith(heron, rows), [])).map(({ check }) => check)).toContain(
      'forced-value',
    )
    expect(about(adviceOn(heron, planWith(heron, rows), [])).map(({ check }) => check)).toEqual([
      'motion-shutter',
    ])
  })

  it('is told once of both sides', () => {
    const all = adviceOn(heron, started(heron, theatre), lenses)
    for (const { side, sides } of all) expect(sides).toContain(side)
    const told = all.map(({ check, title, rule }) => `${check} ${title} ${rule}`)
    expect(new Set(told).size).toBe(told.length)
  })

  it('of several banks or keys to tidy up is one line', () => {
    const slots = ['ebb', 'flow', 'slack'].map(
      (slot) => [bankFactRow('dial', slot, 'side'), 'stills'] as const,
    )
    const found = adviceOn(heron, planWith(heron, Object.fromEntries(slots)), [])
    expect(found.filter(({ check }) => check === 'incomplete-bank').map(({ title }) => title)).toEqual([
      '3 banks are not fully described',
    ])
  })
})

describe.each(namedModels)('what is told of any plan of the %s', (_name, model) => {
  it('loses no place, tells none twice, and stands worst first', () => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        const raw = runChecks(model, plan, lenses)
        const told = adviceOn(model, plan, lenses)
        const covered = new Set(['forced-value'])
        const mine = told.flatMap(placeNames)
        for (const one of raw)
          if (!covered.has(one.check)) expect(mine).toContain(`${one.check} ${one.row} ${one.side}`)
        expect(new Set(told.map((one) => placeNames(one).join())).size).toBe(told.length)
        const rank = ['blocks', 'problem', 'tidies']
        told.forEach((one, i) => {
          const next = told[i + 1]
          if (!next) return
          expect(rank.indexOf(one.severity)).toBeLessThanOrEqual(rank.indexOf(next.severity))
          if (one.severity === next.severity) expect(one.cost).toBeGreaterThanOrEqual(next.cost)
          expect(one.contexts.length).toBeLessThanOrEqual(one.of)
        })
      }),
      { numRuns: 8 },
    )
  })

  it('is settled whole by a reason for each of its places', () => {
    const plan = started(model, theatre)
    for (const one of adviceOn(model, plan, lenses)) {
      const reasons = one.places.map(({ check, row }) => [acceptRow(check, row), 'Meant so.'] as const)
      const kept = must(parsePlan(model, { ...plan.rows, ...Object.fromEntries(reasons) }))
      const still = adviceOn(model, kept, lenses).flatMap(placeNames)
      for (const place of placeNames(one)) expect(still).not.toContain(place)
    }
  })
})

describe('settings of one side', () => {
  it('are not told of on the other: no self-timer while filming, no frame rate in stills', () => {
    const duet = modelCalled('varn-duet')
    const found = adviceOn(duet, emptyPlan(duet), lenses)
    for (const { about, sides } of found) {
      if (/^(drive|flash)\./.test(about ?? '')) expect(sides).toEqual(['stills'])
      if (/^(movie|audio)\./.test(about ?? '')) expect(sides).toEqual(['motion'])
    }
  })
})
