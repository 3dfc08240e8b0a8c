import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { applySteps } from '@/core/plan/step'
import type { Step } from '@/core/sync/step'
import { emptyPlan } from '@/core/plan/plan'
import { closePool, query } from '@/server/db'
import { must } from '@/core/result'
import { freshPlan, openApplication, post, type Application } from './application'

let application: Application
beforeAll(async () => {
  application = await openApplication()
})
afterAll(async () => {
  await application.stop()
  await closePool()
})

/** How many saves are made, and how often the server process is killed among them. */
const saves = 200
const crashes = 6

it(`keeps every acknowledged step, none twice, over ${saves} saves while the server is killed at random moments`, async () => {
  const plan = await freshPlan(application.address)
  const url = `${application.address}/api/plans/${plan}/steps`
  const crashAt = new Set(
    Array.from({ length: crashes }, (_, i) => Math.floor(((i + Math.random()) * saves) / crashes)),
  )
  const acknowledged: string[] = []
  let version = 1
  let title = 'New plan for Heron'
  let unanswered = 0

  for (let i = 0; i < saves; i++) {
    const step: Step = { id: randomUUID(), changes: [{ row: 'title', from: title, to: `Title ${i}` }] }
    const crashing = crashAt.has(i) ? delayed(Math.random() * 12).then(() => application.crash()) : null
    for (;;) {
      const answer = await post(url, { basedOn: version, steps: [step] })
        .then(async (response) => (await response.json()) as { kind: string; version: number })
        .catch(() => null)
      if (answer) {
        expect(answer.kind).toBe('saved')
        version = answer.version
        acknowledged.push(step.id)
        title = `Title ${i}`
        break
      }
      unanswered += 1
      await crashing
      await application.start()
    }
    if (crashing) {
      await crashing
      if (!(await answers(application.address))) await application.start()
    }
  }

  const log = await query<{ id: string; step: Step }>(
    'select id, step from steps where plan_id = $1 order by number',
    [plan],
  )
  const ids = log.map((one) => one.id)
  expect(new Set(ids).size).toBe(ids.length)
  expect(ids.slice(1)).toEqual(acknowledged)
  const rows = await query<{ rows: unknown; version: number }>(
    'select rows, version from plans where id = $1',
    [plan],
  )
  expect(rows[0]?.version).toBe(ids.length)
  expect(rows[0]?.rows).toEqual(
    must(
      applySteps(
        heron,
        emptyPlan(heron),
        log.map((one) => one.step),
      ),
    ).rows,
  )
  console.log(
    `  ${crashes} kills, ${unanswered} saves sent again, ${acknowledged.length} steps acknowledged and kept`,
  )
}, 120_000)

function delayed(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds))
}

async function answers(address: string): Promise<boolean> {
  return fetch(`${address}/api/health`).then(
    (response) => response.ok,
    () => false,
  )
}
