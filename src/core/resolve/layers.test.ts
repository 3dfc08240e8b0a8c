import { rowNamed } from '@tests/fixtures/rows'
import type { Rows } from '../plan/rows'
import { describe, expect, it } from 'vitest'
import { heron, heronWith } from '@tests/fixtures/heron'
import { keepingKeys, lenses, modelCalled } from '@tests/fixtures/models'
import type { BodyModel, LensModel } from '../model/types'
import { emptyPlan, parsePlan } from '../plan/plan'
import { must } from '../result'
import { anyLens } from '../model/any-lens'
import { contextIn, type Context } from './context'
import { pressRecord, pressSwap } from './filming'
import { resolve } from './resolve'

const duet = modelCalled('varn-duet')
const mere = keepingKeys(modelCalled('hollin-mere'), 'hand')
const linden = modelCalled('brack-linden')
const pell = modelCalled('pell-pocket')

const state = (model: BodyModel, rows: Rows, change: Partial<Context> = {}) =>
  resolve(model, must(parsePlan(model, rows)), { ...contextIn(model, 'stills', null), ...change })
const setting = (id: string, ...args: Parameters<typeof state>) => state(...args).settings.get(id)
const key = (id: string, ...args: Parameters<typeof state>) => state(...args).addresses.get(id)
const lensWith = (change: Partial<LensModel>): LensModel => ({ ...anyLens, ...change })

describe('where a value lives', () => {
  it('is a marked dial: what stands on the body, not what a plan says', () => {
    expect(setting('controls.timeDial', pell, {})?.value).toBe('free')
    const turned = { marked: { 'controls.timeDial': 't250' } }
    expect(setting('controls.timeDial', pell, {}, turned)?.chain.at(-1)?.layer).toBe('marked')
    expect(
      setting('exposure.shutter', pell, { [rowNamed('base/exposure.shutter@stills')]: '1/60' }, turned),
    ).toMatchObject({
      value: '1/250',
      chain: [{ layer: 'factory' }, { layer: 'base', value: '1/60' }, { layer: 'rule', from: 'dial-t250' }],
    })
    expect(parsePlan(pell, { 'base/controls.timeDial': 't60' })).toMatchObject({
      refusal: { code: 'physical' },
    })
  })

  it('is a cell for each exposure mode, read by the one in force', () => {
    const rows = { 'base/controls.wheel@manual': 'compensation', 'base/exposure.mode@stills': 'manual' }
    expect(setting('controls.wheel', linden, rows)?.value).toBe('compensation')
    expect(setting('controls.wheel', linden, rows, { position: 'p-stop' })?.value).toBe('iso')
  })

  it('is a cell for each orientation; where nobody says how it is held, all of them are possible', () => {
    const rows = { 'base/focus.point@level': '2,2', 'base/focus.point@upright-left': '9,9' }
    expect(setting('focus.point', heron, rows, { orientation: 'upright-left' })?.value).toBe('9,9')
    expect(setting('focus.point', heron, rows)?.possible).toEqual(['2,2', '9,9', '11,8'])
  })

  it('is a cell for each lens that can talk, and one typed cell for all that cannot', () => {
    const rows = { 'base/stabiliser.typedFocal@typed': 90, 'base/stabiliser.typedFocal@tarrow-45': 45 }
    const [tarrow, attic] = ['tarrow-45', 'attic-90'].map(
      (id) => lenses.find((lens) => lens.id === id) ?? anyLens,
    )
    expect(setting('stabiliser.typedFocal', heron, rows, { lens: tarrow })?.value).toBe(45)
    expect(setting('stabiliser.typedFocal', heron, rows, { lens: attic })?.value).toBe(90)
    expect(
      setting('stabiliser.typedFocal', heron, rows, { lens: lensWith({ contacts: false }) })?.value,
    ).toBe(90)
  })

  it('is a cell for each position of the mode dial', () => {
    const rows = { 'base/movie.slowRate@slow-quick': 's120' }
    expect(setting('movie.slowRate', linden, rows, { side: 'motion', position: 'slow-quick' })?.value).toBe(
      's120',
    )
    expect(setting('movie.slowRate', linden, rows, { side: 'motion', position: 'rec-stop' })?.value).toBe(
      's100',
    )
  })

  it('is this one camera, where a plan says what each has', () => {
    const rows = { 'body/spare/files.prefix': 'SPR' }
    expect(setting('files.prefix', duet, rows, { body: 'spare' })?.chain.at(-1)?.layer).toBe('body')
    expect(setting('files.prefix', duet, rows)?.value).toBe('VRN')
  })
})

