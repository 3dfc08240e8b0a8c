import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { lenses } from '@tests/fixtures/models'
import { ladderSteps } from '../model/domain'
import { lookup } from '../model/lookup'
import { stepOf } from '../vocabulary/ladders'
import { emptyPlan } from '../plan/plan'
import { ownerRow } from '../plan/rows'
import { applyStep, setRows } from '../plan/step'
import { must } from '../result'
import { composeProcedure } from './compose'
import {
  isoLimitRows,
  isoLimitsOf,
  isoLimitWords,
  isoRatings,
  ratedOn,
  rateAct,
  type IsoRating,
} from './iso-limits'
import { orderFor } from './order'
import { emptyWalk, sayingOf, walkKind, type Walk } from './progress'

const limits = (ratings: Record<string, IsoRating>) =>
  isoLimitsOf(heron, new Map(Object.entries(ratings).map(([iso, one]) => [Number(iso), one])))
const domain = lookup(heron).byMeaning.get('exposure.iso')?.domain
const steps = domain?.kind === 'ladder' ? ladderSteps(domain) : []

describe('the limits of an ISO ladder', () => {
  it('are the lowest stop in need only, and the lowest that is never wanted', () => {
    const rated = limits({ 400: 'fine', 800: 'in need', 1600: 'in need', 3200: 'never', 6400: 'never' })
    expect(rated).toEqual({ ok: true, value: { need: 800, never: 3200, better: [] } })
    expect(isoLimitWords(must(rated))).toBe('In need only from ISO 800, never from ISO 3200.')
  })

  it('are one where fine goes over into never at once, and none where all is fine', () => {
    expect(must(limits({ 400: 'fine', 800: 'never' }))).toMatchObject({ need: null, never: 800 })
    const none = must(limits({ 400: 'fine', 800: 'fine' }))
    // What was said before goes, too: a limit that the ladder contradicts does not stay.
    expect(Object.values(isoLimitRows(none))).toEqual([null, null])
    expect(isoLimitWords(none)).toContain('there is no limit')
  })

  it('go by the lower stop where a higher one was rated better, and say so', () => {
    const odd = must(limits({ 800: 'in need', 1600: 'fine', 3200: 'never', 6400: 'in need' }))
    expect(odd).toEqual({ need: 800, never: 3200, better: [1600, 6400] })
    expect(isoLimitWords(odd)).toContain('ISO 1600 and 6400 were rated better')
  })

  it('are refused where nothing is rated, and for a stop the camera has not', () => {
    expect(limits({})).toMatchObject({ ok: false, refusal: { code: 'no-ratings' } })
    expect(limits({ 777: 'fine' })).toMatchObject({
      ok: false,
      refusal: { code: 'unknown-step', where: '777' },
    })
  })

  it('never stand above a stop that was rated as bad, and are rows that the plan takes', () => {
    const rating = fc.constantFrom(...isoRatings)
    fc.assert(
      fc.property(fc.array(rating, { minLength: 1, maxLength: steps.length }), (given) => {
        const rated = given.map((one, i) => [steps[i], one] as const)
        const found = must(isoLimitsOf(heron, new Map(rated.map(([step, one]) => [step?.amount ?? 0, one]))))
        for (const [step, one] of rated) {
          const amount = step?.amount ?? 0
          if (one === 'never') expect(found.never).toBeLessThanOrEqual(amount)
          if (one === 'in need') expect(found.need ?? found.never).toBeLessThanOrEqual(amount)
          // Below both limits everything is fine.
          if (amount < (found.need ?? Infinity) && amount < (found.never ?? Infinity))
            expect(one).toBe('fine')
        }
        // Over limits of before, whatever they were.
        const said = { [ownerRow('isoNeed')]: 99, [ownerRow('isoNever')]: 101 }
        const plan = must(applyStep(heron, emptyPlan(heron), setRows(emptyPlan(heron), 'a', said)))
        const after = must(applyStep(heron, plan, setRows(plan, 's', isoLimitRows(found))))
        expect(after.rows[ownerRow('isoNeed')] ?? null).toBe(found.need)
        expect(after.rows[ownerRow('isoNever')] ?? null).toBe(found.never)
      }),
      { numRuns: 40 },
    )
  })
})

describe('the walk of an ISO ladder', () => {
  const order = orderFor(heron, emptyPlan(heron), lenses, null, 'delivered')
  const ladder = composeProcedure('iso-ladder', { order })
  const by = { who: 'Ada', at: '2026-11-29T10:00:00Z' }
  const say = (walk: Walk, id: string, words: string) =>
    sayingOf(walk, ladder, id, { mark: 'done', words, ...by })

  it('asks of each stop that was shot how it is rated, takes one of its answers, and nothing else', () => {
    const rates = ladder.acts.filter(({ answers }) => answers !== undefined)
    expect(rates.length).toBeGreaterThan(5)
    for (const { asks } of rates) expect(ladder.acts.some(({ id }) => id === `do/shoot/${asks}`)).toBe(true)
    const [first] = rates
    expect(say(emptyWalk, first?.id ?? '', '')).toMatchObject({
      ok: false,
      refusal: { code: 'no-answer', message: 'Say one of these: fine, in need, never.' },
    })
    expect(say(emptyWalk, first?.id ?? '', 'grainy')).toMatchObject({ ok: false })
    const walk = must(
      walkKind.apply(emptyWalk, { id: 's', changes: must(say(emptyWalk, first?.id ?? '', 'in need')) }),
    )
    expect([...ratedOn(walk, ladder.acts)]).toEqual([[stepOf('iso', first?.asks)?.amount, 'in need']])
  })

  it('comes to its limits only after every stop was rated or skipped', () => {
    const act = ladder.acts.find(({ writes }) => writes === 'iso-limits')
    expect(act?.after.length).toBeGreaterThan(5)
    expect(act?.after).toContain(rateAct('ISO 1000'))
    expect(say(emptyWalk, act?.id ?? '', '')).toMatchObject({ ok: false, refusal: { code: 'gate' } })
  })
})
