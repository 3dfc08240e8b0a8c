import { workedExamples } from '@tests/fixtures/worked-numbers'
import type { Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { showAmount } from '@/core/numbers/quantities'
import { numberForm } from '@/core/numbers/table'
import {
  demoPlan,
  filmPlan,
  freshPlan,
  goTo,
  openInBrowser,
  saved,
  savedRows,
  type Application,
} from './application'

let application: Application
let page: Page
let end: () => Promise<void>

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
})
afterAll(() => end())

const numbers = (plan: string, hash = '') =>
  goTo(page, `${application.address}/plans/${plan}/numbers${hash === '' ? '' : `#${hash}`}`)
const sheet = (name: string) => page.getByRole('region', { name, exact: true })

/** One in five of the figures worked by hand, of every kind. */
const typedIn = workedExamples.filter((_one, i) => i % 5 === 0)

describe('a figure worked by hand', () => {
  beforeAll(() => numbers(demoPlan))

  it.each(typedIn)('typed in comes to the same: %s of %s: %s is %s', async (id, typed, result, amount) => {
    const form = numberForm(id)
    if (!form) throw new Error(id)
    await page.evaluate((place) => (window.location.hash = place), id)
    const figure = sheet(form.name)
    for (const [, name = '', quoted, bare] of typed.matchAll(/(\w+)=(?:"([^"]*)"|(\S+))/g)) {
      const said = quoted ?? bare ?? ''
      const [input, choice] = [form.inputs[name], form.choices[name]]
      if (choice) await figure.getByRole('combobox', { name: choice.name }).selectOption(said)
      if (input)
        await figure
          .getByRole('textbox', { name: new RegExp(`^${escaped(input.name)}`) })
          .first()
          .fill(said)
    }
    const shown = form.results[result]
    if (!shown) throw new Error(result)
    const words = showAmount(shown.quantity, amount)
    const isFirst = Object.keys(form.results)[0] === result
    const place = isFirst
      ? figure.getByText(shown.name, { exact: true }).first().locator('xpath=..')
      : figure
          .getByRole('term')
          .filter({ hasText: new RegExp(`^${escaped(shown.name)}$`) })
          .locator('xpath=..')
    await expect.poll(() => place.textContent()).toContain(words)
  })
})

function escaped(words: string): string {
  return words.replaceAll(/[.*+?^${}()|[\]\\/]/g, '\\$&')
}

describe('the theatre', () => {
  it('finds a figure by any of its words', async () => {
    await goTo(page, `${application.address}/plans/${demoPlan}/controls`)
    await page.keyboard.press('Control+k')
    await page.getByRole('combobox', { name: /^Find/ }).fill('flicker hertz')
    await page.getByRole('option', { name: /^Lamps and shutter speed/ }).click()
    await sheet('Lamps and shutter speed').getByText('How it is worked out').waitFor()
  })

  it('finds that a lamp measured at 214 Hz leaves no step near 1/50, and what would do', async () => {
    await numbers(filmPlan, 'lamp-pulses?counted=pulses&frequency=214 Hz&shutter=1/50')
    const words = sheet('Lamps and shutter speed').getByText(
      /No step near it is safe; exactly 1\/53\.5 would be/,
    )
    await words.waitFor()
  })

  it('finds that the stage is too dark for its exposure, with the situation put in already', async () => {
    await numbers(demoPlan, 'metered-exposure?cap=ISO 800')
    const figure = sheet('Exposure that results')
    await figure.getByText(/light is short by .* at ISO 800/).waitFor()
    expect(await figure.getByRole('textbox', { name: /^Light/ }).inputValue()).toBe('EV 4–7')
    expect(await figure.getByRole('img', { name: 'problem' }).count()).toBe(1)
  })

  it('finds that a card is full before the second act, and how many the day needs', async () => {
    await numbers(demoPlan, 'day-cards?frames=2400&file=52-54 MB&card=64 GB')
    await sheet('A day’s data').getByText('124.8–129.6 GB').or(page.getByText('125–130 GB')).first().waitFor()
    await sheet('A day’s data').getByText('2–3', { exact: true }).waitFor()
  })

  it('sees a burst stall, as a curve and in words', async () => {
    await numbers(demoPlan, 'burst?rate=10/s&file=24-38 MB&buffer=60-95')
    await sheet('Burst')
      .getByText(/The card is the limit: a faster one comes first/)
      .waitFor()
    await sheet('Burst').locator('.recharts-line-curve').first().waitFor()
    expect(await sheet('Burst').locator('.recharts-line-curve').count()).toBe(2)
  })

  it('is led from a figure of a bank to how it is worked out, in that bank', async () => {
    await goTo(page, `${application.address}/plans/${filmPlan}/banks`)
    const row = page.getByRole('row', { name: /^Shutter speed for the frame rate/ })
    await row.locator('summary').last().click()
    await row.getByRole('link', { name: 'In numbers' }).last().click()
    await sheet('Shutter speed for a frame rate').waitFor()
    expect(decodeURIComponent(new URL(page.url()).hash)).toMatch(/^#film-shutter\?at=/)
  })

  it.each([390, 820])('is worked out without sideways scrolling at %i', async (width) => {
    await page.setViewportSize({ width, height: 844 })
    await numbers(demoPlan, 'burst?rate=10/s&file=24-38 MB&buffer=60-95')
    await sheet('Burst').getByText('Full after', { exact: true }).waitFor()
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
    await page.setViewportSize({ width: 1280, height: 800 })
  })

  it('takes the shutter that its silence asks for, and finds it at its line of the menu', async () => {
    const plan = await freshPlan(application.address)
    await numbers(plan, 'choose/shutter?silence=needed')
    const electronic = page.getByRole('listitem', { name: 'Electronic', exact: true })
    await electronic.getByText('Nobody hears it.').waitFor()
    await electronic.getByRole('button', { name: 'Take it' }).click()
    await electronic.getByText('as planned', { exact: false }).waitFor()
    await saved(page)
    expect((await savedRows(application.address, plan))['base/shutter.kind']).toBe('silent')
    await electronic.getByRole('link', { name: 'In the menu' }).click()
    await page.getByRole('region', { name: 'Shutter type' }).waitFor()
  })
})
