// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { emptyDesk, onTheDesk, settled, theatrePlan } from '@tests/fixtures/on-the-desk'
import { heron } from '@tests/fixtures/heron'
import { lenses } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { describe, expect, it, vi } from 'vitest'
import { adviceOn } from '@/core/checks/checks'
import { endGuide, guidedPast, guideThrough } from '@/ui/guide'
import { FindingCard } from './finding-card'
import { PlanBar } from './plan-bar'
import { findingsAt, stations } from './stations'
import { acceptRow } from '@/core/plan/rows'

vi.mock('next/navigation', () => ({
  usePathname: () => '/plans/p/controls',
  useRouter: () => ({ push: vi.fn(), refresh: vi.fn() }),
}))

const stationLink = (name: string) => screen.getByRole('link', { name: new RegExp(`^${name}`) })

describe('the head of every station', () => {
  it('claims nothing of a station before its findings are known, and then counts those it owns', async () => {
    const { show } = onTheDesk()
    show(<PlanBar />)
    expect(stationLink('Controls').textContent).toContain('…')
    await settled()
    const findings = adviceOn(heron, theatrePlan, lenses)
    for (const { path, name } of stations.filter((one) =>
      ['controls', 'focus', 'menus', 'banks'].includes(one.path),
    )) {
      const mine = findings.filter((one) => one.station === path)
      const problems = mine.filter((one) => one.severity !== 'tidies').length
      const said = problems > 0 ? `${problems} problem` : /untouched|no problems/
      expect(stationLink(name).textContent).toMatch(said)
    }
  })

  it('says that a station is not checked where nobody said what is shot', async () => {
    const { desk, show } = emptyDesk()
    show(<PlanBar />)
    await settled(() => desk.set({ [rowNamed('base/display.review')]: 'off' }))
    await settled()
    expect(stationLink('Settings').textContent).toContain('not checked')
    await settled(() => desk.set({ [rowNamed('situation/one/movement')]: 'still' }))
    await settled()
    expect(stationLink('Settings').textContent).toContain('no problems')
  })

  it('takes steps back and brings them again, by button and by keyboard', async () => {
    const { desk, plan, show } = onTheDesk()
    show(<PlanBar />)
    const user = userEvent.setup()
    expect(screen.getByRole('button', { name: /^Undo/ }).hasAttribute('disabled')).toBe(true)
    await settled(() => desk.set({ [rowNamed('title')]: 'Once' }))
    await user.click(screen.getByRole('button', { name: /^Undo/ }))
    expect(plan().rows[rowNamed('title')]).toBeUndefined()
    await user.keyboard('{Control>}{Shift>}z{/Shift}{/Control}')
    expect(plan().rows[rowNamed('title')]).toBe('Once')
    await user.keyboard('{Control>}z{/Control}')
    expect(plan().rows[rowNamed('title')]).toBeUndefined()
  })

  it('says what it undid, and offers it again', async () => {
    const { desk, plan, show } = onTheDesk()
    show(<PlanBar />)
    const user = userEvent.setup()
    await settled(() => desk.set({ [rowNamed('title')]: 'Once' }))
    await user.keyboard('{Control>}z{/Control}')
    expect(screen.getByText(/^Undone:/).parentElement?.textContent).toBe('Undone: Title: none → Once')
    await user.click(screen.getByRole('button', { name: 'Redo' }))
    expect(plan().rows[rowNamed('title')]).toBe('Once')
    expect(screen.getByText(/^Redone:/)).toBeDefined()
  })

  it('undoes from a field with nothing in it, and leaves a field its own undo while something is', async () => {
    const { desk, plan, show } = onTheDesk()
    show(
      <>
        <PlanBar />
        <input aria-label="search" />
      </>,
    )
    const user = userEvent.setup()
    await settled(() => desk.set({ [rowNamed('title')]: 'Once' }))
    await user.type(screen.getByLabelText('search'), 'iso{Control>}z{/Control}')
    expect(plan().rows[rowNamed('title')]).toBe('Once')
    await user.clear(screen.getByLabelText('search'))
    await user.keyboard('{Control>}z{/Control}')
    expect(plan().rows[rowNamed('title')]).toBeUndefined()
  })

  it('says once what each station is for, to whoever has just started the plan', () => {
    const { desk, show } = onTheDesk()
    guideThrough(desk.start.planId)
    const first = show(<PlanBar />)
    expect(screen.getByLabelText('What this is for').textContent).toMatch(/^Controls\. What every key/)
    expect(screen.getByRole('link', { name: 'Next: Focus' })).toBeDefined()
    first.unmount()
    onTheDesk().show(<PlanBar />)
    expect(screen.queryByLabelText('What this is for')).toBeNull()
    endGuide(desk.start.planId)
    expect(guidedPast(desk.start.planId)).toBeNull()
  })

  it('turns the station to the other side', async () => {
    const { desk, show } = onTheDesk()
    show(<PlanBar />)
    await userEvent.setup().click(screen.getByRole('radio', { name: 'Motion' }))
    expect(desk.getView().side).toBe('motion')
  })
})

describe('a finding', () => {
  const [tidy] = adviceOn(heron, theatrePlan, lenses).filter((one) => one.severity !== 'blocks')
  const [mended] = adviceOn(heron, theatrePlan, lenses).filter((one) => one.mends.length > 0)

  it('is at home in one station of the route', () => {
    const findings = adviceOn(heron, theatrePlan, lenses)
    const counted = stations.flatMap(({ path }) =>
      findingsAt(findings, path as Parameters<typeof findingsAt>[1]).map((one) => one),
    )
    expect(new Set(counted).size).toBe(findings.length)
    expect(counted).toHaveLength(findings.length)
  })

  it('is mended by the step of its button', async () => {
    if (!mended?.mends[0]) throw new Error('a finding of the theatre has a mend')
    const { plan, show } = onTheDesk()
    show(<FindingCard finding={mended} />)
    await userEvent.setup().click(screen.getByRole('button', { name: mended.mends[0].label }))
    for (const { row, to } of mended.mends[0].step.changes) expect(plan().rows[row] ?? null).toEqual(to)
  })

  it('is accepted with a reason, and not without', async () => {
    if (!tidy) throw new Error('the theatre has a finding')
    const { plan, show } = onTheDesk()
    show(<FindingCard finding={tidy} />)
    const user = userEvent.setup()
    await user.click(screen.getByRole('button', { name: 'It is meant so' }))
    await user.click(screen.getByRole('button', { name: 'Keep' }))
    expect(plan().rows).toBe(theatrePlan.rows)
    await user.type(screen.getByLabelText('Why it is meant so'), 'For the left hand.')
    await user.click(screen.getByRole('button', { name: 'Keep' }))
    expect(plan().rows[acceptRow(tidy.check, tidy.row)]).toBe('For the left hand.')
  })
})
