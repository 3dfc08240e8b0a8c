import { readFile } from 'node:fs/promises'
import type { Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { must } from '@/core/result'
import { openArchive } from '@/disk/archive'
import { demoPlan, goTo, openEmpty, openInBrowser, type Application } from './application'

let application: Application
let page: Page
let end: () => Promise<void>

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
})
afterAll(() => end())

const go = (path: string) => goTo(page, `${application.address}${path}`)
const part = (name: string) => page.getByRole('region', { name, exact: true })
const textOf = (name: string) => part(name).innerText()

/** Chooses bodies at the Carry station, and carries to them. */
async function carryTo(...names: string[]) {
  await go(`/plans/${demoPlan}/carry`)
  const all = page.getByRole('group', { name: 'Bodies' }).getByRole('button')
  for (const body of await all.all()) {
    const text = await body.innerText()
    const isWanted = names.some((name) => text.startsWith(name))
    if (((await body.getAttribute('aria-pressed')) === 'true') !== isWanted) await body.click()
  }
  await page.getByRole('button', { name: `Carry to ${names.join(' and ')}` }).click()
}

describe('two bodies of one model', () => {
  it('are carried to at once; a card pulled half-way on one leaves it as it was, and the other proven', async () => {
    await go('/bodies/heron-b')
    await part('Bench').getByLabel('Happens').selectOption('card-pulled')
    await part('Bench')
      .getByText(/Before “Load”: the card is pulled out/)
      .waitFor()
    await carryTo('Heron A', 'Heron B')
    await part('Transfer to Heron A')
      .getByText(/^Identical · /)
      .waitFor()
    await part('Transfer to Heron B').getByText('Heron B is as it was before').waitFor()
    await go('/bodies/heron-a')
    await expect.poll(() => textOf('Believed to hold')).toContain('every row was read back and is equal')
    await go('/bodies/heron-b')
    await expect.poll(() => textOf('Believed to hold')).toContain('Nothing is known')
    await expect.poll(() => textOf('Against another body')).toMatch(/\d+ rows differ that no plan wants so/)
  })

  it('hold the same once the cause is mended and it is carried again', async () => {
    await go('/bodies/heron-b')
    await part('Bench').getByLabel('Card', { exact: true }).selectOption('ready')
    await expect.poll(() => part('Bench').getByLabel('Card', { exact: true }).inputValue()).toBe('ready')
    await carryTo('Heron B')
    await part('Transfer to Heron B')
      .getByText(/^Identical · /)
      .waitFor()
    await go('/bodies/heron-b?against=heron-a')
    await expect.poll(() => textOf('Against another body')).toContain('Heron B and Heron A hold the same')
    await expect.poll(() => textOf('Against another body')).toContain('Each camera has its own.')
  })

  it('clash where both write the same file names, and the shelf says so', async () => {
    await go('/')
    const attention = part('Needs attention')
    expect(await attention.innerText()).not.toContain('get the same names')
    await go('/bodies')
    for (const name of ['Heron A', 'Heron B']) {
      await page.getByRole('button', { name: new RegExp(`^${name}`) }).click()
      const prefix = part('Bodies').getByRole('textbox', { name: 'File prefix' })
      await prefix.fill('LH')
      await prefix.press('Enter')
    }
    await page.locator('header [role=status]', { hasText: /^saved$/ }).waitFor()
    await go('/')
    await expect.poll(() => attention.innerText()).toContain('get the same names')
    await attention.getByRole('link', { name: 'Heron A against Heron B' }).click()
    await page.getByRole('heading', { name: 'Against another body' }).waitFor()
  })
})

