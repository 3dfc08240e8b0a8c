// @vitest-environment jsdom
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { rowNamed } from '@tests/fixtures/rows'
import { describe, expect, it } from 'vitest'
import { useControlsStation, useShown } from './use-controls-station'
import { keyRow } from '@/core/plan/rows'

const [thumb, crown] = ['stills/thumb-key/press', 'stills/crown-key/press']

function useStationWithLabels() {
  const known = useControlsStation()
  return { ...known, shown: useShown(known.heat, known.fitted) }
}

/** The station on a desk, and what its labels are written from. */
function station() {
  const on = onTheDesk()
  const { result } = on.hook(useStationWithLabels)
  return { ...on, now: () => result.current }
}

describe('a key of the Controls station', () => {
  it('is gone to wherever it is: its face, its side, the panel of keys', async () => {
    const { desk, now } = station()
    await settled(() => now().pickPanel('reach'))
    await settled(() => now().goTo('motion/crest-key/press'))
    const face = now().model.controls.find(({ id }) => id === 'crest-key')?.face
    expect(now()).toMatchObject({ faceId: face, panel: 'key', hand: { selected: 'motion/crest-key/press' } })
    expect(desk.getView().side).toBe('motion')
  })

  it('follows the side it is looked at on', async () => {
    const { desk, now } = station()
    await settled(() => now().take(thumb))
    await settled(() => desk.setSide('motion'))
    expect(now().hand.selected).toBe('motion/thumb-key/press')
  })

  it('says what was put on it until something else takes its place', async () => {
    const { desk, now, plan } = station()
    await settled(() => now().hand.put(crown, 'magnifier'))
    expect(plan().rows[keyRow({ key: crown })]).toBe('magnifier')
    expect(now().outcome).toMatchObject({ address: crown, functionId: 'magnifier' })
    expect(now().outcome?.displaced?.functionId).toBe('playback')
    await settled(() => desk.undo())
    expect(now().outcome).toBeNull()
  })

  it('carried to another gives it its function, and is free then', async () => {
    const { now, plan } = station()
    await settled(() => now().hand.carry(crown, 'move'))
    expect(now().hand.carried).toEqual({ address: crown, how: 'move' })
    await settled(() => now().take(thumb))
    expect(plan().rows[keyRow({ key: thumb })]).toBe('playback')
    expect(plan().rows[keyRow({ key: crown })]).toBe('nothing')
    expect(now().hand).toMatchObject({ carried: null, selected: thumb })
  })

  it('swapped changes places with another', async () => {
    const { now, plan } = station()
    const before = now().shown.plan
    const [a, b] = [crown, 'stills/bridge-key/press'].map((key) => keyRow({ key: key }))
    await settled(() => now().hand.carry(crown, 'swap'))
    await settled(() => now().take('stills/bridge-key/press'))
    expect(plan()).not.toBe(before)
    expect(a && plan().rows[a]).toBeDefined()
    expect(b && plan().rows[b]).toBe('playback')
  })

  it('that does not take a function leaves the plan as it was, and says why', async () => {
    const { desk, now, plan } = station()
    const before = plan()
    await settled(() => now().hand.put('stills/thumb-dial/turn', 'playback'))
    expect(plan()).toBe(before)
    expect(desk.getView().refusal?.code).toBe('not-accepted')
  })
})

describe('what labels are written from', () => {
  it('stays the same object until something of it changes', async () => {
    const { desk, now } = station()
    await settled()
    const { shown } = now()
    await settled(() => now().pickPanel('dials'))
    expect(now().shown).toBe(shown)
    await settled(() => now().setHeat(true))
    expect(now().shown.uses?.size).toBeGreaterThan(3)
    await settled(() => desk.set({ [rowNamed('title')]: 'Renamed' }))
    expect(now().shown).not.toBe(shown)
  })

  it('marks the rows that differ from the revision, and those changed since', async () => {
    const revision = { number: 1, planVersion: 0, differs: [keyRow({ key: crown })] }
    const on = onTheDesk(undefined, undefined, revision)
    const { result } = on.hook(useStationWithLabels)
    expect([...result.current.shown.changed]).toEqual([keyRow({ key: crown })])
    await settled(() => result.current.hand.put(thumb, 'nothing'))
    expect([...result.current.shown.changed]).toContain(keyRow({ key: thumb }))
  })
})
