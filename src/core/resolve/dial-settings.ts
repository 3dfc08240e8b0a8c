import { lookup } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'

/** The settings that say how dials behave, as far as the model has them. */
export function dialSettings(model: BodyModel): Setting[] {
  const meant = [
    'controls.dialLayout',
    'controls.dialDirection',
    'controls.wheel',
    'controls.lensRing',
    'controls.lensRingDirection',
    'exposure.easyCompensation',
  ]
  return meant.flatMap((id) => lookup(model).byMeaning.get(id) ?? [])
}
