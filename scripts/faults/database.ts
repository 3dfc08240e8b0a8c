import { randomUUID } from 'node:crypto'
import { httpServer } from '@/features/desk/http-server'
import { PlanDesk } from '@/features/desk/plan-desk'
import { createPlan, loadPlan } from '@/server/plans'
import { modelFor } from '@/server/models'
import { must } from '@/core/result'
import { chanceFrom, comesTrue, sleep, type Outcome } from './outcome'
import type { Place } from './place'

/** A database that stops answering in the middle of work: everything says so within five seconds, and goes on afterwards. */
export async function frozenDatabase(place: Place, tries: number, seed: number): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const failures: string[] = []
  let longest = 0
  const model = await modelFor('tarrow-heron', 2)
  if (!model) throw new Error('the demo model is missing')
  const plan = await createPlan(model, { title: 'Frozen' })
  for (let i = 0; i < tries; i++) {
    const { id, ...rest } = must(await loadPlan(plan))
    const start = { ...rest, planId: id, lenses: [], newerEdition: null }
    const server = httpServer(plan, place.address, { origin: place.address })
    const nothing = () => Promise.resolve(null)
    const queue = {
      open: () => Promise.resolve({ own: null, others: [], trouble: null }),
      write: nothing,
      remove: nothing,
    }
    const desk = new PlanDesk(start, server, queue, randomUUID, () => sleep(50))
    place.freezeDatabase()
    try {
      await sleep(chance.below(200))
      desk.set({ title: `Frozen ${i}` })
      const looks = paths(plan).map(async ([path, wanted]) => {
        const begun = Date.now()
        const response = await fetch(place.address + path).catch(() => null)
        const text = (await response?.text()) ?? ''
        const took = Date.now() - begun
        longest = Math.max(longest, took)
        if (took > 5000) failures.push(`${path} took ${took} ms`)
        if (response?.status !== wanted) failures.push(`${path} answered ${response?.status ?? 'nothing'}`)
        if (!text.includes('does not answer'))
          failures.push(`${path} does not say that the database does not answer`)
      })
      await Promise.all(looks)
      if (!(await comesTrue(5000, () => desk.getView().saving === 'waiting')))
        failures.push(`the desk says ${desk.getView().saving}`)
    } finally {
      place.thawDatabase()
    }
    if (!(await comesTrue(15_000, () => desk.getView().saving === 'saved')))
      failures.push(
        `after the thaw the desk says ${desk.getView().saving}: ${JSON.stringify(desk.getView().link)}`,
      )
    if (must(await loadPlan(plan)).plan.rows.title !== `Frozen ${i}`)
      failures.push('the step is not in the plan')
  }
  return {
    name: 'the database frozen while people work',
    tries,
    failures,
    seen: `longest answer ${longest} ms`,
  }
}

/** What is looked at while the database stands still, and how each answers then. */
function paths(plan: string): readonly (readonly [string, number])[] {
  return [
    ['/api/health', 503],
    ['/api/shelf', 503],
    ['/', 200],
    [`/plans/${plan}/controls`, 200],
    [`/plans/${plan}/carry`, 200],
    ['/files', 200],
  ]
}
