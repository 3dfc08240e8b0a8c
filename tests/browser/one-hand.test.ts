import type { Browser, Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoPlan, freshPlan, goTo, openApplication, saved, savedRows, type Application } from './application'
import { launch } from './chromium'
import { phone, sideways } from './phone'

let application: Application
let browser: Browser
let page: Page
let plan = ''

beforeAll(async () => {
  application = await openApplication()
  browser = await launch()
  page = await phone(browser)
  plan = await freshPlan(application.address)
})
afterAll(async () => {
  await browser.close()
  await application.stop()
})

const go = (id: string, station: string) => goTo(page, `${application.address}/plans/${id}/${station}`)
const rows = () => savedRows(application.address, plan)
const text = async () => JSON.stringify(await rows())
const button = (name: string | RegExp) => page.getByRole('button', { name })
const fits = () => expect.poll(() => sideways(page)).toBeLessThanOrEqual(0)

describe('with one hand on a phone, by taps alone,', () => {
  it('what is shot is said', async () => {
    await go(plan, 'foundation')
    await page.getByRole('group', { name: 'Kinds of work' }).getByRole('button').first().tap()
    await saved(page)
    expect(await text()).toMatch(/situation\//)
    await fits()
  })

  it('a line of the menu is set', async () => {
    await go(plan, 'settings')
    await page.getByLabel('Subject').selectOption({ label: 'Exposure' })
    // Only what is in view is drawn: whoever looks for a line scrolls.
    const line = page.locator('[data-line="exposure.metering"]')
    await expect
      .poll(async () => {
        await page.evaluate(() => window.scrollBy(0, 150))
        return line.count()
      })
      .toBe(1)
    await line.tap()
    const sheet = page.getByRole('complementary', { name: 'Beside the menu' })
    await sheet.getByRole('radio', { name: /^Left as delivered/ }).tap()
    await saved(page)
    await expect.poll(text).toMatch(/exposure\.metering/)
    await fits()
  })

  it('a key is given a function', async () => {
    await go(plan, 'controls')
    await button(/^Crown key, press: /).tap()
    const sheet = page.getByRole('complementary', { name: 'Beside the plate' })
    await sheet.getByRole('listbox').getByRole('option').first().tap()
    await saved(page)
    expect(Object.keys(await rows())).toContain('key/stills/crown-key/press')
    await fits()
  })

  it('a way to focus is taken', async () => {
    await go(plan, 'focus')
    const ways = page.getByRole('complementary', { name: 'Beside the table' })
    const before = Object.keys(await rows()).length
    for (const way of await ways.getByRole('tabpanel').getByRole('button', { expanded: false }).all()) {
      await way.tap()
      if (
        await button(/^Take /)
          .first()
          .isVisible()
      )
        break
    }
    await button(/^Take /)
      .first()
      .tap()
    await saved(page)
    expect(Object.keys(await rows()).length).toBeGreaterThan(before)
    await fits()
  })

  it('a cell of the function menu is filled', async () => {
    await go(plan, 'menus')
    await button(/, cell 1/)
      .first()
      .tap()
    const sheet = page.getByRole('complementary', { name: 'Beside the menus' })
    await sheet.getByRole('listbox').getByRole('option').first().tap()
    await saved(page)
    expect(await text()).toMatch(/grid\//)
    await fits()
  })

  it('a bank is varied', async () => {
    const duet = await freshPlan(application.address, 'varn-duet')
    await go(duet, 'banks')
    await page.getByRole('tab', { name: 'Build' }).tap()
    await button('Use River for motion').tap()
    await saved(page)
    expect(JSON.stringify(await savedRows(application.address, duet))).toMatch(/river/)
    await fits()
  })

  it('the keys of the body are pressed', async () => {
    await go(demoPlan, 'try')
    await button(/^Thumb focus key, press/).tap()
    await expect.poll(() => page.getByRole('list', { name: 'Log' }).innerText()).toMatch(/Thumb focus key/)
    await fits()
  })

  it('the plan is carried to a body', async () => {
    await go(demoPlan, 'carry')
    await button(/^Heron A/).tap()
    await button(/^Heron B/).tap()
    await button('Carry to Heron B').tap()
    await page
      .getByText(/^Identical/)
      .first()
      .waitFor()
    await fits()
  })
})
