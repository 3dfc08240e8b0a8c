// @vitest-environment jsdom
import { fireEvent, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { emptyDesk, settled } from '@tests/fixtures/on-the-desk'
import { describe, expect, it } from 'vitest'
import { isNeedRow } from '@/core/plan/rows'
import { FoundationStation } from './foundation-station'

async function started() {
  const on = emptyDesk()
  on.show(<FoundationStation />)
  await settled()
  const user = userEvent.setup()
  await user.click(screen.getByRole('button', { name: /^Something else/ }))
  const table = screen.getByRole('region', { name: 'Something else' })
  return { ...on, user, table }
}

const needsIn = (rows: object) => Object.entries(rows).filter(([row]) => isNeedRow(row))

describe('what is shot', () => {
  it('begins with a ready set, whose needs stand there at once and their ways a moment later', async () => {
    const on = emptyDesk()
    on.show(<FoundationStation />)
    await settled()
    const [first] = screen.getAllByRole('button', { name: /\d+ needs$/ })
    if (!first) throw new Error('there is a ready set')
    const count = Number(/(\d+) needs$/.exec(first.textContent ?? '')?.[1])
    fireEvent.click(first)
    expect(needsIn(on.plan().rows)).toHaveLength(count)
    const rows = () => screen.getAllByRole('row').filter((row) => within(row).queryByRole('rowheader'))
    // The most frequent first, the others behind “more”.
    expect(rows()).toHaveLength(12)
    fireEvent.click(screen.getByRole('button', { name: /^More: \d+ that come less often$/ }))
    expect(rows()).toHaveLength(count)
    expect(rows().every((row) => (row.textContent ?? '').includes('…'))).toBe(true)
    await settled()
    expect(rows().some((row) => (row.textContent ?? '').includes('…'))).toBe(false)
    expect(rows().some((row) => /× press|× turn/.test(row.textContent ?? ''))).toBe(true)
    expect(first.hasAttribute('disabled')).toBe(true)
  })

  it('takes a need by its term, and says which it does not know', async () => {
    const { user, table, plan } = await started()
    const field = within(table).getByLabelText('Add an adjustment')
    await user.type(field, 'no such thing{Enter}')
    expect(within(table).getByRole('alert').textContent).toContain('knows no “no such thing”')
    await user.clear(field)
    await user.type(field, 'white balance{Enter}')
    expect(needsIn(plan().rows)).toEqual([['need/own-1/colour.balanceMode', ['6']]])
  })

  it('is said in plain words, and what is not said is named as not checked', async () => {
    const { user, table, plan } = await started()
    expect(table.textContent).toMatch(/not checked: light, lamps, subject, it moves/)
    await user.click(within(table).getByText(/^What is it like there\?/))
    await user.selectOptions(
      within(table).getByRole('combobox', { name: 'It moves', hidden: true }),
      'Running, dancing',
    )
    await user.selectOptions(
      within(table).getByLabelText('Light in plain words'),
      'Dark stage, candles, EV 1 to 4',
    )
    expect(plan().rows).toMatchObject({
      'situation/own-1/movement': 'running',
      'situation/own-1/light': ['1', '4'],
    })
    expect(table.textContent).toMatch(/Running, dancing/)
    expect(table.textContent).toMatch(/At its darkest about f\/2\.8, 1\/8, ISO 3200/)
    expect(table.textContent).not.toMatch(/not checked: light/)
  })

  it('keeps no light outside what there is, and no range upside down', async () => {
    const { user, table, plan } = await started()
    await user.click(within(table).getByText(/^What is it like there\?/))
    const dark = within(table).getByLabelText('Darkest, EV')
    await user.type(dark, '-10{Enter}')
    expect(within(table).getByRole('alert').textContent).toBe('-6 to 18')
    expect(plan().rows).not.toHaveProperty('situation/own-1/light')
    await user.clear(dark)
    await user.type(dark, '7{Enter}')
    await user.clear(within(table).getByLabelText('Brightest, EV'))
    await user.type(within(table).getByLabelText('Brightest, EV'), '4{Enter}')
    expect(plan().rows).toMatchObject({ 'situation/own-1/light': ['4', '7'] })
  })

  it('changes how often a need comes, and what matters about it, each as one step', async () => {
    const { user, table, plan, desk } = await started()
    await user.type(within(table).getByLabelText('Add an adjustment'), 'white balance{Enter}')
    const before = desk.getView().log.length
    await user.selectOptions(within(table).getByLabelText('White balance, how often'), 'very often')
    await user.click(within(table).getByLabelText('White balance, urgent'))
    await user.click(within(table).getByLabelText('White balance, eye at the finder'))
    const [, value] = needsIn(plan().rows)[0] ?? []
    expect(value).toMatchObject({ 1: 'urgent', 2: 'finder' })
    await user.click(within(table).getByLabelText('White balance, urgent'))
    expect(needsIn(plan().rows)[0]?.[1]).toMatchObject({ 1: 'finder' })
    expect(desk.getView().log.length).toBe(before + 4)
  })

  it('goes with all its needs, and comes back by undo', async () => {
    const { user, table, plan, desk } = await started()
    await user.type(within(table).getByLabelText('Add an adjustment'), 'white balance{Enter}')
    await user.click(within(table).getByRole('button', { name: 'Remove, 1 needs' }))
    expect(Object.keys(plan().rows)).toEqual([])
    await settled(() => desk.undo())
    expect(needsIn(plan().rows)).toHaveLength(1)
  })
})
