import { describe, expect, it } from 'vitest'
import { lenses, modelCalled, models, namedModels } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { lookup } from '../model/lookup'
import { valuesOf } from '../model/domain'
import { live } from '../camera/live/live'
import { liveAt } from '../camera/live/stand-at'
import { resolutionNow } from '../camera/live/key-presses'
import type { BodyModel } from '../model/types'
import { parsePlan } from '../plan/plan'
import { needRow } from '../plan/rows'
import { pathsTo } from '../reach/paths'
import { timesOf } from '../reach/operators'
import { contextIn, type Context } from '../resolve/context'
import { judgeFunctions, resolve } from '../resolve/resolve'
import { route } from '../route/route'
import { must } from '../result'
import type { Value } from '../vocabulary/values'
import { runChecks } from './checks'

const planOf = (model: BodyModel, rows: Record<string, Value>) =>
  must(
    parsePlan(model, Object.fromEntries(Object.entries(rows).map(([row, value]) => [rowNamed(row), value]))),
  )
const standing = (model: BodyModel, rows: Record<string, Value>, more: Partial<Context> = {}) =>
  resolve(model, planOf(model, rows), { ...contextIn(model, 'stills', null), ...more })
const said = (model: BodyModel, rows: Record<string, Value>, check: string) =>
  runChecks(model, planOf(model, rows), lenses).filter((finding) => finding.check === check)
const idle = (model: BodyModel, rows: Record<string, Value>, setting: string, more: Partial<Context> = {}) =>
  standing(model, rows, more)
    .settings.get(setting)
    ?.remarks.some(({ kind }) => kind === 'ineffective')
const doesOn = (model: BodyModel, rows: Record<string, Value>, fn: string) =>
  judgeFunctions(model, planOf(model, rows), [fn], contextIn(model, 'stills', null)).get(fn)?.verdict

const heron = modelCalled('tarrow-heron')
const pocket = modelCalled('pell-pocket')
const byHand = { 'base/exposure.mode@stills': 'manual', 'base/exposure.isoAuto@stills': false }

describe.each(namedModels)('on the %s', (_name, model) => {
  const free = model.positions.find(
    ({ side, sets }) => side === 'stills' && sets['exposure.mode'] === 'manual',
  )
  const manual = free ? { position: free.id } : {}

  it('the lock of the exposure is idle in full manual, and works where the camera still chooses', () => {
    const judged = (rows: Record<string, Value>) =>
      judgeFunctions(model, planOf(model, rows), ['keep-exposure'], {
        ...contextIn(model, 'stills', null),
        ...manual,
      }).get('keep-exposure')?.verdict
    expect(judged(byHand)).toBe('inert')
    expect(judged({ ...byHand, 'base/exposure.isoAuto@stills': true })).toBe('works')
  })

  it('the minimum shutter is idle in manual', () => {
    expect(
      idle(model, { ...byHand, 'base/exposure.isoAuto@stills': true }, 'exposure.minimumShutter', manual),
    ).toBe(true)
  })

  it('no flash fires with the electronic shutter', () => {
    const { settings } = standing(model, { 'base/shutter.kind': 'silent', 'base/flash.mode@stills': 'fill' })
    expect(settings.get('flash.mode')?.possible).toContain('off')
  })

  it('a lens without contacts voids a planned aperture', () => {
    const attic = lenses.find(({ contacts }) => !contacts)!
    if (lookup(model).settings.has('exposure.aperture'))
      expect(
        idle(model, { ...byHand, 'base/exposure.aperture@stills': 'f/4' }, 'exposure.aperture', {
          ...manual,
          lens: attic,
        }),
      ).toBe(true)
  })

  it('automatic ISO stays within what the sensitivity itself can be', () => {
    const iso = valuesOf(lookup(model).settings.get('exposure.iso')!.domain)!
    for (const id of ['exposure.isoAutoFloor', 'exposure.isoAutoCeiling'])
      for (const value of valuesOf(
        lookup(model).settings.get(id)?.domain ?? { kind: 'text', longest: 1, alphabet: 'a' },
      ) ?? [])
        expect(iso).toContain(value)
  })

  it('what raw ignores is ignored in stills only, never in film', () => {
    const film = resolve(model, planOf(model, { 'base/image.kind': 'raw' }), contextIn(model, 'motion', null))
    for (const id of ['image.shadowLift', 'image.noiseReduction'])
      expect(film.settings.get(id)?.remarks.filter(({ rule }) => /raw/.test(rule)) ?? []).toEqual([])
    expect(
      film.indicators.filter(({ indicator, because }) => indicator === 'histogram' && /raw/i.test(because)),
    ).toEqual([])
  })

  it('a need for drive, metering or area is not met by what is held or goes between two of several', () => {
    for (const what of ['drive.mode', 'exposure.metering', 'focus.area']) {
      const plan = planOf(model, { [needRow('stage', what)]: ['10'] })
      const hand = {
        model,
        plan,
        side: 'stills' as const,
        posture: 'finder' as const,
        times: timesOf(plan),
        gridCounts: false,
        resolution: resolve(model, plan, contextIn(model, 'stills', null)),
      }
      for (const { address, tier } of pathsTo(hand, { what, flags: [] })) {
        const fn = lookup(model).functions.get(
          hand.resolution.addresses.get(address)?.effectiveFunctionId ?? '',
        )
        if (tier === 'direct' || tier === 'press-then-turn')
          expect(['turn', 'choose', 'cycle', 'swipe']).toContain(fn?.manner)
      }
    }
  })
})

