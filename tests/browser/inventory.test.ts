import type { Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  demoPlan,
  freshPlan,
  goTo,
  key,
  openInBrowser,
  openPage,
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

const go = (path: string, on = page) => goTo(on, `${application.address}${path}`)
const part = (name: string, on = page) => on.getByRole('region', { name, exact: true })
const line = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}`) })
const shotWith = (on: Page) => part('Shot with', on)

describe('what an owner has', () => {
  it('is said by keyboard alone: an older body that is added takes from a plan what it lacks', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/controls`)
    await key(page, 'Thumb focus key').press('Enter')
    await page.getByRole('combobox', { name: /^Instead/ }).fill('Bright finder')
    await page
      .getByRole('option', { name: /^Bright finder/ })
      .first()
      .click()
    await saved(page)
    const findings = page.getByText(/^Body heron-c cannot hold/)
    expect(await findings.count()).toBe(0)

    await go('/bodies')
    await part('Bodies').getByRole('combobox', { name: 'What to add: Model' }).focus()
    await page.keyboard.type('Tarrow')
    await page.keyboard.press('Tab')
    await page.keyboard.type('Heron C')
    await page.keyboard.press('Enter')
    await line('Heron C').waitFor()
    await part('Bodies').getByRole('textbox', { name: 'Firmware' }).focus()
    await page.keyboard.type('7.5')
    await page.keyboard.press('Enter')
    // What no Heron runs is refused with what it does, and nothing is kept.
    await page.getByRole('alert').filter({ hasText: '1.0, 1.2, 2.0' }).waitFor()
    await page.getByRole('button', { name: 'Close' }).press('Enter')
    await part('Bodies').getByRole('textbox', { name: 'Firmware' }).focus()
    await page.keyboard.type('1.0')
    await page.keyboard.press('Enter')
    await part('What plans reckon with').getByText('Firmware 1.0, the oldest: Heron C.').waitFor()
    await saved(page)

    await go(`/plans/${plan}/foundation`)
    await shotWith(page).getByText('Heron C').waitFor()
    await page.getByRole('link', { name: /^Controls/ }).click()
    await findings.first().waitFor()

    await go('/bodies')
    await page.getByRole('button', { name: /^Undo: Heron C, Firmware/ }).press('Enter')
    await part('What plans reckon with').getByText('Firmware 1.2.').waitFor()
    await line('Heron C').press('Enter')
    await page.getByRole('button', { name: 'Remove Heron C' }).press('Enter')
    await expect.poll(() => line('Heron C').count()).toBe(0)
    await saved(page)
    await go('/')
    expect(await page.getByText('Heron C').count()).toBe(0)
  })

  it('takes effect in a plan that is open in another tab, and stays out of the plan itself', async () => {
    const beside = await openPage(page.context(), `${application.address}/plans/${demoPlan}/foundation`)
    await shotWith(beside).getByText('Heron B').waitFor()
    const before = await savedRows(application.address, demoPlan)

    await go('/bodies')
    await part('Lenses')
      .getByRole('combobox', { name: 'What to add: Known lens' })
      .selectOption({ label: 'another lens' })
    await part('Lenses').getByRole('textbox', { name: 'Name of the new lens' }).fill('Loft 35')
    await page.getByRole('button', { name: 'Add the lens' }).click()
    const missing = page.getByText('Loft 35 is not reckoned with yet.')
    await missing.waitFor()
    await part('Lenses').getByRole('combobox', { name: 'Fits' }).selectOption('Tarrow')
    await part('Lenses').getByRole('combobox', { name: 'Contacts' }).selectOption('no')
    const field = (name: string) => part('Lenses').getByRole('textbox', { name, exact: true })
    await field('Focal length').fill('70-24')
    await field('Focal length').press('Enter')
    await page.getByText(/write the short end first, 24-70/).waitFor()
    await field('Focal length').fill('35')
    await field('Focal length').press('Enter')
    await field('Widest aperture').fill('2.8')
    await field('Widest aperture').press('Enter')
    await field('Keys on it').fill('0')
    await field('Keys on it').press('Enter')
    await part('Lenses').getByRole('combobox', { name: 'Ring besides focus' }).selectOption('none')
    await expect.poll(() => missing.count()).toBe(0)
    await saved(page)

    // The other tab reckons with it without being asked.
    await shotWith(beside).getByText('Loft 35').waitFor()
    await beside.getByRole('link', { name: /^Focus/ }).click()
    const lens = beside.getByRole('combobox', { name: /lens/i }).first()
    await expect.poll(() => lens.locator('option').allTextContents()).toContain('Loft 35')
    // It stays at home for this plan where the plan says so.
    await beside.getByRole('link', { name: /^Foundation/ }).click()
    await shotWith(beside)
      .getByRole('checkbox', { name: /^Loft 35/ })
      .click()
    await saved(beside)
    const after = await savedRows(application.address, demoPlan)
    expect(after).toEqual({ ...before, 'lens/loft-35': false })
    await beside.close()
  })

  it('stamps the rows that are set with the body in the hand and its firmware', async () => {
    await go('/bodies')
    await line('Heron B').click()
    await page.getByRole('checkbox', { name: /^Plans for Tarrow Heron are made with this one/ }).click()
    await part('What plans reckon with').getByText('What you set is stamped 1.2, Heron B.').waitFor()
    await saved(page)
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/settings`)
    await page.getByRole('searchbox').fill('AF assist lamp')
    await page.keyboard.press('Enter')
    await page.locator('[data-cell] input').first().focus()
    await page.keyboard.type('off')
    await page.keyboard.press('Enter')
    await saved(page)
    expect(await savedRows(application.address, plan)).toMatchObject({
      'base/focus.lamp': false,
      'decidedOn/base/focus.lamp': '1.2 heron-b',
    })
  })

  it('is saved as a file and brought in again; a file that is none is refused, with every fault', async () => {
    await go('/bodies')
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save as a file' }).click(),
    ])
    const path = await download.path()
    await line('Green 64').click()
    await page.getByRole('button', { name: 'Remove Green 64' }).click()
    await expect.poll(() => line('Green 64').count()).toBe(0)
    await page.getByLabel('An inventory file').setInputFiles(path)
    await line('Green 64').waitFor()
    const rows = { 'card/a/rate': 'fast', 'lens/b/focal': '70-24' }
    await page.getByLabel('An inventory file').setInputFiles({
      name: 'bad.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify({ format: 'salt-shelf/inventory', formatVersion: 1, rows })),
    })
    await page.getByText('bad.json: card/a/rate').waitFor()
    await page.getByText('bad.json: lens/b/focal').waitFor()
  })
})
