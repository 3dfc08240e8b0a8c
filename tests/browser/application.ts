import type { BrowserContext, Locator, Page } from 'playwright-core'
import { emptyDatabase } from '@tests/fixtures/empty-database'
import { copyDatabase } from '../../scripts/lib/postgres.mjs'
import { freePort } from '../../scripts/lib/system.mjs'
import { startServer, type RunningServer } from '../../scripts/lib/server.mjs'
import { openChromium } from './chromium'

/** The demo plan's id. */
export const demoPlan = 'de000000-0000-4000-8000-000000000001'

/** The built application, running against the test database. */
export interface Application {
  readonly address: string
  /** Ends the process without warning, as a power cut would. */
  crash(): Promise<void>
  /** Starts it again at the same address, as another release where a build is named. */
  start(build?: string): Promise<void>
  stop(): Promise<void>
}

/** Where other devices reach a shared application, and the home its authority lies in. */
export interface Shared {
  readonly at: { readonly name: string; readonly address: string }
  readonly port: number
  readonly home: string
}

/** Starts the application on a free port, with a database of its own: a copy of the one that was prepared. */
export async function openApplication(share: Shared | null = null): Promise<Application> {
  const prepared = process.env.DATABASE_URL
  const serverUrl = process.env.SALT_SHELF_DATABASE_SERVER
  if (!prepared || !serverUrl) throw new Error('browser tests need a database; run npm test')
  const databaseUrl = await copyDatabase(serverUrl, prepared)
  process.env.DATABASE_URL = databaseUrl
  return serving(databaseUrl, share)
}

/** Starts the application with nothing in it, as `npm run demo -- --empty` does. */
export async function openEmpty(): Promise<Application> {
  const serverUrl = process.env.SALT_SHELF_DATABASE_SERVER
  if (!serverUrl) throw new Error('browser tests need a database; run npm test')
  const empty = await emptyDatabase(serverUrl)
  const application = await serving(empty.url, null)
  const stop = async () => {
    await application.stop()
    await empty.drop()
  }
  return { ...application, stop }
}

async function serving(databaseUrl: string, share: Shared | null): Promise<Application> {
  const build = process.env.SALT_SHELF_BUILD
  if (!build) throw new Error('browser tests need a build; run npm test')
  const port = await freePort()
  const options = { port, databaseUrl, build, share, quiet: true }
  let server: RunningServer = await startServer(options)
  return {
    address: `http://127.0.0.1:${port}`,
    crash: async () => void (await server.kill('SIGKILL')),
    start: async (other = build) => {
      server = await startServer({ ...options, build: other })
    },
    stop: async () => void (await server.kill()),
  }
}

/** The demo plan of the Duet: two banks of film and the remembered position. */
export const filmPlan = 'de000000-0000-4000-8000-000000000002'

/** Starts an empty plan through the application; gives its id. */
export async function freshPlan(address: string, model = 'tarrow-heron'): Promise<string> {
  const response = await post(`${address}/api/plans`, { model })
  return ((await response.json()) as { id: string }).id
}

/** Posts JSON as one of our own pages would. */
export function post(url: string, body: unknown, headers: Record<string, string> = {}): Promise<Response> {
  return fetch(url, {
    method: 'POST',
    headers: { origin: new URL(url).origin, 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
  })
}

/** A plan's rows, read back through its plan file. */
export async function savedRows(address: string, plan: string): Promise<Record<string, unknown>> {
  const response = await fetch(`${address}/api/plans/${plan}/file`)
  return ((await response.json()) as { rows: Record<string, unknown> }).rows
}

/** Opens a page and fails the test on any error of the page itself. */
export async function openPage(browser: BrowserContext, url: string): Promise<Page> {
  const page = await browser.newPage()
  page.on('pageerror', (error) => {
    throw error
  })
  await goTo(page, url)
  return page
}

/** Goes to an address, and waits until what is there answers to the hand. */
export async function goTo(page: Page, url: string): Promise<void> {
  await page.goto(url, { waitUntil: 'networkidle' })
  await page.waitForFunction(answersToTheHand)
}

/** True once the page's own code has taken over every button that the server drew. */
function answersToTheHand(): boolean {
  return [...document.querySelectorAll('button')].every((button) =>
    Object.keys(button).some((name) => name.startsWith('__reactProps')),
  )
}

/** The application, a browser and its page at the shelf, ready for a test; `end` closes all of it. */
export interface Opened {
  readonly application: Application
  readonly page: Page
  readonly end: () => Promise<void>
}

/** Opens the application in a browser. */
export async function openInBrowser(): Promise<Opened> {
  const application = await openApplication()
  const chromium = await openChromium()
  const page = await openPage(chromium.browser, application.address)
  const end = async () => {
    await chromium.close()
    await application.stop()
  }
  return { application, page, end }
}

/** Waits until the page says that the server has everything. */
export async function saved(page: Page): Promise<void> {
  await page
    .getByRole('status')
    .filter({ hasText: /^saved$/ })
    .waitFor()
}

/** Waits until the page says that not all of it is on the server. */
export async function notSaved(page: Page): Promise<void> {
  await page
    .getByRole('status')
    .filter({ hasText: /^not saved yet$/ })
    .waitFor()
}

/** The label of a key on the plate. */
export function key(page: Page, name: string, gesture = 'press') {
  return page.getByRole('button', { name: new RegExp(`^${name}, ${gesture}: `) })
}

/** Chooses a value in a field, as a hand does: it comes to the field first. */
export async function chooseIn(field: Locator, label: string): Promise<void> {
  await field.hover()
  await field.selectOption({ label })
}
