import { describe, expect, it } from 'vitest'
import { modelCalled } from '@tests/fixtures/models'
import { lenses } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { columnsOf } from '../banks/columns'
import { figuresOf } from '../banks/figures'
import { live } from '../camera/live/live'
import { liveAt } from '../camera/live/stand-at'
import { resolutionNow } from '../camera/live/key-presses'
import type { BodyModel } from '../model/types'
import { parsePlan } from '../plan/plan'
import type { Rows } from '../plan/rows'
import { contextIn } from '../resolve/context'
import { apertureIn, isoIn, shutterIn } from '../resolve/exposure'
import { lightBetween } from '../resolve/marks'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import type { Value } from '../vocabulary/values'
import { runChecks } from './checks'

const duet = modelCalled('varn-duet')
const linden = modelCalled('brack-linden')
const heron = modelCalled('tarrow-heron')
const pocket = modelCalled('pell-pocket')

const rowsOf = (rows: Record<string, Value>): Rows =>
  Object.fromEntries(Object.entries(rows).map(([row, value]) => [rowNamed(row), value]))
const planOf = (model: BodyModel, rows: Record<string, Value>) => must(parsePlan(model, rowsOf(rows)))
const found = (model: BodyModel, rows: Record<string, Value>, check: string) =>
  runChecks(model, planOf(model, rows), []).filter((finding) => finding.check === check)
const byHand = {
  'base/exposure.mode@motion': 'manual',
  'base/exposure.isoAuto@motion': false,
  'base/exposure.aperture@motion': 'f/4',
  'base/exposure.iso@motion': 'ISO 800',
} as const
const inAngle = { ...byHand, 'base/exposure.shutterInAngle': true } as const

/** A figure of the motion base of a plan. */
function figure(model: BodyModel, rows: Record<string, Value>, id: string) {
  const plan = planOf(model, rows)
  const column = columnsOf(model, plan, [], true).find(({ id: name }) => name === 'base motion')!
  const here = resolve(model, plan, column.context)
  return figuresOf(model, plan, column, here, here).find((one) => one.id === id)
}

describe.each([
  ['Duet', duet],
  ['Linden', linden],
])('the shutter as an angle on the %s', (_name, model) => {
  it.each(['25p', '50p', '60p'])(
    'of 180° is neither choppy nor smeared at %s, whatever time is left in the menu',
    (rate) => {
      const rows = {
        ...inAngle,
        'base/exposure.shutterAngle@motion': 'a180',
        'base/exposure.shutter@motion': '1/1000',
        'base/movie.frameRate': rate,
        'base/movie.region': rate === '60p' ? 'r60' : 'r50',
      }
      expect(found(model, rows, 'motion-shutter')).toEqual([])
      expect(figure(model, rows, 'shutter')).toMatchObject({ value: '180°', fits: true })
    },
  )

  it('costs the light of its time: 90° is a stop darker than 180°, and 180° at 50p a stop darker than at 25p', () => {
    const at = (more: Record<string, Value>) =>
      resolve(
        model,
        planOf(model, {
          ...inAngle,
          'base/exposure.shutterAngle@motion': 'a180',
          'base/movie.frameRate': '25p',
          ...more,
        }),
        contextIn(model, 'motion', null),
      )
    expect(
      lightBetween(model, at({}), at({ 'base/exposure.shutterAngle@motion': 'a90' }))?.stops,
    ).toBeCloseTo(-1, 9)
    expect(lightBetween(model, at({}), at({ 'base/movie.frameRate': '50p' }))?.stops).toBeCloseTo(-1, 9)
    expect(lightBetween(model, at({}), at({ 'base/exposure.shutter@motion': '1/1000' }))?.stops).toBe(0)
  })

  it('is counted in lamp pulses by its time: 180° at 25p is two pulses of 50 Hz lamps', () => {
    const rows = {
      ...inAngle,
      'base/exposure.shutterAngle@motion': 'a180',
      'base/movie.frameRate': '25p',
      'base/movie.region': 'r50',
    }
    expect(figure(model, rows, 'flicker')).toMatchObject({ value: '2 pulses', fits: true })
    const half = { ...rows, 'base/exposure.shutterAngle@motion': 'a45' }
    expect(figure(model, half, 'flicker')).toMatchObject({ value: '0.5 pulses', fits: false })
  })
})

