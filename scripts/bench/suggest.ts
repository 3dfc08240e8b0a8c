import { solver } from '@tests/fixtures/solver'
import { started, theatre } from '@tests/fixtures/started'
import type { BodyModel, LensModel } from '@/core/model/types'
import type { Instance } from '@/core/suggest/types'
import { instanceOf } from '@/core/suggest/instance'
import { programOf } from '@/core/suggest/program'
import { keepsAll, scoreOf, today, type Arrangement } from '@/core/suggest/score'
import { suggest } from '@/core/suggest/suggest'
import type { Figure } from './measure'

/** The suggestion on every model: proven in time, against a greedy and a pairwise-swap search, and how it grows. */
export function suggestBench(models: readonly BodyModel[], lenses: readonly LensModel[]): Figure[] {
  const found = models.map((model) => {
    const instance = instanceOf({ model, plan: started(model, theatre), lenses })
    const exact = timed(() => suggest(instance, solver, null, { seconds: 20 }))
    const greedy = timed(() => scoreOf(instance, greedily(instance)).total)
    const swapped = timed(() => scoreOf(instance, bySwaps(instance)).total)
    return { model, instance, exact, greedy, swapped }
  })
  const figures = found.map(({ model, instance, exact, greedy, swapped }): Figure => {
    const { before, after, proven } = exact.value
    const size = `${instance.places.length} places, ${instance.demands.length} demands, ${programOf(instance, null).program.costs.length} columns`
    return {
      name: `Suggestion for ${model.name}, the demo’s needs (${size})`,
      wanted: 'gap 0 within 20 s, never worse than greedy or pairwise swaps',
      measured: `${proven ? 'gap 0' : 'not proven'} in ${exact.seconds.toFixed(1)} s: ${before.total.toFixed(0)} → ${after.total.toFixed(0)} s an outing; greedy ${greedy.value.toFixed(0)} in ${greedy.seconds.toFixed(1)} s, swaps ${swapped.value.toFixed(0)} in ${swapped.seconds.toFixed(1)} s`,
      holds: proven && exact.seconds < 20 && after.total <= Math.min(greedy.value, swapped.value) + 1e-6,
    }
  })
  return [...figures, growth(found.map(({ model }) => model).at(-1), lenses)].filter((one) => one !== null)
}

/** How the time to solve grows with the demands, which bring functions and menu items with them. */
function growth(model: BodyModel | undefined, lenses: readonly LensModel[]): Figure | null {
  if (!model) return null
  const steps = [1, 2, 4, 6].map((count) => {
    const instance = instanceOf({ model, plan: started(model, theatre.slice(0, count)), lenses })
    const choices = instance.places.reduce((sum, { values }) => sum + values.length, 0)
    const { seconds, value } = timed(() => suggest(instance, solver, null, { seconds: 20 }))
    return { words: `${choices} choices ${seconds.toFixed(1)} s`, proven: value.proven }
  })
  return {
    name: `Suggestion for ${model.name}: 1, 2, 4 and 6 kinds of work`,
    wanted: 'gap 0 within 20 s at each',
    measured: steps.map(({ words }) => words).join('; '),
    holds: steps.every(({ proven }) => proven),
  }
}

/** The best single change again and again, until none helps. */
function greedily(instance: Instance, from: Arrangement = today(instance)): Arrangement {
  let now = from
  for (;;) {
    const next = bestOf(instance, now, singleChanges(instance, now))
    if (next === now) return now
    now = next
  }
}

/** Greedy, then two values that change places, and greedy again, until neither helps. */
function bySwaps(instance: Instance): Arrangement {
  let now = greedily(instance)
  for (;;) {
    const next = bestOf(instance, now, swaps(instance, now))
    if (next === now) return now
    now = greedily(instance, next)
  }
}

function bestOf(instance: Instance, now: Arrangement, others: Iterable<Arrangement>): Arrangement {
  let [best, least] = [now, scoreOf(instance, now).total - 1e-9]
  for (const one of others) {
    const { total } = scoreOf(instance, one)
    if (total < least && keepsAll(instance, one)) [best, least] = [one, total - 1e-9]
  }
  return best
}

function* singleChanges({ places }: Instance, now: Arrangement): Iterable<Arrangement> {
  for (const [place, { values }] of places.entries())
    for (let value = 0; value < values.length; value++) if (value !== now[place]) yield now.with(place, value)
}

function* swaps({ places }: Instance, now: Arrangement): Iterable<Arrangement> {
  for (const [one, a] of places.entries())
    for (const [two, b] of places.entries()) {
      if (two <= one) continue
      const [of, to] = [a.values[now[one] ?? 0] ?? '', b.values[now[two] ?? 0] ?? '']
      const [there, here] = [b.values.indexOf(of), a.values.indexOf(to)]
      if (of !== to && there >= 0 && here >= 0) yield now.with(one, here).with(two, there)
    }
}

function timed<T>(work: () => T): { readonly value: T; readonly seconds: number } {
  const begun = performance.now()
  const value = work()
  return { value, seconds: (performance.now() - begun) / 1000 }
}
