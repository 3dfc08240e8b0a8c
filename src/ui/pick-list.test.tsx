// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { ComponentProps } from 'react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { PickList } from './pick-list'

// Only what is in view is drawn, and nothing has a height here unless it is given one.
beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  )
  vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(400)
})
afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const fruits = ['Apple', 'Pear', 'Quince', 'Wild apple']

/** A list of fruits, with what a test has in particular. */
function Fruits(particular: Partial<ComponentProps<typeof PickList<string>>>) {
  return (
    <PickList
      label="Fruit"
      list="Fruits"
      placeholder="type"
      items={fruits}
      idOf={(one) => one}
      textOf={(one) => one}
      onPick={vi.fn()}
      nothing={(typed) => `No ${typed}.`}
      option={(one) => one}
      {...particular}
    />
  )
}

function list(onPick = vi.fn<(one: string) => void>(), onType = vi.fn<(typed: string) => void>()) {
  render(
    <>
      <input aria-label="elsewhere" />
      <Fruits onPick={onPick} onType={onType} />
    </>,
  )
  return { onPick, onType, field: screen.getByRole('combobox') }
}

const options = () => screen.getAllByRole('option').map((one) => one.textContent)

describe('a list to pick from', () => {
  it('begins anew where it is about something else: all of it, from the top, nothing typed, the hand in its field', async () => {
    const { rerender } = render(<Fruits about="breakfast" />)
    const field = screen.getByRole<HTMLInputElement>('combobox')
    await userEvent.setup().type(field, 'apple')
    expect(options()).toEqual(['Apple', 'Wild apple'])
    screen.getByRole('listbox').scrollTop = 30
    field.blur()
    rerender(<Fruits about="supper" />)
    await waitFor(() => expect(document.activeElement).toBe(field))
    expect([field.value, options(), screen.getByRole('listbox').scrollTop]).toEqual(['', fruits, 0])
    expect(screen.getByRole('combobox')).toBe(field)
  })

  it('is searched by every word typed, whatever its case, and Enter picks the first', async () => {
    const { onPick, onType, field } = list()
    const user = userEvent.setup()
    await user.type(field, 'APP wi')
    expect(options()).toEqual(['Wild apple'])
    expect(onType).toHaveBeenLastCalledWith('APP wi')
    await user.keyboard('{Enter}')
    expect(onPick).toHaveBeenCalledWith('Wild apple')
  })

  it('is gone through with the arrows and no further than its ends', async () => {
    const { onPick } = list()
    const user = userEvent.setup()
    await user.keyboard('{ArrowDown}{ArrowUp}{ArrowDown}{ArrowDown}{Enter}')
    expect(onPick).toHaveBeenLastCalledWith('Quince')
    await user.keyboard('{ArrowDown}{ArrowDown}{ArrowDown}{ArrowDown}{ArrowDown}{Enter}')
    expect(onPick).toHaveBeenLastCalledWith('Wild apple')
  })

  it('has nothing in hand until it is gone through or typed in: a second Enter picks nothing', async () => {
    const { onPick } = list()
    const user = userEvent.setup()
    await user.keyboard('{Enter}')
    expect(onPick).not.toHaveBeenCalled()
    await user.keyboard('{ArrowUp}{Enter}')
    expect(onPick).toHaveBeenLastCalledWith('Wild apple')
  })

  it('is picked from by a click, and let alone by a press that drags, and by Tab', async () => {
    const { onPick, field } = list()
    const user = userEvent.setup()
    const quince = screen.getByRole('option', { name: 'Quince' })
    await user.pointer({ keys: '[MouseLeft>]', target: quince })
    expect(onPick).not.toHaveBeenCalled()
    await user.pointer('[/MouseLeft]')
    expect(onPick).toHaveBeenCalledExactlyOnceWith('Quince')
    await user.type(field, 'pear')
    await user.tab()
    expect(onPick).toHaveBeenCalledTimes(1)
    expect(document.activeElement).not.toBe(field)
  })

  it('says what is not there, and Enter then picks nothing', async () => {
    const { onPick, field } = list()
    const user = userEvent.setup()
    await user.type(field, 'medlar')
    expect(screen.getByText('No medlar.')).toBeDefined()
    await user.keyboard('{Enter}')
    expect(onPick).not.toHaveBeenCalled()
  })

  it('takes the cursor when it comes, and leaves it where somebody is typing by then', async () => {
    expect(document.activeElement).toBe(document.body)
    const { field } = list()
    await waitFor(() => expect(document.activeElement).toBe(field))
    cleanup()
    render(<input aria-label="being typed in" />)
    screen.getByLabelText('being typed in').focus()
    list()
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)))
    expect(document.activeElement).toBe(screen.getByLabelText('being typed in'))
  })
})

