import type { Locator, Page } from 'playwright-core'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import {
  freshPlan,
  goTo,
  key,
  openApplication,
  openPage,
  saved,
  savedRows,
  type Application,
} from './application'
import { openChromium } from './chromium'

let application: Application
let chromium: Awaited<ReturnType<typeof openChromium>>
let plan = ''
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
  plan = await freshPlan(application.address)
  page = await openPage(chromium.browser, `${application.address}/plans/${plan}/controls`)
})

const text = async (name: string) => (await key(page, name).innerText()).trim()
const rows = () => savedRows(application.address, plan)
const middle = async (name: string) => {
  const box = await key(page, name).boundingBox()
  if (!box) throw new Error(`${name} is not on the plate`)
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
}
/** Looks for a function in the list beside the plate, and clicks it. */
const pick = async (words: string) => {
  await page.getByRole('combobox', { name: /^Instead/ }).fill(words)
  await page.getByRole('option', { name: new RegExp(`^${words}`) }).click()
}
/** Drags from a place onto a key's label; lets go, as a person does, once the label shows that it will take it. */
const dragTo = async (name: string, from: { x: number; y: number }) => {
  const to = await middle(name)
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(from.x - 20, from.y - 20, { steps: 4 })
  await page.mouse.move(to.x, to.y, { steps: 12 })
  await expect.poll(() => key(page, name).getAttribute('data-over')).toBe('true')
  await page.mouse.up()
}

describe('putting a function on a key', () => {
  it('by click: the plate shows it, the panel tells what it displaced, and it is saved', async () => {
    await key(page, 'Thumb focus key').click()
    await pick('AF start with eye detection')
    await expect.poll(() => text('Thumb focus key')).toBe('AF start with eye detection')
    const displaced = page.getByRole('status').filter({ hasText: 'Displaced' })
    await expect
      .poll(() => displaced.innerText())
      .toMatch(/AE lock was here\. No key has it now\. It has no menu line\./)
    await saved(page)
    expect((await rows())['key/stills/thumb-key/press']).toBe('start-focus-eyes')
  })

  it('by dragging one label onto another: the function moves, and what was there can go to the freed key', async () => {
    await dragTo('Crown key', await middle('Thumb focus key'))
    await expect.poll(() => text('Crown key')).toBe('AE lock')
    await expect.poll(() => text('Thumb focus key')).toBe('empty')
    await page.getByRole('button', { name: 'Put it on Thumb focus key' }).click()
    await expect.poll(() => text('Thumb focus key')).toBe('Playback')
    await saved(page)
    expect(await rows()).toMatchObject({
      'key/stills/crown-key/press': 'keep-exposure',
      'key/stills/thumb-key/press': 'playback',
    })
  })

  it('by dragging from the list onto a key', async () => {
    await key(page, 'Thumb focus key').click()
    await page.getByRole('combobox', { name: /^Instead/ }).fill('choose iso')
    const shown = page.getByRole('option', { name: /^Choose ISO/ })
    await shown.scrollIntoViewIfNeeded()
    const option = await shown.boundingBox()
    if (!option) throw new Error('no option')
    await dragTo('Crown key', { x: option.x + 40, y: option.y + 14 })
    await expect.poll(() => text('Crown key')).toBe('Choose ISO')
  })

  it('by keyboard alone: search and Enter, then M to move, then Escape backs out', async () => {
    await key(page, 'Thumb focus key').focus()
    await page.keyboard.press('Enter')
    await page.getByRole('combobox', { name: /^Instead/ }).waitFor()
    await page.keyboard.type('eyes')
    await page.keyboard.press('Enter')
    await expect.poll(() => text('Thumb focus key')).toBe('AF start with eye detection')
    await page.keyboard.press('Escape')
    await expect
      .poll(() => key(page, 'Thumb focus key').evaluate((element) => element === document.activeElement))
      .toBe(true)
    await page.keyboard.press('m')
    await key(page, 'Lower right key').focus()
    await page.keyboard.press('Enter')
    await expect.poll(() => text('Lower right key')).toBe('AF start with eye detection')
    await key(page, 'Crown key').focus()
    await page.keyboard.press('Delete')
    await expect.poll(() => text('Crown key')).toBe('empty')
    await saved(page)
  })

  it('is refused with the reason where the key does not accept it', async () => {
    await key(page, 'Crown key').focus()
    await page.keyboard.press('m')
    await key(page, 'Rear dial', 'turn').focus()
    await page.keyboard.press('Enter')
    await expect
      .poll(() => page.getByRole('alert').filter({ hasText: 'Not done' }).innerText())
      .toContain('Rear dial, turn, stills does not accept Playback.')
    await expect.poll(() => text('Crown key')).toBe('Playback')
  })
})

