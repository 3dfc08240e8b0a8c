// @vitest-environment jsdom
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { rowNamed } from '@tests/fixtures/rows'
import { describe, expect, it, vi } from 'vitest'
import { planTitle, plannedLenses } from '@/core/plan/plan'
import { keyRow } from '@/core/plan/rows'
import { useDeskPart, usePlan, usePlanPart } from './desk-context'

const title = rowNamed('title')
const key = keyRow({ key: 'stills/crown-key/press' })

/** What a hook gives on a desk, and how often it was drawn. */
function watching<T>(use: () => T) {
  const on = onTheDesk()
  const drawn = vi.fn()
  const { result } = on.hook(() => {
    drawn()
    return use()
  })
  return { ...on, now: () => result.current, times: () => drawn.mock.calls.length }
}

describe('a part of the plan', () => {
  it('is drawn anew when it changes, and not when anything else does', async () => {
    const { desk, now, times } = watching(() => usePlanPart(planTitle))
    await settled(() => desk.set({ [key]: 'nothing' }))
    expect(times()).toBe(1)
    await settled(() => desk.set({ [title]: 'Second act' }))
    expect([now(), times()]).toEqual(['Second act', 2])
    await settled(() => desk.undo())
    expect(times()).toBe(3)
  })

  it('that is made anew at every reading stays the same object while it says the same', async () => {
    const { desk, now, times } = watching(() => usePlanPart(plannedLenses))
    const before = now()
    await settled(() => desk.set({ [title]: 'Second act' }))
    expect(now()).toBe(before)
    expect(times()).toBe(1)
  })
})

describe('a part of the desk', () => {
  it('is drawn anew when it changes: whether it is saved, with a step; the side, with a turn', async () => {
    const saving = watching(() => useDeskPart('saving'))
    const side = watching(() => useDeskPart('side'))
    await settled(() => saving.desk.set({ [title]: 'Second act' }))
    expect(saving.now()).toBe('saved')
    expect(saving.times()).toBeGreaterThan(1)
    await settled(() => side.desk.set({ [title]: 'Second act' }))
    expect(side.times()).toBe(1)
    await settled(() => side.desk.setSide('motion'))
    expect([side.now(), side.times()]).toEqual(['motion', 2])
  })

  it('has the plan itself, one object until it changes', async () => {
    const { desk, now, times } = watching(usePlan)
    const before = now()
    await settled(() => desk.setSide('motion'))
    expect([now() === before, times()]).toEqual([true, 1])
    await settled(() => desk.set({ [title]: 'Second act' }))
    expect(now().rows[title]).toBe('Second act')
  })
})
