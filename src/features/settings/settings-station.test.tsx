// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { emptyDesk, settled } from '@tests/fixtures/on-the-desk'
import { bag, inventoryOf } from '@tests/fixtures/inventories'
import { rowNamed } from '@tests/fixtures/rows'
import { describe, expect, it } from 'vitest'
import { SettingsStation } from './settings-station'

// What jsdom does not do: the window scrolls.
Object.defineProperty(document.documentElement, 'scrollHeight', { configurable: true, value: 20_000 })
window.scrollTo = ((to: ScrollToOptions) => {
  Object.defineProperty(window, 'scrollY', { configurable: true, value: to.top ?? 0 })
  window.dispatchEvent(new Event('scroll'))
}) as typeof window.scrollTo

async function opened() {
  window.scrollTo({ top: 0 })
  const on = emptyDesk()
  on.show(<SettingsStation />)
  await settled()
  const line = (id: string) => {
    const found = document.querySelector<HTMLElement>(`[data-line="${id}"]`)
    if (!found) throw new Error(`${id} is not in the list`)
    return found
  }
  const rows = () => on.plan().rows as Record<string, unknown>
  return { ...on, user: userEvent.setup(), line, rows }
}

/** Narrows the list to what a word finds. */
async function found(user: ReturnType<typeof userEvent.setup>, words: string) {
  await user.clear(screen.getByRole('searchbox'))
  await user.type(screen.getByRole('searchbox'), words)
  await settled()
}

describe('the pass through the menu', () => {
  it('says of a line that it is left, or not in the work, goes on to the next, and counts what is left', async () => {
    const { user, line, rows } = await opened()
    await user.click(line('exposure.mode'))
    expect(line('exposure.mode').getAttribute('aria-current')).toBe('true')
    await user.keyboard('l')
    expect(rows()['line/exposure.mode']).toBe('left')
    expect(line('exposure.shutter').getAttribute('aria-current')).toBe('true')
    await user.keyboard('n')
    expect(rows()['line/exposure.shutter']).toBe('not-mine')
    expect(screen.getByRole('progressbar', { name: 'Lines looked at' }).getAttribute('aria-valuenow')).toBe(
      '2',
    )
    await user.keyboard('{ArrowUp}u')
    expect(rows()['line/exposure.shutter']).toBeUndefined()
  })

  it('says it of all that is left on a page, in one step that is undone at once', async () => {
    const { user, rows, desk } = await opened()
    await user.click(screen.getByRole('button', { name: 'Not in my work, Exposure' }))
    const said = Object.entries(rows()).filter(([, value]) => value === 'not-mine')
    expect(said.length).toBeGreaterThan(5)
    expect(desk.getView().log).toHaveLength(1)
    await settled(() => desk.undo())
    expect(rows()).toEqual({})
  })

  it('keeps the hand on its line where one before it comes back into the list', async () => {
    const { user, line, desk } = await opened()
    await user.click(screen.getByRole('button', { name: /^not looked at, / }))
    await user.click(line('exposure.mode'))
    await user.keyboard('n')
    expect(document.querySelector('[data-line="exposure.mode"]')).toBeNull()
    await settled()
    expect(document.activeElement).toBe(line('exposure.shutter'))
    await settled(() => desk.undo())
    expect(line('exposure.mode').getAttribute('aria-current')).toBeNull()
    expect(document.activeElement).toBe(line('exposure.shutter'))
  })

  it('goes to the next line nobody has looked at, past those somebody has', async () => {
    const { user, line, desk } = await opened()
    await settled(() => desk.set({ [rowNamed('line/exposure.mode')]: 'left' }))
    await user.click(screen.getByRole('button', { name: 'Next not looked at' }))
    expect(line('exposure.shutter').getAttribute('aria-current')).toBe('true')
  })
})

