import { isAcceptRow, isGridRow, isNeedRow, isNoteRow } from '@/core/plan/rows'
import type { Locator, Page } from 'playwright-core'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { demoPlan, openApplication, openPage, saved, savedRows, type Application } from './application'
import { openChromium } from './chromium'

let application: Application
let chromium: Awaited<ReturnType<typeof openChromium>>
let page: Page

beforeAll(async () => {
  application = await openApplication()
  chromium = await openChromium()
})
afterAll(async () => {
  await chromium.close()
  await application.stop()
})
beforeEach(async () => {
  for (const open of chromium.browser.pages()) await open.close()
  page = await openPage(chromium.browser, application.address)
})

/** What the strip shows once it is at rest: it follows a step a moment later. */
const reach = async () => {
  const read = () => page.getByRole('region', { name: 'Reach' }).innerText()
  let text = ''
  const deadline = Date.now() + 20_000
  do {
    text = await read()
    if (Date.now() > deadline) throw new Error(`the strip does not come to rest: ${text}`)
    await page.waitForTimeout(200)
  } while (text.includes('…') || text !== (await read()))
  const shown = (pattern: RegExp) => Number(pattern.exec(text)?.[1])
  const minutes = /(\d+)\smin/.exec(text)
  return {
    atFinder: shown(/(\d+)\s%/),
    seconds: minutes ? Number(minutes[1]) * 60 : shown(/([\d.]+)\ss\b/),
  }
}
const stations = () => page.getByRole('navigation', { name: 'Route' })
const planId = () => page.url().split('/plans/')[1]?.split('/')[0] ?? ''
/** Asks, and stops once the best three changes are known. */
const askForThree = async (words: 'Suggest' | 'Suggest again') => {
  await page.getByRole('button', { name: words, exact: true }).click()
  await page.getByRole('button', { name: 'Stop' }).waitFor()
  await page.getByRole('button', { name: /^3 changes, saves/ }).waitFor({ timeout: 50_000 })
  await page.getByRole('button', { name: 'Stop' }).click()
  await page.getByText(/^Stopped\./).waitFor()
}

/** How a person works the page: by pointing, or by keys alone. */
interface Way {
  readonly press: (what: Locator) => Promise<void>
  /** One of several that exclude each other. */
  readonly pick: (what: Locator) => Promise<void>
  readonly turnTo: (tab: string) => Promise<void>
}

const pointing: Way = {
  press: (what) => what.click(),
  pick: (what) => what.locator('..').click(),
  turnTo: (tab) => page.getByRole('tab', { name: tab }).click(),
}

