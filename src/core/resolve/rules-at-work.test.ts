import { rowNamed } from '@tests/fixtures/rows'
import type { Rows } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chipped, heldHeron, heronWith, unchipped } from '@tests/fixtures/heron'
import { faultsOf } from '../model/faults/faults'
import { domainOf } from '../model/lookup'
import { checkValue } from '../model/domain'
import { emptyPlan, parsePlan } from '../plan/plan'
import { must } from '../result'
import type { Condition } from '../rules/condition'
import { firmwareNumber } from '../rules/facts'
import { replaced } from './replace'
import type { Consequence, Rule } from '../rules/rule'
import type { Context } from './context'
import { contextIn } from './context'
import { judgeFunctions, resolve } from './resolve'

const always: Condition = { all: [] }
const nobodyKnows: Condition = { fact: 'situation/lamps', is: 'led' }
const rule = (id: string, when: Condition, then: Consequence, over: string[] = []): Rule => ({
  id,
  when,
  then,
  because: `because of ${id}`,
  over,
})

function heronRuledBy(...rules: Rule[]) {
  const model = heronWith({ rules, doubts: [] })
  expect(faultsOf(model)).toEqual([])
  return model
}

function resolveIn(model: ReturnType<typeof heronWith>, rows: Rows = {}, change: Partial<Context> = {}) {
  const plan = must(parsePlan(model, rows))
  return resolve(model, plan, { ...contextIn(model, 'motion', null, chipped), ...change })
}

describe('a rule that leaves nothing to set', () => {
  it.each([
    ['another value', false],
    ['the value that is set already', true],
  ])('makes a key for the setting do nothing, where it forces %s', (_name, own) => {
    const model = heronRuledBy(rule('bright', always, { kind: 'forced', setting: 'assist.zebra', to: true }))
    const plan = must(parsePlan(model, { [rowNamed('base/assist.zebra@motion')]: own }))
    const judged = judgeFunctions(model, plan, ['stripes'], contextIn(model, 'motion', null, chipped)).get(
      'stripes',
    )
    expect([judged?.verdict, judged?.remarks.at(-1)?.because]).toEqual(['inert', 'because of bright'])
  })
})

describe('a rule that limits', () => {
  const rates = heronRuledBy(
    rule('slow-card', always, { kind: 'limits', setting: 'movie.frameRate', only: ['24p', '25p', '30p'] }),
  )

  it('lets a permitted value be', () => {
    expect(
      resolveIn(rates, { [rowNamed('base/movie.frameRate')]: '24p' }).settings.get('movie.frameRate')?.chain,
    ).toHaveLength(2)
  })

  it('clamps to the nearest permitted, asked and got both in the chain', () => {
    const rate = resolveIn(rates, { [rowNamed('base/movie.frameRate')]: '100p' }).settings.get(
      'movie.frameRate',
    )
    expect(rate?.value).toBe('30p')
    expect(rate?.chain.map((link) => [link.layer, link.value])).toEqual([
      ['factory', '25p'],
      ['base', '100p'],
      ['rule', '30p'],
    ])
  })

  it('falls to the value it states, where it states one', () => {
    const stated = heronRuledBy(
      rule('region', always, {
        kind: 'limits',
        setting: 'movie.frameRate',
        only: ['24p', '30p', '60p'],
        fallsTo: '24p',
      }),
    )
    expect(
      resolveIn(stated, { [rowNamed('base/movie.frameRate')]: '50p' }).settings.get('movie.frameRate')?.value,
    ).toBe('24p')
  })

  it('never leaves the domain, nor what is permitted', () => {
    const domain = domainOf(rates, 'movie.frameRate')
    const marks = ['24p', '25p', '30p', '50p', '60p', '100p']
    fc.assert(
      fc.property(fc.constantFrom(...marks), fc.subarray(marks, { minLength: 1 }), (asked, only) => {
        const got = replaced({ kind: 'limits', setting: 'movie.frameRate', only }, domain, asked)
        expect(only).toContain(got)
        expect(checkValue(domain, got, '').ok).toBe(true)
        if (only.includes(asked)) expect(got).toBe(asked)
      }),
    )
  })
})

