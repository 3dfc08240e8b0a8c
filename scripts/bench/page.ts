import type { Page } from 'playwright-core'
import { pressMeasure } from '@/features/try/use-live'
import { answerMeasure, threadMeasure } from '@/features/desk/use-analysis'
import type { BodyModel } from '@/core/model/types'
import { started, theatre } from '@tests/fixtures/started'
import { openChromium } from '../../tests/browser/chromium'
import { planWith as focusPlan } from './focus'
import type { Figure } from './measure'
import { planFrom } from './speed'

/** What pages cost in Chromium: a change still in the hand, the scripts it brings, a press in Try it, the trigger table. */
export async function pageBench(address: string, model: BodyModel): Promise<Figure[]> {
  const plan = await planFrom(address, model, started(model, theatre).rows)
  const { browser, close } = await openChromium(undefined, 'block')
  try {
    const page = await browser.newPage()
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.goto(`${address}/plans/${plan}/controls`, { waitUntil: 'networkidle' })
    const trials = (await dragOverAll(page)).sort((a, b) => a - b)
    const at95 = trials[Math.floor(trials.length * 0.95)] ?? Infinity
    return [
      {
        name: `Reach and checks of ${model.name} while a function is dragged, in Chromium: 95th percentile of ${trials.length}`,
        wanted: 'on screen within 50 ms',
        measured: `${at95.toFixed(1)} ms (middle ${(trials[Math.floor(trials.length / 2)] ?? 0).toFixed(1)} ms)`,
        holds: trials.length >= 60 && at95 <= 50,
      },
      await pressFigure(page, `${address}/plans/${plan}/try`, model),
      await acrossFigure(
        page,
        `${address}/plans/${await planFrom(address, model, focusPlan(model, 8).rows)}/focus`,
        model,
      ),
    ]
  } finally {
    await close()
  }
}

/** Presses every key of the plate by itself, then in pairs, from the event to what the page then shows. */
async function pressFigure(page: Page, url: string, model: BodyModel): Promise<Figure> {
  await page.goto(url, { waitUntil: 'networkidle' })
  const keys = await page.locator('[data-address$="/press"]').all()
  for (const key of [...keys, ...keys]) {
    await key.click({ modifiers: ['Shift'] })
    await page.keyboard.press('Escape')
  }
  for (const [i, key] of [...keys, ...keys].entries()) {
    await key.click({ modifiers: ['Shift'] })
    await keys[(i + 1) % keys.length]?.click()
    await page.keyboard.press('Escape')
  }
  const times = await measured(page, pressMeasure)
  const at95 = times[Math.floor(times.length * 0.95)] ?? Infinity
  return {
    name: `A press in Try it on ${model.name}, to what the page shows, in Chromium: 95th percentile of ${times.length}`,
    wanted: 'within one frame, 16.7 ms',
    measured: `${at95.toFixed(1)} ms (middle ${(times[Math.floor(times.length / 2)] ?? 0).toFixed(1)} ms)`,
    holds: times.length >= 60 && at95 < 16.7,
  }
}

/** Turns the posture to and fro: all banks and all pairs of the trigger table are reckoned anew in the worker each time. */
async function acrossFigure(page: Page, url: string, model: BodyModel): Promise<Figure> {
  await page.goto(url, { waitUntil: 'networkidle' })
  const posture = page.getByLabel('How the camera is held')
  await page.getByRole('table').waitFor()
  for (let i = 0; i < 24; i++) {
    await posture.selectOption({ index: i % 2 })
    await page.waitForTimeout(120)
  }
  const rows = await page.getByRole('table').getByRole('row').count()
  const all = await page.evaluate(
    (name) => performance.getEntriesByName(name).map((one) => one.duration),
    threadMeasure('focus'),
  )
  const times = all.slice(1).sort((a, b) => a - b)
  const at95 = times[Math.floor(times.length * 0.95)] ?? Infinity
  return {
    name: `All banks and pairs of the trigger table of ${model.name} (${rows} rows) in the worker, after the first: 95th percentile of ${times.length}`,
    wanted: 'within 50 ms',
    measured: `${at95.toFixed(1)} ms (middle ${(times[Math.floor(times.length / 2)] ?? 0).toFixed(1)} ms)`,
    holds: times.length >= 20 && at95 < 50,
  }
}

async function measured(page: Page, name: string): Promise<number[]> {
  const times = await page.evaluate((of) => performance.getEntriesByName(of).map((one) => one.duration), name)
  return times.sort((a, b) => a - b)
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
  return page.evaluate(
    (name) => performance.getEntriesByName(name).map((one) => one.duration),
    answerMeasure('trial'),
  )
}
