import { mkdtempSync, rmSync } from 'node:fs'
import { networkInterfaces, tmpdir } from 'node:os'
import { join } from 'node:path'
import { X509Certificate } from 'node:crypto'
import type { Browser, Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { freePort } from '../../scripts/lib/system.mjs'
import {
  demoPlan,
  goTo,
  notSaved,
  openApplication,
  openPage,
  saved,
  type Application,
  type Shared,
} from './application'
import { chromiumTrusting, openChromium } from './chromium'
import { phone, settledIn, sideways, walking } from './phone'

let application: Application
let share: Shared
let origin = ''
let desk: Page
let first: Browser
let second: Browser
const ends: (() => Promise<unknown>)[] = []

/** The machine's other address: one of its own network, or else another of the loopback. */
const address =
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .find(({ internal, family }) => !internal && family === 'IPv4')?.address ?? '127.0.0.2'

beforeAll(async () => {
  const home = mkdtempSync(join(tmpdir(), 'salt-shelf-shared-'))
  share = { at: { name: address, address }, port: await freePort(), home }
  origin = `https://${address}:${share.port}`
  application = await openApplication(share)
  const chromium = await openChromium()
  desk = await openPage(chromium.browser, application.address)
  const trusted = await Promise.all([
    chromiumTrusting(await certificate()),
    chromiumTrusting(await certificate()),
  ])
  ;[first, second] = [trusted[0].browser, trusted[1].browser]
  ends.push(
    ...trusted.map(({ close }) => close),
    () => chromium.close(),
    () => application.stop(),
  )
})
afterAll(async () => {
  for (const end of ends) await end()
  rmSync(share.home, { recursive: true, force: true })
})

/** The certificate of the authority, as a device takes it from the page in plain HTTP. */
async function certificate(): Promise<string> {
  const taken = await fetch(`http://${address}:${share.port}/salt-shelf.crt`)
  return new X509Certificate(Buffer.from(await taken.arrayBuffer())).toString()
}

const button = (on: Page, name: string | RegExp) => on.getByRole('button', { name })
const { done, inHand } = walking

/** A code, made on the shelf of the machine itself. */
async function codeFromShelf(): Promise<string> {
  await goTo(desk, application.address)
  await button(desk, 'Let a device in').click()
  const shown = desk.getByRole('status').filter({ hasText: 'Type this on the device' })
  return (await shown.locator('.font-mono').textContent()) ?? ''
}

/** Lets a phone in, as its owner does: it asks, the shelf gives a code, it is typed. */
async function letIn(on: Page, name: string, at = '/'): Promise<void> {
  await on.goto(`${origin}${at}`)
  await on.getByLabel('Code').fill(await codeFromShelf())
  await on.getByLabel('What this device is called').fill(name)
  await button(on, 'Let this device in').tap()
  await on.waitForURL(`${origin}${at}`)
}

/** How far the walk is: what stands beside its name. */
const soFar = async (on: Page) =>
  Number(
    /^(\d+) of/.exec(
      (await on
        .getByText(/^\d+ of \d+$/)
        .first()
        .textContent()) ?? '',
    )?.[1],
  )

/** Ticks acts until so many are over, or none is left. */
async function tick(on: Page, until = Infinity): Promise<void> {
  while ((await soFar(on)) < until && (await done(on).isVisible())) {
    const before = await soFar(on)
    await done(on).tap()
    await expect.poll(() => soFar(on)).toBeGreaterThan(before)
  }
}

describe('a phone beside the camera', () => {
  let walk = ''
  let acts = 0
  let a: Page
  let b: Page

  it('is let in by a code of the shelf, and says there how it is called', async () => {
    a = await phone(first)
    await letIn(a, 'Phone in the wings')
    await a.getByRole('heading', { name: 'This device' }).waitFor()
    expect(await sideways(a)).toBeLessThanOrEqual(0)
    await desk.getByRole('listitem').filter({ hasText: 'Phone in the wings' }).waitFor()
    expect((await a.context().cookies()).find(({ name }) => name === 'salt-shelf-device')).toMatchObject({
      httpOnly: true,
      secure: true,
      sameSite: 'Strict',
    })
  })

  it('walks the menu: half of it with the server stopped, over a page that is loaded again', async () => {
    await goTo(a, `${origin}/plans/${demoPlan}/prove#set-plan`)
    await button(a, /^(Walk it|Go on with the walk)$/).tap()
    await a.waitForURL(/\/walks\//)
    walk = new URL(a.url()).pathname
    await inHand(a).waitFor()
    acts = Number(
      /of (\d+)/.exec(
        (await a
          .getByText(/^\d+ of \d+$/)
          .first()
          .textContent()) ?? '',
      )?.[1],
    )
    await tick(a, 4)
    await saved(a)
    await settledIn(a, walk)

    await application.crash()
    await a.reload()
    await a.getByText(/Without a connection/).waitFor()
    await expect.poll(() => soFar(a)).toBe(4)
    const half = Math.ceil(acts / 2)
    await tick(a, half - 2)
    await notSaved(a)
    // The phone ends the page, and it is opened anew.
    const context = a.context()
    await a.close()
    a = await context.newPage()
    await a.goto(`${origin}${walk}`)
    await expect.poll(() => soFar(a)).toBe(half - 2)
    await tick(a, half)
    expect(await sideways(a)).toBeLessThanOrEqual(0)

    await application.start()
    await saved(a)
    await expect.poll(() => soFar(a)).toBe(half)
  })

  it('is followed by a second one, on which the walk is finished', async () => {
    b = await phone(second)
    await letIn(b, 'Tablet at the bench', walk)
    await inHand(b).waitFor()
    expect(await soFar(b)).toBe(Math.ceil(acts / 2))
    await tick(b)
    await b.getByRole('heading', { name: 'All of it is over' }).waitFor()
    await expect.poll(() => soFar(b)).toBe(acts)
    await saved(b)
    await a.reload()
    await expect.poll(() => soFar(a)).toBe(acts)
  })

  it('keeps what it could not send when it is let go, and sends it once it is let in again', async () => {
    await goTo(a, `${origin}/plans/${demoPlan}/foundation`)
    await settledIn(a, `/plans/${demoPlan}`)
    await a.context().setOffline(true)
    await a.getByLabel('Name of the plan').fill('Named in the wings')
    await a.getByLabel('Name of the plan').press('Tab')
    await notSaved(a)
    await goTo(desk, application.address)
    await button(desk, 'End Phone in the wings').click()
    await expect.poll(() => button(desk, 'End Phone in the wings').count()).toBe(0)
    await a.context().setOffline(false)
    await a.getByText('somebody ended what this device was let in for').waitFor()
    await button(a, 'Let this device in again').tap()
    await a.getByRole('heading', { name: 'This device was let go' }).waitFor()
    await a.getByLabel('Code').fill(await codeFromShelf())
    await a.getByLabel('What this device is called').fill('Phone in the wings')
    await button(a, 'Let this device in').tap()
    await a.waitForURL(/foundation/)
    await saved(a)
    await expect.poll(() => a.getByLabel('Name of the plan').inputValue()).toBe('Named in the wings')
    await saved(a)
    await goTo(desk, `${application.address}/plans/${demoPlan}/foundation`)
    expect(await desk.getByLabel('Name of the plan').inputValue()).toBe('Named in the wings')
  })

  it('gets nothing more once it is ended on the shelf', async () => {
    await goTo(desk, application.address)
    for (const name of ['Phone in the wings', 'Tablet at the bench']) {
      await button(desk, `End ${name}`).click()
      await expect.poll(() => button(desk, `End ${name}`).count()).toBe(0)
    }
    for (const on of [a, b]) {
      const statuses = await on.evaluate(async () => {
        const answers = ['/api/shelf', '/api/inventory', '/'].map((path) =>
          fetch(path, { cache: 'no-store' }),
        )
        return (await Promise.all(answers)).map(({ status }) => status)
      })
      expect(statuses).toEqual([401, 401, 401])
      await on.goto(`${origin}/`)
      await on.getByRole('heading', { name: 'This device was let go' }).waitFor()
    }
  })
})
