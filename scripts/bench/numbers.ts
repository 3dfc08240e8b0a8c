import type { BodyModel } from '@/core/model/types'
import { Analysis } from '@/core/analysis/analysis'
import { advisers } from '@/core/advise/table'
import { lenses } from '@tests/fixtures/models'
import { started, theatre } from '@tests/fixtures/started'
import { closePool } from '@/server/db'
import { createPlan } from '@/server/plans'
import { openChromium } from '../../tests/browser/chromium'
import type { Figure } from './measure'
import { taskMilliseconds } from './speed'

/** Figures and choices: what a letter typed into a figure costs, what a curve does, and how long every adviser takes. */
export async function numbersBench(address: string, model: BodyModel): Promise<Figure[]> {
  const plan = await createPlan(model, started(model, theatre).rows)
  await closePool()
  const { browser, close } = await openChromium(undefined, 'block')
  try {
    const page = await browser.newPage()
    const cdp = await browser.newCDPSession(page)
    await cdp.send('Performance.enable')
    const at = `${address}/plans/${plan}/numbers`
    const typed = async (hash: string, field: RegExp, letters: string) => {
      await page.goto('about:blank')
      await page.goto(`${at}#${hash}`, { waitUntil: 'networkidle' })
      const input = page.getByRole('textbox', { name: field })
      await input.waitFor()
      await page.waitForTimeout(1000)
      await input.focus()
      const costs: number[] = []
      const before = await input.inputValue()
      for (const letter of letters) {
        // Each digit makes another amount that can be, not a longer and longer one that cannot.
        if (letter === ' ') {
          await input.fill(before)
          await page.waitForTimeout(240)
          continue
        }
        const start = await taskMilliseconds(cdp)
        await page.keyboard.press(letter)
        await page.waitForTimeout(120)
        const after = await taskMilliseconds(cdp)
        await page.waitForTimeout(120)
        costs.push(Math.max(0, after - start - ((await taskMilliseconds(cdp)) - after)))
      }
      return costs.sort((a, b) => a - b)
    }
    const figure = await typed(
      'needed-iso?ev=5&aperture=f/2&shutter=1/200',
      /^Light/,
      '567891056789105678910567891',
    )
    const curve = await typed(
      'metered-exposure?mode=manual&ev=1 to 9&aperture=f/2&shutter=1/200&floor=100&cap=1600',
      /^Auto ISO maximum/,
      '0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0',
    )
    return [
      {
        name: `A digit typed into a figure: main thread busy, middle of ${figure.length}`,
        wanted: 'within one frame, 16.7 ms',
        measured: `${share(figure, 0.5).toFixed(1)} ms (95th percentile ${share(figure, 0.95).toFixed(1)} ms)`,
        holds: share(figure, 0.5) <= 16.7,
      },
      {
        name: `A digit typed into a figure with a curve of 1 000 points: main thread busy, middle of ${curve.length}`,
        wanted: 'within 50 ms',
        measured: `${share(curve, 0.5).toFixed(1)} ms (95th percentile ${share(curve, 0.95).toFixed(1)} ms)`,
        holds: share(curve, 0.5) <= 50,
      },
      advisersFigure(model),
    ]
  } finally {
    await close()
  }
}

/** Every adviser asked of the analysis of a plan of which nothing is known yet, as the worker does. */
function advisersFigure(model: BodyModel): Figure {
  const plan = started(model, theatre)
  const runs = Array.from({ length: 9 }, () => {
    const analysis = new Analysis(model, lenses, plan)
    const start = performance.now()
    for (const { id } of advisers) analysis.ask({ kind: 'advice', adviser: id, place: null, supposed: {} })
    return performance.now() - start
  }).sort((a, b) => a - b)
  return {
    name: `Every adviser of a full plan of ${model.name}, nothing known before, middle of ${runs.length}`,
    wanted: 'within 300 ms',
    measured: `${share(runs, 0.5).toFixed(0)} ms (at most ${share(runs, 1).toFixed(0)} ms)`,
    holds: share(runs, 0.5) <= 300,
  }
}

function share(sorted: readonly number[], part: number): number {
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))] ?? Infinity
}
