import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { lenses, models } from '@tests/fixtures/models'
import { emptyPlan } from '../plan/plan'
import type { BodyModel } from '../model/types'
import { must, type Result } from '../result'
import type { Change } from '../sync/step'
import { type HandBody } from './carry-by-hand'
import { readTargets, writeTargets } from './place'
import { composeProcedure, isPlaceOf } from './compose'
import { handActs } from './hand-acts'
import { comparedOf, fileOf, handOutcomes, writeCompared, type Verdict } from './hand-files'
import { orderFor } from './order'
import { emptyWalk, gatesOf, saidOf, sayingOf, standingOf, walkKind, type Walk } from './progress'
import { fileRow } from './walk-rows'

const body = (tag: string, more: Partial<HandBody> = {}): HandBody => ({
  ...{ tag, name: tag.toUpperCase(), firmware: null, folder: null, file: null },
  ...more,
})
const composed = (
  model: BodyModel,
  from: string | null,
  to: readonly string[],
  bodies: readonly HandBody[],
) =>
  composeProcedure('carry-by-hand', {
    order: orderFor(model, emptyPlan(model), lenses, from, 'delivered'),
    place: writeTargets(to),
    bodies,
  })
const digest = (letter: string) => letter.repeat(64)
const applied = (walk: Walk, changes: Result<readonly Change[]>): Walk =>
  must(walkKind.apply(walk, { id: 's', changes: must(changes) }))
const withFile = (walk: Walk, act: string, text: string): Walk =>
  applied(walk, { ok: true, value: [{ row: fileRow(act), from: walk.rows[fileRow(act)] ?? null, to: text }] })

describe('the bodies something is carried to', () => {
  it('are written and read as one text', () => {
    expect(readTargets(writeTargets(['a', 'b-2']))).toEqual(['a', 'b-2'])
    for (const wrong of ['', 'A', 'a++b', 'a+a', '../x']) expect(readTargets(wrong)).toBeNull()
    expect(isPlaceOf('carry-by-hand', heron, emptyPlan(heron), 'a+b')).toBe(true)
    expect(isPlaceOf('press-test', heron, emptyPlan(heron), 'a+b')).toBe(false)
  })
})

describe.each(models.map((model) => [model.name, model] as const))('a carry by hand on %s', (_, model) => {
  it('has every act behind the ones it needs, with the menu address of what is saved and loaded', () => {
    const { acts } = composed(model, 'a', ['b', 'c'], [body('a'), body('b'), body('c')])
    const ids = acts.map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    for (const [i, act] of acts.entries())
      for (const before of act.after) expect(ids.slice(0, i)).toContain(before)
    for (const tag of ['b', 'c']) {
      const order = [
        handActs.source,
        handActs.before(tag),
        handActs.put(tag),
        handActs.load(tag),
        handActs.restart(tag),
        handActs.after(tag),
        handActs.compare(tag),
      ].map((id) => ids.indexOf(id))
      expect(order).toEqual([...order].sort((one, other) => one - other))
      expect(order).not.toContain(-1)
    }
    for (const act of acts.filter(({ kind }) => kind === 'menu')) expect(act.where).not.toBe('')
  })
})

