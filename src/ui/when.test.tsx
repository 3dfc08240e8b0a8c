// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react'
import { renderToString } from 'react-dom/server'
import { afterEach, describe, expect, it } from 'vitest'
import { momentIn, When } from './when'

afterEach(cleanup)

const at = '2026-11-28T23:30:00.000Z'

describe('a moment', () => {
  it('is written as it is in a zone, also where that is another day', () => {
    expect(momentIn(at, { timeZone: 'UTC', locale: 'en-GB' })).toBe('28 Nov 2026, 23:30')
    expect(momentIn(at, { timeZone: 'Asia/Tokyo', locale: 'en-GB' })).toBe('29 Nov 2026, 08:30')
  })

  it('is drawn by the server in UTC, and then where it is looked at', () => {
    expect(renderToString(<When at={at} />)).toContain('28 Nov 2026, 23:30')
    render(<When at={at} />)
    const shown = screen.getByText(momentIn(at))
    expect(shown.getAttribute('datetime')).toBe(at)
  })
})
