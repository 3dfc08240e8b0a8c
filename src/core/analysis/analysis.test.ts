import { planOf, stepFor } from '@tests/fixtures/arbitrary'
import { lenses, modelCalled, models } from '@tests/fixtures/models'
import { started, theatre } from '@tests/fixtures/started'
import { rowNamed } from '@tests/fixtures/rows'
import { heron } from '@tests/fixtures/heron'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { columnsOf } from '../banks/columns'
import { adviceOn } from '../checks/checks'
import { acceptedFunctions } from '../model/controls'
import { advisers } from '../advise/table'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { emptyPlan, type Plan } from '../plan/plan'
import { holdRow, keyRow } from '../plan/rows'
import { applyStep, setRows } from '../plan/step'
import { needsOf } from '../reach/needs'
import { reachOf } from '../reach/reach'
import { usualContext } from '../resolve/context'
import { must } from '../result'
import { Analysis } from './analysis'
import { answering } from './answers'
import type { Question } from './questions'

const lens = lenses[0]?.id ?? ''

/** A question of every kind. */
function questions(model: BodyModel, plan: Plan): Question[] {
  const [side = 'stills'] = model.sides
  const [address] = lookup(model).addresses.keys()
  const context = usualContext(model, plan, lenses, side)?.context
  const columns = columnsOf(model, plan, lenses)
  const setting = model.settings.find(({ storedBy }) => storedBy !== null)?.id ?? ''
  return [
    { kind: 'findings' },
    { kind: 'reach', posture: 'finder' },
    { kind: 'worst', posture: 'finder' },
    { kind: 'functions', address: address ?? '', posture: 'finder' },
    { kind: 'trial', rows: [[rowNamed('title'), 'Tried']], posture: 'finder' },
    { kind: 'explained', changes: [], posture: 'finder' },
    { kind: 'dials', side },
    { kind: 'idle' },
    { kind: 'enabling' },
    { kind: 'inForce', setting },
    { kind: 'way', setting, value: lookup(model).settings.get(setting)?.factory ?? true, side },
    { kind: 'banks' },
    { kind: 'cell', column: columns.at(-1)?.id ?? '', setting },
    { kind: 'pairs', side, lens },
    { kind: 'hold', set: model.holdSets[0]?.id ?? '' },
    { kind: 'film' },
    { kind: 'focus', side, lens: null, posture: 'finder' },
    { kind: 'known', place: null },
    ...needsOf(model, plan)
      .slice(0, 2)
      .map(({ situation, what }) => ({ kind: 'wish' as const, situation, what, posture: 'finder' as const })),
    { kind: 'formats', place: null },
    { kind: 'wish', situation: 'none', what: 'nothing', posture: 'finder' },
    ...advisers.map(({ id }) => ({ kind: 'advice' as const, adviser: id, place: null, supposed: {} })),
    ...(['set-plan', 'press-test'] as const).map((id) => ({
      ...{ kind: 'procedure' as const, id, tag: null, start: 'delivered' as const },
      ...{ held: null, place: '', isPlayed: true },
    })),
    ...(context ? [{ kind: 'state', context, held: [] } as const] : []),
  ]
}

/** A plan and one that a step made of it, both with needs. */
const planAndNext = (model: BodyModel) =>
  planOf(model).chain((plan) =>
    stepFor(model, plan, 'step').map((step) => [plan, must(applyStep(model, plan, step))] as const),
  )

describe.each(models.map((model) => [model.name, model] as const))('an analysis of %s', (_, model) => {
  it('answers after a step as one that begins anew', () => {
    fc.assert(
      fc.property(planAndNext(model), ([plan, next]) => {
        const analysis = new Analysis(model, lenses, plan)
        const asked = questions(model, next)
        for (const question of asked) analysis.ask(question)
        analysis.update(next)
        const fresh = new Analysis(model, lenses, next)
        for (const question of asked)
          expect([question.kind, analysis.ask(question)]).toEqual([question.kind, fresh.ask(question)])
      }),
      { numRuns: 4 },
    )
  })
})