describe('a list whose parts say something else', () => {
  it('says it without drawing the list anew, and picks by what it says then', async () => {
    const drawn = vi.fn()
    const shown = (prices: Record<string, number>, onPick: (one: string) => void) => (
      <Fruits
        onPick={(one) => onPick(`${one} ${prices[one]}`)}
        // Asked for each part as it is drawn.
        dragOf={(one) => {
          drawn(one)
          return one
        }}
        option={(one) => `${one} ${prices[one]}`}
      />
    )
    const prices = { Apple: 1, Pear: 2, Quince: 3, 'Wild apple': 4 }
    const picked = vi.fn<(one: string) => void>()
    const { rerender } = render(shown(prices, vi.fn()))
    const before = drawn.mock.calls.length
    expect(before).toBeGreaterThan(0)
    rerender(shown({ ...prices, Pear: 7 }, picked))
    expect(options()).toEqual(['Apple 1', 'Pear 7', 'Quince 3', 'Wild apple 4'])
    expect(drawn.mock.calls).toHaveLength(before)
    await userEvent.setup().click(screen.getByText('Pear 7'))
    expect(picked).toHaveBeenCalledExactlyOnceWith('Pear 7')
  })
})

describe('a list of settings', () => {
  const settings = (onPick = vi.fn<(id: string) => void>()) => {
    render(
      <PickList
        label="Setting"
        list="Settings"
        placeholder="type"
        items={['assist.zebra', 'exposure.iso', 'focus.peaking']}
        idOf={(id) => id}
        textOf={(id) => id}
        meansOf={(id) => ({ kind: 'setting', id })}
        onPick={onPick}
        nothing={(typed) => `No ${typed}.`}
        option={(id) => id}
      />,
    )
    return onPick
  }

  // The first of these: other wordings are fetched once.
  it('takes Enter that comes before the other wordings do, unless something else is typed meanwhile', async () => {
    const onPick = settings()
    const field = screen.getByRole('combobox')
    fireEvent.change(field, { target: { value: 'edge highlighting' } })
    fireEvent.keyDown(field, { key: 'Enter' })
    expect(screen.getByText('Looking…')).toBeDefined()
    fireEvent.change(field, { target: { value: 'overexposure stripes' } })
    expect(onPick).not.toHaveBeenCalled()
    fireEvent.keyDown(field, { key: 'Enter' })
    await vi.waitFor(() => expect(onPick).toHaveBeenCalledExactlyOnceWith('assist.zebra'))
    fireEvent.change(field, { target: { value: 'edge highlighting' } })
    expect(onPick).toHaveBeenCalledTimes(1)
  })

  it('is searched by other wordings, too, and says what the part in hand is', async () => {
    const user = userEvent.setup()
    settings()
    await user.type(screen.getByRole('combobox'), 'edge highlighting')
    await vi.waitFor(() => expect(options()).toEqual(['focus.peaking']))
    await screen.findByText('Colours the edges in focus while you focus by hand.', { exact: false })
    await user.clear(screen.getByRole('combobox'))
    await user.type(screen.getByRole('combobox'), 'kettle')
    expect(screen.getByText('No kettle.')).toBeTruthy()
  })
})
