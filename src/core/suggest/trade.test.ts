import { isKeyRow } from '../plan/rows'
import { describe, expect, it } from 'vitest'
import { lenses, modelCalled } from '@tests/fixtures/models'
import { solver } from '@tests/fixtures/solver'
import { started } from '@tests/fixtures/started'
import { applyStep } from '../plan/step'
import { reachOf } from '../reach/reach'
import { must } from '../result'
import { agreementFrom } from './agreement'
import { explain } from './explain'
import { instanceOf } from './instance'
import { stepFor } from './change'
import type { Suggestion } from './suggest'
import { tradeCurve, type TradeNews } from './trade'

const model = modelCalled('pell-pocket')
const plan = started(model, ['workbench', 'stage'])
const few = lenses.slice(0, 2)
const news: TradeNews[] = []
tradeCurve(instanceOf({ model, plan, lenses: few }), solver, 20, (one) => news.push(one))
const solved = news.flatMap((one): Suggestion[] => (one.kind === 'solved' ? [one.suggestion] : []))

describe('the trade curve', () => {
  it('tells one change first, then two and three, then any number, then more, as far as they are fewer', () => {
    expect(solved.slice(0, 4).map(({ changesAllowed }) => changesAllowed)).toEqual([1, 2, 3, null])
    const most = solved[3]?.changes.length ?? 0
    for (const { changesAllowed } of solved.slice(4)) expect(changesAllowed).toBeLessThan(most)
  })

  it('never falls, and flattens', () => {
    const saved = [...solved]
      .sort((a, b) => a.changes.length - b.changes.length)
      .map(({ before, after }) => before.total - after.total)
    expect(saved).toEqual([...saved].sort((a, b) => a - b))
    expect((saved[1] ?? 0) - (saved[0] ?? 0)).toBeLessThan(saved[0] ?? 0)
  })
})

describe('the reasons of changes', () => {
  it('are needs that come quicker, and add up to what the hand saves where all of them are told', () => {
    const three = solved.find(({ changesAllowed }) => changesAllowed === 3)
    if (!three) throw new Error('three changes are asked for')
    const reach = reachOf(model, plan, few)
    const all = explain(model, plan, reach, three.changes, 99)
    expect(all).toHaveLength(three.changes.length)
    for (const one of all.flatMap(({ helped }) => helped)) expect(one.before).toBeGreaterThan(one.after)
    for (const one of all.flatMap(({ slowed }) => slowed)) expect(one.before).toBeLessThan(one.after)
    for (const { lost } of all) expect(lost).toMatch(/ is on | goes; | is at /)
    const taken = must(applyStep(model, plan, stepFor(model, plan, three.changes, 'take')))
    const told = all
      .flatMap(({ helped, slowed }) => [...helped, ...slowed])
      .reduce((sum, { times, before, after }) => sum + times * (before - after), 0)
    const lost = reach.seconds - reachOf(model, taken, few).seconds
    expect(told).toBeCloseTo(lost, 0)
  })

  it('with menus only leave every key as it is', () => {
    const found: TradeNews[] = []
    tradeCurve(instanceOf({ model, plan, lenses: few, only: 'menus' }), solver, 20, (one) => found.push(one))
    const rows = found.flatMap((one) =>
      one.kind === 'solved' ? one.suggestion.changes.map(({ row }) => row) : [],
    )
    expect(rows.length).toBeGreaterThan(0)
    expect(rows.filter((row) => isKeyRow(row))).toEqual([])
  })
})

describe('an agreement from the wire', () => {
  it('is taken where it is pairs of an address and functions, and nothing else is', () => {
    expect(agreementFrom({ pairs: [['stills/a/press', ['record']]] })?.get('stills/a/press')).toEqual([
      'record',
    ])
    for (const other of [null, 'x', {}, { pairs: [['a']] }, { pairs: [[1, []]] }, { kind: 'refused' }])
      expect(agreementFrom(other)).toBeNull()
  })
})
