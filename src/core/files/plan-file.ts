import * as yup from 'yup'
import type { BodyModel } from '../model/types'
import { planFileBytes } from '../plan/limits'
import { parsePlan, samePlanModel, type Plan } from '../plan/plan'
import { ok, refuse, type Result } from '../result'
import { digestHex } from '../digest'
import { canonicalJson } from '../canonical-json'
import { readJson } from '../json'

/** The revision a plan file holds, or null for a draft. */
export interface RevisionStamp {
  readonly number: number
  /** ISO 8601, UTC. */
  readonly at: string
  readonly note: string
}

/** What a plan file says. */
export interface PlanFile {
  readonly plan: Plan
  readonly revision: RevisionStamp | null
}

/** Newest format version written and read; see docs/formats/plan-file.md. */
export const planFileVersion = 1

/** Writes a plan as canonical JSON text with its digest: the same plan gives the same bytes. */
export function writePlanFile(file: PlanFile): string {
  const body = {
    format: 'salt-shelf/plan',
    formatVersion: planFileVersion,
    model: file.plan.model,
    revision: file.revision,
    rows: file.plan.rows,
  }
  return `${canonicalJson({ ...body, digest: digestOf(body) }, 2)}\n`
}

/** The model and edition that a plan file stands on. Refuses what is no plan file. */
export function editionOfPlanFile(bytes: Uint8Array, name: string): Result<Plan['model']> {
  const json = readJson(bytes, name, { maxBytes: planFileBytes, maxDepth: 40 })
  if (!json.ok) return json
  const head = headOf(json.value, name)
  return head.ok ? ok(head.value.model) : head
}

/**
 * Reads a plan file for the models known. Refuses: not JSON, a wrong shape, a later format version, a digest that
 * does not fit, a model that is not known, and rows the model does not have; each with the place.
 */
export function readPlanFile(
  bytes: Uint8Array,
  name: string,
  models: readonly BodyModel[],
): Result<PlanFile> {
  const json = readJson(bytes, name, { maxBytes: planFileBytes, maxDepth: 40 })
  if (!json.ok) return json
  const head = headOf(json.value, name)
  if (!head.ok) return head
  const { digest, ...body } = head.value
  if (digest !== null && digest !== digestOf(body)) {
    return refuse(
      'damaged',
      'The digest does not fit the contents: the file was changed or damaged. Where you edited it yourself, write null for the digest.',
      `${name}: digest`,
    )
  }
  const model = models.find((one) => one.id === body.model.id)
  if (!model)
    return refuse(
      'other-model',
      `The file is for ${body.model.id}, which is not among your models.`,
      `${name}: model.id`,
    )
  const same = samePlanModel(model, { model: body.model, rows: {} })
  if (!same.ok) return same
  const plan = parsePlan(model, body.rows)
  if (!plan.ok)
    return refuse(plan.refusal.code, plan.refusal.message, `${name}: rows/${plan.refusal.where ?? ''}`)
  return ok({ plan: plan.value, revision: body.revision })
}

interface PlanFileBody {
  readonly format: string
  readonly formatVersion: number
  readonly model: { readonly id: string; readonly version: number }
  readonly revision: RevisionStamp | null
  readonly rows: Readonly<Record<string, unknown>>
  /** Null in a file written by hand: nothing protects it. */
  readonly digest: string | null
}

const closed = <S extends yup.ObjectShape>(fields: S) =>
  yup
    .object(fields)
    .strict()
    .required()
    .noUnknown(({ unknown }) => `has a key this format does not know: ${unknown}`)

const shape = closed({
  format: yup.string().strict().required(),
  formatVersion: yup.number().strict().required(),
  model: closed({
    id: yup
      .string()
      .strict()
      .required()
      .matches(/^[a-z][a-z0-9-]*$/),
    version: yup.number().strict().required().integer().min(1),
  }),
  revision: closed({
    number: yup.number().strict().required().integer().min(1),
    at: yup
      .string()
      .strict()
      .required()
      .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/),
    note: yup.string().strict().defined().max(500),
  })
    .nullable()
    .defined(),
  rows: yup.object().strict().required(),
  digest: yup
    .string()
    .strict()
    .nullable()
    .defined()
    .matches(/^sha-256:[0-9a-f]{64}$/),
})

/** The head of a plan file, whatever its rows; refuses what is none. */
export function headOf(value: unknown, name: string): Result<PlanFileBody> {
  const record = (value ?? {}) as Record<string, unknown>
  if (record.format !== 'salt-shelf/plan')
    return refuse('other-format', 'This is no Salt Shelf plan file.', `${name}: format`)
  if (record.formatVersion !== planFileVersion) {
    const version = JSON.stringify(record.formatVersion) ?? 'missing'
    return refuse(
      'newer-format',
      `Plan format ${version} cannot be read here; this Salt Shelf reads ${planFileVersion}.`,
      `${name}: formatVersion`,
    )
  }
  try {
    return ok(shape.validateSync(value, { strict: true }) as PlanFileBody)
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error
    return refuse('shape', error.errors[0] ?? 'wrong shape', `${name}: ${error.path ?? ''}`)
  }
}

/** The digest of what a plan file says. */
export function digestOf(body: Omit<PlanFileBody, 'digest'>): string {
  return `sha-256:${digestHex(canonicalJson(body))}`
}