describe('what the camera chooses', () => {
  const program = {
    'base/exposure.mode@motion': 'full-auto',
    'base/exposure.shutter@motion': '1/1000',
    'base/movie.frameRate': '25p',
  }

  it('is not judged as if it were set: neither choppy nor banding, and said to be chosen', () => {
    for (const check of ['motion-shutter', 'lamp-pulse']) expect(found(duet, program, check)).toEqual([])
    expect(figure(duet, program, 'shutter')?.words).toContain('the camera chooses the time')
    expect(figure(duet, program, 'flicker')).toBeUndefined()
  })

  it('makes a planned time, aperture and minimum shutter that the exposure mode ignores do nothing, and says so', () => {
    const told = (rows: Record<string, Value>) =>
      found(heron, rows, 'value-without-effect').map(({ row }) => String(row))
    expect(
      told({ 'base/exposure.mode@stills': 'aperture-first', 'base/exposure.shutter@stills': '1/1000' }),
    ).toContain('base/exposure.shutter@stills')
    expect(
      told({ 'base/exposure.mode@stills': 'shutter-first', 'base/exposure.aperture@stills': 'f/4' }),
    ).toContain('base/exposure.aperture@stills')
    expect(
      told({ 'base/exposure.mode@stills': 'manual', 'base/exposure.minimumShutter@stills': '1/250' }),
    ).toContain('base/exposure.minimumShutter@stills')
    expect(
      told({ 'base/exposure.mode@stills': 'aperture-first', 'base/exposure.aperture@stills': 'f/4' }),
    ).toEqual([])
  })

  it('is metered: from manual to aperture priority with automatic ISO nothing jumps', () => {
    const at = (rows: Record<string, Value>) =>
      resolve(duet, planOf(duet, rows), contextIn(duet, 'motion', null))
    const jump = lightBetween(
      duet,
      at({ ...byHand, 'base/exposure.shutter@motion': '1/50' }),
      at({
        'base/exposure.mode@motion': 'aperture-first',
        'base/exposure.aperture@motion': 'f/2',
        'base/exposure.isoAuto@motion': true,
      }),
    )
    expect(jump).toMatchObject({ fromByHand: true, toByHand: false })
  })

  it('gives automatic ISO its ceiling by the slowest time it may choose: f/2.8, 1/60, ISO 6400 is EV 2.9', () => {
    const rows = {
      'base/exposure.mode@motion': 'aperture-first',
      'base/exposure.aperture@motion': 'f/2.8',
      'base/exposure.isoAuto@motion': true,
      'base/exposure.isoAutoCeiling@motion': 'ISO 6400',
      'base/exposure.minimumShutter@motion': '1/60',
      'base/exposure.shutter@motion': '1/8000',
    }
    expect(figure(heron, rows, 'iso')?.words).toContain('At f/2.8 and 1/60 it reaches its maximum at EV 2.9')
    expect(figure(heron, { ...rows, 'base/exposure.mode@motion': 'full-auto' }, 'iso')).toBeUndefined()
  })
})

describe('automatic for each part of the exposure', () => {
  /** A Heron without exposure modes to speak of: shutter, aperture and ISO each have an automatic mark of their own. */
  const marked: BodyModel = {
    ...heron,
    settings: heron.settings.map((one) =>
      one.domain.kind === 'ladder' && ['shutter', 'aperture', 'iso'].includes(one.domain.ladder)
        ? { ...one, domain: { ...one.domain, also: [{ id: 'auto', name: 'Automatic' }] } }
        : one,
    ),
  }
  const parts = ['shutter', 'aperture', 'iso'] as const
  const rows = { ...byHand, 'base/exposure.shutter@motion': '1/1000', 'base/movie.frameRate': '25p' }

  it.each([
    ['shutter', rowNamed('base/exposure.shutter@motion')],
    ['aperture', rowNamed('base/exposure.aperture@motion')],
    ['iso', rowNamed('base/exposure.iso@motion')],
  ] as const)('%s is the camera’s choice, metered, and the others are not', (part, row) => {
    const at = (more: Record<string, Value>) =>
      resolve(marked, planOf(marked, { ...rows, ...more }), contextIn(marked, 'motion', null))
    const state = at({ [row]: 'auto' })
    const said = {
      shutter: shutterIn(marked, state),
      aperture: apertureIn(marked, state),
      iso: isoIn(marked, state),
    }
    for (const one of parts) expect(said[one]?.by).toBe(one === part ? 'camera' : 'owner')
    expect(said[part]?.mark).toBe('Automatic')
    expect(lightBetween(marked, at({}), state)).toMatchObject({ fromByHand: true, toByHand: false })
  })

  it('is not judged as a time', () => {
    expect(found(marked, rows, 'motion-shutter')).not.toEqual([])
    expect(found(marked, { ...rows, 'base/exposure.shutter@motion': 'auto' }, 'motion-shutter')).toEqual([])
  })

  it('is a mark like the others under the dial', () => {
    const plan = planOf(marked, { ...rows, 'base/exposure.iso@motion': 'auto' })
    expect(resolve(marked, plan, contextIn(marked, 'motion', null)).settings.get('exposure.iso')?.value).toBe(
      'auto',
    )
  })
})

