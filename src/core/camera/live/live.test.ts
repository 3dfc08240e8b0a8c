import { rowNamed } from '@tests/fixtures/rows'
import { bankKeyRow, baseCellRow, shareRow, type RowId, type Rows } from '../../plan/rows'
import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { chipped, heron } from '@tests/fixtures/heron'
import { keepingKeys, lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { emptyPlan, parsePlan } from '../../plan/plan'
import type { BodyModel } from '../../model/types'
import { newestFirmware } from '../../resolve/context'
import { must } from '../../result'
import { newBody } from '../body'
import { carriedRows, memoryOf } from '../memory'
import type { Value } from '../../vocabulary/values'
import type { LiveEvent } from './events'
import { live } from './live'
import { runScript } from './run-script'
import { verbs } from './script'
import { newLive, type LiveState } from './state'

const duet = modelCalled('varn-duet')
const linden = modelCalled('brack-linden')
const mere = modelCalled('hollin-mere')

/** A body with a plan set on it. */
function bodyWith(model: BodyModel, rows: Rows = {}, lens = chipped): LiveState {
  const plan = Object.keys(rows).length === 0 ? emptyPlan(model) : must(parsePlan(model, rows))
  const body = newBody(model, 'SIM-1', newestFirmware(model))
  return newLive(model, lens, { ...body, memory: memoryOf(model, plan) })
}

/** Plays a script; every expectation in it has to be met. */
function plays(model: BodyModel, script: string, rows: Rows = {}): LiveState {
  const { played, state } = must(runScript(model, bodyWith(model, rows), script, lenses))
  const unmet = played.filter((one) => one.instead !== null)
  expect(unmet.map((one) => `line ${one.line}, ${one.text}: ${one.instead ?? ''}`)).toEqual([])
  return state
}

describe('a simulated body', () => {
  it('focuses, takes pictures, and waits for the release to be let go', () => {
    const state = plays(
      heron,
      `press release
       expect focus once
       full
       full
       release release
       expect focus no
       expect pictures 2
       full
       expect pictures 3`,
      {},
    )
    expect(state.body.card?.freeBytes).toBeLessThan(64_000_000_000)
    expect(state.held).toEqual([])
  })

  it('opens the function menu over a film that goes on, changes what stands in it, and opens no other menu', () => {
    const state = plays(
      duet,
      `position reel
       press film-stud
       expect run recording
       press gable-key
       expect run recording
       menu assist.zebra = on
       expect setting assist.zebra = on
       menu power.sleep = 2
       expect log stands in no function menu
       menu movie.frameRate = 50p
       expect log stays as it is while recording
       press brow-key
       expect run recording`,
    )
    expect(state.run).toBe('recording')
  })

  it('tells why a key is dead, and what does nothing', () => {
    plays(
      heron,
      `lens attic-90
       press thumb-key
       expect log The AF mode is manual focus
       release thumb-key
       position film-free
       press cheek-key
       expect log White balance is fixed`,
      {
        [rowNamed('key/stills/thumb-key/press')]: 'start-focus',
        [rowNamed('key/motion/cheek-key/press')]: 'keep-white',
        [rowNamed('base/colour.balanceMode@motion')]: 'lamp',
      },
    )
  })

  it('flips toggles, steps through cycles, opens lists and turns dials', () => {
    plays(
      heron,
      `position stills-free
       press ridge-key
       expect setting focus.detection = off
       press ridge-key
       expect setting focus.detection = on
       press thumb-wheel/press
       expect setting focus.area = zone
       press shoulder-key
       turn thumb-dial 1
       expect setting image.kind = finished
       menu exposure.mode = manual
       menu exposure.isoAuto = off
       press release
       release release
       turn front-dial 3
       expect setting exposure.shutter = 1/250
       turn front-dial -1000
       turn front-dial -1
       expect log at its end`,
    )
  })

  it('does not take a value that cannot be chosen, and says why', () => {
    const before = bodyWith(heron, { [rowNamed('base/movie.frameRate')]: '60p' })
    const done = must(live(heron, before, { kind: 'menu', setting: 'movie.size', value: 'open' }))
    expect(done.log).toMatchObject([
      { kind: 'refused', words: expect.stringContaining('recorded up to 30p') as string },
    ])
    expect(done.state.body.memory).toEqual(before.body.memory)
  })

  it('loses what is changed in a snapshot bank on leaving, naming each row', () => {
    plays(
      heron,
      `position stop-ebb
       menu focus.mode = follow
       expect setting focus.mode = follow
       position stills-free
       expect lost
       expect log Continuous AF → Single AF
       position stop-ebb
       expect setting focus.mode = once`,
      { [rowNamed('bank/dial/ebb/side')]: 'stills' },
    )
  })

  it('keeps what is changed in a live bank', () => {
    const state = plays(
      linden,
      `recall list alder
       menu focus.mode = follow
       expect test
       recall list plain
       expect setting focus.mode = once
       recall list alder
       expect setting focus.mode = follow`,
      { [rowNamed('bank/list/alder/side')]: 'stills' },
    )
    expect(state.body.memory[rowNamed('bank/list/alder/focus.mode')]).toBe('follow')
  })

  it('holds two families at once', () => {
    plays(
      mere,
      `recall light dusk
       recall hand pair
       expect setting exposure.mode = manual
       expect setting focus.mode = follow
       recall light plain
       expect setting exposure.mode = full-auto
       expect setting focus.mode = follow`,
      {
        [rowNamed('bank/light/dusk/side')]: 'stills',
        [rowNamed('bank/light/dusk/exposure.mode')]: 'manual',
        [rowNamed('bank/hand/pair/side')]: 'stills',
        [rowNamed('bank/hand/pair/focus.mode')]: 'follow',
      },
    )
  })

  it('is refused a bank that was never stored, stores one, and recalls what was stored', () => {
    plays(
      heron,
      `position stop-flow
       expect refused
       menu focus.mode = follow
       register dial flow
       menu focus.mode = once
       position stop-flow
       expect setting focus.mode = follow
       position stills-free
       expect setting focus.mode = once`,
    )
  })

  it('puts a hold set in force while its key is down; a turn on what it covers is lost, another goes to its owner', () => {
    plays(
      duet,
      `position by-hand
       menu exposure.isoAuto = off
       press slate-key
       expect setting exposure.shutter = 1/1000
       turn fore-collar 2
       expect lost
       turn rear-collar 1
       release slate-key
       expect setting exposure.shutter = 1/125
       expect setting exposure.aperture = f/4.5`,
      {
        [rowNamed('key/stills/slate-key/press')]: 'use-first',
        [rowNamed('hold/first/exposure.shutter')]: '1/1000',
      },
    )
  })

  it('films, and comes back to stills where it was begun from there; the bank is the one a setting names', () => {
    plays(
      duet,
      `press film-stud
       expect run recording
       expect side motion
       expect setting movie.frameRate = 50p
       menu movie.frameRate = 25p
       expect refused
       wait 10
       press film-stud
       expect run standby
       expect side stills
       expect films 1`,
      {
        [rowNamed('base/movie.recordUsesSlot')]: 'brook',
        [rowNamed('bank/set/brook/side')]: 'motion',
        [rowNamed('bank/set/brook/movie.frameRate')]: '50p',
      },
    )
    plays(linden, 'press rec-dot\nexpect refused\nexpect run standby')
  })

  it('goes to the other side by the swap key, to where the model says', () => {
    plays(
      duet,
      `press swap-latch/flip
       expect test
       expect side motion
       press swap-latch/flip
       expect side stills`,
    )
  })

  it('falls asleep, wakes at a touch, goes off when the battery is empty, and loses what was volatile', () => {
    plays(
      heron,
      `wait 119
       expect run standby
       wait 1
       expect run idle
       press release
       expect run standby
       release release
       battery 0
       press release
       expect refused
       power on
       expect refused
       battery 50
       power on
       expect run standby`,
    )
  })

  it('ends a film when the card is full or pulled, and refuses without one', () => {
    plays(
      heron,
      `position film-free
       press record-key
       wait 3600
       expect log The card is full
       expect films 1
       card out
       press record-key
       expect refused
       full
       expect log does nothing
       position stills-free
       full
       expect pictures 0
       card in
       card lock
       full
       expect log locked`,
      { [rowNamed('base/shutter.withoutCard')]: false },
    )
  })

  it('misbehaves at the next write when told to: half a file, no power, or one bit', () => {
    for (const [fault, after] of [
      ['card-pulled', 'half a file'],
      ['battery-dies', 'The battery died'],
      ['bit-flip', 'one bit'],
    ] as const) {
      const state = plays(heron, `fail ${fault}\nact save-settings A.SET\nexpect log ${after}\ncard unlock`)
      expect(state.fault).toBeNull()
      const again = { ...state, on: true, body: { ...state.body, batteryPercent: 90 } }
      const load = must(runScript(heron, again, 'act load-settings A.SET\nexpect refused', lenses))
      expect(load.unmet).toBe(0)
      expect(load.state.body.pending).toBeNull()
    }
  })

  it('does acts when their needs are met, and names the need that is not', () => {
    plays(
      heron,
      `menu network.wireless = off
       act pair-phone
       expect log The radio is off
       menu network.wireless = on
       act pair-phone
       expect log Pair a phone
       act measure-card
       expect setting colour.balanceMode = own
       act save-settings A.SET
       act reset-all
       expect setting colour.balanceMode = auto
       act load-settings A.SET
       power off
       power on
       expect setting colour.balanceMode = own
       act format-card
       act load-settings A.SET
       expect refused`,
    )
  })

  it('renews its firmware, forward only, and has what it brought; files of the old one may not load any more', () => {
    const body = newBody(heron, 'SIM-1', '1.0')
    const script = `press crest-key
      expect refused
      act save-settings A.SET
      firmware 1.2
      press crest-key
      expect setting assist.brightView = on
      firmware 1.0
      expect refused
      battery 5
      firmware 2.0
      expect refused
      battery 60
      firmware 2.0
      expect log Vehicles
      act load-settings A.SET
      expect log does not read files of firmware 1.0`
    const plan = must(parsePlan(heron, { 'key/stills/crest-key/press': 'brightened-view' }))
    const done = must(
      runScript(heron, newLive(heron, chipped, { ...body, memory: memoryOf(heron, plan) }), script, lenses),
    )
    expect(done.played.filter((one) => one.instead !== null)).toEqual([])
    expect(runScript(heron, newLive(heron, null), 'firmware 7.0', lenses)).toMatchObject({
      refusal: { code: 'unknown-firmware' },
    })
  })

  it('answers to levers, grip, and a lens with a key', () => {
    plays(
      heron,
      `press upper-front
       release upper-front
       lever controls.lever = low
       press upper-front
       expect setting assist.zebra = on
       lens none
       press barrel-key
       expect refused`,
    )
    plays(mere, 'press grip-rest\nexpect refused\nattach grip\npress grip-rest\nexpect focus once')
  })
})

describe.each(namedModels)('the memory of the simulated %s', (_name, model) => {
  it('is after save, reset, load and restart what the file carries', () => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        const body = newBody(model, 'SIM-1', newestFirmware(model))
        const start = newLive(model, null, { ...body, memory: memoryOf(model, plan) })
        const script = 'act save-settings A.SET\nact reset-all\nact load-settings A.SET\npower off\npower on'
        const { state } = must(runScript(model, start, script, lenses))
        expect(carriedRows(model, state.body.memory)).toEqual(carriedRows(model, start.body.memory))
      }),
      { numRuns: 6 },
    )
  })
})

