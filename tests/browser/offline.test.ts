import { cpSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from 'playwright-core'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { root } from '../../scripts/lib/system.mjs'
import {
  demoPlan,
  filmPlan,
  goTo,
  notSaved,
  openInBrowser,
  post,
  saved,
  savedRows,
  type Application,
} from './application'
import { keptOf, settledIn } from './phone'

let application: Application
let page: Page
let end: () => Promise<void>
const other = `${process.env.SALT_SHELF_BUILD}-other`

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
})
afterAll(async () => {
  await end()
  rmSync(join(root, other), { recursive: true, force: true })
})

afterEach(() => page.context().setOffline(false))

const at = (path: string) => `${application.address}${path}`
const offline = (is: boolean) => page.context().setOffline(is)
const named = (on: Page) => on.getByLabel('Name of the plan')
const sign = (on: Page) => on.getByText(/^Without a connection, as of/)

/** Opens a page until this device keeps it and its service worker has taken over. */
async function openOnce(path: string, kept = path): Promise<void> {
  await goTo(page, at(path))
  await settledIn(page, kept)
}

async function name(on: Page, words: string): Promise<void> {
  await named(on).fill(words)
  await named(on).press('Tab')
}

describe('what was opened once', () => {
  it(
    'opens without a connection, a plan at every station, reckoned there as with one',
    { timeout: 150_000 },
    async () => {
      await openOnce(`/plans/${demoPlan}/controls`, `/plans/${demoPlan}`)
      const route = page.getByRole('navigation', { name: 'Route' })
      const stand = async () => (await route.getByRole('link').allTextContents()).slice(0, -1)
      await expect.poll(async () => (await stand()).some((words) => words.includes('…'))).toBe(false)
      const before = await stand()
      await offline(true)
      for (const station of [
        'controls',
        'foundation',
        'settings',
        'focus',
        'menus',
        'banks',
        'try',
        'numbers',
        'prove',
        'sheets',
      ]) {
        await page.goto(at(`/plans/${demoPlan}/${station}`))
        await sign(page).waitFor()
        await page.getByRole('main').waitFor()
        await expect.poll(stand, { message: station, timeout: 20_000 }).toEqual(before)
      }
      await page.goto(at(`/plans/${demoPlan}/carry`))
      await page.getByText('Carrying reads and writes the bodies that the server knows').waitFor()
      await page.goto(at('/'))
      await page.getByRole('link', { name: 'Night rehearsals' }).click()
      await sign(page).waitFor()
      await offline(false)
    },
  )

  it('suggests an arrangement without a connection, too', async () => {
    await openOnce(`/plans/${demoPlan}/controls`, `/plans/${demoPlan}`)
    await offline(true)
    await page.goto(at(`/plans/${demoPlan}/controls`))
    await page.getByRole('tab', { name: 'Suggest' }).click()
    await page.getByRole('button', { name: 'Suggest', exact: true }).click()
    await page.getByRole('button', { name: 'Suggest again' }).waitFor({ timeout: 50_000 })
    expect(await page.getByRole('main').getByRole('alert').allTextContents()).toEqual([])
  })

  it('leads from station to station by its own links', async () => {
    await openOnce(`/plans/${demoPlan}/controls`, `/plans/${demoPlan}`)
    await offline(true)
    await page
      .getByRole('navigation', { name: 'Route' })
      .getByRole('link', { name: /^Menus/ })
      .click()
    await page.waitForURL(/menus/)
    await sign(page).waitFor()
    await page.getByRole('heading', { name: 'Function menu' }).first().waitFor()
    await offline(false)
  })

  it('says where this device keeps nothing of a page', async () => {
    await openOnce(`/plans/${demoPlan}/controls`, `/plans/${demoPlan}`)
    await offline(true)
    for (const path of [`/plans/${filmPlan}/controls`, '/files', '/walks/none']) {
      await page.goto(at(path))
      await page.getByRole('heading', { name: 'Not there without a connection' }).waitFor()
    }
    await offline(false)
  })
})

