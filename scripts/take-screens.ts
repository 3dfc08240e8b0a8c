import { mkdirSync } from 'node:fs'
import { walkByHand } from './screens-by-hand'
import { openChromium } from '../tests/browser/chromium'

/** Takes the pictures of every main view from the server whose address is given. */
const address = process.argv[2]
if (!address) throw new Error('give the address of a running Salt Shelf with demo data')
const folder = process.env.SALT_SHELF_SCREENS ?? 'docs/screenshots'
mkdirSync(folder, { recursive: true })

const plan = `${address}/plans/de000000-0000-4000-8000-000000000001`
const film = `${address}/plans/de000000-0000-4000-8000-000000000002`
const { browser, close } = await openChromium()
const page = await browser.newPage()

async function take(name: string, size = { width: 1280, height: 800 }): Promise<void> {
  await page.setViewportSize(size)
  await page.mouse.move(0, 0)
  await page.evaluate(() => window.scrollTo(0, 0))
  await page.waitForTimeout(250)
  await page.screenshot({ path: `${folder}/${name}.png` })
}

async function night(on: boolean): Promise<void> {
  await page.emulateMedia({ colorScheme: on ? 'dark' : 'light' })
}

const key = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}, press`) })

await page.goto(address, { waitUntil: 'networkidle' })
await page
  .getByRole('article')
  .filter({ hasText: 'Night rehearsals' })
  .getByText(/\d+ problems/)
  .waitFor()
await take('shelf')

await page.goto(`${address}/bodies`, { waitUntil: 'networkidle' })
await page.getByRole('button', { name: /^Heron B/ }).click()
await take('bodies')

await page.goto(`${plan}/foundation`, { waitUntil: 'networkidle' })
await take('foundation')

await page.goto(`${plan}/settings#exposure.iso`, { waitUntil: 'networkidle' })
await page.getByText(/Does nothing here/).waitFor()
await take('settings')

await page.goto(`${plan}/controls`, { waitUntil: 'networkidle' })
await take('controls')
await key('Thumb focus key').click()
await page.getByText(/Works in \d/).waitFor()
await take('controls-key')
await page.getByRole('button', { name: 'Close' }).click()
await page.getByRole('tab', { name: 'Suggest' }).click()
await page.getByRole('button', { name: 'Suggest', exact: true }).click()
await page.getByRole('button', { name: 'Suggest again' }).waitFor({ timeout: 60_000 })
await take('controls-suggest')

await page.goto(`${plan}/menus`, { waitUntil: 'networkidle' })
await page.getByRole('button', { name: /^Stills function menu, cell 4/ }).click()
await take('menus')

await page.goto(`${plan}/focus`, { waitUntil: 'networkidle' })
await page.getByRole('button', { name: /^Half-press at a point/ }).click()
await page.getByRole('table').waitFor()
await take('focus')
await page.goto(`${film}/banks`, { waitUntil: 'networkidle' })
await page.getByRole('list', { name: 'Excluded in Changes' }).waitFor()
await take('banks')
await page.goto(`${plan}/try`, { waitUntil: 'networkidle' })
for (const name of ['Lower right key', 'Thumb focus key']) await key(name).click({ modifiers: ['Shift'] })
await take('try')

await page.goto(`${plan}/numbers#burst?rate=10/s&file=24-38 MB&buffer=60-95`, { waitUntil: 'networkidle' })
await page.locator('.recharts-line-curve').first().waitFor()
await take('numbers')

await page.goto(`${plan}/prove#set-plan`, { waitUntil: 'networkidle' })
await page.getByRole('button', { name: 'Play it on the simulated body' }).click()
await page.getByText('It holds the plan, row by row.').waitFor()
await take('prove')
await page.goto(`${plan}/prove#press-test`)
await page.reload({ waitUntil: 'networkidle' })
await page.getByRole('button', { name: 'Walk it' }).click()
await page.waitForURL(/walks/)
await page.setViewportSize({ width: 390, height: 844 })
await night(true)
await page.evaluate(() => navigator.serviceWorker.ready)
// The device keeps a copy of the page once it has nothing better to do.
await page.waitForTimeout(4000)
await browser.setOffline(true)
await page.reload()
for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'As expected' }).click()
await page.getByRole('img', { name: /place lit/ }).waitFor()
await page.waitForTimeout(250)
await page.screenshot({ path: `${folder}/walk-phone.png` })
await browser.setOffline(false)
await page.reload({ waitUntil: 'networkidle' })
await night(false)
await page.setViewportSize({ width: 1280, height: 800 })

await page.goto(`${plan}/sheets`, { waitUntil: 'networkidle' })
await page.getByRole('list', { name: 'Pages' }).waitFor()
await take('sheets')

await page.goto(`${plan}/carry`, { waitUntil: 'networkidle' })
await page.getByRole('button', { name: /^Heron B/ }).click()
await page
  .getByText(/rows of Heron B will be overwritten/)
  .first()
  .waitFor()
await page.waitForTimeout(400)
await take('carry')
await page.getByRole('button', { name: 'Carry to Heron A and Heron B' }).click()
await page
  .getByText(/rows compared/)
  .nth(1)
  .waitFor()
await page.goto(`${new URL(plan).origin}/bodies/heron-b`, { waitUntil: 'networkidle' })
await night(true)
await take('body-night')
await night(false)

await page.goto(`${plan}/controls`, { waitUntil: 'networkidle' })
await page.setViewportSize({ width: 390, height: 844 })
await key('Thumb focus key').click()
await page.getByText(/Works in \d/).waitFor()
await page.waitForTimeout(250)
await page.screenshot({ path: `${folder}/controls-phone.png` })

await page.setViewportSize({ width: 1280, height: 800 })
await walkByHand(page, plan)
await night(true)
await take('by-hand-night')
await close()
