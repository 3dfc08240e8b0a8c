import { rowNamed } from '@tests/fixtures/rows'
import { type Rows, baseCellRow, keyRow } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { doubted } from '@tests/fixtures/check-cases'
import { chipped, heron, unchipped } from '@tests/fixtures/heron'
import { modelCalled, namedModels } from '@tests/fixtures/models'
import { newBody } from '../camera/body'
import { memoryOf } from '../camera/memory'
import { focusNow } from '../camera/live/key-presses'
import { live } from '../camera/live/live'
import { contextOf, memoryPlan, newLive, type LiveState } from '../camera/live/state'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { anyLens } from '../model/any-lens'
import { contextIn, newestFirmware } from '../resolve/context'
import { must } from '../result'
import { focusTables } from './trigger-table'
import { released, rowFor, type FocusTable } from './table'

const mere = modelCalled('hollin-mere')
const planWith = (model: BodyModel, rows: Rows): Plan => must(parsePlan(model, rows))
const tableOf = (model: BodyModel, rows: Rows, lens = chipped): FocusTable => {
  const [table] = focusTables(model, planWith(model, rows), contextIn(model, 'stills', null, lens))
  if (!table) throw new Error('there is always the state as set')
  return table
}
const outcome = (table: FocusTable, ...held: string[]) => rowFor(table, held)?.outcomes[0]
const half = 'stills/release/half-press'
const thumb = 'stills/thumb-key/press'
const cheek = 'stills/cheek-key/press'

describe('what focuses when', () => {
  it('as delivered: the half-press, and nothing else', () => {
    const table = tableOf(heron, {})
    expect(outcome(table)).toMatchObject({ does: 'no', by: null, full: 'picture-when-sharp' })
    expect(outcome(table, half)).toMatchObject({ does: 'once', by: half, area: 'frame' })
  })

  it('with the half-press off: the thumb key, and the release takes the picture as it is', () => {
    const table = tableOf(heron, {
      [rowNamed('base/focus.halfPress@stills')]: false,
      [rowNamed('base/focus.mode@stills')]: 'follow',
      [rowNamed('key/stills/thumb-key/press')]: 'start-focus',
    })
    expect(outcome(table)).toMatchObject({ does: 'no', full: 'picture' })
    expect(outcome(table, half)).toMatchObject({ does: 'no' })
    expect(outcome(table, thumb)).toMatchObject({ does: 'follows', by: thumb })
  })

  it('an area key alone focuses nothing; with the half-press it focuses there', () => {
    const table = tableOf(heron, { [rowNamed('key/stills/thumb-key/press')]: 'area-while-held' })
    expect(outcome(table, thumb)).toMatchObject({ does: 'no', area: 'small-point' })
    expect(outcome(table, thumb, half)).toMatchObject({ does: 'once', by: half, area: 'small-point' })
  })

  it('of two held together the model says which is obeyed, in either order', () => {
    const rows: Rows = {
      [rowNamed('key/stills/thumb-key/press')]: 'start-focus-point',
      [rowNamed('key/stills/cheek-key/press')]: 'start-focus-eyes',
      [rowNamed('base/focus.detection@stills')]: false,
    }
    const table = tableOf(heron, rows)
    expect(outcome(table, thumb, cheek)).toMatchObject({ by: cheek, area: 'frame', detection: true })
    expect(outcome(table, cheek, thumb)).toMatchObject({ by: thumb, area: 'point', detection: false })
    const first = tableOf({ ...heron, focus: { ...heron.focus, heldWins: 'first' } }, rows)
    expect(outcome(first, thumb, cheek)).toMatchObject({ by: thumb, area: 'point', detection: false })
  })

  it('letting one of two go leads to the row of the other', () => {
    const table = tableOf(heron, { [rowNamed('key/stills/thumb-key/press')]: 'start-focus-point' })
    const pair = rowFor(table, [thumb, half])
    expect(pair && released(table, pair, thumb)?.held).toEqual([half])
    expect(pair && released(table, pair, half)?.outcomes[0]).toMatchObject({ by: thumb, area: 'point' })
  })

  it('a stop wins over every start; by hand nothing runs', () => {
    const rows: Rows = {
      [rowNamed('key/stills/thumb-key/press')]: 'stop-focus',
      [rowNamed('key/stills/cheek-key/press')]: 'start-focus',
    }
    expect(outcome(tableOf(heron, rows), cheek, thumb)).toMatchObject({ does: 'rests', by: null })
    expect(outcome(tableOf(heron, rows, unchipped), cheek)).toMatchObject({ does: 'no', mode: 'manual' })
  })

  it('goes through the states that toggles and cycles reach', () => {
    const rows: Rows = {
      [rowNamed('key/stills/crest-key/press')]: 'ring-or-auto',
      [rowNamed('key/stills/ridge-key/press')]: 'eye-finding',
      [rowNamed('key/stills/thumb-wheel/press')]: 'nothing',
    }
    const tables = focusTables(heron, planWith(heron, rows), contextIn(heron, 'stills', null, chipped))
    expect(tables.map((table) => table.variant.words)).toEqual([
      'as set',
      'Eye and subject detection off',
      'AF mode Manual focus',
      'AF mode Manual focus, Eye and subject detection off',
    ])
    expect(tables.map((table) => outcome(table, half)?.does)).toEqual(['once', 'once', 'no', 'no'])
  })

  it('says where gestures that are not held lead', () => {
    const { presses } = tableOf(heron, { [rowNamed('key/stills/crest-key/press')]: 'choose-area' })
    const leads = Object.fromEntries(presses.map((press) => [press.fn.id, press.leads]))
    expect(leads).toMatchObject({
      'eye-finding': 'Eye and subject detection: on → off',
      'next-area': 'AF area: Whole frame → Zone',
      'choose-area': 'opens the list of AF area',
    })
    const byHand = tableOf(heron, { [rowNamed('key/stills/crest-key/press')]: 'edge-paint' })
    expect(byHand.presses.find((press) => press.fn.id === 'edge-paint')?.leads).toBe('does nothing here')
  })

  it('is asked of the body where the model does not know, with every answer', () => {
    const row = rowFor(
      tableOf(mere, {
        [rowNamed('key/stills/left-upper/press')]: 'start-focus-point',
        [rowNamed('key/stills/left-middle/press')]: 'start-focus-frame',
      }),
      ['stills/left-upper/press', 'stills/left-middle/press'],
    )
    expect(row?.outcomes.map((one) => one.by).sort()).toEqual([
      'stills/left-middle/press',
      'stills/left-upper/press',
    ])
    expect(row?.asks).not.toEqual([])
    const unsure = tableOf(doubted(heron, 'settings/focus.halfPress/factory'), {})
    expect(
      rowFor(unsure, [half])
        ?.outcomes.map((one) => one.does)
        .sort(),
    ).toEqual(['no', 'once'])
  })
})

