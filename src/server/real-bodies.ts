import { handWords, type HandOutcome } from '@/core/procedures/hand-files'
import { judgeBytes } from '@/core/files/verdict'
import { bodiesIn, type BodyRecord } from '@/core/inventory/records'
import type { BodyModel } from '@/core/model/types'
import { beliefOf, howWords, type Belief } from './beliefs'
import { localOwner, query, transaction } from './db'
import { inventoryNow } from './inventory'
import { definitions } from './models'
import { fileByDigest } from './opaque'
import { regionsOf } from './regions'

/** A real camera of the owner, and what is known of it. */
export interface RealBody {
  readonly record: BodyRecord
  readonly model: BodyModel
  readonly belief: Belief | null
  /** How it is proven what it holds, the newest last. */
  readonly proofs: readonly { readonly words: string; readonly at: Date }[]
  /** What made that doubtful since. */
  readonly doubts: readonly string[]
}

/** Every real camera whose model is here, by name. */
export async function listRealBodies(): Promise<RealBody[]> {
  const [{ inventory }, { models }] = await Promise.all([inventoryNow(), definitions()])
  const records = bodiesIn(inventory).flatMap((record) => {
    const model = record.isReal ? models.find(({ id }) => id === record.model) : undefined
    return model ? [{ record, model }] : []
  })
  return Promise.all(records.map(({ record, model }) => realBody(record, model)))
}

/** One real camera by its tag; null where there is none. */
export async function realBodyTagged(tag: string): Promise<RealBody | null> {
  const [{ inventory }, { models }] = await Promise.all([inventoryNow(), definitions()])
  const record = bodiesIn(inventory).find((one) => one.tag === tag)
  const model = models.find(({ id }) => id === record?.model)
  return record?.isReal && model ? realBody(record, model) : null
}

async function realBody(record: BodyRecord, model: BodyModel): Promise<RealBody> {
  const belief = await transaction((client) => beliefOf(client, model, record.tag))
  const [proofs, doubts] = await Promise.all([proofsOf(record, belief), doubtsOf(record, model, belief)])
  return { record, model, belief, proofs, doubts }
}

async function proofsOf({ tag }: BodyRecord, belief: Belief | null): Promise<RealBody['proofs']> {
  if (!belief) return []
  const pressed = await query<{ at: Date; done: number; all: number }>(
    `select w.ended_at as at,
       (select count(*)::int from jsonb_array_elements(w.record -> 'lines') line where line ->> 'standing' = 'done' and line ->> 'kind' = 'press') as done,
       (select count(*)::int from jsonb_array_elements(w.record -> 'lines') line where line ->> 'kind' = 'press') as all
     from walks w where w.owner_id = $1 and w.body = $2 and w.procedure = 'press-test' and date_trunc('milliseconds', w.ended_at) > $3
     order by w.ended_at`,
    [localOwner, tag, belief.since],
  )
  return [
    { words: howWords[belief.how], at: belief.since },
    ...pressed
      .filter(({ done }) => done > 0)
      .map(({ at, done, all }) => ({ words: `${done} of ${all} presses did what they should`, at })),
  ]
}

async function doubtsOf(
  { tag, name, firmware }: BodyRecord,
  model: BodyModel,
  belief: Belief | null,
): Promise<string[]> {
  const since = belief?.since ?? new Date(0)
  const failed = await query<{ words: string; how: HandOutcome['how'] }>(
    `select words, how from hand_carries
     where owner_id = $1 and body = $2 and how in ('not taken', 'differs') and date_trunc('milliseconds', ended_at) > $3 order by ended_at desc limit 1`,
    [localOwner, tag, since],
  )
  return [
    ...(belief?.firmware != null && firmware !== null && belief.firmware !== firmware
      ? [`Firmware was ${belief.firmware} then and is ${firmware} now: look at the rows it touches.`]
      : []),
    ...failed.map(({ words, how }) => `${words} was carried to it since, and ${handWords[how]}.`),
    ...(await resetSince(tag, model, since)),
    ...(belief?.found ? await newerSave(tag, model, belief.found, since) : []),
    ...(belief?.how === 'loaded' ? [`Save on ${name}, and hold the file against what was sent.`] : []),
  ]
}

/** Whether a body was reset since, and its file not loaded again. */
async function resetSince(tag: string, model: BodyModel, since: Date): Promise<string[]> {
  const actsOf = (does: 'reset' | 'load') =>
    model.acts.filter((act) => act.does === does).map(({ id }) => `act/${id}#%`)
  const lines = `jsonb_array_elements(w.record -> 'lines') line where line ->> 'standing' = 'done' and line ->> 'act'`
  // The last walk in which either was done says how it stands.
  const [last] = await query<{ loaded: boolean }>(
    `select exists (select from ${lines} like any ($5::text[])) as loaded from walks w where w.owner_id = $1 and w.body = $2 and date_trunc('milliseconds', w.ended_at) > $3
       and exists (select from ${lines} like any ($4::text[] || $5::text[]))
     order by w.ended_at desc limit 1`,
    [localOwner, tag, since, actsOf('reset'), actsOf('load')],
  )
  return last && !last.loaded ? ['It was reset since, and nothing was loaded again.'] : []
}

/** Whether a file that was saved on a body later says something else than the one that proved what it holds. */
async function newerSave(tag: string, model: BodyModel, found: string, since: Date): Promise<string[]> {
  const newer = await query<{ name: string; digest: string }>(
    `select f.name, f.digest from files f join bodies b on b.id = f.body_id
     where f.owner_id = $1 and b.tag = $2 and f.kind <> 'plan' and f.deleted_at is null and date_trunc('milliseconds', f.added_at) > $3
       and f.digest <> $4
     order by f.added_at desc limit 1`,
    [localOwner, tag, since, found],
  )
  const [newest] = newer
  if (!newest) return []
  const [then, now, named] = await Promise.all([
    fileByDigest(found),
    fileByDigest(newest.digest),
    regionsOf(model.id),
  ])
  if (!then || !now || judgeBytes(then.bytes, now.bytes, named).wanted.count === 0) return []
  return [`${newest.name}, saved on it since, says something else.`]
}

/** The newest files that a real camera saved. */
export function realFiles(tag: string): Promise<
  {
    readonly id: string
    readonly name: string
    readonly note: string
    readonly size: number
    readonly at: Date
  }[]
> {
  return query(
    `select f.id, f.name, f.note, length(f.bytes) as size, f.added_at as at from files f join bodies b on b.id = f.body_id
     where f.owner_id = $1 and b.tag = $2 and f.kind <> 'plan' and f.deleted_at is null
     order by f.added_at desc limit 20`,
    [localOwner, tag],
  )
}

/** A carry by hand that is under way. */
export interface OpenCarry {
  readonly walkId: string
  readonly planId: string
  /** Tag of the body it comes from; empty for a file of the shelf. */
  readonly from: string
  /** Tags of those it goes to, with a plus between them. */
  readonly to: string
  readonly ticked: number
}

/** The carries by hand that are under way, the one worked on last first. */
export function openCarries(): Promise<OpenCarry[]> {
  return query<OpenCarry>(
    `select id as "walkId", plan_id as "planId", body as "from", place as "to",
       (select count(*)::int from jsonb_object_keys(rows) row where row like 'mark/%') as ticked
     from walks where owner_id = $1 and procedure = 'carry-by-hand' and ended_at is null
     order by updated_at desc limit 20`,
    [localOwner],
  )
}
