import type { Browser, Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { noteRow, notedRow } from '@/core/plan/rows'
import {
  demoPlan,
  freshPlan,
  goTo,
  key,
  openInBrowser,
  post,
  saved,
  savedRows,
  type Application,
} from './application'
import { launch } from './chromium'
import { phone, sideways, walking } from './phone'

let application: Application
let page: Page
let end: () => Promise<void>
let browser: Browser

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
  browser = await launch()
})
afterAll(async () => {
  await browser.close()
  await end()
})

const prove = (on: Page, plan: string, procedure: string) =>
  goTo(on, `${application.address}/plans/${plan}/prove#${procedure}`)
const button = (on: Page, name: string | RegExp) => on.getByRole('button', { name })
const { done, inHand } = walking

/** Plans that the thumb focus key starts autofocus, on the page, until the server has it. */
async function focusByThumb(plan: string): Promise<void> {
  await goTo(page, `${application.address}/plans/${plan}/controls`)
  await key(page, 'Thumb focus key').press('Enter')
  await page.getByRole('combobox', { name: /^Instead/ }).fill('AF start')
  await page
    .getByRole('option', { name: /^AF start/ })
    .first()
    .click()
  await expect
    .poll(async () => (await savedRows(application.address, plan))['key/stills/thumb-key/press'])
    .toBe('start-focus')
}

/** Ticks acts until none is left, or so many. */
async function tick(on: Page, most = Infinity): Promise<number> {
  let ticked = 0
  while (ticked < most && (await done(on).isVisible())) {
    const number = await inHand(on).locator('.font-mono').first().textContent()
    await done(on).tap()
    ticked += 1
    await expect
      .poll(async () =>
        (await inHand(on).isVisible()) ? inHand(on).locator('.font-mono').first().textContent() : 'over',
      )
      .not.toBe(number)
  }
  return ticked
}

describe('the first day on a phone', () => {
  it('is walked one act at a time, stopped, and finished in a second browser', async () => {
    const plan = await freshPlan(application.address)
    const one = await phone(browser)
    await prove(one, plan, 'first-day')
    await button(one, 'Walk it').tap()
    await inHand(one).getByText('Charge the battery fully and put it in').waitFor()
    expect(await sideways(one)).toBe(0)
    expect(await tick(one, 4)).toBe(4)
    await saved(one)
    await one.close()

    const other = await phone(browser)
    await prove(other, plan, 'first-day')
    await button(other, 'Go on with the walk').tap()
    await inHand(other).getByText('Enter time zone').waitFor()
    // What is not there is skipped with a reason, and nothing less.
    await button(other, 'Skip …').tap()
    await button(other, 'Keep').tap()
    await other.getByRole('alert').filter({ hasText: 'Say why it is skipped.' }).waitFor()
    await other.getByLabel('Why is it skipped?').fill('set at the works')
    await button(other, 'Keep').tap()
    await inHand(other).getByText('Enter artist name').waitFor()
    await tick(other)
    await other.getByRole('heading', { name: 'All of it is over' }).waitFor()
    await other.getByText(/1 skipped · 0 seen otherwise/).waitFor()
    await saved(other)
    await button(other, 'Keep the record').tap()
    await other.getByRole('heading', { name: 'Ended' }).waitFor()
    await other.getByText('set at the works').waitFor()
  })

  it('holds back what must not come first, and lets it by with a reason', async () => {
    const plan = await freshPlan(application.address)
    const one = await phone(browser)
    await prove(one, plan, 'evening')
    await button(one, 'Walk it').tap()
    await button(one, 'List').tap()
    // Ticked in the wrong order in the list, it says what comes first.
    await one.getByRole('checkbox', { name: 'Format card' }).tap()
    await one
      .getByRole('alert')
      .filter({ hasText: 'Not before: Copy every card to your computer.' })
      .waitFor()
    await button(one, /Format card/).tap()
    await one.getByRole('alert').filter({ hasText: 'Not before:' }).waitFor()
    expect(await done(one).isDisabled()).toBe(true)
    await button(one, 'Go past it …').tap()
    await one.getByLabel('Why may it come before the others?').fill('the card was empty')
    await button(one, 'Keep').tap()
    await done(one).tap()
    await saved(one)
    await button(one, 'List').tap()
    expect(await one.getByRole('checkbox', { name: 'Format card' }).isChecked()).toBe(true)
  })
})

