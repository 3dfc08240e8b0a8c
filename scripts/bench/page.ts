import type { Page } from 'playwright-core'
import { trialMeasure } from '@/features/desk/desk-context'
import type { BodyModel } from '@/core/model/types'
import { started, theatre } from '@tests/fixtures/started'
import { setRows } from '@/core/plan/step'
import { emptyPlan } from '@/core/plan/plan'
import { post } from '../../tests/browser/application'
import { openChromium } from '../../tests/browser/chromium'
import type { Figure } from './measure'

/** What the Controls page costs in Chromium: a change still in the hand, and the scripts it brings. */
export async function pageBench(address: string, model: BodyModel): Promise<Figure[]> {
  const plan = await planFor(address, model)
  const { browser, close } = await openChromium()
  try {
    const page = await browser.newPage()
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.goto(`${address}/plans/${plan}/controls`, { waitUntil: 'networkidle' })
    const bytes = await scriptBytes(page)
    const trials = (await dragOverAll(page)).sort((a, b) => a - b)
    const at95 = trials[Math.floor(trials.length * 0.95)] ?? Infinity
    return [
      {
        name: `Reach and checks of ${model.name} while a function is dragged, in Chromium: 95th percentile of ${trials.length}`,
        wanted: 'under 16 ms',
        measured: `${at95.toFixed(1)} ms (middle ${(trials[Math.floor(trials.length / 2)] ?? 0).toFixed(1)} ms)`,
        holds: trials.length >= 60 && at95 < 16,
      },
      {
        name: 'Scripts of the Controls page, compressed, the solver not asked for',
        wanted: 'under 300 kB',
        measured: `${(bytes / 1000).toFixed(0)} kB`,
        holds: bytes > 0 && bytes < 300_000,
      },
    ]
  } finally {
    await close()
  }
}

/** An owner's plan for the model, with the needs of six kinds of work. */
async function planFor(address: string, model: BodyModel): Promise<string> {
  const made = await post(`${address}/api/plans`, { model: model.id })
  const { id } = (await made.json()) as { id: string }
  const step = setRows(emptyPlan(model), crypto.randomUUID(), started(model, theatre).rows)
  await post(`${address}/api/plans/${id}/steps`, { basedOn: 0, steps: [step] })
  return id
}

function scriptBytes(page: Page): Promise<number> {
  return page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter((one): one is PerformanceResourceTiming => one.name.includes('.js'))
      .reduce((sum, one) => sum + one.encodedBodySize, 0),
  )
}

/** Drags from several keys over every other; gives the milliseconds of each trial. */
async function dragOverAll(page: Page): Promise<number[]> {
  const keys = await page.locator('[data-address]').all()
  const middles = await Promise.all(
    keys.map(async (key) => {
      const box = await key.boundingBox()
      return box && { x: box.x + box.width / 2, y: box.y + box.height / 2 }
    }),
  )
  const places = middles.filter((place) => place !== null)
  for (const from of places.slice(0, 16)) {
    await page.mouse.move(from.x, from.y)
    await page.mouse.down()
    for (const to of places) await page.mouse.move(to.x, to.y, { steps: 3 })
    await page.keyboard.press('Escape')
    await page.mouse.up()
  }
  return page.evaluate((name) => performance.getEntriesByName(name).map((one) => one.duration), trialMeasure)
}
