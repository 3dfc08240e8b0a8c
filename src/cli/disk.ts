import type { Definitions } from '@/core/model/definitions'
import type { BodyModel } from '@/core/model/types'
import { readEditedPlan } from '@/core/files/edited-plan'
import type { Plan } from '@/core/plan/plan'
import { ok, refuse, type Refusal, type Result } from '@/core/result'
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

/** Reads a plan file, edited by hand or not, and finds its model in a folder of models; says in `notes` how it was read. */
export async function planOnDisk(path: string, folder: string, notes: string[]): Promise<Result<PlanOnDisk>> {
  const definitions = await definitionsIn(folder)
  if (!definitions.ok) return definitions
  const bytes = await boundedBytes(path)
  if (!bytes.ok) return bytes
  const read = readEditedPlan(bytes.value, path, definitions.value.models)
  if (!read.ok) return allOf(read.faults, path)
  if (read.isEdited)
    notes.push(`${path} was edited since it was written: its digest no longer fits. It is read as it stands.`)
  for (const { row, was, words } of read.readings)
    notes.push(`${path}: ${row}: ${JSON.stringify(was)} is read as ${words}.`)
  return ok({ plan: read.file.plan, model: read.model, definitions: definitions.value })
}

/** Several faults as one refusal with the others beside it. */
export function allOf([first, ...also]: readonly Refusal[], path: string): Result<never> {
  return first ? { ok: false, refusal: { ...first, also } } : refuse('unreadable', 'It cannot be read.', path)
}

/** A command on one plan file: reads it with its model first, and refuses what cannot be read. */
export function onPlan(
  act: (read: PlanOnDisk, options: Options) => Outcome | Promise<Outcome>,
): Command['run'] {
  return async ([planPath = ''], options, notes) => {
    const read = await planOnDisk(planPath, modelsFolder(options), notes)
    return read.ok ? act(read.value, options) : refused(read.refusal)
  }
}
