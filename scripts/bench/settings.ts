import type { CDPSession, Page } from 'playwright-core'
import type { BodyModel } from '@/core/model/types'
import { createPlan } from '@/server/plans'
import { storeDefinition } from '@/server/models'
import { closePool } from '@/server/db'
import { openChromium } from '../../tests/browser/chromium'
import { fourfold } from './contexts'
import type { Figure } from './measure'
import { countProcessorTime, taskMilliseconds } from './speed'

/** The Settings station of the largest model, and of one with four times its lines: what a letter typed and a line further cost. */
export async function settingsBench(address: string, model: BodyModel): Promise<Figure[]> {
  const four = fourTimes(model)
  await storeDefinition(four)
  const plans = { one: await createPlan(model, {}), four: await createPlan(four, {}) }
  await closePool()
  const { browser, close } = await openChromium(undefined, 'block')
  try {
    const page = await browser.newPage()
    const cdp = await browser.newCDPSession(page)
    await countProcessorTime(cdp)
    const costsOf = (plan: string) => costsAt(page, cdp, `${address}/plans/${plan}/settings`)
    // In turn, so that both meet the same moments of the machine.
    const [first, firstFour] = [await costsOf(plans.one), await costsOf(plans.four)]
    const one = both(first, await costsOf(plans.one))
    const many = both(firstFour, await costsOf(plans.four))
    const lines = `${model.settings.length} and ${four.settings.length} settings`
    return [
      {
        name: `A letter typed in the search of Settings of ${model.name}: main thread busy, in processor time, 95th percentile of ${one.typed.length}`,
        wanted: 'within one frame, 16.7 ms',
        measured: `${at(one.typed, 0.95).toFixed(1)} ms (middle ${at(one.typed, 0.5).toFixed(1)} ms)`,
        holds: at(one.typed, 0.95) <= 16.7,
      },
      ratio(
        `A letter typed there that fills the window, four times the lines (${lines})`,
        one.filled,
        many.filled,
      ),
      ratio(`A line further there, four times the lines (${lines})`, one.moved, many.moved),
    ]
  } finally {
    await close()
  }
}

type Costs = Awaited<ReturnType<typeof costsAt>>

function both(one: Costs, other: Costs): Costs {
  return {
    typed: [...one.typed, ...other.typed],
    filled: [...one.filled, ...other.filled],
    moved: [...one.moved, ...other.moved],
  }
}

function ratio(name: string, one: readonly number[], four: readonly number[]): Figure {
  const times = at(four, 0.5) / at(one, 0.5)
  return {
    name,
    wanted: 'at most 1.2 times the time on screen',
    measured: `${times.toFixed(2)} times (${at(four, 0.5).toFixed(1)} ms, ${at(one, 0.5).toFixed(1)} ms)`,
    holds: times <= 1.2,
  }
}

function at(times: readonly number[], share: number): number {
  const sorted = [...times].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Infinity
}

/** What letters typed in the search cost, and the key that goes a line further, in milliseconds of the main thread. */
async function costsAt(page: Page, cdp: CDPSession, address: string) {
  await page.goto(address, { waitUntil: 'networkidle' })
  await page.getByRole('searchbox').waitFor()
  await page.waitForTimeout(1500)
  const busy = async (act: () => Promise<void>) => {
    const before = await taskMilliseconds(cdp)
    await act()
    await page.waitForTimeout(120)
    const after = await taskMilliseconds(cdp)
    await page.waitForTimeout(120)
    const idle = (await taskMilliseconds(cdp)) - after
    return Math.max(0, after - before - idle)
  }
  const typed: number[] = []
  await page.getByRole('searchbox').focus()
  for (const word of ['shutter', 'focus area', 'white', 'stabilisation', 'metering', 'card']) {
    await page.getByRole('searchbox').fill('')
    await page.waitForTimeout(200)
    for (const letter of word) typed.push(await busy(() => page.keyboard.type(letter)))
  }
  // One letter that most lines have: as many are drawn whatever stands behind them.
  const filled: number[] = []
  for (const letter of 'eaioeaioeaioeaio') {
    await page.getByRole('searchbox').fill('')
    await page.waitForTimeout(200)
    await page.getByRole('searchbox').focus()
    filled.push(await busy(() => page.keyboard.type(letter)))
  }
  await page.getByRole('searchbox').fill('')
  await page.locator('[data-line]').nth(3).focus()
  await page.waitForTimeout(500)
  const moved: number[] = []
  for (let i = 0; i < 20; i++) moved.push(await busy(() => page.keyboard.press('j')))
  return { typed, filled, moved }
}

/** The model with every setting four times over, as a definition that can be stored: what else its menu has stands once. */
function fourTimes(model: BodyModel): BodyModel {
  const four = fourfold(model)
  const acts = new Set(model.acts.map(({ id }) => id))
  const settingsAlone = (lines: readonly unknown[]): unknown[] =>
    lines.flatMap((line): unknown[] => {
      if (typeof line === 'string') return acts.has(line) ? [] : [line]
      const parts = Object.entries(line as object)
      if (parts.some(([name]) => name === 'opens')) return []
      return [
        Object.fromEntries(
          parts.map(([name, part]) => [name, Array.isArray(part) ? settingsAlone(part) : part]),
        ),
      ]
    })
  const menu = four.menu.map((page, i) =>
    i < model.menu.length ? page : { ...page, lines: settingsAlone(page.lines) },
  )
  return { ...four, id: 'fourfold', menu: menu as BodyModel['menu'] }
}
