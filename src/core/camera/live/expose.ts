import { ladderSteps } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import { apertureIn, isoIn, ndStopsIn, shutterIn, type ExposurePart } from '../../resolve/exposure'
import { valueMeaning } from '../../resolve/meaning'
import { ladders, stepOf, type LadderName, type LadderStep } from '../../vocabulary/ladders'
import { resolutionNow } from './key-presses'
import type { LiveState } from './state'

/** What a body exposes with before a scene. */
export interface Exposed {
  readonly shutter: LadderStep
  readonly aperture: LadderStep
  readonly iso: LadderStep
  /** Stops over (above zero) or under what its meter asks for. */
  readonly off: number
}

/** Off by no more than this a step is taken: half of the widest gap between two marks of any ladder, 1/10 and 1/15 of the half stops. */
const halfStep = 0.3

/**
 * What a body exposes with: it tries its own steps, one after another in the order of its mode, until the light fits; where
 * none fits it takes what comes nearest. In aperture priority with auto ISO the lowest ISO with which the time is not longer
 * than the minimum, then longer times; in shutter priority the narrowest aperture at the lowest ISO. Null in program, whose
 * curve is the camera’s own, before a lens without contacts, and where the model lacks a part.
 */
export function exposedNow(model: BodyModel, state: LiveState): Exposed | null {
  const resolution = resolutionNow(model, state)
  const [shutter, aperture, iso] = [shutterIn, apertureIn, isoIn].map((part) => part(model, resolution))
  if (!shutter || !aperture || !iso || aperture.by === 'lens') return null
  if (shutter.by === 'camera' && aperture.by === 'camera') return null
  const mark = (means: string) => valueMeaning(model, resolution, means)?.value
  const compensation = stepOf('ev', mark('exposure.compensation'))?.amount ?? 0
  const light = state.scene.ev - ndStopsIn(model, resolution)
  const isMetered = shutter.by === 'camera' || aperture.by === 'camera' || iso.by === 'camera'
  const wanted = isMetered ? compensation : 0
  const times = steps(model, 'exposure.shutter', 'shutter', shutter).toReversed()
  const openings = steps(model, 'exposure.aperture', 'aperture', aperture)
    .filter(({ amount }) => aperture.by === 'owner' || amount >= widestOf(state))
    .toReversed()
  const [floor, cap] = [
    stepOf('iso', mark('exposure.isoAutoFloor')),
    stepOf('iso', mark('exposure.isoAutoCeiling')),
  ]
  const speeds = steps(model, 'exposure.iso', 'iso', iso).filter(
    ({ amount }) =>
      iso.by === 'owner' ||
      ((floor === undefined || amount >= floor.amount) && (cap === undefined || amount <= cap.amount)),
  )
  const slowest = stepOf('shutter', mark('exposure.minimumShutter'))?.amount ?? Infinity
  const short = times.filter(({ amount }) => shutter.by === 'owner' || amount <= slowest * 1.001)
  const long = times.filter((one) => !short.includes(one))
  const offBy = (time: LadderStep, opening: LadderStep, speed: LadderStep) =>
    Math.log2((time.amount * speed.amount * 2 ** light) / (100 * opening.amount ** 2)) - wanted
  let nearest: Exposed | null = null
  // The lowest ISO first; then, at the highest, times past the minimum.
  const tries = [
    ...speeds.map((speed) => ({ speed, within: short })),
    ...speeds.slice(-1).map((speed) => ({ speed, within: long })),
  ]
  for (const { speed, within } of tries) {
    const best = nearestOf(
      openings.flatMap((opening) =>
        within.map((time) => ({
          shutter: time,
          aperture: opening,
          iso: speed,
          off: offBy(time, opening, speed),
        })),
      ),
    )
    if (best && Math.abs(best.off) <= halfStep) return best
    nearest = nearestOf([nearest, best])
  }
  return nearest
}

/** The one whose light is nearest to what is metered; of equals the first. */
function nearestOf(all: readonly (Exposed | null)[]): Exposed | null {
  return all.reduce<Exposed | null>(
    (best, one) =>
      one !== null && (best === null || Math.abs(one.off) < Math.abs(best.off) - 1e-9) ? one : best,
    null,
  )
}

function widestOf({ lens }: LiveState): number {
  return stepOf('aperture', lens?.widest)?.amount ?? 0
}

/** The steps a part may take: the one its owner set, or all of the body’s. */
function steps(
  model: BodyModel,
  means: string,
  ladder: LadderName,
  part: ExposurePart,
): readonly LadderStep[] {
  if (part.by === 'owner') return [{ mark: part.mark, amount: part.amount }]
  const domain = lookup(model).byMeaning.get(means)?.domain
  return domain?.kind === 'ladder' ? ladderSteps(domain) : ladders[ladder]
}