describe('a rule by which something becomes something else', () => {
  it('turns the values it names and leaves the others', () => {
    const model = heronRuledBy(
      rule('no-open', always, { kind: 'becomes', setting: 'movie.size', from: ['open'], to: 'wide' }),
    )
    expect(
      resolveIn(model, { [rowNamed('base/movie.size')]: 'open' }).settings.get('movie.size')?.value,
    ).toBe('wide')
    expect(
      resolveIn(model, { [rowNamed('base/movie.size')]: 'small' }).settings.get('movie.size')?.value,
    ).toBe('small')
  })

  it('turns a key into another function, says so, and judges what the key really does', () => {
    const model = heronRuledBy(
      rule(
        'in-motion',
        { fact: 'side', is: 'motion' },
        { kind: 'becomes', function: 'magnifier', to: 'record' },
      ),
      rule('no-record', always, { kind: 'ineffective', function: 'record' }),
    )
    const key = resolveIn(model).addresses.get('motion/cheek-key/press')
    expect(key).toMatchObject({ functionId: 'magnifier', effectiveFunctionId: 'record', verdict: 'inert' })
    expect(key?.remarks.map((one) => one.kind)).toEqual(['replaced', 'ineffective'])
  })
})

describe('rules that feed each other', () => {
  const first = rule(
    'first',
    { fact: 'lens/contacts', is: false },
    { kind: 'forced', setting: 'focus.mode', to: 'manual' },
  )
  const second = rule(
    'second',
    { fact: 'setting/focus.mode', is: 'manual' },
    { kind: 'forced', setting: 'focus.detection', to: false },
  )
  const third = rule(
    'third',
    { fact: 'setting/focus.detection', is: false },
    { kind: 'forced', setting: 'focus.area', to: 'point' },
  )

  it('run in the order in which they feed, whatever the order of the file', () => {
    for (const rules of [
      [first, second, third],
      [third, second, first],
      [second, first, third],
    ]) {
      const { settings } = resolveIn(heronRuledBy(...rules), {}, { lens: unchipped })
      expect(['focus.mode', 'focus.detection', 'focus.area'].map((id) => settings.get(id)?.value)).toEqual([
        'manual',
        false,
        'point',
      ])
    }
  })

  it('give the owner’s own values back when the condition ends', () => {
    const model = heronRuledBy(first, second, third)
    const { settings } = resolveIn(model)
    expect(settings.get('focus.mode')?.chain).toHaveLength(1)
    expect(settings.get('focus.area')?.value).toBe('frame')
  })

  it('are overridden by the rule that says so', () => {
    const plain = rule('plain', always, { kind: 'forced', setting: 'focus.area', to: 'point' })
    const over = rule('over', always, { kind: 'forced', setting: 'focus.area', to: 'zone' }, ['plain'])
    for (const rules of [
      [plain, over],
      [over, plain],
    ]) {
      expect(resolveIn(heronRuledBy(...rules)).settings.get('focus.area')?.value).toBe('zone')
    }
  })
})

describe('where nobody knows a fact', () => {
  it('a value has every outcome that is possible, and the owner’s stays in force', () => {
    const model = heronRuledBy(
      rule('maybe', nobodyKnows, { kind: 'forced', setting: 'movie.frameRate', to: '50p' }),
    )
    const rate = resolveIn(model).settings.get('movie.frameRate')
    expect(rate).toMatchObject({
      value: '25p',
      possible: ['25p', '50p'],
      remarks: [{ kind: 'replaced', truth: 'unknown' }],
    })
    const told = resolveIn(model, {}, { situation: { lamps: 'led' } }).settings.get('movie.frameRate')
    expect(told).toMatchObject({ value: '50p', possible: ['50p'], remarks: [] })
  })

  it('what hangs on that value is in doubt only where the outcomes disagree', () => {
    const model = heronRuledBy(
      rule('maybe', nobodyKnows, { kind: 'forced', setting: 'movie.frameRate', to: '50p' }),
      rule(
        'above-40',
        { fact: 'setting/movie.frameRate', above: '30p' },
        { kind: 'ineffective', function: 'record' },
      ),
      rule(
        'above-20',
        { fact: 'setting/movie.frameRate', above: '24p' },
        { kind: 'ineffective', function: 'stripes' },
      ),
    )
    const plan = emptyPlan(model)
    const judged = judgeFunctions(
      model,
      plan,
      ['record', 'stripes'],
      contextIn(model, 'motion', null, chipped),
    )
    expect(judged.get('record')?.verdict).toBe('test')
    expect(judged.get('stripes')?.verdict).toBe('inert')
  })

  it('a value that may be refused is refused for certain only when every outcome is', () => {
    const then: Consequence = { kind: 'unavailable', setting: 'movie.frameRate', values: ['50p'] }
    const model = heronRuledBy(
      rule('maybe', nobodyKnows, { kind: 'forced', setting: 'movie.frameRate', to: '50p' }),
      rule('no-50', always, then),
    )
    expect(resolveIn(model).settings.get('movie.frameRate')?.remarks.at(-1)).toMatchObject({
      kind: 'unavailable',
      truth: 'unknown',
    })
  })
})

