import { heron } from '@tests/fixtures/heron'
import { lenses, models } from '@tests/fixtures/models'
import { started } from '@tests/fixtures/started'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkValue, valuesOf } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { baseRow, defaultWhereabouts } from '../plan/cells'
import { parsePlan, type Plan } from '../plan/plan'
import { mayPulse, situationSlot, uncheckedFacts, workOf, type Work } from '../plan/situations'
import { situationRow } from '../plan/rows'
import { applyStep } from '../plan/step'
import { must } from '../result'
import { workTable } from '../vocabulary/work'
import { runChecks } from './checks'
import type { Finding } from './finding'
import { freezeFloor } from './work-checks'
import { workRules } from './work-rules'

/** Work that each rule asks about, with the other values it takes. */
const asking: Readonly<
  Record<string, { readonly work: Work; readonly base?: Readonly<Record<string, unknown>> }>
> = {
  'single-af': { work: { movement: 'walking' } },
  'program-for-action': { work: { movement: 'running' } },
  'heard-shutter': { work: { silence: 'needed' } },
  'heard-beep': { work: { silence: 'needed' } },
  'played-shutter': { work: { silence: 'needed' }, base: { 'shutter.kind': 'silent' } },
  'film-auto-balance': { work: {} },
  'painted-faces': { work: { subject: 'puppets' } },
  'other-subject': { work: { subject: 'animals' } },
  'steadied-on-support': { work: { camera: 'tripod' } },
  'flash-without': { work: { flash: 'used' }, base: { 'flash.mode': 'off' } },
  'flash-with-electronic': { work: { flash: 'used' }, base: { 'shutter.kind': 'silent' } },
  'slanted-pan': { work: { camera: 'panning' }, base: { 'shutter.kind': 'silent' } },
  'other-space': { work: { space: 'wide' } },
  'raw-not-opened': { work: { opens: ['uncompressed'] }, base: { 'image.kind': 'raw' } },
  'film-not-opened': { work: { opens: ['all-intra'] } },
  'bits-not-opened': { work: { opens: ['long-gop'] }, base: { 'movie.bits': 'ten' } },
}

function planFor(
  model: BodyModel,
  side: 'stills' | 'motion',
  work: Work,
  base: Readonly<Record<string, unknown>> = {},
): Plan {
  const rows: Record<string, unknown> = { [situationRow('one', 'side')]: side }
  for (const [fact, value] of Object.entries(work)) rows[situationRow('one', fact)] = value
  for (const [means, value] of Object.entries(base)) {
    const setting = lookup(model).byMeaning.get(means)
    if (setting) rows[baseRow({}, setting, defaultWhereabouts(model, side))] = value
  }
  return must(parsePlan(model, rows))
}

const ofWork = (model: BodyModel, plan: Plan, rule?: string): Finding[] =>
  runChecks(model, plan, lenses).filter(
    (one) => one.check === 'against-work' && (rule === undefined || one.rule === rule),
  )

