// @vitest-environment jsdom
import { act, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { heron } from '@tests/fixtures/heron'
import { onTheDesk, settled, theatrePlan } from '@tests/fixtures/on-the-desk'
import { afterEach, describe, expect, it } from 'vitest'
import { numberTable } from '@/core/numbers/table'
import { parsePlan } from '@/core/plan/plan'
import { isProcedure } from '@/core/procedures/catalogue'
import { must } from '@/core/result'
import { NumbersPage } from './numbers-page'

/** A stage that is darker than what the bank for it reaches, cards that are slow, and film under a measured lamp. */
const stage = must(
  parsePlan(heron, {
    'situation/stage/name': 'Dark rehearsal',
    'situation/stage/side': 'stills',
    'situation/stage/light': ['1', '5'],
    'base/exposure.mode@stills': 'manual',
    'base/exposure.shutter@stills': '1/200',
    'base/exposure.aperture@stills': 'f/2',
    'base/exposure.isoAuto@stills': true,
    'base/exposure.isoAutoCeiling@stills': 'ISO 1600',
    'card/one/size': 64,
    'card/one/rate': 60,
    'owner/lampPulses': 214,
  }),
)

afterEach(() => {
  window.location.hash = ''
})

async function page(hash = '', plan = stage) {
  window.location.hash = hash
  const on = onTheDesk(plan)
  on.show(<NumbersPage />)
  await settled()
  return { ...on, user: userEvent.setup() }
}

const field = (name: string | RegExp) => screen.getByRole<HTMLInputElement>('textbox', { name })
const sheet = (name: string) => within(screen.getByRole('region', { name }))

describe('the page of numbers', () => {
  it('opens with what the situation, the plan and the cards say, each with who says it', async () => {
    await page()
    const figure = sheet('Exposure that results')
    expect(field(/^Light/).value).toBe('EV 1–5')
    expect(figure.getByText('Dark rehearsal')).toBeDefined()
    expect(field(/^Aperture/).value).toBe('f/2')
    expect(field(/^Auto ISO maximum/).value).toBe('ISO 1600')
    expect(screen.getByRole<HTMLSelectElement>('combobox', { name: 'In' }).selectedOptions[0]?.text).toBe(
      'Dark rehearsal',
    )
    // 100 · 2² · 200 / 2 = 40 000, over 1600.
    expect(figure.getByText(/light is short by 4\.64 stops at ISO 1600/)).toBeDefined()
  })

  it('says what nobody has said, and follows a letter as it is typed', async () => {
    const { user } = await page('card-frames')
    const figure = sheet('Pictures on a card')
    expect(field(/^Card/).value).toBe('64 GB')
    expect(figure.getByText('Not known: one picture.')).toBeDefined()
    await user.type(field(/^One picture/), '50 MB')
    expect(figure.queryByText(/Not known/)).toBeNull()
    expect(figure.getByText('1280')).toBeDefined()
    expect(figure.getByText('64 GB · 1000 / (50 MB · (1 − 0 %)) = 1280')).toBeDefined()
  })

  it('says beside the field what is wrong with it, and goes back to what is known', async () => {
    const { user } = await page('film-card?bitrate=280 Mbit/s')
    const write = field(/^Card keeps up/)
    expect(write.value).toBe('60 MB/s')
    await user.clear(write)
    await user.type(write, '90')
    expect(screen.getByText(/Write Mbit\/s or MB\/s/)).toBeDefined()
    expect(write.getAttribute('aria-invalid')).toBe('true')
    await user.click(screen.getByRole('button', { name: 'back to 60 MB/s' }))
    expect(field(/^Card keeps up/).value).toBe('60 MB/s')
    expect(screen.queryByText(/Write Mbit/)).toBeNull()
  })

  it('opens at the figure, the place and the amounts of an address, and writes them into it', async () => {
    await page('lamp-pulses?at=base motion&shutter=1/50')
    expect(field(/^Frequency/).value).toBe('214 Hz')
    expect(
      sheet('Lamps and shutter speed').getByText(/1\/50 lasts 4\.3 pulses: it may band\. /),
    ).toBeDefined()
    await waitFor(() =>
      expect(decodeURIComponent(window.location.hash)).toContain('lamp-pulses?at=base+motion&shutter=1/50'),
    )
  })

  it('says what is impossible together', async () => {
    await page('shutter-angle?at=base motion&shutter=1/25&rate=50p')
    expect(screen.getByRole('alert').textContent).toContain('1/25 is longer and cannot be set')
  })

  it('lists every figure with what it comes to, and takes the one that is chosen', async () => {
    const { user } = await page()
    const needed = screen.getByRole('button', { name: /^ISO needed/ })
    expect(needed.textContent).toContain('ISO 2500–40\u202f000')
    await user.click(needed)
    expect(sheet('ISO needed').getByText('How it is worked out')).toBeDefined()
  })

  it('leads from a series to the procedure that does it on the camera', async () => {
    const named = numberTable.flatMap(({ procedure }) => procedure ?? [])
    expect(named.filter((id) => !isProcedure(id))).toEqual([])
    await page('focus-series')
    expect(screen.getByRole('link', { name: /act by act/ }).getAttribute('href')).toBe(
      '/plans/p/prove#focus-series-job',
    )
  })

  it('follows the plan under work', async () => {
    const { desk } = await page('needed-iso')
    expect(field(/^Aperture/).value).toBe('f/2')
    const row = must(parsePlan(heron, { 'base/exposure.aperture@stills': 'f/4' })).rows
    await act(async () => {
      desk.set(row)
      await settled()
    })
    expect(field(/^Aperture/).value).toBe('f/4')
  })
})

describe('the film formats', () => {
  it('stand side by side, each with what it writes; one is taken with what gives way', async () => {
    const { user, plan } = await page('choose/formats')
    const table = within(screen.getByRole('table', { name: 'Film formats' }))
    const row = (name: RegExp) => {
      const found = table.getAllByRole('row').find(({ textContent }) => name.test(textContent))
      if (!found) throw new Error(`no row ${name.source}`)
      return found
    }
    expect(row(/^4K \(3840\) H\.26525p/).textContent).toContain('as planned')
    // 280 · 0.45 = 126 GB an hour; 64 · 8000 / 280 / 60 = 30.5 min.
    const fast = row(/^4K \(3840\) H\.265100p/)
    expect(fast.textContent).toContain('126 GB')
    expect(fast.textContent).toContain('30.5 min')
    await user.click(within(fast).getByRole('button', { name: 'Take it' }))
    await settled()
    expect(Object.values(plan().rows)).toContain('100p')
    expect(row(/^4K \(3840\) H\.265100p/).textContent).toContain('as planned')
  })
})

describe('a choice', () => {
  const option = (name: string) => within(screen.getByRole('listitem', { name }))

  it('shows every option with what speaks for it here, the first named with its reason', async () => {
    await page('choose/metering')
    expect(screen.getByText(/is named first here/).closest('p')?.textContent).toBe(
      'Highlight-weighted is named first here. A lit face before a dark ground is not burnt out.',
    )
    expect(option('Multi-zone').getByText(/A dark stage lifts it/)).toBeDefined()
    expect(option('Multi-zone').getByText('as planned', { exact: false })).toBeDefined()
  })

  it('follows what is supposed, and goes back to what is said', async () => {
    const { user } = await page('choose/shutter')
    expect(screen.getAllByRole('heading', { level: 3 })[0]?.textContent).not.toBe('Electronic')
    await user.selectOptions(screen.getByRole('combobox', { name: 'Silence' }), 'needed')
    await settled()
    expect(screen.getAllByRole('heading', { level: 3 })[0]?.textContent).toBe('Electronic')
    await user.click(screen.getByRole('button', { name: 'as it is said' }))
    await settled()
    expect(screen.getAllByRole('heading', { level: 3 })[0]?.textContent).not.toBe('Electronic')
  })

  it('is taken in one step, that undo takes back', async () => {
    const { user, plan, desk } = await page('choose/metering')
    await user.click(option('Highlight-weighted').getByRole('button', { name: 'Take it' }))
    await settled()
    expect(Object.values(plan().rows)).toContain('bright')
    expect(option('Highlight-weighted').getByText('as planned', { exact: false })).toBeDefined()
    act(() => void desk.undo())
    expect(Object.values(plan().rows)).not.toContain('bright')
  })

  it('of film is asked in film, though a situation of stills is in hand', async () => {
    await page('choose/temper?at=stage')
    expect(screen.getByText(/Asked in Base, motion\./)).toBeDefined()
  })
})

describe('where to put a need', () => {
  it('says what to do first where the plan has no needs', async () => {
    await page('choose/wish')
    expect(screen.getByRole('link', { name: 'Say what you shoot' })).toBeDefined()
  })

  it('tries every place, and puts it there in one step', async () => {
    const { user, plan } = await page('choose/wish', theatrePlan)
    await settled()
    const rows = Object.keys(plan().rows).length
    expect(screen.getByText('As it is')).toBeDefined()
    expect(screen.getAllByText(/s each time\./).length).toBeGreaterThan(1)
    const [take] = screen.getAllByRole('button', { name: 'Take it' })
    if (!take) throw new Error('nothing can be taken')
    await user.click(take)
    await settled()
    expect(Object.keys(plan().rows).length).not.toBe(rows)
  })
})
