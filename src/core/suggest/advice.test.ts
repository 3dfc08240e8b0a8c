import { describe, expect, it } from 'vitest'
import { lenses, modelCalled, models, namedModels } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { solver } from '@tests/fixtures/solver'
import { started } from '@tests/fixtures/started'
import { adviceOn } from '../checks/checks'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { addressKeyOf, isKeyRow } from '../plan/rows'
import { applyStep } from '../plan/step'
import { reachOf } from '../reach/reach'
import { must } from '../result'
import { focusRole } from '../vocabulary/focus-roles'
import { readySets } from '../vocabulary/situations'
import { withAssumedModes } from './assumed'
import { stepFor, type Change } from './change'
import { instanceOf } from './instance'
import { suggest } from './suggest'

const meansOf = (model: BodyModel, fn: string) => lookup(model).functions.get(fn)?.means ?? null

/** The best few changes for a plan, weighed as the application weighs them. */
function bestFor(model: BodyModel, plan: Plan): readonly Change[] {
  const weighed = withAssumedModes(model, plan)
  const instance = instanceOf({ model, plan: weighed.plan, lenses })
  return suggest(instance, solver, 3, { seconds: 6 }).changes
}

const cases = models.flatMap((model) =>
  readySets
    .filter(({ side }) => model.sides.includes(side))
    .map((set) => [`${set.name} on the ${model.name}`, model, set.id, set.side] as const),
)

describe.each(cases)('what is suggested for %s', (_name, model, set, side) => {
  const plan = started(model, [set])
  const changes = bestFor(model, plan)
  const keys = changes.filter(({ row }) => isKeyRow(row))

  it('leaves what the owner focuses, records and opens the menu with where it is, and doubles neither', () => {
    for (const { from, to } of keys) {
      expect(focusRole(meansOf(model, from))).toBe('none')
      expect(['movie.record', 'menu.full', 'focus.areaOnly']).not.toContain(meansOf(model, from))
      expect(['movie.record', 'menu.full']).not.toContain(meansOf(model, to))
    }
  })

  it('is weighed in the modes the work is done in, never in program', () => {
    const weighed = withAssumedModes(model, plan)
    const modes = readySets.find(({ id }) => id === set)!.modes
    const exposure = weighed.assumed.find(({ setting }) => setting.means === 'exposure.mode')
    expect([exposure?.side, exposure?.value]).toEqual([side, modes.exposure])
    for (const { words } of weighed.assumed) expect(words).toMatch(/not planned in .*: reckoned with/)
  })

  it('raises no count of problems, taken whole or in part: what it displaces is meant', () => {
    const count = (of: Plan) =>
      adviceOn(model, of, lenses).filter(({ severity }) => severity !== 'tidies').length
    const { assumed, plan: weighed } = withAssumedModes(model, plan)
    const before = count(weighed)
    const parts = [changes, changes.slice(0, 2), changes.slice(1), changes.slice(-1)]
    for (const part of parts) {
      const taken = must(applyStep(model, plan, stepFor(model, plan, part, 'taken', assumed)))
      const told = adviceOn(model, taken, lenses).map(({ title }) => title)
      expect(
        count(taken),
        `${part.map(({ row, to }) => `${row} ${to}`).join(', ')}: ${told.join('; ')}`,
      ).toBeLessThanOrEqual(before)
    }
  })
})

describe('modes that a plan does not say', () => {
  const heron = modelCalled('tarrow-heron')

  it('are not assumed where it says them, or where nothing is needed', () => {
    expect(withAssumedModes(heron, started(heron, [])).assumed).toEqual([])
    const said = started(heron, ['action'], {
      [rowNamed('base/exposure.mode@stills')]: 'manual',
      [rowNamed('base/focus.mode@stills')]: 'manual',
    })
    expect(withAssumedModes(heron, said).assumed).toEqual([])
  })

  it('are those of the kind of work that comes most often on a side', () => {
    const both = started(heron, ['copy-stand', 'action'])
    const modes = withAssumedModes(heron, both).assumed.map(({ setting, value }) => [setting.means, value])
    expect(modes).toEqual([
      ['exposure.mode', 'shutter-first'],
      ['focus.mode', 'follow'],
    ])
  })
})

describe('keys one focuses with', () => {
  it('may change where the owner lets them go', () => {
    const linden = modelCalled('brack-linden')
    const choices = (letGo: boolean) =>
      instanceOf({ model: linden, plan: started(linden, ['action']), lenses, letGo }).places.find(
        ({ row }) => addressKeyOf(row) === 'stills/thumb-pad/press',
      )?.values.length
    expect(choices(false)).toBe(1)
    expect(choices(true)).toBeGreaterThan(5)
  })
})

describe('the way from stills to motion', () => {
  it.each(namedModels)(
    'is there without a key for it on the %s, and suggestions know its price',
    (_name, model) => {
      const plan = started(model, ['documentary'])
      const [swap] = reachOf(model, plan, lenses).reached.filter(({ need }) => need.what === 'movie.swapSide')
      expect(swap?.best?.words).toMatch(/^(Mode dial, turn|Stills and movie switch|Stills\/movie lever)/)
      const demand = instanceOf({ model, plan, lenses }).demands.find(
        ({ needs }) => needs[0]?.what === 'movie.swapSide',
      )
      expect(demand?.ways.some(({ seconds }) => Math.abs(seconds - (swap?.best?.seconds ?? 0)) < 1e-9)).toBe(
        true,
      )
    },
  )
})
