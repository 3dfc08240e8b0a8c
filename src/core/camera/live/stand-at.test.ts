import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { lenses, namedModels } from '@tests/fixtures/models'
import { valuesOf } from '../../model/domain'
import { lookup } from '../../model/lookup'
import { emptyPlan } from '../../plan/plan'
import { contextName, contextsOf, contextIn } from '../../resolve/context'
import { resolve } from '../../resolve/resolve'
import { must } from '../../result'
import { displayOf } from './display'
import type { LiveEvent } from './events'
import { resolutionNow } from './key-presses'
import { parseScript } from './script'
import { readPlace } from './address'
import { writePlace, writeState } from './place-text'
import { liveAt } from './stand-at'
import { writeEvent } from './write-script'

describe.each(namedModels)('the simulated %s put somewhere', (_name, model) => {
  it('amounts to what the plan does there, in every bank and with every lens', () => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        for (const side of model.sides)
          for (const { context } of contextsOf(model, plan, lenses, side).slice(0, 4)) {
            const state = liveAt(model, plan, context)
            const [asked, lived] = [
              resolve(model, plan, {
                ...context,
                situation: { subject: 'a puppet' },
                posture: 'finder',
                orientation: 'level',
                eye: true,
              }),
              resolutionNow(model, state),
            ]
            for (const [id, { value, setting }] of asked.settings)
              if (setting.place !== 'lens' && setting.place !== 'local')
                expect([id, lived.settings.get(id)?.value]).toEqual([id, value])
          }
      }),
      { numRuns: 8 },
    )
  })

  it('is found again by its address, and shows where it stands', () => {
    const plan = emptyPlan(model)
    for (const side of model.sides)
      for (const { context } of contextsOf(model, plan, lenses, side)) {
        const usual = contextIn(model, side, null)
        const read = readPlace(
          model,
          plan,
          [...lenses, context.lens],
          usual,
          writePlace(context, ['a/b/c', 'd/e/f']),
        )
        expect(read.held).toEqual(['a/b/c', 'd/e/f'])
        expect([read.context.side, read.context.lens.id, read.context.banks]).toEqual([
          side,
          context.lens.id,
          context.banks,
        ])
        const shown = displayOf(model, liveAt(model, plan, context))
        expect(shown.line.length).toBeGreaterThanOrEqual(3)
        expect(shown.place).not.toBe('')
      }
  })

  it('is found by the name a finding has for it; by one the plan no longer has, its first state', () => {
    const plan = emptyPlan(model)
    for (const side of model.sides) {
      const usual = contextIn(model, side, null)
      const states = contextsOf(model, plan, lenses, side)
      for (const one of states)
        expect(readPlace(model, plan, lenses, usual, writeState(side, contextName(one), ['a/b/c']))).toEqual({
          context: one.context,
          held: ['a/b/c'],
        })
      expect(readPlace(model, plan, lenses, usual, writeState(side, 'gone', [])).context).toEqual(
        states[0]?.context,
      )
    }
  })

  it('is found again after presses, at a remembered position, and worked another way; nonsense leads to the usual place', () => {
    const usual = contextIn(model, 'stills', null)
    const [setting] = model.settings.filter(({ domain }) => domain.kind === 'toggle')
    const position = model.positions.find(({ side, kind }) => side === 'stills' && kind !== 'slot')?.id
    const context = {
      ...usual,
      ...(position === undefined ? {} : { position }),
      posture: 'tripod' as const,
      edits: setting ? { [setting.id]: true } : {},
    }
    const read = readPlace(model, emptyPlan(model), [usual.lens], usual, writePlace(context, []))
    expect(read.context).toMatchObject(context)
    for (const text of ['', '{', '[1]', '{"side":"sideways","edits":{"no.such":1},"banks":[3],"held":7}'])
      expect(readPlace(model, emptyPlan(model), [], usual, text)).toMatchObject({
        context: { side: usual.side, banks: usual.banks, edits: {} },
        held: [],
      })
  })

  it('writes every event as a line that is read as the same event', () => {
    const { addresses, settings } = lookup(model)
    const keys = [...addresses.values()]
    const events: LiveEvent[] = [
      ...keys.map(({ control, gesture }): LiveEvent => ({
        kind: 'press',
        control: control.id,
        gesture: gesture.id,
      })),
      ...keys.map(({ control, gesture }): LiveEvent => ({
        kind: 'turn',
        control: control.id,
        gesture: gesture.id,
        clicks: -3,
      })),
      ...[...settings.values()].flatMap(({ id, domain, factory }): LiveEvent[] => [
        { kind: 'menu', setting: id, value: factory },
        ...(valuesOf(domain) ?? []).map((value): LiveEvent => ({ kind: 'menu', setting: id, value })),
      ]),
      ...model.positions.map(({ id }): LiveEvent => ({ kind: 'position', position: id })),
      ...model.families.flatMap(({ id, slots }): LiveEvent[] => [
        { kind: 'recall', family: id, slot: null },
        ...slots.map((slot): LiveEvent => ({ kind: 'register', family: id, slot: slot.id })),
      ]),
      ...lenses.map((lens): LiveEvent => ({ kind: 'lens', lens })),
      { kind: 'lens', lens: null },
      { kind: 'full' },
      { kind: 'wait', seconds: 2.5 },
      { kind: 'power', on: false },
      { kind: 'battery', percent: 7 },
      { kind: 'rotate', orientation: 'upright-left' },
      { kind: 'posture', posture: 'tripod' },
      { kind: 'attach', what: 'grip', on: false },
      { kind: 'eye', at: true },
      { kind: 'card', what: 'lock' },
      { kind: 'scene', scene: { ev: -2, subject: 'a puppet of wood' } },
      { kind: 'firmware', version: '1.1' },
      { kind: 'fail', fault: 'bit-flip' },
      { kind: 'act', act: 'format-card', file: 'A.SET' },
    ]
    for (const event of events) {
      const line = writeEvent(model, event)
      const [read] = must(parseScript(line, model, lenses))
      expect([line, read?.event]).toEqual([line, event])
    }
  })
})