describe('a carry by hand', () => {
  const [oldest] = heron.firmware
  const newest = heron.firmware.at(-1)

  it('to a body whose firmware does not read the file is a walk by hand, and then the keys', () => {
    const { acts } = composed(
      heron,
      'a',
      ['b'],
      [body('a', { firmware: oldest?.version ?? '' }), body('b', { firmware: newest?.version ?? '' })],
    )
    expect(acts.map(({ door }) => door?.procedure).filter(Boolean)).toEqual(['set-plan', 'press-test'])
    expect(acts.some(({ id }) => id === handActs.load('b'))).toBe(false)
    expect(acts.find(({ id }) => id === handActs.set('b'))?.because).toContain('does not read files')
  })

  it('from a file of the shelf begins with that file, and saves on no body before', () => {
    const { acts } = composed(heron, null, ['b'], [body('b')])
    expect(acts[0]).toMatchObject({ id: handActs.source, task: { for: 'source', tag: null } })
  })

  it('says where the file goes: the folder of its model, or what the owner says of the body', () => {
    const whereOf = (more: Partial<HandBody>) =>
      composed(heron, 'a', ['b'], [body('a'), body('b', more)]).acts.find(
        ({ id }) => id === handActs.put('b'),
      )?.where
    expect(whereOf({})).toBe(heron.cardFile.folder)
    expect(whereOf({ folder: 'MY/SET', file: 'ONE.DAT' })).toBe('MY/SET/ONE.DAT')
  })

  const procedure = composed(heron, 'a', ['b'], [body('a'), body('b')])
  const say = (walk: Walk, act: string, mark: 'done' | 'differs' = 'done') =>
    sayingOf(walk, procedure, act, { mark, words: mark === 'differs' ? 'otherwise' : '', who: '', at: '' })
  /** Everything ticked up to an act, with files where they are asked for. */
  const until = (last: string, verdict: Verdict = 'equal') => {
    let walk = emptyWalk
    for (const { id, task } of procedure.acts) {
      if (task && task.for !== 'compare')
        walk = withFile(walk, id, digest(task.for === 'before' ? 'b' : task.for === 'after' ? 'c' : 'a'))
      if (task?.for === 'compare')
        walk = withFile(walk, id, writeCompared({ verdict, sent: digest('a'), found: digest('c') }))
      walk = applied(walk, say(walk, id, task?.for === 'compare' && verdict !== 'equal' ? 'differs' : 'done'))
      if (id === last) break
    }
    return walk
  }
  const outcomes = (walk: Walk) =>
    handOutcomes(walk, ['b'], (id) => {
      const act = procedure.acts.find((one) => one.id === id)
      return act !== undefined && standingOf(walk, act) === 'done'
    })

  it('ticks no act at which a file is taken in before it is', () => {
    const walk = until('save/source')
    expect(say(walk, handActs.source)).toMatchObject({ ok: false, refusal: { code: 'no-file' } })
    const taken = withFile(walk, handActs.source, digest('a'))
    expect(fileOf(taken, handActs.source)).toBe(digest('a'))
    expect(say(taken, handActs.source).ok).toBe(true)
  })

  it('loads on no body before its file was read back from the card', () => {
    const walk = until(handActs.before('b'))
    const act = procedure.acts.find(({ id }) => id === handActs.load('b'))
    expect(act && gatesOf(walk, procedure, act).map(({ id }) => id)).toEqual([handActs.put('b')])
  })

  it.each([
    ['equal', 'read back'],
    ['before', 'not taken'],
    ['differs', 'differs'],
  ] as const)('that turned out %s ends as: %s', (verdict, how) => {
    const walk = until(handActs.compare('b'), verdict)
    expect(outcomes(walk)).toEqual([{ tag: 'b', how, sent: digest('a'), found: digest('c') }])
  })

  it('is not ticked as equal where it is not', () => {
    const walk = until(handActs.compare('b'), 'before')
    expect(say(walk, handActs.compare('b'))).toMatchObject({ ok: false, refusal: { code: 'not-equal' } })
    expect(saidOf(walk, handActs.compare('b'))?.mark).toBe('differs')
  })

  it('that nobody held against what was sent is only loaded; one that was not loaded is nothing', () => {
    expect(outcomes(until(handActs.load('b')))).toMatchObject([{ how: 'loaded', found: null }])
    expect(outcomes(until(handActs.after('b')))).toMatchObject([{ how: 'loaded', found: digest('c') }])
    expect(outcomes(until(handActs.put('b')))).toEqual([])
  })

  it('forgets a comparison once another file stands in its place', () => {
    const walk = until(handActs.compare('b'))
    expect(comparedOf(walk, handActs.compare('b'))).toMatchObject({ verdict: 'equal' })
    const other = withFile(walk, handActs.after('b'), digest('d'))
    expect(comparedOf(other, handActs.compare('b'))).toBeNull()
    expect(outcomes(other)).toMatchObject([{ how: 'loaded', found: digest('d') }])
  })
})
