import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { describe, expect, it } from 'vitest'
import { live } from '../camera/live/live'
import { liveAt } from '../camera/live/stand-at'
import { placeNamed, placesOf } from '../known/known'
import type { BodyModel } from '../model/types'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { applyStep, setRows } from '../plan/step'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import { filmFormats } from './formats'

const duet = modelCalled('varn-duet')

function placeIn(model: BodyModel, plan: Plan, at = 'base motion') {
  const place = placeNamed(plan, placesOf(model, plan, lenses), at)
  if (!place) throw new Error('no place')
  return place
}

function allIn(model: BodyModel, plan: Plan, at?: string) {
  return filmFormats(model, plan, placeIn(model, plan, at), (context) => resolve(model, plan, context))
}

const formatsIn = (...asked: Parameters<typeof allIn>) => allIn(...asked).formats

function planWith(model: BodyModel, rows: Record<string, unknown>) {
  return must(parsePlan(model, rows))
}

describe('the film formats of a body', () => {
  it('are every size at every rate that it has, those of the other mains region too, each once', () => {
    for (const [, model] of namedModels) {
      const plan = emptyPlan(model)
      if (!model.sides.includes('motion')) continue
      const all = model.cards.movieFormats.flatMap(({ size, rates }) =>
        rates.map((rate) => `${size}-${rate}`),
      )
      const ids = formatsIn(model, plan).map(({ id }) => id)
      expect(ids.toSorted()).toEqual([...new Set(all)].toSorted())
      expect(formatsIn(model, plan, 'base stills')).toEqual([])
    }
  })

  it('say what a format writes, how long a card lasts, how slow it is played, whether it is wide enough', () => {
    const plan = planWith(duet, {
      'card/one/size': 64,
      'card/one/rate': 30,
      'owner/playedRate': 25,
      'owner/deliveryWidth': 4096,
    })
    const fast = formatsIn(duet, plan).find(({ id }) => id === 'wide-100p')
    // 300 · 0.45 = 135 GB an hour; 64 · 8000 / 300 / 60 = 28.4 min; 30 · 8 = 240 Mbit/s is too slow; 100 / 25 = 4.
    expect(fast).toMatchObject({
      bitrate: 300,
      hourly: '135 GB',
      onCard: { words: '28.4 min', keepsUp: false },
      slower: '4 ×',
      width: 3840,
      isWideEnough: false,
    })
    expect(formatsIn(duet, emptyPlan(duet))[0]).toMatchObject({ onCard: null, isWideEnough: null })
  })

  it('say what has to be switched first, and that heat, sound and other choices go', () => {
    const plan = planWith(duet, { 'base/movie.crop': 'middle', 'base/movie.quality': 'every' })
    const fast = formatsIn(duet, plan).find(({ id }) => id === 'wide-100p')
    expect(fast?.because.join(' ')).toContain('With movie crop the frame rate ends at 60p.')
    expect(fast?.first.map((words) => words.split(' (')[0])).toEqual(
      expect.arrayContaining(['Movie crop: 1.5 × → None', 'Movie compression: All-intra → Long GOP']),
    )
    expect(fast?.excludes.map(({ words }) => words)).toContain('Movie compression: All-intra')
    expect(fast?.costs).toContain('Sound recording becomes off: Slow motion is recorded without sound.')
    const heron = modelCalled('tarrow-heron')
    const warm = formatsIn(heron, emptyPlan(heron)).find(({ id }) => id === 'wide-100p')
    expect(warm?.costs.join(' ')).toMatch(/overheats/)
  })

  it('say once what goes with none of them as the camera stands', () => {
    const { withNone, formats } = allIn(duet, emptyPlan(duet))
    expect(withNone).toEqual(['Movie bit depth: 10 bit'])
    expect(formats.flatMap(({ excludes }) => excludes.map(({ words }) => words))).not.toContain(withNone[0])
    expect(allIn(duet, planWith(duet, { 'base/movie.profile': 'log' })).withNone).toEqual([])
  })

  it('that need the other mains frequency say so first, and are taken with it', () => {
    const other = formatsIn(duet, planWith(duet, { 'base/movie.region': 'r50' })).find(
      ({ id }) => id === 'wide-120p',
    )
    expect(other?.first.join()).toContain('Mains frequency: 50 Hz → 60 Hz')
    expect(Object.values(other?.rows ?? {})).toEqual(expect.arrayContaining(['r60', '120p', 'wide']))
  })

  it('are taken by their rows: then the plan has the format, and the body refuses what it excludes', () => {
    let played = 0
    for (const [, model] of namedModels) {
      if (!model.sides.includes('motion')) continue
      const plan = emptyPlan(model)
      for (const { id, rows, isNow, cannot } of formatsIn(model, plan)) {
        if (isNow || cannot !== null) continue
        const after = must(applyStep(model, plan, setRows(plan, 'taken', rows)))
        const taken = formatsIn(model, after).find((one) => one.id === id)
        expect([model.id, id, taken?.isNow]).toEqual([model.id, id, true])
        const body = liveAt(model, after, placeIn(model, after).column.context)
        for (const { setting, value } of taken?.excludes ?? []) {
          const { log } = must(live(model, body, { kind: 'menu', setting, value }))
          expect([model.id, id, setting, value, log[0]?.kind]).toEqual([
            model.id,
            id,
            setting,
            value,
            'refused',
          ])
          played++
        }
      }
    }
    expect(played).toBeGreaterThan(3)
  })
})