describe('putting something into a menu by dragging', () => {
  const cell = (number: number) =>
    page.locator('main').getByRole('button', { name: new RegExp(`, cell ${number}: `) })
  const words = async (number: number) => (await cell(number).innerText()).replace(/\s+/g, ' ')
  const boxOf = async (what: Locator) => {
    const box = await what.boundingBox()
    if (!box) throw new Error('it is not on the page')
    return box
  }
  /** Takes something where the pointer is put on it, and holds it over a cell. */
  const hold = async (from: { x: number; y: number }, number: number) => {
    const box = await boxOf(cell(number))
    const to = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
    await page.mouse.move(from.x, from.y)
    await page.mouse.down()
    await page.mouse.move(from.x - 20, from.y - 20, { steps: 4 })
    await page.mouse.move(to.x, to.y, { steps: 12 })
    await expect.poll(() => cell(number).getAttribute('data-over')).toBe('true')
    return to
  }

  beforeEach(async () => {
    await goTo(page, `${application.address}/plans/${plan}/menus`)
  })

  it('takes it where the pointer is, out of the list; what is dragged hangs on the pointer', async () => {
    await cell(2).click()
    const option = page.locator('aside [role=option]').nth(1)
    await option.waitFor()
    const name = (await option.locator('p').first().innerText()).split('\n')[0] ?? ''
    const { x, y } = await boxOf(option)
    const to = await hold({ x: x + 40, y: y + 14 }, 7)
    const chip = await boxOf(page.locator('p.text-pan', { hasText: name }).last())
    expect(Math.abs(chip.y + chip.height / 2 - to.y)).toBeLessThan(30)
    await page.mouse.up()
    await expect.poll(() => words(7)).toContain(name)
  })

  it('changes places, also where the first drag of a visit begins at once', async () => {
    const [one, five] = [await words(1), await words(5)]
    const { x, y } = await boxOf(cell(1))
    await hold({ x: x + 60, y: y + 30 }, 5)
    await page.mouse.up()
    await expect.poll(() => words(5)).toContain(one.split(' ').slice(0, 2).join(' '))
    expect(await words(1)).toContain(five.split(' ').slice(0, 2).join(' '))
  })
})

describe('undo', () => {
  it('takes the last step back with Ctrl+Z, brings it again with Shift, and reaches over a reload', async () => {
    await key(page, 'Lower right key').click()
    await pick('Movie record')
    await page.getByRole('button', { name: 'Close' }).click()
    await page.keyboard.press('Control+z')
    await expect.poll(() => text('Lower right key')).toBe('Magnifier')
    await page.keyboard.press('Control+Shift+z')
    await expect.poll(() => text('Lower right key')).toBe('Movie record')
    await saved(page)
    await page.reload({ waitUntil: 'networkidle' })
    await page.getByRole('button', { name: /^Undo: Lower right key, press, stills/ }).click()
    await expect.poll(() => text('Lower right key')).toBe('Magnifier')
    await saved(page)
    expect((await rows())['key/stills/cheek-key/press']).toBeUndefined()
  })
})

describe('stills and motion', () => {
  it('flip the whole plate, each with its own functions', async () => {
    await expect.poll(() => page.getByText(/\d+ differ in motion/).innerText()).toContain('2 differ')
    await expect.poll(() => text('Screen key, third')).toBe('Next detected subject')
    await key(page, 'Screen key, third').click()
    await pick('Silent shutter')
    await page.getByRole('radio', { name: 'Motion' }).click()
    await expect.poll(() => text('Screen key, third')).toBe('Next detected subject')
    await expect.poll(() => page.getByText(/\d+ differ in stills/).innerText()).toContain('3 differ')
  })
})

