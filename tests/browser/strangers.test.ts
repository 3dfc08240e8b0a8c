import type { Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoPlan, freshPlan, key, openInBrowser, saved, savedRows, type Application } from './application'

let application: Application
let page: Page
let end: () => Promise<void>

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
})
afterAll(() => end())

const go = (path: string) => page.goto(`${application.address}${path}`, { waitUntil: 'networkidle' })
const card = (title: string) => page.getByRole('article').filter({ hasText: title })

describe('a stranger at the shelf', () => {
  it('reads what a plan is for, what is wrong with it, worst first, and what to do next', async () => {
    await go('/')
    const demo = card('Night rehearsals')
    await expect.poll(() => demo.innerText()).toMatch(/\d+ problems/)
    const words = await demo.innerText()
    expect(words).toMatch(/A puppet show by LED light[\s\S]*Tarrow Heron · changed [\s\S]*\d+ problems/)
    const total = Number(/(\d+) problems/.exec(words)?.[1])
    await demo.getByRole('link', { name: 'Settle the worst problem' }).click()
    // The same count, station by station.
    const route = page.getByRole('navigation', { name: 'Route' })
    const counted = async () =>
      [...(await route.innerText()).matchAll(/(\d+) problems?/g)].reduce((sum, [, n]) => sum + Number(n), 0)
    await expect.poll(counted).toBe(total)
  })

  it('starts a plan by the camera’s plate and what is shot, and is led from station to station once', async () => {
    await go('/')
    await page.getByRole('button', { name: 'Start a plan' }).click()
    await page.getByRole('button', { name: 'Start the plan' }).click()
    await page.getByText('Choose the camera first.').waitFor()
    await page.getByRole('radio', { name: 'Pell Pocket' }).locator('..').click()
    await page.getByRole('checkbox', { name: 'Workbench' }).check()
    await page.getByLabel('Name of the plan').fill('Glue and sparks')
    await page.getByRole('button', { name: 'Start the plan' }).click()
    await page.getByRole('region', { name: 'Workbench' }).waitFor()
    const guide = page.getByRole('complementary', { name: 'What this is for' })
    await expect.poll(() => guide.innerText()).toMatch(/^Foundation\. What you shoot/)
    await guide.getByRole('link', { name: 'Next: Settings' }).click()
    await expect.poll(() => guide.innerText()).toMatch(/^Settings\. Every line/)
    await guide.getByRole('link', { name: 'Next: Controls' }).click()
    await expect.poll(() => guide.innerText()).toMatch(/^Controls\./)
    await page.getByRole('heading', { name: 'Back' }).waitFor()
    await page.getByRole('link', { name: /^Foundation/ }).click()
    await page.getByRole('region', { name: 'Workbench' }).waitFor()
    await expect.poll(() => guide.count()).toBe(0)
  })

  it('names a plan and says what it is for, duplicates it, deletes it, and puts it back', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/foundation`)
    await page.getByLabel('Name of the plan').fill('Tide tables')
    await page.getByLabel('What it is for, in one line').fill('Mud flats at first light.')
    await page.keyboard.press('Tab')
    await saved(page)
    await go('/')
    await expect.poll(() => card('Tide tables').innerText()).toContain('Mud flats at first light.')
    const act = async (title: string, what: string) => {
      await page.getByRole('button', { name: `More for ${title}` }).click()
      await page.getByRole('menuitem', { name: what }).click()
    }
    await act('Tide tables', 'Duplicate')
    await card('Copy of Tide tables').waitFor()
    const places = async () => {
      const names = await page.getByRole('article').getByRole('heading').allInnerTexts()
      return names.indexOf('Copy of Tide tables') - names.indexOf('Tide tables')
    }
    await expect.poll(places).toBe(-1)
    await act('Copy of Tide tables', 'Move down')
    await expect.poll(places).toBe(1)
    await act('Copy of Tide tables', 'Delete')
    await card('Copy of Tide tables').waitFor({ state: 'detached' })
    await page.getByText(/^\d+ deleted plans?$/).click()
    await page.getByRole('button', { name: 'Restore Copy of Tide tables' }).click()
    await card('Copy of Tide tables').waitFor()
  })
})

describe('a stranger at a station', () => {
  it('takes back by Ctrl+Z what was just put on a key by typing, is told what, and gets it again', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/controls`)
    await key(page, 'Crown key').click()
    await page.getByRole('combobox', { name: /^Instead/ }).fill('zebra')
    await page.keyboard.press('Enter')
    await saved(page)
    const put = (await savedRows(application.address, plan))['key/stills/crown-key/press']
    expect(put).toBeTruthy()
    await page.keyboard.press('Control+z')
    await page.getByText(/^Undone:/).waitFor()
    await saved(page)
    expect(await savedRows(application.address, plan)).not.toHaveProperty('key/stills/crown-key/press')
    await page.getByRole('button', { name: 'Redo', exact: true }).click()
    await saved(page)
    expect((await savedRows(application.address, plan))['key/stills/crown-key/press']).toBe(put)
  })

  it('finds a function by the common term, whatever the camera calls it', async () => {
    await go(`/plans/${await freshPlan(application.address, 'hollin-mere')}/controls`)
    await page.locator('[data-address$="/press"]').first().click()
    const field = page.getByRole('combobox', { name: /^Instead/ })
    for (const term of ['zebra', 'white balance lock', 'subject detection']) {
      await field.fill(term)
      await expect
        .poll(() => page.getByRole('listbox').getByRole('option').count(), { message: term })
        .toBeGreaterThan(0)
    }
  })

  it('chooses an answer, is offered the step that makes it so, and takes it', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/focus`)
    await page.getByRole('tab', { name: 'Questions' }).click()
    await page.getByText('When does detection run?').click()
    const question = page.locator('details', { hasText: 'When does detection run?' })
    for (const answer of await question.getByRole('radio').all()) {
      await answer.check()
      const offered = question.getByRole('group', { name: 'To do it so' })
      const done = question.getByText('Nothing to change for it.')
      await offered.or(done).first().waitFor()
      await page.waitForTimeout(400)
      if (!(await offered.getByRole('button').count())) continue
      await offered.getByRole('button').first().click()
      await done.waitFor()
      await saved(page)
      expect(Object.keys(await savedRows(application.address, plan)).length).toBeGreaterThan(2)
      return
    }
    throw new Error('no answer offered a step')
  })

  it('reads in a press test no other keys than those it is about', async () => {
    await go(`/plans/${await freshPlan(application.address, 'hollin-mere')}/focus`)
    await page.getByRole('tab', { name: 'Press test' }).click()
    const tests = page.getByRole('tabpanel').getByRole('listitem')
    await page
      .getByText(/^Hold .+, then keep it held and press /)
      .first()
      .waitFor()
    for (const words of await tests.allInnerTexts()) {
      const [, first, second] = /^Hold (.+), then keep it held and press (.+)\n/.exec(words) ?? []
      if (first === undefined || second === undefined) continue
      for (const [, by = ''] of words.matchAll(/ by ([^\n]+)/g))
        expect(
          [first, second, 'itself'].some((key) => by.startsWith(key)),
          words,
        ).toBe(true)
    }
  })
})

describe('on a phone', () => {
  beforeAll(() => page.setViewportSize({ width: 390, height: 844 }))
  afterAll(() => page.setViewportSize({ width: 1280, height: 800 }))

  const heightOf = async (name: string) =>
    (await page.getByRole('navigation', { name }).boundingBox())?.height

  it('head and route take one row each, and no station is wider than the screen', async () => {
    for (const station of [
      'foundation',
      'settings',
      'controls',
      'focus',
      'menus',
      'banks',
      'try',
      'prove',
      'sheets',
      'carry',
    ]) {
      await go(`/plans/${demoPlan}/${station}`)
      await expect.poll(() => page.getByRole('banner').evaluate((head) => head.clientHeight)).toBeLessThan(64)
      expect(await heightOf('Route')).toBeLessThan(64)
      await expect
        .poll(() => page.evaluate(() => document.documentElement.scrollWidth), { message: station })
        .toBeLessThanOrEqual(390)
    }
    await go('/')
    await expect
      .poll(() => page.evaluate(() => document.documentElement.scrollWidth))
      .toBeLessThanOrEqual(390)
  })

  it('a key that is tapped opens in a sheet that leaves key and undo in sight, is moved, and taken back', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/controls`)
    await key(page, 'Crown key').click()
    const sheet = page.getByRole('complementary', { name: 'Beside the plate' })
    await expect.poll(async () => (await sheet.boundingBox())?.y ?? 0).toBeGreaterThan(300)
    const top = (await sheet.boundingBox())?.y ?? 0
    await expect
      .poll(async () => {
        const box = await key(page, 'Crown key').boundingBox()
        return box !== null && box.y > 40 && box.y + box.height <= top + 1
      })
      .toBe(true)
    await sheet.getByRole('combobox', { name: /^Instead/ }).fill('zebra')
    await sheet.getByRole('listbox').getByRole('option').first().click()
    await saved(page)
    expect(Object.keys(await savedRows(application.address, plan))).toContain('key/stills/crown-key/press')
    await page.getByRole('button', { name: /^Undo: / }).click()
    await page.getByText(/^Undone:/).waitFor()
    await saved(page)
    expect(Object.keys(await savedRows(application.address, plan))).toEqual(['title'])
    await sheet.getByRole('button', { name: 'Close' }).click()
    await expect.poll(() => sheet.getAttribute('data-sheet')).toBeNull()
  })

  it('a bank is looked at: its name stays beside the table that scrolls', async () => {
    await go(`/plans/${demoPlan}/banks`)
    const line = page.getByRole('rowheader', { name: /^Frame rate/ })
    const before = await line.boundingBox()
    await page.getByRole('columnheader', { name: /^Changes/ }).scrollIntoViewIfNeeded()
    await expect.poll(async () => (await line.boundingBox())?.x).toBe(before?.x)
  })

  it('what focuses when is said in sentences', async () => {
    await go(`/plans/${demoPlan}/focus`)
    await page
      .getByText(/^Hold Thumb focus key: AF keeps focusing, .*; let go: AF stops\./)
      .first()
      .waitFor()
  })
})
