import { gzipSync } from 'node:zlib'
import type { CDPSession, Page } from 'playwright-core'
import type { BodyModel, LensModel } from '@/core/model/types'
import { writePlanFile } from '@/core/files/plan-file'
import { answerMeasure } from '@/features/desk/use-analysis'
import { started, theatre } from '@tests/fixtures/started'
import { openChromium } from '../../tests/browser/chromium'
import { fullPlan } from './contexts'
import type { Figure } from './measure'

/** A station, and what shows that it is there. */
const stations = ['foundation', 'settings', 'controls', 'focus', 'menus', 'banks'] as const

/** How fast the stations answer, with a full plan of the largest model, in Chromium: 95th percentiles. */
export async function speedBench(
  address: string,
  model: BodyModel,
  lenses: readonly LensModel[],
): Promise<Figure[]> {
  const rows = { ...fullPlan(model, lenses).rows, ...started(model, theatre).rows }
  const plan = await planFrom(address, model, rows)
  const { browser, close } = await openChromium(undefined, 'block')
  try {
    // Functions handed to the page carry a helper of the compiler's that the page does not have.
    await browser.addInitScript('globalThis.__name = (work) => work')
    const page = await browser.newPage()
    const cdp = await browser.newCDPSession(page)
    await countProcessorTime(cdp)
    const at = (station: string) => `${address}/plans/${plan}/${station}`
    await page.goto(at('controls'), { waitUntil: 'networkidle' })
    const unit = await page.evaluate(fixedWork)
    const steps = await stepFigures(page, cdp, at, unit)
    const openings = await openingFigures(page, at, unit)
    await page.close()
    return [...steps, ...openings, ...(await firstLoad(browser, at))]
  } finally {
    await close()
  }
}

/** A fixed piece of work, in milliseconds: what times are also told in multiples of. */
function fixedWork(): number {
  const once = () => {
    const begun = performance.now()
    let text = ''
    for (let i = 0; i < 20_000; i++) text += String.fromCharCode(97 + ((i * 7) % 26))
    const counts = new Map<string, number>()
    for (const letter of text) counts.set(letter, (counts.get(letter) ?? 0) + 1)
    JSON.parse(JSON.stringify([...counts, ...Array.from({ length: 4000 }, (_, i) => [`row ${i}`, i])]))
    return performance.now() - begun
  }
  return Math.min(...Array.from({ length: 30 }, once))
}

/** What a step costs the page at each station: undo and redo by the keyboard, again and again. */
async function stepFigures(
  page: Page,
  cdp: CDPSession,
  at: (station: string) => string,
  unit: number,
): Promise<Figure[]> {
  const busy: Record<string, number[]> = {}
  const answers: Record<string, number[]> = {}
  await page.locator('[data-address$="/press"]').first().focus()
  await page.keyboard.press('Delete')
  await page.locator('button[aria-label^="Undo: "]:enabled').waitFor()
  await page.locator('header [role=status]', { hasText: /^saved$/ }).waitFor()
  for (const station of stations) {
    await page.goto(at(station), { waitUntil: 'networkidle' })
    if (station === 'controls') await openKey(page)
    await page.waitForTimeout(600)
    await page.evaluate(() => performance.clearMeasures())
    for (let i = 0; i < 14; i++) {
      const before = await taskMilliseconds(cdp)
      await page.keyboard.press(i % 2 === 0 ? 'Control+z' : 'Control+Shift+z')
      await page.waitForTimeout(250)
      const after = await taskMilliseconds(cdp)
      await page.waitForTimeout(250)
      const idle = (await taskMilliseconds(cdp)) - after
      ;(busy[station] ??= []).push(Math.max(0, after - before - idle))
    }
    for (const kind of ['findings', 'reach', 'functions'] as const)
      (answers[station] ??= []).push(
        ...(await page.evaluate(
          (name) => performance.getEntriesByName(name).map((one) => one.duration),
          answerMeasure(kind),
        )),
      )
  }
  return [
    figure('Main thread busy for a step, at any station, in processor time', 8, busy, unit),
    figure('A step’s findings, reach and gains there', 50, answers, unit),
  ]
}

