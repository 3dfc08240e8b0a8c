import { describe, expect, it, vi } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { emptyPlan } from '@/core/plan/plan'
import { applySteps, setRows, type Step } from '@/core/plan/step'
import { must } from '@/core/result'
import { PlanDesk, type SaveAnswer, type Send } from './plan-desk'

const start = {
  planId: 'p',
  model: heron,
  lenses: [],
  plan: emptyPlan(heron),
  version: 0,
  log: [],
  revision: null,
}
const theirs = (rows: Record<string, string>) => setRows(emptyPlan(heron), 'theirs', rows)

function deskWith(send: Send, waitingSteps: readonly Step[] = []) {
  let kept = waitingSteps
  let made = 0
  const waiting = { read: () => kept, write: (steps: readonly Step[]) => void (kept = steps) }
  const desk = new PlanDesk(
    start,
    send,
    waiting,
    () => `step ${(made += 1)}`,
    () => Promise.resolve(),
  )
  return { desk, kept: () => kept }
}

/** A server that keeps what it is sent, as the real one does. */
function server() {
  const log: Step[] = []
  const send: Send = (basedOn, steps) => {
    const fresh = steps.filter((step) => !log.some((one) => one.id === step.id))
    const newer = log.slice(basedOn).filter((one) => !steps.some((step) => step.id === one.id))
    if (fresh.length > 0 && newer.length > 0)
      return Promise.resolve<SaveAnswer>({ kind: 'stale', version: log.length, newer })
    log.push(...fresh)
    return Promise.resolve<SaveAnswer>({ kind: 'saved', version: log.length })
  }
  return { log, send }
}

const settled = (desk: PlanDesk) => vi.waitFor(() => expect(desk.getView().saving).toBe('saved'))

