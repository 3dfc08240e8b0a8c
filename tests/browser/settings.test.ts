import type { Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoPlan, freshPlan, goTo, openInBrowser, saved, savedRows, type Application } from './application'

let application: Application
let page: Page
let end: () => Promise<void>

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
})
afterAll(() => end())

const go = (path: string) => goTo(page, `${application.address}${path}`)
const line = (id: string) => page.locator(`[data-line="${id}"]`)
const panel = (name: string) => page.getByRole('region', { name, exact: true })
const lookedAt = () =>
  page.getByRole('progressbar', { name: 'Lines looked at' }).getAttribute('aria-valuenow').then(Number)

/** Says what the theatre’s stage is like, and that interviews are filmed. */
async function sayWhatIsShot() {
  await page.getByRole('button', { name: /^Stage and rehearsal/ }).click()
  await page.getByRole('button', { name: /^Interviews/ }).click()
  await page.getByRole('region', { name: 'Interviews' }).waitFor()
}

describe('the theatre’s plan, from a camera as delivered', () => {
  it('comes to a base for both sides by keyboard alone, and no line of the menu is left not looked at', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/foundation`)
    await sayWhatIsShot()
    // Held against the work at once: a silent stage with a shutter that is heard.
    const problems = page.getByRole('region', { name: 'Problems' })
    await problems.getByText(/^Stage and rehearsal: Shutter type is/).waitFor()
    await problems.getByText(/^Interviews: White balance is Auto/).waitFor()
    await page.getByRole('link', { name: /^Settings/ }).click()
    await page.getByRole('heading', { name: 'Settings', exact: true }).waitFor()
    expect(await lookedAt()).toBe(0)
    const values = [
      ['exposure mode', ['Manual', 'Manual']],
      ['shutter speed', ['1/250', '1/50']],
      ['aperture', ['2', '2.8']],
      ['white balance', [null, 'Kelvin']],
      ['shutter type', ['Electronic']],
      ['operation sounds', ['off']],
    ] as const
    for (const [words, typed] of values) {
      await page.keyboard.press('Home')
      await page.getByRole('searchbox').focus()
      await page.getByRole('searchbox').fill(words)
      await page.keyboard.press('Enter')
      await page.locator('[data-cell]').first().waitFor()
      const fields = page.locator('[data-cell] input')
      for (const [i, text] of typed.entries()) {
        if (text === null) continue
        await fields.nth(i).focus()
        await page.keyboard.type(text)
        await page.keyboard.press('Enter')
      }
    }
    await page.getByRole('searchbox').fill('')
    await saved(page)
    expect(await savedRows(application.address, plan)).toMatchObject({
      'base/exposure.mode@stills': 'manual',
      'base/exposure.shutter@stills': '1/250',
      'base/exposure.shutter@motion': '1/50',
      'base/exposure.aperture@stills': 'f/2',
      'base/colour.balanceMode@motion': 'kelvin',
      'base/shutter.kind': 'silent',
      'base/body.sounds': false,
    })
    // The rest line by line at the speed of reading, then in bulk.
    await page.getByRole('button', { name: 'Next not looked at' }).click()
    const before = await lookedAt()
    await page.locator('[data-line][aria-current]').focus()
    for (const key of ['l', 'j', 'n', 'j', 'l', 'j']) await page.keyboard.press(key)
    await expect.poll(lookedAt).toBe(before + 3)
    await page.evaluate(() => window.scrollTo(0, 0))
    for (let i = 0; i < 120 && (await lookedAt()) < 200; i++) {
      const bulk = page.getByRole('button', { name: /^Not in my work, |^Leave .* as delivered, / }).first()
      if (await bulk.count()) await bulk.press('Enter')
      else await page.mouse.wheel(0, 900)
      await page.waitForTimeout(30)
    }
    for (
      let i = 0;
      i < 30 && (await page.getByRole('button', { name: 'Next not looked at' }).isEnabled());
      i++
    ) {
      await page.getByRole('button', { name: 'Next not looked at' }).click()
      await page.locator('[data-line][aria-current]').focus()
      await page.keyboard.press('l')
    }
    await page
      .getByText(/^all \d+ looked at$/)
      .first()
      .waitFor()
    await saved(page)
    await go(`/plans/${plan}/foundation`)
    // What was told is mended; what is still told is something else.
    await page.getByRole('region', { name: 'Stage and rehearsal' }).waitFor()
    await expect.poll(() => page.getByText(/^Stage and rehearsal: Shutter type is/).count()).toBe(0)
    await expect.poll(() => page.getByText(/^Interviews: White balance is Auto/).count()).toBe(0)
  })
})

describe('a plan that is built on', () => {
  it('shows what is planned, each way to narrow it, and takes bulk back in one step', async () => {
    await go(`/plans/${demoPlan}/settings`)
    const before = await lookedAt()
    expect(before).toBeGreaterThan(20)
    await page.getByRole('button', { name: /^changed, / }).click()
    await line('focus.lamp').waitFor()
    expect(await line('power.sleep').count()).toBe(0)
    await page.getByRole('button', { name: 'Show all lines' }).click()
    await page.getByLabel('Which lines').selectOption({ label: 'The first four' })
    await expect.poll(() => page.locator('[data-line]').count()).toBe(2)
    await page.getByLabel('Which lines').selectOption({ label: 'Enabling items first' })
    const first = page.getByRole('list', { name: 'Enabling items first' })
    await first.getByRole('button', { name: 'Exposure mode' }).first().waitFor()
    expect(await first.innerText()).toMatch(/Exposure mode stills Manual\s+First, for .*Shutter speed/)
    await page.getByLabel('Which lines').selectOption({ label: 'All lines' })
    await page.getByRole('searchbox').fill('flash')
    await page.getByRole('button', { name: 'Not in my work, Flash' }).click()
    await expect.poll(lookedAt).toBeGreaterThan(before)
    await page.getByRole('button', { name: /^Undo: / }).click()
    await expect.poll(lookedAt).toBe(before)
  })

  it('says in place what does nothing, what is refused and how it is reached, and what owners differ in', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/settings#exposure.iso`)
    await panel('ISO').getByLabel('ISO, stills').fill('800')
    await page.keyboard.press('Enter')
    await panel('ISO')
      .getByText(/Does nothing here\. Auto ISO is on/)
      .first()
      .waitFor()
    await panel('ISO').getByRole('button', { name: 'Set Auto ISO to off' }).click()
    await expect
      .poll(() =>
        panel('ISO')
          .getByText(/Does nothing here/)
          .count(),
      )
      .toBe(1)
    await go(`/plans/${plan}/settings#shutter.closeAtPowerOff`)
    const question = page.getByRole('group', { name: 'Owners differ' })
    await question.getByText('Is the sensor covered when the camera is off?').click()
    expect(await question.innerText()).toMatch(/Open\. .*\n?.*Closed\. /s)
  })

  it('refuses what is out of range with what would do, and is undone like everything else', async () => {
    const plan = await freshPlan(application.address, 'hollin-mere')
    await go(`/plans/${plan}/settings#power.sleep`)
    const field = page.locator('[data-cell] input')
    await field.fill('400')
    await page.keyboard.press('Enter')
    await page.getByRole('alert').filter({ hasText: '1 to 30' }).waitFor()
    expect(Object.keys(await savedRows(application.address, plan))).not.toContain('base/power.sleep')
  })

  it('is found by any word from anywhere', async () => {
    await go(`/plans/${demoPlan}/controls`)
    await page.keyboard.press('Control+k')
    await page.getByRole('combobox', { name: /^Find/ }).waitFor()
    await page.keyboard.type('screen auto off setting')
    await page.keyboard.press('Enter')
    await page.waitForURL(/\/settings#power\.screenOff$/)
    await expect.poll(() => line('power.screenOff').getAttribute('aria-current')).toBe('true')
  })

  it('opens a set-up page at its station', async () => {
    await go(`/plans/${demoPlan}/settings`)
    await page.getByRole('searchbox').fill('key assignment')
    const opens = page.getByRole('button', { name: /set-up page/ }).first()
    if (!(await opens.count())) await page.getByRole('searchbox').fill('keys')
    await opens.click()
    await page.getByRole('link', { name: 'The keys are planned at Controls' }).click()
    await page.waitForURL(/\/controls$/)
  })
})

