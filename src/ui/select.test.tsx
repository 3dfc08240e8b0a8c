// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { LongSelect } from './select'

afterEach(cleanup)

const speeds = [
  ['', '(1/50)'],
  ['a', '1/100'],
  ['b', '1/200'],
] as const
const field = () => screen.getByRole<HTMLSelectElement>('combobox', { name: 'Shutter: type' })
const words = () => [...field().options].map((one) => one.text)

function shown() {
  const onPick = vi.fn()
  const options = vi.fn(() => speeds)
  render(<LongSelect label="Shutter: type" value="a" shown="1/100" options={options} onPick={onPick} />)
  return { onPick, options, user: userEvent.setup() }
}

describe('a choice of many', () => {
  it('shows what is chosen, and makes nothing else until a hand comes', () => {
    const { options } = shown()
    expect(words()).toEqual(['1/100'])
    expect(field().value).toBe('a')
    expect(options).not.toHaveBeenCalled()
  })

  it('has everything when the pointer comes over it, the same thing still chosen', async () => {
    const { user } = shown()
    await user.hover(field())
    expect(words()).toEqual(['(1/50)', '1/100', '1/200'])
    expect(field().value).toBe('a')
  })

  it('has everything when the cursor comes to it by Tab, and tells what is picked', async () => {
    const { user, onPick } = shown()
    await user.tab()
    expect(document.activeElement).toBe(field())
    expect(words()).toHaveLength(3)
    await user.selectOptions(field(), '1/200')
    expect(onPick.mock.calls).toEqual([['b']])
  })
})
