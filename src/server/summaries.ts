import { adviceOn } from '@/core/checks/checks'
import type { Refusal } from '@/core/result'
import { localOwner, query } from './db'
import { definitions } from './models'
import { planOf, type PlanRow } from './plan-rows'

/** What is wrong in a plan, counted; null while it is being reckoned. */
export type Counts = { readonly blocks: number; readonly problems: number } | null

/** One line of the shelf: a plan, or what is wrong with it. */
export interface PlanLine {
  readonly id: string
  readonly title: string
  readonly modelId: string
  readonly version: number
  readonly updatedAt: Date
  readonly counts: Counts
  /** Why it cannot be shown; null where it can, as far as is known. */
  readonly trouble: Refusal | null
}

/** A page of the plans whose title or model has every word, the one worked on last first; and how many there are. */
export async function listPlans(
  page = 1,
  most = 50,
  words = '',
): Promise<{ plans: PlanLine[]; count: number }> {
  const patterns = patternsOf(words)
  const where = `p.owner_id = $1 and not exists (
    select from unnest($2::text[]) as pattern where p.title || ' ' || p.model_id not ilike pattern)`
  const checkedBy = await checksMark()
  const [found, counted] = await Promise.all([
    query<PlanLine & { counted: boolean; blocks: number; problems: number }>(
      `select p.id, p.title, p.model_id as "modelId", p.version, p.updated_at as "updatedAt", s.blocks, s.problems,
       s.trouble, s.plan_id is not null as counted
     from plans p left join plan_summaries s on s.plan_id = p.id and s.plan_version = p.version
       and s.row_mark = p.xmin::text and s.checked_by = $5
     where ${where} order by p.updated_at desc, p.id limit $3 offset $4`,
      [localOwner, patterns, most, (page - 1) * most, checkedBy],
    ),
    query<{ count: number }>(`select count(*)::int as count from plans p where ${where}`, [
      localOwner,
      patterns,
    ]),
  ])
  reckonSoon(found.filter((one) => !one.counted).map((one) => one.id))
  const plans = found.map(({ counted: isCounted, blocks, problems, ...line }) => ({
    ...line,
    counts: isCounted && line.trouble === null ? { blocks, problems } : null,
  }))
  return { plans, count: counted[0]?.count ?? 0 }
}

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
  const { lenses } = await definitions()
  const findings = read.ok ? adviceOn(read.value.model, read.value.plan, lenses) : []
  const count = (severity: string) => findings.filter((one) => one.severity === severity).length
  await query(
    `insert into plan_summaries (plan_id, plan_version, row_mark, checked_by, blocks, problems, trouble)
     select $1, $2, $3, $4, $5, $6, $7 where exists (select from plans where id = $1)
     on conflict (plan_id) do update set plan_version = excluded.plan_version, row_mark = excluded.row_mark,
       checked_by = excluded.checked_by, blocks = excluded.blocks, problems = excluded.problems, trouble = excluded.trouble`,
    [
      id,
      row.version,
      row.mark,
      await checksMark(),
      count('blocks'),
      count('problem'),
      read.ok ? null : JSON.stringify(read.refusal),
    ],
  )
}

/** What the checks of this run of the server go by: its build, and the definitions it reads. */
async function checksMark(): Promise<string> {
  const { models, lenses } = await definitions()
  const editions = models.map(({ id, version }) => `${id}@${version}`)
  return [process.env.SALT_SHELF_BUILD ?? 'unbuilt', ...editions, ...lenses.map(({ id }) => id)].join(' ')
}
