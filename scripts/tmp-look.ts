import { openChromium } from '../tests/browser/chromium'
import { closePool, query } from '@/server/db'
import { createPlan } from '@/server/plans'
import { storeDefinition } from '@/server/models'
import { heron } from '@tests/fixtures/heron'
import { saveSteps } from '@tests/fixtures/saving'
import { randomUUID } from 'node:crypto'
const address = process.argv[2]!
const { browser, close } = await openChromium()
const page = await browser.newPage()
const demo = 'de000000-0000-4000-8000-000000000001'
let n = 0
const shot = async (name: string) => {
  await page.waitForTimeout(300)
  await page.screenshot({ path: `/tmp/shots/${name}.png` })
  n++
}
await page.goto(address, { waitUntil: 'networkidle' })
await shot('shelf')
await page.goto(`${address}/files`, { waitUntil: 'networkidle' })
await shot('files-empty')
const plan = `${address}/plans/${demo}`
// carry
await page.goto(`${plan}/carry`, { waitUntil: 'networkidle' })
await page.getByRole('button', { name: /^Heron B/ }).click()
await page.getByRole('button', { name: 'Carry to Heron B' }).click()
await page
  .getByText(/rows compared/)
  .first()
  .waitFor()
await page.waitForTimeout(400)
await page.getByRole('button', { name: /^Heron A/ }).click()
await page.getByLabel(/^Card in/).selectOption('locked')
await page.waitForTimeout(500)
await page.getByRole('button', { name: 'Carry to Heron A' }).click()
await page.waitForTimeout(1200)
await shot('carry-refused')
// waiting + conflict + edition + leftbehind
await page.goto(`${plan}/foundation`, { waitUntil: 'networkidle' })
await page.route('**/steps', (r) => r.abort())
await page.getByLabel('Target in percent').fill('90')
await page.keyboard.press('Tab')
await page.waitForTimeout(700)
await shot('waiting')
const [v] = await query<{ version: number }>('select version from plans where id=$1', [demo])
await saveSteps(demo, v!.version, [
  { id: randomUUID(), changes: [{ row: 'owner/target', from: 80, to: 70 }] },
])
await page.unroute('**/steps')
await page.getByRole('button', { name: 'Try now' }).click()
await page.waitForTimeout(800)
await shot('conflict')
await page.getByRole('button', { name: 'Keep what is there' }).click()
await page.route('**/steps', (r) => r.abort())
await page.getByLabel('Target in percent').fill('85')
await page.keyboard.press('Tab')
await page.waitForTimeout(700)
await page.close()
const two = await browser.newPage()
await two.goto(`${plan}/foundation`, { waitUntil: 'networkidle' })
await two.waitForTimeout(400)
await two.screenshot({ path: '/tmp/shots/leftbehind.png' })
await two.setViewportSize({ width: 390, height: 844 })
await two.waitForTimeout(300)
await two.screenshot({ path: '/tmp/shots/leftbehind-phone.png' })
await two.setViewportSize({ width: 1280, height: 800 })
await storeDefinition({ ...heron, version: 1 })
const old = await createPlan(
  { ...heron, version: 1 },
  { title: 'Of the first edition', 'base/focus.lamp': false },
)
await two.goto(`${address}/plans/${old}/controls`, { waitUntil: 'networkidle' })
await two.getByRole('button', { name: 'See what it changes' }).click()
await two.waitForTimeout(500)
await two.screenshot({ path: '/tmp/shots/edition.png' })
await query('delete from plans where id = $1', [old])
await createPlan({ ...heron, version: 1 }, { title: 'Put back' }, old)
await two.getByRole('button', { name: /^Follow/ }).click()
await two.waitForTimeout(800)
await two.emulateMedia({ colorScheme: 'dark' })
await two.screenshot({ path: '/tmp/shots/apart-night.png' })
await two.emulateMedia({ colorScheme: 'light' })
await two.goto(`${address}/files`, { waitUntil: 'networkidle' })
await two.screenshot({ path: '/tmp/shots/files.png' })
await two.goto(address, { waitUntil: 'networkidle' })
await two.screenshot({ path: '/tmp/shots/shelf2.png' })
await close()
await closePool()