describe('events', () => {
  it('in any order leave a sound body, the same each time', () => {
    const controls = heron.controls.flatMap((one) => one.gestures.map((gesture) => `${one.id}/${gesture.id}`))
    const line = fc.oneof(
      fc
        .tuple(fc.constantFrom('press', 'press', 'release'), fc.constantFrom(...controls))
        .map((words) => words.join(' ')),
      fc
        .tuple(fc.constantFrom(...controls), fc.integer({ min: 1, max: 9 }))
        .map(([id, n]) => `turn ${id} ${n}`),
      fc.constantFrom(
        'full',
        'wait 40',
        'wait 200',
        'card out',
        'card in',
        'power off',
        'power on',
        'battery 80',
      ),
      fc.constantFrom(...heron.positions.map((one) => `position ${one.id}`)),
      fc.constantFrom(...lenses.map((one) => `lens ${one.id}`), 'lens none', 'rotate upright-left', 'eye no'),
      fc.constantFrom(...heron.acts.map((act) => `act ${act.id}`), 'register dial ebb', 'register dial flow'),
      fc.constantFrom('menu focus.mode = follow', 'menu movie.frameRate = 100p', 'menu image.kind = raw'),
    )
    fc.assert(
      fc.property(fc.array(line, { maxLength: 40 }), (lines) => {
        let state = bodyWith(heron, { [rowNamed('bank/dial/ebb/side')]: 'motion' })
        for (const text of lines) {
          const done = runScript(heron, state, text, lenses)
          if (done.ok) {
            expect(must(runScript(heron, state, text, lenses)).state).toEqual(done.value.state)
            expect(done.value.played.every((one) => one.log.every((each) => each.words.length > 0))).toBe(
              true,
            )
            state = done.value.state
          } else expect(['is-down', 'not-down', 'no-answer']).toContain(done.refusal.code)
          expect(parsePlan(heron, state.body.memory).ok).toBe(true)
          expect(state.starters.every((key) => state.held.includes(key))).toBe(true)
          expect(state.leader === null || state.starters.includes(state.leader)).toBe(true)
        }
      }),
      { numRuns: 40 },
    )
  })
})

