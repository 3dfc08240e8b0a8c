import { heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import type { Rows } from '@/core/plan/rows'
import { randomUUID } from 'node:crypto'
import { newBody, type BodyState } from '@/core/camera/body'
import type { CarryNews } from '@/core/camera/carry'
import { carryStages } from '@/core/camera/stages'
import { carriedRows, memoryOf } from '@/core/camera/memory'
import { readCardFile } from '@/core/files/card-file'
import { compareRows } from '@/core/files/compare'
import type { BodyModel } from '@/core/model/types'
import { planFor } from '@/core/plan/bodies'
import { parsePlan } from '@/core/plan/plan'
import { must } from '@/core/result'
import { readNews } from '@/features/carry/news'
import type { CardCondition } from '@/core/camera/card-condition'
import { cardConditionOf, loadBody, putBody } from '@/server/bodies'
import { query } from '@/server/db'
import { modelFor } from '@/server/models'
import { createPlan } from '@/server/plans'
import { chanceFrom, comesTrue, sleep, type Chance, type Outcome } from './outcome'
import type { Place } from './place'

const rates = ['25p', '50p', '100p', '24p', '30p']

interface Bench {
  readonly model: BodyModel
  readonly tag: string
  readonly body: string
  readonly plans: readonly string[]
}

/** Carries while a second hand changes the card, carries too, or stops: what is said of the body is held against the body. */
export async function carriesWithSecondHand(place: Place, tries: number, seed: number): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const failures: string[] = []
  const ends = new Map<string, number>()
  const bench = await newBench()
  for (let i = 0; i < tries; i++) {
    const before = await bodyNow(bench)
    const hand = secondHand(place, bench, chance)
    const stop = new AbortController()
    if (chance.often(0.2)) void sleep(chance.below(60)).then(() => stop.abort())
    const told = await carryOver(place, bench, chance.pick(bench.plans), stop.signal)
    const card = await hand
    const said = await claim(place, bench, before)
    failures.push(...said.wrong.map((one) => `try ${i}: ${one}`))
    ends.set(said.word, (ends.get(said.word) ?? 0) + 1)
    const last = told.at(-1)
    if (last?.kind === 'finished' && said.word !== 'identical' && !card.carried)
      failures.push(`try ${i}: the page was told identical, the record says ${said.word}`)
    const { state } = await bodyNow(bench)
    if (card.condition !== null && cardConditionOf(state) !== card.condition)
      failures.push(`try ${i}: the card was set to ${card.condition} and is ${cardConditionOf(state)}`)
    await setCard(place, bench, 'ready')
  }
  return { name: 'carries with a second hand at the body', tries, failures, seen: counted(ends) }
}

/** Carries while the server or the database is killed at a random moment of each stage in turn. */
export async function carriesUnderKills(
  place: Place,
  victim: 'server' | 'database',
  kills: number,
  seed: number,
): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const failures: string[] = []
  const ends = new Map<string, number>()
  const bench = await newBench()
  for (let i = 0; i < kills; i++) {
    const before = await bodyNow(bench)
    const stage = carryStages[i % carryStages.length]
    const moment = chance.below(12)
    const strikes: Promise<void>[] = []
    const told = await carryOver(place, bench, chance.pick(bench.plans), undefined, (news) => {
      if (news.kind !== 'stage' || news.stage !== stage) return
      const strike = async () => {
        await sleep(moment)
        if (victim === 'server') await place.killServer()
        else place.killDatabase()
      }
      strikes.push(strike())
    })
    await Promise.all(strikes)
    if (victim === 'server') await place.startServer()
    else await place.reviveDatabase()
    await comesTrue(
      10_000,
      async () => (await fetch(`${place.address}/api/health`).catch(() => null))?.ok === true,
    )
    const said = await claim(place, bench, before)
    failures.push(...said.wrong.map((one) => `kill ${i} in ${stage ?? ''}: ${one}`))
    ends.set(said.word, (ends.get(said.word) ?? 0) + 1)
    if (told.at(-1)?.kind === 'finished' && said.word !== 'identical')
      failures.push(`kill ${i} in ${stage ?? ''}: told identical, the record says ${said.word}`)
    const again = await carryOver(place, bench, chance.pick(bench.plans))
    if (again.at(-1)?.kind !== 'finished')
      failures.push(`kill ${i} in ${stage ?? ''}: the next carry ended with ${JSON.stringify(again.at(-1))}`)
  }
  return { name: `carrying while the ${victim} is killed`, tries: kills, failures, seen: counted(ends) }
}

async function newBench(): Promise<Bench> {
  const model = await modelFor(heron.id, heron.version)
  if (!model) throw new Error('the demo model is missing')
  const body = randomUUID()
  const tag = `t${body.slice(0, 8)}`
  await putBody({ id: body, tag, name: 'Bench', place: '', model, state: newBody(model, 'TH-1', '1.2') })
  const plans = await Promise.all(
    rates.map((rate) => createPlan(model, { [rowNamed('base/movie.frameRate')]: rate })),
  )
  return { model, tag, body, plans }
}

async function bodyNow({ body }: Bench): Promise<{ state: BodyState }> {
  return must(await loadBody(body))
}