describe('the mode dial', () => {
  it('recalls its slot, and fixes what it fixes', () => {
    const rows: Rows = {
      [rowNamed('bank/dial/ebb/side')]: 'stills',
      [rowNamed('bank/dial/ebb/exposure.iso')]: 'ISO 1600',
    }
    expect(setting('exposure.iso', heron, rows, { position: 'stop-ebb' })?.value).toBe('ISO 1600')
    const fixed = setting(
      'exposure.mode',
      duet,
      { [rowNamed('base/exposure.mode@stills')]: 'manual' },
      { position: 'program' },
    )
    expect(fixed?.chain.at(-1)).toMatchObject({ layer: 'dial', value: 'full-auto', from: 'program' })
  })

  it('has a stop that keeps what was set there, without being registered', () => {
    const rows = { 'position/by-hand/exposure.iso': 'ISO 800', 'base/exposure.iso@stills': 'ISO 200' }
    expect(setting('exposure.iso', duet, rows, { position: 'by-hand' })?.value).toBe('ISO 800')
    expect(setting('exposure.iso', duet, rows, { position: 'program' })?.value).toBe('ISO 200')
    expect(parsePlan(duet, { 'position/program/exposure.iso': 'ISO 800' })).toMatchObject({
      refusal: { code: 'not-stored' },
    })
  })
})

describe('two bank families', () => {
  const rows: Rows = {
    [rowNamed('bank/light/dusk/side')]: 'stills',
    [rowNamed('bank/light/dusk/exposure.iso')]: 'ISO 3200',
    [rowNamed('bank/hand/crowd/side')]: 'stills',
    [rowNamed('bank/hand/crowd/focus.area')]: 'zone',
    [rowNamed('bank/hand/crowd/shutter.kind')]: 'silent',
    [rowNamed('bank/hand/crowd/key/stills/thumb-rest/press')]: 'start-focus-zone',
  }
  const banks = { light: 'dusk', hand: 'crowd' }

  it('combine freely', () => {
    const { settings } = state(mere, rows, { banks })
    expect(settings.get('exposure.iso')?.value).toBe('ISO 3200')
    expect(settings.get('focus.area')?.value).toBe('zone')
    expect(setting('focus.area', mere, rows, { banks: { ...banks, hand: null } })?.value).toBe('frame')
  })

  it('keep more only while widened', () => {
    expect(setting('shutter.kind', mere, rows, { banks })?.value).toBe('first')
    expect(
      setting('shutter.kind', mere, { ...rows, [rowNamed('base/controls.bankWidth')]: 'all' }, { banks })
        ?.value,
    ).toBe('silent')
  })

  it('bring their own keys where they keep keys, and only there', () => {
    expect(key('stills/thumb-rest/press', mere, rows, { banks })).toMatchObject({
      functionId: 'start-focus-zone',
      source: 'bank',
    })
    expect(key('stills/thumb-rest/press', mere, rows)?.functionId).toBe('start-focus')
    expect(parsePlan(mere, { 'bank/light/dusk/key/stills/thumb-rest/press': 'nothing' })).toMatchObject({
      refusal: { code: 'not-stored' },
    })
  })

  it('whose keeping of a setting nobody knows leave both values possible', () => {
    const unsure = { 'bank/light/dusk/side': 'stills', 'bank/light/dusk/assist.brightView': true }
    expect(setting('assist.brightView', mere, unsure, { banks })?.possible).toEqual([true, false])
  })
})

