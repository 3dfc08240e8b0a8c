import { judgeTaken, mayBeTaken, type Meant, type Seen } from '@/core/cards/taking'
import { compareRows, type RowDifference } from '@/core/files/compare'
import { readCardFile } from '@/core/files/card-file'
import { noiseOf } from '@/core/files/regions'
import type { NamedRegion } from '@/core/files/verdict'
import { bodiesIn, type BodyRecord } from '@/core/inventory/records'
import { handActs } from '@/core/procedures/hand-acts'
import { fileOf, type Verdict } from '@/core/procedures/hand-files'
import { saidOf } from '@/core/procedures/progress'
import type { FileTask, ProcedureAct } from '@/core/procedures/types'
import { ok, refuse, type Result } from '@/core/result'
import { toWrite, type CardShown, type ToWrite } from './cards'
import { transaction } from './db'
import { loadFile } from './files'
import { inventoryNow } from './inventory'
import { chosenOf, fileByDigest, kinOf, nearestTo, pathGiven, takeIn } from './opaque'
import { keepRegions, regionsOf } from './regions'
import { loadWalk, type OpenWalk } from './walks'

/** An act of a walk at which a file is seen to, with the body it is of. */
interface TaskAt {
  readonly walk: OpenWalk
  readonly act: ProcedureAct
  readonly task: FileTask
  readonly body: BodyRecord | null
}

async function taskAt(walkId: string, actId: string): Promise<Result<TaskAt>> {
  const walk = await loadWalk(walkId)
  if (!walk.ok) return walk
  if (walk.value.endedAt !== null) return refuse('ended', 'This walk has ended: go on with it first.', walkId)
  const act = walk.value.composed.acts.find(({ id }) => id === actId)
  if (!act?.task) return refuse('unknown-act', 'This is no act at which a file is seen to.', actId)
  const { inventory } = await inventoryNow()
  const { tag } = act.task
  const body = bodiesIn(inventory).find((one) => one.tag === tag) ?? null
  if (tag !== null && body === null)
    return refuse('unknown-body', `There is no body ${tag} in the inventory any more.`, tag)
  return ok({ walk: walk.value, act, task: act.task, body })
}

/** A file offered at an act: its bytes and where it lay, or one that is on the shelf. */
export interface Offered {
  readonly bytes: Uint8Array | null
  /** Id of a file of the shelf, where no bytes are brought. */
  readonly fileId: string | null
  readonly path: string
  readonly savedAt: number | null
  /** Somebody has read what is to be looked at, and takes it all the same. */
  readonly isSure: boolean
}

/** What became of a file that was offered. */
export interface Offering {
  /** The digest of what was taken in; null where it was not, and what was seen says why. */
  readonly digest: string | null
  readonly seen: readonly Seen[]
}

/**
 * Looks at a file offered at an act, and takes it in where nothing speaks against it. What certainly is not meant is never
 * taken; what is to be looked at is taken once somebody is sure. A second save of an unchanged body shows what is noise.
 */
export async function offerFile(walkId: string, actId: string, offered: Offered): Promise<Result<Offering>> {
  const at = await taskAt(walkId, actId)
  if (!at.ok) return at
  const { walk, task, body } = at.value
  if (task.for === 'put' || task.for === 'compare')
    return refuse('unknown-act', 'No file is taken in here.', actId)
  const given = await givenFile(offered)
  if (!given.ok) return given
  const { bytes, path } = given.value
  const chosen = chosenOf(path, bytes, offered.savedAt)
  const seen = body ? judgeTaken(chosen, await meantAt(walk, task.for, body, chosen.digest)) : []
  if (!mayBeTaken(seen) || (!offered.isSure && seen.some(({ verdict }) => verdict === 'look')))
    return ok({ digest: null, seen })
  const kept = await takeIn(bytes, {
    ...{ body, path, savedAt: offered.savedAt },
    note: body ? `${notes[task.for](body.name)}.` : '',
  })
  if (!kept.ok) return kept
  if (task.for === 'again') await learnNoise(walk, kept.value.digest, bytes)
  return ok({ digest: kept.value.digest, seen: [...seen, ...(await nearSeen(kept.value.fileId))] })
}

/** Which file of the shelf one is nearest to: another body's, where it should be this one's, meets the eye. */
async function nearSeen(fileId: string): Promise<Seen[]> {
  const near = await nearestTo(fileId, 1)
  const [one] = near.ok ? near.value : []
  if (!one) return []
  const of = one.bodyName === null ? '' : ` of ${one.bodyName}`
  const words = one.differing === 1 ? '1 byte differs' : `${one.differing} bytes differ`
  return [{ about: 'Nearest', verdict: 'fine', words: `To ${one.name}${of}: ${words}.` }]
}

const notes: Readonly<Record<Exclude<FileTask['for'], 'put' | 'compare'>, (name: string) => string>> = {
  source: (name) => `Saved on ${name}, to be carried`,
  again: (name) => `Saved on ${name} once more, unchanged`,
  before: (name) => `What ${name} held before`,
  after: (name) => `Saved on ${name} after the load`,
}

async function givenFile({
  bytes,
  fileId,
  path,
}: Offered): Promise<Result<{ bytes: Uint8Array; path: string }>> {
  if (bytes === null) {
    const file = await loadFile(fileId ?? '')
    return file.ok ? ok({ bytes: new Uint8Array(file.value.bytes), path: file.value.name }) : file
  }
  const read = pathGiven(path)
  return read.ok ? ok({ bytes, path: read.value.path }) : read
}

