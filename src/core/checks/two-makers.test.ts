import { describe, expect, it } from 'vitest'
import { checkCases, doubted } from '@tests/fixtures/check-cases'
import { heron } from '@tests/fixtures/heron'
import { lenses, modelCalled, models } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { secondCases } from '@tests/fixtures/second-cases'
import type { BodyModel } from '../model/types'
import { parsePlan } from '../plan/plan'
import { must } from '../result'
import { factsOf } from '../rules/condition'
import type { Value } from '../vocabulary/values'
import { checks, runChecks } from './checks'

/** Checks that models of one maker alone can raise, by what those have and no other has. */
const oneMakerOnly: Readonly<Record<string, (model: BodyModel) => boolean>> = {
  'tilt-beside-turn': ({ controls }) =>
    controls.some(
      ({ bump, guard, gestures }) =>
        bump === 'high' &&
        guard === undefined &&
        gestures.length > 1 &&
        gestures.some(({ id }) => id === 'turn'),
    ),
  'marked-dial': ({ settings, rules }) =>
    rules.some(
      ({ when, then }) =>
        'setting' in then &&
        settings.some(({ id, place }) => place === 'physical' && factsOf(when).includes(`setting/${id}`)),
    ),
  'row-not-kept': ({ families }) => families.some(({ widenedBy }) => widenedBy !== undefined),
  'record-bank-unused': ({ filming }) => filming?.fromStills === 'named',
  'shared-leak': ({ settings }) => settings.some(({ shared }) => shared !== undefined),
  'corners-with-glasses': ({ settings }) => settings.some(({ means }) => means === 'display.finderSize'),
  'look-alike': ({ lookAlikes }) => lookAlikes.length > 0,
}

const makersOf = (which: (model: BodyModel) => boolean) =>
  new Set(models.filter(which).map(({ maker }) => maker))

describe('every check', () => {
  it('has cases on models of two makers, but for those that one maker alone can raise', () => {
    for (const { id } of checks) {
      const first = checkCases[id]?.model ?? heron
      const second = secondCases[id]
      const alone = oneMakerOnly[id]
      if (alone) {
        expect([id, second, [...makersOf(alone)]]).toEqual([id, undefined, [first.maker]])
        continue
      }
      expect([id, second === undefined ? null : modelCalled(second.model).maker]).not.toContain(first.maker)
      expect(second, id).toBeDefined()
    }
  })

  it.each(Object.entries(secondCases))(
    '%s finds the fault there too, and nothing where there is none',
    (id, one) => {
      const model =
        one.doubt === undefined ? modelCalled(one.model) : doubted(modelCalled(one.model), one.doubt)
      const told = (rows: Readonly<Record<string, Value>>) => {
        const named = Object.fromEntries(Object.entries(rows).map(([row, value]) => [rowNamed(row), value]))
        return runChecks(model, must(parsePlan(model, named)), lenses).filter(
          ({ check, row }) => check === id && (!/^(dead|inert)-key$/.test(id) || Object.hasOwn(named, row)),
        )
      }
      expect(told(one.fails).length).toBeGreaterThan(0)
      expect(told(one.passes).map(({ title }) => title)).toEqual([])
    },
  )
})
