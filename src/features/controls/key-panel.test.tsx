// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { describe, expect, it, vi } from 'vitest'
import { KeyPanel } from './key-panel'
import { keyRow } from '@/core/plan/rows'

const crown = 'stills/crown-key/press'

function panel(key = crown) {
  const on = onTheDesk()
  const acts = { onPut: vi.fn(), onPick: vi.fn(), onSwap: vi.fn(), onClose: vi.fn() }
  on.show(<KeyPanel addressKey={key} outcome={null} {...acts} />)
  return { ...on, acts }
}

describe('the panel of a key', () => {
  it('shows what is on it at once, and how that stands and what else it takes a moment later', async () => {
    panel()
    expect(screen.getByText('Playback')).toBeDefined()
    expect(screen.queryByText(/^Works in/)).toBeNull()
    await waitFor(() => {
      expect(document.activeElement).toBe(screen.getByRole('combobox', { name: /^Instead/ }))
    })
    expect(screen.getAllByRole('option').length).toBeGreaterThan(5)
    // Whoever presses Enter at once does not empty the key.
    expect(screen.getAllByRole('option')[0]?.textContent).not.toMatch(/^Nothing/)
    await settled()
    expect(screen.getByText(/^Works in \d of \d banks and lenses/)).toBeDefined()
    expect(screen.getAllByRole('option').length).toBeGreaterThan(5)
    expect(screen.queryByRole('option', { name: /^Playback/ })).toBeNull()
  })

  it('puts a function there by typing and Enter, leaves it empty, swaps, closes', async () => {
    const { acts } = panel()
    await settled()
    const user = userEvent.setup()
    await user.type(screen.getByRole('combobox', { name: /^Instead/ }), 'magnif{Enter}')
    expect(acts.onPut).toHaveBeenLastCalledWith(crown, 'magnifier')
    await user.click(screen.getByRole('button', { name: 'Leave it empty' }))
    expect(acts.onPut).toHaveBeenLastCalledWith(crown, 'nothing')
    await user.click(screen.getByRole('button', { name: 'Swap with another key' }))
    await user.click(screen.getByRole('button', { name: 'Close' }))
    expect([acts.onSwap.mock.calls.length, acts.onClose.mock.calls.length]).toEqual([1, 1])
  })

  it('asks why it is empty, and takes it back to as delivered', async () => {
    const { desk, plan } = panel()
    await settled(() => desk.set({ [keyRow({ key: crown })]: 'nothing' }))
    expect(screen.getByPlaceholderText(/^Empty on purpose\?/)).toBeDefined()
    await userEvent.setup().click(screen.getByRole('button', { name: /^Restore as delivered: Playback/ }))
    await settled()
    expect(keyRow({ key: crown }) in plan().rows).toBe(false)
  })

  it('keeps its list in order under the hand while something changes elsewhere', async () => {
    const { desk } = panel()
    await settled()
    const names = () =>
      screen.getAllByRole('option').map((one) => one.querySelector('.font-semibold')?.textContent)
    const before = names()
    const nodes = screen.getAllByRole('option')
    await settled(() => desk.set({ [keyRow({ key: 'stills/thumb-key/press' })]: 'nothing' }))
    expect(names()).toEqual(before)
    expect(screen.getAllByRole('option')).toEqual(nodes)
  })

  it('leads to the figures of what it steers', async () => {
    panel('stills/thumb-dial/turn')
    await settled()
    await waitFor(() => {
      expect(screen.getAllByRole('link').map(({ textContent }) => textContent)).toContain('ISO needed')
    })
  })

  it('goes from gesture to gesture of the same control', async () => {
    const { acts } = panel('stills/thumb-wheel/press')
    await settled()
    await userEvent.setup().click(screen.getByRole('button', { name: 'tilt left' }))
    expect(acts.onPick).toHaveBeenCalledWith('stills/thumb-wheel/tilt-left')
  })

  it('goes on to another key with the same list, and without what was begun about the one before', async () => {
    const on = onTheDesk()
    const acts = { outcome: null, onPut: vi.fn(), onPick: vi.fn(), onSwap: vi.fn(), onClose: vi.fn() }
    const { rerender } = on.show(<KeyPanel addressKey={crown} {...acts} />)
    await settled()
    const list = screen.getByRole('combobox', { name: /^Instead/ })
    const user = userEvent.setup()
    const reason = () => screen.getByPlaceholderText<HTMLInputElement>(/^Your reason/)
    await user.type(reason(), 'begun')
    await user.clear(reason())
    await user.type(list, 'magnif')
    rerender(<KeyPanel addressKey="stills/thumb-key/press" {...acts} />)
    await settled()
    expect(screen.getByRole('combobox', { name: /^Instead/ })).toBe(list)
    expect([(list as HTMLInputElement).value, reason().value]).toEqual(['', ''])
    expect(screen.getAllByRole('option').length).toBeGreaterThan(5)
    await user.type(list, 'magnif{Enter}')
    expect(acts.onPut).toHaveBeenLastCalledWith('stills/thumb-key/press', 'magnifier')
  })

  it('is nothing for a key that this model does not have', () => {
    const { container } = onTheDesk().show(
      <KeyPanel
        addressKey="stills/nowhere/press"
        outcome={null}
        onPut={vi.fn()}
        onPick={vi.fn()}
        onSwap={vi.fn()}
        onClose={vi.fn()}
      />,
    )
    expect(container.textContent).toBe('')
  })
})
