import { heron } from '@tests/fixtures/heron'
import { randomUUID } from 'node:crypto'
import { planKind } from '@/core/plan/kind'
import { emptyPlan } from '@/core/plan/plan'
import { must } from '@/core/result'
import type { Step } from '@/core/sync/step'
import { httpServer } from '@/features/desk/http-server'
import { PlanDesk, type Server } from '@/features/desk/plan-desk'
import type { Sent } from '@/features/documents'
import type { Queue } from '@/features/documents'
import { query } from '@/server/db'
import { createPlan, loadPlan } from '@/server/plans'
import { modelFor } from '@/server/models'
import { chanceFrom, comesTrue, sleep, type Chance, type Outcome } from './outcome'
import type { Place } from './place'

const rows = [
  'title',
  'why/base/focus.lamp',
  'why/base/body.sounds',
  'source/base/focus.lamp',
  'why/base/image.kind',
]

/** How the network misbehaves: shares of saves. */
interface Network {
  readonly lostAnswers: number
  readonly lostRequests: number
  readonly doubled: number
}

const goodNetwork: Network = { lostAnswers: 0, lostRequests: 0, doubled: 0 }

/** Saves of one desk while the server or the database is killed at random moments. */
export async function savesUnderKills(
  place: Place,
  victim: 'server' | 'database',
  kills: number,
  seed: number,
): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const failures: string[] = []
  const plan = await newPlan()
  const desk = await deskOn(place, plan, goodNetwork, chance)
  let made = 0
  const edit = () => void desk.desk.set({ [chance.pick(rows)]: `text ${(made += 1)}` })
  for (let kill = 0; kill < kills; kill++) {
    const struck = strike(place, victim, chance.below(40))
    while (!struck.over()) {
      edit()
      await sleep(chance.below(8))
    }
    if (!(await comesTrue(20_000, () => desk.desk.getView().saving === 'saved')))
      failures.push(
        `kill ${kill}: the desk stays ${desk.desk.getView().saving}: ${JSON.stringify(desk.desk.getView().link)}`,
      )
  }
  failures.push(...(await disagreements(plan, [desk])))
  const steps = await logOf(plan)
  if (steps.length !== made) failures.push(`${made} steps were made, the log has ${steps.length}`)
  return {
    name: `saving while the ${victim} is killed`,
    tries: kills,
    failures,
    seen: `${made} steps made and acknowledged, each in the log once`,
  }
}

/** Two desks on one plan, each editing the same few rows, over a network that loses and doubles what it carries. */
export async function desksWithLostAnswers(place: Place, rounds: number, seed: number): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const network: Network = { lostAnswers: 0.3, lostRequests: 0.1, doubled: 0.1 }
  const failures: string[] = []
  const roundsOnPlan = 25
  let [lost, aside, steps] = [0, 0, 0]
  for (let round = 0; round < rounds;) {
    const plan = await newPlan()
    const desks = await Promise.all([0, 1].map(() => deskOn(place, plan, network, chance)))
    for (let i = 0; i < roundsOnPlan && round < rounds; i++, round++) {
      for (const [who, { desk }] of desks.entries())
        for (let edits = chance.below(3); edits >= 0; edits--)
          desk.set({ [chance.pick(rows)]: `text ${round} ${who} ${edits} ${chance.below(1000)}` })
      for (const { desk } of desks) {
        if (!(await comesTrue(20_000, () => desk.getView().saving === 'saved')))
          failures.push(`round ${round}: a desk is wedged: ${JSON.stringify(desk.getView().link)}`)
        aside += desk.getView().aside.length
      }
      failures.push(...(await disagreements(plan, desks)).map((one) => `round ${round}: ${one}`))
      for (const { desk } of desks)
        for (const about of desk.getView().aside)
          desk.settleConflict(about, chance.often(0.5) ? 'mine' : 'theirs')
    }
    for (const one of desks) {
      await comesTrue(20_000, () => one.desk.getView().saving === 'saved')
      lost += one.lost()
    }
    failures.push(...(await disagreements(plan, desks)))
    steps += (await logOf(plan)).length
  }
  return {
    name: 'two desks, 30 % of answers lost, 10 % of saves lost, 10 % doubled',
    tries: rounds,
    failures,
    seen: `${lost} answers and saves lost, ${steps} steps in the logs, ${aside} rows set aside`,
  }
}

