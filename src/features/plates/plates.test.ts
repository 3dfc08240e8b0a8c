import { rowNamed } from '@tests/fixtures/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { faultsOf } from '@tests/fixtures/plates'
import type { BodyModel } from '@/core/model/types'
import { emptyPlan, type Plan } from '@/core/plan/plan'
import { anyLens } from '@/core/model/any-lens'
import { isThere, type Fitted } from '@/core/resolve/presence'
import { labelSize } from '@/ui/plate/label'
import { layoutIn } from '@/core/plates/layout'
import { everyPart } from './fitted-choice'
import { differingOn, labelsOf, type Shown } from './labels'

/** The sheet beside the panel at 1280 × 800, A4 on its side, and alone at 820 × 1180, where numbers may stand for leaders. */
const sheets = [
  { width: 838, height: 540 },
  { width: 1040, height: 600 },
  { width: 746, height: 640 },
]
const bare: Fitted = { lens: anyLens, attached: [] }
const variants = [
  everyPart,
  bare,
  ...lenses.slice(0, 3).map((lens): Fitted => ({ lens, attached: ['grip'] })),
]

const shownAs = (model: BodyModel, plan: Plan, fitted: Fitted, side = model.sides[0] ?? 'stills'): Shown => ({
  model,
  plan,
  side,
  findings: new Map(),
  changed: new Set(),
  fitted,
  uses: null,
})

describe.each(namedModels)('the plates of the %s', (_name, model) => {
  it('have every label in a margin, no leader crossing another, no box over another, on screen and A4', () => {
    for (const side of model.sides)
      for (const fitted of variants)
        for (const face of model.faces)
          for (const size of sheets) {
            const labels = labelsOf(shownAs(model, emptyPlan(model), fitted, side), face)
            const layout = layoutIn(face, labels.map(labelSize), size)
            const where = `${face.id} ${side} ${fitted.lens.id} ${size.width}`
            if (size.width > 800) expect(layout, where).not.toBeNull()
            if (layout) expect(faultsOf(labels, layout), where).toEqual([])
          }
  }, 60_000)

  it('have them so with any functions on the keys, but for a rare one that is numbered', () => {
    let [tried, drawn] = [0, 0]
    fc.assert(
      fc.property(planOf(model), fc.constantFrom(...model.faces), (plan, face) => {
        const labels = labelsOf(shownAs(model, plan, everyPart), face)
        const layout = layoutIn(face, labels.map(labelSize), { width: 838, height: 540 })
        tried += 1
        drawn += layout ? 1 : 0
        if (layout) expect(faultsOf(labels, layout)).toEqual([])
      }),
      { numRuns: 12 },
    )
    expect(drawn).toBeGreaterThanOrEqual(tried - 1)
  }, 60_000)
})

describe('a plate', () => {
  it('shows the controls that are there with the lens and the grip', () => {
    const mere = modelCalled('hollin-mere')
    const ids = (fitted: Fitted) =>
      mere.faces.flatMap((face) =>
        labelsOf(shownAs(mere, emptyPlan(mere), fitted), face).map(({ control }) => control.id),
      )
    expect(ids(everyPart)).toContain('grip-press')
    expect(ids(bare)).not.toContain('grip-press')
    expect(ids(bare)).not.toContain('sleeve')
    expect(
      mere.controls
        .filter((control) => isThere(control, bare))
        .map(({ id }) => id)
        .sort(),
    ).toEqual(ids(bare).sort())
  })

  it('of a dial with an assignment for each exposure mode tells the one that answers now', () => {
    const linden = modelCalled('brack-linden')
    const face = linden.faces.find(({ id }) => id === 'back')
    if (!face) throw new Error('there is a back')
    const of = (rows: Plan['rows']) =>
      labelsOf(shownAs(linden, { ...emptyPlan(linden), rows }, everyPart), face).find(
        ({ control }) => control.id === 'rear-bezel',
      )?.lines
    expect(of({})).toHaveLength(1)
    const manual = of({ [rowNamed('base/exposure.mode@stills')]: 'manual' })
    expect(manual?.[0]?.address).toBe('stills/rear-bezel/turn@manual')
  })

  it('says what the other side has where it differs, and counts it', () => {
    const heron = modelCalled('tarrow-heron')
    const face = heron.faces.find((one) => one.id === 'back')
    if (!face) throw new Error('there is a back')
    const plan = { ...emptyPlan(heron), rows: { 'key/motion/crown-key/press': 'nothing' } }
    const before = differingOn(heron, emptyPlan(heron), face, 'stills')
    expect(differingOn(heron, plan, face, 'stills')).toBe(before + 1)
    const crown = labelsOf(shownAs(heron, plan, everyPart), face).find(
      ({ control }) => control.id === 'crown-key',
    )
    expect(crown?.lines[0]?.differs).toBe('No function')
  })
})
