import { describe, expect, it } from 'vitest'
import { modelCalled } from '@tests/fixtures/models'
import { live } from '../camera/live/live'
import { liveAt } from '../camera/live/stand-at'
import { parseModel } from '../model/parse'
import { lookup } from '../model/lookup'
import type { BodyModel, Posture } from '../model/types'
import { keyRow } from '../plan/rows'
import { emptyPlan, parsePlan } from '../plan/plan'
import { contextIn } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import { meetingAt } from './moves'
import { operators, timesOf } from './operators'
import { pathsTo } from './paths'

const mere = modelCalled('hollin-mere')
const linden = modelCalled('brack-linden')
const seconds = (id: (typeof operators)[number]['id']) => operators.find((one) => one.id === id)!.seconds

/** The chord of a model on a side: two keys pressed together. */
const chordOf = (model: BodyModel) =>
  [...lookup(model).addresses.values()].find(
    ({ gesture, side }) => gesture.with !== undefined && side === 'stills',
  )!

/** The ways by the chord to what a function on it does. */
function byChord(model: BodyModel, fn: string, what: string, posture: Posture) {
  const chord = chordOf(model)
  const plan = must(parsePlan(model, { [keyRow(chord)]: fn }))
  const resolution = resolve(model, plan, contextIn(model, 'stills', null))
  const hand = { model, plan, resolution, side: 'stills', times: timesOf(plan), gridCounts: true } as const
  return pathsTo({ ...hand, posture }, { what, flags: [] }).filter(({ address }) => address === chord.key)
}

describe('two keys pressed together', () => {
  it('are a press more than one key, by two fingers, each with its own way to go', () => {
    for (const model of [mere, linden]) {
      const chord = chordOf(model)
      const other = model.controls.find(({ id }) => id === chord.gesture.with!.split('/')[0])!
      for (const posture of ['finder', 'screen', 'tripod'] as const) {
        const [one, two] = [chord.control.reach[posture], other.reach[posture]]
        const met = meetingAt(chord, posture)
        if (!one || !two) throw new Error('both are reached in each posture')
        const far = [one, two].reduce(
          (sum, { grade }) => sum + (grade === 3 ? seconds('leave') : grade * seconds('reach')),
          0,
        )
        const looked = [one, two].filter(({ findable }) => !findable).length * seconds('look')
        const times = timesOf(emptyPlan(model))
        const cost = Object.entries(met!.moves).reduce(
          (sum, [id, count]) => sum + count * times[id as keyof typeof times],
          0,
        )
        expect(cost).toBeCloseTo(far + looked + seconds('press'))
      }
    }
  })

  it('are reached by one finger on a tripod only, where both hands are free', () => {
    const sameFinger = {
      ...mere,
      controls: mere.controls.map((one) =>
        one.id !== chordOf(mere).control.id
          ? one
          : {
              ...one,
              gestures: one.gestures.map((two) =>
                two.with === undefined ? two : { ...two, with: 'low-outer/press' },
              ),
            },
      ),
    }
    const met = (['finder', 'screen', 'tripod'] as const).map((posture) =>
      meetingAt(chordOf(sameFinger), posture),
    )
    expect(met.map((one) => one !== null)).toEqual([false, false, true])
  })

  it('are a way among the others, at the sum of the parts', () => {
    const [path] = byChord(linden, 'choose-metering', 'exposure.metering', 'screen')
    expect(path?.words).toBe('Left corner button, with Finder button')
    expect(path?.seconds).toBeCloseTo(
      3 * seconds('press') + seconds('look') + seconds('turn') + 2 * seconds('reach') + seconds('look'),
    )
  })

  it('are a gesture of their own on the body: what is on them happens, and not what is on either', () => {
    const chord = chordOf(linden)
    const plan = must(parsePlan(linden, { [keyRow(chord)]: 'playback' }))
    const body = liveAt(linden, plan, contextIn(linden, 'stills', null))
    const done = must(
      live(linden, body, { kind: 'press', control: chord.control.id, gesture: chord.gesture.id }),
    )
    expect(done.state.run).toBe('playback')
    const empty = must(
      live(linden, liveAt(linden, emptyPlan(linden), contextIn(linden, 'stills', null)), {
        kind: 'press',
        control: chord.control.id,
        gesture: chord.gesture.id,
      }),
    )
    expect(empty.log.map(({ words }) => words)).toEqual([
      'Left corner button with Finder button: nothing is on it.',
    ])
  })

  it('do not answer where the other key does not, and the body says the same', () => {
    const chord = chordOf(linden)
    const [, other] = chord.controls
    const lockedUp = {
      ...linden,
      rules: [
        ...linden.rules,
        {
          id: 'other-asleep',
          when: { all: [] },
          then: { kind: 'unavailable' as const, controls: [other!.id] },
          because: 'The other key is asleep.',
          over: [],
        },
      ],
    }
    const plan = must(parsePlan(lockedUp, { [keyRow(chord)]: 'playback' }))
    const context = contextIn(lockedUp, 'stills', null)
    const key = resolve(lockedUp, plan, context).addresses.get(chord.key)
    expect([key?.verdict, key?.remarks[0]?.because]).toEqual(['dead', 'The other key is asleep.'])
    const { state } = must(
      live(lockedUp, liveAt(lockedUp, plan, context), {
        kind: 'press',
        control: chord.control.id,
        gesture: chord.gesture.id,
      }),
    )
    expect(state.run).toBe('standby')
  })

  it.each([
    ['a gesture that is not there', 'visor/knock', 'There is no gesture visor/knock'],
    ['a key that is not there', 'chimney/press', 'There is no gesture chimney/press'],
    ['the key itself', 'nook/press', 'cannot be pressed together with itself'],
  ])('with %s are refused, with the place', (_name, partner, said) => {
    const copy = structuredClone(linden) as unknown as { controls: { gestures: { with?: string }[] }[] }
    const at = linden.controls.indexOf(chordOf(linden).control)
    copy.controls[at]!.gestures.find((one) => one.with !== undefined)!.with = partner
    const parsed = parseModel(new TextEncoder().encode(JSON.stringify(copy)), 'mine.json')
    expect(parsed.ok ? [] : parsed.faults).toEqual([
      expect.objectContaining({
        message: expect.stringContaining(said) as string,
        where: expect.stringContaining(`controls[${at}].gestures`) as string,
      }),
    ])
  })
})
