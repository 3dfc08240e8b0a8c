import { heron } from '@tests/fixtures/heron'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { planOf } from '@tests/fixtures/arbitrary'
import { started, theatre } from '@tests/fixtures/started'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { columnsOf } from '../banks/columns'
import type { BodyModel } from '../model/types'
import { figuresAbout, givenFrom } from '../numbers/given'
import { reckon } from '../numbers/reckon'
import { numberTable } from '../numbers/table'
import { parsePlan, type Plan } from '../plan/plan'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import { knownAt, placeId, placeNamed, placesOf } from './known'
import { stepsOf } from './steps'

function knownIn(plan: Plan, at: string | null = null, model: BodyModel = heron) {
  const place = placeNamed(plan, placesOf(model, plan, lenses), at)
  if (!place) throw new Error('no place')
  return knownAt(model, plan, place, (context) => resolve(model, plan, context))
}

const plan = must(
  parsePlan(heron, {
    'situation/stage/name': 'Dark rehearsal',
    'situation/stage/side': 'stills',
    'situation/stage/light': ['1', '5'],
    'situation/stage/hours': 6,
    'situation/foyer/name': 'Foyer',
    'situation/foyer/side': 'motion',
    'situation/foyer/delivery': 1920,
    'situation/foyer/bank': 'dial/ebb',
    'bank/dial/ebb/side': 'motion',
    'bank/dial/ebb/movie.frameRate': '100p',
    'base/exposure.mode@stills': 'manual',
    'base/exposure.shutter@stills': '1/200',
    'base/exposure.aperture@stills': 'f/2',
    'base/image.kind': 'raw',
    'base/image.rawKind': 'exact',
    'base/drive.mode': 'burst',
    'card/one/size': 64,
    'card/one/rate': 60,
    'card/two/size': 128,
    'owner/handheldStops': 3,
  }),
)

describe('what is known in a place', () => {
  it('is asked in situations first, then in base and banks', () => {
    expect(placesOf(heron, plan, lenses).map(({ name }) => name)).toEqual(
      expect.arrayContaining(['Dark rehearsal', 'Foyer', 'Base, stills', 'Base, motion']),
    )
    expect(placesOf(heron, plan, lenses)[0]?.situation).not.toBeNull()
  })

  it('is that of the situation of which most is said, where none is named', () => {
    const place = placeNamed(plan, placesOf(heron, plan, lenses), null)
    expect(place && placeId(place)).toBe('stage')
  })

  it('comes from plan, situation, cards, body and owner, each named', () => {
    const known = knownIn(plan, 'stage')
    expect(known['exposure.shutter']).toEqual({ typed: '1/200', from: 'Base, stills' })
    expect(known['work.light']).toEqual({ typed: 'EV 1 to EV 5', from: 'Dark rehearsal' })
    expect(known['work.hours']).toEqual({ typed: '6 h', from: 'Dark rehearsal' })
    expect(known['card.size']).toEqual({ typed: '64 GB', from: 'card in the slot First' })
    expect(known['card.size.second']?.typed).toBe('128 GB')
    expect(known['file.size']).toEqual({ typed: '24 MB to 38 MB', from: 'Lossless' })
    expect(known['owner.handheldStops']).toEqual({ typed: '3 stops', from: 'you' })
    expect(known['burst.buffer']?.typed).toBe('60 to 95')
  })

  it('is that of the bank a situation is shot with', () => {
    const known = knownIn(plan, 'foyer')
    expect(known['film.rate']).toMatchObject({ typed: '100p' })
    expect(known['film.bitrate']).toMatchObject({ typed: '280 Mbit/s' })
    expect(known['work.delivery']).toMatchObject({ typed: '1920 px' })
    expect(known['file.size']?.from).not.toBe('Dark rehearsal')
  })

  it('leaves out what the camera chooses, and what nobody has said', () => {
    const byCamera = must(parsePlan(heron, { 'base/exposure.mode@stills': 'aperture-first' }))
    const known = knownIn(byCamera, 'base stills')
    expect(known['exposure.shutter']).toBeUndefined()
    expect(known['card.size']).toBeUndefined()
    expect(known['work.light']).toBeUndefined()
    expect(known['exposure.mode']?.typed).toBe('aperture')
  })

  it('says that program has a curve of its own', () => {
    const known = knownIn(must(parsePlan(heron, {})), 'base stills')
    const form = numberTable.find(({ id }) => id === 'metered-exposure')
    if (!form) throw new Error('no such figure')
    const said = {
      ...givenFrom(form, known),
      ev: { typed: '5', from: '' },
      aperture: { typed: 'f/2', from: '' },
    }
    const found = reckon(form, said)
    expect(found.ok ? null : found.refusal.message).toContain('Test on body')
  })

  it('can be put into every figure, whatever the plan, on every model', () => {
    for (const [, model] of namedModels)
      fc.assert(
        fc.property(planOf(model), fc.nat(), (any, pick) => {
          const places = placesOf(model, any, lenses)
          const place = places[pick % places.length]
          if (!place) return
          const known = knownAt(model, any, place, (context) => resolve(model, any, context))
          for (const form of numberTable) {
            const found = reckon(form, givenFrom(form, known), stepsOf(model))
            // What a plan says may be impossible together; it can always be read.
            if (!found.ok)
              expect([form.id, found.refusal]).toEqual([
                form.id,
                { code: 'impossible', message: found.refusal.message },
              ])
            else expect(JSON.stringify(found.value)).not.toMatch(/NaN|Infinity/)
          }
        }),
        { numRuns: 6 },
      )
  })

  it('is enough for the theatre to see what its stage asks for', () => {
    const known = knownIn(started(heron, theatre))
    expect(known['sensor.width']?.typed).toMatch(/px$/)
  })
})

it('every column of the banks is a place, hold sets too: a figure beside one leads there', () => {
  const model = modelCalled('varn-duet')
  const held = placesOf(model, started(model, theatre), lenses)
  const columns = columnsOf(model, started(model, theatre), lenses, true)
  expect(held.filter(({ situation }) => situation === null).map(placeId)).toEqual(columns.map(({ id }) => id))
})

describe('the figures about a setting', () => {
  it.each([
    ['exposure.shutter', 'film-shutter', false],
    ['exposure.shutter', 'shutter-angle', true],
    ['movie.frameRate', 'film-shutter', true],
    ['assist.zebraLevel', 'zebra-shows', true],
    ['cards.second', 'two-cards', true],
    ['exposure.isoAutoCeiling', 'metered-exposure', true],
    ['sound.beep', 'burst', false],
  ])('%s has %s: %s', (means, id, has) => {
    expect(figuresAbout(means).some((one) => one.id === id)).toBe(has)
  })
})
