// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import userEvent, { type UserEvent } from '@testing-library/user-event'
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { rowNamed } from '@tests/fixtures/rows'
import { heron } from '@tests/fixtures/heron'
import { describe, expect, it } from 'vitest'
import { parsePlan } from '@/core/plan/plan'
import { must } from '@/core/result'
import { BanksStation } from './banks-station'

const withBank = must(
  parsePlan(heron, {
    'base/movie.frameRate': '25p',
    'base/exposure.shutter@motion': '1/50',
    'bank/dial/ebb/side': 'motion',
    'bank/dial/ebb/name': 'Interviews',
  }),
)

async function station() {
  const on = onTheDesk(withBank)
  on.show(<BanksStation />)
  await settled()
  return { ...on, user: userEvent.setup() }
}

const row = (name: RegExp) => screen.getByRole('row', { name })
const field = (name: string) => screen.getByRole<HTMLSelectElement>('combobox', { name })

/** Comes to a field with the pointer, and chooses there. */
async function choose(user: UserEvent, of: HTMLSelectElement, value: string) {
  await user.hover(of)
  await user.selectOptions(of, value)
}

describe('the banks side by side', () => {
  it('are being compared at first, and then stand there with what each asks for', async () => {
    const on = onTheDesk(withBank)
    on.show(<BanksStation />)
    expect(screen.getByText(/are being compared/)).toBeDefined()
    await settled()
    expect(screen.queryByText(/are being compared/)).toBeNull()
    expect(screen.getByRole('columnheader', { name: /Interviews/ })).toBeDefined()
    expect(row(/^Shutter speed for the frame rate/).textContent).toContain('1/50')
  })

  it('say what no bank holds, however few rows matter, and list it when that is unfolded', async () => {
    const { user } = await station()
    const outside = within(row(/^Not stored in banks/))
    expect(outside.queryAllByRole('listitem')).toEqual([])
    await user.click(outside.getByText(/^\d+ settings$/))
    expect(outside.getAllByRole('listitem').length).toBeGreaterThan(3)
  })

  it('show a value that is chosen at once, and what comes of it a moment later', async () => {
    const { plan, user } = await station()
    const before = row(/^Shutter speed for the frame rate/).textContent
    await choose(user, field('Frame rate in Interviews'), '100p')
    expect(field('Frame rate in Interviews').selectedOptions[0]?.text).toBe('100p')
    expect(plan().rows[rowNamed('bank/dial/ebb/movie.frameRate')]).toBe('100p')
    await settled()
    expect(row(/^Shutter speed for the frame rate/).textContent).not.toBe(before)
    expect(row(/^Shutter speed for the frame rate/).textContent).toContain('1/200')
  })

  it('tell of a cell where its value comes from, and take it back to base', async () => {
    const { plan, user } = await station()
    await choose(user, field('Frame rate in Interviews'), '100p')
    await settled()
    const cell = screen.getByRole('region', { name: 'Frame rate in Interviews' })
    expect(within(cell).getByText('base:', { exact: false }).textContent).toContain('25p')
    expect(within(cell).getByText('bank:', { exact: false }).textContent).toContain('100p')
    await user.click(within(cell).getByRole('button', { name: 'Put back to base' }))
    expect(rowNamed('bank/dial/ebb/movie.frameRate') in plan().rows).toBe(false)
  })

  it('are asked whether they follow, when base changes under them', async () => {
    const { plan, user } = await station()
    await choose(user, field('Frame rate in base, motion'), '50p')
    const asked = await screen.findByRole('alertdialog', { name: 'Should the banks follow?' })
    expect(plan().rows[rowNamed('base/movie.frameRate')]).toBe('25p')
    await user.click(within(asked).getByLabelText('Interviews follows'))
    await user.click(within(asked).getByRole('button', { name: /^Change base/ }))
    expect(plan().rows).toMatchObject({
      'base/movie.frameRate': '50p',
      'bank/dial/ebb/movie.frameRate': '25p',
    })
  })

  it('count and list the findings they own', async () => {
    const { user } = await station()
    await choose(user, field('Frame rate in Interviews'), '100p')
    await settled()
    await user.click(screen.getByRole('tab', { name: 'Problems' }))
    expect(screen.getAllByRole('button', { name: 'It is meant so' }).length).toBeGreaterThan(0)
  })
})
