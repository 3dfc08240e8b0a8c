import { heron } from '@tests/fixtures/heron'
import { lenses, namedModels } from '@tests/fixtures/models'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { placeNamed, placesOf } from '../known/known'
import { memoize } from '../memoize'
import type { BodyModel } from '../model/types'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { bankFactRow } from '../plan/rows'
import { applyStep, setRows } from '../plan/step'
import type { Context } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import type { Resolution } from '../resolve/resolved'
import { must } from '../result'
import { commonSettings } from '../vocabulary/catalogue'
import { advise, type Advice } from './advise'
import { factForm, factForms } from './fact-forms'
import { adviserCalled, advisers } from './table'

function adviceFor(
  id: string,
  model: BodyModel,
  plan: Plan,
  at: string | null,
  supposed: Record<string, string> = {},
): Advice | null {
  const form = adviserCalled(id)
  const place = placeNamed(plan, placesOf(model, plan, lenses), at)
  if (!form || !place) throw new Error(`no ${id}`)
  return advise(form, model, plan, place, statesOf(model)(plan), supposed)
}

/** What a plan amounts to in a context, worked out once. */
const statesOf = memoize((model: BodyModel) =>
  memoize((plan: Plan) => {
    const known = new Map<string, Resolution>()
    return (context: Context) => {
      const name = JSON.stringify(context)
      const found = known.get(name) ?? resolve(model, plan, context)
      known.set(name, found)
      return found
    }
  }),
)
const emptyOf = memoize((model: BodyModel) => emptyPlan(model))

const sideOf = (id: string) => adviserCalled(id)?.side ?? 'stills'
const first = (advice: Advice | null) => advice?.options[0]