describe('a script', () => {
  const start = bodyWith(heron)

  it('is refused at its first line that cannot be read, with what would be accepted, and nothing has happened', () => {
    for (const [text, says] of [
      ['press nose', 'no control “nose”'],
      ['press thumb-wheel', 'thumb-wheel/tilt-up'],
      ['press', '“press” takes CONTROL'],
      ['fly away', '“fly” is none of'],
      ['menu focus.mode = sideways', 'sideways'],
      ['menu no.such = 1', 'no setting “no.such”'],
      ['turn front-dial lots', '“turn” takes CONTROL CLICKS'],
      ['expect miracles', '“expect” takes focus'],
      ['scene bright', '“scene” takes EV SUBJECT'],
      ['lens nothing-we-have', '“lens” takes LENS or none'],
      [`press ${'x'.repeat(500)}`, 'at most 400 characters'],
      ['\n'.repeat(10_001), 'at most 10000 lines'],
    ] as const) {
      const done = runScript(heron, start, `full\n${text}`, lenses)
      expect(done).toMatchObject({ ok: false, refusal: { message: expect.stringContaining(says) as string } })
    }
    expect(runScript(heron, start, 'full\n# a remark\n\npress nose', lenses)).toMatchObject({
      refusal: { where: 'line 4' },
    })
  })

  it('is refused where a key is let go that is not down, or goes down twice', () => {
    expect(runScript(heron, start, 'release release', lenses)).toMatchObject({
      refusal: { where: 'line 1', code: 'not-down' },
    })
    expect(runScript(heron, start, 'press release\npress release', lenses)).toMatchObject({
      refusal: { where: 'line 2', code: 'is-down' },
    })
  })

  it('counts expectations that are not met, and says what there is instead', () => {
    const done = must(
      runScript(
        heron,
        start,
        'expect focus once\nexpect side stills\nexpect setting focus.mode = follow',
        lenses,
      ),
    )
    expect(done.unmet).toBe(2)
    expect(done.played.map((one) => one.instead)).toEqual(['no', null, 'Single AF'])
  })

  it('has a description of each verb in docs/formats/script.md', () => {
    const text = readFileSync('docs/formats/script.md', 'utf8')
    for (const verb of Object.keys(verbs)) expect(text).toContain(`\`${verb}`)
  })
})

