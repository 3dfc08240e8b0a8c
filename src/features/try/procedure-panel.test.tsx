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
  return { ...on, ...shown, panel, click, label }
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

  it('is where it was when another panel was looked at meanwhile, and another one begins from before it', async () => {
    const { panel, click } = await playing('set-plan')
    await click('Begin')
    await soon(() => expect(panel.textContent).toContain('1 of '))
    await click('Do it')
    await settled(() => fireEvent.click(screen.getByRole('tab', { name: 'Log' })))
    await settled(() => fireEvent.click(screen.getByRole('tab', { name: 'Procedure' })))
    const again = await screen.findByRole('region', { name: 'Procedure' })
    await soon(() => expect(again.textContent).toContain('2 of '))
    await settled(() =>
      fireEvent.change(within(again).getByLabelText('Play'), { target: { value: 'press-test' } }),
    )
    await within(again).findByRole('button', { name: 'Begin' }, { timeout: 20_000 })
  })

  it('does not say what the body holds once something else was done on it', async () => {
    const { panel, click, container } = await playing('set-plan')
    await click('Begin')
    await soon(() => expect(panel.textContent).toContain('1 of '))
    const plate = container.querySelector('main')
    await settled(() => plate && fireEvent.keyDown(plate, { key: 'r' }))
    await click('Do the rest')
    await soon(() => expect(panel.textContent).toContain('Something else was done on the body, too'))
    expect(panel.textContent).not.toContain('row by row')
  })
})

describe('the labels of the body', () => {
  it('say what is on its keys after a reset, and not what the plan has', async () => {
    const { label, container } = await playing('field-moves')
    expect(label()).toContain('AF start with eye detection')
    await settled(() => fireEvent.click(screen.getByRole('tab', { name: 'Sequence' })))
    const script = screen.getByLabelText('Script')
    await settled(() => fireEvent.change(script, { target: { value: 'act reset-all' } }))
    await settled(() => fireEvent.click(screen.getByRole('button', { name: 'Play from the beginning' })))
    await soon(() =>
      expect(label(), container.querySelector('aside')?.textContent ?? '').toContain('AE lock'),
    )
  })
})
