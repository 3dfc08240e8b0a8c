import { describe, expect, it } from 'vitest'
import { modelCalled, models } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { live } from '../camera/live/live'
import { focusNow, resolutionNow } from '../camera/live/key-presses'
import { liveAt } from '../camera/live/stand-at'
import { lookup } from '../model/lookup'
import { keyRow } from '../plan/rows'
import { parsePlan } from '../plan/plan'
import { contextIn } from '../resolve/context'
import { must } from '../result'
import { runChecks } from '../checks/checks'
import { reachOf } from '../reach/reach'
import { focusTables } from './trigger-table'

const mere = modelCalled('hollin-mere')
const context = contextIn(mere, 'stills', null)
const [rest, stretch] = ['stills/thumb-rest/press', 'stills/thumb-stretch/press']

describe('what to try where nobody knows which of two keys is obeyed', () => {
  const plan = must(parsePlan(mere, { [rowNamed('base/focus.detection@stills')]: false }))
  const pair = (held: readonly string[]) =>
    focusTables(mere, plan, context)[0]?.rows.find((row) => row.held.join() === held.join())

  it('decides between the answers: pressed the way the test says, they differ; the other way they do not', () => {
    expect(lookup(mere).doubts.get('focus/heldWins')?.test).toMatch(
      /hold the thumb stretch key.*then press the thumb rest key/,
    )
    expect(pair([stretch, rest])?.outcomes).toHaveLength(2)
    expect(pair([rest, stretch])?.outcomes).toHaveLength(1)
  })

  it('is said by the simulated body too, and only then', () => {
    const body = liveAt(mere, plan, context)
    const down = (state: typeof body, control: string) =>
      must(live(mere, state, { kind: 'press', control, gesture: 'press' }))
    const first = down(body, 'thumb-stretch')
    expect(first.log.map(({ kind }) => kind)).not.toContain('test')
    expect(down(first.state, 'thumb-rest').log.map(({ kind }) => kind)).toContain('test')
    expect(down(down(body, 'thumb-rest').state, 'thumb-stretch').log.map(({ kind }) => kind)).not.toContain(
      'test',
    )
  })

  it('is not asserted in what is said of the half-press', () => {
    const said = mere.rules.find(({ id }) => id === 'two-focus-halfpress')?.because
    expect(said).toMatch(/it is not known/)
  })
})

describe('tracking from an area in which nothing is tracked', () => {
  const rows = {
    [rowNamed('base/focus.area@stills')]: 'small-point',
    [rowNamed('key/stills/thumb-stretch/press')]: 'start-tracking',
  }
  const plan = must(parsePlan(mere, rows))

  it('focuses and tracks nothing, in the table and on the body, and the key says why', () => {
    const row = focusTables(mere, plan, context)[0]?.rows.find(({ held }) => held.join() === stretch)
    expect(row?.outcomes).toMatchObject([{ does: 'once', tracking: 'off' }])
    const body = must(
      live(mere, liveAt(mere, plan, context), { kind: 'press', control: 'thumb-stretch', gesture: 'press' }),
    ).state
    expect(focusNow(mere, body)).toMatchObject({ does: 'once', tracking: 'off' })
    const key = resolutionNow(mere, liveAt(mere, plan, context)).addresses.get(stretch)
    expect(key?.verdict).toBe('works')
    expect(key?.remarks).toContainEqual(expect.objectContaining({ rule: 'not-brought' }))
  })
})

describe('film AF that runs by itself', () => {
  const film = contextIn(mere, 'motion', null)
  const bare = {
    [rowNamed('base/focus.halfPressMotion')]: false,
    [rowNamed('base/focus.halfPress@motion')]: false,
  }
  const known = Object.fromEntries(
    Object.entries(bare).filter(([row]) => parsePlan(mere, { [row]: false }).ok),
  )
  const keys = Object.fromEntries(
    lookup(mere)
      .answering.motion.list.filter(({ factory }) => factory?.startsWith('start-'))
      .map(({ key }) => [keyRow({ key }), 'nothing']),
  )
  const plan = (more = {}) => must(parsePlan(mere, { ...known, ...keys, ...more }))
  const asked = { [rowNamed('base/focus.motionMode')]: 'asked' }
  const handsOff = (more = {}) =>
    focusTables(mere, plan(more), film)[0]?.rows.find(({ held }) => held.length === 0)

  it('follows with nothing held, in the table and on the body, and AF stops on demand', () => {
    expect(handsOff()?.outcomes).toMatchObject([{ does: 'follows', by: null }])
    expect(handsOff(asked)?.outcomes).toMatchObject([{ does: 'no' }])
    expect(focusNow(mere, liveAt(mere, plan(), film)).does).toBe('follows')
    expect(focusNow(mere, liveAt(mere, plan(asked), film)).does).toBe('no')
  })

  it('needs no key: nothing blocks, and autofocus costs the hand nothing', () => {
    const blocked = (more = {}) =>
      runChecks(mere, plan(more), []).filter(
        ({ check, side }) => check === 'nothing-focuses' && side === 'motion',
      )
    expect(blocked()).toEqual([])
    const needing = {
      [rowNamed('situation/talks/side')]: 'motion',
      [rowNamed('need/talks/focus.start')]: ['20'],
    }
    const [met] = reachOf(mere, plan(needing), []).reached
    expect([met?.best?.words, met?.perOuting]).toEqual(['By itself', 0])
    const [unmet] = reachOf(mere, plan({ ...needing, ...asked }), []).reached
    expect(unmet?.best?.words).not.toBe('By itself')
  })

  it('is known to at least three of the cameras', () => {
    expect(
      models.filter((model) => lookup(model).byMeaning.has('focus.motionMode')).length,
    ).toBeGreaterThanOrEqual(3)
  })
})