describe('what the work asks', () => {
  it('has an example for every rule', () => {
    expect(Object.keys(asking)).toEqual(workRules.map(({ id }) => id))
  })

  it.each(workRules.map((rule) => [rule.id, rule] as const))(
    '%s is told on every model that can do it wrong, and ended by its mend',
    (id, rule) => {
      const { work, base } = asking[id] ?? { work: {} }
      let told = 0
      for (const model of models) {
        const setting = lookup(model).byMeaning.get(rule.means)
        const side = rule.side ?? 'stills'
        if (!setting || !model.sides.includes(side)) continue
        const has = Object.entries(base ?? {}).every(([means, value]) => {
          const other = lookup(model).byMeaning.get(means)
          return other !== undefined && checkValue(other.domain, value, means).ok
        })
        if (!has) continue
        const plan = planFor(model, side, work, base)
        const found = ofWork(model, plan, id)
        // What does nothing on this body as it stands, or cannot be set wrong, is not told.
        if (found.length === 0) continue
        told++
        expect(found).toHaveLength(1)
        const [finding] = found
        expect(finding?.title).toMatch(/^one: /)
        for (const { step } of finding?.mends ?? []) {
          const mended = must(applyStep(model, plan, step))
          expect([model.name, id, ofWork(model, mended, id)]).toEqual([model.name, id, []])
        }
      }
      expect([id, told > 0]).toEqual([id, true])
    },
  )

  it('is not told where nobody says anything of the work, but for film with automatic balance', () => {
    for (const model of models) {
      expect(ofWork(model, planFor(model, 'stills', {}))).toEqual([])
      if (model.sides.includes('motion'))
        expect(ofWork(model, planFor(model, 'motion', {})).map(({ rule }) => rule)).toEqual([
          'film-auto-balance',
        ])
    }
  })

  it('is held against the bank a situation is shot with, where one is named', () => {
    const rows = {
      'situation/one/side': 'stills',
      'situation/one/movement': 'running',
      'bank/dial/ebb/side': 'stills',
      'bank/dial/ebb/focus.mode': 'follow',
      'bank/dial/ebb/exposure.mode': 'shutter-first',
    }
    expect(ofWork(heron, must(parsePlan(heron, rows)))).not.toEqual([])
    const shot = must(parsePlan(heron, { ...rows, 'situation/one/bank': 'dial/ebb' }))
    expect(situationSlot(shot, 'one')).toEqual({ family: 'dial', slot: 'ebb' })
    expect(ofWork(heron, shot)).toEqual([])
  })

  it('is silent for owners whose school wants it so', () => {
    const drifting = must(
      parsePlan(heron, { 'situation/one/side': 'motion', 'school/balance-way@motion': 'auto' }),
    )
    expect(ofWork(heron, drifting)).toEqual([])
  })

  it('never tells two rules that undo each other of one situation', () => {
    const anyWork = fc.record(
      Object.fromEntries(
        workTable
          .filter(({ takes }) => takes === 'one')
          .map(({ id, choices }) => [id, fc.constantFrom(...choices.map((one) => one.id))]),
      ),
      { requiredKeys: [] },
    ) as fc.Arbitrary<Work>
    fc.assert(
      fc.property(anyWork, (work) => {
        let plan = planFor(heron, 'stills', work)
        for (let i = 0; i < 12; i++) {
          const [mend] = ofWork(heron, plan).flatMap(({ mends }) => mends)
          if (!mend) return
          plan = must(applyStep(heron, plan, mend.step))
        }
        throw new Error(`mends go round: ${JSON.stringify(work)}`)
      }),
      { numRuns: 25 },
    )
  })
})

describe('numbers of the work', () => {
  const told = (rows: object, check: string) =>
    runChecks(heron, must(parsePlan(heron, { 'situation/one/side': 'stills', ...rows })), lenses).filter(
      (one) => one.check === check,
    )

  it('has a slowest shutter speed for each movement, none where it may smear', () => {
    expect(freezeFloor({ movement: 'walking' })).toBe(0.004)
    expect(freezeFloor({ movement: 'still' })).toBeNull()
    expect(freezeFloor({ movement: 'walking', blur: 'wanted' })).toBeNull()
    expect(freezeFloor({})).toBeNull()
  })

  it('says how much too slow a shutter speed is: 1/60 against 1/500 is log2(500 ÷ 60) = 3.1 stops', () => {
    const [finding] = told(
      {
        'situation/one/movement': 'running',
        'base/exposure.mode@stills': 'manual',
        'base/exposure.shutter@stills': '1/60',
      },
      'freeze-floor',
    )
    expect(finding?.title).toBe('one: 1/60 is too slow')
    expect(finding?.reason).toMatch(/3\.1 stops/)
    expect(finding?.mends[0]?.label).toMatch(/1\/500$/)
  })

  it('says what light is missing: f/4 at 1/500 needs ISO 100 · 16 ÷ (1/500 · 2^4) = 50000 at EV 4, three stops over ISO 6400', () => {
    const manual = {
      'situation/one/light': ['4', '7'],
      'base/exposure.mode@stills': 'manual',
      'base/exposure.shutter@stills': '1/500',
      'base/exposure.aperture@stills': 'f/4',
    }
    const [finding] = told(manual, 'light-out-of-reach')
    expect(finding?.reason).toMatch(/= 50000 at EV 4/)
    expect(finding?.title).toMatch(/3 stops/)
    expect(told({ ...manual, 'base/exposure.isoAuto@stills': false }, 'light-out-of-reach')).toEqual([])
  })

  it('says the shutter that results in aperture priority: f/2 at ISO 1600 in EV 5 falls to 1/128', () => {
    const [finding] = told(
      {
        'situation/one/light': ['5', '7'],
        'situation/one/movement': 'walking',
        'base/exposure.mode@stills': 'aperture-first',
        'base/exposure.aperture@stills': 'f/2',
        'base/exposure.isoAutoCeiling@stills': 'ISO 1600',
      },
      'light-out-of-reach',
    )
    expect(finding?.reason).toMatch(/= 1\/128/)
    const [starlight] = told(
      {
        'situation/one/light': ['-6', '-2'],
        'situation/one/movement': 'walking',
        'base/exposure.mode@stills': 'aperture-first',
        'base/exposure.aperture@stills': 'f/2',
        'base/exposure.isoAutoCeiling@stills': 'ISO 1600',
      },
      'light-out-of-reach',
    )
    // t = 100 · 4 ÷ (1600 · 2^−6) = 16 s
    expect(starlight?.title).toMatch(/about 16 s at EV -6/)
  })
})