describe('what an owner says of themselves', () => {
  it('is held against the camera: an accident is told with the way, a habit is kept and forgotten', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/foundation`)
    const you = page.getByRole('region', { name: 'You' })
    await you.getByText('What has gone wrong by accident').click()
    await you.getByText('The stick was brushed, and the AF point was elsewhere').click()
    await you.getByText('Habits from another body').click()
    await you.getByLabel('A function you reach for without thinking').fill('Playback')
    await you.getByRole('button', { name: 'Keep' }).click()
    await saved(page)
    expect(await savedRows(application.address, plan)).toMatchObject({
      'owner/accidents': ['stick-brushed'],
      'habit/display.playback': ['thumb', 'back'],
    })
    await you.getByRole('button', { name: 'Forget' }).click()
    await expect.poll(() => you.getByText(/^Playback:/).count()).toBe(0)
    await go(`/plans/${plan}/settings#focus.pointLock`)
    await page
      .getByText(/It has happened: the stick was brushed/)
      .first()
      .waitFor()
  })
})

describe('on a phone', () => {
  it('a line in hand is a sheet with the line in sight above it, and nothing is wider than the screen', async () => {
    await page.setViewportSize({ width: 390, height: 844 })
    await go(`/plans/${demoPlan}/settings`)
    await page.getByLabel('Subject').selectOption({ label: 'Exposure' })
    await line('exposure.compensation').click()
    await page.getByRole('region', { name: 'Exposure compensation' }).waitFor()
    await page.waitForTimeout(300)
    const box = await line('exposure.compensation').boundingBox()
    const sheet = await page.getByRole('complementary', { name: 'Beside the menu' }).boundingBox()
    expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual((sheet?.y ?? 0) + 1)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await page.getByRole('button', { name: 'Close' }).click()
    await page.setViewportSize({ width: 1280, height: 800 })
  })
})

describe('a plan that is renamed', () => {
  it('is called so in its tab at once, and at a station whose link the pointer had come to before', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/foundation`)
    const route = page.getByRole('navigation', { name: 'Route' })
    const fetched = page.waitForResponse(
      (one) => one.url().includes('/controls?') && one.request().method() === 'GET',
    )
    await route.getByRole('link', { name: /^Controls/ }).hover()
    await fetched
    await page.getByRole('textbox', { name: 'Name of the plan' }).fill('Matinee')
    await page.keyboard.press('Tab')
    await expect.poll(() => page.title()).toBe('Matinee · Salt Shelf')
    await saved(page)
    await route.getByRole('link', { name: /^Controls/ }).click()
    await page.locator('[data-address]').first().waitFor()
    await expect.poll(() => page.title()).toBe('Matinee · Salt Shelf')
    await route.getByRole('link', { name: /^Carry/ }).click()
    await page.waitForURL(/\/carry$/)
    await page.waitForTimeout(500)
    expect(await page.title()).toBe('Matinee · Salt Shelf')
  })
})