describe('white balance', () => {
  it('that was measured is fixed too: the lock has nothing to keep', () => {
    expect(doesOn(heron, { 'base/colour.balanceMode@stills': 'own' }, 'keep-white')).toBe('inert')
    expect(doesOn(heron, { 'base/colour.balanceMode@stills': 'auto' }, 'keep-white')).toBe('works')
  })
})

describe('the picture in the finder', () => {
  it('is black in manual with fill flash as well', () => {
    const dark = standing(heron, {
      ...byHand,
      'base/flash.mode@stills': 'fill',
      'base/exposure.preview@stills': true,
      'base/shutter.kind': 'curtain',
    })
    expect(dark.indicators.map(({ indicator }) => indicator)).toContain('finder')
  })
})

describe('the zebra', () => {
  const film = (level: number, profile: string) =>
    resolve(
      heron,
      planOf(heron, {
        'base/assist.zebra@motion': true,
        'base/assist.zebraLevel': level,
        'base/movie.profile': profile,
      }),
      contextIn(heron, 'motion', null),
    ).indicators.filter(({ indicator }) => indicator === 'zebra')

  it('at 70 marks skin and not what is lost; at 95 in log it may never show; at 95 without log it is right', () => {
    expect(film(70, 'normal')[0]?.because).toContain('skin')
    expect(film(95, 'log')[0]?.because).toContain('may never reach')
    expect(film(95, 'normal')).toEqual([])
  })
})

describe('a second card with copies', () => {
  it('is told of deletion: it takes the picture from one card only', () => {
    for (const model of models.filter(({ rules }) => rules.some(({ id }) => id === 'copy-outlives-deleting')))
      expect(
        said(model, { 'base/cards.second': 'mirror' }, 'hazard').map(({ reason }) => reason),
      ).toContainEqual(expect.stringContaining('one card only'))
  })
})

describe('marked dials of which nobody says where they stand', () => {
  it('choose the set of automatic ISO: its highest ISO and its slowest time hold, whatever the menu says, and on the body too', () => {
    const rows = {
      'base/exposure.isoSetSecond': ['ISO 200', 'ISO 3200', '1/250'],
      'base/exposure.isoAutoCeiling@stills': 'ISO 12800',
      'base/exposure.minimumShutter@stills': '1/60',
    }
    const at = (collar: string, more: Record<string, Value> = {}) =>
      ['exposure.isoAutoCeiling', 'exposure.minimumShutter'].map(
        (id) =>
          standing(pocket, { ...rows, ...more }, { marked: { 'controls.collar': collar } }).settings.get(id)
            ?.value,
      )
    expect(at('second')).toEqual(['ISO 3200', '1/250'])
    expect(at('fourth')).toEqual(['ISO 12800', '1/30'])
    expect(at('second', { 'base/exposure.isoAuto@stills': false })).toEqual(['ISO 12800', '1/60'])
    const body = liveAt(pocket, planOf(pocket, rows), contextIn(pocket, 'stills', null))
    const turned = must(
      live(pocket, body, { kind: 'lever', setting: 'controls.collar', value: 'second' }),
    ).state
    expect(resolutionNow(pocket, turned).settings.get('exposure.minimumShutter')?.value).toBe('1/250')
    expect(said(pocket, rows, 'marked-dial').map(({ title }) => title)).toContain(
      'ISO: auto maximum: ISO collar decides, not ISO 12800',
    )
  })

  it('leave what hangs on them open: a set of the ISO collar is not without effect everywhere', () => {
    expect(
      said(pocket, { 'base/exposure.isoSetThird': ['ISO 400', 'ISO 6400', '1/125'] }, 'value-without-effect'),
    ).toEqual([])
  })

  it('are named beside a planned aperture', () => {
    expect(
      said(pocket, { ...byHand, 'base/exposure.aperture@stills': 'f/2' }, 'marked-dial')[0]?.title,
    ).toContain('Aperture lever stands at Free')
  })
})

describe('a route', () => {
  const duet = modelCalled('varn-duet')

  it('keeps on what pairing needs, and says what an act takes with it', () => {
    const pair = duet.acts.find(({ does }) => does === 'pair')!
    const paired = must(
      route(duet, planOf(duet, { 'base/network.wireless': false }), contextIn(duet, 'stills', null), {
        values: {},
        acts: [pair.id],
      }),
    )
    const last = paired.steps.filter(
      ({ move }) => move.kind === 'setting' && move.setting === 'network.wireless',
    )
    expect(last.map(({ move }) => move.kind === 'setting' && move.to)).toEqual([true])
    const format = duet.acts.find(({ does }) => does === 'format')!
    const emptied = must(
      route(duet, planOf(duet, {}), contextIn(duet, 'stills', null), { values: {}, acts: [format.id] }),
    )
    expect(emptied.steps.map(({ warning }) => warning).filter((one) => one !== null)).toEqual([
      format.warning,
    ])
  })

  it('does not call an excluded value wanted already', () => {
    const plan = planOf(duet, { 'base/movie.size': 'open', 'base/movie.frameRate': '50p' })
    const led = route(duet, plan, contextIn(duet, 'motion', null), { values: { 'movie.size': 'open' } })
    expect(led.ok && led.value.steps.length === 0).toBe(false)
  })
})

describe('two lenses without contacts', () => {
  it('each ask for their focal length, the one that is not typed when it is mounted', () => {
    const rows = { 'lens/attic-90': true, 'lens/cellar-40': true, 'base/stabiliser.typedFocal@typed': 90 }
    const linden = modelCalled('brack-linden')
    const found = said(linden, rows, 'typed-focal')
    expect(found.map(({ title }) => title)).toEqual([expect.stringContaining('Cellar 40')])
    expect(found[0]?.reason).toContain('as Attic 90')
  })
})