describe('rules on controls, signs and held keys', () => {
  it('make a dial dead whatever is on it', () => {
    const model = heronRuledBy(
      rule('dead-dial', { fact: 'run', is: 'recording' }, { kind: 'unavailable', controls: ['front-dial'] }),
    )
    expect(resolveIn(model).addresses.get('motion/front-dial/turn')?.verdict).toBe('works')
    expect(resolveIn(model, {}, { run: 'recording' }).addresses.get('motion/front-dial/turn')?.verdict).toBe(
      'dead',
    )
  })

  it('tell which sign misleads', () => {
    const model = heronRuledBy(
      rule(
        'raw-histogram',
        { fact: 'setting/image.kind', is: 'raw' },
        { kind: 'indicator', indicator: 'histogram', says: 'misleads' },
      ),
    )
    expect(resolveIn(model).indicators).toEqual([])
    expect(resolveIn(model, { [rowNamed('base/image.kind')]: 'raw' }).indicators).toMatchObject([
      { indicator: 'histogram', says: 'misleads', truth: 'yes' },
    ])
  })

  it('freeze what a held function keeps, while it is held', () => {
    const model = heronRuledBy(
      rule('keeps', always, { kind: 'freezes', function: 'keep-exposure', settings: ['exposure.shutter'] }),
    )
    expect(resolveIn(model).settings.get('exposure.shutter')?.remarks).toEqual([])
    const held = resolveIn(model, {}, { held: ['keep-exposure'] })
    expect(held.settings.get('exposure.shutter')?.remarks).toMatchObject([{ kind: 'frozen', rule: 'keeps' }])
    expect(held.settings.get('exposure.iso')?.remarks).toEqual([])
  })

  it('may ask for posture, orientation, firmware, held, latched and assigned functions', () => {
    const hazard = (id: string, when: Condition) =>
      rule(id, when, { kind: 'hazard', setting: 'focus.area', values: ['frame'] })
    const model = heronRuledBy(
      hazard('posture', { fact: 'posture', is: 'finder' }),
      hazard('upright', { fact: 'orientation', in: ['upright-left', 'upright-right'] }),
      hazard('old', { fact: 'firmware', below: '1.10' }),
      hazard('held', { fact: 'held/stripes', is: true }),
      hazard('latched', { fact: 'latched/stripes', is: true }),
      hazard('assigned', { fact: 'assigned/measure-white', is: true }),
    )
    const seen = (change: Partial<Context>, rows: Rows = {}) =>
      resolveIn(model, rows, change)
        .settings.get('focus.area')
        ?.remarks.filter((one) => one.truth === 'yes')
        .map((one) => one.rule)
    expect(seen({})).toEqual([])
    expect(seen({ posture: 'finder', orientation: 'upright-left', firmware: '1.9' })).toEqual([
      'posture',
      'upright',
      'old',
    ])
    expect(seen({ firmware: '1.10', held: ['stripes'], latched: ['stripes'] })).toEqual(['held', 'latched'])
    expect(seen({}, { [rowNamed('key/motion/cheek-key/press')]: 'measure-white' })).toEqual(['assigned'])
  })
})

it('firmware versions compare part by part', () => {
  expect(firmwareNumber('1.10')).toBeGreaterThan(firmwareNumber('1.9') ?? 0)
  expect(firmwareNumber('new')).toBeUndefined()
})

