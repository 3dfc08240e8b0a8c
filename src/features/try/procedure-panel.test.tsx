// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { describe, expect, it } from 'vitest'
import { rowNamed } from '@tests/fixtures/rows'
import { keyRow } from '@/core/plan/rows'
import { TryStation } from './try-station'

const thumb = 'stills/thumb-key/press'

async function playing(procedure: string) {
  window.location.hash = encodeURIComponent(JSON.stringify({ procedure }))
  const on = onTheDesk()
  const second = rowNamed('base/assist.grid')
  await settled(() => on.desk.set({ [keyRow({ key: thumb })]: 'start-focus-eyes', [second]: 'thirds' }))
  const shown = on.show(<TryStation />)
  const panel = await screen.findByRole('region', { name: 'Procedure' }, { timeout: 20_000 })
  const click = (name: string) => settled(() => fireEvent.click(within(panel).getByRole('button', { name })))
  const label = () => shown.container.querySelector(`[data-address="${thumb}"]`)?.textContent ?? ''
  await within(panel).findByRole('button', { name: 'Begin' }, { timeout: 20_000 })
  return { ...on, panel, click, label }
}

/** What is so once every act was answered. */
const soon = (check: () => void) => waitFor(check, { timeout: 20_000 })

describe('a procedure on the body in the hand', () => {
  it('begins with the camera as delivered, sets it act by act, and ends with the plan on it', async () => {
    const { panel, click, label } = await playing('set-plan')
    expect(label()).toContain('AF start with eye detection')
    await click('Begin')
    await soon(() => expect(label()).not.toContain('AF start with eye detection'))
    const delivered = label()
    expect(panel.textContent).toContain('1 of ')
    await click('Do it')
    await soon(() => expect(panel.textContent).toContain('Before it: '))
    await click('Do the rest')
    expect(panel.textContent).toContain('The body holds the plan, row by row.')
    await soon(() => expect(label()).toContain('AF start with eye detection'))
    await click('From the beginning')
    await soon(() => expect(label()).toBe(delivered))
  })

  it('leaves the body when the plan changes meanwhile: it stands with the plan again', async () => {
    const { panel, click, desk, label } = await playing('set-plan')
    await click('Begin')
    await settled(() => desk.set({ [keyRow({ key: thumb })]: 'start-focus' }))
    await soon(() => expect(label()).toContain('AF start'))
    expect(within(panel).getByRole('button', { name: 'Begin' })).toBeTruthy()
  })
})
