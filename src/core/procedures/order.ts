import { factoryMemory, type Memory } from '../camera/memory'
import type { BodyModel, LensModel } from '../model/types'
import { planFor } from '../plan/bodies'
import type { Plan } from '../plan/plan'
import { bodyFirmwareRow, rowValue } from '../plan/rows'
import { newestFirmware, standingFirmware } from '../resolve/context'
import type { SetOrder } from './wanted'

/** From where a plan is set: what the camera is delivered with, what this body is believed to hold, or every planned line. */
export const startingPoints = ['delivered', 'believed', 'every'] as const

/** One of `startingPoints`. */
export type StartingPoint = (typeof startingPoints)[number]

/** What is said of them. */
export const startWords: Readonly<Record<StartingPoint, string>> = {
  delivered: 'what differs from delivered',
  believed: 'what differs from what this body is believed to hold',
  every: 'every line the plan says',
}

/**
 * The order for a body: its firmware as the plan says it (else the oldest the plan stands on), and what it holds to begin
 * with. Without a belief, it is taken to be as delivered.
 */
export function orderFor(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  tag: string | null,
  start: StartingPoint,
  believed: Memory | null = null,
): SetOrder {
  const said = tag === null ? null : rowValue(plan.rows, bodyFirmwareRow(tag))
  const firmware = typeof said === 'string' ? said : (standingFirmware(model, plan) ?? newestFirmware(model))
  const from = start === 'believed' && believed ? believed : factoryMemory(model)
  return {
    model,
    plan: tag === null ? plan : planFor(plan, tag),
    lenses,
    tag,
    firmware,
    from,
    every: start === 'every',
  }
}