describe('a control', () => {
  it('has another assignment for each stop of its lever; the others are told apart, and judged as if they answered', () => {
    const { addresses } = state(heron, {}, { marked: { 'controls.lever': 'low' } })
    expect(addresses.get('stills/upper-front/press@low')).toMatchObject({
      functionId: 'stripes',
      active: true,
    })
    expect(addresses.get('stills/upper-front/press@high')).toMatchObject({
      functionId: 'depth-preview',
      active: false,
      verdict: 'works',
    })
  })

  it('has another assignment for each exposure mode, each judged in its own', () => {
    const { addresses } = state(linden, { [rowNamed('base/exposure.mode@stills')]: 'aperture-first' })
    expect(addresses.get('stills/front-bezel/turn@aperture-first')).toMatchObject({
      active: true,
      verdict: 'works',
    })
    expect(addresses.get('stills/front-bezel/turn@manual')).toMatchObject({ active: false, verdict: 'works' })
  })

  it('is dead where the lens or the grip it sits on is not there', () => {
    const ring = 'stills/barrel-ring/turn'
    expect(key(ring, heron, {}, { lens: lensWith({ ring: null }) })?.verdict).toBe('dead')
    expect(key(ring, heron, {}, { lens: lensWith({ ring: { readable: true } }) })?.verdict).toBe('works')
    const grip = 'stills/grip-rest/press'
    expect(key(grip, mere, {})).toMatchObject({
      verdict: 'dead',
      remarks: expect.arrayContaining([expect.objectContaining({ rule: 'presence' })]) as unknown,
    })
    expect(key(grip, mere, {}, { attached: ['grip'] })?.verdict).toBe('works')
  })

  it('in playback does what playback gives it', () => {
    const { addresses } = state(heron, {}, { run: 'playback' })
    expect(addresses.get('playback/sill-fourth/press')).toMatchObject({
      functionId: 'delete',
      verdict: 'works',
    })
    expect([...addresses.keys()].every((id) => id.startsWith('playback/'))).toBe(true)
  })

  it('turns something else while a key lends it that', () => {
    const rows = { 'key/stills/ridge-key/press': 'hold-turn-iso' }
    expect(key('stills/thumb-dial/turn', heron, rows)?.effectiveFunctionId).toBe('turn-aperture')
    expect(key('stills/thumb-dial/turn', heron, rows, { held: ['hold-turn-iso'] })).toMatchObject({
      functionId: 'turn-aperture',
      effectiveFunctionId: 'turn-iso',
      remarks: [{ rule: 'while-held' }, { rule: 'iso-by-itself' }],
    })
  })

  it('is locked by the lock that covers it, and free again after', () => {
    const dial = 'stills/rear-bezel/turn@full-auto'
    expect(key(dial, linden, {}, { latched: ['lock-controls'] })?.verdict).toBe('dead')
    expect(key(dial, linden, {})?.verdict).toBe('works')
  })
})

describe('a held function', () => {
  it('brings its own values, over bank and base, until it is let go', () => {
    const rows = { 'base/focus.area@stills': 'zone' }
    expect(setting('focus.area', heron, rows, { held: ['start-focus-point'] })).toMatchObject({
      value: 'point',
      chain: [{ layer: 'factory' }, { layer: 'base' }, { layer: 'held', from: 'start-focus-point' }],
    })
    expect(setting('focus.area', heron, rows)?.value).toBe('zone')
  })
})