/** Tab until it has the focus, as somebody without a mouse does; then Enter. */
const focusByTab = async (what: Locator) => {
  await what.waitFor()
  for (let presses = 0; presses < 400; presses++) {
    if (await what.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error('Tab never comes to it')
}
const typing: Way = {
  press: async (what) => {
    await focusByTab(what)
    await page.keyboard.press('Enter')
  },
  pick: async (what) => {
    await focusByTab(page.getByRole('radio').first())
    for (let presses = 0; !(await what.isChecked()) && presses < 8; presses++)
      await page.keyboard.press('ArrowDown')
  },
  turnTo: async (tab) => {
    await focusByTab(page.getByRole('tab', { selected: true }))
    const wanted = page.getByRole('tab', { name: tab })
    for (let presses = 0; (await wanted.getAttribute('aria-selected')) !== 'true' && presses < 8; presses++)
      await page.keyboard.press('ArrowRight')
  },
}

/** Starts a plan for a camera chosen by its plate. */
async function startPlan({ press, pick }: Way, camera: string) {
  await press(page.getByRole('button', { name: 'Start a plan' }))
  await pick(page.getByRole('radio', { name: camera }))
  await press(page.getByRole('button', { name: 'Start the plan' }))
}

/** An empty plan to one with three changes taken and four cells filled; what it cost on the way. */
async function fromEmptyToFilled(way: Way) {
  const { press, turnTo } = way
  await startPlan(way, 'Hollin Mere')
  await page.getByRole('heading', { name: 'What you shoot' }).waitFor()
  await press(page.getByRole('button', { name: /^Stage and rehearsal/ }))
  await press(page.getByRole('button', { name: /^Interviews/ }))
  await page.getByRole('region', { name: 'Interviews' }).waitFor()
  const empty = await reach()

  await press(stations().getByRole('link', { name: /^Controls/ }))
  await turnTo('Suggest')
  await press(page.getByRole('button', { name: 'Suggest', exact: true }))
  await page.getByRole('button', { name: /^3 changes, saves/ }).waitFor({ timeout: 50_000 })
  await press(page.getByRole('button', { name: /^3 changes, saves/ }))
  const verdict = await page.getByText(/^Proven: for these needs/).count()
  const reasons = await page.getByText(/times: .+ → /).count()
  await press(page.getByRole('button', { name: 'Take all 3' }))
  await saved(page)
  const taken = await reach()

  await press(stations().getByRole('link', { name: /^Menus/ }))
  const grid = page.getByRole('region', { name: 'Stills function menu' })
  for (const cell of [1, 2, 3, 4]) {
    await press(grid.getByRole('button', { name: new RegExp(`, cell ${cell}:`) }))
    await press(page.getByRole('combobox', { name: /^Instead/ }))
    if (press === pointing.press) await page.getByRole('listbox').getByRole('option').first().click()
    else for (const one of ['ArrowDown', 'Enter']) await page.keyboard.press(one)
  }
  await saved(page)
  return {
    empty,
    taken,
    verdict,
    reasons,
    filled: await reach(),
    rows: await savedRows(application.address, planId()),
  }
}

function expectBetter({
  empty,
  taken,
  verdict,
  reasons,
  filled,
  rows,
}: Awaited<ReturnType<typeof fromEmptyToFilled>>) {
  expect(verdict).toBe(1)
  expect(reasons).toBeGreaterThanOrEqual(3)
  expect(taken.atFinder).toBeGreaterThan(empty.atFinder)
  expect(taken.seconds).toBeLessThan(empty.seconds)
  expect(filled.seconds).toBeLessThanOrEqual(taken.seconds)
  const names = Object.keys(rows)
  expect(names.filter((row) => isNeedRow(row)).length).toBeGreaterThan(20)
  expect(names.filter((row) => isGridRow(row, 'still-table')).length).toBeGreaterThanOrEqual(4)
}

describe('a newcomer with an empty plan', () => {
  it('chooses what they shoot, takes three changes of a proven suggestion, fills four cells, and reaches more', async () => {
    expectBetter(await fromEmptyToFilled(pointing))
  })

  it('does the same by keyboard alone', async () => {
    expectBetter(await fromEmptyToFilled(typing))
  }, 180_000)
})

describe('a suggestion that is wrong', () => {
  it('is said to be so, with the reason; the next one heeds it; what was taken is undone as one', async () => {
    await page.goto(`${application.address}/plans/${demoPlan}/controls`, { waitUntil: 'networkidle' })
    const before = await reach()
    await page.getByRole('tab', { name: 'Suggest' }).click()
    await askForThree('Suggest')
    await page.getByRole('button', { name: /^3 changes, saves/ }).click()
    const first = page.getByRole('listitem').filter({ hasText: 'Not like this' }).first()
    const place = await first
      .getByRole('checkbox')
      .evaluate((box) => box.closest('li')?.innerText.split('\n')[0] ?? '')
    await first.getByRole('button', { name: 'Not like this' }).click()
    await page.getByLabel('Why not').fill('The glove never finds it.')
    await page.getByRole('button', { name: 'Lock this place' }).click()
    await page.getByText('Heeds 1 locked').waitFor()
    await askForThree('Suggest again')
    await page.getByRole('button', { name: /^3 changes, saves/ }).click()
    await expect.poll(() => page.getByRole('listitem').filter({ hasText: place }).count()).toBe(0)
    await page.getByRole('button', { name: 'Take all 3' }).click()
    await expect.poll(async () => (await reach()).seconds).toBeLessThan(before.seconds)
    await page.keyboard.press('Control+z')
    await expect.poll(async () => (await reach()).seconds).toBe(before.seconds)
    await page.keyboard.press('Control+z')
    await saved(page)
    expect(
      Object.keys(await savedRows(application.address, demoPlan)).some((row) => isNoteRow(row, 'lock')),
    ).toBe(false)
  })

  it('can be stopped, and then asked again', async () => {
    await page.goto(`${application.address}/plans/${demoPlan}/controls`, { waitUntil: 'networkidle' })
    await page.getByRole('tab', { name: 'Suggest' }).click()
    await page.getByRole('button', { name: 'Suggest', exact: true }).click()
    await page.getByRole('button', { name: 'Stop' }).click()
    await page.getByText(/^Stopped\./).waitFor()
    await askForThree('Suggest again')
    await expect.poll(() => page.getByRole('button', { name: /changes?, saves/ }).count()).toBeGreaterThan(2)
  })
})

describe('the find box', () => {
  it('leads by keyboard to a key, to a setting by the field’s own word for it, and to a bank', async () => {
    await page.goto(`${application.address}/plans/${demoPlan}/foundation`, { waitUntil: 'networkidle' })
    const find = async (words: string) => {
      await page.keyboard.press('Control+k')
      await page.getByRole('combobox', { name: /^Find/ }).waitFor()
      await page.keyboard.type(words)
      await page.keyboard.press('Enter')
      await page.getByRole('dialog').waitFor({ state: 'hidden' })
    }
    await find('lower right stills press')
    await page.getByRole('heading', { name: 'Lower right key' }).waitFor()
    await find('white balance setting')
    await page.getByRole('region', { name: 'White balance', exact: true }).waitFor()
    await page.keyboard.press('Control+k')
    await page.keyboard.type('edge highlighting')
    await page
      .getByRole('option', { name: /^Focus peaking/ })
      .first()
      .waitFor()
    await page.getByText('Colours the edges in focus while you focus by hand.').waitFor()
    await page.keyboard.press('Escape')
    await page.keyboard.press('Escape')
    await page.getByRole('dialog').waitFor({ state: 'hidden' })
    await find('interviews bank')
    await page.getByRole('region', { name: 'Bank Interviews' }).waitFor()
  })

  it('works on the shelf, too', async () => {
    await page.keyboard.press('Control+k')
    await page.getByRole('combobox', { name: /^Find a plan/ }).waitFor()
    await page.keyboard.type('film and copy')
    await page.getByRole('option', { name: /^Film and copy stand/ }).waitFor()
    await page.keyboard.press('Enter')
    await page.waitForURL(/\/plans\/.*\/controls/)
  })
})

describe('all faces on one sheet', () => {
  it('print one to a page of A4, with nothing but the plates', async () => {
    await page.goto(`${application.address}/plans/${demoPlan}/controls`, { waitUntil: 'networkidle' })
    await page.getByRole('button', { name: 'All faces' }).click()
    await page.getByRole('heading', { name: 'Front' }).waitFor()
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
    expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(3)
    expect(pdf).toMatch(/\/MediaBox\s*\[0 0 841\.\d+ 594\.\d+\]/)
    await page.emulateMedia({ media: 'print' })
    await expect.poll(() => page.getByRole('region', { name: 'Reach' }).isVisible()).toBe(false)
    await expect.poll(() => page.getByRole('heading', { name: 'Top' }).isVisible()).toBe(true)
    await page.emulateMedia({ media: 'screen' })
  })
})

describe('a finding that is meant so', () => {
  it('is kept with its reason and not said again', async () => {
    await page.goto(`${application.address}/plans/${demoPlan}/banks`, { waitUntil: 'networkidle' })
    await page.getByRole('tab', { name: 'Problems' }).click()
    const meant = page.getByRole('button', { name: 'It is meant so' })
    await meant.first().waitFor()
    const before = await meant.count()
    expect(before).toBeGreaterThan(0)
    await meant.first().click()
    await page.getByLabel('Why it is meant so').fill('One for each hand.')
    await page.keyboard.press('Enter')
    await saved(page)
    await expect.poll(() => meant.count()).toBeLessThan(before)
    const accepted = Object.entries(await savedRows(application.address, demoPlan)).filter(([row]) =>
      isAcceptRow(row),
    )
    expect(accepted.map(([, why]) => why)).toEqual(['One for each hand.'])
    await page.getByRole('button', { name: /^Undo/ }).click()
    await expect.poll(() => meant.count()).toBe(before)
    await saved(page)
  })
})

describe('a situation of one’s own', () => {
  it('gets its name, its needs and how often they come, and each shows its way and its price', async () => {
    await startPlan(pointing, 'Hollin Mere')
    await page.getByRole('button', { name: /^Something else/ }).click()
    await page.getByLabel('Name of the situation').fill('Hedge at dusk')
    await page.keyboard.press('Enter')
    const table = page.getByRole('region', { name: 'Hedge at dusk' })
    await table.getByLabel('Add an adjustment').fill('no such thing')
    await page.keyboard.press('Enter')
    await expect.poll(() => table.getByRole('alert').innerText()).toContain('knows no “no such thing”')
    await table.getByLabel('Add an adjustment').fill('White balance')
    await page.keyboard.press('Enter')
    const row = table.getByRole('row', { name: /White balance/ })
    await expect.poll(() => row.innerText()).toMatch(/× press .*= [\d.]+ s/)
    await row.getByLabel('White balance, how often').selectOption('very often')
    await row.getByLabel('White balance, urgent').check()
    await row.getByLabel('White balance, times an outing').fill('12000')
    await page.keyboard.press('Tab')
    await expect.poll(() => row.getByRole('alert').innerText()).toBe('0 to 9999')
    await row.getByLabel('White balance, times an outing').fill('70')
    await page.keyboard.press('Enter')
    await saved(page)
    expect(await savedRows(application.address, planId())).toMatchObject({
      'situation/own-1/name': 'Hedge at dusk',
      'need/own-1/colour.balanceMode': ['70', 'urgent'],
    })
  })
})
