import { randomUUID } from 'node:crypto'
import { readCardFile, readCardHeader } from '@/core/files/card-file'
import { digestHex } from '@/core/digest'
import { editionOfPlanFile, readPlanFile } from '@/core/files/plan-file'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { ok, refuse, type Result } from '@/core/result'
import { unkept } from '@/core/text'
import { isUuid, localOwner, query, transaction, type Connection } from './db'
import { definitions, modelFor } from './models'
import { insertPlan } from './plans'
import { patternsOf } from './summaries'

/** A plan, a configuration file that can be read here, or one of a format that nothing here knows. */
export type FileKind = 'plan' | 'card' | 'opaque'

/** One file on the shelf, without its bytes. */
export interface FileLine {
  readonly id: string
  readonly kind: FileKind
  readonly name: string
  readonly size: number
  readonly digest: string
  /** Null for an opaque file of which nobody said whose it is. */
  readonly modelId: string | null
  readonly firmware: string | null
  readonly bodyName: string | null
  readonly bodyTag: string | null
  /** Where it lay on its card, and when it was saved by the clock of that, where this was seen or said. */
  readonly cardPath: string | null
  readonly savedAt: Date | null
  readonly revision: number | null
  /** The plan it holds or was opened as. */
  readonly plan: { readonly id: string; readonly title: string } | null
  /** The bodies it was carried to. */
  readonly loadedOn: readonly string[]
  readonly tags: readonly string[]
  readonly note: string
  readonly addedAt: Date
  /** When it was put into the bin; null where it was not. */
  readonly deletedAt: Date | null
}

/** Which files are asked for. */
export interface FilesAsked {
  readonly words?: string
  readonly kind?: FileKind | null
  readonly tag?: string | null
  /** Those in the bin instead of those on the shelf. */
  readonly bin?: boolean
}

/** What a file is to be kept with. */
export interface FileToKeep {
  readonly kind: FileKind
  readonly name: string
  readonly bytes: Uint8Array
  readonly modelId: string | null
  readonly firmware: string | null
  readonly bodyId: string | null
  readonly revisionId: string | null
  readonly note: string
  /** Where it lay on the card, and when it was saved by the card's clock. */
  readonly cardPath?: string | null
  readonly savedAt?: Date | null
}

/** What became of a file brought in. */
export interface Imported {
  readonly fileId: string
  /** Set when these very bytes were on the shelf already. */
  readonly known: boolean
  /** The plan opened from a plan file, now or when the same bytes came before. */
  readonly planId: string | null
}

/** How the note of a file begins that somebody brought in. */
export const broughtIn = 'Brought in'

/**
 * One page of the files whose name, body, tags or note has every word, newest first, with where each came from; and how many
 * there are. Those in the bin are asked for by themselves.
 */
export async function listFiles(
  page = 1,
  most = 50,
  { words = '', kind = null, tag = null, bin = false }: FilesAsked = {},
): Promise<{ files: FileLine[]; count: number }> {
  const patterns = patternsOf(words)
  // Which files, from what is small of them; then what is said of those alone.
  const where = `f.owner_id = $1 and (f.deleted_at is not null) = $3 and ($4::text is null or f.kind = $4)
    and ($5::text is null or $5 = any(f.tags))`
  const from =
    patterns.length === 0
      ? `files f where ${where} and $2::text[] is not null`
      : `files f left join bodies b on b.id = f.body_id
           where ${where} and concat_ws(' ', f.name, b.name, f.note, array_to_string(f.tags, ' ')) ilike all ($2::text[])`
  const asked = [localOwner, patterns, bin, kind, tag]
  const lines = await query<FileLine & { count: number }>(
    `with found as materialized (select f.id, f.added_at, f.name from ${from}),
       chosen as (select id from found order by added_at desc, name, id limit $6 offset $7)
       select (select count(*)::int from found) as count, f.id, f.kind, f.name, length(f.bytes) as size, f.digest, f.model_id as "modelId", f.firmware,
         b.name as "bodyName", b.tag as "bodyTag", f.card_path as "cardPath", f.saved_at as "savedAt", r.number as revision, f.note, f.tags, f.added_at as "addedAt", f.deleted_at as "deletedAt",
         (select json_build_object('id', p.id, 'title', p.title) from plans p where p.id = coalesce(r.plan_id, f.plan_id)) as plan,
         (select coalesce(jsonb_agg(distinct tb.name), '[]') from transfers t join bodies tb on tb.id = t.body_id
          where t.outcome = 'identical' and (t.source_file = f.id or exists (
            select from transfer_files tf where tf.transfer_id = t.id and tf.file_id = f.id and tf.role = 'sent')))
           || (select coalesce(jsonb_agg(distinct coalesce(hb.name, c.body)), '[]') from hand_carries c
             left join bodies hb on hb.owner_id = c.owner_id and hb.tag = c.body
             where c.sent = f.digest and c.owner_id = f.owner_id and c.how in ('read back', 'loaded')) as "loadedOn"
       from chosen join files f using (id)
         left join bodies b on b.id = f.body_id left join revisions r on r.id = f.revision_id
       order by f.added_at desc, f.name, f.id`,
    [...asked, most, (page - 1) * most],
  )
  const [first] = lines
  const files = lines.map(({ count: _, ...file }) => file)
  if (first || page === 1) return { files, count: first?.count ?? 0 }
  const counted = await query<{ count: number }>(`select count(*)::int as count from ${from}`, asked)
  return { files, count: counted[0]?.count ?? 0 }
}