/** Opens a key, and goes back to its label: from the list beside it Ctrl+Z would take back what was typed there. */
async function openKey(page: Page): Promise<void> {
  const label = page.locator('[data-address$="/press"]').nth(2)
  await label.click()
  await page.locator(theList).waitFor()
  await label.focus()
}

/** The list of functions of the key in hand: there when the key is. */
const theList = 'aside [role=combobox]'

/**
 * From here on `taskMilliseconds` counts the processor’s time: on the clock a task also takes what other processes (browser,
 * database, worker) took of the processors meanwhile, and what it waited for the picture to be taken over.
 */
export async function countProcessorTime(cdp: CDPSession): Promise<void> {
  await cdp.send('Performance.enable', { timeDomain: 'threadTicks' })
}

/** All the main thread has done so far, in milliseconds of the processor’s time. */
export async function taskMilliseconds(cdp: CDPSession): Promise<number> {
  const { metrics } = await cdp.send('Performance.getMetrics')
  return (metrics.find((one) => one.name === 'TaskDuration')?.value ?? 0) * 1000
}

/** How long until what is opened is shown, and the longest the main thread was blocked meanwhile. */
async function openingFigures(page: Page, at: (station: string) => string, unit: number): Promise<Figure[]> {
  const shown: Record<string, number[]> = {}
  const blocked: Record<string, number[]> = {}
  const open = async (kind: string, what: string, until: string) => {
    // As a hand does: the pointer comes, and presses a moment later.
    await page.hover(what, { force: true })
    await page.waitForTimeout(100)
    const seen = await page.evaluate(openedIn, { what, until })
    ;(shown[kind] ??= []).push(seen.shown)
    ;(blocked[kind] ??= []).push(seen.blocked)
    await page.waitForTimeout(150)
  }
  await page.goto(at('controls'), { waitUntil: 'networkidle' })
  for (let i = 0; i < 8; i++) {
    const key = await page
      .locator('[data-address$="/press"]')
      .nth(i % 6)
      .getAttribute('data-address')
    await open('a key', `[data-address="${key}"]`, theList)
    await open('Reach', '[role=tab]:nth-of-type(2)', '[role=tab]:nth-of-type(2)[aria-selected=true]')
    await open('keys', '[role=tab]:nth-of-type(1)', theList)
    await open('a side', '[aria-label="Side"] label:nth-of-type(2) input', '[data-address^="motion/"]')
    await open('a side', '[aria-label="Side"] label:nth-of-type(1) input', '[data-address^="stills/"]')
  }
  for (let i = 0; i < 3; i++)
    for (const station of [...stations, 'controls'])
      await open(
        station,
        `nav[aria-label="Route"] a[href$="/${station}"]`,
        `a[aria-current="page"][href$="/${station}"]`,
      )
  await page.goto(at('banks'), { waitUntil: 'networkidle' })
  await page.getByRole('columnheader').nth(1).waitFor()
  const heads = await page.locator('th[scope=col] button').count()
  for (let i = 0; i < 8; i++)
    await open('a bank', `th[scope=col]:nth-of-type(${(i % Math.max(1, heads)) + 1}) button`, 'aside section')
  return [
    figure(
      'Opening a key, Reach, a side, a bank, a station, the pointer there 100 ms before: shown',
      100,
      shown,
      unit,
    ),
    figure('The longest the main thread is blocked meanwhile', 16, blocked, unit),
  ]
}

/** Clicks something in the page; gives the milliseconds until something else is there, and the longest gap between two turns of the page’s own clock. */
async function openedIn({ what, until }: { what: string; until: string }) {
  const element = document.querySelector<HTMLElement>(what)
  if (!element) throw new Error(`nothing to open: ${what}`)
  let blocked = 0
  let last = performance.now()
  let going = true
  const clock = new MessageChannel()
  clock.port1.onmessage = () => {
    const now = performance.now()
    blocked = Math.max(blocked, now - last)
    last = now
    if (going) clock.port2.postMessage(null)
  }
  clock.port2.postMessage(null)
  const begun = performance.now()
  element.click()
  while (!document.querySelector(until) && performance.now() - begun < 5000)
    await new Promise((resolve) => requestAnimationFrame(resolve))
  const shown = performance.now() - begun
  await new Promise((resolve) => setTimeout(resolve, 250))
  going = false
  return { shown, blocked }
}