describe('faults of rules found at load', () => {
  const faults = (...rules: Rule[]) => faultsOf(heronWith({ rules, doubts: [] })).map((one) => one.code)

  it.each<[string, Rule[], string]>([
    ['an unknown control', [rule('a', always, { kind: 'unavailable', controls: ['moon'] })], 'dangling'],
    [
      'an unknown function to become',
      [rule('a', always, { kind: 'becomes', function: 'record', to: 'moon' })],
      'dangling',
    ],
    [
      'a frozen setting that is not there',
      [rule('a', always, { kind: 'freezes', function: 'record', settings: ['a.moon'] })],
      'dangling',
    ],
    [
      'an unknown held function',
      [rule('a', { fact: 'held/moon', is: true }, { kind: 'ineffective', function: 'record' })],
      'dangling',
    ],
    [
      'a limit outside the domain',
      [rule('a', always, { kind: 'limits', setting: 'movie.frameRate', only: ['23p'] })],
      'outside',
    ],
    [
      'a fall outside the domain',
      [rule('a', always, { kind: 'limits', setting: 'movie.frameRate', only: ['24p'], fallsTo: '1p' })],
      'outside',
    ],
    [
      'a circle through limits and becomes',
      [
        rule(
          'a',
          { fact: 'setting/movie.size', is: 'wide' },
          { kind: 'limits', setting: 'movie.frameRate', only: ['24p'] },
        ),
        rule(
          'b',
          { fact: 'setting/movie.frameRate', is: '24p' },
          { kind: 'becomes', setting: 'movie.size', from: ['wide'], to: 'small' },
        ),
      ],
      'cycle',
    ],
  ])('include %s', (_name, rules, code) => {
    expect(faults(...rules)).toContain(code)
  })
})

describe('hold sets', () => {
  const rows: Rows = {
    [rowNamed('base/movie.frameRate')]: '25p',
    [rowNamed('hold/first/movie.frameRate')]: '100p',
    [rowNamed('hold/first/exposure.shutter')]: '1/200',
    [rowNamed('hold/first/movie.size')]: 'open',
    [rowNamed('hold/second/exposure.shutter')]: '1/500',
  }
  const state = (held: string[], more: Rows = {}) =>
    resolveIn(heldHeron, { ...rows, ...more }, { held }).settings

  it('are in force only while their key is held, and leave the state as it was', () => {
    expect(
      state(['use-first'])
        .get('exposure.shutter')
        ?.chain.map((link) => link.layer),
    ).toEqual(['factory', 'hold'])
    expect(state([]).get('exposure.shutter')?.value).toBe('1/125')
    expect(state([])).toEqual(resolveIn(heldHeron, { [rowNamed('base/movie.frameRate')]: '25p' }).settings)
  })

  it('skip a row the body refuses, say so, and apply the others', () => {
    const held = state(['use-first'])
    expect(held.get('movie.frameRate')?.value).toBe('100p')
    expect(held.get('movie.size')).toMatchObject({
      value: 'wide',
      remarks: expect.arrayContaining([
        expect.objectContaining({ kind: 'skipped', rule: 'open-frame-rate' }),
      ]) as unknown,
    })
  })

  it('show a row that a rule forces as asked and got', () => {
    const sound = state(['use-first'], { [rowNamed('hold/first/audio.recording')]: true }).get(
      'audio.recording',
    )
    expect(sound?.chain.map((link) => [link.layer, link.value])).toEqual([
      ['factory', true],
      ['hold', true],
      ['rule', false],
    ])
  })

  it('held one after the other: the later one wins', () => {
    expect(state(['use-first', 'use-second']).get('exposure.shutter')?.value).toBe('1/500')
    expect(state(['use-second', 'use-first']).get('exposure.shutter')?.value).toBe('1/200')
  })

  it('come over edits made on the body, which come over the bank', () => {
    const edited = resolveIn(heldHeron, rows, {
      held: ['use-first'],
      edits: { 'exposure.shutter': '1/60' },
    }).settings
    expect(edited.get('exposure.shutter')?.chain.map((link) => link.layer)).toEqual([
      'factory',
      'edit',
      'hold',
    ])
  })
})
