import type { BodyModel } from '../model/types'
import { placeInJson, readJson } from '../json'
import { planFileBytes } from '../plan/limits'
import { samePlanModel } from '../plan/plan'
import { nearestOf } from '../plan/nearest'
import { readWritten, type Reading } from '../plan/written'
import type { Refusal } from '../result'
import { digestOf, headOf, type PlanFile } from './plan-file'

/** A plan file as it stands, whether or not a hand has been in it. */
export type EditedPlan =
  | {
      readonly ok: true
      readonly file: PlanFile
      readonly model: BodyModel
      /** Its digest no longer fits: it was edited since it was written. */
      readonly isEdited: boolean
      /** Values that were written as people write them. */
      readonly readings: readonly Reading[]
    }
  | { readonly ok: false; readonly faults: readonly Refusal[] }

/**
 * Reads a plan file that may have been edited in a text editor: a digest that no longer fits is told and not refused, values may
 * stand as people write them, and every fault of the rows is given at once, with line and column. Refuses what `readPlanFile`
 * refuses otherwise.
 */
export function readEditedPlan(bytes: Uint8Array, name: string, models: readonly BodyModel[]): EditedPlan {
  const json = readJson(bytes, name, { maxBytes: planFileBytes, maxDepth: 40 })
  if (!json.ok) return { ok: false, faults: [json.refusal] }
  const head = headOf(json.value, name)
  if (!head.ok) return { ok: false, faults: [head.refusal] }
  const { digest, ...body } = head.value
  const text = new TextDecoder().decode(bytes)
  const at = (path: readonly string[]) => `${name}${placeInJson(text, path)}: ${path.join('/')}`
  const model = models.find((one) => one.id === body.model.id)
  if (!model) {
    const near = nearestOf(
      models.map(({ id }) => id),
      body.model.id,
    )
    const known = near === null ? `Known: ${models.map(({ id }) => id).join(', ')}.` : `Nearest: ${near}.`
    const message = `There is no model ${body.model.id}. ${known}`
    return { ok: false, faults: [{ code: 'other-model', message, where: at(['model', 'id']) }] }
  }
  const same = samePlanModel(model, { model: body.model, rows: {} })
  if (!same.ok) return { ok: false, faults: [same.refusal] }
  const read = readWritten(model, body.rows)
  if (!read.ok)
    return {
      ok: false,
      faults: read.faults.map((fault) => ({ ...fault, where: at(['rows', fault.where ?? '']) })),
    }
  const isEdited = digest !== null && digest !== digestOf(body)
  const file = { plan: read.plan, revision: body.revision }
  return { ok: true, file, model, isEdited, readings: read.readings }
}
