// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, describe, expect, it } from 'vitest'
import { Explain } from './explain'

afterEach(cleanup)

describe('the question mark beside a label', () => {
  it('opens to the standard term, a plain sentence and other wordings, and closes by Escape', async () => {
    const user = userEvent.setup()
    render(<Explain label="Set zebra" about={{ means: { kind: 'setting', id: 'assist.zebra' } }} />)
    expect(screen.queryByRole('note')).toBeNull()
    await user.click(screen.getByRole('button', { name: 'What is Set zebra?' }))
    const note = screen.getByRole('note')
    await screen.findByText('Zebra')
    expect(note.textContent).toContain('Stripes over parts brighter than a level.')
    expect(note.textContent).toMatch(/Also called .*overexposure stripes/)
    await user.keyboard('{Escape}')
    expect(screen.queryByRole('note')).toBeNull()
  })

  it('tells a sentence of our own, and closes by a press elsewhere', async () => {
    const user = userEvent.setup()
    render(
      <>
        <Explain label="to remember" about={{ text: 'Keys that do something else than as delivered.' }} />
        <p>elsewhere</p>
      </>,
    )
    await user.click(screen.getByRole('button', { name: 'What is to remember?' }))
    expect(screen.getByRole('note').textContent).toBe('Keys that do something else than as delivered.')
    await user.pointer({ keys: '[MouseLeft]', target: screen.getByText('elsewhere') })
    expect(screen.queryByRole('note')).toBeNull()
  })

  it('is not there for what means nothing common', () => {
    render(<Explain label="Its own" about={{ means: { kind: 'setting', id: null } }} />)
    expect(screen.queryByRole('button')).toBeNull()
  })
})