describe('a line in hand', () => {
  it('takes a value typed as photographers write it, and goes back to the list', async () => {
    const { user, line, rows } = await opened()
    await user.click(line('exposure.aperture'))
    await user.keyboard('{Enter}')
    // What values are typed in comes with the first line that is taken.
    await waitFor(() => expect(document.activeElement?.getAttribute('aria-label')).toBe('Aperture, stills'))
    await user.keyboard('5.6{Enter}')
    expect(rows()['base/exposure.aperture@stills']).toBe('f/5.6')
    expect(document.activeElement).toBe(line('exposure.aperture'))
    expect(line('exposure.aperture').textContent).toMatch(/f\/5\.6.*changed/)
  })

  it('takes another value for one body, by what its owner calls it, and goes back to the plan’s', async () => {
    const { user, line, rows, desk } = await opened()
    await settled(() => desk.equip(inventoryOf(bag)))
    await found(user, 'assist lamp')
    await user.click(line('focus.lamp'))
    await settled()
    expect(screen.queryByLabelText(/on Heron B/)).toBeNull()
    await user.click(screen.getByRole('button', { name: 'Different on Heron B' }))
    const field = screen.getByLabelText(/, on Heron B$/)
    await user.type(field, 'off{Enter}')
    await settled()
    expect(rows()['body/heron-b/base/focus.lamp']).toBe(false)
    expect(rows()['base/focus.lamp']).toBeUndefined()
    await settled(() => desk.undo())
    expect(rows()['body/heron-b/base/focus.lamp']).toBeUndefined()
  })

  it('refuses a value that is out of range, saying what would do, and keeps nothing of it', async () => {
    const { user, line, rows } = await opened()
    await user.click(line('exposure.aperture'))
    await user.type(screen.getByLabelText('Aperture, stills'), 'f/99{Enter}')
    expect(screen.getByRole('alert').textContent).toMatch(/f\/99/)
    await user.tab()
    expect(screen.getByRole('alert').textContent).toMatch(/f\/99/)
    expect(rows()).toEqual({})
    await user.type(screen.getByLabelText('Aperture, stills'), '{Escape}')
    expect(screen.queryByRole('alert')).toBeNull()
  })

  it('says at once why a value does nothing, and mends it by what enables it', async () => {
    const { user, line, rows } = await opened()
    await user.click(line('exposure.iso'))
    await user.type(screen.getByLabelText('ISO, stills'), '800{Enter}')
    await settled()
    await settled()
    const panel = screen.getByRole('region', { name: 'ISO' })
    expect(within(panel).getAllByText(/Auto ISO is on/).length).toBeGreaterThan(0)
    await user.click(within(panel).getByRole('button', { name: 'Set Auto ISO to off' }))
    expect(rows()['base/exposure.isoAuto@stills']).toBe(false)
  })

  it('keeps a reason, how sure and how early beside what is planned', async () => {
    const { user, line, rows } = await opened()
    await found(user, 'assist lamp')
    await user.click(line('focus.lamp'))
    await user.click(screen.getByRole('combobox', { name: 'AF assist lamp' }))
    await user.click(screen.getByRole('option', { name: 'off' }))
    await user.type(screen.getByLabelText('Why'), 'It gives us away')
    await user.selectOptions(screen.getByLabelText('How sure'), 'tested')
    await user.selectOptions(screen.getByLabelText('How early'), 'the first four')
    expect(rows()).toMatchObject({
      'base/focus.lamp': false,
      'why/base/focus.lamp': 'It gives us away',
      'sure/base/focus.lamp': 'tested',
      'priority/base/focus.lamp': 'first-four',
    })
  })

  it('that is an act has its warning and no value, and can be spoken about', async () => {
    const { user, rows } = await opened()
    await found(user, 'format')
    const act = screen.getAllByRole('button', { name: /· act/ })[0]
    if (!act) throw new Error('formatting is an act of the menu')
    await user.click(act)
    const panel = screen.getByRole('region', { name: /format/i })
    expect(panel.querySelector('[data-cell]')).toBeNull()
    await user.click(within(panel).getByRole('radio', { name: /^Left as delivered/ }))
    expect(Object.values(rows())).toEqual(['left'])
  })
})

describe('finding a line', () => {
  it('goes by any wording, then by state, and says where nothing is found', async () => {
    const { user } = await opened()
    await found(user, 'shake reduction')
    expect(document.querySelector('[data-line="stabiliser.mode"]')).not.toBeNull()
    await user.click(screen.getByRole('button', { name: /^changed/ }))
    expect(screen.getByText(/No line is like that/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Show all lines' }))
    expect(document.querySelector('[data-line="exposure.mode"]')).not.toBeNull()
  })

  it('goes by subject, with what is decided there', async () => {
    const { user } = await opened()
    await user.selectOptions(screen.getByLabelText('Subject'), 'Sound')
    const asked = await screen.findByRole('region', { name: 'Sound' })
    expect(asked.textContent).toMatch(/Level, limiter, filters/)
    const shown = [...document.querySelectorAll<HTMLElement>('[data-line]')].map((one) => one.dataset.line)
    expect(shown.length).toBeGreaterThan(3)
    expect(shown.every((id) => id?.startsWith('audio.'))).toBe(true)
  })

  it('asks there what owners answer differently, and what an answer still wants done', async () => {
    const { user, rows } = await opened()
    await user.selectOptions(screen.getByLabelText('Subject'), 'Display pages')
    const asked = await screen.findByRole('region', { name: 'Display pages' })
    await user.click(within(asked).getByText('Is each picture shown after it is taken?'))
    await user.click(within(asked).getByRole('radio', { name: /^Not shown\./ }))
    expect(rows()['school/review']).toBe('off')
    await settled()
    await user.click(await within(asked).findByRole('button', { name: /^Set Off/i }))
    expect(Object.entries(rows())).toContainEqual(['base/display.review', 'off'])
  })

  it('leads from the place behind the # of the address to the line', async () => {
    const { line } = await opened()
    window.location.hash = '#base/focus.lamp'
    fireEvent(window, new HashChangeEvent('hashchange'))
    await settled()
    expect(line('focus.lamp').getAttribute('aria-current')).toBe('true')
    window.location.hash = ''
  })
})
