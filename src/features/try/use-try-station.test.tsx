// @vitest-environment jsdom
import { fireEvent } from '@testing-library/react'
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { rowNamed } from '@tests/fixtures/rows'
import { describe, expect, it } from 'vitest'
import { TryStation } from './try-station'
import { useTryStation } from './use-try-station'
import { keyRow } from '@/core/plan/rows'

const thumb = 'stills/thumb-key/press'

async function station() {
  const on = onTheDesk()
  await settled(() => on.desk.set({ [keyRow({ key: thumb })]: 'start-focus-eyes' }))
  const shown = on.show(<TryStation />)
  await settled()
  const key = (address: string) => {
    const found = shown.container.querySelector<HTMLElement>(`[data-address="${address}"]`)
    if (!found) throw new Error(`no label of ${address}`)
    return found
  }
  return {
    ...on,
    ...shown,
    key,
    text: () => shown.container.querySelector('aside [role=status]')?.textContent ?? '',
  }
}

describe('a key of the simulated body', () => {
  it('is down for as long as the pointer is, and says what it does', async () => {
    const { key, text, container } = await station()
    await settled(() => fireEvent.pointerDown(key(thumb), { button: 0 }))
    expect(text()).toContain('Thumb focus key down:')
    const plate = container.querySelector('.touch-manipulation')
    await settled(() => plate && fireEvent.pointerUp(plate))
    expect(text()).not.toContain('down:')
  })

  it('stays down with Shift, or H, and is let go by Escape', async () => {
    const { key, text, container } = await station()
    await settled(() => fireEvent.pointerDown(key(thumb), { button: 0, shiftKey: true }))
    const main = container.querySelector('main')
    if (!main) throw new Error('the station has a main part')
    await settled(() => fireEvent.pointerUp(key(thumb)))
    expect(text()).toContain('Thumb focus key down:')
    await settled(() => fireEvent.keyDown(main, { key: 'Escape' }))
    expect(text()).not.toContain('down:')
    await settled(() => fireEvent.keyDown(key(thumb), { key: 'h' }))
    expect(text()).toContain('Thumb focus key down:')
  })

  it('is pressed and let go by Enter; a dial turns by the arrows', async () => {
    const { key, text, getByRole } = await station()
    await settled(() => fireEvent.keyDown(key('stills/crown-key/press'), { key: 'Enter' }))
    expect(text()).not.toContain('down:')
    const entries = () => getByRole('list', { name: 'Log' }).children.length
    const before = entries()
    await settled(() => fireEvent.keyDown(key('stills/thumb-dial/turn'), { key: 'ArrowRight' }))
    expect(entries()).toBe(before + 1)
  })

  it('begins again as the plan has it', async () => {
    const { key, text, getByRole } = await station()
    await settled(() => fireEvent.keyDown(key(thumb), { key: 'h' }))
    await settled(() => fireEvent.click(getByRole('button', { name: 'Start over' })))
    expect(text()).not.toContain('down:')
  })
})

describe('the body in the hand', () => {
  it('starts over when the plan changes', async () => {
    const on = onTheDesk()
    const { result } = on.hook(() => useTryStation())
    await settled(() => result.current.body.happen({ kind: 'full' }))
    expect(result.current.body.seen?.story).toHaveLength(1)
    await settled(() => on.desk.set({ [rowNamed('base/focus.lamp')]: false }))
    expect(result.current.body.seen?.story).toHaveLength(0)
  })
})