describe('a plan on the desk', () => {
  it('shows a step at once and calls it saved only when the server has it', async () => {
    const { log, send } = server()
    const { desk, kept } = deskWith(send)
    desk.set({ title: 'Mine' })
    expect(desk.getView()).toMatchObject({ saving: 'saving', plan: { rows: { title: 'Mine' } } })
    expect(kept()).toHaveLength(1)
    await settled(desk)
    expect(log).toHaveLength(1)
    expect(kept()).toEqual([])
    expect(desk.getView().version).toBe(1)
  })

  it('makes no step of rows that hold the values already', () => {
    const { desk } = deskWith(server().send)
    expect(desk.set({ title: null })).toBe(false)
    expect(desk.getView().log).toEqual([])
  })

  it('shows a refused step and changes nothing', () => {
    const { desk } = deskWith(server().send)
    expect(desk.set({ 'base/movie.frameRate': '23p' })).toBe(false)
    expect(desk.getView()).toMatchObject({ refusal: { code: 'outside' }, plan: { rows: {} } })
  })

  it('undoes and redoes, each saved as a step of its own', async () => {
    const { log, send } = server()
    const { desk } = deskWith(send)
    desk.set({ title: 'Mine' })
    desk.undo()
    expect(desk.getView().plan.rows).toEqual({})
    desk.redo()
    expect(desk.getView().plan.rows).toEqual({ title: 'Mine' })
    await settled(desk)
    expect(log.map((step) => step.undoes ?? step.redoes)).toEqual([undefined, 'step 1', 'step 1'])
  })

  it('rebases silently on steps saved elsewhere on other rows', async () => {
    const { log, send } = server()
    log.push(theirs({ title: 'Theirs' }))
    const { desk } = deskWith(send)
    desk.set({ 'base/movie.frameRate': '50p' })
    await settled(desk)
    expect(desk.getView()).toMatchObject({
      conflicts: [],
      plan: { rows: { title: 'Theirs', 'base/movie.frameRate': '50p' } },
    })
    expect(must(applySteps(heron, emptyPlan(heron), log))).toEqual(desk.getView().plan)
  })

  it('tells of a row changed elsewhere, keeps mine, and puts it back when asked', async () => {
    const { log, send } = server()
    log.push(theirs({ title: 'Theirs' }))
    const { desk } = deskWith(send)
    desk.set({ title: 'Mine' })
    await settled(desk)
    expect(desk.getView()).toMatchObject({
      plan: { rows: { title: 'Theirs' } },
      conflicts: [{ row: 'title', theirs: 'Theirs', mine: 'Mine' }],
    })
    desk.settle('title', 'mine')
    await settled(desk)
    expect(desk.getView()).toMatchObject({ plan: { rows: { title: 'Mine' } }, conflicts: [] })
    expect(log).toHaveLength(2)
  })

  it('keeps trying while the server cannot be reached, and loses nothing', async () => {
    const { log, send } = server()
    let failures = 3
    const { desk, kept } = deskWith((basedOn, steps) =>
      failures-- > 0 ? Promise.reject(new Error('down')) : send(basedOn, steps),
    )
    const seen = new Set<string>()
    desk.subscribe(() => seen.add(desk.getView().saving))
    desk.set({ title: 'Mine' })
    desk.set({ title: 'Mine again' })
    await settled(desk)
    expect(seen).toContain('unreachable')
    expect(log).toHaveLength(2)
    expect(kept()).toEqual([])
  })

  it('does not save twice what the server had when its answer was lost', async () => {
    const { log, send } = server()
    let lose = true
    const { desk } = deskWith(async (basedOn, steps) => {
      const answer = await send(basedOn, steps)
      if (!lose) return answer
      lose = false
      throw new Error('the answer was lost')
    })
    desk.set({ title: 'Mine' })
    await settled(desk)
    expect(log).toHaveLength(1)
  })

  it('takes up what an earlier visit could not save, and asks where it no longer fits', async () => {
    const { log, send } = server()
    const fits = setRows(emptyPlan(heron), 'fits', { title: 'Kept' })
    const clashes: Step = {
      id: 'clashes',
      changes: [{ row: 'base/movie.frameRate', from: '50p', to: '25p' }],
    }
    const { desk } = deskWith(send, [fits, clashes])
    desk.resume()
    await settled(desk)
    expect(log.map((step) => step.id)).toEqual(['fits'])
    expect(desk.getView()).toMatchObject({
      refusal: null,
      conflicts: [{ row: 'base/movie.frameRate', theirs: null, mine: '25p' }],
    })
  })

  it('asks nothing where an undoing waits whose step the page did not know yet', async () => {
    const { log, send } = server()
    const step = setRows(emptyPlan(heron), 'done', { title: 'Mine' })
    const undoing: Step = {
      id: 'undone',
      changes: [{ row: 'title', from: 'Mine', to: null }],
      undoes: 'done',
    }
    log.push(step, undoing)
    const { desk } = deskWith(send, [undoing])
    desk.resume()
    expect(desk.getView()).toMatchObject({ conflicts: [], refusal: null })
    desk.set({ 'base/focus.lamp': false })
    await settled(desk)
    expect(desk.getView()).toMatchObject({ conflicts: [], plan: { rows: { 'base/focus.lamp': false } } })
    expect(desk.getView().plan.rows).not.toHaveProperty('title')
  })

  it('does not hold a step against itself that the server has already', async () => {
    const { desk } = deskWith((basedOn, steps) =>
      Promise.resolve<SaveAnswer>(
        basedOn === 0
          ? {
              kind: 'stale',
              version: 2,
              newer: [
                ...steps,
                setRows(must(applySteps(heron, emptyPlan(heron), steps)), 'theirs', {
                  'base/focus.lamp': false,
                }),
              ],
            }
          : { kind: 'saved', version: 2 },
      ),
    )
    desk.set({ title: 'Mine' })
    await settled(desk)
    expect(desk.getView()).toMatchObject({
      conflicts: [],
      plan: { rows: { title: 'Mine', 'base/focus.lamp': false } },
    })
  })

  it('lets go of a step the server refuses, and says why', async () => {
    const refusal = { code: 'outside', message: 'not that', where: 'title' }
    const { desk } = deskWith(() => Promise.resolve({ kind: 'refused', refusal }))
    desk.set({ title: 'Mine' })
    await settled(desk)
    expect(desk.getView()).toMatchObject({ refusal, plan: { rows: {} } })
  })
})
