import { randomUUID } from 'node:crypto'
import { readCardFile, readCardHeader } from '@/core/files/card-file'
import { digestHex } from '@/core/files/digest'
import { readPlanFile } from '@/core/files/plan-file'
import { ok, refuse, type Result } from '@/core/result'
import { localOwner, query } from './db'
import { definitions, modelFor } from './models'
import { createPlan, isUuid } from './plans'

/** One file on the shelf, without its bytes. */
export interface FileLine {
  readonly id: string
  readonly kind: 'plan' | 'card'
  readonly name: string
  readonly size: number
  readonly digest: string
  readonly modelId: string
  readonly firmware: string | null
  readonly bodyName: string | null
  readonly revision: number | null
  readonly note: string
  readonly addedAt: Date
}

/** What a file is to be kept with. */
export interface FileToKeep {
  readonly kind: 'plan' | 'card'
  readonly name: string
  readonly bytes: Uint8Array
  readonly modelId: string
  readonly firmware: string | null
  readonly bodyId: string | null
  readonly revisionId: string | null
  readonly note: string
}

/** What became of a file brought in. */
export interface Imported {
  readonly fileId: string
  /** Set when these very bytes were on the shelf already. */
  readonly known: boolean
  /** A plan opened from a plan file. */
  readonly planId: string | null
}

/** The newest files, with where they came from. */
export async function listFiles(most = 30): Promise<FileLine[]> {
  return query<FileLine>(
    `select f.id, f.kind, f.name, length(f.bytes) as size, f.digest, f.model_id as "modelId", f.firmware,
       b.name as "bodyName", r.number as revision, f.note, f.added_at as "addedAt"
     from files f left join bodies b on b.id = f.body_id left join revisions r on r.id = f.revision_id
     where f.owner_id = $1 order by f.added_at desc, f.name limit $2`,
    [localOwner, most],
  )
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

/** Keeps bytes on the shelf. */
export async function keepFile(file: FileToKeep): Promise<string> {
  const id = randomUUID()
  await query(
    `insert into files (id, owner_id, kind, name, bytes, digest, model_id, firmware, body_id, revision_id, note)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      id,
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
    ],
  )
  return id
}

/**
 * Brings a plan or card file in: read whole first, kept byte-exact only when it is sound. A plan file also opens
 * as a new plan; the same bytes are recognised and not kept twice.
 */
export async function importFile(name: string, bytes: Uint8Array): Promise<Result<Imported>> {
  const isCard = new TextDecoder('latin1').decode(bytes.subarray(0, 8)) === 'SALTCARD'
  return isCard ? importCard(name, bytes) : importPlan(name, bytes)
}

async function importCard(name: string, bytes: Uint8Array): Promise<Result<Imported>> {
  const header = readCardHeader(bytes, name)
  if (!header.ok) return header
  const { id, version } = header.value.model
  const model = await modelFor(id, version)
  if (!model) {
    return refuse(
      'other-model',
      `The file was written by a ${id} (definition ${version}), which is not among your models.`,
      `${name}: HEAD`,
    )
  }
  const read = readCardFile(model, bytes, name)
  if (!read.ok) return read
  const kept = await keepOnce({
    kind: 'card',
    name,
    bytes,
    modelId: id,
    firmware: header.value.firmware,
    bodyId: null,
    revisionId: null,
    note: `Brought in; saved by ${header.value.serial}.`,
  })
  return ok({ ...kept, planId: null })
}

async function importPlan(name: string, bytes: Uint8Array): Promise<Result<Imported>> {
  const { models } = await definitions()
  const read = readPlanFile(bytes, name, models)
  if (!read.ok) return read
  const { plan } = read.value
  const model = models.find((one) => one.id === plan.model.id)
  if (!model) return refuse('other-model', `There is no model ${plan.model.id}.`, name)
  const kept = await keepOnce({
    kind: 'plan',
    name,
    bytes,
    modelId: model.id,
    firmware: null,
    bodyId: null,
    revisionId: null,
    note: 'Brought in.',
  })
  return ok({ ...kept, planId: await createPlan(model, plan.rows) })
}

async function keepOnce(file: FileToKeep): Promise<{ fileId: string; known: boolean }> {
  const same = await query<{ id: string }>(
    'select id from files where owner_id = $1 and digest = $2 limit 1',
    [localOwner, digestHex(file.bytes)],
  )
  return same[0] ? { fileId: same[0].id, known: true } : { fileId: await keepFile(file), known: false }
}