describe('the theatre’s menu walk', () => {
  it('is played on the simulated Heron, which then holds the plan', async () => {
    await prove(page, demoPlan, 'set-plan')
    await page.getByText(/^\d+ acts · \d+ presses in the menu/).waitFor()
    await button(page, 'Play it on the simulated body').click()
    await page
      .getByRole('status')
      .filter({ hasText: 'The simulated body did every act. It holds the plan, row by row.' })
      .waitFor()
  })

  it('is walked on two phones to its end; the body is then believed to hold the plan, and nothing is left to set', async () => {
    const plan = await freshPlan(application.address)
    const [one, other] = [await phone(browser), await phone(browser)]
    await focusByThumb(plan)
    await prove(one, plan, 'set-plan')
    await button(one, 'Walk it').tap()
    await inHand(one).waitFor()
    expect(await tick(one, 1)).toBe(1)
    await saved(one)
    await prove(other, plan, 'set-plan')
    await other.getByRole('combobox', { name: 'Procedure' }).waitFor()
    await button(other, 'Go on with the walk').tap()
    await other.getByText(/^1 of \d/).waitFor()
    await tick(other)
    await other.getByRole('heading', { name: 'All of it is over' }).waitFor()
    await saved(other)
    await button(other, 'Keep the record').tap()
    await other.getByRole('heading', { name: 'Ended' }).waitFor()
    await prove(page, plan, 'set-plan')
    await page
      .getByRole('combobox', { name: 'Set', exact: true })
      .selectOption({ label: 'what differs from what this body is believed to hold' })
    await page.getByText('There is nothing to do: what the plan wants here stands already.').waitFor()
  })

  it('is stopped half-way and goes on where it was; ended, it is noted in the plan what it proved', async () => {
    const one = await phone(browser)
    await prove(one, demoPlan, 'press-test')
    await button(one, 'Walk it').tap()
    await one.getByRole('img', { name: /with the place lit/ }).waitFor()
    const [, total = ''] = /of (\d+)/.exec((await one.locator('main header').textContent()) ?? '') ?? []
    const first = await tick(one, 2)
    await button(one, 'I see something else').tap()
    await one.getByLabel('What do you see?').fill('nothing happens')
    await button(one, 'Keep').tap()
    await one.getByText(`3 of ${total}`).waitFor()
    await saved(one)
    await one.reload()
    await one.getByText(`3 of ${total}`).waitFor()
    const rest = await tick(one)
    expect(first + 1 + rest).toBe(Number(total))
    await saved(one)
    await button(one, 'Keep the record').tap()
    await one.getByRole('heading', { name: 'Ended' }).waitFor()
    await one.getByText('nothing happens').waitFor()

    await prove(page, demoPlan, 'press-test')
    await page.reload()
    await button(page, 'Note in the plan what it proved').click()
    await page.getByText('noted in the plan').waitFor()
    await saved(page)
    const rows = await savedRows(application.address, demoPlan)
    const tested = Object.keys(rows).flatMap((note) =>
      rows[note] === 'tested' ? (notedRow(note, 'sure') ?? []) : [],
    )
    expect(tested.length).toBeGreaterThan(0)
    expect(tested.map((row) => rows[noteRow('decidedOn', row)])).toContain('1.2 heron-a')
  })
})

describe('a walk on a phone whose connection is slow', () => {
  it('takes what is pressed before the page’s own code is there, once', async () => {
    const one = await phone(browser)
    await prove(one, await freshPlan(application.address), 'evening')
    await button(one, 'Walk it').tap()
    await one.getByText(/^0 of \d+$/).waitFor()
    await saved(one)
    const slow = await phone(browser)
    let send: () => void = () => undefined
    const sent = new Promise<void>((resolve) => (send = resolve))
    await slow.route('**/_next/static/**/*.js', async (route) => {
      await sent
      await route.continue()
    })
    await slow.goto(one.url(), { waitUntil: 'commit' })
    await done(slow).tap()
    await done(slow).tap()
    await slow.getByText(/^0 of \d+$/).waitFor()
    send()
    await slow.getByText(/^1 of \d+$/).waitFor()
    await saved(slow)
    await one.reload()
    await one.getByText(/^1 of \d+$/).waitFor()
  })
})