describe('firmware', () => {
  it('takes away functions and values that came later', () => {
    const rows = {
      'key/stills/ridge-key/press': 'brightened-view',
      'base/focus.detectionSubject@stills': 'vehicles',
    }
    const at = (firmware: string) => state(heron, rows, { firmware })
    expect(at('1.0').addresses.get('stills/ridge-key/press')).toMatchObject({
      verdict: 'dead',
      remarks: [{ because: 'Bright finder on/off is there from firmware 1.2; this body has 1.0.' }],
    })
    expect(at('1.2').addresses.get('stills/ridge-key/press')?.verdict).toBe('works')
    const subject = (firmware: string) => at(firmware).settings.get('focus.detectionSubject')?.remarks ?? []
    expect(subject('1.2').map((one) => one.kind)).toContain('unavailable')
    expect(subject('2.0').map((one) => one.kind)).not.toContain('unavailable')
  })

  it('that nobody names leaves the answer to a test on the body', () => {
    const { firmware: _newest, ...context } = contextIn(heron, 'stills', null)
    const plan = must(parsePlan(heron, { 'key/stills/ridge-key/press': 'brightened-view' }))
    expect(resolve(heron, plan, context).addresses.get('stills/ridge-key/press')?.verdict).toBe('test')
  })
})

describe('a fact in doubt', () => {
  it('makes what hangs on a claimed rule a thing to test, with who says so', () => {
    const fast = { 'base/movie.frameRate': '100p' }
    const remark = setting('movie.size', heron, fast, { side: 'motion' })?.remarks.find(
      (one) => one.rule === 'warm-limit',
    )
    expect(remark).toMatchObject({ truth: 'unknown', because: expect.stringContaining('says so') as string })
  })

  it('leaves every candidate of a factory value possible until the plan decides it', () => {
    expect(setting('focus.fineTune', heron, {})?.possible).toEqual([0, -1])
    expect(
      setting('focus.fineTune', heron, { [rowNamed('base/focus.fineTune@any-lens')]: 3 })?.possible,
    ).toEqual([3])
  })
})

describe('the record key', () => {
  const stills = contextIn(duet, 'stills', { family: 'set', slot: 'oak' })

  it('in stills films with the slot that the menu names', () => {
    const named = must(parsePlan(duet, { 'base/movie.recordUsesSlot': 'brook' }))
    const { to, because } = pressRecord(duet, named, stills)
    expect(to).toMatchObject([{ side: 'motion', run: 'recording', banks: { set: 'brook' } }])
    expect(because).toContain('Movie one / line 9')
    expect(pressRecord(duet, emptyPlan(duet), stills).to).toMatchObject([{ banks: { set: null } }])
  })

  it('in stills does nothing on a body that refuses, and films plainly on one that does not care', () => {
    expect(pressRecord(linden, emptyPlan(linden), contextIn(linden, 'stills', null)).to).toEqual([])
    const film = pressRecord(
      pell,
      emptyPlan(pell),
      contextIn(pell, 'stills', { family: 'pair', slot: 'desk' }),
    )
    expect(film.to).toMatchObject([{ side: 'motion', run: 'recording' }])
    expect(
      pressRecord(heronWith({ filming: null }), emptyPlan(heron), contextIn(heron, 'stills', null)).to,
    ).toEqual([])
  })
})

describe('the swap key', () => {
  const rows: Rows = {
    [rowNamed('bank/list/alder/side')]: 'motion',
    [rowNamed('bank/list/birch/side')]: 'motion',
  }
  const plan = must(parsePlan(linden, rows))
  const stills = contextIn(linden, 'stills', null)

  it('goes to what was last used there; where nobody says what that was, to any of them', () => {
    expect(pressSwap(linden, plan, stills, 'birch').to).toMatchObject([
      { side: 'motion', banks: { list: 'birch' } },
    ])
    expect(pressSwap(linden, plan, stills).to.map((one) => one.banks.list)).toEqual([null, 'alder', 'birch'])
  })

  it('goes to the plain settings where the model says so, and names the doubt where it is not sure', () => {
    const plainly = pressSwap(heron, emptyPlan(heron), contextIn(heron, 'stills', null), 'ebb')
    expect(plainly.to).toMatchObject([{ side: 'motion', banks: { dial: null } }])
    expect(pressSwap(duet, emptyPlan(duet), contextIn(duet, 'stills', null)).because).toContain('not known')
  })
})