describe('two tabs', () => {
  it('take up each other’s changes silently on other rows, and ask on the same row', async () => {
    const other = await openPage(chromium.browser, `${application.address}/plans/${plan}/controls`)
    await key(page, 'Crown key').focus()
    await page.keyboard.press('Delete')
    await saved(page)
    await key(other, 'Lower right key').focus()
    await other.keyboard.press('Delete')
    await saved(other)
    expect((await key(other, 'Crown key').innerText()).trim()).toBe('empty')
    await expect.poll(() => other.getByRole('alert').filter({ hasText: 'Changed elsewhere' }).count()).toBe(0)

    await key(page, 'Lower right key').click()
    await pick('Movie record')
    await expect
      .poll(() => page.getByRole('alert').filter({ hasText: 'Changed elsewhere' }).innerText())
      .toMatch(/it is now No function; you wanted Movie record/)
    await expect.poll(() => text('Lower right key')).toBe('empty')
    await expect.poll(() => page.getByRole('status').filter({ hasText: 'Displaced' }).count()).toBe(0)
    await page.getByRole('button', { name: 'Put mine back' }).click()
    await expect.poll(() => text('Lower right key')).toBe('Movie record')
    await saved(page)
    expect(await rows()).toMatchObject({
      'key/stills/crown-key/press': 'nothing',
      'key/stills/cheek-key/press': 'record',
    })
  })
})

describe('the plate', () => {
  it('keeps every label inside the sheet, apart from the others and readable, at 1280, 820 and 390 wide', async () => {
    for (const [width, height] of [
      [1280, 800],
      [820, 1180],
      [390, 844],
    ] as const) {
      await page.setViewportSize({ width, height })
      await page.waitForTimeout(200)
      const boxes = await page.locator('[data-address]').evaluateAll((labels) =>
        labels.map((label) => {
          const { x, y, width: w, height: h } = label.getBoundingClientRect()
          return { x, y, w, h, size: parseFloat(getComputedStyle(label).fontSize) }
        }),
      )
      expect(boxes.length).toBe(17)
      boxes.forEach((one, i) => {
        expect(one.x).toBeGreaterThanOrEqual(0)
        expect(one.x + one.w).toBeLessThanOrEqual(width)
        expect(one.size).toBeGreaterThanOrEqual(13)
        for (const two of boxes.slice(i + 1)) {
          const apart =
            one.x + one.w <= two.x + 0.5 ||
            two.x + two.w <= one.x + 0.5 ||
            one.y + one.h <= two.y + 0.5 ||
            two.y + two.h <= one.y + 0.5
          expect(apart, `${JSON.stringify(one)} ${JSON.stringify(two)}`).toBe(true)
        }
      })
      await expect
        .poll(() => page.evaluate(() => document.documentElement.scrollWidth))
        .toBeLessThanOrEqual(width)
    }
    await page.setViewportSize({ width: 1280, height: 800 })
  })
})

describe('a finger on a phone', () => {
  /** A finger put down on a label, resting so long, moved down the page by so much in small steps, and lifted. */
  const finger = async (name: string, restMilliseconds: number, down: number) => {
    const cdp = await page.context().newCDPSession(page)
    await cdp.send('Emulation.setTouchEmulationEnabled', { enabled: true })
    const from = await middle(name)
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', y = 0) =>
      cdp.send('Input.dispatchTouchEvent', {
        type,
        touchPoints: type === 'touchEnd' ? [] : [{ x: from.x, y }],
      })
    await touch('touchStart', from.y)
    await page.waitForTimeout(restMilliseconds)
    for (let i = 1; i <= 10; i++) {
      await touch('touchMove', from.y + (down * i) / 10)
      await page.waitForTimeout(16)
    }
    return () => touch('touchEnd')
  }

  beforeEach(async () => {
    await page.setViewportSize({ width: 390, height: 844 })
    await page.waitForTimeout(300)
  })

  it('that swipes over a key scrolls the page and leaves the key alone', async () => {
    await key(page, 'Crown key').scrollIntoViewIfNeeded()
    const before = await page.evaluate(() => window.scrollY)
    const lift = await finger('Crown key', 20, -200)
    await lift()
    await expect.poll(() => page.evaluate(() => window.scrollY)).toBeGreaterThan(before + 50)
    expect(await rows()).toEqual({ title: expect.any(String) as string })
  })

  it('that rests on a key a moment carries its function to another', async () => {
    // Away from the edges of the screen, at which a drag scrolls the page.
    await key(page, 'Finder key').evaluate((label) => label.scrollIntoView({ block: 'center' }))
    await page.waitForTimeout(300)
    const [from, to] = [await middle('Crown key'), await middle('Finder key')]
    const lift = await finger('Crown key', 500, to.y - from.y)
    await expect.poll(() => key(page, 'Finder key').getAttribute('data-over')).toBe('true')
    await lift()
    await expect.poll(() => text('Finder key')).toBe('Playback')
    expect(await text('Crown key')).toBe('empty')
  })
})