/** The newest files of cameras of a model, or of any of which nobody said. */
export function cameraFiles(
  model: string,
): Promise<{ readonly id: string; readonly name: string; readonly bodyName: string | null }[]> {
  return query(
    `select f.id, f.name, b.name as "bodyName" from files f left join bodies b on b.id = f.body_id
     where f.owner_id = $1 and f.kind <> 'plan' and f.deleted_at is null and (f.model_id = $2 or f.model_id is null)
     order by f.added_at desc limit 60`,
    [localOwner, model],
  )
}

/** The tags that files have, the most used first. */
export async function fileTags(): Promise<string[]> {
  const rows = await query<{ tag: string }>(
    `select tag from files, unnest(tags) as tag where owner_id = $1 and deleted_at is null
     group by tag order by count(*) desc, tag limit 60`,
    [localOwner],
  )
  return rows.map(({ tag }) => tag)
}

/** A tag is a short text of one line; so many of them stand beside a file. */
const longestTag = 40
const mostTags = 12

/** Puts tags beside a file in the place of those it had; refuses what is no tag. */
export async function tagFile(id: string, given: unknown): Promise<Result<readonly string[]>> {
  if (!isUuid(id)) return unknownFile(id)
  if (!Array.isArray(given) || given.length > mostTags || !given.every((tag) => typeof tag === 'string'))
    return refuse('shape', `At most ${mostTags} tags are put beside a file.`, 'tags')
  const tags = [...new Set(given.map((tag: string) => tag.trim()).filter((tag) => tag !== ''))]
  const wrong = tags.find((tag) => tag.length > longestTag || unkept.test(tag) || tag.includes('\n'))
  if (wrong !== undefined)
    return refuse(
      'shape',
      `A tag is a text of one line with at most ${longestTag} characters.`,
      wrong.slice(0, 60),
    )
  const rows = await query('update files set tags = $3 where id = $1 and owner_id = $2 returning id', [
    id,
    localOwner,
    tags,
  ])
  return rows.length > 0 ? ok(tags) : unknownFile(id)
}

/** Puts a file into the bin, or back onto the shelf. Its bytes stay in both. */
export async function binFile(id: string, isInBin: boolean): Promise<Result<true>> {
  if (!isUuid(id)) return unknownFile(id)
  const rows = await query('update files set deleted_at = $3 where id = $1 and owner_id = $2 returning id', [
    id,
    localOwner,
    isInBin ? new Date() : null,
  ])
  return rows.length > 0 ? ok(true) : unknownFile(id)
}

function unknownFile(id: string): Result<never> {
  return refuse('unknown-file', 'There is no such file on the shelf.', id)
}

/** A file's bytes exactly as they were kept. */
export async function loadFile(id: string): Promise<Result<{ name: string; bytes: Uint8Array }>> {
  if (!isUuid(id)) return refuse('unknown-file', 'There is no such file on the shelf.', id)
  const rows = await query<{ name: string; bytes: Buffer }>(
    'select name, bytes from files where id = $1 and owner_id = $2',
    [id, localOwner],
  )
  return rows[0] ? ok(rows[0]) : refuse('unknown-file', 'There is no such file on the shelf.', id)
}

