import { describe, expect, it } from 'vitest'
import type { Change } from '../sync/step'
import { must, type Result } from '../result'
import type { ProcedureAct } from './types'
import {
  emptyWalk,
  gatesOf,
  goingPast,
  parseWalk,
  progressOf,
  recordOf,
  saidOf,
  sayingOf,
  standingOf,
  walkKind,
  type Walk,
} from './progress'

const act = (id: string, more: Partial<ProcedureAct> = {}): ProcedureAct => ({
  ...{ id, kind: 'do', words: `Do ${id}`, where: '', part: '', stands: '', control: null, row: null },
  ...{ asks: id, presses: 0, events: [], after: [] },
  ...more,
})
const procedure = { acts: [act('save'), act('reset', { after: ['save'] }), act('look')] }
const by = { who: 'Ada', at: '2026-11-29T10:00:00Z' }
const after = (walk: Walk, changes: Result<readonly Change[]>): Walk =>
  must(walkKind.apply(walk, { id: 's', changes: must(changes) }))
const done = (walk: Walk, id: string) => after(walk, sayingOf(walk, procedure, id, { mark: 'done', ...by }))

describe('a walk', () => {
  it('begins with every act open, and goes on with the first that is not over', () => {
    expect(progressOf(emptyWalk, procedure)).toMatchObject({
      open: 3,
      done: 0,
      total: 3,
      next: { id: 'save' },
    })
    expect(progressOf(done(emptyWalk, 'save'), procedure)).toMatchObject({
      open: 2,
      done: 1,
      next: { id: 'reset' },
    })
  })

  it('holds back an act whose gate is shut, and lets it by with a reason', () => {
    expect(sayingOf(emptyWalk, procedure, 'reset', { mark: 'done', ...by })).toMatchObject({
      ok: false,
      refusal: { code: 'gate', message: 'Not before: Do save.' },
    })
    expect(goingPast(emptyWalk, 'reset', ' ')).toMatchObject({ ok: false })
    const passed = after(emptyWalk, goingPast(emptyWalk, 'reset', 'Nothing on it is worth keeping.'))
    expect(standingOf(done(passed, 'reset'), act('reset'))).toBe('done')
  })

  it('opens the gate for what was skipped with a reason', () => {
    const skipped = after(
      emptyWalk,
      sayingOf(emptyWalk, procedure, 'save', { mark: 'skipped', words: 'no card', ...by }),
    )
    expect(gatesOf(skipped, procedure, act('reset', { after: ['save'] }))).toEqual([])
  })

  it.each(['skipped', 'differs'] as const)('wants words for %s', (mark) => {
    expect(sayingOf(emptyWalk, procedure, 'look', { mark, words: ' ', ...by })).toMatchObject({ ok: false })
    const said = after(emptyWalk, sayingOf(emptyWalk, procedure, 'look', { mark, words: 'it is 3', ...by }))
    expect(saidOf(said, 'look')).toEqual({ mark, asked: 'look', words: 'it is 3', ...by })
  })

  it('opens an act again that asks for something else now, and keeps what was said', () => {
    const walk = done(emptyWalk, 'look')
    const other = { acts: [act('look', { asks: 'something else' })] }
    expect(progressOf(walk, other)).toMatchObject({ anew: 1, done: 0, next: { id: 'look' } })
    expect(recordOf(walk, other).lines).toMatchObject([{ standing: 'anew', said: { mark: 'done' } }])
  })

  it('keeps in its record what is asked for no more, and refuses to tick it', () => {
    const walk = done(emptyWalk, 'look')
    const without = { acts: [act('save')] }
    expect(recordOf(walk, without).gone.map((one) => one.act)).toEqual(['look'])
    expect(sayingOf(walk, without, 'look', { mark: 'done', ...by })).toMatchObject({
      ok: false,
      refusal: { code: 'unknown-act' },
    })
  })

  it('opens an act again', () => {
    const walk = done(done(emptyWalk, 'save'), 'look')
    expect(after(walk, sayingOf(walk, procedure, 'look', { mark: null, ...by }))).toEqual(
      done(emptyWalk, 'save'),
    )
  })

  it.each([
    ['a row of another document', 'base/x', 'raw'],
    ['a mark that is none', 'mark/look', ['perhaps', '', '', '', '']],
    ['a mark of four texts', 'mark/look', ['done', '', '', '']],
    ['a reason in the place of a mark', 'mark/look', 'because'],
    ['a mark in the place of a reason', 'past/look', ['done', '', '', '', '']],
    ['a text too long', 'past/look', 'x'.repeat(501)],
    ['a character that cannot be kept', 'past/look', 'a\0b'],
    ['no act', 'mark/', ['done', '', '', '', '']],
    ['an act too long', `mark/${'a'.repeat(241)}`, ['done', '', '', '', '']],
  ])('refuses %s', (_, row, value) => {
    expect(parseWalk({ [row]: value })).toMatchObject({ ok: false, refusal: { where: row } })
  })

  it('refuses a step made on what was ticked otherwise since', () => {
    const step = { id: 's', changes: must(sayingOf(emptyWalk, procedure, 'save', { mark: 'done', ...by })) }
    expect(walkKind.apply(done(emptyWalk, 'save'), step)).toMatchObject({
      ok: false,
      refusal: { code: 'stale' },
    })
  })
})