interface Attended {
  readonly desk: PlanDesk
  readonly made: Map<string, Step>
  readonly settled: Set<string>
  lost(): number
}

async function newPlan(): Promise<string> {
  const model = await modelFor(heron.id, heron.version)
  if (!model) throw new Error('the demo model is missing')
  return createPlan(model, {})
}

async function deskOn(place: Place, plan: string, network: Network, chance: Chance): Promise<Attended> {
  const stored = must(await loadPlan(plan))
  const made = new Map<string, Step>()
  const settled = new Set<string>()
  let lost = 0
  const real = httpServer(plan, place.address, { origin: place.address })
  const gone: Sent = { kind: 'failed', status: null, refusal: null }
  const server: Server = {
    ...real,
    async save(save) {
      for (const step of save.steps) made.set(step.id, step)
      if (chance.often(network.lostRequests)) {
        lost += 1
        return gone
      }
      if (chance.often(network.doubled)) void real.save(save)
      const sent = await real.save(save)
      if (!chance.often(network.lostAnswers)) return sent
      lost += 1
      return gone
    },
  }
  const { id, log, ...rest } = stored
  const start = { ...rest, planId: id, log, lenses: [], newerEdition: null }
  const desk = new PlanDesk(start, server, { queue: nowhere, newId: randomUUID, wait: () => sleep(20) })
  const settle = desk.settleConflict.bind(desk)
  desk.settleConflict = (about, whose) => {
    settled.add(about.key)
    settle(about, whose)
  }
  return { desk, made, settled, lost: () => lost }
}

const nowhere: Queue = {
  open: () => Promise.resolve({ own: null, others: [], former: [], trouble: null }),
  write: () => Promise.resolve(null),
  remove: () => Promise.resolve(null),
}

/** What is wrong between desks and log: a step twice, one that is nowhere, a desk that shows what no log makes. */
async function disagreements(plan: string, desks: readonly Attended[]): Promise<string[]> {
  const log = await logOf(plan)
  const ids = new Set(log.map((step) => step.id))
  const wrong: string[] = []
  if (ids.size !== log.length) wrong.push('a step stands twice in the log')
  const model = await modelFor(heron.id, heron.version)
  if (!model) return ['the model is missing']
  const kind = planKind(() => model)
  const stands = [emptyPlan(model)]
  for (const step of log) stands.push(must(kind.apply(stands.at(-1) ?? emptyPlan(model), step)))
  const stored = must(await loadPlan(plan))
  if (JSON.stringify(sorted(stored.plan.rows)) !== JSON.stringify(sorted(stands.at(-1)?.rows ?? {})))
    wrong.push('the stored plan is not what its log makes')
  for (const { desk, made, settled } of desks) {
    const { plan: shown, version, aside } = desk.getView()
    if (JSON.stringify(sorted(shown.rows)) !== JSON.stringify(sorted(stands[version]?.rows ?? {})))
      wrong.push(`a desk at version ${version} of ${log.length} shows what no log makes`)
    const kept = new Set([...aside.map((one) => one.key), ...settled].map((key) => key.split(' ')[0]))
    const built = new Set([...made.values()].flatMap((step) => step.changes.map(({ from }) => from)))
    for (const [id, step] of made) {
      const typedOver = step.changes.every(({ to }) => built.has(to))
      const there = step.changes.every(({ row, to }) => shown.rows[row] === to)
      if (!ids.has(id) && !kept.has(id) && !typedOver && !there) wrong.push(`step ${id} is nowhere`)
    }
  }
  return wrong
}

async function logOf(plan: string): Promise<Step[]> {
  const found = await query<{ step: Step }>('select step from steps where plan_id = $1 order by number', [
    plan,
  ])
  return found.map((one) => one.step)
}

function sorted(rows: object): unknown[] {
  return Object.entries(rows).sort(([a], [b]) => (a < b ? -1 : 1))
}

/** Kills after a while and brings back; says when that is over. */
function strike(place: Place, victim: 'server' | 'database', after: number): { over: () => boolean } {
  let over = false
  void (async () => {
    await sleep(after)
    if (victim === 'server') {
      await place.killServer()
      await place.startServer()
    } else {
      place.killDatabase()
      await sleep(20)
      await place.reviveDatabase()
    }
    over = true
  })()
  return { over: () => over }
}
