import type { Definitions } from '@/core/model/definitions'
import type { BodyModel } from '@/core/model/types'
import { equipmentFor, equipped } from '@/core/inventory/equip'
import { inventoryFileBytes, readInventoryFile } from '@/core/inventory/file'
import type { Inventory } from '@/core/inventory/rows'
import { readEditedPlan } from '@/core/files/edited-plan'
import type { RevisionStamp } from '@/core/files/plan-file'
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
  /** The plan with what an inventory brings to it, where one is named. */
  readonly plan: Plan
  /** The plan as the file has it: what is written again. */
  readonly own: Plan
  readonly model: BodyModel
  readonly definitions: Definitions
  /** The revision that the file holds; null for a draft. */
  readonly revision: RevisionStamp | null
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
  const { plan } = read.file
  return ok({
    ...{ plan, own: plan, model: read.model, definitions: definitions.value },
    revision: read.file.revision,
  })
}

/** Reads an inventory file. */
export async function inventoryOnDisk(path: string): Promise<Result<Inventory>> {
  const bytes = await boundedBytes(path, inventoryFileBytes)
  return bytes.ok ? readInventoryFile(bytes.value, path) : bytes
}

/** A plan with what the inventory of `--inventory` brings to it, and the lenses there then are; as it is without one. */
export async function withInventory(read: PlanOnDisk, options: Options): Promise<Result<PlanOnDisk>> {
  const path = options.inventory?.at(-1)
  if (path === undefined) return ok(read)
  const inventory = await inventoryOnDisk(path)
  if (!inventory.ok) return inventory
  const { model, own, definitions } = read
  const equipment = equipmentFor(model, definitions, inventory.value)
  const plan = equipped(own, equipment)
  return ok({ ...read, plan, definitions: { ...definitions, lenses: equipment.lenses } })
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
    const full = read.ok ? await withInventory(read.value, options) : read
    return full.ok ? act(full.value, options) : refused(full.refusal)
  }
}
