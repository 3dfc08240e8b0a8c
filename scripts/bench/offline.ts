import { randomUUID } from 'node:crypto'
import type { BrowserContext, Page } from 'playwright-core'
import type { BodyModel } from '@/core/model/types'
import { markRow } from '@/core/procedures/walk-rows'
import { must } from '@/core/result'
import type { Step } from '@/core/sync/step'
import { closePool } from '@/server/db'
import { beginWalk, loadWalk } from '@/server/walks'
import { createPlan } from '@/server/plans'
import { openChromium } from '../../tests/browser/chromium'
import type { Figure } from './measure'
import { planWith } from './procedures'

/** How many acts wait in the browser, and how often each start is measured. */
const acts = 5000
const starts = 9

/** A station opened from what a device keeps, against the server; and a long queue sent while others work. */
export async function offlineBench(address: string, model: BodyModel): Promise<Figure[]> {
  const plan = await createPlan(model, planWith(model, 400, 7).rows)
  const walk = must(await beginWalk(plan, { procedure: 'set-plan', body: '', start: 'delivered', place: '' }))
  const opened = must(await loadWalk(walk))
  const ids = opened.composed.acts.map(({ id }) => id)
  await closePool()
  const { browser, close } = await openChromium()
  try {
    const page = await browser.newPage()
    const path = `${address}/plans/${plan}/controls`
    await page.goto(path, { waitUntil: 'networkidle' })
    await page.evaluate(() => navigator.serviceWorker.ready)
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
    await page.waitForTimeout(4000)
    const online = await startsOf(page, path)
    await browser.setOffline(true)
    const offline = await startsOf(page, path)
    await browser.setOffline(false)
    await page.close()
    return [
      {
        name: `A station of ${model.name} with 400 rows opened from what the device keeps, against the server (middle of ${starts}: ${offline.toFixed(0)} ms, ${online.toFixed(0)} ms)`,
        wanted: 'at most 2 times as long',
        measured: `${(offline / online).toFixed(2)} times`,
        holds: offline <= 2 * online,
      },
      ...(await queueFigures(browser, address, { walk, epoch: opened.epoch, version: opened.version, ids })),
    ]
  } finally {
    await close()
  }
}

/** From asking for a station to its first plate with labels, in milliseconds: the middle of several. */
async function startsOf(page: Page, path: string): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < starts; i++) {
    const began = performance.now()
    await page.goto(path, { waitUntil: 'commit' })
    await page
      .getByRole('button', { name: /, press: / })
      .first()
      .waitFor()
    times.push(performance.now() - began)
  }
  return times.sort((a, b) => a - b)[Math.floor(starts / 2)] ?? 0
}

interface Walked {
  readonly walk: string
  readonly epoch: string
  readonly version: number
  readonly ids: readonly string[]
}

/** A queue as a phone has it after hours without a connection, sent by its page; and how long others wait meanwhile. */
async function queueFigures(browser: BrowserContext, address: string, walked: Walked): Promise<Figure[]> {
  const before = await others(address, () => false, 150)
  const page = await browser.newPage()
  await page.goto(`${address}/walks/${walked.walk}`, { waitUntil: 'networkidle' })
  await page.evaluate(leaveBehind, { ...walked, steps: stepsOf(walked) })
  let isSent = false
  const began = performance.now()
  await page.reload({ waitUntil: 'commit' })
  // Opening a page costs what it costs without a queue, too: others are watched while it is sent.
  await page
    .getByRole('status')
    .filter({ hasText: /^saving/ })
    .waitFor()
  const watching = others(address, () => isSent, Infinity)
  const saved = page.getByRole('status').filter({ hasText: /^saved$/ })
  while (true) {
    await saved.waitFor({ timeout: 60_000 })
    const { version } = await newest(address, walked)
    if (version >= walked.version + acts) break
    await page.waitForTimeout(50)
  }
  const took = performance.now() - began
  isSent = true
  const during = await watching
  await page.close()
  return [
    {
      name: `A queue of ${acts} acts sent by the page of a walk, from its opening to saved`,
      wanted: 'within 10 s',
      measured: `${(took / 1000).toFixed(1)} s`,
      holds: took <= 10_000,
    },
    {
      name: `Other requests while it is sent, 95th percentile (${during.count} of them: ${during.at95.toFixed(0)} ms; without ${before.at95.toFixed(0)} ms)`,
      wanted: 'at most doubled',
      measured: `${(during.at95 / before.at95).toFixed(2)} times`,
      holds: during.at95 <= 2 * before.at95,
    },
  ]
}

/** Ticks and taken back ticks, over and over, as one long walk would leave them. */
function stepsOf({ ids }: Walked): Step[] {
  const now = new Map<string, readonly string[] | null>()
  return Array.from({ length: acts }, (_, i) => {
    const act = ids[i % ids.length] ?? ''
    const from = now.get(act) ?? null
    const to = from === null ? ['done', act, '', 'bench', new Date(i).toISOString()] : null
    now.set(act, to)
    return { id: randomUUID(), changes: [{ row: markRow(act), from, to }] }
  })
}

/** Lays a queue into the browser's own database, as this tab would have left it. */
function leaveBehind({
  walk,
  epoch,
  version,
  steps,
}: {
  walk: string
  epoch: string
  version: number
  steps: unknown[]
}): Promise<void> {
  const [document, tab] = [`walk ${walk}`, 'bench']
  sessionStorage.setItem(`tab ${document}`, tab)
  return new Promise((resolve, reject) => {
    const asked = indexedDB.open('salt-shelf', 1)
    asked.onerror = () => reject(new Error('no database'))
    asked.onsuccess = () => {
      const work = asked.result.transaction('queues', 'readwrite')
      const left = { epoch, basedOn: version, steps, aside: [] }
      work.objectStore('queues').put({ tab, document, left, at: new Date() }, `${document} ${tab}`)
      work.oncomplete = () => {
        asked.result.close()
        resolve()
      }
    }
  })
}

async function newest(address: string, { walk, epoch }: Walked): Promise<{ version: number }> {
  const response = await fetch(`${address}/api/walks/${walk}/steps`, {
    method: 'POST',
    headers: { origin: address, 'content-type': 'application/json' },
    body: JSON.stringify({ epoch, basedOn: 0, head: null, steps: [], ask: [] }),
  })
  return (await response.json()) as { version: number }
}

/** What others wait for the shelf and its names, one request after another; the 95th percentile in milliseconds. */
async function others(
  address: string,
  isOver: () => boolean,
  most: number,
): Promise<{ at95: number; count: number }> {
  const times: number[] = []
  while (!isOver() && times.length < most) {
    const began = performance.now()
    const path = times.length % 2 === 0 ? '/' : '/api/shelf?find='
    await (await fetch(`${address}${path}`)).arrayBuffer()
    times.push(performance.now() - began)
    await new Promise((resolve) => setTimeout(resolve, 20))
  }
  const sorted = times.sort((a, b) => a - b)
  return { at95: sorted[Math.floor(0.95 * (sorted.length - 1))] ?? 0, count: sorted.length }
}
