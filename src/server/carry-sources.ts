import { orderOfBody, orderOfFile, orderOfPlan, type CarryOrder } from '@/core/camera/carry-order'
import { factoryMemory, memoryOf, readMemory } from '@/core/camera/memory'
import { readCardFile, readCardHeader, writeCardFile } from '@/core/files/card-file'
import type { BodyModel } from '@/core/model/types'
import { planFor } from '@/core/plan/bodies'
import { planTitle, type Plan } from '@/core/plan/plan'
import type { Rows } from '@/core/plan/rows'
import { knownRows } from '@/core/plan/written'
import { ok, refuse, type Result } from '@/core/result'
import { loadBody, type Body } from './bodies'
import { isUuid, localOwner, query, transaction } from './db'
import { loadFile, type FileToKeep } from './files'
import { modelFor } from './models'
import { planOf, planRow } from './plan-rows'
import { freezeRevision, loadPlan } from './plans'

/** What a transfer carries: a plan as it is, one of its revisions, a file of the shelf, or what a body holds. */
export type CarrySource =
  | { readonly kind: 'plan'; readonly id: string }
  | { readonly kind: 'revision'; readonly id: string; readonly number: number }
  | { readonly kind: 'file'; readonly id: string }
  | { readonly kind: 'body'; readonly id: string }

/** Reads `plan:<id>`, `revision:<plan>/<number>`, `file:<id>` or `body:<id>`. */
export function readSource(text: unknown): Result<CarrySource> {
  const [kind = '', rest = ''] = typeof text === 'string' ? text.split(/:(.*)/s) : []
  if (kind === 'revision') {
    const [id = '', number = ''] = rest.split('/')
    if (isUuid(id) && /^[1-9][0-9]{0,8}$/.test(number)) return ok({ kind, id, number: Number(number) })
  }
  if ((kind === 'plan' || kind === 'file' || kind === 'body') && isUuid(rest)) return ok({ kind, id: rest })
  return refuse(
    'shape',
    'What is carried is plan:…, revision:…/number, file:… or body:…, each with its id.',
    'source',
  )
}

/** A source that was opened: what it is called, and what carries it to a body. */
export interface Opened {
  readonly words: string
  readonly model: BodyModel
  readonly planId: string | null
  readonly revision: { readonly id: string; readonly number: number } | null
  /** The file it is; for a body, the file in which what it holds is kept before anything is carried. */
  readonly file: { readonly id: string } | FileToKeep | null
  readonly bodyId: string | null
  readonly stem: string
  /** The plan it is, for the problems that are left in it; null for files and bodies. */
  readonly plan: Plan | null
  readonly orderFor: (body: Target, written: Pick<CarryOrder, 'stem' | 'atSeconds'>) => Result<CarryOrder>
}

/** The body that is carried to: its tag, and the edition of its model it stands on. */
export type Target = Pick<Body, 'tag' | 'model'>

/** Opens a source; with `freezeAs` a plan is frozen as a revision first, with that note. */
export async function openSource(source: CarrySource, freezeAs: string | null): Promise<Result<Opened>> {
  switch (source.kind) {
    case 'plan':
      return freezeAs === null ? openPlan(source.id) : openFrozen(source.id, freezeAs)
    case 'revision':
      return openRevision(source.id, source.number)
    case 'file':
      return openFile(source.id)
    case 'body':
      return openBody(source.id)
  }
}

function ofPlan(model: BodyModel, plan: Plan, planId: string, revision: Opened['revision']): Opened {
  const words = revision
    ? `revision ${revision.number} of ${planTitle(plan)}`
    : `${planTitle(plan)}, as it is now`
  return {
    ...{ words, model, planId, revision, plan },
    ...{ file: null, bodyId: null, stem: `REV${revision?.number ?? ''}` },
    orderFor: ({ tag }, written) => ok(orderOfPlan(model, plan, tag, written)),
  }
}

async function openPlan(id: string): Promise<Result<Opened>> {
  const stored = await loadPlan(id)
  return stored.ok ? ok(ofPlan(stored.value.model, stored.value.plan, id, null)) : stored
}

async function openFrozen(id: string, note: string): Promise<Result<Opened>> {
  const frozen = await freezeRevision(id, note)
  return frozen.ok ? ok(ofPlan(frozen.value.model, frozen.value.plan, id, frozen.value)) : frozen
}

/** A revision as the model of its plan reads it now; what that has no place for any more is told, never left out silently. */
async function openRevision(planId: string, number: number): Promise<Result<Opened>> {
  return transaction(async (client) => {
    const row = await planRow(client, planId, '')
    const read = row && (await planOf(row))
    if (!read?.ok) return read ?? refuse('unknown-plan', 'There is no such plan.', planId)
    const found = await client.query<{ id: string; rows: Record<string, unknown> }>(
      'select id, rows from revisions where plan_id = $1 and number = $2',
      [planId, number],
    )
    const [revision] = found.rows
    if (!revision) return refuse('unknown-revision', `There is no revision ${number}.`, String(number))
    const { model, plan } = read.value
    const { rows, leftOut } = knownRows(model, revision.rows)
    if (leftOut > 0)
      return refuse(
        'former-edition',
        `${leftOut} rows of revision ${number} have no place on this edition of the ${model.name}. Carry the plan as it is.`,
        `revision ${number}`,
      )
    return ok(ofPlan(model, { ...plan, rows }, planId, { id: revision.id, number }))
  })
}

