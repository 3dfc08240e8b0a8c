import type { Definitions } from '@/core/model/definitions'
import type { BodyModel } from '@/core/model/types'
import { readPlanFile } from '@/core/files/plan-file'
import type { Plan } from '@/core/plan/plan'
import { ok, refuse, type Result } from '@/core/result'
import { boundedBytes } from '@/disk/bounded'
import { readDefinitions } from '@/disk/definitions'
import { refused, type Command, type Options, type Outcome } from './command'
import { modelsFolder } from './options'

/** The definitions of a folder, lenses in its subfolder `lenses`. */
export async function definitionsIn(folder: string): Promise<Result<Definitions>> {
  try {
    return ok(await readDefinitions(folder))
  } catch {
    return refuse('no-folder', 'There is no such folder of models.', folder)
  }
}

/** A plan with the model it is for. */
export interface PlanOnDisk {
  readonly plan: Plan
  readonly model: BodyModel
  readonly definitions: Definitions
}

/** Reads a plan file and finds its model in a folder of models. */
export async function planOnDisk(path: string, folder: string): Promise<Result<PlanOnDisk>> {
  const definitions = await definitionsIn(folder)
  if (!definitions.ok) return definitions
  const bytes = await boundedBytes(path)
  if (!bytes.ok) return bytes
  const read = readPlanFile(bytes.value, path, definitions.value.models)
  if (!read.ok) return read
  const model = definitions.value.models.find((one) => one.id === read.value.plan.model.id)
  if (!model) return refuse('other-model', `There is no model ${read.value.plan.model.id}.`, folder)
  return ok({ plan: read.value.plan, model, definitions: definitions.value })
}

/** A command on one plan file: reads it with its model first, and refuses what cannot be read. */
export function onPlan(
  act: (read: PlanOnDisk, options: Options) => Outcome | Promise<Outcome>,
): Command['run'] {
  return async ([planPath = ''], options) => {
    const read = await planOnDisk(planPath, modelsFolder(options))
    return read.ok ? act(read.value, options) : refused(read.refusal)
  }
}
