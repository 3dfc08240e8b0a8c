// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { describe, expect, it, vi } from 'vitest'
import { keyRow } from '@/core/plan/rows'
import { Notices } from './notices'

const crown = keyRow({ key: 'stills/crown-key/press' })

describe('what needs an answer', () => {
  it('is nothing while all is well', () => {
    const { show } = onTheDesk()
    const { container } = show(<Notices />)
    expect(container.textContent).toBe('')
  })

  it('is a refusal, with its words and its place, until it is closed', async () => {
    const { desk, show } = onTheDesk()
    show(<Notices />)
    await settled(() => desk.refuse({ code: 'no', message: 'The wheel does not take it.', where: 'key/x' }))
    const said = screen.getByRole('alert')
    expect(said.textContent).toContain('The wheel does not take it.')
    expect(said.textContent).toContain('key/x')
    await userEvent.setup().click(screen.getByRole('button', { name: 'Close' }))
    expect(screen.queryByRole('alert')).toBeNull()
  })

  it('is what failed in the background, with a way to try again', async () => {
    const { desk, show } = onTheDesk()
    show(<Notices />)
    const again = vi.fn()
    await settled(() => desk.fail('the worker ended', again))
    expect(screen.getByText(/the worker ended/)).toBeDefined()
    await userEvent.setup().click(screen.getByRole('button', { name: 'Try again' }))
    expect(again).toHaveBeenCalledTimes(1)
    expect(screen.queryByText(/the worker ended/)).toBeNull()
  })

  it('is a step the plan does not take: why is said, and the plan stays as it was', async () => {
    const { desk, plan, show } = onTheDesk()
    show(<Notices />)
    const before = plan()
    await settled(() =>
      desk.applyStep({ id: 'stale', changes: [{ row: crown, from: 'magnifier', to: 'record' }] }),
    )
    expect(plan()).toBe(before)
    expect(screen.getByRole('alert').textContent).toContain(desk.getView().refusal?.message ?? 'no refusal')
  })
})