async function openFile(id: string): Promise<Result<Opened>> {
  const file = await loadFile(id)
  if (!file.ok) return file
  const { name, bytes } = file.value
  const read = await readKept(name, bytes)
  if (!read.ok) return read
  const { model, firmware } = read.value
  return ok({
    ...{ words: `${name}, of firmware ${firmware}`, model, planId: null, revision: null },
    ...{ file: { id }, bodyId: null, stem: 'BACK', plan: null },
    orderFor: (body, written) => orderOfKept(read.value, body.model, written),
  })
}

/** A card file of the shelf, read by the edition of the model that it was written on. */
export interface KeptFile {
  readonly name: string
  readonly bytes: Uint8Array
  readonly model: BodyModel
  readonly firmware: string
  readonly rows: Rows
}

/** Reads a card file of the shelf whole; refuses every other file. */
export async function readKept(name: string, bytes: Uint8Array): Promise<Result<KeptFile>> {
  const header = readCardHeader(bytes, name)
  if (!header.ok)
    return refuse(
      'not-a-card-file',
      `${name} is no configuration file of a camera: a plan is carried from its own page.`,
      name,
    )
  const { model: named, firmware } = header.value
  const model = await modelFor(named.id, named.version)
  if (!model) {
    const message = `${name} is of a ${named.id}, edition ${named.version}, which is not here.`
    return refuse('unknown-model', message, name)
  }
  const read = readCardFile(model, bytes, name)
  return read.ok ? ok({ name, bytes, model, firmware, rows: read.value.rows }) : read
}

/** What carries a kept file to a body: as it is, or, where the body stands on another edition of the model, written anew for that. */
export function orderOfKept(
  { name, bytes, model, rows }: KeptFile,
  target: BodyModel,
  written: Pick<CarryOrder, 'stem' | 'atSeconds'>,
): Result<CarryOrder> {
  const isOtherEdition = target.id === model.id && target.version !== model.version
  return isOtherEdition
    ? ok(orderOfBody(target, readMemory(target, rows), written))
    : orderOfFile(model, bytes, name, written)
}

async function openBody(id: string): Promise<Result<Opened>> {
  const found = await loadBody(id)
  if (!found.ok) return found
  const { name, model, state } = found.value
  const order = orderOfBody(model, state.memory, { stem: '', atSeconds: 0 })
  const header = {
    model: state.model,
    formatNumber: model.cardFile.formatNumber,
    ...{ firmware: state.firmware, serial: state.serial, savedAtSeconds: Math.floor(Date.now() / 1000) },
  }
  return ok({
    ...{ words: `what ${name} holds`, model, planId: null, revision: null, bodyId: id, plan: null },
    stem: 'COPY',
    file: {
      ...{ kind: 'card', name: `${name.replace(/[^A-Za-z0-9]+/g, '-').slice(0, 20)}-COPY.SSC` },
      ...{ bytes: writeCardFile(model, { header, rows: order.rows }), modelId: model.id },
      ...{ firmware: state.firmware, bodyId: id, revisionId: null },
      note: `What ${name} held when it was carried over.`,
    },
    orderFor: (body, written) => {
      const target = body.model.id === model.id ? body.model : model
      return ok(orderOfBody(target, readMemory(target, state.memory), written))
    },
  })
}

/** The rows of everything kept of a model: its newest files and the revisions of its plans, at most so many of each. */
export async function keptRowsOf(model: BodyModel): Promise<readonly Rows[]> {
  const [files, revisions] = await Promise.all([
    keptFilesOf(model),
    query<{ rows: Record<string, unknown> }>(
      `select r.rows from revisions r join plans p on p.id = r.plan_id
       where p.owner_id = $1 and p.model_id = $2 order by r.made_at desc limit $3`,
      [localOwner, model.id, mostKept],
    ),
  ])
  const ofRevisions = revisions.map(({ rows }) => {
    const plan: Plan = { model: { id: model.id, version: model.version }, rows: knownRows(model, rows).rows }
    return memoryOf(model, planFor(plan, ''))
  })
  // What a body is delivered with is brought back by a reset.
  return [factoryMemory(model), ...files, ...ofRevisions]
}

/** So many files, and so many revisions, are looked through. */
const mostKept = 60

/** The rows of the newest files of a model on the shelf. */
export async function keptFilesOf(model: BodyModel): Promise<readonly Rows[]> {
  const files = await query<{ name: string; bytes: Buffer }>(
    `select name, bytes from files where owner_id = $1 and model_id = $2 and kind = 'card' and deleted_at is null
     order by added_at desc limit $3`,
    [localOwner, model.id, mostKept],
  )
  return files.flatMap(({ name, bytes }) => {
    const order = orderOfFile(model, new Uint8Array(bytes), name, { stem: '', atSeconds: 0 })
    return order.ok ? [order.value.rows] : []
  })
}
