import { adviceOn } from '@/core/checks/checks'
import type { Finding } from '@/core/checks/finding'
import type { Refusal } from '@/core/result'
import { isUuid, localOwner, query } from './db'
import { situationName, situationsOf } from '@/core/plan/situations'
import { definitions } from './models'
import { inventoryNow } from './inventory'
import { planOf, type PlanRow } from './plan-rows'
import { equipmentFor, equipped } from '@/core/inventory/equip'
import type { Inventory, Library } from '@/core/inventory/rows'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'

/** What is wrong in a plan, counted, and the worst of it; null while it is being reckoned. */
export type Counts = {
  readonly blocks: number
  readonly problems: number
  /** The findings that weigh most, worst first. */
  readonly worst: readonly Worst[]
} | null

/** A finding as the shelf names it. */
export interface Worst {
  readonly severity: 'blocks' | 'problem'
  readonly title: string
  /** Where it is shown and mended. */
  readonly station: string
}

/** How many findings the shelf names. */
const worstNamed = 2

/** One line of the shelf: a plan, or what is wrong with it. */
export interface PlanLine {
  readonly id: string
  readonly title: string
  /** What it is for, in its owner's words. */
  readonly purpose: string | null
  /** What is shot with it: the names of its situations. */
  readonly work: readonly string[]
  readonly modelId: string
  readonly version: number
  readonly updatedAt: Date
  /** The body it was proven on last. */
  readonly proven: { readonly body: string; readonly at: Date } | null
  readonly counts: Counts
  /** Why it cannot be shown; null where it can, as far as is known. */
  readonly trouble: Refusal | null
}

/**
 * A page of the plans whose title, purpose or model has every word, and how many there are: those new since the owner
 * put them in order first, the one worked on last before the others; then as they were put. */
export async function listPlans(
  page = 1,
  most = 50,
  words = '',
): Promise<{ plans: PlanLine[]; count: number }> {
  const patterns = patternsOf(words)
  const where = `p.owner_id = $1 and concat_ws(' ', p.title, p.purpose, p.model_id) ilike all ($2::text[])
    and p.deleted_at is null`
  const checkedBy = await checksMark((await inventoryNow()).version)
  const [found, counted] = await Promise.all([
    query<Omit<PlanLine, 'counts' | 'work'> & Counted>(
      `select p.id, p.title, p.model_id as "modelId", p.version, p.updated_at as "updatedAt", p.purpose,
       s.blocks, s.problems, s.worst, s.work, s.trouble, s.plan_id is not null as counted,
       (select jsonb_build_object('body', b.name, 'at', t.ended_at) from transfers t join bodies b on b.id = t.body_id
        where t.plan_id = p.id and t.outcome = 'identical' order by t.ended_at desc limit 1) as proven
     from plans p left join plan_summaries s on s.plan_id = p.id and s.plan_version = p.version
       and s.row_mark = p.xmin::text and s.checked_by = $5
     where ${where} order by ${shelfOrder}, p.id limit $3 offset $4`,
      [localOwner, patterns, most, (page - 1) * most, checkedBy],
    ),
    query<{ count: number }>(`select count(*)::int as count from plans p where ${where}`, [
      localOwner,
      patterns,
    ]),
  ])
  reckonSoon(found.filter((one) => !one.counted).map((one) => one.id))
  const plans = found.map(({ counted: isCounted, blocks, problems, worst, work, proven, ...line }) => ({
    ...line,
    proven: proven && { ...proven, at: new Date(proven.at) },
    work: work ?? [],
    counts: isCounted && line.trouble === null ? { blocks, problems, worst: worst ?? [] } : null,
  }))
  return { plans, count: counted[0]?.count ?? 0 }
}

/** What a summary adds to a line; empty where there is none yet. */
interface Counted {
  readonly counted: boolean
  readonly blocks: number
  readonly problems: number
  readonly worst: readonly Worst[] | null
  readonly work: readonly string[] | null
}

/** Plans taken off the shelf, the last first: all of them, each can be put back. */
export async function deletedPlans(): Promise<{ id: string; title: string; modelId: string }[]> {
  return query(
    'select id, title, model_id as "modelId" from plans where owner_id = $1 and deleted_at is not null order by deleted_at desc, id',
    [localOwner],
  )
}

/** Plans as they stand on the shelf; where nobody put them in order, the one worked on last comes first. */
export const shelfOrder = 'p.place nulls first, p.updated_at desc'

