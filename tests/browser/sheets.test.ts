import { readFile } from 'node:fs/promises'
import ExcelJS from 'exceljs'
import type { Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoPlan, freshPlan, goTo, openInBrowser, savedRows, type Application } from './application'

let application: Application
let page: Page
let end: () => Promise<void>

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
})
afterAll(() => end())

const open = (plan: string, hash = '') => goTo(page, `${application.address}/plans/${plan}/sheets${hash}`)
const pages = () => page.getByRole('list', { name: 'Pages' }).getByRole('img')

describe('the sheets of a plan', () => {
  it('are shown as they are printed, for each body with its own firmware and prefix', async () => {
    await open(demoPlan)
    await pages().first().waitFor()
    expect(await pages().first().textContent()).toContain('Pocket card')
    expect(await pages().first().textContent()).toContain('AF start with eye detection')
    await page.getByRole('combobox', { name: 'For' }).selectOption('heron-b')
    await expect.poll(() => pages().first().textContent()).toMatch(/Heron B, firmware 1\.\d/)
    await page.getByRole('combobox', { name: 'For' }).selectOption('heron-a')
    await expect.poll(() => pages().first().textContent()).toMatch(/Heron A, firmware 1\.\d/)
    const one = await pages().count()
    await page.getByRole('combobox', { name: 'For' }).selectOption('each body, one after the other')
    await expect.poll(() => pages().count()).toBeGreaterThan(one)
    const heads = (await pages().allTextContents()).filter((text) => text.startsWith('Pocket card'))
    expect(heads.map((text) => /Heron [AB]/.exec(text)?.[0])).toEqual(['Heron A', 'Heron B'])
  })

  it('open as a PDF with its fonts, to be printed', async () => {
    await open(demoPlan)
    await pages().first().waitFor()
    const count = await pages().count()
    // What a new tab would open is read where it is made.
    await page.evaluate(() => {
      const made = URL.createObjectURL.bind(URL)
      URL.createObjectURL = (given: Blob) => {
        ;(window as unknown as { made: Promise<string> }).made = given
          .arrayBuffer()
          .then((bytes) => Array.from(new Uint8Array(bytes), (byte) => String.fromCharCode(byte)).join(''))
        return made(given)
      }
    })
    await page.getByRole('button', { name: 'Open as PDF, to print' }).click()
    await expect
      .poll(() => page.evaluate(() => 'made' in window), { timeout: 60_000, interval: 200 })
      .toBe(true)
    const pdf = await page.evaluate(() => (window as unknown as { made: Promise<string> }).made)
    expect(pdf.slice(0, 5)).toBe('%PDF-')
    expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(count)
    expect(pdf).toMatch(/\/FontName \/[A-Z]{6}\+Sheet-bold/)
    expect(pdf).toContain('/Lang (en)')
  })

  it('leave out what their owner takes off them, and remember it with the plan', async () => {
    const plan = await freshPlan(application.address)
    await open(plan, '#full')
    await pages().first().waitFor()
    await page.locator('summary', { hasText: 'What is on it' }).click()
    await page.getByRole('checkbox', { name: 'Settings in menu order' }).click()
    await expect
      .poll(async () => (await savedRows(application.address, plan))['sheet/full/without'])
      .toEqual(['settings'])
    await page.goto('about:blank')
    await open(plan, '#full')
    await page.locator('summary', { hasText: 'What is on it: 1 left out' }).waitFor()
    await expect
      .poll(async () => (await pages().allTextContents()).join(' '), { timeout: 20_000 })
      .not.toContain('Settings, in the order of the menu')
    expect((await pages().allTextContents()).join(' ')).toContain('By finger')
  })

  it('go out as a workbook, are changed by somebody else, and come back line by line', async () => {
    const plan = await freshPlan(application.address)
    await open(plan, '#full')
    await pages().first().waitFor()
    const saved = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Workbook', exact: true }).click()
    const path = await (await saved).path()
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await readFile(path)) as unknown as ExcelJS.Buffer)
    const edit = book.getWorksheet('Edit')
    if (!edit) throw new Error('no page to be changed')
    const column = (name: string) => (edit.getRow(1).values as string[]).indexOf(name)
    const lineOf = (row: string) => {
      let found = 0
      edit.eachRow((each, i) => {
        if (each.getCell(column('Row')).value === row) found = i
      })
      return edit.getRow(found)
    }
    lineOf('base/exposure.aperture@stills').getCell(column('Value')).value = 'f/5.6'
    lineOf('base/exposure.iso@stills').getCell(column('Value')).value = 'ISO 3'
    lineOf('key/stills/thumb-key/press').getCell(column('Why')).value = '=because it is nearest'
    await page.getByLabel('Workbook or CSV').setInputFiles({
      name: 'back.xlsx',
      mimeType: 'application/octet-stream',
      buffer: Buffer.from(await book.xlsx.writeBuffer()),
    })
    const lines = page.getByRole('list', { name: 'Changed lines' })
    await lines.waitFor({ timeout: 40_000 })
    expect(await lines.textContent()).toContain('f/5.6')
    expect(await lines.getByText('refused').count()).toBe(1)
    await page.getByRole('button', { name: 'Take 2 changes' }).click()
    await expect
      .poll(async () => (await savedRows(application.address, plan))['base/exposure.aperture@stills'])
      .toBe('f/5.6')
    expect((await savedRows(application.address, plan))['why/key/stills/thumb-key/press']).toBe(
      '=because it is nearest',
    )
  })

  it.each([
    ['a picture', Buffer.from('%PDF-1.7 and so on'), 'neither a workbook'],
    ['an empty file', Buffer.alloc(0), 'empty'],
    ['a damaged workbook', Buffer.from('PK\u0003\u0004 nothing'), 'damaged'],
    ['a table of something else', Buffer.from('Name;Age\nPunch;200\n'), 'Row and Value'],
  ])('says of %s why it is not taken, and goes on', async (_what, buffer, words) => {
    await open(demoPlan)
    await page
      .getByLabel('Workbook or CSV')
      .setInputFiles({ name: 'it.xlsx', mimeType: 'application/octet-stream', buffer })
    await expect
      .poll(() => page.getByRole('region', { name: 'Take back a workbook' }).textContent(), {
        timeout: 40_000,
      })
      .toContain(words)
  })
})
