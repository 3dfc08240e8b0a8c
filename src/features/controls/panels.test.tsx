// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { heron } from '@tests/fixtures/heron'
import { lenses } from '@tests/fixtures/models'
import { emptyDesk, onTheDesk, settled, theatrePlan } from '@tests/fixtures/on-the-desk'
import { describe, expect, it, vi } from 'vitest'
import { lookup } from '@/core/model/lookup'
import { functionAt } from '@/core/plan/assign'
import { reachOf, worstNeeds } from '@/core/reach/reach'
import { dialRows } from '@/core/resolve/dials'
import { dialSettings } from '@/core/resolve/dial-settings'
import { CopySide } from './copy-side'
import { DialsTable } from './dials-table'
import { ReachPanel } from './reach-panel'

describe('the reach beside the plate', () => {
  it('lists what costs most with the change that helps most, which is taken and gone to', async () => {
    const { show, plan } = onTheDesk()
    const go = vi.fn()
    show(<ReachPanel onGo={go} />)
    expect(screen.getByRole('status').textContent).toContain('is being reckoned')
    await settled()
    const worst = worstNeeds(reachOf(heron, theatrePlan, lenses))
    const [list] = screen.getAllByRole('list')
    expect(list && within(list).getAllByRole('listitem')).toHaveLength(worst.length)
    const first = worst.find(({ step }) => step !== null)
    if (!first?.step) throw new Error('a plan of the theatre can be made quicker')
    const [button] = screen.getAllByRole('button', {
      name: (name) => name.startsWith(`${first.words}: saves`),
    })
    if (!button) throw new Error('the change is offered')
    await userEvent.setup().click(button)
    const [change] = first.step.changes
    expect(change && plan().rows[change.row]).toBe(change?.to)
    expect(go).toHaveBeenCalledTimes(1)
    await settled()
    expect(reachOf(heron, plan(), lenses).seconds).toBeLessThan(reachOf(heron, theatrePlan, lenses).seconds)
  })

  it('says what to do where nothing is needed yet', async () => {
    emptyDesk().show(<ReachPanel onGo={vi.fn()} />)
    await settled()
    expect(screen.getByText(/Nothing is needed yet/)).toBeDefined()
  })
})

describe('the dials beside the plate', () => {
  it('say of every dial of the side what a turn does, and lead to it', async () => {
    const { show } = onTheDesk()
    const go = vi.fn()
    show(<DialsTable selected={null} onGo={go} />)
    await settled()
    const dials = dialRows(heron, theatrePlan, lenses, 'stills')
    expect(dials.length).toBeGreaterThan(1)
    for (const { control } of dials)
      expect(screen.getByRole('rowheader', { name: new RegExp(`^${control.name}`) })).toBeDefined()
    const [dial] = dials.filter(({ rows }) => rows.some(({ fn }) => fn))
    const row = dial?.rows.find(({ fn }) => fn)
    const button = screen.getAllByRole('button', { name: new RegExp(row?.fn?.name ?? '') })[0]
    if (!button) throw new Error('the dial has a button')
    await userEvent.setup().click(button)
    expect(go).toHaveBeenCalledTimes(1)
  })

  it('take how they turn, and go back to what was delivered', async () => {
    const setting = dialSettings(heron).find(
      ({ domain }) => domain.kind === 'toggle' || domain.kind === 'choice',
    )
    if (!setting) return expect(dialSettings(heron)).toEqual([])
    const { show, plan } = onTheDesk()
    show(<DialsTable selected={null} onGo={vi.fn()} />)
    await settled()
    const field = screen.getByLabelText<HTMLSelectElement>(new RegExp(`^${setting.label}`))
    const delivered = field.value
    const other = [...field.options].find((one) => one.value !== delivered)
    const user = userEvent.setup()
    const before = Object.keys(plan().rows).length
    await user.selectOptions(field, other?.value ?? '')
    expect(Object.keys(plan().rows)).toHaveLength(before + 1)
    await user.selectOptions(field, delivered)
    expect(Object.keys(plan().rows)).toHaveLength(before)
  })
})

describe('copying one side to the other', () => {
  it('is one step, says how many keys changed and which could not follow', async () => {
    const { show, plan, desk } = onTheDesk()
    show(<CopySide />)
    await userEvent.setup().click(screen.getByRole('button', { name: 'Copy the keys of stills to motion' }))
    await screen.findByText(/keys of motion changed/)
    const [stills, motion] = ['stills/thumb-key/press', 'motion/thumb-key/press'].map((key) => {
      const address = lookup(heron).addresses.get(key)
      return address && functionAt(plan(), address)
    })
    expect(motion).toBe(stills)
    expect(desk.getView().log).toHaveLength(1)
  })
})
