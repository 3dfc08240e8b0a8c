import { heron } from '@tests/fixtures/heron'
import { lenses } from '@tests/fixtures/models'
import { started, theatre } from '@tests/fixtures/started'
import { describe, expect, it } from 'vitest'
import { analysisPort, type AnalysisPort } from '@/core/analysis/port'
import type { QuestionKind } from '@/core/analysis/questions'
import { rehearsals } from '@/core/analysis/rehearsal'
import { adviceOn } from '@/core/checks/checks'
import type { Plan } from '@/core/plan/plan'
import { keyRow } from '@/core/plan/rows'
import { applyStep, setRows } from '@/core/plan/step'
import { reachOf } from '@/core/reach/reach'
import { usesOf } from '@/core/reach/report'
import { must } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import { AnalysisClient, changesBetween, type AsyncPort } from './analysis-client'

const plan = started(heron, theatre)
/** The key that is the quickest way to most. */
const [used] = [...usesOf(reachOf(heron, plan, lenses))].sort(([, a], [, b]) => b - a)
const key = keyRow({ key: used?.[0] ?? '' })
const after = (of: Plan, rows: Record<string, Value | null>) =>
  must(applyStep(heron, of, setRows(of, 's', rows)))
const findings = { kind: 'findings' } as const
const reach = { kind: 'reach', posture: 'finder' } as const

/** A client over an analysis in this thread, answering a moment later; `broken` says which call fails. */
function clientOf(of: Plan, atLeisure?: (work: () => void) => void) {
  const port = analysisPort()
  const calls: { name: keyof AnalysisPort; given: readonly unknown[] }[] = []
  const failures: string[] = []
  const measured: QuestionKind[] = []
  const broken = { name: null as keyof AnalysisPort | null }
  let threads = 0
  const later =
    <M extends keyof AnalysisPort>(name: M) =>
    async (...given: Parameters<AnalysisPort[M]>) => {
      calls.push({ name, given })
      await Promise.resolve()
      if (broken.name === name) throw new Error('it broke')
      return (port[name] as (...all: unknown[]) => ReturnType<AnalysisPort[M]>)(...given)
    }
  const async_: AsyncPort = {
    begin: later('begin'),
    ask: later('ask'),
    rehearse: later('rehearse'),
    forget: later('forget'),
  }
  const client = new AnalysisClient(
    heron,
    lenses,
    of,
    () => {
      threads += 1
      return { port: async_, end: () => undefined }
    },
    (words) => failures.push(words),
    (kind) => measured.push(kind),
    atLeisure,
  )
  return { client, calls, failures, broken, measured, threads: () => threads }
}

/** Lets everything that is under way come to rest. */
async function settled() {
  for (let i = 0; i < 40; i++) await Promise.resolve()
}

