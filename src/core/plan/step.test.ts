import { rowNamed } from '@tests/fixtures/rows'
import { describeStep } from './rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf, stepFor } from '@tests/fixtures/arbitrary'
import { heron, heronWith } from '@tests/fixtures/heron'
import { must } from '../result'
import { historyOf, redoStep, undoStep } from '../sync/history'
import { applyAll } from '../sync/kind'
import { readSave } from '../sync/protocol'
import { emptyPlan, parsePlan, plannedSlots } from './plan'
import { rebase, stillWanted } from '../sync/rebase'
import { planKind } from './kind'
import { applyStep, setRows } from './step'
import { invertStep, touchedRows, type Change, type Step } from '../sync/step'

const plan = emptyPlan(heron)
const planAndStep = planOf(heron).chain((one) => fc.tuple(fc.constant(one), stepFor(heron, one, 'step')))
const one = (row: string, from: unknown, to: unknown): Step => ({
  id: 's',
  changes: [{ row: rowNamed(row), from, to } as Change],
})

describe('a step', () => {
  it('and its inverse leave the plan as it was', () => {
    fc.assert(
      fc.property(planAndStep, ([before, step]) => {
        const after = must(applyStep(heron, before, step))
        expect(must(applyStep(heron, after, invertStep(step, 'back')))).toEqual(before)
      }),
    )
  })

  it('does not change the plan it is applied to', () => {
    fc.assert(
      fc.property(planAndStep, ([before, step]) => {
        const copy = structuredClone(before)
        applyStep(heron, before, step)
        expect(before).toEqual(copy)
      }),
    )
  })

  it('commutes with a step on other rows', () => {
    const pair = planOf(heron).chain((base) =>
      fc.tuple(fc.constant(base), stepFor(heron, base, 'a'), stepFor(heron, base, 'b')),
    )
    fc.assert(
      fc.property(pair, ([base, a, b]) => {
        fc.pre([...touchedRows([a])].every((row) => !touchedRows([b]).has(row)))
        expect(applyAll(kind, base, [a, b])).toEqual(applyAll(kind, base, [b, a]))
      }),
    )
  })

  it.each([
    ['a setting that does not exist', one('base/focus.nowhere', null, true), 'unknown-row'],
    ['a control that does not exist', one('key/stills/moon-key/press', null, 'nothing'), 'unknown-row'],
    ['a side that does not exist', one('base/focus.mode@sideways', null, 'once'), 'unknown-row'],
    ['a slot that does not exist', one('bank/dial/spring/movie.frameRate', null, '25p'), 'unknown-row'],
    ['a prototype', one('__proto__', null, 'x'), 'unknown-row'],
    ['a value outside the domain', one('base/movie.frameRate', null, '23p'), 'outside'],
    [
      'a function the key does not accept',
      one('key/stills/front-dial/turn', null, 'playback'),
      'not-accepted',
    ],
    ['a function of the other side', one('key/stills/cheek-key/press', null, 'log-graded'), 'not-accepted'],
    ['a row no bank stores', one('bank/dial/ebb/focus.lamp', null, false), 'not-stored'],
    ['a name too long for the camera', one('bank/dial/ebb/name', null, 'A very long name'), 'outside'],
    ['a row that has changed meanwhile', one('base/movie.frameRate', '50p', '25p'), 'stale'],
    ['nothing at all', { id: 's', changes: [] }, 'empty-step'],
    [
      'a row twice',
      { id: 's', changes: [...one('title', null, 'a').changes, ...one('title', null, 'b').changes] },
      'twice',
    ],
  ])('on %s is refused', (_name, step, code) => {
    expect(applyStep(heron, plan, step)).toMatchObject({ ok: false, refusal: { code } })
  })

  it('for another model or definition is refused', () => {
    const step = one('title', null, 'x')
    expect(applyStep(heronWith({ id: 'other' }), plan, step)).toMatchObject({
      refusal: { code: 'other-model' },
    })
    expect(applyStep(heronWith({ version: heron.version + 1 }), plan, step)).toMatchObject({
      refusal: { code: 'other-definition' },
    })
  })

  it('describes control, gesture, side, old and new', () => {
    const step = setRows(plan, 's', { [rowNamed('key/stills/cheek-key/press')]: 'start-focus' })
    expect(describeStep(heron, step)).toBe(
      'Lower right key, press, stills: Magnifier (as delivered) → AF start',
    )
    const bank = setRows(plan, 's', { [rowNamed('bank/dial/ebb/movie.frameRate')]: '100p' })
    expect(describeStep(heron, bank)).toBe('Bank Ebb, Frame rate: as base → 100p')
  })

  it('of any plan has words for every change', () => {
    fc.assert(
      fc.property(planAndStep, ([, step]) => {
        expect(describeStep(heron, step)).not.toMatch(/undefined|\[object/)
      }),
    )
  })
})

const kind = planKind((id, edition) => (id === heron.id && edition === heron.version ? heron : null))

describe('history', () => {
  it('undoes every step back to the empty plan and redoes to the end', () => {
    const steps = fc
      .integer({ min: 1, max: 8 })
      .chain((count) => fc.array(planAndStep, { minLength: count, maxLength: count }))
    fc.assert(
      fc.property(steps, (made) => {
        let current = plan
        let log: Step[] = []
        const take = (step: Step) => {
          current = must(applyStep(heron, current, step))
          log = [...log, step]
        }
        made.forEach(([, step], i) => {
          const wanted = Object.fromEntries(step.changes.map((change) => [change.row, change.to]))
          const fresh = setRows(current, `made ${i}`, wanted)
          if (fresh.changes.length > 0) take(fresh)
        })
        const end = current
        for (let step = undoStep(log, `undo ${log.length}`); step; step = undoStep(log, `undo ${log.length}`))
          take(step)
        expect(current.rows).toEqual({})
        for (let step = redoStep(log, `redo ${log.length}`); step; step = redoStep(log, `redo ${log.length}`))
          take(step)
        expect(current).toEqual(end)
      }),
      { numRuns: 40 },
    )
  })

  it('has nothing to redo after a fresh step', () => {
    const first = setRows(plan, 'first', { [rowNamed('title')]: 'a' })
    const undo = undoStep([first], 'undo') as Step
    const fresh = setRows(plan, 'fresh', { [rowNamed('title')]: 'b' })
    expect(historyOf([first, undo, fresh])).toEqual({ undo: [fresh], redo: [] })
  })
})

describe('rebase', () => {
  const mine = setRows(plan, 'mine', { [rowNamed('base/movie.frameRate')]: '50p' })
  const onto = (steps: readonly Step[], theirs: Step, from = plan) =>
    rebase(kind, must(applyStep(heron, from, theirs)), steps, [theirs])

  it('keeps steps on other rows as they are', () => {
    const theirs = setRows(plan, 'theirs', { [rowNamed('title')]: 'Theirs' })
    expect(onto([mine], theirs)).toMatchObject({
      steps: [mine],
      aside: [],
      document: { rows: { title: 'Theirs', 'base/movie.frameRate': '50p' } },
    })
  })

  it('holds back a step on the same row and keeps what was wanted', () => {
    const theirs = setRows(plan, 'theirs', { [rowNamed('base/movie.frameRate')]: '100p' })
    expect(onto([mine], theirs)).toMatchObject({
      steps: [],
      aside: [{ row: 'base/movie.frameRate', before: null, mine: '50p', why: { kind: 'changed' } }],
    })
  })

  it('asks nothing of a row that both changed to the same', () => {
    const theirs = setRows(plan, 'theirs', { [rowNamed('base/movie.frameRate')]: '50p' })
    const { document, aside } = onto([mine], theirs)
    expect(stillWanted(kind, document, aside)).toEqual([])
  })

  it('holds back later steps that build on a held one, and keeps what was wanted last', () => {
    const theirs = setRows(plan, 'theirs', { [rowNamed('base/movie.frameRate')]: '100p' })
    const later: Step = {
      id: 'later',
      changes: [{ row: rowNamed('base/movie.frameRate'), from: '50p', to: '60p' }],
    }
    const { steps, aside } = onto([mine, later], theirs)
    expect(steps).toEqual([])
    expect(aside).toMatchObject([{ row: 'base/movie.frameRate', before: null, mine: '60p' }])
  })

  it('sets aside only the step that was refused, with its reason', () => {
    const refusal = { code: 'outside', message: 'not that', where: 'title' }
    const other = setRows(plan, 'other', { [rowNamed('title')]: 'Mine' })
    const { steps, aside } = rebase(kind, plan, [mine, other], [], { step: 'other', refusal })
    expect(steps).toEqual([mine])
    expect(aside).toMatchObject([{ row: 'title', mine: 'Mine', why: { kind: 'refused', refusal } }])
  })

  it('always gives steps that apply to what the others left', () => {
    const both = planOf(heron).chain((base) =>
      fc.tuple(fc.constant(base), stepFor(heron, base, 'mine'), stepFor(heron, base, 'theirs')),
    )
    fc.assert(
      fc.property(both, ([base, a, b]) => {
        const { steps, document } = onto([a], b, base)
        expect(must(applyAll(kind, must(applyStep(heron, base, b)), steps))).toEqual(document)
      }),
    )
  })
})

describe('a save from outside', () => {
  const id = '11111111-1111-4111-8111-111111111111'
  const steps = [{ id, changes: [{ row: 'title', from: null, to: 'x' }] }]
  const good = { epoch: id, basedOn: 0, head: null, steps, ask: [] }
  const stepWith = (change: object, more: object = {}) => ({
    ...good,
    steps: [{ id, changes: [{ row: 'title', from: null, to: 'x', ...change }], ...more }],
  })

  it('is taken when it has the shape', () => {
    expect(readSave(kind, good)).toEqual({ ok: true, value: { save: good, unreadable: null } })
  })

  it.each([
    ['no version', { ...good, basedOn: undefined }],
    ['a version beyond every log', { ...good, basedOn: 2 ** 31 }],
    ['no epoch', { ...good, epoch: 'now' }],
    ['an id that is no UUID', { ...good, steps: [{ ...steps[0], id: '1' }] }],
    ['the same step twice', { ...good, steps: [...steps, ...steps] }],
    ['an unknown key', { ...good, force: true }],
    ['a list', []],
    ['nothing', null],
  ])('with %s is refused whole', (_name, input) => {
    expect(readSave(kind, input).ok).toBe(false)
  })

  it.each([
    ['a value that is an object', stepWith({ to: {} })],
    ['a value that would not become text', stepWith({ to: { toString: 1 } })],
    ['a NUL in a text', stepWith({ to: 'a\0b' })],
    ['half a surrogate pair', stepWith({ to: '\ud800' })],
    ['a NUL in the id of a row', stepWith({ row: 'why/\0' })],
    ['a list without end', stepWith({ to: Array.from({ length: 401 }, (_, i) => `m${i}`) })],
    ['no changes', { ...good, steps: [{ id, changes: [] }] }],
    ['an unknown key in a step', stepWith({}, { force: true })],
  ])('with %s in a step is read up to that step, which is named', (_name, input) => {
    expect(readSave(kind, input)).toMatchObject({
      ok: true,
      value: {
        save: { steps: [] },
        unreadable: { step: id, refusal: { code: expect.any(String) as string } },
      },
    })
  })
})

describe('a plan', () => {
  it('from rows names the first row that does not fit', () => {
    expect(parsePlan(heron, { title: 'x', 'base/focus.mode@stills': 'sideways' })).toMatchObject({
      refusal: { code: 'outside', where: 'base/focus.mode@stills' },
    })
  })

  it('counts only slots that have a side as used', () => {
    const rows = {
      'bank/dial/ebb/movie.frameRate': '50p',
      'bank/dial/flow/side': 'motion',
      'bank/dial/flow/movie.frameRate': '100p',
    }
    expect(plannedSlots(heron, must(parsePlan(heron, rows)))).toEqual([
      {
        family: 'dial',
        slot: 'flow',
        name: 'Flow',
        side: 'motion',
        purpose: null,
        rows: { 'movie.frameRate': '100p' },
      },
    ])
  })
})