describe('a firmware day', () => {
  it('shows gates and what the update brings; afterwards what the body holds is in doubt, until it is carried again', async () => {
    await go('/bodies/heron-a')
    await part('Bench').getByLabel('Firmware', { exact: true }).selectOption('2.0')
    const day = part('Firmware day: 1.2 to 2.0')
    await expect.poll(() => day.innerText()).toContain('Vehicles')
    await expect.poll(() => day.getByLabel('open').count()).toBe(3)
    await day.getByRole('button', { name: 'Update to 2.0' }).click()
    await expect.poll(() => textOf('Believed to hold')).toContain('Firmware was 1.2 then and is 2.0 now')
    await carryTo('Heron A')
    await part('Transfer to Heron A')
      .getByText(/^Identical · /)
      .waitFor()
    await go('/bodies/heron-a')
    await expect.poll(() => textOf('Believed to hold')).not.toContain('In doubt')
    await expect.poll(() => textOf('What happened to it')).toContain('Firmware 1.2 → 2.0.')
  })

  it('stays shut on a low battery', async () => {
    await go('/bodies/heron-b')
    await part('Bench').getByRole('textbox', { name: 'Battery, percent' }).fill('20')
    await part('Bench').getByRole('textbox', { name: 'Battery, percent' }).press('Enter')
    await part('Bench').getByLabel('Firmware', { exact: true }).selectOption('2.0')
    const day = part('Firmware day: 1.2 to 2.0')
    await expect.poll(() => day.innerText()).toContain('charge it first')
    expect(await day.getByRole('button', { name: 'Update to 2.0' }).isDisabled()).toBe(true)
  })
})

describe('files on the shelf', () => {
  const row = () => page.getByRole('row').filter({ hasText: 'Backup of Heron B' }).first()

  it('have tags of their owner’s, by which they are found', async () => {
    await go('/files')
    const tags = row().getByRole('textbox', { name: /^Tags of/ })
    await tags.fill('before the tour, spare')
    await tags.press('Enter')
    await page.getByRole('link', { name: 'before the tour' }).click()
    await expect.poll(() => page.getByRole('row').count()).toBe(2)
    await expect.poll(() => page.getByRole('main').innerText()).toContain('1 to 1 of 1')
  })

  it('go into the bin and come back from there, with their bytes', async () => {
    await go('/files?tag=spare')
    await row().getByRole('button', { name: 'Put into the bin' }).click()
    await page.getByText('No file is like that.').waitFor()
    await page.getByRole('link', { name: 'In the bin' }).click()
    await row().getByRole('button', { name: 'Put back on the shelf' }).click()
    await page.getByText('No file is like that.').waitFor()
    await go('/files?tag=spare')
    await row().waitFor()
  })

  it('are carried to a body from there', async () => {
    await go('/files?tag=spare')
    await row().getByRole('link', { name: 'Carry to a body' }).click()
    await page.getByRole('heading', { name: 'Carry to a body' }).waitFor()
    await expect.poll(() => page.getByLabel('Carry', { exact: true }).inputValue()).toMatch(/^file:/)
  })
})

describe('everything as one file', () => {
  it('is taken along whole, and refused where something is kept already', async () => {
    await go('/')
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Take everything along' }).click(),
    ])
    const path = await download.path()
    const archive = must(await openArchive(path, 'download'))
    archive.close()
    expect(archive.manifest.tables).toMatchObject({ plans: 2, bodies: 4 })
    await page.getByLabel('File to bring in').setInputFiles({
      name: 'everything.zip',
      mimeType: 'application/zip',
      buffer: await readFile(path),
    })
    await page.getByRole('alert').filter({ hasText: 'goes into an empty installation only' }).waitFor()
  })

  it('brought into an empty installation, is all there: what that takes along is the same, part by part', async () => {
    const taken = async (on: Page) => {
      const [download] = await Promise.all([
        on.waitForEvent('download'),
        on.getByRole('link', { name: 'Take everything along' }).click(),
      ])
      const path = await download.path()
      const archive = must(await openArchive(path, 'download'))
      archive.close()
      return { path, manifest: archive.manifest }
    }
    await go('/')
    const here = await taken(page)
    const empty = await openEmpty()
    try {
      const there = await page.context().newPage()
      await goTo(there, empty.address)
      expect(await there.getByText('Night rehearsals').count()).toBe(0)
      await there.getByLabel('File to bring in').setInputFiles({
        name: 'everything.zip',
        mimeType: 'application/zip',
        buffer: await readFile(here.path),
      })
      await there.getByText('Everything in everything.zip is here.').waitFor()
      await goTo(there, empty.address)
      await there.getByRole('heading', { name: 'Night rehearsals' }).first().waitFor()
      const again = await taken(there)
      expect(again.manifest.tables).toEqual(here.manifest.tables)
      expect(again.manifest.entries).toEqual(here.manifest.entries)
      await goTo(there, `${empty.address}/bodies/heron-b`)
      await there.getByText('every row was read back and is equal').first().waitFor()
      await there.close()
    } finally {
      await empty.stop()
    }
  })
})
