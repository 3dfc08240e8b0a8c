import { describe, expect, it } from 'vitest'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { emptyPlan, parsePlan } from '../plan/plan'
import { must } from '../result'
import { dialSettings } from './dial-settings'
import { dialRows } from './dials'

describe('the dials', () => {
  it.each(namedModels)(
    'of the %s are all there on each side, each turn with what it does',
    (_name, model) => {
      for (const side of model.sides) {
        const dials = dialRows(model, emptyPlan(model), lenses, side)
        const turning = model.controls.filter(
          ({ kind, gestures }) =>
            ['dial', 'wheel', 'ring', 'lever'].includes(kind) && gestures.some(({ id }) => id === 'turn'),
        )
        expect(dials.map(({ control }) => control.id)).toEqual(turning.map(({ id }) => id))
        for (const { rows } of dials)
          for (const { idle } of rows)
            for (const { modes, because } of idle)
              expect([modes.length > 0, because.length > 0]).toEqual([true, true])
      }
    },
  )

  it('say in which exposure modes one does nothing, and why', () => {
    const heron = modelCalled('tarrow-heron')
    const front = (rows = {}) =>
      dialRows(heron, must(parsePlan(heron, rows)), lenses, 'stills').find(
        ({ control }) => control.id === 'front-dial',
      )?.rows[0]
    expect(front()?.fn?.id).toBe('turn-shutter')
    const [idle] = front()?.idle ?? []
    expect(idle?.modes).toEqual(['Program', 'Aperture priority'])
    expect(idle?.everywhere).toBe(false)
    expect(idle?.because).toContain('camera chooses the shutter')
    expect(front({ 'key/stills/front-dial/turn': 'nothing' })).toMatchObject({
      fn: { id: 'nothing' },
      idle: [],
    })
  })

  it('with an assignment for each exposure mode have a row for each', () => {
    const linden = modelCalled('brack-linden')
    const rear = dialRows(linden, emptyPlan(linden), lenses, 'stills').find(
      ({ control }) => control.id === 'rear-bezel',
    )
    expect(rear?.rows.map(({ address }) => address.when?.value)).toEqual([
      'full-auto',
      'shutter-first',
      'aperture-first',
      'manual',
    ])
    expect(rear?.rows.find(({ address }) => address.when?.value === 'manual')?.idle).toEqual([])
    expect(dialSettings(linden).map(({ means }) => means)).toContain('controls.dialLayout')
  })
})