/** A body that has the plan in its memory, and stands on a side. */
function bodyWith(model: BodyModel, plan: Plan, side: Side): LiveState {
  const body = newBody(model, 'SIM-1', newestFirmware(model))
  const lens = chipped.fits === model.maker ? chipped : anyLens
  const state = newLive(model, lens, { ...body, memory: memoryOf(model, plan) })
  const stop = model.positions.find((one) => one.side === side && one.kind !== 'slot')
  return { ...state, side, position: stop?.id ?? null }
}

/** Presses and lets go, and looks at focus after each; the keys are those of the table. */
function watched(
  model: BodyModel,
  start: LiveState,
  events: readonly (readonly ['press' | 'release', string])[],
) {
  let state = start
  return events.map(([kind, key]) => {
    const address = lookup(model).addresses.get(key)
    if (!address) throw new Error(`no ${key}`)
    state = must(live(model, state, { kind, control: address.control.id, gesture: address.gesture.id })).state
    return focusNow(model, state)
  })
}

/** Doubts the simulated body cannot have: it does one thing or the other. */
const sure = (model: BodyModel): BodyModel => ({ ...model, doubts: [] })

describe.each(namedModels)('the simulated %s', (_name, whole) => {
  const model = sure(whole)
  it('does what the table says, for every key and ordered pair, and after either is let go', () => {
    const focusing = ['start-focus', 'start-focus-eyes', 'start-focus-point', 'stop-focus', 'lock-focus']
    const more = [
      'area-while-held',
      'start-tracking',
      'start-focus-frame',
      'area-zone-held',
      'detection-held',
    ]
    const known = new Set(model.functions.map((fn) => fn.id))
    const pick = fc.constantFrom(...[...focusing, ...more].filter((id) => known.has(id)))
    const keysOf = (side: Side) =>
      [...lookup(model).addresses.values()].filter(
        ({ side: of, control, gesture }) =>
          of === side && control.kind === 'key' && control.presence === undefined && gesture.id === 'press',
      )
    const any = fc.record({
      side: fc.constantFrom(...model.sides),
      functions: fc.array(pick, { minLength: 3, maxLength: 5 }),
      mode: fc.constantFrom('once', 'follow', 'manual'),
      half: fc.boolean(),
      detection: fc.boolean(),
    })
    fc.assert(
      fc.property(any, ({ side, functions, mode, half: focuses, detection }) => {
        const keys = keysOf(side)
        const plan = planWith(model, {
          [baseCellRow('focus.mode', side)]: mode,
          [baseCellRow('focus.halfPress', side)]: focuses,
          [baseCellRow('focus.detection', side)]: detection,
          ...Object.fromEntries(functions.map((id, i) => [keyRow({ key: keys[i * 2]?.key ?? '' }), id])),
        })
        const start = bodyWith(model, plan, side)
        const [table] = focusTables(model, memoryPlan(start), contextOf(start))
        if (!table) throw new Error('no table')
        const expected = (held: readonly string[]) => rowFor(table, held)?.outcomes
        expect(expected([])).toEqual([focusNow(model, start)])
        for (const { held } of table.rows) {
          const [one, two] = held
          if (one === undefined || two === undefined) continue
          const seen = watched(model, start, [
            ['press', one],
            ['press', two],
            ['release', one],
            ['release', two],
          ])
          expect(seen.map((each) => [each])).toEqual([
            expected([one]),
            expected(held),
            expected([two]),
            expected([]),
          ])
          const [, , other] = watched(model, start, [
            ['press', one],
            ['press', two],
            ['release', two],
          ])
          expect([other]).toEqual(expected([one]))
        }
      }),
      { numRuns: 10 },
    )
  }, 60_000)
})

describe('the table of any plan', () => {
  it('has every ordered pair once, and an answer in each row', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        for (const table of focusTables(heron, plan, contextIn(heron, 'stills', null, chipped)).slice(0, 3)) {
          const n = table.triggers.length
          expect(table.rows.length).toBe(1 + n + n * (n - 1))
          expect(new Set(table.rows.map((row) => row.held.join())).size).toBe(table.rows.length)
          for (const row of table.rows) {
            expect(row.outcomes.length).toBeGreaterThan(0)
            if (row.outcomes.length > 1) expect(row.asks.length).toBeGreaterThan(0)
          }
        }
      }),
      { numRuns: 15 },
    )
  })

  it('is empty of triggers where the side has none', () => {
    const rows = { 'key/stills/release/half-press': 'nothing', 'key/stills/barrel-key/press': 'nothing' }
    expect(tableOf(heron, { ...emptyPlan(heron).rows, ...rows }).triggers).toEqual([])
  })
})