describe('what is said of the work', () => {
  it('is refused outside the light there is, upside down, or in words nobody knows', () => {
    const said = (rows: object) => parsePlan(heron, { 'situation/one/side': 'stills', ...rows })
    for (const light of [
      ['-10', '3'],
      ['4', '25'],
      ['7', '4'],
      ['4'],
      ['4', 'bright'],
      ['4.3', '7'],
      '4',
      4,
    ]) {
      const refused = said({ 'situation/one/light': light })
      expect([light, refused.ok]).toEqual([light, false])
      if (!refused.ok) expect(refused.refusal.message).toMatch(/EV/)
    }
    expect(said({ 'situation/one/light': ['-6', '18'] }).ok).toBe(true)
    expect(said({ 'situation/one/movement': 'flying' }).ok).toBe(false)
    expect(said({ 'situation/one/hours': 30 }).ok).toBe(false)
    expect(said({ 'situation/one/opens': ['lossy', 'lossless'] }).ok).toBe(false)
    expect(said({ 'situation/one/software': 'x'.repeat(10_000) }).ok).toBe(false)
    expect(said({ 'situation/one/bank': 'dial/nowhere' }).ok).toBe(false)
  })

  it('is read back as it was said, and what was not said stays unknown', () => {
    const plan = must(
      parsePlan(heron, {
        'situation/one/light': ['4', '7.5'],
        'situation/one/movement': 'running',
        'situation/one/opens': ['lossless', 'long-gop'],
      }),
    )
    expect(workOf(plan, 'one')).toEqual({
      light: [4, 7.5],
      movement: 'running',
      opens: ['lossless', 'long-gop'],
    })
    const named = (side: 'stills' | 'motion') =>
      uncheckedFacts(heron, workOf(plan, 'one'), side).map(({ id }) => id)
    expect(named('stills')).toEqual(['lamps', 'subject', 'silence', 'flash', 'camera', 'space'])
    expect(named('motion')).toEqual(['lamps', 'subject', 'silence', 'camera'])
  })

  it('says of lamps whether they pulse, for the side; where nothing is said they may', () => {
    const rows = (lamps: object) => must(parsePlan(heron, { 'situation/one/side': 'stills', ...lamps }))
    expect(mayPulse(heron, rows({}), 'stills')).toBe(true)
    expect(mayPulse(heron, rows({ 'situation/one/lamps': 'steady' }), 'stills')).toBe(false)
    expect(mayPulse(heron, rows({ 'situation/one/lamps': 'steady' }), 'motion')).toBe(true)
    const mixed = { 'situation/one/lamps': 'none', 'situation/two/lamps': 'mains' }
    expect(mayPulse(heron, rows(mixed), 'stills')).toBe(true)
  })

  it('comes with every ready set', () => {
    const plan = started(heron, ['stage'])
    expect(workOf(plan, 'stage')).toMatchObject({ light: [4, 7], silence: 'needed' })
  })

  it('names values of the models: each that a rule wants is one of some model', () => {
    for (const rule of workRules) {
      const { means } = rule
      const values = models.flatMap((model) => {
        const setting = lookup(model).byMeaning.get(means)
        return setting ? (valuesOf(setting.domain) ?? []) : []
      })
      const all = rule.wants({ subject: 'animals', space: 'wide', opens: ['lossless', 'all-intra'] })
      expect([means, all.some((one) => values.includes(one))]).toEqual([means, true])
    }
  })
})