describe('a set-up page of the body', () => {
  const set = (state: LiveState, row: RowId, value: Value | null) =>
    must(live(heron, state, { kind: 'setUp', row, value })).state
  const fresh = newLive(heron, null)
  const setting = heron.settings.find((one) => one.shared === false && one.domain.kind === 'toggle')
  if (!setting) throw new Error('a toggle of the Heron can be shared')
  const [both, stills, motion] = ['both', 'stills', 'motion'].map((cell) => baseCellRow(setting.id, cell))
  const cellsIn = ({ body }: LiveState) => [both, stills, motion].map((row) => row && body.memory[row])

  it('shares the value of the side in force, and parts it with that value on both', () => {
    const here = setting.factory !== true
    const start = { ...fresh.body.memory, ...(stills && { [stills]: here }) }
    const shared = set({ ...fresh, body: { ...fresh.body, memory: start } }, shareRow(setting), true)
    expect(cellsIn(shared)).toEqual([here, undefined, undefined])
    expect(cellsIn(set(shared, shareRow(setting), false))).toEqual([undefined, here, here])
  })

  it('refuses to empty what always holds something, and rows that are on no page', () => {
    for (const [row, value] of [
      ['key/stills/thumb-key/press', null],
      ['base/focus.lamp', false],
    ] as const)
      expect(live(heron, fresh, { kind: 'setUp', row: rowNamed(row), value })).toMatchObject({ ok: false })
  })

  it('keeps what is put on a key in a snapshot bank only if it is stored', () => {
    const [bank] = heron.families
    const family = bank?.id ?? ''
    const slot = bank?.slots[0]?.id ?? ''
    const model = keepingKeys(heron, family)
    const step = (state: LiveState, ...events: LiveEvent[]) =>
      events.reduce((now, event) => must(live(model, now, event)).state, state)
    const key = rowNamed('key/stills/thumb-key/press')
    const start = step(
      newLive(model, null),
      { kind: 'register', family, slot },
      { kind: 'recall', family, slot },
    )
    const inBank = bankKeyRow(family, slot, { key: 'stills/thumb-key/press' })
    const changed = step(start, { kind: 'setUp', row: key, value: 'start-focus' })
    expect(changed.body.memory[inBank]).toBe('start-focus')
    expect(changed.body.memory[key]).toBe(start.body.memory[key])
    const left = step(changed, { kind: 'recall', family, slot: null })
    expect(left.body.memory).toEqual(start.body.memory)
    const stored = step(changed, { kind: 'register', family, slot }, { kind: 'recall', family, slot: null })
    expect(stored.body.memory[inBank]).toBe('start-focus')
  })
})