/** Carries by the application's own address; gives the news as far as they came. */
async function carryOver(
  place: Place,
  { body }: Bench,
  plan: string,
  stop?: AbortSignal,
  hear: (news: CarryNews) => void = () => undefined,
): Promise<CarryNews[]> {
  const told: CarryNews[] = []
  const hearOne = (news: CarryNews) => {
    told.push(news)
    hear(news)
  }
  try {
    const order = { source: `plan:${plan}`, body }
    await readNews(`${place.address}/api/carry`, order, stop ?? null, hearOne, { origin: place.address })
  } catch {
    // The server was killed, or the carry was stopped: what came before counts.
  }
  return told
}

/** What another hand does meanwhile; gives the condition the card was set to last, and whether it carried, too. */
async function secondHand(
  place: Place,
  bench: Bench,
  chance: Chance,
): Promise<{ condition: CardCondition | null; carried: boolean }> {
  await sleep(chance.below(40))
  if (chance.often(0.15)) {
    await carryOver(place, bench, chance.pick(bench.plans))
    return { condition: null, carried: true }
  }
  let condition: CardCondition | null = null
  for (let changes = chance.below(4); changes > 0; changes--) {
    const wanted = chance.pick(['ready', 'locked', 'full', 'none'] as const)
    if (await setCard(place, bench, wanted)) condition = wanted
    await sleep(chance.below(15))
  }
  return { condition, carried: false }
}

async function setCard(place: Place, { body }: Bench, condition: CardCondition): Promise<boolean> {
  const response = await fetch(`${place.address}/api/bodies/${body}/bench`, {
    method: 'POST',
    headers: { origin: place.address, 'content-type': 'application/json' },
    body: JSON.stringify({ act: 'card', condition }),
  })
  // Where the hand finds nothing to work on, nothing is tried.
  if (response.status === 404) throw new Error(`there is no bench of ${body}`)
  return response.ok
}

/** What the records say of a body after its carry has ended, and everything in it that is not so. */
async function claim(
  place: Place,
  bench: Bench,
  before: { state: BodyState },
): Promise<{ word: string; wrong: string[] }> {
  const newest = () =>
    query<Claim>(
      `select t.id, t.outcome, t.holds, r.rows, r.number from transfers t join revisions r on r.id = t.revision_id
       where t.body_id = $1 order by t.started_at desc limit 2`,
      [bench.body],
    )
  const isOver = async () => {
    await fetch(place.address).then((response) => response.arrayBuffer())
    return (await newest()).every((one) => one.outcome !== 'running')
  }
  if (!(await comesTrue(10_000, isOver))) return { word: 'running', wrong: ['the transfer stays running'] }
  const [transfer, former] = await newest()
  if (!transfer) return { word: 'none begun', wrong: [] }
  const { model } = bench
  const { state } = await bodyNow(bench)
  const wantedBy = ({ rows }: Claim) =>
    carriedRows(model, memoryOf(model, planFor(must(parsePlan(model, rows)), bench.tag)))
  const wanted = wantedBy(transfer)
  const same = (one: Rows, other: Rows) => compareRows(model, one, other).differences.length === 0
  const now = carriedRows(model, state.memory)
  // With two carries at once the one that ended last found what the other had left.
  const was = [
    carriedRows(model, before.state.memory),
    ...(former?.outcome === 'identical' ? [wantedBy(former)] : []),
  ]
  const word =
    transfer.outcome === 'identical' ? 'identical' : `${transfer.outcome}, ${transfer.holds ?? 'unsaid'}`
  const wrong: string[] = []
  const check = (is: boolean, words: string) => {
    if (!is) wrong.push(`said “${word}”, but ${words}`)
  }
  if (transfer.outcome === 'identical') check(same(now, wanted), 'the body does not hold the plan')
  if (transfer.holds === 'plan') check(same(now, wanted), 'the body does not hold the plan')
  if (transfer.holds === 'before')
    check(
      was.some((rows) => same(now, rows)),
      'the body is not as it was',
    )
  if (transfer.holds === 'loaded')
    check(
      state.pending !== null && same(carriedRows(model, state.pending), wanted),
      'nothing of it is waiting',
    )
  if (transfer.holds === 'other') check(!same(now, wanted), 'the body holds the plan')
  const [backup] = await query<{ bytes: Buffer }>(
    `select f.bytes from transfer_files tf join files f on f.id = tf.file_id
     where tf.transfer_id = $1 and tf.role = 'backup'`,
    [transfer.id],
  )
  if (backup && transfer.outcome !== 'identical' && transfer.holds === 'before') {
    const { rows } = must(readCardFile(model, new Uint8Array(backup.bytes), 'backup'))
    check(same(rows, now), 'the backup is not what the body holds')
  }
  return { word, wrong }
}

interface Claim {
  readonly id: string
  readonly outcome: string
  readonly holds: string | null
  readonly rows: Record<string, unknown>
  readonly number: number
}

function counted(ends: ReadonlyMap<string, number>): string {
  return [...ends]
    .sort()
    .map(([word, count]) => `${count} ${word}`)
    .join(' · ')
}
