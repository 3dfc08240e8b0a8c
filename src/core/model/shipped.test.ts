import { describe, expect, it } from 'vitest'
import { lenses, models, namedModels } from '@tests/fixtures/models'
import { factsOf } from '../rules/condition'
import type { Rule } from '../rules/rule'
import { commonFunctions, commonSettings } from '../vocabulary/catalogue'
import type { BodyModel } from './types'

/** What the vocabulary gained last: its items that came after the first release. */
const latest = [
  'focus.holdAreaAndMode',
  'focus.followWhileHeld',
  'focus.recallDistance',
  'focus.toggleDepthOverlay',
  'focus.toggleGuide',
  'focus.toggleTouchPad',
  'exposure.chooseNd',
  'flash.modellingLight',
  'colour.nextBalance',
  'drive.startInterval',
  'drive.startSeries',
  'movie.togglePreRecord',
  'audio.turnHeadphones',
  'assist.nextLut',
  'assist.toggleVectorscope',
  'assist.toggleGuides',
  'assist.nextDesqueeze',
  'display.zoomToPoint',
  'display.voiceMemo',
  'body.keyLighting',
  'controls.dialKeys',
  'exposure.burstLock',
  'exposure.ndFilter',
  'flash.slowestShutter',
  'flash.isoCeiling',
  'focus.priorityFirst',
  'focus.priorityNext',
  'focus.guide',
  'focus.pointSpeed',
  'focus.storedDistance',
  'display.finderLimit',
  'display.pageContents',
  'image.cropWarning',
  'image.zoomKind',
  'drive.modeLimit',
  'shutter.releaseIndicator',
]

/** What two makers never share: names of banks, shapes of function menus, and the menu's pages in their order. */
const ownTo = (model: BodyModel) => [
  ...model.families.flatMap((family) => family.slots.map((slot) => slot.name)),
  ...model.grids.map((grid) => `${grid.rows} × ${grid.columns}`),
  model.menu.map((page) => page.name).join(),
]

const used = (model: BodyModel) => new Set([...model.settings, ...model.functions].map(({ means }) => means))

/** What a rule is about and on what it hangs, whatever it is called. */
const gist = (rule: Rule) => `${JSON.stringify(rule.then)} when ${factsOf(rule.when).sort().join()}`

describe('the shipped models', () => {
  it('are the six, with two lenses for each system: one that can do everything, one that cannot talk', () => {
    expect(models.map((model) => model.id).sort()).toEqual([
      ...['brack-linden', 'hollin-mere', 'pell-pocket', 'tarrow-heron', 'varn-duet', 'varn-duet-lite'],
    ])
    for (const maker of ['Brack', 'Hollin', 'Tarrow', 'Varn']) {
      const [full, silent] = lenses
        .filter((lens) => lens.fits === maker)
        .sort((a, b) => Number(b.contacts) - Number(a.contacts))
      expect(full).toMatchObject({
        contacts: true,
        ring: { readable: true },
        focusSwitch: true,
        stabiliser: true,
      })
      expect(full?.keys.length).toBeGreaterThan(0)
      expect(silent).toMatchObject({ contacts: false, keys: [], ring: null })
    }
  })

  it.each(namedModels)('%s is of a real size', (_name, model) => {
    const within = (count: number, from: number, to: number) => count >= from && count <= to
    expect(within(model.controls.length, 25, 45), `${model.controls.length} controls`).toBe(true)
    expect(within(model.settings.length, 120, 220), `${model.settings.length} settings`).toBe(true)
    expect(within(model.functions.length, 50, 110), `${model.functions.length} functions`).toBe(true)
  })

  it.each(namedModels)('%s has ten rules and more, three of which no other model has', (_name, model) => {
    const others = new Set(models.filter((one) => one !== model).flatMap((one) => one.rules.map(gist)))
    expect(model.rules.length).toBeGreaterThanOrEqual(10)
    expect(model.rules.filter((rule) => !others.has(gist(rule))).length).toBeGreaterThanOrEqual(3)
  })

  it.each(namedModels)('%s has two facts that are unknown, and one that is claimed', (_name, model) => {
    const unknown = model.doubts.filter((doubt) => doubt.status === 'unknown')
    expect(unknown.length).toBeGreaterThanOrEqual(2)
    expect(model.doubts.some((doubt) => doubt.status === 'claimed')).toBe(true)
  })

  it.each(namedModels)(
    '%s has three firmware versions, a pair apart, and one that brings something',
    (_name, model) => {
      const [first, , last] = model.firmware
      expect(model.firmware).toHaveLength(3)
      expect(last?.readsFilesFrom).not.toContain(first?.version)
      expect(first?.readsFilesFrom).not.toContain(last?.version)
      const choices = model.settings.flatMap(({ domain }) => (domain.kind === 'choice' ? domain.values : []))
      expect([...model.functions, ...choices].some((one) => one.since !== undefined)).toBe(true)
    },
  )

  it('share no name of a bank, no page order and no shape of a function menu between makers', () => {
    for (const [i, one] of models.entries()) {
      for (const two of models.slice(i + 1)) {
        if (one.maker === two.maker) continue
        const other = new Set(ownTo(two))
        expect(
          ownTo(one).filter((name) => other.has(name)),
          `${one.name} and ${two.name}`,
        ).toEqual([])
      }
    }
    const orders = models.map((model) => JSON.stringify(model.menu.map((page) => page.lines)))
    expect(new Set(orders).size).toBe(models.length)
  })

  it('use every setting and every function of the vocabulary, each model a third of those that came last', () => {
    const anywhere = new Set(models.flatMap((model) => [...used(model)]))
    const all = [...commonSettings.keys(), ...commonFunctions.keys()]
    expect(all.filter((id) => !anywhere.has(id))).toEqual([])
    for (const model of models) {
      const mine = used(model)
      const had = latest.filter((id) => mine.has(id))
      expect(had.length, `${model.id}: ${had.length} of ${latest.length}`).toBeGreaterThanOrEqual(
        latest.length / 3,
      )
    }
  })

  it('use no more than one word for one thing inside a maker', () => {
    for (const model of models) {
      const names = model.controls.map((control) => control.name)
      expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([])
      const labels = model.settings.map((setting) => setting.label)
      expect(labels.filter((label, i) => labels.indexOf(label) !== i)).toEqual([])
    }
  })

  it('are told apart from the look-alike by both', () => {
    const lookAlike = (id: string) => models.find((model) => model.id === id)?.lookAlikes[0]?.model
    expect(lookAlike('varn-duet')).toBe('varn-duet-lite')
    expect(lookAlike('varn-duet-lite')).toBe('varn-duet')
  })
})
