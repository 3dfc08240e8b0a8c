import { randomBytes } from 'node:crypto'
import type { Page } from 'playwright-core'
import { openChromium } from '../../tests/browser/chromium'
import type { Figure } from './measure'
import { longestTask } from './tasks'

const megabytes = 16
const filesOnCard = 10_000

/** Files of real cameras: two large ones compared in the worker, and a card with very many files listed. */
export async function handBench(address: string): Promise<Figure[]> {
  const [left, right] = await twoFiles(address)
  const { browser, close } = await openChromium(undefined, 'block')
  try {
    const page = await browser.newPage()
    // What the compiler asks of functions that are sent to a page.
    await page.addInitScript({ content: 'globalThis.__name = (one) => one' })
    return [
      await comparing(page, `${address}/files/compare?left=${left}&right=${right}`),
      ...(await listing(page, address)),
    ]
  } finally {
    await close()
  }
}

/** Two files that differ in some hundred places, and by a stretch that was put in: what takes longest. */
async function twoFiles(address: string): Promise<[string, string]> {
  const one = randomBytes(megabytes * 1_000_000)
  const other = Buffer.concat([one.subarray(0, 9_000_000), Buffer.from([1, 2, 3]), one.subarray(9_000_000)])
  for (let at = 0; at < other.length; at += 79_999) other[at] = (other[at] ?? 0) ^ 1
  return [await keep(address, 'LARGE-A.DAT', one), await keep(address, 'LARGE-B.DAT', other)]
}

async function keep(address: string, name: string, bytes: Buffer): Promise<string> {
  const answer = await fetch(`${address}/api/files?as=it-is&name=${name}`, {
    method: 'POST',
    headers: { origin: address },
    body: new Uint8Array(bytes),
  })
  const said = (await answer.json()) as { fileId?: string }
  if (said.fileId === undefined) throw new Error(`a file was not kept: ${JSON.stringify(said)}`)
  return said.fileId
}

async function comparing(page: Page, url: string): Promise<Figure> {
  await page.addInitScript(marks)
  const times: number[] = []
  const blocks: number[] = []
  for (let i = 0; i < 5; i++) {
    await page.goto(url, { waitUntil: 'commit' })
    await page.getByText(/^They differ in/).waitFor({ timeout: 60_000 })
    const seen = await page.evaluate(() => window.benchSeen)
    times.push(seen.compared)
    blocks.push(seen.blocked)
  }
  const [time, block] = [Math.max(...times), Math.max(...blocks)]
  return {
    name: `Two files of ${megabytes} MB held against each other in the worker, the slowest of ${times.length}; the longest the page stood still meanwhile`,
    wanted: 'within 1 s, with progress',
    measured: `${time.toFixed(0)} ms, without fetching them; ${block.toFixed(0)} ms`,
    holds: time <= 1000,
  }
}

/** What a page tells of itself: how long the comparison took, and the longest gap between two frames. */
interface BenchSeen {
  compared: number
  blocked: number
}

declare global {
  interface Window {
    benchSeen: BenchSeen
  }
}

/** Watches a page from its beginning: from when both files are there until the comparison stands, and its frames. */
function marks(): void {
  window.benchSeen = { compared: 0, blocked: 0 }
  let fetched = 0
  let last = 0
  const seen = window.benchSeen
  const look = (now: number) => {
    const all = performance
      .getEntriesByType('resource')
      .filter(({ name }) => /\/api\/files\/[0-9a-f-]{36}$/.test(name)) as PerformanceResourceTiming[]
    if (fetched === 0 && all.length === 2 && all.every(({ responseEnd }) => responseEnd > 0))
      fetched = Math.max(...all.map(({ responseEnd }) => responseEnd))
    const isDone = document.body?.innerText.includes('They differ in')
    if (fetched > 0 && seen.compared === 0) {
      if (last > 0) seen.blocked = Math.max(seen.blocked, now - last)
      last = now
      if (isDone) seen.compared = now - fetched
    }
    requestAnimationFrame(look)
  }
  requestAnimationFrame(look)
}

/** A card of very many files: a folder of the browser’s own stands for it. */
async function listing(page: Page, address: string): Promise<Figure[]> {
  await page.goto(`${address}/cards`, { waitUntil: 'networkidle' })
  await page.evaluate(async (count) => {
    const root = await (await navigator.storage.getDirectory()).getDirectoryHandle('bench', { create: true })
    for (let i = 0; i < count; i++) {
      const folder = await root.getDirectoryHandle(`DCIM${i % 20}`, { create: true })
      await folder.getFileHandle(`P${i}.RAW`, { create: true })
    }
  }, filesOnCard)
  // A page of its own: what made the files leaves ten thousand handles to be swept up.
  await page.reload({ waitUntil: 'networkidle' })
  await page.evaluate(async () => {
    const root = await (await navigator.storage.getDirectory()).getDirectoryHandle('bench')
    window.showDirectoryPicker = () => Promise.resolve(root)
  })
  const cdp = await page.context().newCDPSession(page)
  let time = 0
  const longest = await longestTask(cdp, async () => {
    time = await page.evaluate(async (count) => {
      const begun = performance.now()
      const button = [...document.querySelectorAll('button')].find(
        (one) => one.textContent === 'Open the card',
      )
      button?.click()
      // What is asked of the page while it is watched costs it nothing: `innerText` would lay it out.
      while (!document.body.textContent.includes(`${count} files`))
        await new Promise((resolve) => setTimeout(resolve, 50))
      return performance.now() - begun
    }, filesOnCard)
  })
  return [
    {
      name: `A card of ${filesOnCard} files listed: the longest piece of work of the page meanwhile`,
      wanted: 'at most 16 ms',
      measured: `${longest.processor.toFixed(0)} ms of processor time (${longest.wall.toFixed(0)} ms on the clock), in ${(time / 1000).toFixed(1)} s`,
      holds: longest.processor <= 16,
    },
  ]
}
