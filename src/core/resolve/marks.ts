import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { ExposureMarks } from '../numbers/motion'
import type { Resolution } from './resolved'

/** Shutter, aperture and ISO of a state as marked; null where the model has not all three. */
export function exposureMarks(model: BodyModel, { settings }: Resolution): ExposureMarks | null {
  const mark = (means: string) => settings.get(lookup(model).byMeaning.get(means)?.id ?? '')?.value
  const [shutter, aperture, iso] = [mark('exposure.shutter'), mark('exposure.aperture'), mark('exposure.iso')]
  if (typeof shutter !== 'string' || typeof aperture !== 'string' || typeof iso !== 'string') return null
  return { shutter, aperture, iso }
}

/** Whether the exposure is what is set, the camera adding nothing of its own. */
export function exposesByHand(model: BodyModel, { settings }: Resolution): boolean {
  const value = (means: string) => settings.get(lookup(model).byMeaning.get(means)?.id ?? '')?.value
  return value('exposure.mode') === 'manual' && value('exposure.isoAuto') !== true
}
