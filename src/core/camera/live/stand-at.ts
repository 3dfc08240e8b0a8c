import type { BodyModel, LensModel } from '../../model/types'
import { planFor } from '../../plan/bodies'
import type { Plan } from '../../plan/plan'
import { newestFirmware, positionIn, type Context } from '../../resolve/context'
import { newBody } from '../body'
import { memoryOf, type Memory } from '../memory'
import { newLive, type LiveState } from './state'

/** A body that holds a memory, lens on, in the hand. */
export function liveHolding(
  model: BodyModel,
  lenses: readonly LensModel[],
  { memory, firmware }: { readonly memory: Memory; readonly firmware: string },
): LiveState {
  const lens = lenses.find((one) => one.contacts && one.fits === model.maker) ?? null
  return newLive(model, lens, { ...newBody(model, 'SIM-1', firmware), memory })
}

/** A body with a plan set on it, standing as a context says, with nobody's finger on it. */
export function liveAt(model: BodyModel, plan: Plan, context: Context): LiveState {
  const firmware = context.firmware ?? newestFirmware(model)
  const body = newBody(model, 'SIM-1', firmware)
  const mine = context.body === undefined ? plan : planFor(plan, context.body)
  const start = newLive(model, context.lens, { ...body, memory: memoryOf(model, mine) })
  const stop = positionIn(model, context) ?? model.positions.find((one) => one.side === context.side)
  const slot = Object.values(context.banks).find((one) => one !== null) ?? null
  return {
    ...start,
    side: context.side,
    run: context.run,
    position: stop?.id ?? null,
    banks: { ...start.banks, ...context.banks },
    lastUsed: { ...start.lastUsed, [context.side]: slot },
    marked: context.marked ?? {},
    attached: context.attached ?? [],
    posture: context.posture ?? start.posture,
    orientation: context.orientation ?? start.orientation,
    eye: context.eye ?? start.eye,
    latched: context.latched ?? [],
    edits: context.edits ?? {},
  }
}