describe('an adviser', () => {
  it('goes by facts and settings that there are, and by values that some fact has', () => {
    for (const { id, means, weighs } of advisers) {
      if (means !== null) expect([id, commonSettings.has(means)]).toEqual([id, true])
      for (const { when, points } of weighs)
        for (const { fact, of } of when) {
          expect([id, fact, factForm(fact) === undefined]).toEqual([id, fact, false])
          expect([id, fact, of.filter((value) => !(value in (factForm(fact)?.values ?? {})))]).toEqual([
            id,
            fact,
            [],
          ])
          expect(Math.abs(points)).toBeLessThanOrEqual(10)
        }
    }
    expect(new Set(factForms.map(({ id }) => id)).size).toBe(factForms.length)
  })

  it.each(advisers.map(({ id }) => [id]))(
    '%s: every option comes first in some work, on some model',
    (id) => {
      const missing = new Map<string, string>()
      for (const [, model] of namedModels) {
        const plans = [emptyOf(model), ...startsFor(id, model)]
        const asked = adviceFor(id, model, emptyOf(model), `base ${sideOf(id)}`)
        for (const { id: option, name } of asked?.options ?? []) missing.set(option, name)
        for (const plan of plans)
          for (const supposed of cases(id)) {
            const advice = adviceFor(id, model, plan, startsAt(id), supposed)
            const named = first(advice)
            if (named && named.cannot === null) missing.delete(named.id)
          }
      }
      expect([...missing.values()]).toEqual([])
    },
  )

  it('names every option with what it costs, and is moved by what is supposed', () => {
    const silent = adviceFor('shutter', heron, emptyOf(heron), 'base stills', {
      silence: 'needed',
      flash: 'none',
      pulses: 'whole',
    })
    expect(first(silent)).toMatchObject({ id: 'silent', name: 'Electronic' })
    expect(silent?.because).toContain('Nobody hears it.')
    const flash = adviceFor('shutter', heron, emptyOf(heron), 'base stills', {
      silence: 'needed',
      flash: 'used',
    })
    expect(first(flash)?.id).not.toBe('silent')
    expect(flash?.options.find(({ id }) => id === 'silent')?.weighs).toContainEqual({
      points: -10,
      words: 'A flash does not go with it.',
      by: 'Flash',
    })
  })

  it('goes by what the situation says, and tells what nobody has said', () => {
    const plan = must(
      parsePlan(heron, {
        'situation/stage/name': 'Dark rehearsal',
        'situation/stage/side': 'stills',
        'situation/stage/silence': 'needed',
      }),
    )
    const advice = adviceFor('shutter', heron, plan, 'stage')
    expect(advice?.facts).toContainEqual({
      id: 'silence',
      name: 'Silence',
      value: 'needed',
      words: 'Must be silent',
      from: 'Dark rehearsal',
    })
    expect(advice?.facts.find(({ id }) => id === 'flash')).toMatchObject({ value: null, words: 'not said' })
    expect(first(advice)?.id).toBe('silent')
  })

  it('says that a choice does nothing as the camera stands', () => {
    const processed = adviceFor('raw', heron, emptyOf(heron), 'base stills')
    expect(processed?.idle).not.toBeNull()
    const raw = must(parsePlan(heron, { 'base/image.kind': 'raw' }))
    expect(adviceFor('raw', heron, raw, 'base stills')?.idle).toBeNull()
  })

  it('names both sides where owners differ, and weighs the one that is yours', () => {
    const plan = must(parsePlan(heron, { 'school/shutter-type': 'mechanical' }))
    const advice = adviceFor('shutter', heron, plan, 'base stills')
    expect(advice?.schools.map(({ isYours }) => isYours)).toEqual([false, false, true])
    expect(advice?.options.find(({ id }) => id === 'curtain')?.weighs).toContainEqual({
      points: 2,
      words: 'You have said that it is your way.',
      by: 'your school',
    })
  })

  it('says that a film size is too small for what is delivered, or has not the frame rate', () => {
    const plan = must(
      parsePlan(heron, {
        'situation/foyer/side': 'motion',
        'situation/foyer/delivery': 3840,
        'base/movie.frameRate': '50p',
      }),
    )
    const advice = adviceFor('format', heron, plan, 'foyer')
    const words = (id: string) =>
      advice?.options
        .find((one) => one.id === id)
        ?.weighs.map((one) => one.words)
        .join(' ')
    expect(first(advice)?.id).toBe('wide')
    expect(words('small')).toContain('1920 across is fewer than the 3840 delivered.')
    expect(words('open')).toContain('It has no 50p.')
  })

  it('says of a film size what the card holds, and that a slow card does not keep up', () => {
    const rows = { 'situation/foyer/side': 'motion', 'card/one/size': 64, 'card/one/rate': 20 }
    const advice = adviceFor('format', heron, must(parsePlan(heron, rows)), 'foyer')
    const words = advice?.options.find(({ id }) => id === 'wide')?.weighs.map((one) => one.words)
    // 20 · 8 / 200 = 0.8; 64 · 8000 / 200 / 60 = 42.7.
    expect(words).toContain('The card does not keep up: it has 0.8 × of 200 Mbit/s.')
    expect(words).toContain('42.7 min on your card at 200 Mbit/s.')
  })

  it('leads to steps that are taken: then the plan has what was advised', () => {
    for (const [, model] of namedModels)
      for (const { id } of advisers)
        fc.assert(
          fc.property(fc.constantFrom(...cases(id)), fc.nat(), (supposed, pick) => {
            const plan = emptyOf(model)
            const at = `base ${sideOf(id)}`
            if (!model.sides.includes(sideOf(id))) return
            const advice = adviceFor(id, model, plan, at, supposed)
            const possible = advice?.options.filter(({ cannot }) => cannot === null) ?? []
            const option = possible[pick % Math.max(1, possible.length)]
            if (!option || option.isNow) return
            const after = must(applyStep(model, plan, setRows(plan, 'advised', option.rows)))
            const again = adviceFor(id, model, after, at, supposed)
            expect([id, again?.options.find(({ isNow }) => isNow)?.id]).toEqual([id, option.id])
          }),
          { numRuns: 8 },
        )
  })
})

/** Plans in which an option can stand that the delivered camera excludes. */
function startsFor(id: string, model: BodyModel): Plan[] {
  if (id === 'format')
    return [320, 1900, 2100, 3900, 5000].flatMap((width) => {
      const plan = parsePlan(model, { 'situation/work/side': 'motion', 'situation/work/delivery': width })
      return plan.ok ? [plan.value] : []
    })
  if (id === 'depth') {
    const plan = parsePlan(model, { 'base/movie.profile': 'log' })
    return plan.ok ? [plan.value] : []
  }
  if (id === 'record')
    return ['river', 'brook'].flatMap((slot) => {
      const plan = parsePlan(model, {
        [bankFactRow('set', slot, 'side')]: 'motion',
        'situation/work/side': 'motion',
        'situation/work/bank': `set/${slot}`,
      })
      return plan.ok ? [plan.value] : []
    })
  return []
}

const startsAt = (id: string) => (id === 'format' ? 'work' : `base ${sideOf(id)}`)

/** Work of every kind: that of which each line of an adviser speaks, and each two of them together. */
function cases(id: string): Record<string, string>[] {
  const lines = (adviserCalled(id)?.weighs ?? []).map(({ when }) =>
    Object.fromEntries(when.map(({ fact, of }) => [fact, of[0] ?? ''])),
  )
  return [{}, ...lines, ...lines.flatMap((one) => lines.map((two) => ({ ...one, ...two })))]
}
