import { modelRow } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import type { BodyModel } from '../model/types'
import { planKind } from '../plan/kind'
import { parsePlan } from '../plan/plan'
import { must } from '../result'
import { invertStep } from '../sync/step'
import { followEdition } from './edition'

/** The Heron's next edition: a control, a slot and a setting are gone. */
const gone = { control: 'cheek-key', slot: 'flow', setting: 'focus.lamp' }
const newer: BodyModel = {
  ...heron,
  version: heron.version + 1,
  controls: heron.controls.filter((control) => control.id !== gone.control),
  settings: heron.settings.filter((setting) => setting.id !== gone.setting),
  families: heron.families.map((family) => ({
    ...family,
    slots: family.slots.filter((slot) => slot.id !== gone.slot),
  })),
}
const kind = planKind((_id, edition) => (edition === newer.version ? newer : heron))

describe('following another edition', () => {
  it('keeps every row the edition still has, and tells of those it has not', () => {
    const plan = must(
      parsePlan(heron, {
        title: 'Mine',
        'base/movie.frameRate': '50p',
        'base/focus.lamp': false,
        'why/base/focus.lamp': 'It gives us away.',
        'bank/dial/flow/side': 'motion',
      }),
    )
    const { step, lines } = followEdition(heron, plan, newer, 'follow')
    const after = must(kind.apply(plan, step))
    expect(after).toMatchObject({
      model: { id: heron.id, version: newer.version },
      rows: { title: 'Mine', 'base/movie.frameRate': '50p' },
    })
    expect(Object.keys(after.rows)).not.toContain('base/focus.lamp')
    expect(lines.map((line) => line.row)).toEqual(
      expect.arrayContaining(['base/focus.lamp', 'bank/dial/flow/side']),
    )
    for (const line of lines) expect(line.because).not.toBe('')
  })

  it('always gives a plan of that edition, and undoing brings the very same plan back', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const { step } = followEdition(heron, plan, newer, 'follow')
        const after = must(kind.apply(plan, step))
        expect(parsePlan(newer, after.rows).ok).toBe(true)
        expect(must(kind.apply(after, invertStep(step, 'back')))).toEqual(plan)
      }),
      { numRuns: 60 },
    )
  })

  it('is refused to another model, to an edition that is not at hand, and from one it is not on', () => {
    const plan = must(parsePlan(heron, {}))
    const turn = (from: string, to: string) => ({ id: 's', changes: [{ row: modelRow, from, to }] })
    const here = `${heron.id}@${heron.version}`
    expect(kind.apply(plan, turn(here, 'varn-duet@1'))).toMatchObject({ refusal: { code: 'outside' } })
    expect(
      planKind((_id, edition) => (edition === heron.version ? heron : null)).apply(
        plan,
        turn(here, `${heron.id}@99`),
      ),
    ).toMatchObject({
      refusal: { code: 'unknown-model' },
    })
    expect(kind.apply(plan, turn(`${heron.id}@99`, `${heron.id}@${newer.version}`))).toMatchObject({
      refusal: { code: 'stale' },
    })
  })
})
