import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { lenses, namedModels } from '@tests/fixtures/models'
import { newBody } from '../camera/body'
import { carriedRows, memoryOf } from '../camera/memory'
import { readCardFile, writeCardFile } from '../files/card-file'
import { readPlanFile, writePlanFile } from '../files/plan-file'
import { checkValue } from '../model/domain'
import { orientations, runStates, type BodyModel } from '../model/types'
import { must } from '../result'
import type { Context } from './context'
import { pressRecord, pressSwap } from './filming'
import { resolve } from './resolve'

/** Any state of affairs of a model, much of it left unsaid. */
function contextOf(model: BodyModel): fc.Arbitrary<Context> {
  const functions = model.functions.map((fn) => fn.id)
  const slots = model.families.map((family) =>
    fc.constantFrom(null, ...family.slots.map((slot) => slot.id)).map((slot) => [family.id, slot] as const),
  )
  const marked = model.settings.filter((setting) => setting.place === 'physical')
  return fc
    .record(
      {
        side: fc.constantFrom(...model.sides),
        run: fc.constantFrom(...runStates),
        banks: fc.tuple(...slots).map((pairs) => Object.fromEntries(pairs)),
        lens: fc.constantFrom(...lenses),
        position: fc.constantFrom(...model.positions.map((one) => one.id)),
        orientation: fc.constantFrom(...orientations),
        eye: fc.boolean(),
        firmware: fc.constantFrom(...model.firmware.map((one) => one.version)),
        attached: fc.subarray(['grip', 'adapter'] as const),
        held: fc.subarray(functions, { maxLength: 3 }),
        latched: fc.subarray(functions, { maxLength: 2 }),
        marked: fc
          .subarray(marked)
          .map((some) =>
            Object.fromEntries(
              some.flatMap(({ id, domain }) =>
                domain.kind === 'choice' ? [[id, domain.values[0]?.id ?? '']] : [],
              ),
            ),
          ),
      },
      { requiredKeys: ['side', 'run', 'banks', 'lens'] },
    )
    .map((context): Context => ({ ...context, lens: { ...context.lens, fits: model.maker } }))
}

describe.each(namedModels)('on the %s', (_name, model) => {
  const cases = fc.tuple(planOf(model), contextOf(model))

  it('every value stays in its domain, and every answer comes with its reason, the same each time', () => {
    fc.assert(
      fc.property(cases, ([plan, context]) => {
        const resolved = resolve(model, plan, context)
        for (const { setting, value, possible, chain } of resolved.settings.values()) {
          for (const one of [value, ...possible]) expect(checkValue(setting.domain, one, '').ok).toBe(true)
          expect(chain.at(-1)?.value).toEqual(value)
        }
        for (const { verdict, remarks } of resolved.addresses.values()) {
          if (verdict !== 'works' && verdict !== 'empty') expect(remarks.length).toBeGreaterThan(0)
          for (const remark of remarks) expect(remark.because).not.toBe('')
        }
        expect(resolve(model, plan, context)).toEqual(resolved)
      }),
      { numRuns: 25 },
    )
  })

  it('what is held or edited leaves, taken away, what was there before', () => {
    fc.assert(
      fc.property(cases, ([plan, context]) => {
        const { held: _held, latched: _latched, ...bare } = context
        const layers = (one: Context) =>
          [...resolve(model, plan, one).settings.values()].map(({ chain }) =>
            chain.filter((link) => link.layer !== 'rule' && link.layer !== 'hold' && link.layer !== 'held'),
          )
        expect(layers(context)).toEqual(layers(bare))
      }),
      { numRuns: 15 },
    )
  })

  it('every plan comes back from a card file and from a plan file as it was', () => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        const rows = carriedRows(model, memoryOf(model, plan))
        const { serial, firmware } = newBody(model, 'A-1', model.firmware[0]?.version ?? '')
        const header = {
          model: plan.model,
          formatNumber: model.cardFile.formatNumber,
          firmware,
          serial,
          savedAtSeconds: 1,
        }
        const card = must(readCardFile(model, writeCardFile(model, { header, rows }), 'a'))
        expect(card.rows).toEqual(rows)
        const file = new TextEncoder().encode(writePlanFile({ plan, revision: null }))
        expect(must(readPlanFile(file, 'a', [model])).plan).toEqual(plan)
      }),
      { numRuns: 25 },
    )
  })

  it('the record key and the swap key lead somewhere that resolves, or say why not', () => {
    fc.assert(
      fc.property(cases, ([plan, context]) => {
        for (const led of [pressRecord(model, plan, context), pressSwap(model, plan, context)]) {
          expect(led.because).not.toBe('')
          for (const next of led.to)
            expect(resolve(model, plan, next).settings.size).toBe(model.settings.length)
        }
      }),
      { numRuns: 10 },
    )
  })
})
