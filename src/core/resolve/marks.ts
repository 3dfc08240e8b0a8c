import type { BodyModel } from '../model/types'
import { stopsBetween, type ExposureDifference, type ExposureMarks } from '../numbers/motion'
import { apertureIn, isoIn, ndStopsIn, shutterIn, type ExposurePart } from './exposure'
import type { Resolution } from './resolved'

/** The light between two states of a body. */
export interface LightBetween extends ExposureDifference {
  readonly from: ExposureMarks
  readonly to: ExposureMarks
  /** Stops that the filter in the body takes, before and after; 0 where there is none. */
  readonly nd: readonly [before: number, after: number]
  /** Whether the exposure of each is what is set, the camera adding nothing of its own. */
  readonly fromByHand: boolean
  readonly toByHand: boolean
}

/** The difference in light as the two states are set; null where a part is missing or on no ladder. */
export function lightBetween(model: BodyModel, before: Resolution, after: Resolution): LightBetween | null {
  const [from, to] = [exposureOf(model, before), exposureOf(model, after)]
  if (!from || !to) return null
  const difference = stopsBetween(amounts(from), amounts(to))
  // The ring of a lens without contacts stands where it stands, whatever is recalled.
  const ringStands = from.aperture.by === 'lens' && to.aperture.by === 'lens'
  const apertureStops = ringStands ? 0 : difference.apertureStops
  return {
    ...difference,
    apertureStops,
    stops: difference.stops - difference.apertureStops + apertureStops,
    nd: [from.nd, to.nd],
    from: marks(from),
    to: marks(to),
    fromByHand: byHand(from),
    toByHand: byHand(to),
  }
}

interface Exposure {
  readonly shutter: ExposurePart
  readonly aperture: ExposurePart
  readonly iso: ExposurePart
  readonly nd: number
}

function exposureOf(model: BodyModel, state: Resolution): Exposure | null {
  const [shutter, aperture, iso] = [shutterIn(model, state), apertureIn(model, state), isoIn(model, state)]
  return shutter && aperture && iso ? { shutter, aperture, iso, nd: ndStopsIn(model, state) } : null
}

function amounts({ shutter, aperture, iso, nd }: Exposure) {
  return { seconds: shutter.amount, aperture: aperture.amount, iso: iso.amount, nd }
}

function marks({ shutter, aperture, iso }: Exposure): ExposureMarks {
  const ring = aperture.by === 'lens' ? 'the aperture on the lens' : aperture.mark
  return { shutter: shutter.mark, aperture: ring, iso: iso.mark }
}

/** Whether the camera chooses no part of an exposure. */
function byHand({ shutter, aperture, iso }: Exposure): boolean {
  return [shutter, aperture, iso].every(({ by }) => by !== 'camera')
}