/** Words typed by somebody, each as a pattern that stands anywhere in a text. */
export function patternsOf(words: string): string[] {
  return words
    .trim()
    .slice(0, 200)
    .split(/\s+/)
    .filter((word) => word !== '')
    .map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`)
}

/** Reckons summaries in the background, one after the other, with a pause after each: nobody waits for them. */
export function reckonSoon(ids: readonly string[]): void {
  for (const id of ids) shared.saltShelfToReckon.add(id)
  shared.saltShelfReckoning ??= reckonAll().finally(() => {
    shared.saltShelfReckoning = null
  })
}

/** Reckons a plan's summary when it has been at rest for a moment. */
export function summarizeLater(id: string): void {
  clearTimeout(shared.saltShelfAtRest.get(id))
  const timer = setTimeout(() => {
    shared.saltShelfAtRest.delete(id)
    reckonSoon([id])
  }, restMilliseconds)
  timer.unref()
  shared.saltShelfAtRest.set(id, timer)
}

const restMilliseconds = 2000

/** Comes true when nothing is left to be reckoned: for tests, and before a store is closed. */
export async function reckoned(): Promise<void> {
  while (shared.saltShelfReckoning) await shared.saltShelfReckoning
}

const shared = globalThis as unknown as {
  saltShelfToReckon: Set<string>
  saltShelfReckoning: Promise<void> | null
  saltShelfAtRest: Map<string, NodeJS.Timeout>
}
shared.saltShelfToReckon ??= new Set()
shared.saltShelfReckoning ??= null
shared.saltShelfAtRest ??= new Map()

async function reckonAll(): Promise<void> {
  for (const id of shared.saltShelfToReckon) {
    shared.saltShelfToReckon.delete(id)
    try {
      await summarize(id)
    } catch {
      // The database is away: the next look at the shelf asks again.
      return
    }
    await new Promise((resolve) => setTimeout(resolve, 20))
  }
}

/** Reckons what the shelf says of a plan, and keeps it with the state of the plan it was reckoned for. */
async function summarize(id: string): Promise<void> {
  const [row] = await query<PlanRow & { mark: string }>(
    'select *, xmin::text as mark from plans where id = $1 and owner_id = $2',
    [id, localOwner],
  )
  if (!row) return
  const read = await planOf(row)
  const library = await definitions()
  const { inventory, version } = await inventoryNow()
  const findings = read.ok ? adviceWith(library, inventory, read.value) : []
  const count = (severity: string) => findings.filter((one) => one.severity === severity).length
  const heavy = findings.filter((one) => one.severity !== 'tidies').slice(0, worstNamed)
  const worst = heavy.map(({ severity, title, station }) => ({ severity, title, station }))
  const plan = read.ok ? read.value.plan : null
  const work = plan ? situationsOf(plan).map((one) => situationName(plan, one)) : []
  await query(
    `insert into plan_summaries (plan_id, plan_version, row_mark, checked_by, blocks, problems, trouble, worst, work, findings)
     select $1, $2, $3, $4, $5, $6, $7, $8, $9, $10 where exists (select from plans where id = $1)
     on conflict (plan_id) do update set plan_version = excluded.plan_version, row_mark = excluded.row_mark,
       checked_by = excluded.checked_by, blocks = excluded.blocks, problems = excluded.problems, trouble = excluded.trouble,
       worst = excluded.worst, work = excluded.work, findings = excluded.findings`,
    [
      id,
      row.version,
      row.mark,
      await checksMark(version),
      count('blocks'),
      count('problem'),
      read.ok ? null : JSON.stringify(read.refusal),
      JSON.stringify(worst),
      JSON.stringify(work),
      JSON.stringify(findings),
    ],
  )
}

/**
 * What was found in a plan as it stands with the inventory as it stands, where that was reckoned since either changed last;
 * else null, and it is reckoned soon. A page shows it until it has looked itself.
 */
export async function findingsKept(
  id: string,
): Promise<{ readonly version: number; readonly findings: readonly Finding[] } | null> {
  if (!isUuid(id)) return null
  const [kept] = await query<{ version: number; findings: readonly Finding[] | null; isTrouble: boolean }>(
    `select p.version, s.findings, s.trouble is not null as "isTrouble"
     from plans p left join plan_summaries s on s.plan_id = p.id and s.plan_version = p.version
       and s.row_mark = p.xmin::text
       and s.checked_by = $3 || coalesce((select version from inventories where owner_id = $2), 0)
     where p.id = $1 and p.owner_id = $2`,
    [id, localOwner, await checksOfThisRun()],
  )
  if (!kept || kept.isTrouble) return null
  if (kept.findings) return { version: kept.version, findings: kept.findings }
  reckonSoon([id])
  return null
}

/** What the checks say of a plan with what its owner has. */
function adviceWith(
  library: Library,
  inventory: Inventory,
  { model, plan }: { model: BodyModel; plan: Plan },
) {
  const equipment = equipmentFor(model, library, inventory)
  return adviceOn(model, equipped(plan, equipment), equipment.lenses)
}

/** What the checks go by: those of this run of the server, and the inventory by the number of its newest step. */
async function checksMark(inventoryVersion: number): Promise<string> {
  return `${await checksOfThisRun()}${inventoryVersion}`
}

/** What the checks of this run of the server go by: its build and the definitions it reads. */
async function checksOfThisRun(): Promise<string> {
  const { models, lenses } = await definitions()
  const editions = models.map(({ id, version: edition }) => `${id}@${edition}`)
  const build = process.env.SALT_SHELF_BUILD ?? 'unbuilt'
  return [build, ...editions, ...lenses.map(({ id }) => id), 'inventory '].join(' ')
}

/** The plans of a model, the newest first, by their titles. */
export function plansOfModel(model: string): Promise<{ readonly id: string; readonly title: string }[]> {
  return query(
    `select id, title from plans where owner_id = $1 and model_id = $2 and deleted_at is null
     order by updated_at desc limit 6`,
    [localOwner, model],
  )
}