async function meantAt(walk: OpenWalk, role: Meant['for'], body: BodyRecord, digest: string): Promise<Meant> {
  const { model, walk: document } = walk
  const { tag, name, serial, folder, file } = body
  const shelf = await kinOf([model.id, ...model.lookAlikes.map((one) => one.model)], digest)
  const load = role === 'after' ? saidOf(document, handActs.load(tag)) : null
  const loadedAt = load ? Date.parse(load.at) : NaN
  return {
    for: role,
    body: { tag, name, serial, model, folder, file },
    earlier: {
      ...some('source', fileOf(document, handActs.source)),
      ...some('before', fileOf(document, handActs.before(tag))),
      ...some('written', fileOf(document, handActs.put(tag))),
    },
    notBefore: Number.isFinite(loadedAt) ? loadedAt : null,
    shelf,
  }
}

function some<K extends string>(key: K, value: string | null): Partial<Record<K, string>> {
  return value === null ? {} : ({ [key]: value } as Record<K, string>)
}

/** What differs between two saves of an unchanged body is kept as noise of files of that size. */
async function learnNoise(
  { model, walk, bodyName }: OpenWalk,
  digest: string,
  bytes: Uint8Array,
): Promise<void> {
  const first = fileOf(walk, handActs.source)
  const source = first === null || first === digest ? null : await fileByDigest(first)
  if (!source || source.bytes.length !== bytes.length) return
  const words = `Two saves of ${bodyName ?? 'one body'}, with nothing changed`
  const noise = noiseOf([source.bytes, bytes]).map((region): NamedRegion => ({
    ...region,
    ...{ kind: 'noise', size: bytes.length, words },
  }))
  await transaction((client) => keepRegions(client, model.id, noise))
}

/** The file that is to be written at an act, under the name its body reads it by. */
export async function fileToPut(
  walkId: string,
  actId: string,
): Promise<Result<{ readonly name: string; readonly bytes: Uint8Array }>> {
  const at = await puttingAt(walkId, actId)
  return at.ok ? ok({ name: at.value.body.file ?? at.value.file.name, bytes: at.value.file.bytes }) : at
}

/** An act at which a file is written, with the file and the body whose card it is. */
async function puttingAt(walkId: string, actId: string) {
  const at = await taskAt(walkId, actId)
  if (!at.ok) return at
  const { walk, task, body } = at.value
  if (task.for !== 'put' || body === null) return refuse('unknown-act', 'Nothing is written here.', actId)
  const file = await fileAt(walk, handActs.source)
  return file
    ? ok({ walk, body, file })
    : refuse('no-file', 'Take the file in first that is to be carried.', actId)
}

/** The file that was taken in at an act of a walk; null where none was. */
async function fileAt({ walk }: OpenWalk, act: string) {
  const digest = fileOf(walk, act)
  const file = digest === null ? null : await fileByDigest(digest)
  return file && digest !== null ? { ...file, digest } : null
}

/** Looks at a card before the file of an act is written to it. */
export async function lookAtCard(walkId: string, actId: string, shown: CardShown): Promise<Result<ToWrite>> {
  const at = await puttingAt(walkId, actId)
  if (!at.ok) return at
  const { walk, body, file } = at.value
  return ok(await toWrite(body, walk.model, { ...file, size: file.bytes.length }, shown))
}

/** A file of a carry by hand, as the page that compares asks for it. */
export interface CarriedByHand {
  readonly id: string
  readonly name: string
  readonly digest: string
}

/** What is to be held against each other at an act: by rows where the format is known here, else by bytes. */
export interface ToCompare {
  readonly sent: CarriedByHand
  readonly found: CarriedByHand
  readonly before: CarriedByHand | null
  readonly named: readonly NamedRegion[]
  /** Row by row, where both can be read; null where they are compared as bytes. */
  readonly rows: {
    readonly compared: number
    readonly differences: readonly Pick<RowDifference, 'row' | 'place' | 'leftWords' | 'rightWords'>[]
    readonly verdict: Verdict
  } | null
}

/** The two files of a comparison, what counts as nothing in them, and, where their format is known, what came of it. */
export async function toCompare(walkId: string, actId: string): Promise<Result<ToCompare>> {
  const at = await taskAt(walkId, actId)
  if (!at.ok) return at
  const { walk, task } = at.value
  const { tag } = task
  if (task.for !== 'compare' || tag === null)
    return refuse('unknown-act', 'Nothing is held against each other here.', actId)
  const [sent, found, before] = await Promise.all(
    [handActs.source, handActs.after(tag), handActs.before(tag)].map((act) => fileAt(walk, act)),
  )
  if (!sent || !found)
    return refuse('no-file', 'Take the file in first that the body saved after the load.', actId)
  const line = ({ id, name, digest }: CarriedByHand): CarriedByHand => ({ id, name, digest })
  const named = await regionsOf(walk.model.id)
  return ok({
    ...{ sent: line(sent), found: line(found), before: before ? line(before) : null, named },
    rows: rowsOf(walk, sent.bytes, found.bytes, before?.bytes ?? null),
  })
}

function rowsOf(
  { model }: OpenWalk,
  sent: Uint8Array,
  found: Uint8Array,
  before: Uint8Array | null,
): ToCompare['rows'] {
  const [left, right] = [readCardFile(model, sent, 'sent'), readCardFile(model, found, 'found')]
  if (!left.ok || !right.ok) return null
  const { compared, differences } = compareRows(model, left.value.rows, right.value.rows)
  const earlier = before && readCardFile(model, before, 'before')
  const isAsBefore =
    earlier?.ok === true && compareRows(model, earlier.value.rows, right.value.rows).differences.length === 0
  return {
    compared,
    differences: differences.map(({ row, place, leftWords, rightWords }) => ({
      row,
      place,
      leftWords,
      rightWords,
    })),
    verdict: differences.length === 0 ? 'equal' : isAsBefore ? 'before' : 'differs',
  }
}