describe('an analysis', () => {
  const plan = started(heron, theatre)
  const after = (rows: Record<string, string | boolean | null>) =>
    must(applyStep(heron, plan, setRows(plan, 's', rows)))

  it('says what the checks and the reach say', () => {
    const analysis = new Analysis(heron, lenses, plan)
    expect(analysis.ask({ kind: 'findings' })).toEqual(adviceOn(heron, plan, lenses))
    expect(analysis.ask({ kind: 'reach', posture: 'finder' })).toEqual(reachOf(heron, plan, lenses))
  })

  it('gives the same object where nothing changed, and where the change does not matter to the answer', () => {
    const analysis = new Analysis(heron, lenses, plan)
    const asked = questions(heron, plan).map((question) => [question, analysis.ask(question)] as const)
    analysis.update({ ...plan, rows: { ...plan.rows } })
    for (const [question, answer] of asked) expect(analysis.ask(question)).toBe(answer)
    analysis.update(after({ title: 'Another title' }))
    for (const [question, answer] of asked) {
      if (question.kind === 'trial') continue
      expect([question.kind, analysis.ask(question) === answer]).toEqual([question.kind, true])
    }
  })

  it('reckons nothing that was not asked for, and nothing twice', () => {
    const analysis = new Analysis(heron, lenses, plan)
    const kinds = Object.keys(answering)
    expect(kinds).toHaveLength(new Set(questions(heron, plan).map(({ kind }) => kind)).size)
    const first = analysis.checked()
    analysis.ask({ kind: 'findings' })
    expect(analysis.checked()).toBe(first)
    const reach = analysis.reach('finder')
    expect(analysis.reach('finder')).toBe(reach)
  })

  it('looks at the film of a hold set as soon as a key calls it', () => {
    const model = modelCalled('varn-duet')
    const [set] = model.holdSets
    const fn = model.functions.find(({ holdSet }) => holdSet === set?.id)
    const setting = lookup(model).byMeaning.get('exposure.iso')
    const address = [...lookup(model).addresses.values()].find(
      (one) => one.side === 'motion' && acceptedFunctions(model, one).some(({ id }) => id === fn?.id),
    )
    if (!set || !fn || !setting || !address) throw new Error('a key of the model can call its hold set')
    const without = {
      ...emptyPlan(model),
      rows: { [holdRow(set.id, setting.id)]: setting.factory },
    }
    const called = { ...without, rows: { ...without.rows, [keyRow(address)]: fn.id } }
    const analysis = new Analysis(model, lenses, without)
    const before = analysis.ask({ kind: 'film' })
    analysis.update(called)
    expect(analysis.ask({ kind: 'film' })).toEqual(new Analysis(model, lenses, called).ask({ kind: 'film' }))
    expect(Object.keys(analysis.ask({ kind: 'film' }))).not.toEqual(Object.keys(before))
  })

  it('tries rows without taking them', () => {
    const analysis = new Analysis(heron, lenses, plan)
    const before = analysis.ask({ kind: 'reach', posture: 'finder' })
    const key = rowNamed('key/stills/thumb-key/press')
    const tried = analysis.ask({ kind: 'trial', rows: [[key, 'nothing']], posture: 'finder' })
    expect(tried.reach).toEqual(reachOf(heron, after({ [key]: 'nothing' }), lenses))
    expect(analysis.plan).toBe(plan)
    expect(analysis.ask({ kind: 'reach', posture: 'finder' })).toBe(before)
  })

  it('keeps a bounded number of answers', () => {
    const analysis = new Analysis(heron, lenses, plan)
    const keys = [...lookup(heron).addresses.values()].filter(({ side }) => side !== 'playback')
    const [first] = keys
    const ask = (address: string) => analysis.ask({ kind: 'functions', address, posture: 'finder' })
    const answer = ask(first?.key ?? '')
    for (let i = 0; i < 70; i++) ask(`none ${i}`)
    expect(ask(first?.key ?? '')).not.toBe(answer)
  })
})