describe('the ISO ladder on a phone', () => {
  it('is rated stop by stop, and its limits are written under You', async () => {
    const plan = await freshPlan(application.address)
    const one = await phone(browser)
    await prove(one, plan, 'iso-ladder')
    await button(one, 'Walk it').tap()
    const answers = one.getByRole('group', { name: 'Answer', exact: true })
    const words = () => inHand(one).locator('p.font-head').textContent()
    const isThere = async () => (await answers.isVisible()) || (await done(one).isVisible())
    let never = false
    for (let most = 0; most < 60; most++) {
      await expect.poll(isThere).toBe(true)
      const before = await words()
      if (/Write the two limits/.test(before ?? '')) break
      never ||= /ISO (8000|6400)/.test(before ?? '') && (await answers.isVisible())
      const next = (await answers.isVisible())
        ? answers.getByRole('button', { name: never ? 'never' : 'fine' })
        : done(one)
      await next.tap()
      await expect.poll(words).not.toBe(before)
    }
    expect(await sideways(one)).toBe(0)
    await button(one, 'Write the limits under You').tap()
    await one
      .getByRole('status')
      .filter({ hasText: /^Never from ISO (8000|6400)\. The plan says so now/ })
      .waitFor()
    const { 'owner/isoNever': limit } = await savedRows(application.address, plan)
    expect([6400, 8000]).toContain(limit)
    await done(one).tap()
    await one.getByRole('heading', { name: 'All of it is over' }).waitFor()
    await one.getByRole('listitem').filter({ hasText: 'never' }).first().waitFor()
  })
})

describe('a procedure in Try it', () => {
  it('is played act by act on the body, which begins as delivered and ends with the plan', async () => {
    await prove(page, demoPlan, 'set-plan')
    await button(page, 'Play it on the simulated body').click()
    await page.getByRole('link', { name: 'See it act by act in Try it' }).click()
    const panel = page.getByRole('region', { name: 'Procedure' })
    const label = page.locator('[data-address="stills/thumb-key/press"]')
    const planned = await label.textContent()
    await panel.getByRole('button', { name: 'Begin' }).click()
    await expect.poll(() => label.textContent()).not.toBe(planned)
    await panel.getByText(/^1 of \d+/).waitFor()
    await panel.getByRole('button', { name: 'Do it' }).click()
    await panel.getByText(/^Before it: /).waitFor()
    await panel.getByRole('button', { name: 'Do the rest' }).click()
    await panel.getByText('The body holds the plan, row by row.').waitFor()
    // It ends in the bank that was stored last.
    await page.getByRole('combobox', { name: 'Mode dial' }).selectOption({ label: 'Stills' })
    await expect.poll(() => label.textContent()).toBe(planned)
    await button(page, 'Start over').click()
    await panel.getByRole('button', { name: 'Begin' }).waitFor()
  })
})

describe('one walk on two devices', () => {
  it('agrees by itself where both say the same, and asks where they do not', async () => {
    const plan = await freshPlan(application.address)
    const [one, other] = [await phone(browser), await phone(browser)]
    await prove(one, plan, 'evening')
    await button(one, 'Walk it').tap()
    await inHand(one).waitFor()
    await goTo(other, one.url())
    await done(one).tap()
    await saved(one)
    // The other has not heard of it, and ticks the same act.
    await done(other).tap()
    await saved(other)
    await other.getByText('1 of 7').waitFor()
    expect(await other.getByRole('main').getByRole('alert').allTextContents()).toEqual([])

    await done(one).tap()
    await saved(one)
    await button(other, 'Skip …').tap()
    await other.getByLabel('Why is it skipped?').fill('no disk here')
    await button(other, 'Keep').tap()
    await other.getByRole('alert').filter({ hasText: 'Copy it again to another disk' }).waitFor()
    await other.getByRole('alert').filter({ hasText: 'skipped: no disk here' }).waitFor()
  })

  it('shows what the other ticked, and what the plan asks for since, when it is looked at again', async () => {
    const plan = await freshPlan(application.address)
    await post(`${application.address}/api/plans/${plan}/walks`, {
      procedure: 'build-on',
      body: '',
      start: 'every',
    })
    const [one, other] = [await phone(browser), await phone(browser)]
    await prove(one, plan, 'build-on')
    await one.getByRole('combobox', { name: 'For' }).selectOption({ label: 'no body in particular' })
    await button(one, 'Go on with the walk').tap()
    await inHand(one).waitFor()
    await goTo(other, one.url())
    await other.getByText('0 of 2').waitFor()
    await done(one).tap()
    await saved(one)
    await other.evaluate(() => window.dispatchEvent(new Event('focus')))
    await other.getByText('1 of 2').waitFor()

    await focusByThumb(plan)
    await other.evaluate(() => window.dispatchEvent(new Event('focus')))
    await other.getByText('1 of 3').waitFor()
  })

  it('has an answer for an address that leads nowhere', async () => {
    await goTo(page, `${application.address}/walks/00000000-0000-4000-8000-00000000dead`)
    await page.getByRole('heading', { name: 'This walk cannot be shown' }).waitFor()
    await page.getByText('There is no walk at this address.').waitFor()
  })
})