describe('a time longer than a frame', () => {
  const long = {
    ...byHand,
    'base/exposure.shutter@motion': '1/50',
    'base/movie.frameRate': '100p',
    'base/movie.region': 'r50',
  }

  it('is said to be impossible, not smeared', () => {
    const [one, ...more] = found(duet, long, 'motion-shutter')
    expect(more).toEqual([])
    expect(one?.title).toBe('1/50 cannot be set at 100p')
    expect(`${one?.reason}`).not.toMatch(/smear|choppy/)
    expect(found(duet, long, 'lamp-pulse')).toEqual([])
  })

  it('is replaced on the body by the longest there is, and comes back with the rate', () => {
    const body = liveAt(duet, planOf(duet, long), contextIn(duet, 'motion', null))
    const time = (state: typeof body) => resolutionNow(duet, state).settings.get('exposure.shutter')?.value
    expect(time(body)).toBe('1/100')
    const slower = must(live(duet, body, { kind: 'menu', setting: 'movie.frameRate', value: '25p' })).state
    expect(time(slower)).toBe('1/50')
  })

  it('is never called safe: at 120p no time above 1/120 is offered against lamps', () => {
    const rows = {
      ...byHand,
      'base/exposure.shutter@motion': '1/250',
      'base/movie.frameRate': '120p',
      'base/movie.region': 'r60',
    }
    const words = figure(duet, rows, 'flicker')?.words ?? ''
    for (const mark of ['1/60', '1/40', '1/30']) expect(words).not.toContain(mark)
  })
})

describe('lamps and rate together', () => {
  it('have one finding with one way out: 30p under 50 Hz lamps asks for 1/50', () => {
    const rows = {
      ...byHand,
      'base/exposure.shutter@motion': '1/125',
      'base/movie.frameRate': '30p',
      'owner/lampPulses': 100,
    }
    const all = [...found(heron, rows, 'motion-shutter'), ...found(heron, rows, 'lamp-pulse')]
    expect(all).toHaveLength(1)
    expect(all[0]?.title).toBe('30p asks for 1/50, not 1/125')
    expect(found(heron, { ...rows, 'base/exposure.shutter@motion': '1/50' }, 'motion-shutter')).toEqual([])
  })

  it('and the light against base agree: what makes up for it is said for the shutter that is asked for', () => {
    const rows = {
      ...byHand,
      'base/exposure.shutter@motion': '1/50',
      'base/movie.region': 'r50',
      'bank/set/river/side': 'motion',
      'bank/set/river/exposure.shutter': '1/100',
      'bank/set/river/movie.frameRate': '100p',
    }
    const plan = planOf(duet, rows)
    const columns = columnsOf(duet, plan, [], true)
    const column = columns.find(({ id }) => id === 'set/river')!
    const base = columns.find(({ id }) => id === 'base motion')!
    const light = figuresOf(
      duet,
      plan,
      column,
      resolve(duet, plan, column.context),
      resolve(duet, plan, base.context),
    ).find(({ id }) => id === 'light')
    expect(light?.words).toContain('With 1/200, which 100p asks for, it is -2 stops: ISO 3200')
  })

  it('that leave no time say that only other light helps: 100p under 50 Hz lamps', () => {
    const rows = {
      ...byHand,
      'base/exposure.shutter@motion': '1/1000',
      'base/movie.frameRate': '100p',
      'base/movie.region': 'r50',
    }
    expect(found(duet, rows, 'motion-shutter')[0]?.reason).toContain('light that does not pulse')
  })

  it('are looked at in stills too, where the electronic shutter reads by lines', () => {
    const rows = {
      'base/exposure.mode@stills': 'manual',
      'base/exposure.shutter@stills': '1/125',
      'base/shutter.kind': 'silent',
      'base/movie.region': 'r50',
    }
    expect(found(duet, rows, 'lamp-pulse').filter(({ side }) => side === 'stills')).toHaveLength(1)
    expect(
      found(duet, { ...rows, 'base/shutter.kind': 'curtain' }, 'lamp-pulse').filter(
        ({ side }) => side === 'stills',
      ),
    ).toEqual([])
    expect(
      found(duet, { ...rows, 'base/exposure.shutter@stills': '1/100' }, 'lamp-pulse').filter(
        ({ side }) => side === 'stills',
      ),
    ).toEqual([])
  })

  it('are asked about on a body that does not say on which mains it is used', () => {
    const rows = { ...byHand, 'base/exposure.shutter@motion': '1/50', 'base/movie.frameRate': '30p' }
    expect(found(pocket, rows, 'lamp-pulse')[0]).toMatchObject({ asks: true })
  })
})

describe('a variable-frame-rate position', () => {
  it('counts by its own rate, not by the rate of the film', () => {
    const plan = planOf(linden, {
      ...byHand,
      'base/movie.slowRate@slow-quick': 's100',
      'base/movie.frameRate': '25p',
      'base/exposure.shutter@motion': '1/50',
    })
    const here = resolve(linden, plan, {
      ...contextIn(linden, 'motion', null),
      position: 'slow-quick',
      lens: lenses[0]!,
    })
    const column = columnsOf(linden, plan, [], true).find(({ id }) => id === 'base motion')!
    const shutter = figuresOf(linden, plan, column, here, here).find(({ id }) => id === 'shutter')
    expect(shutter?.words).toContain('1/50 cannot be set')
    expect(shutter?.formula).toContain('360° × 100')
  })
})
