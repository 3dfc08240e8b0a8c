import fc from 'fast-check'
import { rowOf } from '@tests/fixtures/arbitrary'
import { lenses } from '@tests/fixtures/models'
import { lookup } from '@/core/model/lookup'
import { pressesTo, type MenuPlace } from '@/core/model/menu'
import type { BodyModel } from '@/core/model/types'
import { emptyPlan, type Plan } from '@/core/plan/plan'
import { applyStep, setRows } from '@/core/plan/step'
import { composeProcedure } from '@/core/procedures/compose'
import { orderFor } from '@/core/procedures/order'
import { must } from '@/core/result'
import { createPlan } from '@/server/plans'
import { beginWalk } from '@/server/walks'
import { closePool } from '@/server/db'
import { threadMeasure } from '@/features/desk/use-analysis'
import { openChromium } from '../../tests/browser/chromium'
import type { Figure } from './measure'

/** A procedure of the largest model in the worker, what the walk's page brings, and how far it goes through the menu. */
export async function proceduresBench(address: string, model: BodyModel): Promise<Figure[]> {
  const plan = planWith(model, 400, 7)
  const id = await createPlan(model, plan.rows)
  const walk = must(await beginWalk(id, { procedure: 'set-plan', body: '', start: 'delivered', place: '' }))
  await closePool()
  const { browser, close } = await openChromium(undefined, 'block')
  try {
    const page = await browser.newPage()
    const times: number[] = []
    let acts = ''
    for (let i = 0; i < 5; i++) {
      await page.goto(`${address}/plans/${id}/prove#set-plan`, { waitUntil: 'networkidle' })
      await page.reload({ waitUntil: 'networkidle' })
      acts = (await page.getByText(/^\d+ acts/).textContent()) ?? ''
      times.push(
        ...(await page.evaluate(
          (name) => performance.getEntriesByName(name).map((one) => one.duration),
          threadMeasure('procedure'),
        )),
      )
    }
    const slowest = Math.max(...times)
    const weigh = async (path: string) => {
      const bare = await browser.newPage()
      await (await browser.newCDPSession(bare)).send('Network.setCacheDisabled', { cacheDisabled: true })
      await bare.goto(`${address}${path}`, { waitUntil: 'networkidle' })
      const bytes = await bare.evaluate(() =>
        performance
          .getEntriesByType('resource')
          .filter((one): one is PerformanceResourceTiming => one.name.includes('.js'))
          .reduce((sum, one) => sum + one.encodedBodySize, 0),
      )
      await bare.close()
      return bytes
    }
    const above = (await weigh(`/walks/${walk}`)) - (await weigh('/nothing-here'))
    return [
      {
        name: `Setting a plan of ${Object.keys(plan.rows).length} rows on ${model.name} (${acts.split(' ·')[0] ?? ''}) composed in the worker, the slowest of ${times.length}`,
        wanted: 'within 500 ms',
        measured: `${slowest.toFixed(0)} ms`,
        holds: times.length > 0 && slowest <= 500,
      },
      {
        name: 'Scripts of the walk, compressed, above a bare page of the same framework',
        wanted: 'at most 40 kB',
        measured: `${(above / 1000).toFixed(0)} kB`,
        holds: above > 0 && above <= 40_000,
      },
      againstPlainOrder(model, plan),
      againstOptimum(model),
    ]
  } finally {
    await close()
  }
}

/** A plan with so many rows, the same at every run. */
export function planWith(model: BodyModel, rows: number, seed: number): Plan {
  const [picked = []] = fc.sample(fc.array(rowOf(model), { minLength: rows, maxLength: rows }), {
    numRuns: 1,
    seed,
  })
  const empty = emptyPlan(model)
  return must(applyStep(model, empty, setRows(empty, 'bench', Object.fromEntries(picked))))
}

/** The menu lines that are gone to, in order. */
function placesOf(model: BodyModel, plan: Plan): MenuPlace[] {
  const { acts } = composeProcedure('set-plan', { order: orderFor(model, plan, lenses, null, 'delivered') })
  const byAddress = new Map([...lookup(model).menuPlaces.values()].map((place) => [place.address, place]))
  // The menu is walked once for each way the camera stands: the first of them is looked at.
  const stands = acts.find(({ kind }) => kind === 'set')?.stands
  return acts.flatMap((act) =>
    act.kind === 'set' && act.stands === stands ? (byAddress.get(act.where) ?? []) : [],
  )
}

function presses(places: readonly MenuPlace[]): number {
  let at: MenuPlace | null = null
  return places.reduce((sum, to) => {
    const there = pressesTo(at, to)
    at = to
    return sum + there
  }, 0)
}

function againstPlainOrder(model: BodyModel, plan: Plan): Figure {
  const places = placesOf(model, plan)
  const inFileOrder = [...places].sort((a, b) => (a.id < b.id ? -1 : 1))
  const share = presses(places) / presses(inFileOrder)
  return {
    name: `Presses in the menu for ${places.length} lines of ${model.name}, against the order in which the plan lists them`,
    wanted: 'fewer',
    measured: `${presses(places)} instead of ${presses(inFileOrder)}, ${share.toFixed(2)} of it`,
    holds: share < 1,
  }
}

function againstOptimum(model: BodyModel): Figure {
  const cases = Array.from({ length: 160 }, (_, seed) =>
    placesOf(model, planWith(model, 24, seed)).slice(0, 7),
  ).filter((places) => places.length > 2)
  const worst = Math.max(...cases.map((places) => presses(places) / fewest(places)))
  return {
    name: `Presses for up to 7 lines, against the fewest that any order takes, the worst of ${cases.length} plans`,
    wanted: 'at most 1.25 times',
    measured: `${worst.toFixed(2)} times`,
    holds: worst <= 1.25,
  }
}

/** The fewest presses over every order of some lines. */
function fewest(places: readonly MenuPlace[], at: MenuPlace | null = null): number {
  if (places.length === 0) return 0
  return Math.min(...places.map((to, i) => pressesTo(at, to) + fewest(places.toSpliced(i, 1), to)))
}
