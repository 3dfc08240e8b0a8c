import { readCardFile, readCardHeader } from '@/core/files/card-file'
import { largestTaken, type ChosenFile, type KinFile } from '@/core/cards/taking'
import { knownFolders } from '@/core/cards/card'
import { isSamePath, placeOf, plainPath } from '@/core/cards/path'
import { digestHex } from '@/core/digest'
import { distance } from '@/core/files/regions'
import { bodiesIn, type BodyRecord } from '@/core/inventory/records'
import { ok, refuse, type Result } from '@/core/result'
import { unkept } from '@/core/text'
import { isUuid, localOwner, query, transaction } from './db'
import { broughtIn, keepFile, loadFile } from './files'
import { inventoryNow } from './inventory'
import { definitions, modelFor } from './models'

/** What is said of a file that is taken in. */
export interface TakenFacts {
  /** The body that saved it; null where nobody says. */
  readonly body: BodyRecord | null
  /** From the root of the card, or its name alone. */
  readonly path: string
  readonly savedAt: number | null
  readonly note: string
}

/** A file that was taken in. */
export interface TakenIn {
  readonly fileId: string
  readonly digest: string
  readonly known: boolean
}

/** Reads the path of a file that is taken in; refuses what cannot be kept. */
export function pathGiven(given: string): Result<{ readonly path: string; readonly name: string }> {
  const path = plainPath(given)
  return path.ok ? ok({ path: path.value, name: placeOf(path.value).name }) : path
}

/** What is to be seen of a file before it is taken in. */
export function chosenOf(path: string, bytes: Uint8Array, savedAt: number | null): ChosenFile {
  const header = readCardHeader(bytes, path)
  return {
    ...{ path, bytes: bytes.length, digest: digestHex(bytes), savedAt },
    header: header.ok
      ? {
          modelId: header.value.model.id,
          serial: header.value.serial,
          firmware: header.value.firmware,
        }
      : null,
  }
}

/**
 * Keeps a file of a camera byte for byte, whatever its format: one that can be read here as a configuration file (refused where
 * it is damaged), any other as it is.
 */
export async function takeIn(bytes: Uint8Array, facts: TakenFacts): Promise<Result<TakenIn>> {
  const given = pathGiven(facts.path)
  if (!given.ok) return given
  const { path, name } = given.value
  if (bytes.length === 0) return refuse('empty', 'This file is empty: there is nothing to keep.', name)
  if (bytes.length > largestTaken)
    return refuse('too-large', `The file has ${bytes.length} bytes; at most ${largestTaken} are taken.`, name)
  if (unkept.test(facts.note) || facts.note.length > 500)
    return refuse('shape', 'What is said of it is a text of at most 500 characters.', 'note')
  const read = await readIfKnown(name, bytes)
  if (!read.ok) return read
  const body = facts.body && (await bodyRowOf(facts.body.tag))
  const modelId = read.value?.modelId ?? facts.body?.model ?? (await modelOfFolder(placeOf(path).folder))
  const kept = await transaction((client) =>
    keepFile(client, {
      kind: read.value ? 'card' : 'opaque',
      name,
      bytes,
      modelId,
      firmware: read.value?.firmware ?? facts.body?.firmware ?? null,
      bodyId: body?.id ?? null,
      revisionId: null,
      note: facts.note === '' ? `${broughtIn}.` : facts.note,
      cardPath: path === name ? null : path,
      savedAt: facts.savedAt === null ? null : new Date(facts.savedAt),
    }),
  )
  return ok({ ...kept, digest: digestHex(bytes) })
}

async function readIfKnown(
  name: string,
  bytes: Uint8Array,
): Promise<Result<{ readonly modelId: string; readonly firmware: string } | null>> {
  if (new TextDecoder('latin1').decode(bytes.subarray(0, 8)) !== 'SALTCARD') return ok(null)
  const header = readCardHeader(bytes, name)
  if (!header.ok) return header
  const { model: named, firmware } = header.value
  const model = await modelFor(named.id, named.version)
  if (!model) return ok(null)
  const read = readCardFile(model, bytes, name)
  return read.ok ? ok({ modelId: named.id, firmware }) : read
}

/** What an owner says of an opaque file. */
export interface FileAbout {
  /** Tag of the body that saved it; null where nobody says. */
  readonly body: string | null
  readonly firmware: string | null
  /** When it was saved, as a day or a time; null where nobody says. */
  readonly savedAt: Date | null
  /** What it holds, in the owner's words. */
  readonly holds: string
}

/** Reads what is said of a file; refuses what is nothing of the kind. */
export function readFileAbout(given: unknown): Result<FileAbout> {
  const {
    body = '',
    firmware = '',
    savedAt = '',
    holds = '',
  } = (given ?? {}) as Readonly<Record<string, unknown>>
  const texts = [body, firmware, savedAt, holds]
  const isText = (one: unknown): one is string =>
    typeof one === 'string' && one.length <= 500 && !unkept.test(one)
  if (!texts.every(isText))
    return refuse('shape', 'What is said of a file are texts of at most 500 characters.', 'about')
  const [tag = '', version = '', when = '', words = ''] = texts.map((one) => one.trim())
  const at = when === '' ? null : new Date(when)
  if (at && Number.isNaN(at.getTime())) return refuse('shape', 'A day is written 2026-11-30.', 'savedAt')
  return ok({ body: tag || null, firmware: version || null, savedAt: at, holds: words })
}

