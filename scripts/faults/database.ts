import { heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { appendFileSync, chmodSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { httpServer } from '@/features/desk/http-server'
import { PlanDesk } from '@/features/desk/plan-desk'
import { createPlan, loadPlan } from '@/server/plans'
import { modelFor } from '@/server/models'
import { must } from '@/core/result'
import { chanceFrom, comesTrue, sleep, type Outcome } from './outcome'
import { openPlace, type Place } from './place'

/** A database that stops answering in the middle of work: everything says so within five seconds, and goes on afterwards. */
export async function frozenDatabase(place: Place, tries: number, seed: number): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const failures: string[] = []
  let longest = 0
  const model = await modelFor(heron.id, heron.version)
  if (!model) throw new Error('the demo model is missing')
  const plan = await createPlan(model, { [rowNamed('title')]: 'Frozen' })
  for (let i = 0; i < tries; i++) {
    const desk = await deskFor(place, plan)
    place.freezeDatabase()
    try {
      await sleep(chance.below(200))
      desk.set({ [rowNamed('title')]: `Frozen ${i}` })
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
    if (must(await loadPlan(plan)).plan.rows[rowNamed('title')] !== `Frozen ${i}`)
      failures.push('the step is not in the plan')
  }
  return {
    name: 'the database frozen while people work',
    tries,
    failures,
    seen: `longest answer ${longest} ms`,
  }
}

/** A desk on a plan as it stands, over a good network. */
async function deskFor(place: Place, plan: string): Promise<PlanDesk> {
  const { id, ...rest } = must(await loadPlan(plan))
  const start = { ...rest, planId: id, lenses: [], newerEdition: null }
  const server = httpServer(plan, place.address, { origin: place.address })
  const nothing = () => Promise.resolve(null)
  const open = () => Promise.resolve({ own: null, others: [], former: [], trouble: null })
  const queue = { open, write: nothing, remove: nothing }
  return new PlanDesk(start, server, { queue, newId: randomUUID, wait: () => sleep(50) })
}

/**
 * A disk that fills up under the database, which is mounted for it: the desk says that the disk is full, keeps what is
 * made, and saves it when there is room again. Only root can mount; without that it is not tried, and says so.
 */
export async function fullDisk(tries: number): Promise<Outcome> {
  const name = 'the disk full while people work'
  const folder = mkdtempSync(join(tmpdir(), 'salt-shelf-full-'))
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=200m', 'tmpfs', folder])
  if (mounted.status !== 0) {
    rmSync(folder, { recursive: true })
    return { name, tries: 0, failures: [], seen: 'not tried: a disk can be mounted by root only' }
  }
  const home = join(folder, 'home')
  mkdirSync(home)
  chmodSync(folder, 0o755)
  const before = process.env.DATABASE_URL
  const place = await openPlace(home)
  const failures: string[] = []
  let saved = 0
  try {
    const model = await modelFor(heron.id, heron.version)
    if (!model) throw new Error('the demo model is missing')
    const plan = await createPlan(model, { [rowNamed('title')]: 'Full' })
    for (let i = 0; i < tries; i++) {
      const desk = await deskFor(place, plan)
      fill(join(folder, 'filler'))
      for (let edits = 0; edits < 400 && desk.getView().saving !== 'waiting'; edits++) {
        desk.set({ [rowNamed('why/base/focus.lamp')]: `${i} ${edits} ${'x'.repeat(470)}` })
        saved += 1
        await sleep(5)
      }
      const isTold = () => {
        const { link } = desk.getView()
        return link.kind === 'waiting' && link.cause.code === 'disk-full'
      }
      if (!(await comesTrue(15_000, isTold)))
        failures.push(`the desk says ${JSON.stringify(desk.getView().link)}`)
      rmSync(join(folder, 'filler'))
      await place.reviveDatabase()
      if (!(await comesTrue(30_000, () => desk.getView().saving === 'saved')))
        failures.push(`with room again the desk says ${JSON.stringify(desk.getView().link)}`)
      const { version, plan: stored } = must(await loadPlan(plan))
      if (version !== saved + 1) failures.push(`${saved} steps were made, the log has ${version - 1}`)
      if (
        stored.rows[rowNamed('why/base/focus.lamp')] !==
        desk.getView().plan.rows[rowNamed('why/base/focus.lamp')]
      )
        failures.push('the plan is not what the desk shows')
    }
  } finally {
    await place.close()
    if (before !== undefined) process.env.DATABASE_URL = before
    spawnSync('umount', [folder])
    rmSync(folder, { recursive: true, force: true })
  }
  return { name, tries, failures, seen: `${saved} steps made, each in the log once` }
}

/** Writes a file until there is no room. */
function fill(path: string): void {
  const block = Buffer.alloc(1_000_000)
  try {
    for (;;) appendFileSync(path, block)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error
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
