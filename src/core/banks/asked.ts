import { ownerRow, rowValue } from '../plan/rows'
import { ladderSteps } from '../model/domain'
import type { BodyModel } from '../model/types'
import { pulsesOfMains } from '../numbers/flicker'
import { shutterForRate } from '../numbers/motion'
import type { Plan } from '../plan/plan'
import { valueMeaning } from '../resolve/meaning'
import type { Resolution } from '../resolve/resolved'
import { stepOf } from '../vocabulary/ladders'

/** The shutter a state's frame rate asks for against the one it has; null when the model has no such settings. */
export function shutterAsked(model: BodyModel, resolution: Resolution) {
  const [rate, shutter] = ['movie.frameRate', 'exposure.shutter'].map((means) =>
    valueMeaning(model, resolution, means),
  )
  const frames = stepOf('frameRate', rate?.value)
  const now = stepOf('shutter', shutter?.value)
  const domain = shutter?.setting.domain
  if (!frames || !now || domain?.kind !== 'ladder') return null
  const asked = shutterForRate(frames.amount, angleIn(model, resolution), ladderSteps(domain))
  return {
    ...asked,
    rate: frames.mark,
    now: now.mark,
    wanted: asked.step.mark,
    offStops: Math.log2(now.amount / asked.step.amount),
  }
}

/** The shutter angle: as set where the body shows the shutter so, else the half turn. */
function angleIn(model: BodyModel, resolution: Resolution): number {
  const inAngle = valueMeaning(model, resolution, 'exposure.shutterInAngle')?.value === true
  const angle = valueMeaning(model, resolution, 'exposure.shutterAngle')
  const choice =
    angle?.setting.domain.kind === 'choice'
      ? angle.setting.domain.values.find((one) => one.id === angle.value)?.name
      : undefined
  const degrees = Number.parseFloat(choice ?? '')
  return inAngle && degrees > 0 ? degrees : 180
}

/** Pulses of the lamps a second: as measured, else twice the mains the region setting names; null where neither is known. */
export function lampPulses(
  model: BodyModel,
  plan: Plan,
  resolution: Resolution,
): { readonly perSecond: number; readonly source: string; readonly sure: boolean } | null {
  const measured = rowValue(plan.rows, ownerRow('lampPulses'))
  if (typeof measured === 'number') return { perSecond: measured, source: 'measured', sure: true }
  const region = valueMeaning(model, resolution, 'movie.region')
  const mainsHz = region && { r50: 50, r60: 60 }[String(region.value)]
  if (!region || !mainsHz) return null
  return {
    perSecond: pulsesOfMains(mainsHz),
    source: `${mainsHz} Hz mains`,
    sure: region.possible.length === 1,
  }
}
