// @vitest-environment jsdom
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { rowNamed } from '@tests/fixtures/rows'
import { describe, expect, it } from 'vitest'
import { useFocusStation } from './use-focus-station'

async function station() {
  const on = onTheDesk()
  await settled(() => on.desk.set({ [rowNamed('key/stills/thumb-key/press')]: 'start-focus-eyes' }))
  const { result } = on.hook(() => useFocusStation())
  expect(result.current.banks).toBeNull()
  await settled()
  return { ...on, now: () => result.current }
}

describe('the Focus station', () => {
  it('begins with the first single trigger in the plain state, and shows what comes of it', async () => {
    const { now } = await station()
    await settled()
    expect(now().picked.held).toHaveLength(1)
    expect(now().picked.bank).toBe('no bank')
    expect(now().words?.does).toBeTruthy()
    expect(now().state?.picture?.points.length).toBeGreaterThan(0)
  })

  it('shows single keys, pairs when asked for, and those a finger holds', async () => {
    const { now } = await station()
    expect(now().lines.every(({ held }) => held.length < 2)).toBe(true)
    await settled(() => now().narrow.pairs(true))
    await settled(() => now().unfold(true))
    const all = now().lines.length
    expect(now().lines.some(({ held }) => held.length === 2)).toBe(true)
    await settled(() => now().narrow.pairs(false))
    await settled(() => now().narrow.digit('index'))
    expect(now().lines.length).toBeLessThan(all)
    expect(now().lines.some(({ held }) => held.includes('stills/thumb-key/press'))).toBe(false)
  })

  it('folds the lines that say what fewer keys say, and shows them when asked for', async () => {
    const { desk, now } = await station()
    await settled(() => desk.set({ [rowNamed('base/focus.halfPress@stills')]: false }))
    const { folded, lines } = now()
    expect(folded.length).toBeGreaterThan(0)
    expect(lines.some(({ held }) => folded.some((one) => one.join() === held.join()))).toBe(false)
    await settled(() => now().unfold(true))
    expect(now().lines).toHaveLength(lines.length + folded.length)
  })

  it('says the line in hand in a sentence', async () => {
    const { now } = await station()
    await settled(() => now().pickControl('thumb-key'))
    expect(now().sentence).toMatch(
      /^Hold Thumb focus key: AF focuses once, .*; let go: AF stops\. Full press: /,
    )
  })

  it('takes a control in hand that is picked on a plate, if it is a trigger', async () => {
    const { now } = await station()
    await settled(() => now().pickControl('thumb-key'))
    expect(now().picked.held).toEqual(['stills/thumb-key/press'])
    await settled(() => now().pickControl('no-such-control'))
    expect(now().picked.held).toEqual(['stills/thumb-key/press'])
  })

  it('lets go of a line that is there no longer', async () => {
    const { desk, now } = await station()
    await settled(() => now().pickControl('thumb-key'))
    await settled(() => desk.set({ [rowNamed('key/stills/thumb-key/press')]: 'nothing' }))
    expect(now().picked.held).not.toEqual(['stills/thumb-key/press'])
  })

  it('lists the findings it owns, those of the side looked at first', async () => {
    const { desk, now } = await station()
    await settled(() => desk.set({ [rowNamed('base/focus.halfPress@motion')]: true }))
    const { problems } = now()
    expect(problems?.every(({ station: home }) => home === 'focus')).toBe(true)
    await settled(() => desk.setSide('motion'))
    const sides = now().problems?.map(({ side }) => side) ?? []
    expect(sides).toEqual([...sides].sort((a, b) => Number(b === 'motion') - Number(a === 'motion')))
  })
})
