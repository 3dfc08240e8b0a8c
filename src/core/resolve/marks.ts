import type { BodyModel } from '../model/types'
import { exposureDifference, type ExposureDifference, type ExposureMarks } from '../numbers/motion'
import { valueMeaning } from './meaning'
import type { Resolution } from './resolved'

/** The light between two states of a body. */
export interface LightBetween extends ExposureDifference {
  readonly from: ExposureMarks
  readonly to: ExposureMarks
  /** Whether the exposure of each is what is set, the camera adding nothing of its own. */
  readonly fromByHand: boolean
  readonly toByHand: boolean
}

/** The difference in light as the two states are marked; null where a mark is missing or on no ladder. */
export function lightBetween(model: BodyModel, before: Resolution, after: Resolution): LightBetween | null {
  const [from, to] = [exposureMarks(model, before), exposureMarks(model, after)]
  const difference = from && to && exposureDifference(from, to)
  if (!difference) return null
  const [fromByHand, toByHand] = [exposesByHand(model, before), exposesByHand(model, after)]
  return { ...difference, from, to, fromByHand, toByHand }
}

/** Shutter, aperture and ISO of a state as marked; null where the model has not all three. */
function exposureMarks(model: BodyModel, state: Resolution): ExposureMarks | null {
  const mark = (means: string) => valueMeaning(model, state, means)?.value
  const [shutter, aperture, iso] = [mark('exposure.shutter'), mark('exposure.aperture'), mark('exposure.iso')]
  if (typeof shutter !== 'string' || typeof aperture !== 'string' || typeof iso !== 'string') return null
  return { shutter, aperture, iso }
}

function exposesByHand(model: BodyModel, state: Resolution): boolean {
  const value = (means: string) => valueMeaning(model, state, means)?.value
  return value('exposure.mode') === 'manual' && value('exposure.isoAuto') !== true
}
