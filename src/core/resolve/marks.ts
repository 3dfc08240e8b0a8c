import type { BodyModel } from '../model/types'
import { stopsBetween, type ExposureDifference, type ExposureMarks } from '../numbers/motion'
import { apertureIn, isoIn, ndStopsIn, shutterIn, type ExposurePart } from './exposure'
import type { Resolution } from './resolved'

/** The marks of an exposure, with the filter in the body where it takes light from one of two. */
export interface FilteredMarks extends ExposureMarks {
  /** "ND 2"; null where no filter is in either. */
  readonly nd: string | null
}

/** The light between two states of a body. */
export interface LightBetween extends ExposureDifference {
  readonly from: FilteredMarks
  readonly to: FilteredMarks
  /** Whether the exposure of each is what is set, the camera adding nothing of its own. */
  readonly fromByHand: boolean
  readonly toByHand: boolean
}

/** The difference in light as the two states are set; null where a part is missing or on no ladder. */
export function lightBetween(model: BodyModel, before: Resolution, after: Resolution): LightBetween | null {
  const [from, to] = [exposureOf(model, before), exposureOf(model, after)]
  if (!from || !to) return null
  const filtered = from.nd > 0 || to.nd > 0
  const difference = stopsBetween(amounts(from), amounts(to))
  // The ring of a lens without contacts stands where it stands, whatever is recalled.
  const ringStands = from.aperture.by === 'lens' && to.aperture.by === 'lens'
  const apertureStops = ringStands ? 0 : difference.apertureStops
  return {
    ...difference,
    apertureStops,
    stops: difference.stops - difference.apertureStops + apertureStops,
    from: marks(from, filtered),
    to: marks(to, filtered),
    fromByHand: byHand(from),
    toByHand: byHand(to),
  }
}

/** The marks of an exposure in words, such as "1/50, f/4, ISO 800, ND 2". */
export function marksInWords({ shutter, aperture, iso, nd }: FilteredMarks): string {
  return [shutter, aperture, iso, ...(nd === null ? [] : [nd])].join(', ')
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

function marks({ shutter, aperture, iso, nd }: Exposure, filtered: boolean): FilteredMarks {
  const ring = aperture.by === 'lens' ? 'the aperture on the lens' : aperture.mark
  return { shutter: shutter.mark, aperture: ring, iso: iso.mark, nd: filtered ? `ND ${nd}` : null }
}

/** Whether the camera chooses no part of an exposure. */
function byHand({ shutter, aperture, iso }: Exposure): boolean {
  return [shutter, aperture, iso].every(({ by }) => by !== 'camera')
}
