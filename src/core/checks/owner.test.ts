import { heron } from '@tests/fixtures/heron'
import { lenses, modelCalled, models } from '@tests/fixtures/models'
import { started } from '@tests/fixtures/started'
import { describe, expect, it } from 'vitest'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { parsePlan } from '../plan/plan'
import { accidentNames, habitRow } from '../plan/rows'
import { meetingAt } from '../reach/moves'
import { reachOf } from '../reach/reach'
import { must } from '../result'
import { habitsOf, together } from '../suggest/agreement'
import { runChecks } from './checks'

const found = (model: BodyModel, rows: object, check: string) =>
  runChecks(model, must(parsePlan(model, rows as Record<string, unknown>)), lenses).filter(
    (one) => one.check === check,
  )

describe('the eye at the finder', () => {
  const duet = modelCalled('varn-duet')

  it('says which half of the screen may move the AF point, and how the other is left out', () => {
    const [left] = found(duet, { 'owner/eye': 'left', 'base/focus.touchPad': true }, 'nose-on-pad')
    expect(left?.reason).toMatch(/right half/)
    expect(left?.mends[0]?.step.changes[0]).toMatchObject({ row: 'base/focus.touchPadZone', to: '1,1,3,4' })
    expect(found(duet, { 'owner/eye': 'right', 'base/focus.touchPad': true }, 'nose-on-pad')).toEqual([])
  })

  it('asks nothing where nobody says, and nothing where the pad is off', () => {
    expect(found(duet, { 'base/focus.touchPad': true }, 'nose-on-pad')).toEqual([])
    expect(found(duet, { 'owner/eye': 'left' }, 'nose-on-pad')).toEqual([])
  })
})

describe('what has gone wrong by accident', () => {
  it.each(Object.keys(accidentNames))(
    '%s is told on some model, with a way to keep it from happening',
    (accident) => {
      const on = { 'base/focus.touchPad': true, 'owner/accidents': [accident] }
      const all = models.flatMap((model) => {
        const has = lookup(model).settings.get('focus.touchPad')?.place === 'body'
        return found(model, has ? on : { 'owner/accidents': [accident] }, 'accident-again')
      })
      expect(all.length).toBeGreaterThan(0)
      expect(all.every(({ rule, mends }) => rule === accident && mends.length > 0)).toBe(true)
    },
  )
})

describe('the fingers that work keys', () => {
  it('make keys of the others cost more, and never less', () => {
    const plan = started(heron, ['stage'])
    const all = reachOf(heron, plan, lenses)
    const thumb = reachOf(heron, must(parsePlan(heron, { ...plan.rows, 'owner/fingers': ['thumb'] })), lenses)
    expect(thumb.seconds).toBeGreaterThan(all.seconds)
    expect(thumb.byUse).toBeLessThan(all.byUse)
    const used = thumb.reached.flatMap(
      ({ best }) => lookup(heron).addresses.get(best?.address ?? '')?.control ?? [],
    )
    expect(used.length).toBeGreaterThan(0)
    for (const { reach } of used) expect(reach.finder?.digit).toBe('thumb')
  })
})

describe('a left hand that carries the lens', () => {
  it('lets go for keys that are not on the lens: they cost more and leave the grip; on a tripod it is free', () => {
    const busy = { work: null, leftHolds: true }
    const left = [...lookup(heron).addresses.values()].filter(
      ({ control, controls }) => controls.length === 1 && control.reach.finder?.digit === 'left',
    )
    expect(left.length).toBeGreaterThan(0)
    for (const address of left) {
      const isOnLens = address.control.presence !== undefined
      const met = meetingAt(address, 'finder', busy)
      expect([address.key, met?.moves.leave ?? 0]).toEqual([address.key, isOnLens ? 0 : 1])
      expect(met?.inGrip).toBe(isOnLens)
      expect(meetingAt(address, 'tripod', busy)).toEqual(meetingAt(address, 'tripod'))
    }
    const plan = started(heron, ['stage'])
    const held = must(parsePlan(heron, { ...plan.rows, 'owner/leftHand': 'lens' }))
    expect(reachOf(heron, held, lenses).seconds).toBeGreaterThanOrEqual(reachOf(heron, plan, lenses).seconds)
  })
})