describe('the analysis as the page has it', () => {
  it('answers what is subscribed to, and tells whoever listens', async () => {
    const { client, measured } = clientOf(plan)
    let told = 0
    client.subscribe(findings, () => (told += 1))
    expect(client.answer(findings)).toBeNull()
    await settled()
    expect(client.answer(findings)).toEqual(adviceOn(heron, plan, lenses))
    expect(told).toBe(1)
    expect(measured).toEqual(['findings'])
  })

  it('shows what is known from elsewhere until it has answered, and not anew where that is so', async () => {
    const known = JSON.parse(JSON.stringify(adviceOn(heron, plan, lenses))) as ReturnType<typeof adviceOn>
    const [{ client }, { client: other }] = [clientOf(plan), clientOf(plan)]
    const told: string[] = []
    client.seed(findings, known)
    client.subscribe(findings, () => told.push('so'))
    other.seed(findings, known.slice(1))
    other.subscribe(findings, () => told.push('otherwise'))
    expect([client.answer(findings), other.answer(findings)]).toEqual([known, known.slice(1)])
    await settled()
    expect(client.answer(findings)).toBe(known)
    expect(other.answer(findings)).toEqual(known)
    expect(told).toEqual(['otherwise'])
    // A part of the page that wakes up late begins as the server made it.
    expect(other.answerAtFirst(findings)).toEqual(known.slice(1))
    // What has answered itself takes nothing from elsewhere any more.
    client.seed(findings, [])
    expect(client.answer(findings)).toBe(known)
  })

  it('takes steps in thought at leisure, one at a time, and leaves off while something is asked', async () => {
    const waiting: (() => void)[] = []
    const { client, calls } = clientOf(plan, (work) => waiting.push(work))
    const rehearsed = () => calls.filter(({ name }) => name === 'rehearse').length
    client.subscribe(findings, () => undefined)
    await settled()
    expect([waiting.length, rehearsed()]).toEqual([1, 0])
    client.update(after(plan, { [key]: 'nothing' }))
    await Promise.resolve()
    // The page comes to rest while the step is under way: it is not the time.
    waiting.shift()?.()
    await settled()
    expect([waiting.length, rehearsed()]).toEqual([1, 0])
    while (waiting.length > 0) {
      waiting.shift()?.()
      await settled()
    }
    // And once more, when none is left.
    expect(rehearsed()).toBe(rehearsals(heron, plan).length + 1)
    expect(calls.at(-1)?.given).toEqual([[findings]])
    client.update(plan)
    await settled()
    expect(waiting).toEqual([])
  })

  it('tells only those whose answer changed', async () => {
    const { client } = clientOf(plan)
    const told = { findings: 0, reach: 0 }
    client.subscribe(findings, () => (told.findings += 1))
    client.subscribe(reach, () => (told.reach += 1))
    await settled()
    const before = client.answer(reach)
    client.update(after(plan, { title: 'Renamed' }))
    await settled()
    expect(told).toEqual({ findings: 1, reach: 1 })
    expect(client.answer(reach)).toBe(before)
    const next = after(plan, { [key]: 'nothing' })
    client.update(next)
    await settled()
    expect(told).toEqual({ findings: 2, reach: 2 })
    expect(client.answer(reach)).toEqual(reachOf(heron, next, lenses))
  })

  it('sends the rows that changed, one round at a time, and the newest plan when a round is over', async () => {
    const { client, calls } = clientOf(plan)
    client.subscribe(findings, () => undefined)
    await settled()
    let now = plan
    for (let i = 0; i < 5; i++) {
      now = after(now, { title: `Title ${i}` })
      client.update(now)
      await Promise.resolve()
    }
    await settled()
    expect(calls.filter(({ name }) => name === 'begin')).toHaveLength(1)
    const rounds = calls.filter(({ name }) => name === 'ask').slice(1)
    expect(rounds.length).toBeLessThan(5)
    expect(rounds.at(-1)?.given).toEqual([[['title', 'Title 4']], [findings]])
    expect(client.answer(findings)).toEqual(adviceOn(heron, now, lenses))
  })

  it('asks what every station shows before what one shows besides, the changes with the first', async () => {
    const { client, calls } = clientOf(plan)
    for (const question of [{ kind: 'banks' }, findings, reach] as const)
      client.subscribe(question, () => undefined)
    await settled()
    calls.length = 0
    client.update(after(plan, { [key]: 'nothing' }))
    await settled()
    expect(calls.map(({ given }) => given)).toEqual([
      [[[key, 'nothing']], [findings, reach]],
      [[], [{ kind: 'banks' }]],
    ])
  })

  it('answers about the newest plan, whenever on the way of the former one it came', async () => {
    for (let moment = 0; moment < 12; moment++) {
      const { client } = clientOf(plan)
      client.subscribe(reach, () => undefined)
      await settled()
      client.update(after(plan, { title: 'Renamed' }))
      for (let i = 0; i < moment; i++) await Promise.resolve()
      const next = after(plan, { [key]: 'nothing' })
      client.update(next)
      await settled()
      expect([moment, client.answer(reach)]).toEqual([moment, reachOf(heron, next, lenses)])
    }
  })

  it('asks no longer what nobody listens to', async () => {
    const { client, calls } = clientOf(plan)
    const leave = client.subscribe(reach, () => undefined)
    client.subscribe(findings, () => undefined)
    await settled()
    leave()
    client.update(after(plan, { title: 'Renamed' }))
    await settled()
    expect(calls.at(-1)).toEqual({ name: 'ask', given: [[['title', 'Renamed']], [findings]] })
    expect(calls.some(({ name }) => name === 'forget')).toBe(true)
    client.subscribe(reach, () => undefined)
    await settled()
    expect(client.answer(reach)).toEqual(reachOf(heron, plan, lenses))
  })

  it('tells what failed, and goes on in another thread when asked to', async () => {
    const { client, failures, broken, threads } = clientOf(plan)
    broken.name = 'ask'
    client.subscribe(findings, () => undefined)
    await settled()
    expect(failures).toEqual(['it broke'])
    expect(client.answer(findings)).toBeNull()
    broken.name = null
    client.restart()
    await settled()
    expect(client.answer(findings)).toEqual(adviceOn(heron, plan, lenses))
    expect(threads()).toBe(2)
  })
})

describe('the rows in which two plans differ', () => {
  it('are those set, changed and gone', () => {
    const next = after(plan, { title: 'Renamed', [key]: 'nothing' })
    const back = after(next, { [key]: null })
    expect(changesBetween(plan, plan)).toEqual([])
    expect(new Map(changesBetween(plan, next))).toEqual(
      new Map<string, Value>([
        ['title', 'Renamed'],
        [key, 'nothing'],
      ]),
    )
    expect(changesBetween(next, back)).toEqual([[key, null]])
  })
})
