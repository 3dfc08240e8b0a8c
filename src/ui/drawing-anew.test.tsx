// @vitest-environment jsdom
import { act, cleanup, render, renderHook, screen } from '@testing-library/react'
import { memo } from 'react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { later } from './later'
import { useGradually } from './use-gradually'
import { useShared } from './use-shared'
import { useStable } from './use-stable'

afterEach(cleanup)

describe('a value that is shared', () => {
  it('stays the same object while it says the same, and keeps the parts that do', () => {
    const first = { rows: [{ id: 'a' }, { id: 'b' }], title: 'Act one' }
    const { result, rerender } = renderHook(useShared<typeof first>, { initialProps: first })
    rerender(structuredClone(first))
    expect(result.current).toBe(first)
    rerender({ rows: [{ id: 'a' }, { id: 'c' }], title: 'Act one' })
    expect(result.current).toEqual({ rows: [{ id: 'a' }, { id: 'c' }], title: 'Act one' })
    expect(result.current.rows[0]).toBe(first.rows[0])
    expect(result.current.rows[1]).not.toBe(first.rows[1])
  })

  it('lets a part that is drawn from it alone', () => {
    const drawn = vi.fn()
    const Part = memo(function Part({ of }: { of: { id: string } }) {
      drawn(of.id)
      return null
    })
    function Whole({ ids }: { ids: readonly string[] }) {
      return useShared(ids.map((id) => ({ id }))).map((of) => <Part key={of.id} of={of} />)
    }
    const { rerender } = render(<Whole ids={['a', 'b']} />)
    rerender(<Whole ids={['a', 'b']} />)
    rerender(<Whole ids={['a', 'b', 'c']} />)
    expect(drawn.mock.calls.flat()).toEqual(['a', 'b', 'c'])
  })
})

describe('a function for good', () => {
  it('is one and the same, and does what the one drawn last would', () => {
    const { result, rerender } = renderHook(({ by }) => useStable((n: number) => n * by), {
      initialProps: { by: 2 },
    })
    const first = result.current
    expect(first(3)).toBe(6)
    rerender({ by: 5 })
    expect(result.current).toBe(first)
    expect(first(3)).toBe(15)
  })
})

describe('a long page', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  const settle = () => act(() => vi.advanceTimersByTimeAsync(20))

  it('begins with a few of its parts, and comes to all of them by itself', async () => {
    const { result } = renderHook(() => useGradually(4, 1))
    const seen = [result.current]
    for (let i = 0; i < 5; i++) {
      await settle()
      seen.push(result.current)
    }
    expect(seen[0]).toBe(1)
    expect(seen.at(-1)).toBe(4)
    expect([...seen].sort((a, b) => a - b)).toEqual(seen)
  })

  it('comes to those that are added, and never draws more than there are', async () => {
    const { result, rerender } = renderHook(({ count }) => useGradually(count, 1), {
      initialProps: { count: 2 },
    })
    await settle()
    await settle()
    rerender({ count: 3 })
    await settle()
    await settle()
    expect(result.current).toBe(3)
    rerender({ count: 2 })
    expect(result.current).toBe(2)
  })

  it('draws all of a list that is shorter than what it begins with', () => {
    expect(renderHook(() => useGradually(2, 5)).result.current).toBe(2)
  })
})

describe('a part that is loaded later', () => {
  it('leaves its place empty until it is there, and loads once', async () => {
    const load = vi.fn(() => Promise.resolve(({ name }: { name: string }) => <p>{name}</p>))
    const Part = later(load)
    await act(async () => {
      render(
        <>
          <Part name="one" />
          <Part name="two" />
        </>,
      )
      expect(screen.queryByText('one')).toBeNull()
      await Promise.resolve()
    })
    expect(await screen.findByText('one')).toBeDefined()
    expect(await screen.findByText('two')).toBeDefined()
    expect(load).toHaveBeenCalledTimes(1)
  })

  it('is shown at once where it has come before, and is loaded again where it could not be', async () => {
    const load = vi.fn(() => Promise.resolve(({ name }: { name: string }) => <p>{name}</p>))
    load.mockRejectedValueOnce(new Error('the server is away'))
    const Part = later(load)
    await act(() => Promise.resolve(Part.come()))
    await act(() => Promise.resolve(Part.come()))
    render(<Part name="there" />)
    expect(screen.getByText('there')).toBeDefined()
    expect(load).toHaveBeenCalledTimes(2)
  })
})