describe('the owner’s own ladder of ISO', () => {
  const night = {
    'situation/night/side': 'stills',
    'situation/night/light': ['5', '7'],
    'base/exposure.mode@stills': 'manual',
    'base/exposure.aperture@stills': 'f/2',
    'base/exposure.shutter@stills': '1/200',
  }

  it('tells light that asks for an ISO in need: EV 5, f/2, 1/200 need ISO 2500', () => {
    const [told] = found(heron, { ...night, 'owner/isoNeed': 1600 }, 'iso-in-need')
    expect(told?.title).toContain('ISO 2500 at EV 5')
    expect(found(heron, { ...night, 'owner/isoNeed': 3200 }, 'iso-in-need')).toEqual([])
    // What is never wanted is told as that.
    expect(found(heron, { ...night, 'owner/isoNeed': 1600, 'owner/isoNever': 2000 }, 'iso-in-need')).toEqual(
      [],
    )
  })
})

describe('habits', () => {
  it('ask for the function on every key of that side under that finger that takes it', () => {
    const plan = must(parsePlan(heron, { [habitRow('focus.start')]: ['thumb', 'back'] }))
    const asked = habitsOf(heron, plan)
    expect(asked.size).toBeGreaterThan(0)
    for (const [key, ids] of asked) {
      const address = lookup(heron).addresses.get(key)
      if (!address) throw new Error('a key of the body')
      expect(address.control).toMatchObject({ face: 'back', reach: { finder: { digit: 'thumb' } } })
      const means = acceptedFunctions(heron, address).filter(({ id }) => ids.includes(id))
      expect(means.every((fn) => fn.means === 'focus.start')).toBe(true)
    }
    expect(together(asked, new Map([['x', ['y']]])).get('x')).toEqual(['y'])
  })

  it('take a finger and a side of the body, and a function that photographers know', () => {
    expect(parsePlan(heron, { 'habit/focus.start': ['toe', 'back'] }).ok).toBe(false)
    expect(parsePlan(heron, { 'habit/focus.start': ['thumb'] }).ok).toBe(false)
    expect(parsePlan(heron, { 'habit/no.such': ['thumb', 'back'] }).ok).toBe(false)
  })
})

describe('an owner’s own limits', () => {
  it('replace the rule of thumb for what freezes', () => {
    const rows = {
      'situation/one/side': 'stills',
      'situation/one/movement': 'walking',
      'base/exposure.mode@stills': 'manual',
      'base/exposure.shutter@stills': '1/250',
    }
    expect(found(heron, rows, 'freeze-floor')).toEqual([])
    const [own] = found(heron, { ...rows, 'owner/freezeWalking': 500 }, 'freeze-floor')
    expect(own?.reason).toMatch(/1\/500/)
  })

  it('hold the hand to 1 ÷ focal length, times two for each stop with the stabiliser: 45 mm at 1/15 is log2(45 ÷ 15) = 1.6 stops too slow', () => {
    const rows = {
      'situation/one/camera': 'hand',
      'lens/tarrow-45': true,
      'base/exposure.mode@stills': 'manual',
      'base/exposure.shutter@stills': '1/15',
    }
    const [shaken] = found(heron, rows, 'shaken')
    expect(shaken?.reason).toMatch(/1\/45 s/)
    expect(shaken?.reason).toMatch(/1\.6 stops slower/)
    expect(found(heron, { ...rows, 'owner/handheldStops': 2 }, 'shaken')).toEqual([])
    const unsteadied = { ...rows, 'owner/handheldStops': 2, 'base/stabiliser.mode@stills': 'off' }
    expect(found(heron, unsteadied, 'shaken')).toHaveLength(1)
  })

  it('hold automatic ISO below what is never wanted', () => {
    const [never] = found(heron, { 'owner/isoNever': 6400 }, 'iso-never-wanted')
    expect(never?.mends[0]?.label).toMatch(/ISO 5000$/)
  })
})