/** What a station’s first load brings: data and scripts, compressed. */
async function firstLoad(
  browser: Awaited<ReturnType<typeof openChromium>>['browser'],
  at: (station: string) => string,
): Promise<Figure[]> {
  let [data, scripts, findings] = [0, 0, 0]
  for (const station of stations) {
    const page = await browser.newPage()
    await (await browser.newCDPSession(page)).send('Network.setCacheDisabled', { cacheDisabled: true })
    await page.goto(at(station), { waitUntil: 'networkidle' })
    const seen = await page.evaluate((name) => {
      const bytes = (part: string) =>
        performance
          .getEntriesByType('resource')
          .filter((one): one is PerformanceResourceTiming => one.name.includes(part))
          .reduce((sum, one) => sum + one.encodedBodySize, 0)
      const [shown] = performance.getEntriesByName('first-contentful-paint')
      // What the page was made with, and what its thread says of it a moment later.
      const known = performance.getEntriesByName(name).map((one) => one.startTime + one.duration)
      return {
        scripts: bytes('.js'),
        definitions: bytes('/api/'),
        inline: [...document.querySelectorAll('script:not([src])')].map((one) => one.textContent).join(''),
        after: shown ? Math.min(...known) - shown.startTime : Infinity,
      }
    }, answerMeasure('findings'))
    data = Math.max(data, seen.definitions + gzipSync(seen.inline).length)
    scripts = Math.max(scripts, seen.scripts)
    findings = Math.max(findings, seen.after)
    await page.close()
  }
  return [
    {
      name: 'First load of a station, the heaviest: plan, model and lenses as data, compressed',
      wanted: 'at most 60 kB',
      measured: `${(data / 1000).toFixed(0)} kB`,
      holds: data <= 60_000,
    },
    {
      name: 'First load of a station, the heaviest: scripts, compressed',
      wanted: 'at most 200 kB',
      measured: `${(scripts / 1000).toFixed(0)} kB`,
      holds: scripts > 0 && scripts <= 200_000,
    },
    {
      name: 'Findings after the first picture of a station, nothing kept from before, the slowest',
      wanted: 'within 300 ms',
      measured: `${findings.toFixed(0)} ms`,
      holds: findings <= 300,
    },
  ]
}

function figure(
  name: string,
  most: number,
  kinds: Readonly<Record<string, readonly number[]>>,
  unit: number,
): Figure {
  const times = Object.values(kinds).flat()
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share: number) => sorted[Math.floor(sorted.length * share)] ?? Infinity
  const [middle, high] = [at(0.5), at(0.95)]
  const worst = Object.entries(kinds)
    .map(([kind, of]) => ({ kind, most: Math.max(...of), middle: middleOf(of) }))
    .sort((a, b) => b.most - a.most)
  return {
    name: `${name}: 95th percentile of ${times.length}`,
    wanted: `at most ${most} ms`,
    measured: `${high.toFixed(1)} ms, ${(high / unit).toFixed(1)} × the fixed work (middle ${middle.toFixed(1)} ms; middle and most of each: ${worst.map(({ kind, middle, most }) => `${kind} ${middle.toFixed(0)} to ${most.toFixed(0)}`).join(', ')})`,
    holds: times.length >= 10 && high <= most,
  }
}

function middleOf(times: readonly number[]): number {
  return [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? Infinity
}

/** Brings a plan in as a file; gives its id. */
export async function planFrom(
  address: string,
  model: BodyModel,
  rows: Parameters<typeof writePlanFile>[0]['plan']['rows'],
): Promise<string> {
  const plan = { model: { id: model.id, version: model.version }, rows }
  const response = await fetch(`${address}/api/files?name=bench.plan.json`, {
    method: 'POST',
    headers: { origin: address },
    body: writePlanFile({ plan, revision: null }),
  })
  const { planId } = (await response.json()) as { planId: string }
  if (!planId) throw new Error('the plan was not taken in')
  return planId
}