/** Keeps bytes on the shelf; bytes that are there already are not kept twice, and what is new about them joins the note. */
export async function keepFile(
  client: Connection,
  file: FileToKeep,
): Promise<{ fileId: string; known: boolean }> {
  const kept = await client.query<{ id: string; fresh: boolean }>(
    `insert into files (id, owner_id, kind, name, bytes, digest, model_id, firmware, body_id, revision_id, note, card_path, saved_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
     on conflict (owner_id, digest) do update set
       body_id = coalesce(files.body_id, excluded.body_id),
       revision_id = coalesce(files.revision_id, excluded.revision_id),
       model_id = coalesce(files.model_id, excluded.model_id),
       firmware = coalesce(files.firmware, excluded.firmware),
       card_path = coalesce(files.card_path, excluded.card_path),
       saved_at = coalesce(files.saved_at, excluded.saved_at),
       deleted_at = null,
       note = case when position(excluded.note in files.note) > 0 or length(files.note) > 2000 then files.note
         else files.note || ' ' || excluded.note end
     returning id, id = $1 as fresh`,
    [
      randomUUID(),
      localOwner,
      file.kind,
      file.name,
      Buffer.from(file.bytes),
      digestHex(file.bytes),
      file.modelId,
      file.firmware,
      file.bodyId,
      file.revisionId,
      file.note,
      file.cardPath ?? null,
      file.savedAt ?? null,
    ],
  )
  const [row] = kept.rows
  if (!row) throw new Error('a file was neither kept nor found')
  return { fileId: row.id, known: !row.fresh }
}

/**
 * Brings a plan or card file in: read whole first, kept byte-exact only when it is sound. A plan file also opens as a
 * plan; the same bytes are recognised, kept once, and open the plan they opened before as long as it is there.
 */
export async function importFile(name: string, bytes: Uint8Array): Promise<Result<Imported>> {
  if (unkept.test(name))
    return refuse('name', 'The name of this file has characters that cannot be kept.', 'name')
  const isCard = new TextDecoder('latin1').decode(bytes.subarray(0, 8)) === 'SALTCARD'
  if (isCard) return importCard(name, bytes)
  if (bytes.length > 0 && !beginsLikePlan(bytes))
    return refuse(
      'unknown-format',
      'This is neither a plan nor a configuration file of a camera that is known here. It can be kept as it is.',
      name,
    )
  return importPlan(name, bytes)
}

/** Whether bytes begin as a JSON object does, after white space or a byte order mark. */
function beginsLikePlan(bytes: Uint8Array): boolean {
  const text = new TextDecoder().decode(bytes.subarray(0, 200))
  return text.trimStart().startsWith('{')
}

async function importCard(name: string, bytes: Uint8Array): Promise<Result<Imported>> {
  const header = readCardHeader(bytes, name)
  if (!header.ok) return header
  const { id, version } = header.value.model
  const model = await modelFor(id, version)
  if (!model) {
    return refuse(
      'other-model',
      `The file was written by a ${id} (edition ${version}), which is not among your models.`,
      `${name}: HEAD`,
    )
  }
  const read = readCardFile(model, bytes, name)
  if (!read.ok) return read
  const kept = await transaction((client) =>
    keepFile(client, {
      kind: 'card',
      name,
      bytes,
      modelId: id,
      firmware: header.value.firmware,
      bodyId: null,
      revisionId: null,
      note: `${broughtIn}; saved by ${header.value.serial}.`,
    }),
  )
  return ok({ ...kept, planId: null })
}

async function importPlan(name: string, bytes: Uint8Array): Promise<Result<Imported>> {
  const edition = editionOfPlanFile(bytes, name)
  if (!edition.ok) return edition
  const { id, version } = edition.value
  const model = await modelFor(id, version)
  const { models } = await definitions()
  const read = readPlanFile(bytes, name, model ? [model] : models)
  if (!read.ok) return read
  if (!model) return refuse('other-model', `There is no edition ${version} of ${id} here.`, `${name}: model`)
  return transaction((client) => openPlan(client, name, bytes, model, read.value.plan))
}

async function openPlan(
  client: Connection,
  name: string,
  bytes: Uint8Array,
  model: BodyModel,
  plan: Plan,
): Promise<Result<Imported>> {
  const kept = await keepFile(client, {
    kind: 'plan',
    name,
    bytes,
    modelId: model.id,
    firmware: null,
    bodyId: null,
    revisionId: null,
    note: `${broughtIn}.`,
  })
  // The row is locked by the insert: of two who bring the same bytes at once the second finds what the first opened.
  const opened = await client.query<{ plan_id: string | null }>('select plan_id from files where id = $1', [
    kept.fileId,
  ])
  const before = opened.rows[0]?.plan_id
  if (before) {
    // What was deleted and is brought in again is put back.
    await client.query('update plans set deleted_at = null where id = $1', [before])
    return ok({ ...kept, planId: before })
  }
  const planId = await insertPlan(client, model, plan.rows)
  await client.query('update files set plan_id = $2 where id = $1', [kept.fileId, planId])
  return ok({ ...kept, planId })
}
