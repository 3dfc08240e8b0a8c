import { localOwner, query } from './db'
import { patternsOf } from './summaries'

/** What history is made of. */
export const historyKinds = {
  transfer: 'Transfers',
  walk: 'Walks',
  file: 'Files',
  revision: 'Revisions',
  edit: 'Changes',
  bench: 'Done on a body',
} as const

/** One of `historyKinds`. */
export type HistoryKind = keyof typeof historyKinds

/** Something that happened. */
export interface HistoryLine {
  readonly id: string
  readonly kind: HistoryKind
  readonly at: Date
  /** What happened, in words. */
  readonly words: string
  readonly bodyTag: string | null
  readonly bodyName: string | null
  readonly planId: string | null
  readonly planTitle: string | null
  readonly fileId: string | null
  readonly walkId: string | null
}

/** What is asked of history. */
export interface HistoryAsked {
  readonly kind: HistoryKind | null
  /** A body by its tag. */
  readonly body: string | null
  readonly plan: string | null
  readonly file: string | null
  readonly words: string
}

/** Everything, with no filter. */
export const allHistory: HistoryAsked = { kind: null, body: null, plan: null, file: null, words: '' }

/** Each part by itself, its newest first: as many of each as a page can need, so that no part is read whole. */
const parts: Readonly<Record<HistoryKind, string>> = {
  transfer: `select t.id::text as id, 'transfer' as kind, coalesce(t.ended_at, t.started_at) as at,
      t.source || ' → ' || b.name || ': ' || case t.outcome when 'paused' then 'waits' else t.outcome end
        || case t.holds when 'before' then ', as it was before' when 'loaded' then ', in force at its next restart'
             when 'other' then ', holds something else' else '' end as words,
      b.tag as "bodyTag", b.name as "bodyName", t.plan_id as "planId", p.title as "planTitle",
      (select file_id from transfer_files tf where tf.transfer_id = t.id and tf.role = 'backup') as "fileId",
      null::text as "walkId"
    from transfers t join bodies b on b.id = t.body_id left join plans p on p.id = t.plan_id
    where t.owner_id = $1 and ($2::text is null or b.tag = $2) and ($3::uuid is null or t.plan_id = $3)
      and ($4::uuid is null or t.source_file = $4 or exists (
        select from transfer_files tf where tf.transfer_id = t.id and tf.file_id = $4))
    order by t.started_at desc limit $5`,
  walk: `select w.id::text, 'walk', coalesce(w.ended_at, w.begun_at),
      w.procedure || case when w.ended_at is null then ' begun' else ' ended' end,
      nullif(w.body, ''), b.name, w.plan_id, p.title, null::uuid, w.id::text
    from walks w join plans p on p.id = w.plan_id left join bodies b on b.owner_id = w.owner_id and b.tag = w.body
    where w.owner_id = $1 and ($2::text is null or w.body = $2 or $2 = any(string_to_array(w.place, '+'))) and ($3::uuid is null or w.plan_id = $3)
      and $4::uuid is null
    order by w.updated_at desc limit $5`,
  file: `select f.id::text, 'file', f.added_at, f.name || ': ' || f.note, b.tag, b.name, f.plan_id, p.title, f.id, null::text
    from files f left join bodies b on b.id = f.body_id left join plans p on p.id = f.plan_id
    where f.owner_id = $1 and ($2::text is null or b.tag = $2) and ($3::uuid is null or f.plan_id = $3)
      and ($4::uuid is null or f.id = $4)
    order by f.added_at desc limit $5`,
  revision: `select r.id::text, 'revision', r.made_at, 'Revision ' || r.number || ' of ' || p.title || case r.note when '' then '' else ': ' || r.note end,
      null::text, null::text, p.id, p.title, null::uuid, null::text
    from revisions r join plans p on p.id = r.plan_id
    where p.owner_id = $1 and $2::text is null and ($3::uuid is null or p.id = $3) and $4::uuid is null
    order by r.made_at desc limit $5`,
  edit: `select coalesce(d.plan_id, d.owner_id)::text || d.day, 'edit', d.last_at,
      case when d.plan_id is null then 'The inventory' else p.title end || ' was changed: '
        || case when d.first_step = d.last_step then 'step ' || d.first_step
             else 'steps ' || d.first_step || ' to ' || d.last_step end,
      null::text, null::text, p.id, p.title, null::uuid, null::text
    from edit_days d left join plans p on p.id = d.plan_id
    where d.owner_id = $1 and $2::text is null and ($3::uuid is null or d.plan_id = $3) and $4::uuid is null
    order by d.last_at desc limit $5`,
  bench: `select e.id::text, 'bench', e.at, e.words, b.tag, b.name, null::uuid, null::text, null::uuid, null::text
    from bodies b cross join lateral (
      select * from body_events of_body where of_body.body_id = b.id order by of_body.at desc limit $5) e
    where b.owner_id = $1 and ($2::text is null or b.tag = $2) and $3::uuid is null and $4::uuid is null
    order by e.at desc limit $5`,
}

/** One page of what happened, the newest first; and whether there is more. */
export async function listHistory(
  asked: HistoryAsked,
  page = 1,
  most = 50,
): Promise<{ lines: HistoryLine[]; more: boolean }> {
  const patterns = patternsOf(asked.words)
  if (patterns.length === 0) return pageOf(asked, patterns, page, most, page * most + 1)
  // The newest lines that have the words may lie deep: where the near ones do not fill the page, more are looked through.
  const near = await pageOf(asked, patterns, page, most, 200)
  return near.more ? near : pageOf(asked, patterns, page, most, 20_000)
}

/** A page of the lines that have the words, among so many of the newest of each part. */
async function pageOf(
  asked: HistoryAsked,
  patterns: readonly string[],
  page: number,
  most: number,
  reach: number,
): Promise<{ lines: HistoryLine[]; more: boolean }> {
  const kinds = asked.kind ? [asked.kind] : (Object.keys(parts) as HistoryKind[])
  const union = kinds.map((kind) => `(${parts[kind]})`).join(' union all ')
  const lines = await query<HistoryLine>(
    `with lines (id, kind, at, words, "bodyTag", "bodyName", "planId", "planTitle", "fileId", "walkId") as (${union})
     select * from lines where concat_ws(' ', words, "bodyName", "planTitle") ilike all ($6::text[])
     order by at desc, id limit $7 offset $8`,
    [...[localOwner, asked.body, asked.plan, asked.file, reach], ...[patterns, most + 1, (page - 1) * most]],
  )
  return { lines: lines.slice(0, most), more: lines.length > most }
}