/** Puts beside an opaque file what its owner says of it; its bytes stay what they are. Refuses files that say it themselves. */
export async function describeFile(id: string, about: FileAbout): Promise<Result<true>> {
  const { inventory } = await inventoryNow()
  const record = bodiesIn(inventory).find(({ tag }) => tag === about.body)
  if (about.body !== null && !record) return refuse('unknown-body', `There is no body ${about.body}.`, 'body')
  const body = record && (await bodyRowOf(record.tag))
  const rows = isUuid(id)
    ? await query(
        `update files set body_id = $3, model_id = coalesce($4, model_id), firmware = $5, saved_at = $6, note = $7
         where id = $1 and owner_id = $2 and kind = 'opaque' returning id`,
        [
          ...[id, localOwner, body?.id ?? null, record?.model ?? null],
          ...[about.firmware, about.savedAt, about.holds === '' ? `${broughtIn}.` : about.holds],
        ],
      )
    : []
  return rows.length > 0
    ? ok(true)
    : refuse('unknown-file', 'There is no such file, or it says itself what it is.', id)
}

/** The model whose configuration files lie in such a folder; null where it is none that is known. */
async function modelOfFolder(folder: string): Promise<string | null> {
  if (folder === '') return null
  const [{ models }, { inventory }] = await Promise.all([definitions(), inventoryNow()])
  const known = knownFolders(models, bodiesIn(inventory))
  return known.find((one) => isSamePath(one.folder, folder))?.modelId ?? null
}

async function bodyRowOf(tag: string): Promise<{ id: string } | undefined> {
  const rows = await query<{ id: string }>(
    'select id from bodies where owner_id = $1 and tag = $2 and not gone',
    [localOwner, tag],
  )
  return rows[0]
}

/** The files of a model and its look-alikes on the shelf, and one with the very bytes, to hold another against them. */
export async function kinOf(models: readonly string[], digest: string): Promise<KinFile[]> {
  return query<KinFile>(
    `select f.name, length(f.bytes) as bytes, f.digest, b.tag as body, f.model_id as "modelId"
     from files f left join bodies b on b.id = f.body_id
     where f.owner_id = $1 and (f.model_id = any($2) or f.digest = $3) and f.kind <> 'plan' and f.deleted_at is null
     order by (f.digest = $3) desc, f.added_at desc limit 500`,
    [localOwner, models, digest],
  )
}

/** A file of the shelf by its digest; null where it is not there. */
export async function fileByDigest(
  digest: string,
): Promise<{ readonly id: string; readonly name: string; readonly bytes: Uint8Array } | null> {
  const rows = await query<{ id: string; name: string; bytes: Buffer }>(
    'select id, name, bytes from files where owner_id = $1 and digest = $2',
    [localOwner, digest],
  )
  const [row] = rows
  return row ? { ...row, bytes: new Uint8Array(row.bytes) } : null
}

/** A file that another is near to: how many bytes differ. */
export interface NearFile {
  readonly id: string
  readonly name: string
  readonly bodyName: string | null
  readonly addedAt: Date
  readonly differing: number
}

/** So many bytes are read at most to find what a file is near to; those nearest in size come first. */
const mostRead = 96_000_000

/** The files on the shelf that a file is nearest to, of those of its model (of any, where nobody said), the nearest first. */
export async function nearestTo(id: string, most = 5): Promise<Result<NearFile[]>> {
  const file = await loadFile(id)
  if (!file.ok) return file
  const others = await query<{ id: string; size: number }>(
    `select f.id, length(f.bytes) as size from files f, files one
     where one.id = $1 and f.id <> one.id and f.owner_id = $2 and f.kind <> 'plan' and f.deleted_at is null
       and (one.model_id is null or f.model_id is null or f.model_id = one.model_id)
     order by abs(length(f.bytes) - length(one.bytes)), f.added_at desc limit 40`,
    [id, localOwner],
  )
  const near: NearFile[] = []
  let read = 0
  for (const other of others) {
    read += other.size
    if (read > mostRead) break
    const [row] = await query<Omit<NearFile, 'differing'> & { bytes: Buffer }>(
      `select f.id, f.name, f.bytes, b.name as "bodyName", f.added_at as "addedAt"
       from files f left join bodies b on b.id = f.body_id where f.id = $1`,
      [other.id],
    )
    if (!row) continue
    const { bytes, ...line } = row
    near.push({ ...line, differing: distance(file.value.bytes, new Uint8Array(bytes)) })
  }
  return ok(near.sort((a, b) => a.differing - b.differing).slice(0, most))
}

/** What is known of a file on the shelf besides its bytes. */
export interface FileFacts {
  readonly id: string
  readonly kind: string
  readonly name: string
  readonly size: number
  readonly digest: string
  readonly modelId: string | null
  readonly bodyName: string | null
  readonly addedAt: Date
}

/** What is known of a file by its id; refuses one that is not there. */
export async function fileFacts(id: string): Promise<Result<FileFacts>> {
  const [row] = isUuid(id)
    ? await query<FileFacts>(
        `select f.id, f.kind, f.name, length(f.bytes) as size, f.digest, f.model_id as "modelId", b.name as "bodyName",
           f.added_at as "addedAt"
         from files f left join bodies b on b.id = f.body_id where f.id = $1 and f.owner_id = $2`,
        [id, localOwner],
      )
    : []
  return row ? ok(row) : refuse('unknown-file', 'There is no such file on the shelf.', id)
}
