// @vitest-environment jsdom
import { onTheDesk, settled, theatrePlan } from '@tests/fixtures/on-the-desk'
import { rowNamed } from '@tests/fixtures/rows'
import { heron } from '@tests/fixtures/heron'
import { lenses } from '@tests/fixtures/models'
import { describe, expect, it } from 'vitest'
import { adviceOn } from '@/core/checks/checks'
import { reachOf } from '@/core/reach/reach'
import { useAnswer, useFindings, useReach, useTrial } from './use-analysis'

const thumb = rowNamed('key/stills/thumb-key/press')

describe('an answer on a screen', () => {
  it('is not there at first, and then is what the core says', async () => {
    const { hook } = onTheDesk()
    const { result } = hook(() => ({ findings: useFindings(), reach: useReach() }))
    expect(result.current).toEqual({ findings: null, reach: null })
    await settled()
    expect(result.current.findings).toEqual(adviceOn(heron, theatrePlan, lenses))
    expect(result.current.reach).toEqual(reachOf(heron, theatrePlan, lenses))
  })

  it('renders nobody anew whose answer a step did not change', async () => {
    const { desk, hook } = onTheDesk()
    let renders = 0
    const { result } = hook(() => {
      renders += 1
      return useAnswer<'idle'>({ kind: 'idle' })
    })
    await settled()
    const [before, seen] = [renders, result.current]
    await settled(() => desk.set({ [rowNamed('title')]: 'Renamed' }))
    await settled(() => desk.set({ [thumb]: 'nothing' }))
    expect(renders).toBe(before)
    expect(result.current).toBe(seen)
  })

  it('follows the question: another one begins without an answer', async () => {
    const { desk, hook } = onTheDesk()
    const { result } = hook(() => useReach())
    await settled()
    const finder = result.current
    await settled(() => desk.setPosture('tripod'))
    expect(result.current).not.toBe(finder)
    expect(result.current).toEqual(reachOf(heron, theatrePlan, lenses, 'tripod'))
  })

  it('tells what a change in the hand would do, and leaves the plan as it is', async () => {
    const { plan, hook } = onTheDesk()
    const { result } = hook(() => useTrial([[thumb, 'nothing']]))
    await settled()
    const tried = { ...theatrePlan, rows: { ...theatrePlan.rows, [thumb]: 'nothing' } }
    expect(result.current?.reach).toEqual(reachOf(heron, tried, lenses))
    expect(plan()).toBe(theatrePlan)
  })

  it('is nothing where nothing is asked', async () => {
    const { hook } = onTheDesk()
    const { result } = hook(() => useTrial(null))
    await settled()
    expect(result.current).toBeNull()
  })
})