describe('what is changed without a connection', () => {
  it('stays over pages, and is saved when there is one again', async () => {
    await openOnce(`/plans/${filmPlan}/foundation`, `/plans/${filmPlan}`)
    await name(page, 'Named before')
    await saved(page)
    await offline(true)
    await page.goto(at(`/plans/${filmPlan}/foundation`))
    await expect.poll(() => named(page).inputValue()).toBe('Named before')
    await name(page, 'Named without')
    await notSaved(page)
    await page.goto(at(`/plans/${filmPlan}/sheets`))
    await page.goto(at(`/plans/${filmPlan}/foundation`))
    await expect.poll(() => named(page).inputValue()).toBe('Named without')
    await notSaved(page)
    await offline(false)
    await saved(page)
    expect(await savedRows(application.address, filmPlan)).toMatchObject({ title: 'Named without' })
    await page.getByText('The server answers again').waitFor({ timeout: 30_000 })
  })

  it('and was changed elsewhere meanwhile comes up with both values', async () => {
    await openOnce(`/plans/${filmPlan}/foundation`, `/plans/${filmPlan}`)
    await offline(true)
    await page.goto(at(`/plans/${filmPlan}/foundation`))
    await name(page, 'From the wings')
    await notSaved(page)
    const file = (await (await fetch(at(`/api/plans/${filmPlan}/file`))).json()) as {
      rows: { title: string }
    }
    const theirs = await saveOf(filmPlan, file.rows.title, 'From the desk')
    const state: unknown = await (await post(at(`/api/plans/${filmPlan}/steps`), theirs)).json()
    expect(state).toMatchObject({ kind: 'saved' })
    await offline(false)
    const notice = page.getByRole('alert').filter({ hasText: 'Changed elsewhere' })
    await notice
      .filter({ hasText: 'From the desk' })
      .filter({ hasText: 'From the wings' })
      .waitFor({ timeout: 30_000 })
    await notice.getByRole('button', { name: 'Put mine back' }).click()
    await saved(page)
    expect(await savedRows(application.address, filmPlan)).toMatchObject({ title: 'From the wings' })
  })
})

describe('a device with no room', () => {
  it('says that a page opens only with a connection, and works with one', async () => {
    const poor = await page.context().newPage()
    await poor.addInitScript(() => {
      const { put } = Object.getOwnPropertyDescriptors(IDBObjectStore.prototype)
      const keep = put.value as (...given: unknown[]) => IDBRequest<IDBValidKey>
      IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...given: unknown[]) {
        if (this.name === 'given') throw new DOMException('no room', 'QuotaExceededError')
        return keep.apply(this, given)
      }
    })
    await goTo(poor, at(`/plans/${demoPlan}/foundation`))
    await poor
      .getByRole('alert')
      .filter({ hasText: 'Only with a connection. This browser has no room left' })
      .waitFor()
    await name(poor, 'Night rehearsals, again')
    await saved(poor)
    await poor.close()
  })
})

describe('a new release', () => {
  it('takes over while a queue waits, and the queue is sent', async () => {
    await openOnce(`/plans/${demoPlan}/foundation`, `/plans/${demoPlan}`)
    await application.crash()
    await name(page, 'Named between releases')
    await notSaved(page)
    // The same application, as a release of its own: its service worker is another.
    cpSync(join(root, process.env.SALT_SHELF_BUILD ?? ''), join(root, other), {
      recursive: true,
      verbatimSymlinks: true,
    })
    const worker = join(root, other, 'sw.js')
    writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// another release\n`)
    await page.evaluate(() => {
      navigator.serviceWorker.addEventListener('controllerchange', () => (document.title = 'taken over'))
    })
    await application.start(other)
    await saved(page)
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update())
    await expect.poll(() => page.title(), { timeout: 30_000 }).toBe('taken over')
    expect(await savedRows(application.address, demoPlan)).toMatchObject({ title: 'Named between releases' })
    // The page of the former release goes on, without a connection, too: parts of it that were not loaded yet are there.
    await offline(true)
    await page.getByRole('button', { name: /^Find anything/ }).click()
    await page.getByRole('dialog').locator('input').waitFor()
    await page.goto(at(`/plans/${demoPlan}/sheets`))
    await sign(page).waitFor()
    await offline(false)
  })
})

describe('the application', () => {
  it('can be put among those of a phone: its name, its pictures, where it begins', async () => {
    await goTo(page, at('/'))
    const session = await page.context().newCDPSession(page)
    const { errors, data } = await session.send('Page.getAppManifest')
    expect(errors).toEqual([])
    const manifest = JSON.parse(data ?? '{}') as { name: string; icons: { src: string; sizes: string }[] }
    expect(manifest.name).toBe('Salt Shelf')
    for (const { src, sizes } of manifest.icons) {
      const size = await page.evaluate(async (address) => {
        const picture = await createImageBitmap(await (await fetch(address)).blob())
        return `${picture.width}x${picture.height}`
      }, src)
      expect(size).toBe(sizes)
    }
    expect(await session.send('Page.getInstallabilityErrors')).toEqual({ installabilityErrors: [] })
  })
})

/** A save that changes the name of a plan, as another page would make it. */
async function saveOf(plan: string, from: string, to: string): Promise<object> {
  const { epoch } = ((await keptOf(page, `/plans/${plan}`)) as { start: { epoch: string } }).start
  const asked = { epoch, basedOn: 0, head: null, steps: [], ask: [] }
  const now = (await (await post(at(`/api/plans/${plan}/steps`), asked)).json()) as {
    epoch: string
    version: number
    entries: { id: string }[]
  }
  const { headAfterAll } = await import('@/core/sync/head')
  const head = headAfterAll(null, now.entries)
  const step = { id: crypto.randomUUID(), changes: [{ row: 'title', from, to }] }
  return { epoch: now.epoch, basedOn: now.version, head, steps: [step], ask: [] }
}
